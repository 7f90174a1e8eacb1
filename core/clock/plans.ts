import { capital, keysOf } from '../units';
import { Search, type Fixed, type Wanted } from './search';
import {
  comesEarly,
  minutesPast,
  mixesOf,
  NEAR,
  type Block,
  type ClockRules,
  type Course,
  type Frame,
  type SecondPerson,
  type Timeline,
} from './types';

/** The clock's question: what there is to do, by which rules, within what frame. */
export interface ClockQuestion {
  readonly blocks: readonly Block[];
  readonly rules: ClockRules;
  readonly frame: Frame;
  readonly fixed: Fixed;
  /** Whether plans may take other strengths of the house. */
  readonly strengths: boolean;
  /** Key of the plan that was chosen; null for the one that is proposed. */
  readonly chosen: string | null;
}

/** What plans are compared by. Minutes. */
export interface Figures {
  readonly end: number;
  readonly basinVisits: number;
  /** Foils that are opened and wiped before they are rinsed. */
  readonly pulled: number;
  /** Longest that a foil stays past its maker's limit, and all foils together. */
  readonly worstOver: number;
  readonly foilMinutesOver: number;
  /** Foils that come off before they are ready. */
  readonly short: number;
  /** Foils with another strength than was chosen. */
  readonly strengthsChanged: number;
  /** Minutes in which the colourist's own hands are free. */
  readonly handsFree: number;
}

/** A plan with its figures, and how far it may be from the best of its kind. */
export interface ClockPlanned {
  readonly key: string;
  /** What it does, in words. */
  readonly name: string;
  readonly course: Course;
  readonly timeline: Timeline;
  readonly figures: Figures;
  /** Minutes that the best plan of its kind could be shorter, at most. */
  readonly gapMinutes: number;
  /** Whom it takes: more hands than the frame has make it no proposal. */
  readonly second: SecondPerson;
}

/** At most so many plans are shown. */
const MOST_PLANS = 5;

/** Less than this is no difference between plans, minutes. */
const ALIKE = 1;
/** A few foils pulled more or fewer are no difference either. */
const ALIKE_PULLED = 10;
/** A visit to the basin, and another order than the pattern's, have to save so much, minutes. */
const PER_VISIT = 3;
const PER_CHANGE = 10;

function figuresOf({ foils, stages, strengths, end, idle }: Timeline): Figures {
  const over = foils.map(minutesPast);
  return {
    end,
    basinVisits: stages.length,
    pulled: foils.filter(({ pulled }) => pulled).length,
    worstOver: small(Math.max(0, ...over)),
    foilMinutesOver: small(over.reduce((sum, value) => sum + value, 0)),
    short: foils.filter((foil) => !foil.expected || comesEarly(foil)).length,
    strengthsChanged: foils.filter(({ block }) => strengths[block] > 0).length,
    handsFree: idle,
  };
}

const small = (value: number) => (value < 1e-6 ? 0 : value);

/**
 * The plans that nobody would dominate, at most five, the one to follow first: the chosen one, else the one
 * that is proposed,
 * with nothing past a limit and within the frame. Each is named by what it does. Always at least one,
 * whatever is asked.
 */
export function plansOf(question: ClockQuestion): readonly ClockPlanned[] {
  const every = kindsOf(question).map(planner(question));
  const proposed = proposedOf(
    every.filter((clockPlanned) => isProposable(clockPlanned, question)),
    question,
  );
  const chosen = every.find(({ key }) => key === question.chosen);
  const first = chosen && mayBeFollowed(chosen) ? chosen : proposed;
  // What comes to the same under several keys is one plan; what is followed, and what is proposed, stay.
  const all = [first, proposed, ...every].filter(
    (clockPlanned, i, list) => list.findIndex((other) => alike(other, clockPlanned)) === i,
  );
  const kept = all.filter(
    (clockPlanned) =>
      clockPlanned === first ||
      clockPlanned === proposed ||
      !all.some((other) => other !== clockPlanned && dominates(other, clockPlanned, all)),
  );
  const rest = kept
    .filter((clockPlanned) => clockPlanned !== first)
    .sort((a, b) => rank(a, question) - rank(b, question));
  // One that knowingly goes past a limit stays in sight: it is what such heads get where nobody counts.
  const shown = rest.slice(0, MOST_PLANS - 1);
  const past = rest.find(({ figures }) => figures.worstOver > 0);
  if (past && !shown.includes(past)) shown[shown.length - 1] = past;
  return named([first, ...shown], question);
}

/** The plan that is followed, without the others: the first of `plansOf`. */
export function planFollowed(question: ClockQuestion): ClockPlanned {
  const planOf = planner(question);
  const kinds = kindsOf(question);
  const asked = kinds.find(({ key }) => key === question.chosen);
  const chosen = asked && planOf(asked);
  const first =
    chosen && mayBeFollowed(chosen)
      ? chosen
      : proposedOf(kinds.filter((kind) => isProposable(kind, question)).map(planOf), question);
  return named([first], question)[0];
}

