import {
  basinMinutes,
  compareCosts,
  follow,
  Head,
  Question,
  Search,
  wetPartOf,
  type Block,
  type ClockRules,
  type Course,
  type Start,
  type Timeline,
} from '../clock';
import { OLD_BOWL_MINUTES } from '../bowl';
import { PAINTED_AGAIN_MINUTES } from '../work';
import { namedCourse, placedCourse, type ScriptCourse, type ServiceScript } from './script';
import { MINUTE } from './minute';
import type { ServiceState, UnitState } from './service-state';

/** What is left of a service: what happened is fixed, the running plan goes on. */
export interface RestQuestion {
  readonly blocks: readonly Block[];
  /** Ids of the units of each block, in its order. */
  readonly units: readonly (readonly string[])[];
  readonly rules: ClockRules;
  readonly course: Course;
  /** Visits to the basin that are left, the last one among them. */
  readonly visits: number;
  readonly start: Start;
}

/** Something that is still to be done, at its moment; units and blocks by their ids. */
export type RestStep =
  | { readonly kind: 'foil'; readonly block: string; readonly at: number }
  | {
      readonly kind: 'pull' | 'again';
      readonly units: readonly string[];
      readonly by: number;
      readonly at: number;
    }
  | {
      readonly kind: 'rinse';
      readonly blocks: readonly string[];
      readonly units: readonly string[];
      readonly at: number;
    };

/**
 * What is left of a service. The block in hand goes on first; the others follow in the order of the running
 * plan, and its
 * rinses fall where they fell. null where nothing is on the head and nothing waits.
 * @param now moment from which it is planned; what is at the basin is waited for
 */
export function restOf(script: ServiceScript, state: ServiceState, now: number): RestQuestion | null {
  const t0 = state.startedAt ?? now;
  const minutes = (at: number) => (at - t0) / MINUTE;
  const { rules } = script;
  const counts = ({ standing }: UnitState) =>
    standing === 'on' || standing === 'pulled' || standing === 'waiting';
  const left = state.blocks.flatMap((block) => {
    const units = block.units.filter(counts);
    return units.length > 0 ? [{ own: block, units }] : [];
  });
  if (left.length === 0) return null;
  const course = placedCourse(
    runningCourse(script, state),
    left.map(({ own }) => own.block),
  );
  const inHand = left.findIndex(
    ({ own, units }) =>
      own.block.id === (state.next ?? state.lastBlock) &&
      units.some(({ standing }) => standing === 'waiting'),
  );
  const rinses = course.rinses.slice(state.stages.length);
  const open = state.stages.find(({ doneAt }) => doneAt === null);
  const basin = open ? open.begunAt + basinMinutes(open.blocks.length, rules) * MINUTE : 0;
  const bowls = Object.fromEntries(
    state.bowls.flatMap(({ mix, at, spent }) => (spent ? [] : [[mix, minutes(at)] as const])),
  );
  return {
    blocks: left.map(({ own: { block }, units }): Block => ({
      id: block.id,
      panel: block.panel,
      name: block.name,
      ...(block.together !== undefined && { together: block.together }),
      ...(block.apart !== undefined && { apart: block.apart }),
      ...(block.after && { after: block.after }),
      foils: units.map(({ unit, readyMinutes, expected, again }) => ({
        seconds: unit.seconds,
        mixes: unit.mixes,
        readyMinutes: again?.readyMinutes ?? readyMinutes,
        limitMinutes: unit.limitMinutes,
        expected,
        part: wetPartOf(unit.zone),
        ...(unit.fromOld && { oldBowlMinutes: OLD_BOWL_MINUTES }),
        ...(again &&
          unit.again && {
            again: {
              afterMinutes: unit.again.afterMinutes,
              limitMinutes: unit.limitMinutes,
              minutes: PAINTED_AGAIN_MINUTES,
              mixes: [unit.again.mix],
            },
          }),
      })),
    })),
    units: left.map(({ units }) => units.map(({ id }) => id)),
    rules,
    course: {
      ...course,
      order: inHand < 0 ? course.order : [inHand, ...course.order.filter((b) => b !== inHand)],
      rinses,
    },
    visits: rinses.length + 1,
    start: {
      now: minutes(Math.max(now, basin)),
      panel: state.blocks.find(({ block }) => block.id === state.lastBlock)?.block.panel,
      bowls: state.bowls.length > 0 ? bowls : undefined,
      placed: left.map(({ units }) =>
        units.map(({ standing, closedAt }) => (standing === 'waiting' ? null : minutes(closedAt!))),
      ),
      pulled: left.map(({ units }) => units.map(({ standing }) => standing === 'pulled')),
      round: state.round ?? undefined,
      gone: state.blocks.reduce((sum, block) => sum + block.units.filter((unit) => !counts(unit)).length, 0),
    },
  };
}

