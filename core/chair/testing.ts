import { USUAL_RULES, wetPartOf } from '../clock';
import { startPlan } from '../formats';
import { headFactor } from '../lift';
import { plainStep, plainSteps } from '../steps';
import { EVERYWHERE } from '../visit';
import { unitWith } from '../work/testing';
import type { EventBody, ServiceEvent } from './events';
import { nextStep, stepBody, type NextStep } from './next-step';
import { restOf, restSteps, restTimeline } from './rest';
import { scriptUnit, type ScriptBlock, type ScriptLift, type ScriptUnit, type ServiceScript } from './script';
import { MINUTE } from './minute';
import { readyMinutesOf } from './lifting';
import type { ServiceState } from './service-state';
import { serviceState } from './state';
import { endOf } from './steps';

/** A moment that tests start from. */
export const T0 = Date.UTC(2026, 5, 1, 9, 0);

const LIFTS = [
  {
    letter: 'A',
    from: 6,
    target: 8,
    stretch: 'length',
    lift: { volumes: 20, factor: 1, most: { levels: 7, top: 10 } },
  },
] as const satisfies readonly ScriptLift[];

/** Foils of a test script that are not as all the others. */
export type UnitPart = Partial<ScriptUnit>;

/**
 * A script of some blocks with foils a minute each; level 6 to 8 with 20 volumes.
 * @param unitAt what of a foil is otherwise
 */
export function scriptFor(
  sizes: readonly number[],
  unitAt: (block: number, i: number) => UnitPart = () => ({}),
  lifts: readonly ScriptLift[] = LIFTS,
): ServiceScript {
  const ready = readyMinutesOf({ lifting: [0], depositMinutes: 0 }, lifts, headFactor([]))!;
  const units = sizes
    .flatMap((n, b) =>
      Array.from({ length: n }, (_, i): ScriptUnit => ({
        ...scriptUnit(
          unitWith({
            id: `b${b}/${i}`,
            number: 0,
            panel: `p${b}`,
            panelName: `Panel ${b + 1}`,
            zone: 'crown',
            mix: 'Moth, 20 vol, 1 : 2',
            limitMinutes: 45,
          }),
          60,
          0,
        ),
        ...unitAt(b, i),
      })),
    )
    .map((unit, i) => ({
      ...unit,
      number: i + 1,
      mixes: unit.mixes[0] === 'A' ? [unit.letter] : unit.mixes,
    }));
  const blocks = sizes.map((_, b): ScriptBlock => {
    const own = units.filter(({ panel }) => panel === `p${b}`);
    return {
      id: `b${b}`,
      panel: `p${b}`,
      name: `Panel ${b + 1}`,
      units: own.map(({ id }) => id),
      foils: own.map(({ seconds, letter, lifts: lifting, depositMinutes, limitMinutes, zone }) => ({
        seconds,
        mixes: [letter],
        readyMinutes: lifting ? ready : depositMinutes,
        limitMinutes,
        expected: true,
        part: wetPartOf(zone),
      })),
    };
  });
  const mixes = Object.fromEntries(
    units.map(({ letter, mix }) => [
      letter,
      { of: [{ letter, part: 'length' as const }], words: mix, volumes: 20, strengths: [10, 20, 30] },
    ]),
  );
  return {
    version: 4,
    plan: startPlan(),
    naturalLevel: 6,
    units,
    lifts,
    blocks,
    mixes,
    products: {},
    readings: [],
    rules: { ...USUAL_RULES, margin: 3 },
    course: { order: blocks.map(({ id }) => id), rinses: [], pulling: 'own', by: {} },
    steps: [
      plainStep('wash', 'wash'),
      {
        ...plainStep('toner t', 'rinse'),
        kind: 'toner',
        name: 'Toner',
        minutes: 20,
        hair: 'damp',
        place: { ...EVERYWHERE, lengths: ['mids'] },
      },
      {
        ...plainStep('root', 'rinse'),
        kind: 'root',
        name: 'Root colour',
        minutes: 10,
        hair: 'damp',
        place: { ...EVERYWHERE, lengths: ['roots'] },
      },
      plainStep('dry', 'dry'),
    ],
    offers: plainSteps(),
  };
}

