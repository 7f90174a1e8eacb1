import { follow, Question, type Course, type PlacedFoil } from '../clock';
import { recipeWords, STEP_HAIR_WORDS, stepName } from '../steps';
import { UNIT_WORDS, type UnitKind } from '../work';
import type { ServiceEvent } from './events';
import { placedCourse, type ScriptUnit, type ServiceScript } from './script';
import { MINUTE } from './minute';
import { levelNow, minutesOn } from './lifting';
import type { ServiceState, UnitState } from './service-state';
import { serviceState } from './state';

/** A unit as it was planned, and as it was done; minutes from the start. */
export interface UnitRecord {
  readonly id: string;
  /** Place in the plan; null for one that was added. */
  readonly number: number | null;
  readonly kind: UnitKind;
  readonly panel: string;
  readonly letter: string;
  readonly block: string;
  readonly standing: UnitState['standing'];
  readonly planned: { readonly placed: number; readonly seconds: number; readonly on: number } | null;
  readonly placed: number | null;
  readonly seconds: number | null;
  readonly by: string | null;
  /**
   * Minutes that product was on, and of them those before it was painted again: each application has its own
   * limit.
   */
  readonly on: number | null;
  readonly earlier: number;
  readonly limitMinutes: number;
  readonly why: string | null;
}

/** Whether a unit was on past its maker's limit; each application has its own. */
export const wasPastLimit = ({
  on,
  earlier,
  limitMinutes,
}: Pick<UnitRecord, 'on' | 'earlier' | 'limitMinutes'>): boolean =>
  on !== null && Math.max(earlier, on - earlier) > limitMinutes;

/** What was planned and placed of one kind in one panel with one letter. */
interface PanelLine {
  readonly panel: string;
  readonly name: string;
  readonly letter: string;
  readonly kind: UnitKind;
  readonly planned: number;
  readonly placed: number;
}

/** A step as it was planned and done. */
interface StepRecord {
  readonly id: string;
  /** With its place. */
  readonly name: string;
  /** What was weighed for it, and on what hair; null where nothing was. */
  readonly recipe: string | null;
  /** Minutes; null for a step that was added at the chair. */
  readonly planned: number | null;
  /** Minutes; null where it was not done. */
  readonly done: number | null;
  readonly skipped: boolean;
  readonly why: string | null;
}

export interface ServiceRecord {
  readonly units: readonly UnitRecord[];
  /** By panel, letter and kind, in the order of work. */
  readonly lines: readonly PanelLine[];
  /** Foils and painted sections that were placed. */
  readonly placed: number;
  readonly skipped: number;
  readonly added: number;
  /** Longest that product was on, and of how many foils past the limit, minutes. */
  readonly longest: number;
  readonly over: number;
  /** Last level that was seen in each block, and minutes after its first foil. */
  readonly levels: readonly {
    readonly block: string;
    readonly name: string;
    readonly level: number;
    readonly minutes: number;
  }[];
  /**
   * Level over all foils: seen where it was checked, else estimated from the minutes on; null without a foil
   * that lifts.
   */
  readonly levelReached: number | null;
  /** From the start to the end of the last rinse, planned and done; null where it was not. */
  readonly rinsed: { readonly planned: number | null; readonly done: number | null };
  /** Bowls that were mixed, by the letter of their formula. */
  readonly bowls: Readonly<Record<string, number>>;
  /** What followed the foils, minutes planned and done; null where it was not. */
  readonly steps: readonly StepRecord[];
  /** What was decided at the chair, a sentence each. */
  readonly decisions: readonly string[];
  readonly summary: string;
}

/** A service that was carried out: what was agreed, and what became of it. */
export interface Served {
  readonly script: ServiceScript;
  readonly record: ServiceRecord;
}

/** A service by what happened at it; null where it never began. */
export function servedBy(script: ServiceScript, events: readonly ServiceEvent[]): Served | null {
  const state = serviceState(script, events);
  return state.startedAt === null ? null : { script, record: recordOf(script, state) };
}

/** Foils and sections; drop-outs are counted apart. */
const isSection = ({ kind }: Pick<ScriptUnit, 'kind'>) => kind === 'foil' || kind === 'open-air';

