import { Allowed, type Fixed } from './allowed';
import { Courses, type Course } from './course';
import { improved } from './neighbours';
import { runService } from './service';
import { simplePlan } from './simple';
import { compareCosts, foilsWith, strengthsOf, USUAL_RULES, type Action, type Block, type ClockRules, type Cost, type Start, type Timeline } from './types';

export interface SearchOptions {
  readonly rules?: ClockRules;
  /** What is decided already. */
  readonly fixed?: Fixed;
  /** Where the service stands; from its beginning otherwise. */
  readonly start?: Start;
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

const ASK_EVERY = 256;
/** Of each state (what is foiled, pulled and rinsed) so many ways to it are followed, and of each length so many in all: a first look, then wider ones. */
const LOOKS = [16, 60, 240, 1000].map((inAll) => ({ ofState: 4, inAll }));
/** With more than this on the head, sets are taken by their limits only, tightest first. */
const SETS_UP_TO = 9;

/** A service up to some action, and what the whole costs at least. */
interface Label {
  readonly course: Course;
  readonly actions: Chain | null;
  readonly bound: Cost;
}
interface Chain {
  readonly action: Action;
  readonly before: Chain | null;
}

/**
 * The best order of foiling, strengths, pulls and rinsing: the simple plan, then ways kept by what they can cost at least,
 * improved by small changes, then branch and bound over everything that is allowed. Never worse than the simple plan; says
 * whether the answer is proved.
 * @throws RangeError for more blocks than bits, and where what is fixed leaves no way to the end
 */
export function searchService(blocks: readonly Block[], options: SearchOptions = {}): Found {
  const { rules = USUAL_RULES, fixed = {}, start, stop = () => false, onBetter } = options;
  if (blocks.length === 0) return { actions: [], timeline: runService([], [], rules, start), proved: true };
  if (blocks.length > MOST_BLOCKS) throw new RangeError(`At most ${MOST_BLOCKS} blocks can be put in order at once.`);
  const courses = new Courses(blocks, rules);
  const begun = courses.begin(start);
  const allowed = new Allowed(blocks, rules, { ...fixed, done: begun.foiled });
  const tree = new Tree(courses, allowed, begun);
  let best: readonly Action[] = simplePlan(blocks, rules, allowed.fixed, start);
  if (!allowed.plan(best, begun)) throw new RangeError('What is fixed leaves no way to rinse everything.');
  let bestCost = runService(blocks, best, rules, start).cost;
  const take = (actions: readonly Action[], cost: Cost) => {
    best = actions;
    bestCost = cost;
    onBetter?.(actions, cost);
  };
  take(best, bestCost);
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
      if (courses.isWhole(child.course)) take(actionsOf(child), child.bound);
      else out.push(child);
    }
    return out.sort((x, y) => compareCosts(x.bound, y.bound));
  };
  const go = (label: Label): void => {
    if (compareCosts(label.bound, bestCost) < 0) promising(label).forEach(go);
  };

  for (const look of LOOKS) {
    for (let level = [tree.root]; level.length > 0 && !stopped; ) level = kept(level.flatMap(promising), look);
    improved(best, { blocks, rules, allowed, begun, start, mayGoOn }, bestCost, take);
  }
  go(tree.root);
  return { actions: best, timeline: runService(blocks, best, rules, start), proved: !stopped };
}

/** Of labels of one length the best of each state, and the best of all. */
function kept(labels: readonly Label[], { ofState, inAll }: (typeof LOOKS)[number]): Label[] {
  const counts = new Map<string, number>();
  return [...labels]
    .sort((x, y) => compareCosts(x.bound, y.bound))
    .filter(({ course: { foiled, pulled, rinsed } }) => {
      const key = `${foiled} ${pulled} ${rinsed}`;
      const count = (counts.get(key) ?? 0) + 1;
      counts.set(key, count);
      return count <= ofState;
    })
    .slice(0, inAll);
}

function actionsOf({ actions }: Label): Action[] {
  const out: Action[] = [];
  for (let own = actions; own !== null; own = own.before) out.unshift(own.action);
  return out;
}

/** All services of some blocks, action by action, each with what it costs at least. */
class Tree {
  readonly root: Label;
  private readonly blocks: readonly Block[];
  private readonly rules: ClockRules;
  private readonly minutes: readonly number[];
  /** A block that stands for this one and comes before it: their order makes no difference. */
  private readonly twin: readonly number[];

  constructor(private readonly courses: Courses, private readonly allowed: Allowed, begun: Course) {
    this.blocks = courses.blocks;
    this.rules = courses.rules;
    this.minutes = this.blocks.map(({ foils }) => foils.reduce((sum, { seconds }) => sum + seconds, 0) / 60);
    const { under, fixed } = allowed;
    const free = !fixed.order && !fixed.at && !fixed.strength;
    this.twin = this.blocks.map((own, i) => (free && !(begun.foiled & (1 << i)) ? this.blocks.findIndex((other, j) => j < i && !(begun.foiled & (1 << j)) && alike(own, other) && alikeUnder(under, i, j)) : -1));
    this.root = { course: begun, actions: null, bound: this.boundOf(begun) };
  }

