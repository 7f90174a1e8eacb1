import { Allowed, type Fixed } from './allowed';
import { Courses } from './course';
import { neighboursOf, type Neighbour } from './neighbours';
import { runService } from './service';
import { compareCosts, USUAL_RULES, type Action, type Block, type ClockRules, type Cost, type PlacedFoil, type Start, type Timeline } from './types';
import { underRunOff } from './wet-order';

/** What holds a plan as it is: nothing can move without it. */
export interface Binding {
  readonly kind: 'over' | 'limit' | 'ready' | 'wet' | 'bowl';
  readonly block: number;
  /** Place of the foil in its block, from 0. */
  readonly foil: number;
  /** Minute that it is about, and minutes to spare (< 0: over). */
  readonly at: number;
  readonly slack: number;
  readonly words: string;
}

const rounded = (minutes: number) => String(Math.round(minutes));

/** What binds a plan: the foil nearest to (or past) its limit, what the basin waits for, what waits for water, and bowls that are spent in the middle of a panel. */
export function bindingsOf(blocks: readonly Block[], timeline: Timeline, rules: ClockRules = USUAL_RULES): Binding[] {
  const { foils, stages, pulls } = timeline;
  const out: Binding[] = [];
  const nearest = foils.reduce<PlacedFoil | undefined>((best, own) => (best === undefined || own.limit - own.clear < best.limit - best.clear ? own : best), undefined);
  if (nearest) {
    const { block, index, limit, clear } = nearest;
    const slack = limit - clear;
    const name = `${blocks[block].name}, foil ${index + 1}`;
    out.push(
      slack < rules.margin - 1e-6
        ? { kind: 'over', block, foil: index, at: clear, slack, words: slack < 0 ? `${name} is clear at minute ${rounded(clear)}, ${rounded(-slack)} min past its limit.` : `${name} is clear ${rounded(slack)} min before its limit, less than the ${rules.margin} kept in hand.` }
        : { kind: 'limit', block, foil: index, at: clear, slack, words: `${name} is the nearest to its limit: clear at minute ${rounded(clear)}, ${rounded(slack)} min to spare.` },
    );
  }
  const pulled = new Set(pulls.map(({ block }) => block));
  for (const { blocks: set, from } of stages) {
    const own = foils.filter(({ block }) => set.includes(block) && !pulled.has(block));
    if (own.length === 0) continue;
    const last = own.reduce((a, b) => (b.ready - b.wet > a.ready - a.wet ? b : a));
    if (Math.abs(last.ready - last.wet) < 1e-6) {
      out.push({ kind: 'ready', block: last.block, foil: last.index, at: from, slack: 0, words: `The basin at minute ${rounded(from)} waits for ${blocks[last.block].name}: its last foil is ready at ${rounded(last.ready)}.` });
    } else if (last.ready > last.wet + 1e-6) {
      out.push({ kind: 'ready', block: last.block, foil: last.index, at: from, slack: last.wet - last.ready, words: `${blocks[last.block].name}, foil ${last.index + 1}, is rinsed ${rounded(last.ready - last.wet)} min before it is ready.` });
    }
  }
  return [...out, ...wetBindings(blocks, timeline), ...bowlBindings(blocks, timeline, rules)];
}

/** A wait that is worth a word, minutes. */
const LONG_WAIT = 5;

/** Panels that are ready and wait, since what lies under their run-off still holds product. */
function wetBindings(blocks: readonly Block[], { foils, stages }: Timeline): Binding[] {
  const under = underRunOff(blocks.map(({ touches }) => touches));
  const stageOf = blocks.map((_, b) => stages.findIndex((stage) => stage.blocks.includes(b)));
  return stages.flatMap(({ blocks: set, from }, i) => set.flatMap((b): Binding[] => {
    const own = foils.filter(({ block }) => block === b);
    const ready = Math.max(...own.map((foil) => foil.ready));
    const lower = set.find((other) => other !== b && (under[b] >> other) & 1 && stageOf[other] === i && Math.max(...foils.filter(({ block }) => block === other).map((foil) => foil.ready)) > ready + LONG_WAIT);
    if (lower === undefined || from - ready < LONG_WAIT) return [];
    return [{ kind: 'wet', block: b, foil: own.length - 1, at: from, slack: from - ready, words: `${blocks[b].name} is ready at minute ${rounded(ready)} and waits for ${blocks[lower].name}, which its water would run over.` }];
  }));
}

