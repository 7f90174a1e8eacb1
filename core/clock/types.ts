import type { WetPart } from './wet-order';

/** A foil as the clock sees it: its own time, mixes, and how long it takes and may. */
export interface BlockFoil {
  readonly seconds: number;
  /**
   * Mixes that are painted in it, by their name in a bowl: one, or two where the ends have one of their own.
   */
  readonly mixes: readonly string[];
  /** Minutes from closing it until it is ready (estimate), and the longest that its maker allows. */
  readonly readyMinutes: number;
  readonly limitMinutes: number;
  /** false: its target is not expected; it comes off in the last minutes before its limit. */
  readonly expected?: boolean;
  /** Where it lies, as water runs; without it no water reaches it. */
  readonly part?: WetPart;
  /** It is pulled alone, so many minutes after it was closed. */
  readonly pullAfter?: number;
  /** It is opened, wiped and painted again; ready and limit count from then on. */
  readonly again?: PaintedAgain;
  /** It may be painted from a bowl that is so many minutes past its useful time. */
  readonly oldBowlMinutes?: number;
}

/** A second application on the same foil. */
export interface PaintedAgain {
  /** Minutes after it was first closed; and the longest that its maker allows until then. */
  readonly afterMinutes: number;
  readonly limitMinutes: number;
  /** Hands that it takes, minutes, and from which mixes. */
  readonly minutes: number;
  readonly mixes: readonly string[];
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

/** Foils of one panel in the order of the hand. They may lift and deposit, each with its own mix. */
export interface Block {
  readonly id: string;
  readonly panel: string;
  readonly name: string;
  readonly foils: readonly BlockFoil[];
  /** Other strengths that it may be foiled with, named by their place, from 1. */
  readonly others?: readonly Strength[];
  /** Blocks that share this word are rinsed in one visit; blocks that share `apart` never are. */
  readonly together?: string;
  readonly apart?: string;
  /** Ids of blocks that are foiled before it. */
  readonly after?: readonly string[];
}

/**
 * Whether a second person helps, and how: mixes bowls and pulls foils, or foils on another side of the head.
 */
export const SECOND_PERSON = ['none', 'pulls', 'foils'] as const;
export type SecondPerson = (typeof SECOND_PERSON)[number];

/**
 * Minutes of everything beside the foils. Working assumptions of the model until a house has measured its
 * own.
 */
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
  /** Opening and wiping one foil, and changing over to it from the foiling. */
  readonly pullEach: number;
  readonly pullChange: number;
  /** What a foil a step above the chosen strength counts for beside the minutes when plans are compared. */
  readonly perStep: number;
  readonly second: SecondPerson;
  /** When nobody works on this head: another client, a break. In order, not overlapping. */
  readonly away: readonly { readonly from: number; readonly to: number }[];
}

export const USUAL_RULES: ClockRules = {
  panelChange: 2,
  mixChange: 3,
  usefulMinutes: 35,
  setUp: 3,
  each: 2,
  clearAfter: 2,
  finish: 2,
  margin: 3,
  pullEach: 0.5,
  pullChange: 1,
  perStep: 0.3,
  second: 'none',
  away: [],
};

/** How often one goes to the basin at most; null: as often as it helps. */
export interface Frame {
  readonly visits: number | null;
  /** The back is rinsed once, then the rest. */
  readonly backFirst: boolean;
}

export const USUAL_FRAME: Frame = { visits: 2, backFirst: false };

/** Who opens foils that are ready: nobody, whoever foils, or the second person. */
export type Pulling = 'none' | 'own' | 'second';

/** A rinse before the last one: once so many foils have been placed, with what of it may go. */
export interface RinsePoint {
  /** Foils placed by then, those that were placed before planning began among them. */
  readonly after: number;
  /**
   * Only these blocks, only these parts of the head; null: all. `whole`: only panels that are placed to their
   * end.
   */
  readonly blocks: readonly number[] | null;
  readonly parts: readonly WetPart[] | null;
  readonly whole: boolean;
}

/** What is decided of a service; everything else follows from it. */
export interface Course {
  /** Blocks in the order in which they are foiled. */
  readonly order: readonly number[];
  readonly rinses: readonly RinsePoint[];
  readonly pulling: Pulling;
  /** Who foils each block (1: the second person) and its strength (0: the chosen one), by block. */
  readonly by: readonly number[];
  readonly strengths: readonly number[];
}

/** A foil by its block and its place in it, from 0. */
export interface FoilAt {
  readonly block: number;
  readonly index: number;
}