/** The course that a service goes on by: what somebody took last, else that of its script. */
export const runningCourse = (script: ServiceScript, state: ServiceState): ScriptCourse =>
  state.course ?? script.course;

/** The rest as it goes on by its course. */
export function restTimeline({ blocks, rules, course, start }: RestQuestion): Timeline {
  return follow(new Question(blocks, rules), course, start).timeline();
}

/** A timeline of the rest as steps with their moments. @param t0 when the service began */
export function restSteps(
  { blocks, units }: RestQuestion,
  { runs, pulls, stages }: Timeline,
  t0: number,
): RestStep[] {
  const unit = ({ block, index }: { readonly block: number; readonly index: number }) => units[block][index];
  const at = (minutes: number) => t0 + minutes * MINUTE;
  return [
    ...runs.map(({ block, from }): RestStep => ({ kind: 'foil', block: blocks[block].id, at: at(from) })),
    ...pulls.map(({ foils, by, from, paintedAgain }): RestStep => ({
      kind: paintedAgain ? 'again' : 'pull',
      units: foils.map(unit),
      by,
      at: at(from),
    })),
    ...stages.map(({ blocks: set, foils, from }): RestStep => ({
      kind: 'rinse',
      blocks: set.map((b) => blocks[b].id),
      units: foils.map(unit),
      at: at(from),
    })),
  ].sort((a, b) => a.at - b.at);
}

/** A running plan is kept unless another saves more than this, minutes, or a limit is at stake. */
const WORTH_CHANGING = 3;

/**
 * Another course for the rest that is worth changing to, and what it saves; null where the running one is as
 * good.
 */
export function betterRest(
  question: RestQuestion,
): { readonly course: ScriptCourse; readonly saves: number } | null {
  const { blocks, rules, course, visits, start } = question;
  if (rules.second === 'foils') return null;
  const running = follow(new Question(blocks, rules), course, start);
  const search = new Search(
    blocks,
    rules,
    course.order.length > 0 ? { at: { 0: course.order[0] } } : {},
    start,
  );
  const found = search.find({ visits, pulling: course.pulling, order: 'free' });
  const saves = running.free - found.head.free;
  const safer = found.head.over < running.over - 1;
  if (compareCosts(found.head.cost, running.cost) >= 0 || (!safer && saves <= WORTH_CHANGING)) return null;
  return { course: namedCourse(found.course, blocks), saves };
}

/**
 * Of some blocks what may go to the basin now without wetting what still lifts under it: blocks, and their
 * units.
 */
export function mayRinseNow(
  script: ServiceScript,
  state: ServiceState,
  wanted: readonly string[],
): { readonly blocks: readonly string[]; readonly units: readonly string[] } {
  const question = restOf(script, state, state.freeAt ?? state.startedAt ?? 0);
  if (!question) return { blocks: [], units: [] };
  const { blocks, units, rules, start } = question;
  const own = new Question(blocks, rules);
  const foils = new Head(own, start).mayRinse(
    own.block.flatMap((b, f) => (wanted.includes(blocks[b].id) ? [f] : [])),
  );
  return {
    blocks: [...new Set(foils.map((f) => blocks[own.block[f]].id))],
    units: foils.map((f) => units[own.block[f]][own.index[f]]),
  };
}
