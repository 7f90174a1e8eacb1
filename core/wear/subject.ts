import { growthRate } from '../growth';
import type { Zone } from '../head';
import type { Plan } from '../pattern';
import type { Letters } from '../work';
import { NO_LETTERS } from './light';
import { NO_SWATCHES, type HairFacts, type Swatches } from './shade';
import { USUAL_SHAPE, type Cut } from './cut';
import type { Curl } from './ways';

/** A plan on a client, as wear looks at it. */
export interface WearSubject {
  readonly plan: Plan;
  readonly curl: Curl;
  readonly cut: Cut;
  readonly colour: Omit<HairFacts, 'grownMm' | 'tonerLeft'>;
  readonly swatches: Swatches;
  readonly mmPerWeek: number;
  /** Weeks that a toner lasts; null where none is planned. */
  readonly tonerWeeks: number | null;
  readonly shadowMm: number | null;
  /** What the formulas do: which lift and which deposit, and how far they reach. */
  readonly letters: Letters;
  /** Level that each unit of work is expected to reach, by its id; and what is not listed. */
  readonly levels: Readonly<Record<string, number>>;
  readonly usualLevel: number;
  /**
   * What a record says came of it, by zone: more left at the root than planned, mm, and the level; a zone
   * that is missing was not worked. null before there is one.
   */
  readonly done: Readonly<
    Partial<Record<Zone, { readonly byMm: number; readonly level: number | null }>>
  > | null;
  /**
   * Light left from the visit before: its plan, the level that it came to, and what has grown since by zone
   * (mm), or overall.
   */
  readonly before: {
    readonly plan: Plan;
    readonly level: number;
    readonly grownMm: number;
    readonly grownByZone: Readonly<Partial<Record<Zone, number>>>;
  } | null;
  /** Shares of the time that hair is worn tied and half up, 0–1. */
  readonly tiedShare: number;
  readonly halfUpShare: number;
  readonly brightnessWish: number;
  readonly partMoves: 'never' | 'sometimes' | 'often' | null;
  readonly weeksBetween: number | null;
}

/** The same client before anything is done: without the pattern and without a root shadow. */
export const bareOf = (subject: WearSubject): WearSubject => ({
  ...subject,
  plan: { ...subject.plan, panels: [], edits: [] },
  levels: {},
  shadowMm: null,
  done: null,
});

/** Letters that only deposit. */
export const depositsOf = ({ facts }: Letters): ReadonlySet<string> =>
  new Set(facts.filter(({ lifts }) => !lifts).map(({ letter }) => letter));

/**
 * A bare plan as a subject: average growth, a neutral tone two levels up, worn down for three fifths of the
 * time.
 */
export function subjectOf(plan: Plan, known: Partial<WearSubject> = {}): WearSubject {
  return {
    plan,
    ...USUAL_SHAPE,
    colour: { naturalLevel: 6, byZone: {}, regrowthMm: {}, targetLevel: 9, tone: null },
    swatches: NO_SWATCHES,
    mmPerWeek: growthRate([]).mmPerWeek,
    tonerWeeks: null,
    shadowMm: null,
    letters: NO_LETTERS,
    levels: {},
    usualLevel: known.colour?.targetLevel ?? 9,
    done: null,
    before: null,
    tiedShare: 0.4,
    halfUpShare: 0,
    brightnessWish: 3,
    partMoves: null,
    weeksBetween: null,
    ...known,
  };
}
