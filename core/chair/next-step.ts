import { OLD_BOWL_MINUTES } from '../bowl';
import type { EventBody } from './events';
import type { RestStep } from './rest';
import type { ServiceScript } from './script';
import { stepTurn, wrongHair, type StepState } from './steps';
import { MINUTE } from './minute';
import type { BlockState, ServiceState, UnitState } from './service-state';

/** The one thing that is to be done now. */
export type NextStep =
  | { readonly kind: 'start' }
  | { readonly kind: 'bowl'; readonly mix: string; readonly why: 'first' | 'spent' | 'changed' }
  /** `turned`: its letter is another than that of the unit before. */
  | {
      readonly kind: 'foil';
      readonly foil: string;
      readonly own: UnitState;
      readonly block: BlockState;
      readonly place: number;
      readonly turned: { readonly from: string } | null;
    }
  /** Nothing to foil: until something is ready. */
  | {
      readonly kind: 'wait';
      readonly blocks: readonly string[];
      readonly until: number;
      readonly then: 'pull' | 'again' | 'rinse';
    }
  | { readonly kind: 'rinse'; readonly blocks: readonly string[]; readonly units: readonly string[] }
  /** Foils to open and wipe, oldest first; `by` 1: the second person. */
  | {
      readonly kind: 'pull';
      readonly units: readonly UnitState[];
      readonly blocks: readonly string[];
      readonly by: number;
    }
  /** Foils to open, wipe and paint again with a mix, oldest first; `by` 1: the second person. */
  | {
      readonly kind: 'again';
      readonly units: readonly UnitState[];
      readonly blocks: readonly string[];
      readonly mix: string;
      readonly words: string;
      readonly by: number;
    }
  | { readonly kind: 'at-basin'; readonly blocks: readonly string[]; readonly begunAt: number }
  /** `on`: what runs beside it. `wrong`: why the hair does not suit, a sentence; null where it does. */
  | {
      readonly kind: 'step-begin';
      readonly own: StepState;
      readonly on: readonly StepState[];
      readonly wrong: string | null;
    }
  | { readonly kind: 'step-done'; readonly own: StepState; readonly on: readonly StepState[] }
  /** Colours are on; `own` is put on at `at`, so that all are done together. */
  | {
      readonly kind: 'step-until';
      readonly own: StepState;
      readonly at: number;
      readonly on: readonly StepState[];
    }
  | { readonly kind: 'finish' }
  | { readonly kind: 'finished' };

/** A rinse that is due within this is begun, minutes. */
const SOON = 0.5;

/**
 * What is to be done now, by the plan of the rest.
 * @param rest the plan of the rest, [] where nothing is left on the head
 */
export function nextStep(
  script: ServiceScript,
  state: ServiceState,
  rest: readonly RestStep[],
  now: number,
): NextStep {
  if (state.finishedAt !== null) return { kind: 'finished' };
  if (state.startedAt === null) return { kind: 'start' };
  const open = state.stages.find(({ doneAt }) => doneAt === null);
  if (open) return { kind: 'at-basin', blocks: open.blocks, begunAt: open.begunAt };
  const [first] = rest;
  if (first?.kind === 'foil') {
    const block = state.blocks.find((blockState) => blockState.block.id === first.block);
    if (block) return foilStep(script, state, block, now);
  }
  if (first?.kind === 'pull' || first?.kind === 'again') {
    const units = state.blocks
      .flatMap((block) => block.units)
      .filter(({ id }) => first.units.includes(id))
      .sort((a, b) => a.closedAt! - b.closedAt!);
    const blocks = state.blocks
      .filter((block) => block.units.some(({ id }) => first.units.includes(id)))
      .map(({ block }) => block.id);
    if (first.at > now + SOON * MINUTE) return { kind: 'wait', blocks, until: first.at, then: first.kind };
    if (first.kind === 'pull') return { kind: 'pull', units, blocks, by: first.by };
    const { mix, words } = units[0].unit.again!;
    return (
      freshBowl({ script, state, mix, now, old: false }) ?? {
        kind: 'again',
        units: units.filter(({ unit }) => unit.again?.mix === mix),
        blocks,
        mix,
        words,
        by: first.by,
      }
    );
  }
  if (first?.kind === 'rinse')
    return first.at > now + SOON * MINUTE
      ? { kind: 'wait', blocks: first.blocks, until: first.at, then: 'rinse' }
      : { kind: 'rinse', blocks: first.blocks, units: first.units };
  return afterFoils(state, now);
}

