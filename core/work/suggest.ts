import { isHairlineZone, zoneName, type Zone } from '../head';
import { levelAfter, onThisHead, readyAfter, type HeadFactor } from '../lift';
import type { Plan } from '../pattern';
import type { Shelf } from '../products';
import type { Schools } from '../school';
import { capital } from '../units';
import type { LiftRow } from './lift';
import type { WorkList } from './list';
import { mostVolumes, strengthsFor, wantsCare, type Careful } from './strengths';
import type { WorkUnit } from './unit';

/** What changes with another strength, now and then (estimates). */
interface Change {
  /** Minutes until the last of them is ready; null where that is not expected. */
  readonly minutes: number | null;
  /** Lowest level that is reached, at the target or at the limit. */
  readonly level: number;
}

/** A strength that would suit some foils better, and why. Never above what cautions allow. */
export interface StrengthIdea {
  /** `Back and Sides, at the hairline`. */
  readonly name: string;
  readonly letter: string;
  /** Its foils and painted sections, by their ids; and whether they are all that take the letter. */
  readonly units: readonly string[];
  readonly all: boolean;
  readonly now: number;
  readonly volumes: number;
  readonly from: Change;
  readonly to: Change;
  /** The caution that goes with it, in words; null where none does. */
  readonly caution: string | null;
  readonly why: string;
}

export interface StrengthFacts extends Careful {
  readonly plan: Plan;
  readonly work: Pick<WorkList, 'units' | 'lift' | 'letters'>;
  readonly shelf: Shelf;
  readonly schools: Schools;
  readonly head: HeadFactor;
  /** Hair lightened before, by zone. */
  readonly lightenedZones: readonly Zone[];
}

/** What one panel takes of one letter where cautions ask for a reason, or elsewhere, and how it lifts. */
interface Group {
  readonly panel: string;
  readonly name: string;
  readonly letter: string;
  readonly careful: boolean;
  readonly zones: readonly Zone[];
  readonly rows: readonly LiftRow[];
  readonly units: readonly WorkUnit[];
}

const isLaid = ({ kind }: Pick<WorkUnit, 'kind'>) => kind === 'foil' || kind === 'open-air';

function groupsOf({ work: { units, lift }, fragileZones }: StrengthFacts): Group[] {
  const groups = new Map<string, WorkUnit[]>();
  for (const unit of units) {
    if (!isLaid(unit) || unit.again) continue;
    const key = `${unit.panel} ${unit.letter} ${wantsCare(unit.zone, { fragileZones })}`;
    groups.set(key, [...(groups.get(key) ?? []), unit]);
  }
  return [...groups.values()].flatMap((own): Group[] => {
    const [{ panel, panelName: name, letter, zone }] = own;
    const rows = [...new Set(own.flatMap(({ liftRows }) => liftRows))]
      .map((at) => lift[at])
      .filter(({ stretch }) => stretch === 'length');
    const zones = [...new Set(own.map((unit) => unit.zone))];
    return rows.length === 0
      ? []
      : [{ panel, name, letter, careful: wantsCare(zone, { fragileZones }), zones, rows, units: own }];
  });
}

const FRONT = /^(front|front-hairline|temple|top)/;
/** Strength that the school of standard volume begins with. */
const STANDARD = 20;

/** What is said for one group of foils before those that ask for the same are put together. */
interface Draft extends Pick<StrengthIdea, 'now' | 'volumes' | 'why'> {
  readonly group: Group;
}

/**
 * The strength that the house's schools ask for, place by place: the weakest that gets there in time (low
 * volume, long) or the
 * standard one, a step down on fragile, fine or lightened hair, the front as the house has it; only where it
 * differs from the
 * strength that is there now. What cautions ask for at the hairline is asked for its foils and no others.
 */
export function strengthIdeas(facts: StrengthFacts): StrengthIdea[] {
  const drafts = groupsOf(facts).flatMap((group) => ideaFor(group, facts) ?? []);
  const alike = new Map<string, Draft[]>();
  for (const draft of drafts) {
    const key = `${draft.group.letter} ${draft.now} ${draft.volumes} ${draft.group.careful} ${draft.why}`;
    alike.set(key, [...(alike.get(key) ?? []), draft]);
  }
  return [...alike.values()].map((own) => together(own, facts));
}

