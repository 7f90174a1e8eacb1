import { isHairlineZone, zoneName, type Zone } from '../head';
import { onThisHead, readyAfter, type HeadFactor } from '../lift';
import type { Plan } from '../pattern';
import type { Shelf } from '../products';
import type { Schools } from '../school';
import type { Formula } from '../visit';
import { capital } from '../units';
import type { LiftRow } from './lift';
import type { WorkList } from './list';

/** A strength that would suit a panel better, and why. Never above what cautions allow. */
export interface StrengthIdea {
  readonly panel: string;
  readonly name: string;
  readonly letter: string;
  readonly now: number;
  readonly volumes: number;
  readonly why: string;
}

/** What limits strengths: fragile zones, and the strength that asks for a reason there and at the hairline, volumes. */
export interface Careful {
  readonly fragileZones: readonly Zone[];
  readonly strongVolumes: number;
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

/** Strengths that a house can mix for a formula in one bottle, weakest first. */
export function strengthsFor(formula: Formula | undefined, shelf: Shelf): number[] {
  if (formula?.kind !== 'lift') return [];
  const product = shelf.lightener(formula.product);
  return product
    ? [...new Set(shelf.developers.map(({ volumes }) => volumes))].filter(
        (own) => own >= product.volumes.least && own <= product.volumes.most,
      )
    : [];
}

/** What one panel takes of one letter, and how it lifts. */
interface Group {
  readonly panel: string;
  readonly name: string;
  readonly letter: string;
  readonly zones: readonly Zone[];
  readonly rows: readonly LiftRow[];
}

function groupsOf({ units, lift }: StrengthFacts['work']): Group[] {
  const groups = new Map<
    string,
    { panel: string; name: string; letter: string; zones: Set<Zone>; rows: Set<LiftRow> }
  >();
  for (const { panel, panelName, letter, zone, kind, liftRows } of units) {
    if (kind !== 'foil' && kind !== 'open-air') continue;
    const key = `${panel} ${letter}`;
    const own = groups.get(key) ?? { panel, name: panelName, letter, zones: new Set<Zone>(), rows: new Set<LiftRow>() };
    groups.set(key, own);
    own.zones.add(zone);
    for (const at of liftRows) if (lift[at].stretch === 'length') own.rows.add(lift[at]);
  }
  return [...groups.values()]
    .filter(({ rows }) => rows.size > 0)
    .map((own) => ({ ...own, zones: [...own.zones], rows: [...own.rows] }));
}

/** The strongest that is suggested near the scalp, and anywhere. On fragile hair and at the hairline the house's cautions decide. */
const MOST = { nearScalp: 30, anywhere: 35 } as const;
const NEAR_SCALP_MM = 20;
const FRONT = /^(front|front-hairline|temple|top)/;
/** Strength that the school of standard volume begins with. */
const STANDARD = 20;

/**
 * For each panel the strength that the house's schools ask for: the weakest that gets there in time (low volume, long) or the
 * standard one, a step down on fragile, fine or lightened hair, the front as the house has it; only where it differs from the
 * strength that the panel has now.
 */
export function strengthIdeas(facts: StrengthFacts): StrengthIdea[] {
  return groupsOf(facts.work).flatMap((group) => ideaFor(group, facts) ?? []);
}

/** The strongest that is suggested or searched for somewhere, volumes: cautions that ask for a reason are limits here. */
export function mostVolumes(zones: readonly Zone[], startMm: number, { fragileZones, strongVolumes }: Careful): number {
  if (zones.some((zone) => isHairlineZone(zone) || fragileZones.includes(zone)))
    return Math.min(strongVolumes, MOST.anywhere);
  return startMm < NEAR_SCALP_MM ? MOST.nearScalp : MOST.anywhere;
}

function ideaFor(
  panel: Group,
  { plan, work, shelf, schools, head, fragileZones, lightenedZones, strongVolumes }: StrengthFacts,
): StrengthIdea | undefined {
  const own = plan.panels.find(({ id }) => id === panel.panel)!;
  const strengths = strengthsFor(work.letters.find(({ letter }) => letter === panel.letter)?.formula, shelf);
  if (strengths.length === 0) return undefined;
  const fragile = panel.zones.filter((zone) => fragileZones.includes(zone));
  const careful = fragile.length > 0 || panel.zones.some(isHairlineZone);
  const most = mostVolumes(panel.zones, own.start.distanceMm, { fragileZones, strongVolumes });
  const allowed = strengths.filter((volumes) => volumes <= most);
  if (allowed.length === 0) return undefined;
  const reaches = (volumes: number) =>
    panel.rows.every(
      ({ from, target, lift, limitMinutes }) =>
        (readyAfter(from, target, onThisHead({ ...lift, volumes }, head.factor)) ?? Infinity) <= limitMinutes,
    );
  const { target, lift } = panel.rows[0];
  const minutes = Math.round(Math.min(...panel.rows.map(({ limitMinutes }) => limitMinutes)));
  const weakest = allowed.find(reaches);
  const reasons: string[] = [];
  let at: number;
  if (weakest === undefined) {
    at = allowed.length - 1;
    reasons.push(
      `nothing allowed here is expected to reach level ${said(target)} within ${minutes} min: the strongest comes nearest, a second session goes on from there`,
    );
  } else if (schools.volume === 'low') {
    at = allowed.indexOf(weakest);
    reasons.push(`low volume, long: the weakest that is expected to reach level ${said(target)} within ${minutes} min`);
  } else {
    const standard = nearest(allowed, STANDARD);
    at = Math.max(standard, allowed.indexOf(weakest));
    reasons.push(
      at > standard
        ? `standard volume is not expected to reach level ${said(target)} within ${minutes} min`
        : 'standard volume, well saturated',
    );
  }
  const lightened = panel.zones.filter((zone) => lightenedZones.includes(zone));
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
  const front = panel.zones.filter((zone) => FRONT.test(zone)).length > panel.zones.length / 2;
  if (front && schools.front === 'weaker') down('the front a step weaker: hair there is finest and lifts first');
  if (front && schools.front === 'stronger' && at + 1 < allowed.length && !careful) {
    at += 1;
    reasons.push('the front a step stronger: it is started last and catches up');
  }
  if (careful) reasons.push(`not over ${most} vol ${fragile.length > 0 ? 'on fragile hair' : 'at the hairline'}`);
  const volumes = allowed[at];
  // What weakens the mix is in its strength: less than a volume is no other strength.
  if (Math.abs(volumes - lift.volumes) < 1) return undefined;
  return {
    panel: panel.panel,
    name: panel.name,
    letter: panel.letter,
    now: lift.volumes,
    volumes,
    why: sentence(reasons),
  };
}

function nearest(values: readonly number[], wanted: number): number {
  return values.reduce((best, own, i) => (Math.abs(own - wanted) < Math.abs(values[best] - wanted) ? i : best), 0);
}

const said = (level: number) => String(Math.round(level * 10) / 10);
const sentence = (reasons: readonly string[]) => `${capital(reasons.join('; '))}.`;
