import type { WetPart } from './wet-order';

/** Foils of one panel and one mix, foiled without a break: what the clock puts in order. */
export interface Block {
  readonly id: string;
  readonly panel: string;
  readonly name: string;
  readonly formula: string;
  /** Seconds of each foil, in order. */
  readonly seconds: readonly number[];
  /** Minutes from closing a foil until it is ready (estimate), and the longest that its maker allows. */
  readonly readyMinutes: number;
  readonly limitMinutes: number;
  readonly touches: readonly WetPart[];
}

/** Minutes of everything beside the foils. Working assumptions of the model until a house has measured its own. */
export interface ClockRules {
  readonly panelChange: number;
  readonly mixChange: number;
  /** A bowl is used for so long. */
  readonly usefulMinutes: number;
  /** At the basin: setting up, each panel until it is wet, until it is clear, and finishing. */
  readonly setUp: number;
  readonly each: number;
  readonly clearAfter: number;
  readonly finish: number;
  /** Minutes kept in hand before every limit. */
  readonly margin: number;
  /** What a stage counts for, beside its minutes, when visits are compared. */
  readonly perStage: number;
}

export const USUAL_RULES: ClockRules = { panelChange: 2, mixChange: 3, usefulMinutes: 35, setUp: 3, each: 2, clearAfter: 2, finish: 2, margin: 3, perStage: 3 };

export type Action = { readonly kind: 'foil'; readonly block: number } | { readonly kind: 'rinse'; readonly blocks: readonly number[] };

export interface PlacedFoil {
  readonly block: number;
  /** Place in its block, from 0. */
  readonly index: number;
  /** Minutes from the start: closed, ready, past its maker's limit, wet, and clear of product. */
  readonly placed: number;
  readonly ready: number;
  readonly limit: number;
  readonly wet: number;
  readonly clear: number;
}

export interface Stage {
  readonly blocks: readonly number[];
  readonly from: number;
  readonly to: number;
}

export interface Timeline {
  readonly foils: readonly PlacedFoil[];
  readonly stages: readonly Stage[];
  /** Minutes at which a bowl is mixed. */
  readonly bowls: readonly { readonly formula: string; readonly at: number }[];
  /** Minutes until the last stage is finished, or the last foil is closed where nothing is rinsed. */
  readonly end: number;
  readonly cost: Cost;
}

/** Compared in this order: minutes over a limit, minutes short of ready, length with its stages, mean time past ready. */
export interface Cost {
  readonly over: number;
  readonly short: number;
  readonly visit: number;
  readonly past: number;
}

const NEAR = 1e-7;

/** < 0 where the first is better. */
export function compareCosts(a: Cost, b: Cost): number {
  for (const key of ['over', 'short', 'visit', 'past'] as const) if (Math.abs(a[key] - b[key]) > NEAR) return a[key] - b[key];
  return 0;
}

/** How a block stands while the service runs. */
export interface Standing {
  /** Minute at which its first and its last foil was closed. */
  readonly first: number;
  readonly last: number;
}

/** Minutes at the basin for a set, its panels tightest limit first. */
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
 * @param contiguous the stage before ended now: it is set up once
 */
export function basinTimes(set: readonly number[], blocks: readonly Block[], standing: readonly (Standing | undefined)[], now: number, contiguous: boolean, rules: ClockRules): BasinTimes {
  const due = (block: number) => standing[block]!.first + blocks[block].limitMinutes;
  const order = [...set].sort((a, b) => due(a) - due(b) || a - b);
  const at = (setUp: number) => {
    let ready = now;
    let latest = Infinity;
    order.forEach((block, j) => {
      const lead = setUp + j * rules.each;
      ready = Math.max(ready, standing[block]!.last + blocks[block].readyMinutes - lead);
      latest = Math.min(latest, due(block) - rules.margin - lead - rules.clearAfter);
    });
    return Math.max(now, Math.min(ready, latest));
  };
  // Going on at the basin without a break needs no setting up; waiting there first is a stage of its own.
  const onward = contiguous && at(0) <= now + NEAR;
  const setUp = onward ? 0 : rules.setUp;
  const from = onward ? now : at(rules.setUp);
  return { from, to: from + setUp + order.length * rules.each + rules.finish, order, wet: order.map((_, j) => from + setUp + j * rules.each) };
}

/** Minutes that foiling a block takes from now on: panel change, new bowls, and its foils; when each is closed. */
export interface Foiling {
  readonly placed: readonly number[];
  readonly bowls: readonly number[];
  /** When the bowl in use was mixed. */
  readonly bowlAt: number;
}

