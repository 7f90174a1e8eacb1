import type { HeadFactor } from '../lift';
import type { EventBody, PlannedAction } from './events';
import type { ScriptBlock, ScriptCourse, ScriptLift, ScriptMix, ScriptUnit } from './script';
import type { StepState } from './steps';

/** A level seen when a foil was opened. */
export interface Check extends Omit<Extract<EventBody, { kind: 'checked' }>, 'kind'> {
  readonly at: number;
  readonly by: string;
}

export type UnitStanding = 'waiting' | 'skipped' | 'on' | 'pulled' | 'rinsed';

/** A unit as it stands. Moments are milliseconds since 1970. */
export interface UnitState {
  readonly id: string;
  /**
   * As it was planned when it was placed; for one that was added, the unit of its block that it was laid
   * beside.
   */
  readonly unit: ScriptUnit;
  readonly added: boolean;
  readonly standing: UnitStanding;
  readonly closedAt: number | null;
  readonly closedBy: string | null;
  /**
   * From the moment that hands were free for it until it was closed, seconds; null where that is not known.
   */
  readonly seconds: number | null;
  /** Minutes that it had product on before it was painted again; 0 where it was painted once. */
  readonly earlierMinutes: number;
  /** When it was opened alone, or wetted. */
  readonly offAt: number | null;
  readonly why: string | null;
  /**
   * Minutes from closing it until it is ready, with what checks have shown; at the limit where its target is
   * not expected. For what is still to be painted again, until then.
   */
  readonly readyMinutes: number;
  readonly expected: boolean;
  /** Still to be painted again: minutes from then until it is ready; null where it is not. */
  readonly again: { readonly readyMinutes: number } | null;
  /** When it is ready, and when it reaches the maker's limit; null while it is not on. */
  readonly readyAt: number | null;
  readonly limitAt: number | null;
}

/** A block as it stands; all of its moments are those of units that still hold product. */
export interface BlockState {
  readonly block: ScriptBlock;
  /** In the order that they lie in, what was added among them. */
  readonly units: readonly UnitState[];
  readonly standing: 'waiting' | 'begun' | 'on' | 'at-basin' | 'rinsed';
  readonly firstAt: number | null;
  readonly lastAt: number | null;
  /** When all of it is ready, and when the first of it reaches its limit; null while nothing is on. */
  readonly readyAt: number | null;
  readonly limitAt: number | null;
  readonly checks: readonly Check[];
  /** Whether every target is expected. */
  readonly expected: boolean;
  /** Reasons that were given for staying on past the limit. */
  readonly pastLimit: readonly string[];
}

export interface BasinStage {
  readonly blocks: readonly string[];
  readonly begunAt: number;
  readonly doneAt: number | null;
  readonly incident: string | null;
}

/** Two devices said what cannot both be: which counts, in words. */
export interface Conflict {
  readonly at: number;
  /** A sentence; numbers in it are moments, said by the clock of whoever reads it. */
  readonly parts: readonly (string | number)[];
}

export interface Decision {
  readonly at: number;
  readonly words: string;
  readonly by: string;
}

/**
 * Everything that a service is, computed from its script and what happened: nothing is counted while it runs.
 */
export interface ServiceState {
  readonly startedAt: number | null;
  /** The plan as an older service wrote it down when it began; [] where the script has its course. */
  readonly plan: readonly PlannedAction[];
  /** Course that the rest goes on by; null for that of the script. */
  readonly course: ScriptCourse | null;
  readonly finishedAt: number | null;
  /** Why it was ended before everything was done; null where it was not. */
  readonly endedBecause: string | null;
  readonly blocks: readonly BlockState[];
  readonly stages: readonly BasinStage[];
  /** What follows the foils, in its order. */
  readonly steps: readonly StepState[];
  /** Lifts and mixes by which it goes on; units name their lifts by their places here. */
  readonly lifts: readonly ScriptLift[];
  readonly mixes: Readonly<Record<string, ScriptMix>>;
  /** What was decided at the chair, with its reason: a sentence each. */
  readonly decisions: readonly Decision[];
  /** The bowl in use of each mix: when it was mixed. */
  readonly bowls: readonly {
    readonly mix: string;
    readonly at: number;
    /** It was mixed for a strength that is no longer wanted. */ readonly spent: boolean;
  }[];
  /** Foils that were opened since the hands last did anything else; null where they do something else. */
  readonly round: number | null;
  /** Block that was chosen to be next. */
  readonly next: string | null;
  /** When hands were last free: the last foil, rinse or bowl was done. */
  readonly freeAt: number | null;
  readonly lastBlock: string | null;
  /** How this head takes each letter’s mix. */
  readonly heads: Readonly<Record<string, HeadFactor>>;
  readonly notes: readonly {
    readonly at: number;
    readonly words: string;
    readonly foil: string | null;
    readonly by: string;
  }[];
  /**
   * Alarms that some device has raised, the first of each; and those that somebody has heard, each with the
   * moment.
   */
  readonly raised: ReadonlyMap<
    string,
    { readonly at: number; readonly due: number; readonly late: boolean; readonly device: string }
  >;
  readonly silenced: ReadonlyMap<string, number>;
  /** Device that has the step; null where it is free. */
  readonly heldBy: { readonly device: string; readonly person: string } | null;
  readonly handedAt: number | null;
  readonly conflicts: readonly Conflict[];
}