/** Planned against actual, unit by unit, computed from the script and what happened. */
export function recordOf(script: ServiceScript, state: ServiceState): ServiceRecord {
  const t0 = state.startedAt ?? 0;
  const minute = (at: number) => (at - t0) / MINUTE;
  const { units: planned, end } = plannedTimes(script, state);
  const units = state.blocks.flatMap(({ block, units: states }) =>
    states.map(({ unit, added, ...one }): UnitRecord => {
      const plan = planned.get(one.id);
      return {
        id: one.id,
        number: added ? null : unit.number,
        kind: unit.kind,
        panel: unit.panel,
        letter: unit.letter,
        block: block.id,
        standing: one.standing,
        why: one.why,
        by: one.closedBy,
        seconds: one.seconds,
        limitMinutes: unit.limitMinutes,
        planned:
          plan && !added ? { placed: plan.placed, seconds: unit.seconds, on: plan.wet - plan.placed } : null,
        placed: one.closedAt === null ? null : minute(one.closedAt) - one.earlierMinutes,
        on: one.offAt === null ? null : minutesOn(one, one.offAt),
        earlier: one.earlierMinutes,
      };
    }),
  );
  const done = units.filter(({ placed }) => placed !== null);
  const over = done.filter(wasPastLimit);
  const levels = state.blocks.flatMap(({ block, checks, units: states }) => {
    const last = checks.at(-1);
    const first = Math.min(...states.flatMap(({ closedAt }) => closedAt ?? []));
    return last
      ? [
          {
            block: block.id,
            name: block.name,
            level: last.level,
            minutes: Math.round((last.at - first) / MINUTE),
          },
        ]
      : [];
  });
  const lastRinse = Math.max(-Infinity, ...state.stages.flatMap(({ doneAt }) => doneAt ?? []));
  const record = {
    units,
    lines: linesOf(script, units),
    placed: done.filter(isSection).length,
    skipped: units.filter(({ standing }) => standing === 'skipped').length,
    added: units.filter(({ number }) => number === null).length,
    longest: Math.max(0, ...done.map(({ on }) => on ?? 0)),
    over: over.length,
    levels,
    levelReached: levelOver(state),
    rinsed: { planned: end, done: lastRinse > 0 ? minute(lastRinse) : null },
    bowls: bowlsOf(state),
    steps: stepsOf(state),
    decisions: state.decisions.map(({ words }) => words),
  };
  return { ...record, summary: summaryOf(script, state, record) };
}

function linesOf({ units }: ServiceScript, done: readonly UnitRecord[]): PanelLine[] {
  const lines = new Map<
    string,
    { panel: string; name: string; letter: string; kind: UnitKind; planned: number; placed: number }
  >();
  const names = new Map(units.map(({ panel, panelName }) => [panel, panelName]));
  const line = ({ panel, letter, kind }: Pick<UnitRecord, 'panel' | 'letter' | 'kind'>) => {
    const key = `${panel} ${letter} ${kind}`;
    const own = lines.get(key) ?? {
      panel,
      name: names.get(panel) ?? panel,
      letter,
      kind,
      planned: 0,
      placed: 0,
    };
    lines.set(key, own);
    return own;
  };
  for (const unit of units) line(unit).planned += 1;
  for (const unit of done) if (unit.placed !== null) line(unit).placed += 1;
  return [...lines.values()];
}

function bowlsOf({ bowls, mixes }: ServiceState): Record<string, number> {
  const count: Record<string, number> = {};
  for (const { mix } of bowls) {
    // A bowl that several letters share is each one's.
    for (const letter of new Set(mixes[mix]?.of.map((own) => own.letter) ?? [mix]))
      count[letter] = (count[letter] ?? 0) + 1;
  }
  return count;
}

const stepsOf = ({ steps }: ServiceState): StepRecord[] =>
  steps.map(({ step, plannedMinutes, standing, begunAt, doneAt, why }) => {
    const recipe = recipeWords(step);
    return {
      id: step.id,
      name: stepName(step),
      recipe: recipe && `${recipe}, ${STEP_HAIR_WORDS[step.hair]}`,
      planned: plannedMinutes,
      done: begunAt !== null && doneAt !== null ? (doneAt - begunAt) / MINUTE : null,
      skipped: standing === 'skipped',
      why,
    };
  });

/** Minutes that the plan had for each unit when the service started. */
function plannedTimes(
  script: ServiceScript,
  { plan }: ServiceState,
): { units: ReadonlyMap<string, PlacedFoil>; end: number | null } {
  const { blocks, rules } = script;
  if (script.units.length === 0) return { units: new Map(), end: null };
  const course = plan.length > 0 ? courseOfActions(script, plan) : placedCourse(script.course, blocks);
  const timeline = follow(new Question(blocks, rules), course).timeline();
  return {
    units: new Map(timeline.foils.map((foil) => [blocks[foil.block].units[foil.index], foil])),
    end: timeline.end,
  };
}

/**
 * What an older service wrote down when it began, as a course: its order, and a rinse after so many foils.
 */