/** Groups that ask for the same, as one. */
function together(
  drafts: readonly Draft[],
  { work, head, strongVolumes, fragileZones }: StrengthFacts,
): StrengthIdea {
  const [
    {
      group: { letter, careful },
      now,
      volumes,
      why,
    },
  ] = drafts;
  const units = drafts.flatMap(({ group }) => group.units);
  const taking = work.units.filter((unit) => isLaid(unit) && unit.letter === letter).length;
  const names = [...new Set(drafts.map(({ group }) => group.name))];
  const fragile = units.some(({ zone }) => fragileZones.includes(zone));
  const place = careful ? (fragile ? ', on fragile hair' : ', at the hairline') : '';
  const rows = drafts.flatMap(({ group }) => group.rows);
  return {
    name: `${names.length <= 3 ? names.join(', ') : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`}${units.length === taking ? '' : place}`,
    letter,
    units: units.map(({ id }) => id),
    all: units.length === taking,
    now,
    volumes,
    from: changeOf(rows, head, (row) => row.lift.volumes),
    to: changeOf(rows, head, () => volumes),
    caution:
      careful && now > strongVolumes && volumes <= strongVolumes
        ? `no more than ${strongVolumes} vol ${fragile ? 'on fragile hair' : 'at the hairline'}: that clears the caution`
        : null,
    why,
  };
}

function changeOf(rows: readonly LiftRow[], head: HeadFactor, volumesOf: (row: LiftRow) => number): Change {
  const lifts = rows.map((row) => ({
    row,
    lift: onThisHead({ ...row.lift, volumes: volumesOf(row) }, head.factor),
  }));
  const minutes = lifts.map(({ row: { from, target, limitMinutes }, lift }) => {
    const ready = readyAfter(from, target, lift);
    return ready !== null && ready <= limitMinutes ? ready : null;
  });
  return {
    minutes: minutes.some((value) => value === null) ? null : Math.max(...minutes.map((value) => value!)),
    level: Math.min(
      ...lifts.map(({ row: { from, target, limitMinutes }, lift }) =>
        Math.max(from, Math.min(target, levelAfter(from, lift, limitMinutes))),
      ),
    ),
  };
}

function ideaFor(
  group: Group,
  { plan, work, shelf, schools, head, fragileZones, lightenedZones, strongVolumes }: StrengthFacts,
): Draft | undefined {
  const panel = plan.panels.find(({ id }) => id === group.panel)!;
  const strengths = strengthsFor(work.letters.find(({ letter }) => letter === group.letter)?.formula, shelf);
  if (strengths.length === 0) return undefined;
  const fragile = group.zones.filter((zone) => fragileZones.includes(zone));
  const careful = fragile.length > 0 || group.zones.some(isHairlineZone);
  const most = mostVolumes(group.zones, panel.start.distanceMm, { fragileZones, strongVolumes });
  const allowed = strengths.filter((volumes) => volumes <= most);
  if (allowed.length === 0) return undefined;
  const reaches = (volumes: number) =>
    group.rows.every(
      ({ from, target, lift, limitMinutes }) =>
        (readyAfter(from, target, onThisHead({ ...lift, volumes }, head.factor)) ?? Infinity) <= limitMinutes,
    );
  const { target, lift } = group.rows[0];
  const minutes = Math.round(Math.min(...group.rows.map(({ limitMinutes }) => limitMinutes)));
  const weakest = allowed.find(reaches);
  const reasons: string[] = [];
  let at: number;
  if (weakest === undefined) {
    at = allowed.length - 1;
    reasons.push(
      `nothing allowed here is expected to reach level ${said(target)} within ${minutes} min: the strongest comes nearest, and a second visit carries on from there`,
    );
  } else if (schools.volume === 'low') {
    at = allowed.indexOf(weakest);
    reasons.push(
      `low volume, long: the weakest that is expected to reach level ${said(target)} within ${minutes} min`,
    );
  } else {
    const standard = nearest(allowed, STANDARD);
    at = Math.max(standard, allowed.indexOf(weakest));
    reasons.push(
      at > standard
        ? `standard volume is not expected to reach level ${said(target)} within ${minutes} min`
        : 'standard volume, well saturated',
    );
  }
  const lightened = group.zones.filter((zone) => lightenedZones.includes(zone));
  const down = (why: string) => {
    const next = at - 1;
    // A step down that is not expected to get there is not suggested.
    if (next < 0 || !reaches(allowed[next])) return;
    at = next;
    reasons.push(why);
  };
  if (fragile.length > 0) down(`one step down on fragile hair (${zoneName(fragile[0]).toLowerCase()})`);
  else if (plan.hair.strand === 'fine') down('one step down on fine hair');
  else if (lightened.length > 0) down('one step down on hair lightened before');
  const front = group.zones.filter((zone) => FRONT.test(zone)).length > group.zones.length / 2;
  if (front && schools.front === 'weaker')
    down('the front a step weaker: hair there is finest and lifts first');
  if (front && schools.front === 'stronger' && at + 1 < allowed.length && !careful) {
    at += 1;
    reasons.push('the front a step stronger: it is started last and has to catch up');
  }
  if (careful)
    reasons.push(`not over ${most} vol ${fragile.length > 0 ? 'on fragile hair' : 'at the hairline'}`);
  const volumes = allowed[at];
  // What weakens the mix is in its strength: less than a volume is no other strength.
  if (Math.abs(volumes - lift.volumes) < 1) return undefined;
  return { group, now: lift.volumes, volumes, why: sentence(reasons) };
}

function nearest(values: readonly number[], wanted: number): number {
  return values.reduce(
    (best, value, i) => (Math.abs(value - wanted) < Math.abs(values[best] - wanted) ? i : best),
    0,
  );
}

const said = (level: number) => String(Math.round(level * 10) / 10);
const sentence = (reasons: readonly string[]) => `${capital(reasons.join('; '))}.`;
