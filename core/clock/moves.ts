import { NEAR, type Block, type BlockFoil, type ClockRules } from './types';

/** Foils of a block on the head: when each was closed, is ready, and reaches its limit. */
export interface OnHead {
  readonly placed: readonly number[];
  readonly ready: readonly number[];
  readonly limit: readonly number[];
  /** When all that still holds product is ready, and when the first of it reaches its limit. */
  readonly allReady: number;
  readonly firstLimit: number;
}

/** What is on the head once a block is foiled; foils that are pulled alone set no limit for the rest. */
export function onHead(placed: readonly number[], foils: readonly BlockFoil[], pulled: Block['pulled'] = {}): OnHead {
  const ready = placed.map((at, i) => at + foils[i].readyMinutes);
  const limit = placed.map((at, i) => at + foils[i].limitMinutes);
  let allReady = -Infinity;
  let firstLimit = Infinity;
  for (let i = 0; i < placed.length; i += 1) {
    if (pulled[i] !== undefined) continue;
    allReady = Math.max(allReady, ready[i]);
    firstLimit = Math.min(firstLimit, limit[i]);
  }
  return { placed, ready, limit, allReady, firstLimit };
}

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

export interface Foiling {
  readonly placed: readonly number[];
  readonly bowls: readonly { readonly mix: string; readonly at: number }[];
  readonly hands: Hands;
}

/** Foiling a block: panel change, new bowls, and its foils; when each is closed. Bowls of mixes that take turns stand open side by side. @param from not before this minute */
export function foilBlock(block: Block, foils: readonly BlockFoil[], from: number, { panel, bowls: open }: Hands, rules: ClockRules): Foiling {
  let at = from;
  if (panel !== undefined && panel !== block.panel) at = whenThere(at, rules.panelChange, rules.away) + rules.panelChange;
  const bowls: { mix: string; at: number }[] = [];
  const held: Record<string, number> = { ...open };
  // A second person who mixes hands the fresh bowl over.
  const mixing = rules.second === 'mixes' ? 0 : rules.mixChange;
  let first = open === undefined;
  const placed = foils.map(({ seconds, mixes }) => {
    for (const mix of mixes) {
      if (held[mix] !== undefined && at - held[mix] < rules.usefulMinutes - NEAR) continue;
      // What the first foil takes is mixed before the clock runs.
      const takes = first ? 0 : mixing;
      at = whenThere(at, takes, rules.away);
      bowls.push({ mix, at });
      held[mix] = at;
      at += takes;
    }
    first = false;
    at = whenThere(at, seconds / 60, rules.away) + seconds / 60;
    return at;
  });
  return { placed, bowls, hands: { free: at, panel: block.panel, bowls: held } };
}

/** Minutes that a rinse of so many panels takes. */
export const basinMinutes = (panels: number, rules: ClockRules, setUp = rules.setUp): number => setUp + panels * rules.each + rules.finish;

/** Minutes at the basin for a set, its panels tightest limit first; what was pulled before waits till the end. */
export interface BasinTimes {
  readonly from: number;
  readonly to: number;
  /** Blocks in the order that they are wetted, and when each is wet. */
  readonly order: readonly number[];
  readonly wet: readonly number[];
}

/**
 * When a set is rinsed at the earliest good moment: once everything in it is ready, but before the first limit is passed
 * (with the margin), and not before now.
 * @param on what each block has on the head; null for one whose foils were pulled: it only wants rinsing
 * @param contiguous the stage before ended now: it is set up once
 */
export function basinTimes(set: readonly number[], on: readonly (OnHead | null | undefined)[], now: number, contiguous: boolean, rules: ClockRules): BasinTimes {
  const due = (block: number) => on[block]?.firstLimit ?? Infinity;
  const order = [...set].sort((a, b) => (due(a) === due(b) ? a - b : due(a) - due(b)));
  const at = (setUp: number) => {
    let ready = now;
    let latest = Infinity;
    order.forEach((block, j) => {
      const own = on[block];
      if (!own) return;
      const lead = setUp + j * rules.each;
      ready = Math.max(ready, own.allReady - lead);
      latest = Math.min(latest, due(block) - rules.margin - lead - rules.clearAfter);
    });
    return Math.max(now, Math.min(ready, latest));
  };
  const lasts = (setUp: number) => basinMinutes(order.length, rules, setUp);
  // Going on at the basin without a break needs no setting up; waiting there first is a stage of its own.
  const onward = contiguous && at(0) <= now + NEAR;
  const setUp = onward ? 0 : rules.setUp;
  const from = whenThere(onward ? now : at(rules.setUp), lasts(setUp), rules.away);
  return { from, to: from + lasts(setUp), order, wet: order.map((_, j) => from + setUp + j * rules.each) };
}

/** When a second person pulls the foils of a block: once each is ready, but before the first limit is passed. */
export function pullTimes({ placed, ready: readyAt, limit }: OnHead, free: number, rules: ClockRules): { readonly from: number; readonly to: number; readonly opened: readonly number[] } {
  let ready = free;
  let latest = Infinity;
  placed.forEach((_, i) => {
    ready = Math.max(ready, readyAt[i] - i * rules.pullEach);
    latest = Math.min(latest, limit[i] - rules.margin - (i + 1) * rules.pullEach);
  });
  const from = whenThere(Math.max(free, Math.min(ready, latest)), placed.length * rules.pullEach, rules.away);
  return { from, to: from + placed.length * rules.pullEach, opened: placed.map((_, i) => from + i * rules.pullEach) };
}
