import type { Allowed } from './allowed';
import type { Course } from './course';
import { runService } from './service';
import { compareCosts, strengthsOf, type Action, type Block, type ClockRules, type Cost, type Start } from './types';

/** A plan that differs by one thing, and which. */
export interface Neighbour {
  readonly actions: readonly Action[];
  readonly change:
    | { readonly kind: 'order'; readonly block: number; readonly before: number }
    | { readonly kind: 'strength'; readonly block: number; readonly strength: number }
    | { readonly kind: 'fewer-stages'; readonly blocks: readonly number[] }
    | { readonly kind: 'other-stage' | 'own-stage'; readonly block: number };
}

/** Plans one change away: a block foiled sooner, another strength, two stages made one, a block in another stage. Not all are allowed. */
export function* neighboursOf(blocks: readonly Block[], actions: readonly Action[]): Generator<Neighbour> {
  const rinses = actions.flatMap((action, i) => (action.kind === 'rinse' ? [{ i, blocks: action.blocks }] : []));
  const without = (i: number) => [...actions.slice(0, i), ...actions.slice(i + 1)];
  for (const [i, action] of actions.entries()) {
    if (action.kind === 'foil') {
      for (let s = 0; s < strengthsOf(blocks[action.block]); s += 1) {
        if (s !== (action.strength ?? 0)) yield { actions: actions.with(i, { ...action, strength: s }), change: { kind: 'strength', block: action.block, strength: s } };
      }
      for (let to = 0; to < i; to += 1) {
        const before = actions[to];
        if (before.kind === 'foil') yield { actions: without(i).toSpliced(to, 0, action), change: { kind: 'order', block: action.block, before: before.block } };
      }
    }
  }
  for (const [k, { i, blocks: set }] of rinses.entries()) {
    const next = rinses[k + 1];
    if (next) {
      yield { actions: without(i).toSpliced(next.i - 1, 1, { kind: 'rinse', blocks: [...set, ...next.blocks] }), change: { kind: 'fewer-stages', blocks: [...set, ...next.blocks] } };
      for (const b of set) if (set.length > 1) yield { actions: actions.with(i, { kind: 'rinse', blocks: set.filter((own) => own !== b) }).with(next.i, { kind: 'rinse', blocks: [...next.blocks, b] }), change: { kind: 'other-stage', block: b } };
    }
    for (const b of set) if (set.length > 1) yield { actions: actions.with(i, { kind: 'rinse', blocks: set.filter((own) => own !== b) }).toSpliced(i + 1, 0, { kind: 'rinse', blocks: [b] }), change: { kind: 'own-stage', block: b } };
    // A stage sooner: before the block that was foiled last.
    if (i > 0 && actions[i - 1].kind === 'foil') yield { actions: without(i).toSpliced(i - 1, 0, actions[i]), change: { kind: 'other-stage', block: set[0] } };
  }
}

export interface Around {
  readonly blocks: readonly Block[];
  readonly rules: ClockRules;
  readonly allowed: Allowed;
  readonly begun: Course;
  readonly start: Start | undefined;
  mayGoOn(): boolean;
}

/** Follows the best of a plan's neighbours as long as one is better. */
export function improved(from: readonly Action[], { blocks, rules, allowed, begun, start, mayGoOn }: Around, cost: Cost, take: (actions: readonly Action[], cost: Cost) => void): void {
  let actions = from;
  let best = cost;
  for (let better = true; better; ) {
    better = false;
    for (const neighbour of neighboursOf(blocks, actions)) {
      if (!mayGoOn()) return;
      if (!allowed.plan(neighbour.actions, begun)) continue;
      const own = runService(blocks, neighbour.actions, rules, start).cost;
      if (compareCosts(own, best) >= 0) continue;
      actions = neighbour.actions;
      best = own;
      take(actions, own);
      better = true;
      break;
    }
  }
}