/** Other strengths have to be put into the mix before a plan with them is followed. */
const mayBeFollowed = ({ figures }: ClockPlanned) => figures.strengthsChanged === 0;

/**
 * A plan is proposed only with the hands that there are and the strengths that are mixed; what goes past a
 * limit has to be asked for.
 */
const isProposable = ({ key, second }: Pick<Kind, 'key' | 'second'>, { rules }: ClockQuestion) =>
  second === rules.second && key !== STRENGTHS && !goesPast(key);

/** Key of a plan that lets foils stay on past their limits. */
export const goesPast = (key: string | null): boolean => key?.startsWith(PAST) ?? false;
const PAST = 'past-';
const STRENGTHS = 'strengths';

const proposedOf = (all: readonly ClockPlanned[], question: ClockQuestion) =>
  all.reduce((best, clockPlanned) =>
    rank(clockPlanned, question) < rank(best, question) ? clockPlanned : best,
  );

interface Kind {
  readonly key: string;
  readonly wanted: Wanted;
  readonly second: SecondPerson;
}

/** Every kind of plan within the frame. */
function kindsOf({ blocks, rules, frame, strengths }: ClockQuestion): Kind[] {
  const pulling = rules.second === 'pulls' ? 'second' : 'own';
  const { backFirst } = frame;
  const most = backFirst ? 2 : (frame.visits ?? MOST_VISITS);
  const out: Kind[] = [];
  const add = (key: string, wanted: Partial<Wanted>, second: SecondPerson = rules.second) =>
    out.push({ key, wanted: { visits: most, pulling, order: 'own', backFirst, ...wanted }, second });
  if (!backFirst) for (let visits = 1; visits <= most; visits += 1) add(`rinses-${visits}`, { visits });
  if (most > 1) add('back-first', { visits: 2, backFirst: true });
  if (!backFirst && blocks.length > 1) add('order', { order: 'free' });
  for (let visits = backFirst ? 2 : 1; visits <= Math.min(2, most); visits += 1)
    add(`${PAST}${visits}`, { visits, pulling: 'none' });
  if (strengths) add(STRENGTHS, { strengths: true });
  if (rules.second === 'none') add('second', { visits: backFirst ? 2 : 1, pulling: 'second' }, 'pulls');
  return out;
}

/** More visits than these are no help to anybody. */
const MOST_VISITS = 3;

/** Works out kinds of plans, those with the same hands by one search. */
function planner({ blocks, rules, fixed }: ClockQuestion): (kind: Kind) => ClockPlanned {
  const searches = new Map<SecondPerson, Search>();
  return ({ key, wanted, second }) => {
    const search = searches.get(second) ?? new Search(blocks, { ...rules, second }, fixed);
    searches.set(second, search);
    const { course, head, gapMinutes } = search.find(wanted);
    const timeline = head.timeline();
    return { key, name: '', course, timeline, figures: figuresOf(timeline), gapMinutes, second };
  };
}

/** The same plan under another key. */
const alike = (a: ClockPlanned, b: ClockPlanned) =>
  same(a.figures, b.figures) && a.second === b.second && a.course.order.join() === b.course.order.join();

const same = (a: Figures, b: Figures) => keysOf(a).every((key) => Math.abs(a[key] - b[key]) < NEAR);

/**
 * Less is proposed first: nothing past a limit, no hands that are not there, and then what is done soonest.
 */
function rank({ figures, course, second }: ClockPlanned, { rules }: ClockQuestion): number {
  const moved = isMoved(course) ? PER_CHANGE : 0;
  const over = figures.worstOver > 0 ? 1e6 + figures.foilMinutesOver : 0;
  const shortOf = figures.short * 1e3;
  const hands = second === rules.second ? 0 : 1e5;
  // Other strengths have to be mixed first.
  const mixed = figures.strengthsChanged > 0 ? 5e4 : 0;
  return over + hands + mixed + shortOf + figures.end + PER_VISIT * figures.basinVisits + moved;
}

const isMoved = ({ order }: Course) => order.some((b, i) => b !== i);

/** Whether a plan is as good in everything that plans are chosen by, and better in something. */
function dominates(a: ClockPlanned, b: ClockPlanned, all: readonly ClockPlanned[]): boolean {
  const figures = ({ figures: own, course, second }: ClockPlanned) => [
    // Another order than the pattern's has to save enough to be worth it.
    (own.end + (isMoved(course) ? PER_CHANGE : 0)) / ALIKE,
    own.basinVisits,
    own.worstOver / ALIKE,
    own.pulled / ALIKE_PULLED,
    own.short,
    own.strengthsChanged,
    second === 'none' ? 0 : 1,
  ];
  const [mine, yours] = [figures(a), figures(b)];
  const asGood = mine.every((value, i) => value <= yours[i] + 0.5);
  const better = mine.some((value, i) => value < yours[i] - 0.5);
  return asGood && (better || all.indexOf(a) < all.indexOf(b));
}

