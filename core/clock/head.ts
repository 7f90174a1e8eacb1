import { basinMinutes, placing, whenThere, type Hands, type Placing } from './hands';
import type { Question } from './question';
import {
  NEAR,
  type Cost,
  type FoilAt,
  type FoilRun,
  type Pull,
  type Stage,
  type Start,
  type Timeline,
} from './types';
import { UNDER_BITS } from './wet-order';

/** Places that two people cannot work at together. */
const PLACES = [0b01010100, 0b10101000, 0b00000011];

interface Rinsed {
  readonly order: readonly number[];
  readonly foils: readonly number[];
  readonly from: number;
  readonly to: number;
}

/**
 * A rinse as it would be: its blocks in the order of wetting, when it may begin, and when each block is wet
 * after that.
 */
export interface Basin {
  readonly order: readonly number[];
  readonly lead: readonly number[];
  readonly from: number;
  readonly minutes: number;
}

/**
 * A head during a service: what each action does to it, in one place. Foils by their place in the question's
 * row.
 */
export class Head {
  readonly begun: Float64Array;
  readonly placed: Float64Array;
  /** When it was opened or wetted, and clear of product. */
  readonly off: Float64Array;
  readonly clear: Float64Array;
  readonly pulled: Uint8Array;
  readonly rinsed: Uint8Array;
  /** Painted again, and when it was closed last. */
  readonly twice: Uint8Array;
  readonly closed: Float64Array;
  /** What holds product, the soonest deadline first. */
  on: number[] = [];
  hands: [Hands, Hands];
  /** Foils placed so far, and how many are left to place. */
  placedCount: number;
  left: number;
  over = 0;
  short = 0;
  past = 0;
  pulls = 0;
  /** Minutes that the colourist’s hands had nothing to do. */
  idle = 0;
  readonly stages: Rinsed[] = [];
  readonly batches: { foils: number[]; by: number; from: number; to: number; paintedAgain: boolean }[] = [];
  readonly bowls: { mix: string; at: number }[] = [];
  private readonly order: number[] = [];
  private readonly who: number[] = [];

  constructor(
    readonly question: Question,
    private readonly start?: Start,
  ) {
    const { count, blocks, rules } = question;
    this.begun = new Float64Array(count).fill(-1);
    this.placed = new Float64Array(count).fill(-1);
    this.off = new Float64Array(count).fill(-1);
    this.clear = new Float64Array(count).fill(-1);
    this.pulled = new Uint8Array(count);
    this.rinsed = new Uint8Array(count);
    this.twice = new Uint8Array(count);
    this.closed = new Float64Array(count).fill(-1);
    const hands: Hands = { free: start?.now ?? 0, panel: start?.panel, bowls: start?.bowls };
    this.hands = [
      hands,
      { free: hands.free, panel: undefined, bowls: rules.second === 'foils' ? undefined : hands.bowls },
    ];
    this.placedCount = start?.gone ?? 0;
    this.left = count;
    if (!start) return;
    blocks.forEach((block, b) =>
      block.foils.forEach((_, index) => {
        const at = start.placed[b][index];
        if (at === null) return;
        const f = question.first[b] + index;
        this.placed[f] = this.closed[f] = at;
        this.begun[f] = at - question.minutes[f];
        this.placedCount += 1;
        this.left -= 1;
        if (!start.pulled[b][index]) return this.lay(f);
        this.pulled[f] = 1;
        this.off[f] = this.clear[f] = hands.free;
      }),
    );
  }

  /** Whether a foil is still to be painted again. */
  isPending(f: number): boolean {
    return this.question.again[f] !== null && this.twice[f] === 0;
  }

  /** Minute by which a foil has to be clear, or opened to be painted again. */
  dueOf(f: number): number {
    const { again, deadline } = this.question;
    return this.isPending(f) ? this.placed[f] + again[f]!.deadline : this.closed[f] + deadline[f];
  }

  releaseOf(f: number): number {
    const { again, release } = this.question;
    return this.isPending(f) ? this.placed[f] + again[f]!.release : this.closed[f] + release[f];
  }

  /** Hands that opening a foil takes, minutes. */
  openingOf(f: number): number {
    return this.isPending(f) ? this.question.again[f]!.minutes : this.question.rules.pullEach;
  }

