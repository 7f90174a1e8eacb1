import { NEAR, type Block, type ClockRules, type Strength } from './types';

/** Foils of a block on the head: when each was closed, and how long they take and may. */
export interface OnHead extends Pick<Strength, 'readyMinutes' | 'limitMinutes'> {
  readonly placed: readonly number[];
  /** First foil that still holds product, and when the last foil was closed. */
  readonly first: number;
  readonly last: number;
}

/** What is on the head once a block is foiled; foils that are pulled alone set no limit for the rest. */
export function onHead(placed: readonly number[], { readyMinutes, limitMinutes }: Pick<Strength, 'readyMinutes' | 'limitMinutes'>, pulled: Block['pulled'] = {}): OnHead {
  const held = placed.filter((_, i) => pulled[i] === undefined);
  return { placed, readyMinutes, limitMinutes, first: held[0] ?? Infinity, last: held[held.length - 1] ?? -Infinity };
}

/** Moves something that takes a while past the times when nobody is there. */
export function whenThere(at: number, minutes: number, away: ClockRules['away']): number {
  let from = at;
  for (const own of away) if (from < own.to - NEAR && from + minutes > own.from + NEAR) from = own.to;
  return from;
}

/** Who foils: until when they are busy, with what panel, and from which bowl. */
export interface Hands {
  readonly free: number;
  /** Panel that was worked last; undefined before the first. */
  readonly panel: string | undefined;
  readonly bowl: { readonly formula: string; readonly at: number } | undefined;
}

export interface Foiling {
  readonly placed: readonly number[];
  readonly bowls: readonly number[];
  readonly hands: Hands;
}

/** Foiling a block: panel change, new bowls, and its foils; when each is closed. @param from not before this minute */
export function foilBlock(block: Block, mix: string, from: number, { panel, bowl }: Hands, rules: ClockRules): Foiling {
  let at = from;
  if (panel !== undefined && panel !== block.panel) at = whenThere(at, rules.panelChange, rules.away) + rules.panelChange;
  const bowls: number[] = [];
  // The first bowl is mixed before the clock runs.
  let bowlAt = bowl?.at ?? at;
  if (bowl === undefined) bowls.push(at);
  let held = bowl?.formula ?? mix;
  // A second person who mixes hands the fresh bowl over.
  const mixing = rules.second === 'mixes' ? 0 : rules.mixChange;
  const placed = block.seconds.map((seconds) => {
    if (held !== mix || at - bowlAt >= rules.usefulMinutes - NEAR) {
      at = whenThere(at, mixing, rules.away);
      bowls.push(at);
      bowlAt = at;
      at += mixing;
      held = mix;
    }
    at = whenThere(at, seconds / 60, rules.away) + seconds / 60;
    return at;
  });
  return { placed, bowls, hands: { free: at, panel: block.panel, bowl: { formula: mix, at: bowlAt } } };
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
  const due = (block: number) => (on[block] ? on[block].first + on[block].limitMinutes : Infinity);
  const order = [...set].sort((a, b) => (due(a) === due(b) ? a - b : due(a) - due(b)));
  const at = (setUp: number) => {
    let ready = now;
    let latest = Infinity;
    order.forEach((block, j) => {
      const own = on[block];
      if (!own) return;
      const lead = setUp + j * rules.each;
      ready = Math.max(ready, own.last + own.readyMinutes - lead);
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
export function pullTimes({ placed, readyMinutes, limitMinutes }: OnHead, free: number, rules: ClockRules): { readonly from: number; readonly to: number; readonly opened: readonly number[] } {
  let ready = free;
  let latest = Infinity;
  placed.forEach((at, i) => {
    ready = Math.max(ready, at + readyMinutes - i * rules.pullEach);
    latest = Math.min(latest, at + limitMinutes - rules.margin - (i + 1) * rules.pullEach);
  });
  const from = whenThere(Math.max(free, Math.min(ready, latest)), placed.length * rules.pullEach, rules.away);
  return { from, to: from + placed.length * rules.pullEach, opened: placed.map((_, i) => from + i * rules.pullEach) };
}