/** Plans with names that tell them apart. */
function named(plans: readonly ClockPlanned[], question: ClockQuestion): ClockPlanned[] {
  const names = plans.map((plan) => nameOf(plan, question));
  return plans.map((plan, i) => {
    const alike = names.filter((name) => name === names[i]).length > 1;
    return { ...plan, name: alike ? `${names[i]} (${Math.round(plan.figures.end)} min)` : names[i] };
  });
}

function nameOf(
  { course, timeline, figures, second }: ClockPlanned,
  { blocks, rules }: ClockQuestion,
): string {
  const { stages, pulls } = timeline;
  const pulled = figures.pulled > 0;
  const words: string[] = [];
  if (isMoved(course)) words.push(`${blocks[course.order[0]].name} foiled first`);
  const changed = blocks.flatMap((block, b) =>
    timeline.strengths[b] > 0
      ? [{ name: block.name, mix: mixesOf(block, timeline.strengths[b]).join(', ') }]
      : [],
  );
  if (changed.length > 0) words.push(changed.map(({ name, mix }) => `${name} with ${mix}`).join(', '));
  const [first] = pulls.filter(({ by }) => by === 1);
  if (second !== rules.second && second === 'pulls' && first)
    words.push(`With a second person from minute ${Math.round(first.from)}`);
  else if (stages.length <= 1)
    words.push(
      pulled
        ? 'Pull as they are ready, one rinse'
        : figures.worstOver > 0
          ? 'One rinse at the end'
          : 'One rinse',
    );
  else {
    const [point] = course.rinses;
    const first = point?.parts ? 'Back' : stages[0].blocks.map((b) => blocks[b].name).join(', ');
    words.push(
      stages.length === 2 ? `${first} first, then the rest` : `${stages.length} rinses, ${first} first`,
    );
  }
  const sentence = words
    .map((word, i) => (i === 0 ? word : word[0].toLowerCase() + word.slice(1)))
    .join(': ');
  return figures.worstOver > 0
    ? `${sentence}: first foil ${Math.ceil(figures.worstOver)} min past the limit`
    : sentence;
}

/** What changes from one plan's figures to another's, in words. */
export function changesBetween(from: Figures, to: Figures): string {
  const parts = [
    said(to.end - from.end, (by) => `rinsed ${by} min ${to.end > from.end ? 'later' : 'sooner'}`),
    said(
      to.basinVisits - from.basinVisits,
      (by) =>
        `${by} ${by === 1 ? 'visit' : 'visits'} to the basin ${to.basinVisits > from.basinVisits ? 'more' : 'fewer'}`,
    ),
    said(to.pulled - from.pulled, (by) => `${by} ${to.pulled > from.pulled ? 'more' : 'fewer'} pulled`),
    said(
      to.worstOver - from.worstOver,
      (by) => `${by} min ${to.worstOver > from.worstOver ? 'longer' : 'less'} past the limit`,
    ),
    said(to.short - from.short, (by) => `${by} ${to.short > from.short ? 'more' : 'fewer'} short of ready`),
    said(
      to.handsFree - from.handsFree,
      (by) => `${by} min ${to.handsFree > from.handsFree ? 'more' : 'less'} with hands free`,
    ),
  ].filter((own) => own !== null);
  if (parts.length === 0) return 'Nothing changes.';
  const sentence = parts.join(', ');
  return `${capital(sentence)}.`;
}

function said(by: number, words: (by: number) => string): string | null {
  const whole = Math.round(Math.abs(by));
  return whole === 0 ? null : words(whole);
}

/** The question with so many foils fewer, taken evenly out of all of them. */
export function fewerFoils(question: ClockQuestion, fewer: number): ClockQuestion {
  const total = question.blocks.reduce((sum, { foils }) => sum + foils.length, 0);
  const leave = Math.max(0, total - fewer);
  let seen = 0;
  // Of foils seen so far, a share of leave/total stays.
  const stays = question.blocks.map(({ foils }) =>
    foils.map(() => {
      seen += 1;
      return Math.floor((seen * leave) / total) > Math.floor(((seen - 1) * leave) / total);
    }),
  );
  const thinned = <T>(list: readonly T[], b: number) => list.filter((_, i) => stays[b][i]);
  return {
    ...question,
    blocks: question.blocks.map((block, b) => ({
      ...block,
      foils: thinned(block.foils, b),
      ...(block.others && {
        others: block.others.map((strength) => ({ ...strength, foils: thinned(strength.foils, b) })),
      }),
    })),
  };
}
