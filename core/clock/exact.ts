import { Head } from './head';
import type { Question } from './question';
import { compareCosts, type Cost, type Pulling, type Start } from './types';

/** More foils than these are too many for going through everything. */
export const EXACT_UP_TO = 6;

export interface ExactOptions {
  readonly visits: number;
  readonly pulling: Pulling;
  /** Orders of the blocks that are allowed. */
  readonly orders: readonly (readonly number[])[];
  readonly start?: Start;
  /** A plan to beat. */
  readonly than?: Head;
}

/**
 * The best of all plans for a handful of foils: every order, every batch of pulls at every moment at which a
 * foil becomes
 * ready, every set rinsed, by branch and bound. Nothing is taken off before it may come off.
 * @returns undefined where nothing beats the plan that was given
 */
export function exact(question: Question, options: ExactOptions): Head | undefined {
  const { visits, pulling, orders, start, than } = options;
  let best: { head: Head; cost: Cost } | undefined = than && { head: than, cost: than.cost };
  const subsets = <T>(all: readonly T[]) =>
    Array.from({ length: 2 ** all.length - 1 }, (_, bits) => all.filter((_, i) => ((bits + 1) >> i) & 1));
  const worse = (head: Head) => {
    if (!best) return false;
    const { over, short, pulled } = head.cost;
    const left = question.minutes.reduce((sum, value, f) => (head.placed[f] < 0 ? sum + value : sum), 0);
    const { setUp, each, finish, perStep } = question.rules;
    const length = head.free + left + (head.done ? 0 : setUp + each + finish) + perStep * question.steps;
    return compareCosts({ over, short, length, pulled, past: 0 }, { ...best.cost, past: 0 }) > 0;
  };
  const go = (head: Head, order: readonly number[]): void => {
    if (worse(head)) return;
    if (head.done) {
      if (!best || compareCosts(head.cost, best.cost) < 0) best = { head, cost: head.cost };
      return;
    }
    const next = order.find((b) => head.nextOf(b) >= 0);
    if (next !== undefined) {
      const own = head.copy();
      own.place(own.nextOf(next));
      go(own, order);
    }
    const by = pulling === 'second' ? 1 : 0;
    const pending = head.on.filter((f) => head.isPending(f));
    const once = head.on.filter((f) => !head.isPending(f));
    if (pulling !== 'none' || pending.length > 0)
      for (const foils of [...subsets(pulling === 'none' ? [] : once), ...subsets(pending)]) {
        const change = head.changeFor(by);
        const each = head.openingOf(foils[0]);
        const ready = Math.max(...foils.map((f, i) => head.releaseOf(f) - change - i * each));
        const own = head.copy();
        const from = Math.max(ready, head.hands[0].free, head.hands[by].free);
        if (head.isPending(foils[0])) own.paintAgain(foils, by, from);
        else own.pull(foils, by, from);
        go(own, order);
      }
    if (head.stages.length >= visits) return;
    const onHead = question.block.flatMap((_, f) => (head.placed[f] >= 0 && head.rinsed[f] === 0 ? [f] : []));
    const blocks = [...new Set(onHead.map((f) => question.block[f]))];
    for (const set of head.stages.length === visits - 1
      ? head.left === 0
        ? [blocks]
        : []
      : subsets(blocks)) {
      const foils = onHead.filter((f) => set.includes(question.block[f]));
      if (foils.length === 0 || head.mayRinse(foils).length < foils.length) continue;
      const own = head.copy();
      own.rinse(foils);
      go(own, order);
    }
  };
  for (const order of orders) go(new Head(question, start), order);
  return best && best.head !== than ? best.head : undefined;
}