/** Bowls that are spent in the middle of a panel: the hands stop for them. */
function bowlBindings(blocks: readonly Block[], { foils, bowls }: Timeline, rules: ClockRules): Binding[] {
  if (rules.second === 'mixes') return [];
  return bowls.flatMap(({ at }): Binding[] => {
    const before = foils.filter(({ placed }) => placed <= at + 1e-6);
    const last = before.reduce<PlacedFoil | undefined>((a, b) => (a === undefined || b.placed > a.placed ? b : a), undefined);
    if (!last || !foils.some(({ block, index }) => block === last.block && index > last.index)) return [];
    return [{ kind: 'bowl', block: last.block, foil: last.index, at, slack: 0, words: `The bowl is spent at minute ${rounded(at)}, after ${blocks[last.block].name}, foil ${last.index + 1}: a fresh one takes ${rules.mixChange} min.` }];
  });
}

/** The plan that is nearest to this one in what it costs, and what it would be. */
export interface Alternative {
  readonly actions: readonly Action[];
  readonly cost: Cost;
  readonly words: string;
}

/** Of all plans one change away, the best: what else could be done, and what it costs; undefined where nothing else is allowed. */
export function nearestAlternative(blocks: readonly Block[], actions: readonly Action[], rules: ClockRules = USUAL_RULES, fixed: Fixed = {}, start?: Start): Alternative | undefined {
  const begun = new Courses(blocks, rules).begin(start);
  const allowed = new Allowed(blocks, rules, { ...fixed, done: begun.foiled });
  const own = runService(blocks, actions, rules, start).cost;
  let best: (Neighbour & { cost: Cost }) | undefined;
  for (const neighbour of neighboursOf(blocks, actions)) {
    if (!allowed.plan(neighbour.actions, begun)) continue;
    const { cost } = runService(blocks, neighbour.actions, rules, start);
    // The same in all that is seen is no alternative.
    if (compareCosts(cost, { ...own, past: cost.past }) === 0) continue;
    if (!best || compareCosts(cost, best.cost) < 0) best = { ...neighbour, cost };
  }
  return best && { actions: best.actions, cost: best.cost, words: `${changeWords(blocks, best)}: ${costWords(own, best.cost)}.` };
}

function changeWords(blocks: readonly Block[], { change }: Neighbour): string {
  const name = (b: number) => blocks[b].name;
  switch (change.kind) {
    case 'order': return `${name(change.block)} foiled before ${name(change.before)}`;
    case 'strength': return `${name(change.block)} with ${change.strength === 0 ? 'its own mix' : blocks[change.block].others![change.strength - 1].mix}`;
    case 'fewer-stages': return `${change.blocks.map(name).join(' and ')} in one rinse`;
    case 'own-stage': return `${name(change.block)} in a rinse of its own`;
    case 'other-stage': return `${name(change.block)} in another rinse`;
  }
}

/** What one plan costs against another, in words. */
function costWords(from: Cost, to: Cost): string {
  const parts = [
    [to.over - from.over, 'min over limits, all foils together'], [to.short - from.short, 'min short of ready, all foils together'], [to.visit - from.visit, 'min, rinses and stronger mixes counted in'],
  ] as const;
  const said = parts.filter(([by]) => Math.abs(by) >= 0.5).map(([by, words]) => `${by > 0 ? '+' : '−'}${rounded(Math.abs(by))} ${words}`);
  return said.length === 0 ? 'much the same' : said.join(', ');
}