  private lay(f: number): void {
    const due = this.dueOf(f);
    let i = this.on.length;
    while (i > 0 && this.dueOf(this.on[i - 1]) > due) i -= 1;
    this.on.splice(i, 0, f);
  }

  /** The next foil of a block; -1 where all are placed. */
  nextOf(b: number): number {
    const from = this.question.first[b];
    const to = from + this.question.blocks[b].foils.length;
    for (let f = from; f < to; f += 1) if (this.placed[f] < 0) return f;
    return -1;
  }

  /** What placing a foil would take. */
  placing(f: number, by = 0): Placing {
    const { question, hands } = this;
    const { blocks, block, minutes, mixes, rules } = question;
    const { panel } = blocks[block[f]];
    // Two people do not stand at the same place.
    const other = hands[1 - by];
    const waits =
      rules.second === 'foils' && hands[by].panel !== panel && this.crowded(block[f], other.panel);
    return placing(
      panel,
      minutes[f],
      mixes[f],
      waits ? Math.max(hands[by].free, other.free) : hands[by].free,
      hands[by],
      rules,
      this.question.oldBowl[f],
    );
  }

  place(f: number, by = 0, done: Placing = this.placing(f, by)): void {
    this.begun[f] = done.begun;
    this.placed[f] = this.closed[f] = done.closed;
    this.bowls.push(...done.bowls);
    this.hands = by === 0 ? [done.hands, this.hands[1]] : [this.hands[0], done.hands];
    this.placedCount += 1;
    this.left -= 1;
    this.order.push(f);
    this.who.push(by);
    this.lay(f);
  }

  private placesOf(panel: string): number {
    const { blocks, first, part } = this.question;
    return blocks.reduce(
      (bits, block, b) =>
        block.panel === panel ? block.foils.reduce((value, _, i) => value | part[first[b] + i], bits) : bits,
      0,
    );
  }

  /** Whether the other pair of hands is still busy at the place of a foil. */
  isCrowded(f: number, by: number): boolean {
    const { blocks, block } = this.question;
    const other = this.hands[1 - by].panel;
    if (this.hands[by].panel === blocks[block[f]].panel || !this.crowded(block[f], other)) return false;
    return blocks.some(
      ({ panel }, b) => panel === other && this.nextOf(b) >= 0 && this.nextOf(b) > this.question.first[b],
    );
  }

  private crowded(b: number, panel: string | undefined): boolean {
    if (panel === undefined) return false;
    const [here, there] = [this.placesOf(this.question.blocks[b].panel), this.placesOf(panel)];
    return here === 0 || there === 0 || PLACES.some((place) => (place & here) !== 0 && (place & there) !== 0);
  }

  /** Hands wait. */
  wait(until: number, by = 0): void {
    const hands = this.hands[by];
    if (until <= hands.free) return;
    if (by === 0) this.idle += until - hands.free;
    this.hands = this.hands.with(by, { ...hands, free: until }) as [Hands, Hands];
  }

  /** Minutes to change over to opening foils: a second person who only pulls has none. */
  changeFor(by: number): number {
    const { rules } = this.question;
    return by === 0 || rules.second === 'foils' ? rules.pullChange : 0;
  }

  /**
   * Opens and wipes foils one after the other.
   * @param from not before this minute
   * @param change minutes to change over
   */
  pull(foils: readonly number[], by = 0, from = this.hands[by].free, change = this.changeFor(by)): void {
    const { rules } = this.question;
    const begin = whenThere(Math.max(from, this.hands[by].free), change + rules.pullEach, rules.away);
    let at = begin + change;
    for (const f of foils) {
      at = whenThere(at, rules.pullEach, rules.away);
      this.take(f, at, at + rules.pullEach);
      this.pulled[f] = 1;
      at += rules.pullEach;
    }
    this.pulls += foils.length;
    if (by === 0) this.idle += begin - this.hands[0].free;
    this.batches.push({ foils: [...foils], by, from: begin, to: at, paintedAgain: false });
    const hands = this.hands[by];
    this.hands = this.hands.with(by, { ...hands, free: at }) as [Hands, Hands];
  }

