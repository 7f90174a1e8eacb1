import { leastMinutes } from './bound';
import { exact, EXACT_UP_TO } from './exact';
import { follow } from './follow';
import type { Head } from './head';
import { Question } from './question';
import {
  compareCosts,
  strengthsOf,
  type Block,
  type ClockRules,
  type Course,
  type Pulling,
  type RinsePoint,
  type Start,
} from './types';
import { BACK_PARTS } from './wet-order';

/** What a person has decided: the rest is solved around it. */
export interface Fixed {
  /** Block by its place in the order of foiling, from 0. */
  readonly at?: Readonly<Record<number, number>>;
  /** Strength by block: its place, 0 for the chosen one. */
  readonly strength?: Readonly<Record<number, number>>;
}

/** A rinse falls inside a panel only where so many of its foils are on each side of it. */
export const LEAST_PART = 5;

/**
 * Courses that one search follows at most: a count and no clock, so that the same question has the same
 * answer.
 */
const MOST_FOLLOWED = 240;
/** Places for a rinse are tried so far apart first. */
const COARSE = 6;

/** What kind of plan is looked for. */
export interface Wanted {
  /** Exactly so many visits to the basin, where that many are of use. */
  readonly visits: number;
  readonly pulling: Pulling;
  /** Panels in their own order, or in whatever order is best. */
  readonly order: 'own' | 'free';
  readonly strengths?: boolean;
  readonly backFirst?: boolean;
}

export interface Found {
  readonly course: Course;
  readonly head: Head;
  /** Minutes that the best plan of its kind could be shorter, at most. */
  readonly gapMinutes: number;
}

/** Looks for plans of some foils: courses are followed, and the best is kept. */
export class Search {
  private readonly questions = new Map<string, Question>();
  private followed = 0;
  readonly ownOrder: readonly number[];

  constructor(
    readonly blocks: readonly Block[],
    readonly rules: ClockRules,
    private readonly fixed: Fixed = {},
    private readonly start?: Start,
  ) {
    this.ownOrder = this.pinned(blocks.map((_, b) => b));
  }

  private question(strengths: Course['strengths']): Question {
    const key = strengths.join();
    const known = this.questions.get(key);
    if (known) return known;
    const made = new Question(this.blocks, this.rules, strengths);
    this.questions.set(key, made);
    return made;
  }

  private follow(course: Course): Found {
    this.followed += 1;
    return { course, head: follow(this.question(course.strengths), course, this.start), gapMinutes: 0 };
  }

  /** Blocks that were pinned at their places, the others in the order that they have. */
  private pinned(order: readonly number[]): number[] {
    const at = Object.entries(this.fixed.at ?? {}).map(([place, block]) => [Number(place), block] as const);
    const out = order.filter((b) => !at.some(([, own]) => own === b));
    for (const [place, block] of at.sort((a, b) => a[0] - b[0]))
      out.splice(Math.min(place, out.length), 0, block);
    return out;
  }

  private allowed(order: readonly number[]): boolean {
    for (const [place, block] of Object.entries(this.fixed.at ?? {}))
      if (order.indexOf(block) !== Math.min(Number(place), order.length - 1)) return false;
    return order.every((b, i) =>
      (this.blocks[b].after ?? []).every(
        (id) => order.findIndex((value) => this.blocks[value].id === id) < i,
      ),
    );
  }

  /** The best plan of a kind that was found. */
  find(wanted: Wanted): Found {
    this.followed = 0;
    const { visits, pulling, order, strengths = false, backFirst = false } = wanted;
    const base: Course = {
      order: this.ownOrder,
      rinses: [],
      pulling,
      by: this.sharedOut(),
      strengths: this.blocks.map((_, b) => this.fixed.strength?.[b] ?? 0),
    };
    let best = this.follow(base);
    if (this.rules.second === 'foils') best = this.handed(best);
    if (order === 'free') best = this.ordered(best);
    best = this.rinsed(best, visits, backFirst);
    if (strengths) best = this.strengthened(best);
    const question = this.question(best.course.strengths);
    if (question.count <= EXACT_UP_TO && this.rules.second !== 'foils' && !backFirst)
      return this.proved(best, wanted);
    // Of a service that has begun no bound is known.
    const least = this.start ? best.head.free : leastMinutes(question, visits, pulling);
    return { ...best, gapMinutes: Math.max(0, best.head.free - least) };
  }