function courseOfActions(script: ServiceScript, plan: ServiceState['plan']): Course {
  const at = new Map(script.blocks.map(({ id }, b) => [id, b]));
  const places = (ids: readonly string[]) => ids.flatMap((id) => at.get(id) ?? []);
  const order = places(
    plan.flatMap((plannedAction) => (plannedAction.kind === 'foil' ? [plannedAction.block] : [])),
  );
  const rinses: Course['rinses'][number][] = [];
  let after = 0;
  for (const plannedAction of plan) {
    if (plannedAction.kind === 'foil')
      for (const b of places([plannedAction.block])) after += script.blocks[b].foils.length;
    else if (plannedAction.kind === 'rinse')
      rinses.push({ after, blocks: places(plannedAction.blocks), parts: null, whole: false });
  }
  return {
    order,
    rinses: rinses.slice(0, -1),
    pulling: plan.some(({ kind }) => kind === 'pull') ? 'second' : 'none',
    by: [],
    strengths: [],
  };
}

/**
 * Level over everything that lifts: seen where foils of its mix and block were checked, else estimated by the
 * minutes on.
 */
function levelOver(state: ServiceState): number | null {
  const levels = state.blocks.flatMap(({ checks, units: states }) => {
    const letterOf = new Map(states.map(({ id, unit }) => [id, unit.letter]));
    return states.flatMap((one) => {
      const estimated = one.offAt === null ? null : levelNow(one, state, one.offAt);
      if (estimated === null) return [];
      const seen = checks.findLast(({ foil }) => letterOf.get(foil) === one.unit.letter)?.level;
      return [seen ?? estimated];
    });
  });
  return levels.length === 0 ? null : levels.reduce((sum, level) => sum + level, 0) / levels.length;
}

/** `9 foils A` where all were placed, else `8 of 9 foils A`. */
function lineWords({ letter, kind, planned, placed }: PanelLine): string {
  const [one, many] = UNIT_WORDS[kind];
  return `${placed === planned ? placed : `${placed} of ${planned}`} ${planned === 1 && placed <= 1 ? one : many} ${letter}`;
}

function summaryOf(
  script: ServiceScript,
  state: ServiceState,
  {
    placed,
    lines,
    skipped,
    added,
    longest,
    over,
    levels,
    rinsed,
    steps,
  }: Omit<ServiceRecord, 'summary' | 'units'>,
): string {
  const sections = script.units.filter(isSection).length;
  const panels = script.plan.panels.flatMap(({ id, name }) => {
    const own = lines.filter((line) => line.panel === id && line.placed > 0);
    return own.length > 0 ? [`${name}: ${own.map(lineWords).join(', ')}.`] : [];
  });
  const incidents = state.stages.flatMap(({ incident }) =>
    incident ? [`Rinsed all at once: ${incident}`] : [],
  );
  const done = steps.flatMap(({ name, recipe, done: minutes, planned }) =>
    minutes === null
      ? []
      : [{ words: `${name}${planned === null ? ' (added)' : ''} ${Math.round(minutes)} min`, recipe }],
  );
  const plain = done.filter(({ recipe }) => recipe === null).map(({ words }) => words);
  const left = steps.flatMap(({ name, skipped: own, why }) =>
    own ? [`${name} skipped${why ? `: ${why}` : ''}`] : [],
  );
  return [
    script.units.length === 0 && added === 0
      ? 'No foils.'
      : `${placed} foils placed of ${sections} planned${skipped > 0 ? `, ${skipped} skipped` : ''}${added > 0 ? `, ${added} added` : ''}.`,
    ...panels,
    ...Object.entries(state.mixes).map(([mix, { words }]) => `${mix}: ${words}.`),
    ...(lines.some((line) => line.placed > 0)
      ? [
          `Longest on ${Math.round(longest)} min${over > 0 ? `; ${over} past the limit` : ''}${rinsed.done !== null ? `; rinsed after ${Math.round(rinsed.done)} min` : ''}.`,
        ]
      : []),
    ...levels.map(
      ({ name, level, minutes }) =>
        `${name}: level ${Math.round(level * 10) / 10} seen after ${minutes} min.`,
    ),
    ...done.flatMap(({ words, recipe }) => (recipe === null ? [] : [`${words}: ${recipe}.`])),
    ...(plain.length > 0 ? [`${plain.join(', ')}.`] : []),
    ...[...left, ...state.decisions.map(({ words }) => words), ...incidents].map((own) => `${own}.`),
    ...(state.endedBecause === null ? [] : [`Ended early: ${state.endedBecause}.`]),
    ...state.notes.map(({ words }) => `${words}.`),
  ]
    .join('\n')
    .replace(/\.\.(?=\n|$)/g, '.');
}
