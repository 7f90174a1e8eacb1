import { Allowed, basinMinutes, Courses, MOST_BLOCKS, runService, simplePlan, type Action, type Block, type BlockFoil, type ClockRules, type Fixed, type Start, type Timeline } from '../clock';
import type { PlannedAction } from './events';
import type { ServiceScript } from './script';
import { mixesOf } from '../work';
import { MINUTE, type ServiceState, type UnitState } from './state';

const REST = '~rest';

/** The question that the clock is asked for what is left of a service. */
export interface RestQuestion {
  readonly blocks: readonly Block[];
  readonly rules: ClockRules;
  readonly fixed: Fixed;
  readonly start: Start;
}

/** Something that is still to be done, at its moment. */
export type RestStep =
  | { readonly kind: 'foil'; readonly block: string; readonly at: number }
  | { readonly kind: 'rinse'; readonly blocks: readonly string[]; readonly at: number }
  | { readonly kind: 'pull'; readonly block: string; readonly at: number };

/**
 * What is left of a service: what happened is fixed, a half-done panel is two blocks, the rest is free (or goes on in one's
 * own order). null where nothing is on the head and nothing waits.
 * Of more parts than can be searched at once it is what is on the head and what comes next.
 * @param now moment from which it is planned; what is at the basin is waited for
 */
export function restOf(script: ServiceScript, state: ServiceState, now: number): RestQuestion | null {
  const t0 = state.startedAt ?? now;
  const minutes = (at: number) => (at - t0) / MINUTE;
  const blocks: Block[] = [];
  const placed: (readonly number[] | undefined)[] = [];
  const pulled: boolean[] = [];
  const push = (block: Block, at: readonly number[] | undefined, opened: boolean) => {
    blocks.push(block);
    placed.push(at);
    pulled.push(opened);
  };
  for (const { block, units, standing } of state.blocks) {
    const { id, panel, name, touches, together, after } = block;
    const base = { panel, name, touches, together, after: after?.flatMap((other) => [other, other + REST]) };
    const foilsOf = (which: readonly UnitState[]): BlockFoil[] => which.map(({ unit, readyMinutes }) => ({ seconds: unit.seconds, mixes: mixesOf(unit), readyMinutes, limitMinutes: unit.limitMinutes }));
    const placedAt = (which: readonly UnitState[]) => which.map(({ closedAt }) => minutes(closedAt!));
    const on = units.filter((own) => own.standing === 'on');
    const opened = units.filter((own) => own.standing === 'pulled');
    const waiting = units.filter((own) => own.standing === 'waiting');
    if (standing !== 'at-basin' && on.length > 0) push({ ...base, id, foils: foilsOf(on) }, placedAt(on), false);
    else if (opened.length > 0) push({ ...base, id, foils: foilsOf(opened) }, placedAt(opened), true);
    if (waiting.length > 0) push({ ...base, id: on.length + opened.length > 0 ? id + REST : id, foils: foilsOf(waiting) }, undefined, false);
  }
  if (blocks.length === 0) return null;
  // More than can be searched at once: what is on the head, and what comes next of the rest.
  if (blocks.length > MOST_BLOCKS) {
    const order = fixedOf(script, state, blocks, placed);
    const on = blocks.map((_, b) => b).filter((b) => placed[b] !== undefined);
    const next = (order.order ?? [...Object.values(order.at ?? {}), ...blocks.map((_, b) => b)]).filter((b, i, all) => placed[b] === undefined && all.indexOf(b) === i);
    const taken = new Set([...on, ...next].slice(0, MOST_BLOCKS));
    for (const list of [blocks, placed, pulled]) list.splice(0, list.length, ...(list as unknown[]).filter((_, b) => taken.has(b)) as never[]);
  }
  const open = state.stages.find(({ doneAt }) => doneAt === null);
  const { rules } = script;
  const basin = open ? open.begunAt + basinMinutes(open.blocks.length, rules) * MINUTE : 0;
  const bowls = Object.fromEntries(state.bowls.map(({ mix, at }) => [mix, minutes(at)]));
  const lastPanel = state.blocks.find(({ block }) => block.id === state.lastBlock)?.block.panel;
  return {
    blocks, rules, fixed: fixedOf(script, state, blocks, placed),
    start: { now: minutes(Math.max(now, basin)), panel: lastPanel, bowls: state.bowls.length > 0 ? bowls : undefined, placed, strengths: blocks.map(() => 0), pulled },
  };
}