  /** Every action that may follow. */
  after({ course, actions }: Label): Label[] {
    const out: Label[] = [];
    const add = (action: Action, next: Course) => out.push({ course: next, actions: { action, before: actions }, bound: this.boundOf(next) });
    this.blocks.forEach((_, b) => {
      if (this.twin[b] >= 0 && !(course.foiled & (1 << this.twin[b]))) return;
      if (!this.allowed.foil(b, course.foiled)) return;
      for (const by of this.allowed.hands) for (const strength of this.allowed.strengths(b)) add({ kind: 'foil', block: b, strength, by }, this.courses.foil(course, b, strength, by).course);
    });
    for (const set of this.sets(course)) {
      const members = this.blocks.map((_, b) => b).filter((b) => set & (1 << b));
      add({ kind: 'rinse', blocks: members }, this.courses.rinse(course, members).course);
    }
    if (this.rules.second === 'mixes') this.blocks.forEach((_, b) => this.allowed.pull(b, course) && add({ kind: 'pull', block: b }, this.courses.pull(course, b).course));
    return out;
  }

  /** Sets that may be rinsed now. */
  private sets(course: Course): number[] {
    const waiting = course.foiled & ~course.rinsed;
    const out: number[] = [];
    const own = this.blocks.map((_, b) => b).filter((b) => waiting & (1 << b));
    if (own.length <= SETS_UP_TO) {
      for (let set = waiting; set > 0; set = (set - 1) & waiting) if (this.allowed.rinse(set, course)) out.push(set);
      return out;
    }
    const due = (b: number) => course.on[b]?.firstLimit ?? Infinity;
    own.sort((a, b) => due(a) - due(b));
    own.reduce((set, b) => {
      const most = this.allowed.most(set | (1 << b), course);
      if (most !== 0 && out[out.length - 1] !== most) out.push(most);
      return set | (1 << b);
    }, 0);
    return out;
  }

  /** What the whole service costs at least: what waits cannot be clear sooner than now, and the rest takes its time. */
  private boundOf(course: Course): Cost {
    const { setUp, each, clearAfter, finish, panelChange, perStage, perStep, second, pullEach } = this.rules;
    const { foiled, rinsed, hands, pulling, contiguous, stages, steps, over, short, past } = course;
    const now = this.courses.now(course);
    let clear = Math.max(now, pulling) + (contiguous ? 0 : setUp) + clearAfter;
    if (second === 'mixes') clear = Math.min(clear, pulling + pullEach);
    let left = 0;
    let toFoil = 0;
    let sure = over;
    const panels = new Set<string>();
    for (let b = 0; b < this.blocks.length; b += 1) {
      if (rinsed & (1 << b)) continue;
      left += 1;
      const own = course.on[b];
      if (own) sure += this.courses.overAt(own, b, clear);
      else if (!(foiled & (1 << b))) {
        toFoil += this.minutes[b];
        panels.add(this.blocks[b].panel);
      }
    }
    const basin = left === 0 ? 0 : (contiguous && toFoil === 0 ? 0 : setUp) + left * each + finish + perStage;
    let until: number;
    if (second === 'foils') until = Math.max(now, (hands[0].free + hands[1].free + toFoil) / 2);
    else {
      // The first panel of all, and going on with the one in hand, need no change.
      const changes = panels.size - (panels.size > 0 && (hands[0].panel === undefined || panels.has(hands[0].panel)) ? 1 : 0);
      until = Math.max(now + toFoil + changes * panelChange, left === 0 ? pulling : 0);
    }
    return { over: sure, short, visit: until + basin + perStage * stages + perStep * steps, past: past / this.courses.foils };
  }
}

/** Blocks that can stand for each other: their order makes no difference. */
function alike(a: Block, b: Block): boolean {
  return a.foils.length === b.foils.length && a.touches.length === b.touches.length && a.touches.every((own) => b.touches.includes(own)) && strengthsOf(a) === strengthsOf(b)
    && Array.from({ length: strengthsOf(a) }, (_, i) => i).every((i) => JSON.stringify(foilsWith(a, i)) === JSON.stringify(foilsWith(b, i)))
    && !a.pulled && !b.pulled && !a.together && !b.together && !a.after && !b.after && a.panel !== b.panel;
}

/** Whether two have the same under them, and neither lies under the other. */
const alikeUnder = (under: readonly number[], i: number, j: number): boolean => under[i] === under[j] && ((under[i] >> j) & 1) === 0 && ((under[j] >> i) & 1) === 0;
