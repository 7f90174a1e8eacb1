import { NEAR, type ClockRules } from './types';

/** Moves something that takes a while past the times when nobody is there. */
export function whenThere(at: number, minutes: number, away: ClockRules['away']): number {
  let from = at;
  for (const own of away) if (from < own.to - NEAR && from + minutes > own.from + NEAR) from = own.to;
  return from;
}

/** Who foils: until when they are busy, with what panel, and which bowls stand open. */
export interface Hands {
  readonly free: number;
  /** Panel that was worked last; undefined before the first. */
  readonly panel: string | undefined;
  /** When the open bowl of each mix was mixed; undefined before the first foil. */
  readonly bowls: Readonly<Record<string, number>> | undefined;
}

/**
 * One foil, by a pair of hands: fresh bowls that it takes, when it is begun and closed, and where the hands
 * are then.
 */
export interface Placing {
  readonly bowls: readonly { readonly mix: string; readonly at: number }[];
  readonly begun: number;
  readonly closed: number;
  readonly hands: Hands;
}

/**
 * Places a foil: panel change, new bowls, and the foil itself. Bowls of mixes that take turns stand open side
 * by side.
 * @param from not before this minute
 * @param oldBowl minutes past its useful time at which a bowl still serves it
 */
export function placing(
  panel: string,
  minutes: number,
  mixes: readonly string[],
  from: number,
  hands: Hands,
  rules: ClockRules,
  oldBowl = 0,
): Placing {
  let at = from;
  if (hands.panel !== undefined && hands.panel !== panel)
    at = whenThere(at, rules.panelChange, rules.away) + rules.panelChange;
  let held = hands.bowls;
  let bowls: Placing['bowls'] = NONE;
  for (const mix of mixes) {
    if (held?.[mix] !== undefined && at - held[mix] < rules.usefulMinutes + oldBowl - NEAR) continue;
    // What the first foil takes is mixed before the clock runs; a second person who mixes hands the fresh
    // bowl over.
    const takes = hands.bowls === undefined || rules.second === 'pulls' ? 0 : rules.mixChange;
    at = whenThere(at, takes, rules.away);
    bowls = [...bowls, { mix, at }];
    held = { ...held, [mix]: at };
    at += takes;
  }
  const begun = whenThere(at, minutes, rules.away);
  return {
    bowls,
    begun,
    closed: begun + minutes,
    hands: { free: begun + minutes, panel, bowls: held ?? {} },
  };
}

const NONE: Placing['bowls'] = [];

/** Minutes that a rinse of so many panels takes. */
export const basinMinutes = (panels: number, rules: ClockRules): number =>
  rules.setUp + panels * rules.each + rules.finish;
