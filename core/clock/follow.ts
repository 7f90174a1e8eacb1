import { whenThere } from './hands';
import { Head, type Basin } from './head';
import type { Question } from './question';
import { compareCosts, NEAR, type Course, type RinsePoint, type Start } from './types';
import { WET_PARTS } from './wet-order';

/** Each pass knows from the one before which foils stay until their rinse. */
const PASSES = 4;
/** Foils that must be able to come off before a break where one is to be ready before it. */
const BEFORE_BREAK = 4;
/** Foils in one round at most: five minutes of opening, then back to the foiling. Working assumption. */
const ROUND = 10;

/**
 * Follows a course to its end: foils in its order, rinses where it has them and at last of all that is left.
 * Foils are opened
 * and wiped as late as their limits allow and as many at a time as are ready: the earliest deadline first.
 */
export function follow(question: Question, course: Course, start?: Start): Head {
  let best: Head | undefined;
  let staysUntil: Float64Array | undefined;
  for (let pass = 0; pass < PASSES; pass += 1) {
    const follower = new Follower(question, course, start, staysUntil);
    follower.go();
    if (!best || compareCosts(follower.head.cost, best.cost) < 0) best = follower.head;
    if (
      (course.pulling === 'none' && !question.paintsAgain) ||
      (staysUntil && same(staysUntil, follower.clears))
    )
      break;
    staysUntil = follower.clears;
  }
  return best!;
}

const same = (a: Float64Array, b: Float64Array) =>
  a.every((value, i) => Math.abs(value - b[i]) < NEAR || value === b[i]);

class Follower {
  readonly head: Head;
  /** When each foil is clear if it stays on until its rinse. */
  readonly clears: Float64Array;
  private readonly queues: number[][];
  private points: RinsePoint[];
  /** Foils that can no longer come off in time by waiting for them. */
  private readonly hopeless = new Set<number>();
  /** Whether anything is opened on the way: to be pulled, or to be painted again. */
  private readonly opens: boolean;

  constructor(
    private readonly question: Question,
    private readonly course: Course,
    private readonly start: Start | undefined,
    private readonly staysUntil: Float64Array | undefined,
  ) {
    this.head = new Head(question, start);
    this.clears = new Float64Array(question.count).fill(Infinity);
    const order = [
      ...course.order,
      ...question.blocks.map((_, b) => b).filter((b) => !course.order.includes(b)),
    ];
    this.queues = [0, 1].map((by) => order.filter((b) => (course.by[b] ?? 0) === by));
    this.points = [...course.rinses].sort((a, b) => a.after - b.after);
    this.opens = course.pulling !== 'none' || question.paintsAgain;
  }

  go(): void {
    const { head } = this;
    const { round } = this.start ?? {};
    // A round that was begun goes on.
    if (round !== undefined && round < ROUND && this.opens)
      this.pullReady(this.doomed(), 0, head.hands[0].free, 0, ROUND - round);
    while (head.left > 0) {
      if (this.points.length > 0 && head.placedCount >= this.points[0].after) {
        const [point, ...rest] = this.points;
        this.points = rest;
        this.rinse((f) => fits(point, this.question, head, f));
        continue;
      }
      const by = this.whoIsNext();
      const f = this.nextFor(by);
      const placing = head.placing(f, by);
      const until = this.waitsForBreak(f, placing.closed);
      if (until !== undefined) {
        if (!this.opens || !this.pullsFirst(until, by)) head.wait(until, by);
        continue;
      }
      if (this.opens && this.pullsFirst(placing.closed, by)) continue;
      head.place(f, by, placing);
    }
    for (const point of this.points)
      if (head.placedCount >= point.after) this.rinse((f) => fits(point, this.question, head, f));
    this.paintRest();
    while (!head.done) {
      const before = head.stages.length;
      this.rinse(() => true);
      if (head.stages.length === before) break;
    }
  }

  private nextFor(by: number): number {
    const queue = this.queues[by];
    while (queue.length > 0) {
      const f = this.head.nextOf(queue[0]);
      if (f >= 0) return f;
      queue.shift();
    }
    return -1;
  }

  private whoIsNext(): number {
    if (this.nextFor(0) < 0) return 1;
    if (this.nextFor(1) < 0) return 0;
    const by = this.head.hands[1].free < this.head.hands[0].free - NEAR ? 1 : 0;
    // Who would stand in the way lets the other finish.
    return this.head.isCrowded(this.nextFor(by), by) ? 1 - by : by;
  }

