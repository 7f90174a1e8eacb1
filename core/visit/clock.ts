import type { SecondPerson } from '../clock';

/** What a colourist has decided about the clock of a visit: the rest is solved around it. */
export interface VisitClock {
  /** Work in one's own order and strengths, or as the search finds best. */
  readonly order: 'own' | 'best';
  /** Whether the search may take other strengths of the house. */
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
  /** Place in the order of work, strength by its mix, and a rinse shared, by block. */
  readonly pinned: Readonly<Record<string, number>>;
  readonly kept: Readonly<Record<string, string>>;
  readonly together: Readonly<Record<string, string>>;
}

export const USUAL_CLOCK: VisitClock = {
  order: 'own',
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
};
