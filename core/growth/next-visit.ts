import { nearestOpenDay, type Opening } from '../diary';
import { dayAfter } from '../units';
import type { GrowthRate } from './regrowth';
import { LINE_SPREAD, lineWords, type RootLine } from './root-lines';
import { tonerWeeks } from './visible-line';

/** What a visit is for: a toner alone; the frame of the face with the hairline; everything. */
type NextWhat = 'toner' | 'face' | 'full';

/** What the next visit is reckoned from. */
export interface NextFacts {
  /** Day that the weeks are counted from: that of the last visit. YYYY-MM-DD */
  readonly on: string;
  readonly rate: GrowthRate;
  readonly lines: readonly RootLine[];
  /** Washes a week where a toner is on the hair; null without one. */
  readonly tonerWashes: number | null;
  /** How often the client wants to come, weeks; null when it was not asked. */
  readonly wishWeeks: number | null;
  /** When the salon is open; null: every day. */
  readonly opening: Opening | null;
}

/** One thing that they will mind, soonest first. */
export interface NextReason {
  readonly what: NextWhat;
  /** A line that shows, a toner that fades, or what the client wishes. */
  readonly kind: 'line' | 'toner' | 'wish';
  /** Estimate in weeks, with what it may lie between. */
  readonly weeks: number;
  readonly from: number;
  readonly to: number;
  readonly on: string;
  readonly words: string;
}

export interface NextVisit {
  readonly what: NextWhat;
  /** The open day nearest to the estimate. */
  readonly on: string;
  /** The estimate itself, where the salon is closed then; null where it is open. */
  readonly closedOn: string | null;
  readonly weeks: number;
  /** Soonest first; all of them, also what comes after the next visit. */
  readonly reasons: readonly NextReason[];
}

/** A toner's life is known to a quarter, either way. Working assumption. */
const TONER_SPREAD = 0.25;
/** Nobody is booked sooner than this, nor reckoned further ahead, weeks: half a year is lived-in work. */
const SOONEST = 2;
const LATEST = 26;
/** What falls due so soon after is done in the same visit, weeks. Working assumption. */
const TOGETHER = 1.5;

/**
 * When to come again, and for what: the earliest thing that the client minds, each with its reason.
 * Estimates.
 * @returns null where there is nothing to come for
 */
export function nextVisit(facts: NextFacts): NextVisit | null {
  const reasons = [...lineReasons(facts), ...tonerReason(facts), ...wishReason(facts)].sort(
    (a, b) => a.weeks - b.weeks,
  );
  const [first] = reasons;
  if (!first) return null;
  const weeks = Math.min(LATEST, Math.max(SOONEST, first.weeks));
  const what = reasons
    .filter((reason) => reason.weeks <= weeks + TOGETHER)
    .reduce<NextWhat>((most, reason) => (RANK[reason.what] > RANK[most] ? reason.what : most), first.what);
  const due = weeksAfter(facts.on, weeks);
  const on = facts.opening ? nearestOpenDay(due, facts.opening, dayAfter(facts.on, 1)) : due;
  return { what, weeks, on, closedOn: on === due ? null : due, reasons };
}

const RANK = { toner: 0, face: 1, full: 2 } satisfies Record<NextWhat, number>;

function lineReasons({ lines, rate: { mmPerWeek }, on }: NextFacts): NextReason[] {
  return lines.map((line) => {
    const weeks = line.growMm / mmPerWeek;
    return {
      what: line.what,
      kind: 'line',
      weeks,
      from: weeks * (1 - LINE_SPREAD),
      to: weeks * (1 + LINE_SPREAD),
      on: weeksAfter(on, weeks),
      words: lineWords(line, mmPerWeek),
    };
  });
}

function tonerReason({ tonerWashes, on }: NextFacts): NextReason[] {
  if (tonerWashes === null || tonerWashes <= 0) return [];
  const weeks = tonerWeeks(tonerWashes);
  return [
    {
      what: 'toner',
      kind: 'toner',
      weeks,
      from: weeks * (1 - TONER_SPREAD),
      to: weeks * (1 + TONER_SPREAD),
      on: weeksAfter(on, weeks),
      words: `The toner has faded after about 20 washes: ${weeksWords(weeks)} at ${tonerWashes} a week.`,
    },
  ];
}

function wishReason({ wishWeeks, on }: NextFacts): NextReason[] {
  return wishWeeks === null
    ? []
    : [
        {
          what: 'full',
          kind: 'wish',
          weeks: wishWeeks,
          from: wishWeeks,
          to: wishWeeks,
          on: weeksAfter(on, wishWeeks),
          words: `They wish to come every ${wishWeeks} weeks.`,
        },
      ];
}

const weeksWords = (weeks: number) =>
  weeks < 0.95 ? 'now' : `${Math.round(weeks)} ${Math.round(weeks) === 1 ? 'week' : 'weeks'}`;

/** The day so many weeks after another, to the nearest day. */
const weeksAfter = (on: string, weeks: number): string => dayAfter(on, Math.round(weeks * 7));