  /**
   * Opens, wipes and paints foils again, one after the other.
   * @param from not before this minute
   * @param change minutes to change over
   */
  paintAgain(
    foils: readonly number[],
    by = 0,
    from = this.hands[by].free,
    change = this.changeFor(by),
  ): void {
    const { rules, again } = this.question;
    const begin = whenThere(
      Math.max(from, this.hands[by].free),
      change + again[foils[0]]!.minutes,
      rules.away,
    );
    let hands: Hands = { ...this.hands[by], free: begin + change };
    for (const f of foils) {
      const { minutes, mixes } = again[f]!;
      // Nobody changes to another panel: the foils are opened where they lie.
      const done = placing(hands.panel ?? '', minutes, mixes, hands.free, hands, rules);
      this.over += Math.max(0, done.begun - this.dueOf(f));
      this.short += Math.max(0, this.releaseOf(f) - done.begun);
      this.on.splice(this.on.indexOf(f), 1);
      this.twice[f] = 1;
      this.closed[f] = done.closed;
      this.lay(f);
      this.bowls.push(...done.bowls);
      hands = { ...done.hands, panel: hands.panel };
    }
    if (by === 0) this.idle += begin - this.hands[0].free;
    this.batches.push({ foils: [...foils], by, from: begin, to: hands.free, paintedAgain: true });
    this.hands = this.hands.with(by, hands) as [Hands, Hands];
  }

  private take(f: number, off: number, clear: number): void {
    this.on.splice(this.on.indexOf(f), 1);
    this.off[f] = off;
    this.clear[f] = clear;
    this.over += Math.max(0, clear - this.dueOf(f));
    this.short += Math.max(0, this.releaseOf(f) - off);
    this.past += Math.max(0, off - this.releaseOf(f));
  }

  /** When everybody's hands are free. */
  get free(): number {
    const [own, second] = this.hands;
    return this.question.rules.second === 'none' ? own.free : Math.max(own.free, second.free);
  }

  /**
   * Of some foils those that may be rinsed now: nothing under their run-off still holds product or is still
   * to be foiled, and what belongs together is whole.
   */
  mayRinse(wanted: readonly number[]): number[] {
    const { count, part, block, together, apart } = this.question;
    const taken = new Uint8Array(count);
    let left = wanted.filter((f) => this.placed[f] >= 0 && this.rinsed[f] === 0 && !this.isPending(f));
    if (left.length === 0) return [];
    for (const f of left) taken[f] = 1;
    for (;;) {
      let holds = 0;
      let torn = 0;
      for (let f = 0; f < count; f += 1) {
        if (taken[f] === 1 || this.rinsed[f] === 1) continue;
        if (this.pulled[f] === 0) holds |= part[f];
        if (together[block[f]] !== 0) torn |= together[block[f]];
      }
      const stays = left.filter((f) => !runsOver(part[f], holds) && (torn & (1 << block[f])) === 0);
      if (stays.length === left.length) break;
      for (const f of left) taken[f] = 0;
      for (const f of stays) taken[f] = 1;
      left = stays;
      if (left.length === 0) return [];
    }
    if (apart.some((value) => value !== 0)) {
      // Of blocks that are never rinsed together, the first stays.
      const gone = new Set<number>();
      for (const f of left)
        for (const other of left)
          if (block[other] > block[f] && (apart[block[f]] & (1 << block[other])) !== 0)
            gone.add(block[other]);
      if (gone.size > 0) return this.mayRinse(left.filter((f) => !gone.has(block[f])));
    }
    return left;
  }

  /** A rinse of some foils at the earliest moment at which all of them may come off. */
  basin(foils: readonly number[]): Basin {
    const { block, blocks, rules } = this.question;
    const due = new Float64Array(blocks.length).fill(Number.NaN);
    for (const f of foils) {
      const dueAt = this.pulled[f] === 1 ? Infinity : this.dueOf(f);
      const b = block[f];
      if (!(due[b] <= dueAt)) due[b] = dueAt;
    }
    const order = blocks.flatMap((_, b) => (Number.isNaN(due[b]) ? [] : [b]));
    order.sort((a, b) => (due[a] === due[b] ? a - b : due[a] - due[b]));
    const lead: number[] = [];
    order.forEach((b, j) => (lead[b] = rules.setUp + j * rules.each));
    let from = this.free;
    for (const f of foils)
      if (this.pulled[f] === 0) from = Math.max(from, this.releaseOf(f) - lead[block[f]]);
    const minutes = basinMinutes(order.length, rules);
    return { order, lead, from: whenThere(from, minutes, rules.away), minutes };
  }

