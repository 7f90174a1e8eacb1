import { basinTimes, foilBlock, onHead, pullTimes, type BasinTimes, type Foiling, type Hands, type OnHead } from './moves';
import { foilsWith, NEAR, type Block, type ClockRules, type Cost, type Start } from './types';
import type { WetPart } from './wet-order';

/** A service up to some action; blocks as bits. Never changed, only followed by others. */
export interface Course {
  /** Who foils: the colourist, and a second person. */
  readonly hands: readonly [Hands, Hands];
  /** When the last foil action began: what follows begins no sooner. */
  readonly began: number;
  /** What each block has on the head: undefined before it is foiled, null once its foils are pulled. */
  readonly on: readonly (OnHead | null | undefined)[];
  readonly foiled: number;
  readonly pulled: number;
  readonly rinsed: number;
  /** Until when a second person pulls foils. */
  readonly pulling: number;
  readonly contiguous: boolean;
  readonly stages: number;
  /** Foils times steps above the chosen strength. */
  readonly steps: number;
  readonly over: number;
  readonly short: number;
  /** Minutes past ready, all foils together. */
  readonly past: number;
}

/** Places that two people cannot work at together. */
type Place = 'left' | 'right' | 'back';
const placeOf = (part: WetPart): Place => (part.endsWith('-l') ? 'left' : part.endsWith('-r') ? 'right' : 'back');

/** What each action does to a service of some blocks: the one place that knows. */
export class Courses {
  readonly all: number;
  readonly foils: number;
  /** Places of each panel. */
  private readonly places = new Map<string, Set<Place>>();

  constructor(readonly blocks: readonly Block[], readonly rules: ClockRules) {
    this.all = 2 ** blocks.length - 1;
    this.foils = blocks.reduce((sum, { foils }) => sum + foils.length, 0);
    for (const { panel, touches } of blocks) this.places.set(panel, new Set([...(this.places.get(panel) ?? []), ...touches.map(placeOf)]));
  }

  /** Before the first action. */
  begin(start?: Start): Course {
    const hands: Hands = { free: start?.now ?? 0, panel: start?.panel, bowls: start?.bowls };
    const bits = (of: (b: number) => boolean) => this.blocks.reduce((sum, _, b) => (of(b) ? sum | (1 << b) : sum), 0);
    return {
      hands: [hands, { ...hands, panel: undefined, bowls: undefined }], began: hands.free, pulling: hands.free, contiguous: false, stages: 0, steps: 0, over: 0, short: 0, past: 0, rinsed: 0,
      foiled: bits((b) => start?.placed[b] !== undefined), pulled: bits((b) => start?.pulled[b] ?? false),
      on: this.blocks.map((block, b) => {
        const placed = start?.placed[b];
        return placed === undefined ? undefined : start!.pulled[b] ? null : onHead(placed, foilsWith(block, start!.strengths[b]), block.pulled);
      }),
    };
  }

  /** When everybody's hands are free. */
  now({ hands: [own, second] }: Course): number {
    return this.rules.second === 'foils' ? Math.max(own.free, second.free) : own.free;
  }

  foil(course: Course, b: number, strength = 0, by = 0): { readonly course: Course; readonly foiling: Foiling } {
    const block = this.blocks[b];
    const foils = foilsWith(block, strength);
    const steps = strength === 0 ? 0 : block.others![strength - 1].steps;
    const [mine, other] = [course.hands[by], course.hands[1 - by]];
    // Two people do not stand at the same place, and a service is told in the order in which blocks are begun.
    const from = Math.max(mine.free, course.began, this.rules.second === 'foils' && this.crowded(b, other.panel) ? other.free : 0);
    const foiling = foilBlock(block, foils, from, mine, this.rules);
    const hands: [Hands, Hands] = by === 0 ? [foiling.hands, course.hands[1]] : [course.hands[0], foiling.hands];
    return {
      foiling,
      course: { ...course, hands, began: from, foiled: course.foiled | (1 << b), contiguous: false, steps: course.steps + steps * foils.length, on: course.on.with(b, onHead(foiling.placed, foils, block.pulled)) },
    };
  }

  private crowded(b: number, panel: string | undefined): boolean {
    const there = panel === undefined ? undefined : this.places.get(panel);
    const here = this.places.get(this.blocks[b].panel)!;
    if (!there) return false;
    return here.size === 0 || there.size === 0 || [...here].some((place) => there.has(place));
  }

  rinse(course: Course, set: readonly number[]): { readonly course: Course; readonly times: BasinTimes } {
    // One head cannot be worked on at the basin: it waits for everybody, and everybody for it.
    const now = Math.max(this.now(course), course.pulling);
    const times = basinTimes(set, course.on, now, course.contiguous && now === this.now(course), this.rules);
    const tally = { over: course.over, short: course.short, past: course.past };
    times.order.forEach((b, j) => {
      const own = course.on[b];
      if (own) this.count(tally, own, b, () => times.wet[j], this.rules.clearAfter);
    });
    const [mine, second] = course.hands;
    const rinsed = set.reduce((bits, b) => bits | (1 << b), course.rinsed);
    return { times, course: { ...course, hands: [{ ...mine, free: times.to }, { ...second, free: times.to }], began: times.to, pulling: times.to, rinsed, stages: course.stages + 1, contiguous: true, ...tally } };
  }

  pull(course: Course, b: number): { readonly course: Course; readonly times: ReturnType<typeof pullTimes> } {
    const own = course.on[b]!;
    const times = pullTimes(own, Math.max(course.pulling, own.placed[0]), this.rules);
    const tally = { over: course.over, short: course.short, past: course.past };
    this.count(tally, own, b, (i) => times.opened[i], this.rules.pullEach);
    return { times, course: { ...course, pulling: times.to, pulled: course.pulled | (1 << b), on: course.on.with(b, null), ...tally } };
  }

  /** Counts what the foils of a block cost that come off now; those that were pulled alone are off already. @param wet when each is wet or opened @param clears minutes from then until it is clear */
  private count(tally: { over: number; short: number; past: number }, own: OnHead, b: number, wet: (i: number) => number, clears: number): void {
    const pulled = this.blocks[b].pulled;
    for (let i = 0; i < own.placed.length; i += 1) {
      if (pulled?.[i] !== undefined) continue;
      const off = wet(i);
      tally.over += Math.max(0, off + clears - (own.limit[i] - this.rules.margin));
      const late = off - own.ready[i];
      if (late < 0) tally.short -= late;
      else tally.past += late;
    }
  }

  isWhole({ rinsed }: Course): boolean {
    return rinsed === this.all;
  }

  /** What a service that ends here costs. */
  costOf(course: Course): Cost {
    const { perStage, perStep } = this.rules;
    const { over, short, past, stages, steps } = course;
    return { over, short, visit: Math.max(this.now(course), course.pulling) + perStage * stages + perStep * steps, past: this.foils === 0 ? 0 : past / this.foils };
  }

  /** Minutes that a block's product stays past its limit at least, were it clear at some minute. */
  overAt(own: OnHead, b: number, clear: number): number {
    const slack = clear + this.rules.margin;
    const pulled = this.blocks[b].pulled;
    let over = 0;
    for (let i = 0; i < own.placed.length; i += 1) if (slack - own.limit[i] > NEAR && pulled?.[i] === undefined) over += slack - own.limit[i];
    return over;
  }
}
