import { basinTimes, compareCosts, foilBlock, runService, USUAL_RULES, type Action, type Block, type ClockRules, type Cost, type Standing, type Timeline } from './service';
import { underRunOff } from './wet-order';

export interface SearchOptions {
  readonly rules?: ClockRules;
  /** Order that the blocks must be foiled in; null leaves it to the search. */
  readonly order?: readonly number[] | null;
  /** Asked now and then; true ends the search with the best plan so far. */
  stop?(): boolean;
  /** Called with every better plan. */
  onBetter?(actions: readonly Action[], cost: Cost): void;
}

export interface Found {
  readonly actions: readonly Action[];
  readonly timeline: Timeline;
  /** Whether nothing better can be: the search went through everything. */
  readonly proved: boolean;
}

const NEAR = 1e-7;
const ASK_EVERY = 512;

/** State of a service while its actions are chosen; one object that goes forward and back. */
interface Walk {
  now: number;
  foiled: number;
  rinsed: number;
  bowl: { readonly formula: string; readonly at: number } | undefined;
  contiguous: boolean;
  stages: number;
  over: number;
  short: number;
  past: number;
}

/**
 * The best order of foiling and rinsing: branch and bound over blocks to foil and sets to rinse that the wet order allows.
 * Begins from the simple plan, so it is never worse than that; says whether the answer is proved.
 */
export function searchService(blocks: readonly Block[], options: SearchOptions = {}): Found {
  const { rules = USUAL_RULES, order = null, stop = () => false, onBetter } = options;
  if (blocks.length === 0) return { actions: [], timeline: runService([], [], rules), proved: true };
  if (blocks.length > 30) throw new RangeError('At most 30 blocks can be put in order at once.');
  const under = underRunOff(blocks.map(({ touches }) => touches));
  const all = 2 ** blocks.length - 1;
  const foils = blocks.reduce((sum, { seconds }) => sum + seconds.length, 0);
  const minutes = blocks.map(({ seconds }) => seconds.reduce((sum, own) => sum + own, 0) / 60);
  const twinBefore = blocks.map((own, i) => blocks.findIndex((other, j) => j < i && alike(own, other) && under[i] === under[j] && !nestled(under, i, j)));

  let best = simplePlan(blocks, order ?? blocks.map((_, i) => i), under, rules);
  let bestCost = runService(blocks, best, rules).cost;
  onBetter?.(best, bestCost);
  const standing: (Standing | undefined)[] = new Array(blocks.length).fill(undefined);
  const placed: (readonly number[] | undefined)[] = new Array(blocks.length).fill(undefined);
  const path: Action[] = [];
  const walk: Walk = { now: 0, foiled: 0, rinsed: 0, bowl: undefined, contiguous: false, stages: 0, over: 0, short: 0, past: 0 };
  let steps = 0;
  let stopped = false;

  /** Nothing that follows from here can cost less than this. */
  function bound(): Cost {
    let over = walk.over;
    let left = 0;
    let toFoil = 0;
    const clear = walk.now + (walk.contiguous ? 0 : rules.setUp) + rules.clearAfter;
    for (let b = 0; b < blocks.length; b += 1) {
      const bit = 1 << b;
      if (walk.rinsed & bit) continue;
      left += 1;
      if (walk.foiled & bit) over += overOf(b, clear);
      else toFoil += minutes[b] + (walk.bowl === undefined ? 0 : rules.panelChange);
    }
    // The first of all blocks has no panel change before it.
    const setUp = left === 0 || (walk.contiguous && toFoil === 0) ? 0 : rules.setUp;
    const visit = walk.now + toFoil + (left > 0 ? setUp + left * rules.each + rules.finish : 0) + rules.perStage * (walk.stages + (left > 0 ? 1 : 0));
    return { over, short: walk.short, visit, past: walk.past / foils };
  }

  function overOf(block: number, clear: number): number {
    const slack = clear - blocks[block].limitMinutes + rules.margin;
    let over = 0;
    for (const at of placed[block]!) over += Math.max(0, slack - at);
    return over;
  }

  function go(): void {
    if (stopped) return;
    steps += 1;
    if (steps % ASK_EVERY === 0 && stop()) {
      stopped = true;
      return;
    }
    if (walk.rinsed === all) {
      const cost = { over: walk.over, short: walk.short, visit: walk.now + rules.perStage * walk.stages, past: walk.past / foils };
      if (compareCosts(cost, bestCost) < 0) {
        best = [...path];
        bestCost = cost;
        onBetter?.(best, cost);
      }
      return;
    }
    if (compareCosts(bound(), bestCost) >= 0) return;
    const waiting = walk.foiled & ~walk.rinsed;
    // Larger sets first: they make fewer stages.
    const sets = subsetsOf(waiting).filter((set) => allowed(set));
    const next = order ? order.filter((b) => !(walk.foiled & (1 << b))).slice(0, 1) : blocks.map((_, b) => b).filter((b) => !(walk.foiled & (1 << b)) && (twinBefore[b] < 0 || walk.foiled & (1 << twinBefore[b])));
    const dueFirst = waiting !== 0 && walk.foiled !== all && tightest(waiting) < walk.now + 20;
    if (walk.foiled === all || dueFirst) for (const set of sets) rinse(set);
    for (const b of next) foil(b);
    if (walk.foiled !== all && !dueFirst) for (const set of sets) rinse(set);
  }

  function tightest(set: number): number {
    let least = Infinity;
    for (let b = 0; b < blocks.length; b += 1) if (set & (1 << b)) least = Math.min(least, standing[b]!.first + blocks[b].limitMinutes);
    return least;
  }

  function allowed(set: number): boolean {
    for (let b = 0; b < blocks.length; b += 1) if (set & (1 << b) && under[b] & ~(walk.rinsed | set)) return false;
    return true;
  }

  function foil(b: number): void {
    const before = { ...walk };
    const foiling = foilBlock(blocks[b], walk.now, walk.bowl === undefined, walk.bowl, rules);
    placed[b] = foiling.placed;
    walk.now = foiling.placed[foiling.placed.length - 1];
    walk.bowl = { formula: blocks[b].formula, at: foiling.bowlAt };
    standing[b] = { first: foiling.placed[0], last: walk.now };
    walk.foiled |= 1 << b;
    walk.contiguous = false;
    path.push({ kind: 'foil', block: b });
    go();
    path.pop();
    Object.assign(walk, before);
    standing[b] = placed[b] = undefined;
  }

  function rinse(set: number): void {
    const before = { ...walk };
    const members: number[] = [];
    for (let b = 0; b < blocks.length; b += 1) if (set & (1 << b)) members.push(b);
    const times = basinTimes(members, blocks, standing, walk.now, walk.contiguous, rules);
    times.order.forEach((b, j) => {
      const wet = times.wet[j];
      walk.over += overOf(b, wet + rules.clearAfter);
      for (const at of placed[b]!) {
        const past = wet - at - blocks[b].readyMinutes;
        if (past < 0) walk.short -= past;
        else walk.past += past;
      }
    });
    walk.now = times.to;
    walk.rinsed |= set;
    walk.stages += 1;
    walk.contiguous = true;
    path.push({ kind: 'rinse', blocks: members });
    go();
    path.pop();
    Object.assign(walk, before);
  }

  go();
  return { actions: best, timeline: runService(blocks, best, rules), proved: !stopped };
}