export function foilBlock(block: Block, now: number, first: boolean, bowl: { readonly formula: string; readonly at: number } | undefined, rules: ClockRules): Foiling {
  let at = now + (first ? 0 : rules.panelChange);
  const bowls: number[] = [];
  let bowlAt: number;
  if (bowl === undefined) {
    // The first bowl is mixed before the clock runs.
    bowlAt = at;
    bowls.push(at);
  } else bowlAt = bowl.at;
  let formula = bowl?.formula ?? block.formula;
  const placed = block.seconds.map((seconds) => {
    if (formula !== block.formula || at - bowlAt >= rules.usefulMinutes - NEAR) {
      bowls.push(at);
      at += rules.mixChange;
      bowlAt = at;
      formula = block.formula;
    }
    at += seconds / 60;
    return at;
  });
  return { placed, bowls, bowlAt };
}

/**
 * Runs a service through its actions.
 * @throws RangeError when a block is foiled twice, or rinsed before it is foiled
 */
export function runService(blocks: readonly Block[], actions: readonly Action[], rules: ClockRules = USUAL_RULES): Timeline {
  const placed: (readonly number[] | undefined)[] = new Array(blocks.length).fill(undefined);
  const wet: (number | undefined)[] = new Array(blocks.length).fill(undefined);
  const standing: (Standing | undefined)[] = new Array(blocks.length).fill(undefined);
  const stages: Stage[] = [];
  const bowls: { formula: string; at: number }[] = [];
  let now = 0;
  let bowl: { formula: string; at: number } | undefined;
  let contiguous = false;
  for (const action of actions) {
    if (action.kind === 'foil') {
      const block = blocks[action.block];
      if (placed[action.block]) throw new RangeError(`${block.name} is foiled twice.`);
      const foiling = foilBlock(block, now, bowl === undefined, bowl, rules);
      placed[action.block] = foiling.placed;
      bowls.push(...foiling.bowls.map((at) => ({ formula: block.formula, at })));
      now = foiling.placed[foiling.placed.length - 1];
      bowl = { formula: block.formula, at: foiling.bowlAt };
      standing[action.block] = { first: foiling.placed[0], last: now };
      contiguous = false;
    } else {
      for (const own of action.blocks) if (!placed[own] || wet[own] !== undefined) throw new RangeError(`${blocks[own].name} cannot be rinsed: it is not on the head.`);
      const times = basinTimes(action.blocks, blocks, standing, now, contiguous, rules);
      times.order.forEach((own, j) => (wet[own] = times.wet[j]));
      stages.push({ blocks: times.order, from: times.from, to: times.to });
      now = times.to;
      contiguous = true;
    }
  }
  const foils = blocks.flatMap((block, b) =>
    (placed[b] ?? []).map((at, index): PlacedFoil => ({
      block: b, index, placed: at, ready: at + block.readyMinutes, limit: at + block.limitMinutes, wet: wet[b] ?? Infinity, clear: (wet[b] ?? Infinity) + rules.clearAfter,
    })),
  );
  return { foils, stages, bowls, end: now, cost: costOf(foils, stages.length, now, rules) };
}

function costOf(foils: readonly PlacedFoil[], stages: number, end: number, { margin, perStage }: ClockRules): Cost {
  let [over, short, past] = [0, 0, 0];
  for (const { ready, limit, wet, clear } of foils) {
    over += Math.max(0, clear - (limit - margin));
    short += Math.max(0, ready - wet);
    past += Math.max(0, wet - ready);
  }
  return { over, short, visit: end + perStage * stages, past: foils.length === 0 ? 0 : past / foils.length };
}

/** Blocks that alone do not fit between ready and limit, cut into as few even ones as do; and which were cut. */
export function splitBlocks(blocks: readonly Block[], rules: ClockRules = USUAL_RULES): { readonly blocks: readonly Block[]; readonly cut: readonly string[] } {
  const cut: string[] = [];
  const out = blocks.flatMap((block): Block[] => {
    const room = block.limitMinutes - rules.margin - Math.min(block.readyMinutes, block.limitMinutes - rules.margin - rules.clearAfter) - rules.clearAfter;
    const pace = Math.max(...block.seconds) / 60;
    const most = 1 + Math.floor(room / pace + NEAR);
    const n = block.seconds.length;
    if (n <= most) return [block];
    cut.push(block.name);
    const parts = Math.ceil(n / most);
    return Array.from({ length: parts }, (_, i) => {
      const [first, next] = [Math.round((i * n) / parts), Math.round(((i + 1) * n) / parts)];
      return { ...block, id: `${block.id}.${i + 1}`, name: `${block.name}, part ${i + 1}`, seconds: block.seconds.slice(first, next) };
    });
  });
  return { blocks: out, cut };
}
