import type { Course } from './course';
import { strengthsOf, type Action, type Block, type ClockRules } from './types';
import { underRunOff } from './wet-order';

/** What a person has decided: the rest is solved around it. */
export interface Fixed {
  /** Order that the blocks are foiled in. */
  readonly order?: readonly number[] | null;
  /** Block by its place in the order of foiling, from 0. */
  readonly at?: Readonly<Record<number, number>>;
  /** Strength by block: its place, 0 for the chosen one. */
  readonly strength?: Readonly<Record<number, number>>;
  /** Bits of blocks that were foiled before planning began: their places are taken already. */
  readonly done?: number;
}

/** What may follow what: wet order, sets that belong together, blocks that come after others, and what is fixed. */
export class Allowed {
  /** For each block what lies under its run-off. */
  readonly under: readonly number[];
  private readonly together: readonly number[];
  private readonly after: readonly number[];
  private readonly placeOf: ReadonlyMap<number, number>;
  private readonly pinnedAt: ReadonlyMap<number, number>;

  constructor(private readonly blocks: readonly Block[], private readonly rules: ClockRules, readonly fixed: Fixed = {}) {
    this.under = underRunOff(blocks.map(({ touches }) => touches));
    const bits = (of: (other: Block) => boolean) => blocks.reduce((sum, other, b) => (of(other) ? sum | (1 << b) : sum), 0);
    this.together = blocks.map(({ together }, b) => (together === undefined ? 1 << b : bits((other) => other.together === together)));
    this.after = blocks.map(({ after }) => (after ? bits(({ id }) => after.includes(id)) : 0));
    const at = Object.entries(fixed.at ?? {}).map(([place, block]) => [Number(place), block] as const);
    this.pinnedAt = new Map(at);
    this.placeOf = new Map(at.map(([place, block]) => [block, place]));
  }

  /** Whether a block may be the next to be foiled. */
  foil(b: number, foiled: number): boolean {
    if (foiled & (1 << b) || this.after[b] & ~foiled) return false;
    const { order, done = 0 } = this.fixed;
    if (order) return order.find((own) => !(foiled & (1 << own))) === b;
    const place = countBits(foiled & ~done);
    const pinned = this.pinnedAt.get(place);
    return pinned !== undefined ? pinned === b : this.placeOf.get(b) === undefined;
  }

  strengths(b: number): readonly number[] {
    const fixed = this.fixed.strength?.[b];
    return fixed === undefined ? Array.from({ length: strengthsOf(this.blocks[b]) }, (_, i) => i) : [fixed];
  }

  /** Whether a set may be rinsed: nothing under its run-off still holds product, and what belongs together is in it. */
  rinse(set: number, { foiled, pulled, rinsed }: Pick<Course, 'foiled' | 'pulled' | 'rinsed'>): boolean {
    if (set === 0 || set & ~(foiled & ~rinsed)) return false;
    for (let b = 0; b < this.blocks.length; b += 1) if (set & (1 << b) && (this.under[b] & ~(rinsed | pulled | set) || (this.together[b] & ~rinsed) & ~set)) return false;
    return true;
  }

  /** The largest part of a set that may be rinsed. */
  most(set: number, course: Pick<Course, 'foiled' | 'pulled' | 'rinsed'>): number {
    let left = set;
    for (let before = 0; left !== before; ) {
      before = left;
      for (let b = 0; b < this.blocks.length; b += 1) {
        if (left & (1 << b) && (this.under[b] & ~(course.rinsed | course.pulled | left) || (this.together[b] & ~course.rinsed) & ~left)) left &= ~(1 << b);
      }
    }
    return left;
  }

  pull(b: number, { foiled, pulled, rinsed }: Pick<Course, 'foiled' | 'pulled' | 'rinsed'>): boolean {
    const own = 1 << b;
    return this.rules.second === 'mixes' && (foiled & own) !== 0 && !((pulled | rinsed) & own);
  }

  /** Who may foil: the colourist, and a second person where one foils too. */
  get hands(): readonly number[] {
    return this.rules.second === 'foils' ? [0, 1] : [0];
  }

  /** Whether a whole plan is allowed from where the service stands. */
  plan(actions: readonly Action[], from: Pick<Course, 'foiled' | 'pulled' | 'rinsed'>): boolean {
    let { foiled, pulled, rinsed } = from;
    for (const action of actions) {
      if (action.kind === 'foil') {
        if (!this.foil(action.block, foiled) || !this.strengths(action.block).includes(action.strength ?? 0) || !this.hands.includes(action.by ?? 0)) return false;
        foiled |= 1 << action.block;
      } else if (action.kind === 'pull') {
        if (!this.pull(action.block, { foiled, pulled, rinsed })) return false;
        pulled |= 1 << action.block;
      } else {
        const set = action.blocks.reduce((bits, b) => bits | (1 << b), 0);
        if (!this.rinse(set, { foiled, pulled, rinsed })) return false;
        rinsed |= set;
      }
    }
    return rinsed === 2 ** this.blocks.length - 1;
  }
}

export function countBits(bits: number): number {
  let count = 0;
  for (let own = bits; own !== 0; own &= own - 1) count += 1;
  return count;
}
