import { foilsWith, type Block, type ClockRules, type Course, type PaintedAgain } from './types';
import { WET_PARTS } from './wet-order';

/** The last minutes before a limit, in which what is not ready sooner comes off. Working assumption. */
const LAST_MINUTES = 5;

/** Least minutes between the release of a foil and its deadline. */
const LEAST_WINDOW = 2;

/** Minutes after closing from which a foil may come off, and by which it has to be clear. */
function windowOf(
  {
    readyMinutes: ready,
    limitMinutes: limit,
    pullAfter,
  }: { readyMinutes: number; limitMinutes: number; pullAfter?: number },
  margin: number,
): { readonly release: number; readonly deadline: number } {
  if (pullAfter !== undefined) return { release: pullAfter, deadline: pullAfter + LEAST_WINDOW };
  const last = Math.max(0, limit - LAST_MINUTES);
  // Ready close to the limit, or not expected: in the last minutes, and nothing is kept in hand.
  if (ready >= last) return { release: last, deadline: limit };
  return { release: ready, deadline: Math.max(limit - margin, Math.min(limit, ready + LEAST_WINDOW)) };
}

/**
 * A second application is put on within so many minutes after its time, and where the limit is near so many
 * before. Working assumptions.
 */
const AGAIN_WITHIN = 10;
const AGAIN_BEFORE = 8;

/**
 * A second application as it is followed: minutes after the first closing from which and by which it is
 * begun.
 */
export interface Again {
  readonly release: number;
  readonly deadline: number;
  readonly minutes: number;
  readonly mixes: readonly string[];
}

function againOf(again: PaintedAgain | undefined, margin: number): Again | null {
  if (!again) return null;
  const { afterMinutes, limitMinutes, minutes, mixes } = again;
  // Within what is kept in hand before the limit, and with time enough to get round to it.
  const deadline = Math.max(Math.min(limitMinutes - margin, afterMinutes + AGAIN_WITHIN), 1);
  return { release: Math.max(0, Math.min(afterMinutes, deadline - AGAIN_BEFORE)), deadline, minutes, mixes };
}

/**
 * All foils of a service in one row, block after block: figures in arrays, so that many courses are followed
 * quickly.
 */
export class Question {
  readonly count: number;
  /** Place of each block's first foil in the row. */
  readonly first: readonly number[];
  readonly block: readonly number[];
  readonly index: readonly number[];
  readonly minutes: readonly number[];
  readonly mixes: readonly (readonly string[])[];
  /** Minutes after closing: ready, limit, may come off, must be clear. */
  readonly ready: readonly number[];
  readonly limit: readonly number[];
  readonly release: readonly number[];
  readonly deadline: readonly number[];
  readonly expected: readonly boolean[];
  /** What is painted again; null for what is painted once. */
  readonly again: readonly (Again | null)[];
  readonly paintsAgain: boolean;
  /** Minutes past its useful time at which a bowl still serves it. */
  readonly oldBowl: readonly number[];
  /** It is pulled, whatever else happens. */
  readonly alone: readonly boolean[];
  /** Part of the head as a bit; 0 where no water reaches it. */
  readonly part: readonly number[];
  /** Blocks as bits that share a word with each block: rinsed together, and never together. */
  readonly together: readonly number[];
  readonly apart: readonly number[];
  /** Foils times steps above the chosen strength. */
  readonly steps: number;

  constructor(
    readonly blocks: readonly Block[],
    readonly rules: ClockRules,
    readonly strengths: Course['strengths'] = [],
  ) {
    const rows = blocks.flatMap((block, b) =>
      foilsWith(block, strengths[b] ?? 0).map((foil, index) => ({
        b,
        index,
        foil,
        window: windowOf(foil, rules.margin),
      })),
    );
    let next = 0;
    this.first = blocks.map(({ foils }) => {
      const first = next;
      next += foils.length;
      return first;
    });
    this.count = rows.length;
    this.block = rows.map(({ b }) => b);
    this.index = rows.map(({ index }) => index);
    this.minutes = rows.map(({ foil }) => foil.seconds / 60);
    this.mixes = rows.map(({ foil }) => foil.mixes);
    this.ready = rows.map(({ foil }) => foil.readyMinutes);
    this.limit = rows.map(({ foil }) => foil.limitMinutes);
    this.release = rows.map(({ window }) => window.release);
    this.deadline = rows.map(({ window }) => window.deadline);
    this.expected = rows.map(({ foil }) => foil.expected !== false);
    this.again = rows.map(({ foil }) => againOf(foil.again, rules.margin));
    this.paintsAgain = this.again.some((again) => again !== null);
    this.oldBowl = rows.map(({ foil }) => foil.oldBowlMinutes ?? 0);
    this.alone = rows.map(({ foil }) => foil.pullAfter !== undefined);
    this.part = rows.map(({ foil: { part } }) => (part === undefined ? 0 : 1 << WET_PARTS.indexOf(part)));
    const sharing = (word: (block: Block) => string | undefined) =>
      blocks.map((block) =>
        word(block) === undefined
          ? 0
          : blocks.reduce((bits, other, b) => (word(other) === word(block) ? bits | (1 << b) : bits), 0),
      );
    this.together = sharing(({ together }) => together);
    this.apart = sharing(({ apart }) => apart);
    this.steps = blocks.reduce((sum, block, b) => {
      const place = strengths[b] ?? 0;
      return place === 0 ? sum : sum + block.others![place - 1].steps * block.foils.length;
    }, 0);
  }
}
