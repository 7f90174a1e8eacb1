import type { WetPart } from './wet-order';

/** A foil as the clock sees it: its own time, mixes, and how long it takes and may. */
export interface BlockFoil {
  readonly seconds: number;
  /** Mixes that are painted in it, by their name in a bowl: one, or two where the ends have one of their own. */
  readonly mixes: readonly string[];
  /** Minutes from closing it until it is ready (estimate), and the longest that its maker allows. */
  readonly readyMinutes: number;
  readonly limitMinutes: number;
}

/** Another strength that all foils of a block can have. */
export interface Strength {
  /** Name of the mix: what a bowl holds; and its strength, volumes. */
  readonly mix: string;
  readonly volumes: number;
  readonly foils: readonly BlockFoil[];
  /** Steps above the strength that was chosen; 0 for it and for weaker ones. */
  readonly steps: number;
}

/** Foils of one panel in the order of the hand, foiled without a break: what the clock puts in order. They may lift and deposit, each with its own mix. */
export interface Block {
  readonly id: string;
  readonly panel: string;
  readonly name: string;
  readonly foils: readonly BlockFoil[];
  readonly touches: readonly WetPart[];
  /** Other strengths that it may be foiled with; an action names them by their place, from 1. */
  readonly others?: readonly Strength[];
  /** Blocks that share this word are rinsed in one set. */
  readonly together?: string;
  /** Ids of blocks that are foiled before it. */
  readonly after?: readonly string[];
  /** Foils, by their place, that are pulled alone so many minutes after they were closed. */
  readonly pulled?: Readonly<Record<number, number>>;
}

/** Whether a second person helps, and how: mixes and pulls foils, or foils on another side of the head. */
export type SecondPerson = 'none' | 'mixes' | 'foils';

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
  /** What a stage, and a foil a step above the chosen strength, count for beside the minutes when visits are compared. */
  readonly perStage: number;
  readonly perStep: number;
  readonly second: SecondPerson;
  /** A second person opens and wipes a foil in so many minutes. */
  readonly pullEach: number;
  /** When nobody works on this head: another client, a break. In order, not overlapping. */
  readonly away: readonly { readonly from: number; readonly to: number }[];
}

export const USUAL_RULES: ClockRules = {
  panelChange: 2, mixChange: 3, usefulMinutes: 35, setUp: 3, each: 2, clearAfter: 2, finish: 2, margin: 3, perStage: 3, perStep: 0.3, second: 'none', pullEach: 0.5, away: [],
};

export type Action =
  /** `strength`: place among the block's others, from 1; 0 or missing: the chosen one. `by` 1: the second person. */
  | { readonly kind: 'foil'; readonly block: number; readonly strength?: number; readonly by?: number }
  | { readonly kind: 'rinse'; readonly blocks: readonly number[] }
  /** The second person opens and wipes the foils of a block, one by one. */
  | { readonly kind: 'pull'; readonly block: number };

export interface PlacedFoil {
  readonly block: number;
  /** Place in its block, from 0. */
  readonly index: number;
  /** Minutes from the start: closed, ready, past its maker's limit, wet (or opened), and clear of product. */
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

export interface Pull {
  readonly block: number;
  readonly from: number;
  readonly to: number;
}

export interface Timeline {
  readonly foils: readonly PlacedFoil[];
  readonly stages: readonly Stage[];
  readonly pulls: readonly Pull[];
  /** Minutes at which a bowl is mixed, of which mix. */
  readonly bowls: readonly { readonly mix: string; readonly at: number }[];
  /** Strength of each block by its place (0: the chosen one), and who foils it (1: the second person). */
  readonly strengths: readonly number[];
  readonly by: readonly number[];
  /** Minutes until the last stage is finished, or the last foil is closed where nothing is rinsed. */
  readonly end: number;
  readonly cost: Cost;
}

/** Compared in this order: minutes over a limit, minutes short of ready, length with its stages and steps, mean time past ready. */
export interface Cost {
  readonly over: number;
  readonly short: number;
  readonly visit: number;
  readonly past: number;
}

/** Where a service stands when the rest of it is planned; minutes from its start. */
export interface Start {
  readonly now: number;
  /** Panel that was worked last, and the bowls that are open: when each mix was mixed. */
  readonly panel?: string;
  readonly bowls?: Readonly<Record<string, number>>;
  /** Minutes at which the foils of a block were closed; undefined where it is not foiled yet. */
  readonly placed: readonly (readonly number[] | undefined)[];
  /** Strength that it was foiled with. */
  readonly strengths: readonly number[];
  /** Blocks whose foils were pulled, and that still want rinsing. */
  readonly pulled: readonly boolean[];
}

export const NEAR = 1e-7;

/** < 0 where the first is better. */
export function compareCosts(a: Cost, b: Cost): number {
  for (const key of ['over', 'short', 'visit', 'past'] as const) if (Math.abs(a[key] - b[key]) > NEAR) return a[key] - b[key];
  return 0;
}

/** The foils of a block with a strength by its place; 0 as they were chosen. */
export const foilsWith = (block: Block, place = 0): readonly BlockFoil[] => (place === 0 ? block.foils : block.others![place - 1].foils);

/** Mixes of a block by its strength, in the order in which they are needed. */
export const mixesOf = (block: Block, place = 0): readonly string[] => [...new Set(foilsWith(block, place).flatMap(({ mixes }) => mixes))];

/** Strengths that a block can be foiled with. */
export const strengthsOf = (block: Block): number => 1 + (block.others?.length ?? 0);
