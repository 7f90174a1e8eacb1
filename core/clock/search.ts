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

/** Blocks are told apart by bits. */
export const MOST_BLOCKS = 30;

const NEAR = 1e-7;
const ASK_EVERY = 512;
/** Of each state (what is foiled, what is rinsed) so many ways to it are followed, and of each length so many in all. */
const KEPT_OF_STATE = 4;
const KEPT_OF_LENGTH = 300;

/** A service up to some action. */
interface Label {
  readonly now: number;
  /** Blocks as bits. */
  readonly foiled: number;
  readonly rinsed: number;
  readonly bowl: { readonly formula: string; readonly at: number } | undefined;
  readonly contiguous: boolean;
  readonly stages: number;
  readonly over: number;
  readonly short: number;
  /** Minutes past ready, all foils together. */
  readonly past: number;
  readonly standing: readonly (Standing | undefined)[];
  readonly placed: readonly (readonly number[] | undefined)[];
  readonly actions: Chain | null;
  /** Nothing that follows can cost less. */
  readonly bound: Cost;
}
interface Chain {
  readonly action: Action;
  readonly before: Chain | null;
}

/**
 * The best order of foiling and rinsing: the simple plan, then ways kept by what they can cost at least, then branch and
 * bound over blocks to foil and sets to rinse that the wet order allows. Never worse than the simple plan; says whether the
 * answer is proved.
 */
export function searchService(blocks: readonly Block[], options: SearchOptions = {}): Found {
  const { rules = USUAL_RULES, order = null, stop = () => false, onBetter } = options;
  if (blocks.length === 0) return { actions: [], timeline: runService([], [], rules), proved: true };
  if (blocks.length > MOST_BLOCKS) throw new RangeError(`At most ${MOST_BLOCKS} blocks can be put in order at once.`);
  const tree = new Tree(blocks, order, rules);
  let best: readonly Action[] = simplePlan(blocks, order ?? blocks.map((_, i) => i), tree.under, rules);
  let bestCost = runService(blocks, best, rules).cost;
  onBetter?.(best, bestCost);
  let steps = 0;
  let stopped = false;
  const mayGoOn = () => {
    steps += 1;
    if (steps % ASK_EVERY === 0 && stop()) stopped = true;
    return !stopped;
  };
  /** Children that may still be better, the most promising first; whole services are taken as they come. */
  const promising = (label: Label): Label[] => {
    if (!mayGoOn()) return [];
    const out: Label[] = [];
    for (const child of tree.after(label)) {
      if (compareCosts(child.bound, bestCost) >= 0) continue;
      if (!tree.isWhole(child)) out.push(child);
      else {
        best = actionsOf(child);
        bestCost = child.bound;
        onBetter?.(best, bestCost);
      }
    }
    return out.sort((x, y) => compareCosts(x.bound, y.bound));
  };
  const go = (label: Label): void => {
    if (compareCosts(label.bound, bestCost) < 0) promising(label).forEach(go);
  };

  for (let level = [tree.root]; level.length > 0 && !stopped; ) level = kept(level.flatMap(promising));
  go(tree.root);
  return { actions: best, timeline: runService(blocks, best, rules), proved: !stopped };
}

/** Of labels of one length the best of each state, and the best of all. */
function kept(labels: readonly Label[]): Label[] {
  const counts = new Map<string, number>();
  return [...labels]
    .sort((x, y) => compareCosts(x.bound, y.bound))
    .filter(({ foiled, rinsed }) => {
      const key = `${foiled} ${rinsed}`;
      const count = (counts.get(key) ?? 0) + 1;
      counts.set(key, count);
      return count <= KEPT_OF_STATE;
    })
    .slice(0, KEPT_OF_LENGTH);
}

function actionsOf({ actions }: Label): Action[] {
  const out: Action[] = [];
  for (let own = actions; own !== null; own = own.before) out.unshift(own.action);
  return out;
}

/** All services of some blocks, action by action. */
class Tree {
  readonly under: readonly number[];
  readonly root: Label;
  private readonly all: number;
  private readonly foils: number;
  private readonly minutes: readonly number[];
  /** A block that stands for this one and comes before it: their order makes no difference. */
  private readonly twin: readonly number[];

  constructor(private readonly blocks: readonly Block[], private readonly order: readonly number[] | null, private readonly rules: ClockRules) {
    const n = blocks.length;
    this.under = underRunOff(blocks.map(({ touches }) => touches));
    this.all = 2 ** n - 1;
    this.foils = blocks.reduce((sum, { seconds }) => sum + seconds.length, 0);
    this.minutes = blocks.map(({ seconds }) => seconds.reduce((sum, own) => sum + own, 0) / 60);
    this.twin = blocks.map((own, i) => blocks.findIndex((other, j) => j < i && alike(own, other) && this.under[i] === this.under[j] && !nestled(this.under, i, j)));
    const none = { now: 0, foiled: 0, rinsed: 0, bowl: undefined, contiguous: false, stages: 0, over: 0, short: 0, past: 0, standing: new Array<undefined>(n).fill(undefined), placed: new Array<undefined>(n).fill(undefined), actions: null };
    this.root = { ...none, bound: this.boundOf(none) };
  }