  /** End of a break that a foil waits for, since it could only come off while nobody is there. */
  private waitsForBreak(f: number, closed: number): number | undefined {
    const { release, deadline, rules } = this.question;
    const { pullChange, pullEach, away } = rules;
    for (const own of away) {
      const back = own.to + pullChange + pullEach;
      if (
        closed + release[f] + pullChange + BEFORE_BREAK * pullEach <= own.from + NEAR ||
        closed + deadline[f] >= back - NEAR
      )
        continue;
      if (closed > own.from + NEAR) continue;
      return own.to;
    }
    return undefined;
  }

  /** Minute by which a foil has to be clear, before a break where it would fall into one. */
  private dueOf(f: number): number {
    const due = this.head.dueOf(f);
    const { pullChange, pullEach, away } = this.question.rules;
    for (const own of away)
      if (
        due > own.from + NEAR &&
        due < own.to + pullChange + pullEach - NEAR &&
        this.head.releaseOf(f) + pullEach <= own.from + NEAR
      )
        return own.from;
    return due;
  }

  /** Foils that will not stay until their rinse, the soonest deadline first. */
  private doomed(): number[] {
    const { head, question, staysUntil } = this;
    const pulls = this.course.pulling !== 'none';
    return head.on.filter(
      (f) =>
        head.isPending(f) ||
        (pulls && (question.alone[f] || !staysUntil || staysUntil[f] > head.dueOf(f) + NEAR)),
    );
  }

  /**
   * Everything is foiled: what is still to be painted again is, and what cannot wait for it is pulled
   * between.
   */
  private paintRest(): void {
    const { head, question } = this;
    for (let guard = 0; guard <= 2 * question.count; guard += 1) {
      const pending = head.on.filter((f) => head.isPending(f));
      if (pending.length === 0) return;
      const doomed = this.doomed();
      const { hand, change } = this.puller(head.hands[0].free, 0);
      const soonest = Math.min(...doomed.map((f) => head.releaseOf(f))) - change;
      const from = Math.max(head.hands[hand].free, soonest);
      if (!this.pullReady(doomed, hand, from, change)) head.paintAgain([pending[0]], hand, from, change);
    }
  }

  /**
   * Puller, minutes to change over, and when they would next have a hand free if the one who foils goes on
   * until `closed`.
   */
  private puller(closed: number, by: number): { hand: number; change: number; next: number } {
    const { head, course, question } = this;
    const shared = question.rules.second === 'foils';
    const hand = course.pulling === 'second' && !shared ? 1 : by;
    const next = shared ? Math.min(closed, Math.max(head.hands[1 - by].free, head.hands[by].free)) : closed;
    return { hand, change: head.changeFor(hand), next };
  }

  /** Pulls what could not be pulled in time after the next foil; false where the next foil may be placed. */
  private pullsFirst(closed: number, by: number): boolean {
    const { head, hopeless, question } = this;
    const { pullEach, away } = this.question.rules;
    const { hand, change, next } = this.puller(closed, by);
    const doomed = this.doomed();
    let at =
      whenThere(next, change + pullEach, away) +
      change +
      (question.paintsAgain ? question.rules.mixChange : 0);
    let again: boolean | undefined;
    const late = doomed.find((f) => {
      if (hopeless.has(f)) return false;
      // Pulling after painting again, or the other way round, is another change-over; and a bowl may be spent
      // between.
      if (again !== undefined && again !== head.isPending(f)) at += change;
      again = head.isPending(f);
      at += head.openingOf(f);
      return at > this.dueOf(f) + NEAR;
    });
    if (late === undefined) return false;
    const free = Math.max(head.hands[hand].free, head.hands[by].free);
    if (this.pullReady(doomed, hand, free, change)) return hand === by || this.pullsFirst(closed, by);
    // Nothing is ready: wait for it, if that helps.
    const ready = head.releaseOf(late) - change;
    const begin = whenThere(Math.max(free, ready), change + pullEach, away);
    if (begin + change + pullEach <= this.dueOf(late) + NEAR) {
      if (hand !== by) this.pullReady(doomed, hand, begin, change);
      else head.wait(begin, by);
      return hand === by || this.pullsFirst(closed, by);
    }
    // Nobody is there when it is due: it comes off before, short of ready.
    if (begin > Math.max(free, ready) + NEAR && whenThere(free, change + pullEach, away) <= free + NEAR) {
      this.open([late], hand, free);
      return hand === by || this.pullsFirst(closed, by);
    }
    hopeless.add(late);
    return this.pullsFirst(closed, by);
  }