  rinse(foils: readonly number[], { order, lead, from, minutes }: Basin = this.basin(foils)): void {
    const { block, rules } = this.question;
    for (const f of foils) {
      this.rinsed[f] = 1;
      if (this.pulled[f] === 1) continue;
      const wet = from + lead[block[f]];
      this.take(f, wet, wet + rules.clearAfter);
    }
    const to = from + minutes;
    this.stages.push({ order, foils: [...foils], from, to });
    this.wait(from, 0);
    this.hands = this.hands.map((hand) => ({ ...hand, free: to })) as [Hands, Hands];
  }

  get done(): boolean {
    return this.left === 0 && this.rinsed.every((value) => value === 1);
  }

  get cost(): Cost {
    const { count, steps, rules } = this.question;
    return {
      over: this.over,
      short: this.short,
      length: this.free + rules.perStep * steps,
      pulled: this.pulls,
      past: count === 0 ? 0 : this.past / count,
    };
  }

  copy(): Head {
    const head = new Head(this.question, this.start);
    for (const key of ['begun', 'placed', 'closed', 'off', 'clear', 'pulled', 'rinsed', 'twice'] as const)
      head[key].set(this[key]);
    Object.assign(head, {
      on: [...this.on],
      hands: this.hands,
      placedCount: this.placedCount,
      left: this.left,
      over: this.over,
      short: this.short,
      past: this.past,
      pulls: this.pulls,
      idle: this.idle,
    });
    head.stages.push(...this.stages);
    head.batches.push(...this.batches);
    head.bowls.push(...this.bowls);
    head.order.push(...this.order);
    head.who.push(...this.who);
    return head;
  }

  /** All that happened. */
  timeline(): Timeline {
    const { question } = this;
    const { block, index, ready, limit, expected, strengths, blocks } = question;
    const at = (f: number): FoilAt => ({ block: block[f], index: index[f] });
    const foils = block.flatMap((_, f) =>
      this.placed[f] < 0
        ? []
        : [
            {
              ...at(f),
              begun: this.begun[f],
              placed: this.placed[f],
              again: this.twice[f] === 1 ? this.closed[f] : null,
              ready: this.closed[f] + ready[f],
              limit: this.closed[f] + limit[f],
              wet: this.off[f] < 0 ? Infinity : this.off[f],
              clear: this.clear[f] < 0 ? Infinity : this.clear[f],
              pulled: this.pulled[f] === 1,
              expected: expected[f],
            },
          ],
    );
    const by = blocks.map(() => 0);
    this.order.forEach((f, i) => (by[block[f]] = this.who[i]));
    return {
      foils,
      runs: this.runs(),
      stages: this.stages.map(({ order, foils: values, from, to }): Stage => ({
        blocks: order,
        foils: values.map(at),
        from,
        to,
      })),
      pulls: this.batches
        .map(({ foils: values, ...batch }): Pull => ({ ...batch, foils: values.map(at) }))
        .sort((a, b) => a.from - b.from),
      bowls: this.bowls,
      strengths: blocks.map((_, b) => strengths[b] ?? 0),
      by,
      end: this.free,
      idle: this.idle,
      cost: this.cost,
    };
  }

  /** Runs of one block by one pair of hands that nothing falls into. */
  private runs(): FoilRun[] {
    const { block, index } = this.question;
    const out: { block: number; first: number; next: number; by: number; from: number; to: number }[] = [];
    const last: (typeof out)[number][] = [];
    const between = (from: number, to: number, by: number) =>
      this.stages.some((stage) => stage.from >= from - NEAR && stage.from < to - NEAR) ||
      this.batches.some((batch) => batch.by === by && batch.from >= from - NEAR && batch.from < to - NEAR);
    this.order.forEach((f, i) => {
      const by = this.who[i];
      const own = last[by];
      if (own && own.block === block[f] && own.next === index[f] && !between(own.to, this.begun[f], by)) {
        own.next += 1;
        own.to = this.placed[f];
        return;
      }
      last[by] = {
        block: block[f],
        first: index[f],
        next: index[f] + 1,
        by,
        from: this.begun[f],
        to: this.placed[f],
      };
      out.push(last[by]);
    });
    return out;
  }
}

function runsOver(part: number, holds: number): boolean {
  if (part === 0 || holds === 0) return false;
  return (UNDER_BITS[31 - Math.clz32(part)] & holds) !== 0;
}