/** Events a few minutes after the start, each with an id of its own. */
export function happened(
  list: readonly (readonly [minute: number, body: EventBody, device?: string])[],
  by = 'Ottilie',
): ServiceEvent[] {
  return list.map(([minute, body, device = 'station'], i) => ({
    id: `e${i}`,
    device,
    at: T0 + minute * MINUTE,
    by,
    body,
  }));
}

/** A moment so many minutes after the start. */
export const at = (minute: number) => T0 + minute * MINUTE;

/** How a service stands after these events. */
export const standing = (script: ServiceScript, ...events: Parameters<typeof happened>[0]) =>
  serviceState(script, happened(events));

/** Two panels of two foils, A and B in turn. */
export const inTurn = () => scriptFor([2, 2], (_, i) => (i === 1 ? { letter: 'B', mixes: ['B'] } : {}));

export const started: EventBody = { kind: 'started' };
export const closed = (foil: string): EventBody => ({ kind: 'closed', foil });

/** The step that Chair shows at a moment. */
export function stepAt(script: ServiceScript, state: ServiceState, now: number): NextStep {
  const question = restOf(script, state, now);
  return nextStep(
    script,
    state,
    question ? restSteps(question, restTimeline(question), state.startedAt ?? now) : [],
    now,
  );
}

/** Events as they are sent: each has an id of its own. */
const idAt = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/**
 * Does what Chair says until everything is done, each foil in so many seconds.
 * @param minutes no longer than this
 * @param after what happened before: it is gone on from there
 */
export function followed(
  script: ServiceScript,
  {
    secondsEach,
    minutes = Infinity,
    from = T0,
    after = [],
  }: {
    /** Otherwise as long as it was planned. */
    readonly secondsEach?: number;
    readonly minutes?: number;
    readonly from?: number;
    readonly after?: readonly ServiceEvent[];
  } = {},
) {
  const { rules } = script;
  const events = [...after];
  const steps: NextStep[] = [];
  let now = from;
  const secondsOf = (foil: string) =>
    secondsEach ?? script.units.find(({ id }) => id === foil)?.seconds ?? 60;
  for (let guard = 0; guard < 400 && now < from + minutes * MINUTE; guard += 1) {
    const state = serviceState(script, events);
    const step = stepAt(script, state, now);
    steps.push(step);
    if (step.kind === 'finished') break;
    switch (step.kind) {
      case 'foil': {
        const fresh = step.place === 0 && state.lastBlock !== null && state.lastBlock !== step.block.block.id;
        now += secondsOf(step.foil) * 1000 + (fresh ? rules.panelChange * MINUTE : 0);
        break;
      }
      case 'bowl':
        now += rules.mixChange * MINUTE;
        break;
      case 'wait':
        now = step.until;
        break;
      case 'pull':
        now += (rules.pullChange + step.units.length * rules.pullEach) * MINUTE;
        break;
      case 'again':
        now += rules.pullChange * MINUTE;
        for (const { id } of step.units) now += rules.pullEach * MINUTE + secondsOf(id) * 1000;
        break;
      case 'at-basin':
        now = step.begunAt + (rules.setUp + step.blocks.length * rules.each + rules.finish) * MINUTE;
        break;
      case 'step-begin':
        // Rinsing ends what is on.
        if (step.own.step.kind === 'rinse') now = Math.max(now, ...step.on.map(endOf));
        break;
      case 'step-until':
        now = step.at;
        break;
      case 'step-done':
        now = Math.max(now, endOf(step.own));
        break;
      case 'start':
      case 'rinse':
      case 'finish':
    }
    const body = stepBody(step, 'all');
    if (body) events.push({ id: idAt(events.length + 1), device: 'station', at: now, by: 'Ottilie', body });
  }
  const kinds = steps.map(({ kind }) => kind).filter((kind, i, all) => kind !== all[i - 1]);
  return { script, events, steps, kinds, now, state: serviceState(script, events) };
}