  /** Opens foils: pulls them, or paints them again. */
  private open(foils: readonly number[], by: number, from: number, change?: number): void {
    const { head } = this;
    if (head.isPending(foils[0])) head.paintAgain(foils, by, from, change);
    else head.pull(foils, by, from, change);
  }

  /**
   * Opens all that is ready once hands are there, one kind of work at a time.
   * @returns whether anything was
   */
  private pullReady(
    doomed: readonly number[],
    by: number,
    from: number,
    change: number,
    most = ROUND,
  ): boolean {
    const { head } = this;
    const { pullEach, away } = this.question.rules;
    let at = whenThere(Math.max(from, head.hands[by].free), change + pullEach, away) + change;
    const pulled: number[] = [];
    for (const f of doomed) {
      if (head.releaseOf(f) > at + NEAR) continue;
      if (pulled.length > 0) {
        const again = head.isPending(pulled[0]);
        if (head.isPending(f) !== again) continue;
        // The other kind of work is not made late by one more of this.
        const late = (other: number) =>
          head.isPending(other) !== again &&
          at + head.openingOf(f) + change + head.openingOf(other) > this.dueOf(other) + NEAR;
        if (this.question.paintsAgain && doomed.some(late)) break;
      }
      // What would have to wait for the end of a break is a batch of its own.
      if (pulled.length > 0 && whenThere(at, pullEach, away) > at + NEAR) break;
      pulled.push(f);
      at += head.openingOf(f);
      if (pulled.length === most) break;
    }
    if (pulled.length === 0) return false;
    this.open(pulled, by, from, change);
    return true;
  }

  /**
   * Goes to the basin with what may go of what is wanted; before that everything is pulled that could not
   * wait for it.
   */
  private rinse(wanted: (f: number) => boolean): void {
    const { head, question } = this;
    const all = question.block.flatMap((_, f) =>
      head.placed[f] >= 0 && head.rinsed[f] === 0 && wanted(f) ? [f] : [],
    );
    const set = head.mayRinse(all);
    if (set.length === 0) return;
    const inSet = new Set(set);
    let basin = head.basin(set);
    for (let guard = 0; this.opens && guard <= question.count; guard += 1) {
      if (!this.pullBeforeBasin(inSet, basin)) break;
      basin = head.basin(set);
    }
    for (const f of set)
      this.clears[f] = basin.from + basin.lead[question.block[f]] + question.rules.clearAfter;
    head.rinse(set, basin);
  }

  private pullBeforeBasin(inSet: ReadonlySet<number>, basin: Basin): boolean {
    const { head, question } = this;
    const { rules, block } = question;
    const { hand, change } = this.puller(head.hands[0].free, 0);
    let after = whenThere(basin.from + basin.minutes, change + rules.pullEach, rules.away) + change;
    let latest = Infinity;
    let late = 0;
    const pulls = this.course.pulling !== 'none';
    const toPull = head.on.filter((f) => {
      const due = head.dueOf(f);
      if (!pulls && !head.isPending(f)) return false;
      if (inSet.has(f)) {
        if (!question.alone[f] && basin.from + basin.lead[block[f]] + rules.clearAfter <= due + NEAR)
          return false;
      } else {
        after += rules.pullEach;
        if (after <= due + NEAR && !question.alone[f]) return false;
      }
      late += 1;
      latest = Math.min(latest, due - late * head.openingOf(f) - change);
      return true;
    });
    if (toPull.length === 0) return false;
    const free = hand === 0 ? head.free : head.hands[1].free;
    const soonest = Math.min(...toPull.map((f) => head.releaseOf(f))) - change;
    // As late as the limits allow, so that as many as can be come off at a time; but not later than the basin
    // would begin.
    const from = Math.max(
      free,
      soonest,
      Math.min(latest, basin.from - change - Math.min(ROUND, toPull.length) * rules.pullEach),
    );
    if (
      whenThere(from, change + rules.pullEach, rules.away) + change + rules.pullEach >
      head.dueOf(toPull[0]) + NEAR
    ) {
      // Too late, or nobody is there: now or never.
      if (head.releaseOf(toPull[0]) > free + change + NEAR) return this.pullReady(toPull, hand, free, change);
    }
    return this.pullReady(toPull, hand, from, change);
  }
}

function fits(
  { blocks, parts, whole }: RinsePoint,
  { block, part }: Question,
  head: Head,
  f: number,
): boolean {
  if (blocks && !blocks.includes(block[f])) return false;
  if (parts && !parts.some((other) => part[f] === 1 << WET_PARTS.indexOf(other))) return false;
  return !whole || head.nextOf(block[f]) < 0;
}
