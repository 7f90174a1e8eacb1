import type { Zone } from '../head';
import { dayAfter, entriesOf } from '../units';
import { NEAR, sessionsToGoal, type Sessions } from './sessions';

/** What is aimed at over the coming visits, in order. */
export interface Target {
  readonly words: string;
  readonly level: number;
  /** Wished for by this day, YYYY-MM-DD. */
  readonly byOn: string | null;
}

/** A recorded visit as far as targets go. */
export interface TargetVisit {
  readonly on: string;
  readonly reached: number;
  readonly levels: Readonly<Partial<Record<Zone, number>>>;
}

/** How far a target is. */
export interface TargetProgress extends Target {
  /** The way leads to lighter hair, or back to darker: depth put in, grown out, glazed. */
  readonly way: 'lighter' | 'darker';
  /** The visit that reached it and after which it stayed; null while it is not. */
  readonly reachedOn: string | null;
  /** Zones that were there after each visit, of those whose level was kept; oldest first. */
  readonly byVisit: readonly { readonly on: string; readonly there: number; readonly zones: number }[];
  /** Zones that the last visit did not bring there. */
  readonly behind: readonly Zone[];
  /** Visits still expected; null on the way to darker hair, which is chosen and not lifted. */
  readonly sessions: Sessions | null;
  /** The day of the last of them, at their rhythm; null where none is known or none is needed. */
  readonly expectedOn: string | null;
  /** Whether that is before the day it is wished for by; null without one, or without an estimate. */
  readonly inTime: boolean | null;
}

interface TargetFacts {
  /** Level of their own hair, to start from without a visit. */
  readonly natural: number;
  /** When the next visit is, as far as that is known: YYYY-MM-DD. */
  readonly nextOn: string;
  /** Weeks between their visits; null where that was not asked. */
  readonly weeksBetween: number | null;
}

/**
 * Targets one by one: how far each is, by zone and by visit, and when it may be reached. Targets that fall
 * lead to darker hair; the first
 * does when those after it fall and the hair was lighter at the first visit. An estimate.
 * @param visits oldest first
 */
export function targetProgress(
  targets: readonly Target[],
  visits: readonly TargetVisit[],
  { natural, nextOn, weeksBetween }: TargetFacts,
): TargetProgress[] {
  return targets.map((target, i): TargetProgress => {
    const { level, byOn } = target;
    const falls =
      i > 0
        ? level < targets[i - 1].level
        : targets.length > 1 &&
          targets[1].level < level &&
          visits.length > 0 &&
          visits[0].reached > level + NEAR;
    const isThere = (value: number) => (falls ? value <= level + NEAR : value >= level - NEAR);
    const byVisit = visits.map(({ on, levels }) => {
      const known = Object.values(levels);
      return { on, there: known.filter(isThere).length, zones: known.length };
    });
    const lastShort = visits.findLastIndex(({ reached }) => !isThere(reached));
    const reachedOn = visits[lastShort + 1]?.on ?? null;
    const sessions = falls ? null : sessionsToGoal(visits, level, natural);
    const expectedOn =
      sessions && sessions.visits > 0 && weeksBetween !== null
        ? dayAfter(nextOn, Math.round(7 * weeksBetween * (sessions.visits - 1)))
        : null;
    const doneOn = reachedOn ?? expectedOn;
    return {
      ...target,
      way: falls ? 'darker' : 'lighter',
      reachedOn,
      byVisit,
      sessions,
      expectedOn,
      behind: entriesOf(visits.at(-1)?.levels ?? {}).flatMap(([zone, own]) => (isThere(own) ? [] : [zone])),
      inTime: byOn === null || doneOn === null ? null : doneOn <= byOn,
    };
  });
}
