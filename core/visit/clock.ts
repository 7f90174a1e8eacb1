import type { SecondPerson } from '../clock';

/** Most visits to the basin: as the house has it, so many, or as many as help. */
export const BASIN_VISITS = ['house', 1, 2, 3, 'free'] as const;
export type BasinVisits = (typeof BASIN_VISITS)[number];

/** What a colourist has decided about the clock of a visit: the rest is solved around it. */
export interface VisitClock {
  readonly visits: BasinVisits;
  /** The back is rinsed once, then the rest. */
  readonly backFirst: boolean;
  /** Key of the plan that was chosen; null for the one that is proposed. */
  readonly chosen: string | null;
  /** Whether plans may take other strengths of the house. */
  readonly strengths: boolean;
  readonly second: SecondPerson;
  readonly painting: 'as-you-foil' | 'after';
  /** Warmth on everything. */
  readonly heat: boolean;
  /** Hundredths of the usual time for a foil. */
  readonly pace: number;
  readonly lateMinutes: number;
  /** Another client, or a break: minutes from the first foil on. */
  readonly away: { readonly from: number; readonly minutes: number } | null;
  /** A foil that is pulled alone, minutes after it is closed. */
  readonly pulled: { readonly block: string; readonly index: number; readonly minutes: number } | null;
  /** Place in the order of work, strength by its mix, and a visit to the basin shared or not, by block. */
  readonly pinned: Readonly<Record<string, number>>;
  readonly kept: Readonly<Record<string, string>>;
  readonly together: Readonly<Record<string, string>>;
  readonly apart: Readonly<Record<string, string>>;
}

export const USUAL_CLOCK: VisitClock = {
  visits: 'house',
  backFirst: false,
  chosen: null,
  strengths: false,
  second: 'none',
  painting: 'as-you-foil',
  heat: false,
  pace: 100,
  lateMinutes: 0,
  away: null,
  pulled: null,
  pinned: {},
  kept: {},
  together: {},
  apart: {},
};

/** What a house sets for its clocks. */
export interface HouseClock {
  readonly visits: Exclude<BasinVisits, 'house'>;
  /** Minutes kept in hand before every limit. */
  readonly marginMinutes: number;
  /** Opening and wiping one foil, and changing over to it. */
  readonly pullSeconds: number;
  readonly changeOverMinutes: number;
  /** Hair that was opened lifts on at so many hundredths of its rate until it is rinsed. */
  readonly liftsOnPercent: number;
}

export const USUAL_HOUSE_CLOCK: HouseClock = {
  visits: 2,
  marginMinutes: 3,
  pullSeconds: 30,
  changeOverMinutes: 1,
  liftsOnPercent: 5,
};
