import { lengthOf, minutesOn, readingOf, recordOf, type ServiceScript, type ServiceState } from '../chair';
import { headFactor, levelAfter, onThisHead, weighReading } from '../lift';
import type { LiftSample } from './lift';
import type { PaceSample } from './pace';

/** An estimate beside what came of it. */
export interface Compared {
  readonly estimated: number;
  readonly reached: number;
}

/** How good estimates of one kind were. */
export interface Accuracy {
  readonly count: number;
  /** Mean of reached minus estimated: above 0, estimates were too low. */
  readonly bias: number;
  /** Mean size of the error. */
  readonly error: number;
}

export function accuracyOf(all: readonly Compared[]): Accuracy | null {
  if (all.length === 0) return null;
  const off = all.map(({ estimated, reached }) => reached - estimated);
  return {
    count: all.length,
    bias: off.reduce((sum, value) => sum + value, 0) / off.length,
    error: off.reduce((sum, value) => sum + Math.abs(value), 0) / off.length,
  };
}

/** What one service teaches: pace foil by foil, levels and minutes beside their estimates. */
export interface Lesson {
  readonly pace: readonly PaceSample[];
  readonly levels: readonly Compared[];
  /** Checks as readings of the lift, against what this head was known for before. */
  readonly lifts: readonly LiftSample[];
  /** From the first foil to the end of the last rinse; null where it was not planned or not finished. */
  readonly minutes: Compared | null;
}

/** Reads a finished service. Levels are compared with what was expected before anything was seen that day. */
export function lessonOf(script: ServiceScript, state: ServiceState): Lesson {
  const { units: foils, rinsed } = recordOf(script, state);
  const scripted = new Map(script.units.map((unit) => [unit.id, unit]));
  const { factor: head, sd: headSd } = headFactor(script.readings);
  const handOf = new Map(foils.map(({ id, by }) => [id, by]));
  return {
    pace: foils.flatMap(({ id, seconds, by }): PaceSample[] => {
      const scriptUnit = scripted.get(id);
      return scriptUnit?.kind === 'foil' && seconds !== null && by !== null
        ? [{ person: by, gather: scriptUnit.gather.kind, teasing: scriptUnit.teasing, seconds }]
        : [];
    }),
    levels: state.blocks.flatMap(({ units, checks }) =>
      checks.flatMap(({ foil, level, at }) => {
        const unitState = units.find(({ id }) => id === foil);
        const lift = unitState && lengthOf(unitState.unit, state.lifts);
        const minutes = unitState ? minutesOn(unitState, at) : null;
        return !lift || minutes === null
          ? []
          : [{ estimated: levelAfter(lift.from, onThisHead(lift.lift, head), minutes), reached: level }];
      }),
    ),
    lifts: state.blocks.flatMap(({ units, checks }) =>
      checks.flatMap((check): LiftSample[] => {
        const unitState = units.find(({ id }) => id === check.foil);
        const product = unitState && script.products[unitState.unit.letter];
        const reading = unitState && readingOf(lengthOf(unitState.unit, state.lifts), check, unitState);
        // What stopped at the product's end could have been more: it says nothing of the speed.
        if (!product || !reading || reading.atCap) return [];
        const { raw, weight } = weighReading(reading);
        return [
          { product, person: handOf.get(check.foil) ?? check.by, log: raw - Math.log(head), weight, headSd },
        ];
      }),
    ),
    minutes:
      rinsed.planned !== null && rinsed.done !== null
        ? { estimated: rinsed.planned, reached: rinsed.done }
        : null,
  };
}
