import {
  headFactor,
  levelAfter,
  onThisHead,
  readingProblem,
  readyAfter,
  warmedMinutes,
  type HeadFactor,
  type LiftOf,
  type StrandReading,
} from '../lift';
import { MINUTE } from './minute';
import type { ScriptLift, ScriptUnit, ServiceScript } from './script';
import type { Check, ServiceState, UnitState } from './service-state';

/**
 * Minutes until a unit has its target, by what is known of the head; null where that is not expected. What
 * deposits is done after its own time.
 * @param earlierMinutes that product was on before it was painted again: what that lifted is there already
 */
export function readyMinutesOf(
  { lifting, depositMinutes }: Pick<ScriptUnit, 'lifting' | 'depositMinutes'>,
  lifts: readonly ScriptLift[],
  head: HeadFactor,
  earlierMinutes = 0,
): number | null {
  let most = Math.max(0, depositMinutes - earlierMinutes);
  for (const at of lifting) {
    const { from, target, lift } = lifts[at];
    const ready = readyAfter(from, target, onThisHead(asPainted(lift, earlierMinutes), head.factor));
    if (ready === null) return null;
    most = Math.max(most, ready - earlierMinutes);
  }
  return most;
}

/**
 * A lift as it was painted: a second application that came sooner or later than planned, or was not planned
 * at all, or not done.
 */
function asPainted({ second, ...lift }: LiftOf, earlierMinutes: number): LiftOf {
  return earlierMinutes > 0
    ? { ...lift, second: { volumes: second?.volumes ?? lift.volumes, afterMinutes: earlierMinutes } }
    : lift;
}

/** The stretch of a unit that a check looks at; undefined where nothing lifts. */
export function lengthOf(
  { lifting }: Pick<ScriptUnit, 'lifting'>,
  lifts: readonly ScriptLift[],
): ScriptLift | undefined {
  const own = lifting.map((at) => lifts[at]);
  return own.find(({ stretch }) => stretch === 'length') ?? own[0];
}

/**
 * Minutes that product was on a unit until a moment, all applications together; null where it was not put on.
 */
export const minutesOn = (
  { closedAt, earlierMinutes }: Pick<UnitState, 'closedAt' | 'earlierMinutes'>,
  until: number,
): number | null => (closedAt === null ? null : earlierMinutes + (until - closedAt) / MINUTE);

/**
 * Level that a unit is expected to have now, by what is known of this head; null where nothing of it lifts,
 * or it is not on.
 */
export function levelNow(
  state: UnitState,
  { lifts, heads }: Pick<ServiceState, 'lifts' | 'heads'>,
  now: number,
): number | null {
  const row = lengthOf(state.unit, lifts);
  const minutes = minutesOn(state, now);
  return !row || minutes === null
    ? null
    : levelAfter(
        row.from,
        onThisHead(asPainted(row.lift, state.earlierMinutes), heads[state.unit.letter].factor),
        minutes,
      );
}

/**
 * A check as a reading of the lift; undefined where it says nothing: the foil was not closed, or nothing was
 * lifted.
 */
export function readingOf(
  scriptLift: ScriptLift | undefined,
  check: Pick<Check, 'at' | 'level'>,
  unit: Pick<UnitState, 'closedAt' | 'earlierMinutes'> | undefined,
): StrandReading | undefined {
  const minutes = unit ? minutesOn(unit, check.at) : null;
  if (!scriptLift || !unit || minutes === null) return undefined;
  // Of two strengths one after the other a single reading says too little.
  if (
    unit.earlierMinutes > 0 &&
    scriptLift.lift.second &&
    scriptLift.lift.second.volumes !== scriptLift.lift.volumes
  )
    return undefined;
  const most = scriptLift.lift.most
    ? Math.min(scriptLift.from + scriptLift.lift.most.levels, scriptLift.lift.most.top)
    : 10;
  const reading: StrandReading = {
    from: scriptLift.from,
    volumes: scriptLift.lift.volumes,
    minutes: warmedMinutes(minutes, scriptLift.lift),
    level: check.level,
    known: scriptLift.lift.factor,
    atCap: check.level >= most,
  };
  return readingProblem(reading) === undefined ? reading : undefined;
}

/** What each letter’s mix does on this head: readings from before, and its checks of today. */
export function headsOf({
  script,
  lifts,
  checks,
  foils,
  unitOf,
}: {
  readonly script: ServiceScript;
  readonly lifts: readonly ScriptLift[];
  readonly checks: ReadonlyMap<string, readonly Check[]>;
  readonly foils: ReadonlyMap<string, Pick<UnitState, 'closedAt' | 'earlierMinutes'>>;
  readonly unitOf: (id: string) => ScriptUnit;
}): Record<string, HeadFactor> {
  const seen = [...checks.values()].flat();
  const letters = new Set(script.units.map(({ letter }) => letter));
  return Object.fromEntries(
    [...letters].map((letter) => {
      const today = seen.flatMap((check): StrandReading[] => {
        const unit = unitOf(check.foil);
        const reading =
          unit.letter === letter ? readingOf(lengthOf(unit, lifts), check, foils.get(check.foil)) : undefined;
        return reading ? [reading] : [];
      });
      return [letter, headFactor([...script.readings, ...today])];
    }),
  );
}