const isWaiting = ({ standing }: { readonly standing: string }) => standing === 'waiting';

/**
 * The bowl that has to be mixed before something is painted with a mix; null where there is one.
 * @param old whether one past its useful time will do
 */
function freshBowl({
  script: { rules },
  state: { bowls },
  mix,
  now,
  old,
}: {
  readonly script: ServiceScript;
  readonly state: ServiceState;
  readonly mix: string;
  readonly now: number;
  readonly old: boolean;
}): NextStep | null {
  const bowl = bowls.findLast((one) => one.mix === mix);
  // The bowls that a service starts with are at hand.
  if (!bowl) return bowls.length > 0 ? { kind: 'bowl', mix, why: 'first' } : null;
  if (bowl.spent) return { kind: 'bowl', mix, why: 'changed' };
  const useful = rules.usefulMinutes + (old ? OLD_BOWL_MINUTES : 0);
  return now - bowl.at >= useful * MINUTE ? { kind: 'bowl', mix, why: 'spent' } : null;
}

function foilStep(script: ServiceScript, state: ServiceState, block: BlockState, now: number): NextStep {
  const { blocks } = state;
  const place = block.units.findIndex(isWaiting);
  const unitState = block.units[place];
  for (const mix of unitState.unit.mixes) {
    const bowl = freshBowl({
      script,
      state,
      mix,
      now,
      old: unitState.unit.fromOld,
    });
    if (bowl) return bowl;
  }
  const before = blocks
    .flatMap(({ units }) => units)
    .reduce<UnitState | null>(
      (last, one) => (one.closedAt !== null && (last === null || one.closedAt > last.closedAt!) ? one : last),
      null,
    );
  const turned =
    before !== null && before.unit.letter !== unitState.unit.letter ? { from: before.unit.letter } : null;
  return { kind: 'foil', foil: unitState.id, own: unitState, block, place, turned };
}

/** Steps once the foils are out. */
function afterFoils(state: ServiceState, now: number): NextStep {
  const turn = stepTurn(state.steps, now);
  if (!turn) return { kind: 'finish' };
  const { own, on } = turn;
  if (turn.kind === 'until') return { kind: 'step-until', own, at: turn.at, on };
  if (turn.kind === 'done') return { kind: 'step-done', own, on };
  return { kind: 'step-begin', own, on, wrong: wrongHair(own.step, state) };
}

/** Why what was planned to be painted again is. */
const AS_PLANNED = 'as planned';

/** A step that a hand does: all but waiting. */
type DoneStep = Exclude<NextStep, { readonly kind: 'wait' | 'step-until' | 'finished' }>;

/**
 * What is said once a step is done; null where there is only to wait.
 * @param foils of those that are opened or painted again the first, or all that are called
 */
export function stepBody(step: DoneStep, foils?: 'first' | 'all'): EventBody;
export function stepBody(step: NextStep, foils?: 'first' | 'all'): EventBody | null;
export function stepBody(step: NextStep, foils: 'first' | 'all' = 'first'): EventBody | null {
  const idsOf = (units: readonly UnitState[]) =>
    (foils === 'all' ? units : units.slice(0, 1)).map(({ id }) => id);
  switch (step.kind) {
    case 'start':
      return { kind: 'started' };
    case 'foil':
      return { kind: 'closed', foil: step.foil };
    case 'bowl':
      return { kind: 'bowl', mix: step.mix };
    case 'rinse':
      return { kind: 'rinse-begun', blocks: step.blocks, foils: step.units, incident: null };
    case 'pull':
      return { kind: 'pulled', foils: idsOf(step.units), reason: null };
    case 'again':
      return { kind: 'reapplied', foils: idsOf(step.units), reason: AS_PLANNED };
    case 'at-basin':
      return { kind: 'rinse-done' };
    case 'step-begin':
      return { kind: 'step-begun', step: step.own.step.id };
    case 'step-done':
      return { kind: 'step-done', step: step.own.step.id };
    case 'finish':
      return { kind: 'finished' };
    case 'wait':
    case 'step-until':
    case 'finished':
      return null;
  }
}