  isWhole({ rinsed }: Label): boolean {
    return rinsed === this.all;
  }

  /** Every action that may follow. */
  after(label: Label): Label[] {
    const { foiled, rinsed } = label;
    const out: Label[] = [];
    const left = this.order ? this.order.filter((b) => !(foiled & (1 << b))).slice(0, 1) : this.blocks.map((_, b) => b).filter((b) => !(foiled & (1 << b)) && (this.twin[b] < 0 || foiled & (1 << this.twin[b])));
    for (const b of left) out.push(this.foil(label, b));
    const waiting = foiled & ~rinsed;
    for (let set = waiting; set > 0; set = (set - 1) & waiting) if (this.allowed(set, rinsed)) out.push(this.rinse(label, set));
    return out;
  }

  private allowed(set: number, rinsed: number): boolean {
    return this.under.every((under, b) => !(set & (1 << b)) || !(under & ~(rinsed | set)));
  }

  private foil(label: Label, b: number): Label {
    const block = this.blocks[b];
    const foiling = foilBlock(block, label.now, label.bowl === undefined, label.bowl, this.rules);
    const now = foiling.placed[foiling.placed.length - 1];
    return this.labelled({
      ...label, now, foiled: label.foiled | (1 << b), bowl: { formula: block.formula, at: foiling.bowlAt }, contiguous: false, placed: label.placed.with(b, foiling.placed),
      standing: label.standing.with(b, { first: foiling.placed[0], last: now }), actions: { action: { kind: 'foil', block: b }, before: label.actions },
    });
  }

  private rinse(label: Label, set: number): Label {
    const members = this.blocks.map((_, b) => b).filter((b) => set & (1 << b));
    const times = basinTimes(members, this.blocks, label.standing, label.now, label.contiguous, this.rules);
    let { over, short, past } = label;
    times.order.forEach((b, j) => {
      const wet = times.wet[j];
      over += this.overOf(label.placed[b]!, b, wet + this.rules.clearAfter);
      for (const at of label.placed[b]!) {
        const late = wet - at - this.blocks[b].readyMinutes;
        if (late < 0) short -= late;
        else past += late;
      }
    });
    return this.labelled({ ...label, now: times.to, rinsed: label.rinsed | set, stages: label.stages + 1, contiguous: true, over, short, past, actions: { action: { kind: 'rinse', blocks: members }, before: label.actions } });
  }

  private labelled(own: Omit<Label, 'bound'>): Label {
    return { ...own, bound: this.boundOf(own) };
  }

  private overOf(placed: readonly number[], b: number, clear: number): number {
    const slack = clear - this.blocks[b].limitMinutes + this.rules.margin;
    let over = 0;
    for (const at of placed) over += Math.max(0, slack - at);
    return over;
  }

  /** What the whole service costs at least: what waits cannot be clear sooner than now, and the rest takes its time. */
  private boundOf({ now, foiled, rinsed, bowl, contiguous, stages, over, short, past, placed }: Omit<Label, 'bound'>): Cost {
    const { setUp, each, clearAfter, finish, panelChange, perStage } = this.rules;
    const clear = now + (contiguous ? 0 : setUp) + clearAfter;
    let left = 0;
    let toFoil = 0;
    let sure = over;
    for (let b = 0; b < this.blocks.length; b += 1) {
      if (rinsed & (1 << b)) continue;
      left += 1;
      if (foiled & (1 << b)) sure += this.overOf(placed[b]!, b, clear);
      else toFoil += this.minutes[b] + panelChange;
    }
    // Before the first block of all there is no panel change.
    if (bowl === undefined && toFoil > 0) toFoil -= panelChange;
    const basin = left === 0 ? 0 : (contiguous && toFoil === 0 ? 0 : setUp) + left * each + finish + perStage;
    return { over: sure, short, visit: now + toFoil + basin + perStage * stages, past: past / this.foils };
  }
}

/** Blocks that can stand for each other: their order makes no difference. */
function alike(a: Block, b: Block): boolean {
  return a.formula === b.formula && a.readyMinutes === b.readyMinutes && a.limitMinutes === b.limitMinutes && a.seconds.length === b.seconds.length && a.seconds.every((own, i) => own === b.seconds[i])
    && a.touches.length === b.touches.length && a.touches.every((own) => b.touches.includes(own));
}

/** Whether one of two lies under the other's run-off. */
const nestled = (under: readonly number[], i: number, j: number): boolean => ((under[i] >> j) & 1) === 1 || ((under[j] >> i) & 1) === 1;

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