export interface PlacedFoil extends FoilAt {
  /**
   * Minutes from the start: begun, closed, ready, past its maker's limit, wet or opened, and clear of
   * product.
   */
  readonly begun: number;
  readonly placed: number;
  /** When it was painted again and closed; null where it is painted once. Ready and limit count from it. */
  readonly again: number | null;
  readonly ready: number;
  readonly limit: number;
  readonly wet: number;
  readonly clear: number;
  /** Opened and wiped before its rinse. */
  readonly pulled: boolean;
  readonly expected: boolean;
}

/** Less than this past a limit is at it, and nearer to ready than that is ready, minutes. */
const AT_LIMIT = 1e-6;
const AT_READY = 0.05;

/** Minutes that a foil stays past its maker's limit; each application has its own. */
export const minutesPast = ({
  placed,
  again,
  clear,
  limit,
}: Pick<PlacedFoil, 'placed' | 'again' | 'clear' | 'limit'>): number =>
  Math.max(0, clear - limit, again === null ? 0 : again - placed - (limit - again));

/** Whether a foil stays on past its maker's limit. */
export const isPast = (foil: Pick<PlacedFoil, 'placed' | 'again' | 'clear' | 'limit'>): boolean =>
  minutesPast(foil) > AT_LIMIT;

/** Whether a foil comes off before it is ready. */
export const comesEarly = ({ wet, ready }: Pick<PlacedFoil, 'wet' | 'ready'>): boolean =>
  wet < ready - AT_READY;

/** Foils of one block, placed one after the other. */
export interface FoilRun {
  readonly block: number;
  readonly first: number;
  readonly next: number;
  readonly by: number;
  readonly from: number;
  readonly to: number;
}

/** One visit to the basin. */
export interface Stage {
  /** Blocks in the order in which they are wetted, each whole or with some of its foils. */
  readonly blocks: readonly number[];
  readonly foils: readonly FoilAt[];
  readonly from: number;
  readonly to: number;
}

/**
 * Foils that are opened and wiped one after the other, oldest first, and painted again where that is planned.
 */
export interface Pull {
  readonly foils: readonly FoilAt[];
  readonly paintedAgain: boolean;
  /** Whose hands: 0 the colourist's, 1 the second person's. */
  readonly by: number;
  readonly from: number;
  readonly to: number;
}

export interface Timeline {
  readonly foils: readonly PlacedFoil[];
  readonly runs: readonly FoilRun[];
  readonly stages: readonly Stage[];
  readonly pulls: readonly Pull[];
  /** Minutes at which a bowl is mixed, of which mix. */
  readonly bowls: readonly { readonly mix: string; readonly at: number }[];
  readonly strengths: readonly number[];
  readonly by: readonly number[];
  /** Minutes until the last rinse is finished, or the last foil is closed where nothing is rinsed. */
  readonly end: number;
  /** Minutes until then in which the colourist’s own hands are free. */
  readonly idle: number;
  readonly cost: Cost;
}

/**
 * Compared in this order: minutes over a limit or its margin, minutes short of ready, length with its
 * stronger mixes, foils pulled, mean time past ready.
 */
export interface Cost {
  readonly over: number;
  readonly short: number;
  readonly length: number;
  readonly pulled: number;
  readonly past: number;
}

/** Where a service stands when the rest of it is planned; minutes from its start. */
export interface Start {
  readonly now: number;
  /** Panel that was worked last, and the bowls that are open: when each mix was mixed. */
  readonly panel?: string;
  readonly bowls?: Readonly<Record<string, number>>;
  /** Minutes at which each foil of a block was closed; null where it is not placed yet. */
  readonly placed: readonly (readonly (number | null)[])[];
  /** Foils that were opened and wiped, and still want rinsing. */
  readonly pulled: readonly (readonly boolean[])[];
  /**
   * Foils that were opened since the hands last did anything else; undefined where they do something else.
   */
  readonly round?: number;
  /** Foils that were placed and are off the head: they count for where a rinse falls. */
  readonly gone: number;
}

export const NEAR = 1e-7;

/** < 0 where the first is better. */
export function compareCosts(a: Cost, b: Cost): number {
  for (const key of ['over', 'short', 'length', 'pulled', 'past'] as const)
    if (Math.abs(a[key] - b[key]) > NEAR) return a[key] - b[key];
  return 0;
}

/** The foils of a block with a strength by its place; 0 as they were chosen. */
export const foilsWith = (block: Block, place = 0): readonly BlockFoil[] =>
  place === 0 ? block.foils : block.others![place - 1].foils;

/** Mixes of a block by its strength, in the order in which they are needed. */
export const mixesOf = (block: Block, place = 0): readonly string[] => [
  ...new Set(foilsWith(block, place).flatMap(({ mixes }) => mixes)),
];

/** Strengths that a block can be foiled with. */
export const strengthsOf = (block: Block): number => 1 + (block.others?.length ?? 0);