/** The block in hand goes on first; in one's own order the others follow as they were planned. */
function fixedOf(script: ServiceScript, state: ServiceState, blocks: readonly Block[], placed: readonly unknown[]): Fixed {
  const free = blocks.map((_, b) => b).filter((b) => placed[b] === undefined);
  const first = free.find((b) => ownId(blocks[b].id) === (state.next ?? state.lastBlock));
  const order = script.fixed.order;
  if (!order) return { at: first === undefined ? {} : { 0: first } };
  const rank = (b: number) => order.indexOf(script.blocks.findIndex(({ id }) => id === ownId(blocks[b].id)));
  const rest = free.filter((b) => b !== first).sort((a, b) => rank(a) - rank(b));
  return { order: first === undefined ? rest : [first, ...rest] };
}

export const ownId = (id: string): string => (id.endsWith(REST) ? id.slice(0, -REST.length) : id);

/** A plan of the rest as steps with their moments. */
export function restSteps({ blocks, rules, start }: RestQuestion, actions: readonly Action[], t0: number): RestStep[] {
  const timeline = runService(blocks, actions, rules, start);
  return stepsIn(blocks, actions, timeline).map((own) => ({ ...own, at: t0 + own.at * MINUTE }));
}

function stepsIn(blocks: readonly Block[], actions: readonly Action[], { foils, stages, pulls }: Timeline): RestStep[] {
  let stage = 0;
  return actions.map((action): RestStep => {
    if (action.kind === 'foil') return { kind: 'foil', block: ownId(blocks[action.block].id), at: foils.find((own) => own.block === action.block)!.placed - blocks[action.block].foils[0].seconds / 60 };
    if (action.kind === 'pull') return { kind: 'pull', block: ownId(blocks[action.block].id), at: pulls.find((own) => own.block === action.block)!.from };
    return { kind: 'rinse', blocks: [...new Set(action.blocks.map((b) => ownId(blocks[b].id)))], at: stages[stage++].from };
  });
}

/** The simple plan of the rest, found at once: what is shown until the search has said more. */
export function simpleRest(question: RestQuestion): Action[] {
  return simplePlan(question.blocks, question.rules, { ...question.fixed, done: doneBits(question) }, question.start);
}

const doneBits = ({ start }: RestQuestion) => start.placed.reduce((bits, own, b) => (own === undefined ? bits : bits | (1 << b)), 0);

/** A plan as it is written down when the service starts. */
export function plannedActions({ blocks }: Pick<RestQuestion, 'blocks'>, actions: readonly Action[]): PlannedAction[] {
  const id = (b: number) => ownId(blocks[b].id);
  return actions.map((action): PlannedAction => (action.kind === 'rinse' ? { kind: 'rinse', blocks: action.blocks.map(id) } : { kind: action.kind, block: id(action.block) }));
}

/** Of some blocks those that may go to the basin now without wetting what still lifts under them. */
export function mayRinseNow(script: ServiceScript, state: ServiceState, wanted: readonly string[]): string[] {
  const question = restOf(script, state, state.freeAt ?? state.startedAt ?? 0);
  if (!question) return [];
  const allowed = new Allowed(question.blocks, question.rules);
  const course = new Courses(question.blocks, question.rules).begin(question.start);
  const bits = question.blocks.reduce((set, { id }, b) => (question.start.placed[b] !== undefined && wanted.includes(ownId(id)) ? set | (1 << b) : set), 0);
  const most = allowed.most(bits, course);
  return question.blocks.flatMap(({ id }, b) => (most & (1 << b) ? [ownId(id)] : []));
}