/** Blocks that can stand for each other: their order makes no difference. */
function alike(a: Block, b: Block): boolean {
  return a.formula === b.formula && a.readyMinutes === b.readyMinutes && a.limitMinutes === b.limitMinutes && a.seconds.length === b.seconds.length && a.seconds.every((own, i) => own === b.seconds[i])
    && a.touches.length === b.touches.length && a.touches.every((own) => b.touches.includes(own));
}

/** Whether one of two lies under the other's run-off. */
const nestled = (under: readonly number[], i: number, j: number): boolean => ((under[i] >> j) & 1) === 1 || ((under[j] >> i) & 1) === 1;

/** All sets within a set but the empty one, larger ones first. */
function subsetsOf(set: number): number[] {
  const out: number[] = [];
  for (let own = set; own > 0; own = (own - 1) & set) out.push(own);
  const size = (own: number) => {
    let bits = 0;
    for (let rest = own; rest > 0; rest &= rest - 1) bits += 1;
    return bits;
  };
  return out.sort((a, b) => size(b) - size(a));
}

/**
 * The simple plan of an order: foil on, and go to the basin with everything that may be rinsed as soon as the next block
 * would take something past its limit; the rest at the end.
 */
export function simplePlan(blocks: readonly Block[], order: readonly number[], under: readonly number[] = underRunOff(blocks.map(({ touches }) => touches)), rules: ClockRules = USUAL_RULES): Action[] {
  const actions: Action[] = [];
  let on: number[] = [];
  let rinsed = 0;
  const mayRinse = () => {
    // What may go: taken out until the rest lies over nothing that stays.
    let set = on.reduce((bits, b) => bits | (1 << b), 0);
    for (let changed = true; changed; ) {
      changed = false;
      for (const b of on) {
        if (set & (1 << b) && under[b] & ~(rinsed | set)) {
          set &= ~(1 << b);
          changed = true;
        }
      }
    }
    return on.filter((b) => set & (1 << b));
  };
  const rinse = () => {
    const set = mayRinse();
    if (set.length === 0) return;
    actions.push({ kind: 'rinse', blocks: set });
    on = on.filter((b) => !set.includes(b));
    for (const b of set) rinsed |= 1 << b;
  };
  const overWith = (next: readonly Action[]) => {
    // Everything that is then on the head goes to the basin at once: what of it would be over?
    const after = [...next, { kind: 'rinse' as const, blocks: onAfter(next) }];
    return runService(blocks, after, rules).cost.over;
  };
  const onAfter = (next: readonly Action[]) => {
    const there = new Set<number>();
    for (const action of next) {
      if (action.kind === 'foil') there.add(action.block);
      else for (const b of action.blocks) there.delete(b);
    }
    return [...there];
  };
  for (const b of order) {
    if (on.length > 0 && overWith([...actions, { kind: 'foil', block: b }]) > overWith(actions) + NEAR) rinse();
    actions.push({ kind: 'foil', block: b });
    on.push(b);
  }
  while (on.length > 0) rinse();
  return actions;
}