  /** Where each rinse before the last one falls best. */
  private rinsed(plain: Found, visits: number, backFirst: boolean): Found {
    let best = plain;
    for (let more = 1; more < visits; more += 1) {
      const before = best.course.rinses;
      let chosen: Found | undefined;
      const look = (point: RinsePoint) => {
        const found = this.follow({ ...best.course, rinses: [...before, point] });
        if (found.head.stages.length <= before.length + 1) return;
        if (!chosen || compareCosts(found.head.cost, chosen.head.cost) < 0) chosen = found;
      };
      const kinds = this.kinds(backFirst);
      const places = this.places(best.course.order);
      const coarse = places.filter((place, i) => place.edge || i % COARSE === 0);
      for (const { after } of coarse) for (const kind of kinds) look({ after, ...kind });
      if (chosen) {
        const point = chosen.course.rinses.at(-1)!;
        for (const { after } of places)
          if (after !== point.after && Math.abs(after - point.after) < COARSE) look({ ...point, after });
      }
      if (!chosen) break;
      // Another visit is of use, or it was asked for.
      if (!backFirst && compareCosts(chosen.head.cost, best.head.cost) >= 0) break;
      best = chosen;
    }
    return best;
  }

  private kinds(backFirst: boolean): readonly Omit<RinsePoint, 'after'>[] {
    const back = { blocks: null, parts: BACK_PARTS, whole: false } as const;
    if (backFirst) return [back];
    return [{ blocks: null, parts: null, whole: false }, { blocks: null, parts: null, whole: true }, back];
  }

  /** Numbers of foils after which a rinse may fall: between panels, or well inside one. */
  private places(order: readonly number[]): { after: number; edge: boolean }[] {
    const out: { after: number; edge: boolean }[] = [];
    let done = this.start?.gone ?? 0;
    for (const b of order) {
      const n = this.blocks[b].foils.length;
      for (let i = LEAST_PART; i <= n - LEAST_PART; i += 1) out.push({ after: done + i, edge: false });
      done += n;
      out.push({ after: done, edge: true });
    }
    const now = this.start
      ? this.start.gone + this.start.placed.flat().filter((value) => value !== null).length
      : 1;
    return out.filter(({ after }) => after >= now);
  }

  /** Who foils what: the second person the other side first, else every other block. */
  private sharedOut(): number[] {
    if (this.rules.second !== 'foils') return this.blocks.map(() => 0);
    const right = (b: number) => this.blocks[b].foils.every(({ part }) => part?.endsWith('-r'));
    return this.blocks.map((_, b) => (right(b) ? 1 : 0));
  }

  /**
   * Follows the best of small changes as long as one is better.
   * @param changes of the best course so far, one after the other
   */
  private climbed(from: Found, changes: (best: () => Course) => Iterable<Course>): Found {
    let best = from;
    for (let better = true; better && this.followed < MOST_FOLLOWED;) {
      better = false;
      for (const course of changes(() => best.course)) {
        if (this.followed >= MOST_FOLLOWED) break;
        const found = this.follow(course);
        if (compareCosts(found.head.cost, best.head.cost) >= 0) continue;
        best = found;
        better = true;
      }
    }
    return best;
  }

  /** Blocks handed to the other pair of hands. */
  private handed(from: Found): Found {
    const { blocks } = this;
    return this.climbed(from, function* (best) {
      for (let b = 0; b < blocks.length; b += 1) yield { ...best(), by: best().by.with(b, 1 - best().by[b]) };
    });
  }

  /** Panels moved to where they save most. */
  private ordered(from: Found): Found {
    const allowed = (order: readonly number[]) => this.allowed(order);
    return this.climbed(from, function* (best) {
      const { order } = best();
      for (let i = 0; i < order.length; i += 1)
        for (let to = 0; to < order.length; to += 1) {
          const moved = order.toSpliced(i, 1).toSpliced(to, 0, order[i]);
          if (to !== i && allowed(moved)) yield { ...best(), order: moved };
        }
    });
  }

  /** Other strengths for one block at a time, where that saves more than it counts for. */
  private strengthened(from: Found): Found {
    const { blocks, fixed } = this;
    return this.climbed(from, function* (best) {
      for (let b = 0; b < blocks.length; b += 1) {
        if (fixed.strength?.[b] !== undefined) continue;
        for (let s = 0; s < strengthsOf(blocks[b]); s += 1)
          if (s !== best().strengths[b]) yield { ...best(), strengths: best().strengths.with(b, s) };
      }
    });
  }

  /** A handful of foils: everything is gone through, and nothing of the kind is shorter. */
  private proved(best: Found, { visits, pulling, order }: Wanted): Found {
    const question = this.question(best.course.strengths);
    const orders =
      order === 'own'
        ? [this.ownOrder]
        : permutations(this.ownOrder).filter((permutation) => this.allowed(permutation));
    const head = exact(question, { visits, pulling, orders, start: this.start, than: best.head });
    if (!head) return best;
    return { ...best, head, course: { ...best.course, order: orderOf(head, best.course.order) } };
  }
}

function orderOf(head: Head, otherwise: readonly number[]): readonly number[] {
  const first = [...new Set(head.timeline().runs.map(({ block }) => block))];
  return [...first, ...otherwise.filter((b) => !first.includes(b))];
}

function permutations(list: readonly number[]): number[][] {
  if (list.length <= 1) return [[...list]];
  return list.flatMap((value, i) => permutations(list.toSpliced(i, 1)).map((rest) => [value, ...rest]));
}
