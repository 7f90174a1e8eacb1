import { lightenerWith } from '../mix/testing';
import { plainStep, type ServiceStep } from '../steps';
import { EVERYWHERE } from '../visit';
import {
  alarmsOf,
  conflictWords,
  MINUTE,
  neededBefore,
  nextStep,
  recordOf,
  serviceState,
  usedOf,
  usedProblem,
  type EventBody,
} from '.';
import { closed, happened, scriptFor, started, T0 } from './testing';
import { EMPTY_MIX } from '../formats';

const script = scriptFor([]);
const at = (minute: number) => T0 + minute * MINUTE;
type Happened = Parameters<typeof happened>[0];
const state = (...list: Happened) => serviceState(script, happened([[0, started], ...list]));
const ids = (current: ReturnType<typeof state>) => current.steps.map(({ step }) => step.id);
const begun = (step: string): EventBody => ({ kind: 'step-begun', step });
const done = (step: string): EventBody => ({ kind: 'step-done', step });
const said = (current: ReturnType<typeof state>) =>
  current.conflicts.map((one) => conflictWords(one, String));
const spot: ServiceStep = {
  ...plainStep('spot', 'rinse'),
  kind: 'spot',
  name: 'Spot repair',
  minutes: 5,
  hair: 'dry',
  place: { ...EVERYWHERE, words: 'left temple' },
};

describe('steps after the foils', () => {
  test('are added, moved, changed, split, repeated and skipped; each id is once', () => {
    const wash = plainStep('bleach', 'wash', { name: 'Bleach wash' });
    expect(
      ids(
        state(
          [1, { kind: 'step-added', step: wash, after: 'wash' }],
          [2, { kind: 'step-added', step: wash, after: null }],
        ),
      ),
    ).toEqual(['wash', 'bleach', 'toner t', 'root', 'dry']);
    expect(ids(state([1, { kind: 'step-moved', step: 'root', after: null }]))).toEqual([
      'root',
      'wash',
      'toner t',
      'dry',
    ]);
    expect(ids(state([1, { kind: 'step-moved', step: 'wash', after: 'dry' }]))).toEqual([
      'toner t',
      'root',
      'dry',
      'wash',
    ]);
    const changed = state([1, { kind: 'step-changed', step: { ...script.steps[1], minutes: 7 } }]);
    expect(changed.steps[1]).toMatchObject({ plannedMinutes: 20, step: { minutes: 7 } });
    expect(state([1, { kind: 'step-skipped', step: 'toner t', why: 'none needed' }]).steps[1]).toMatchObject({
      standing: 'skipped',
      why: 'none needed',
    });
    // What comes next never comes before what was begun.
    expect(ids(state([1, begun('wash')], [2, { kind: 'step-added', step: wash, after: null }]))).toEqual([
      'wash',
      'bleach',
      'toner t',
      'root',
      'dry',
    ]);
    // One that nobody knows is no step.
    expect(ids(state([1, { kind: 'step-moved', step: 'gone', after: null }], [2, begun('gone')]))).toEqual(
      ids(state()),
    );
  });

  test('two devices skip and do the same step: what was done counts, and it is said', () => {
    const did = state(
      [1, begun('toner t'), 'tablet'],
      [2, { kind: 'step-skipped', step: 'toner t', why: null }, 'phone'],
    );
    expect(did.steps[1].standing).toBe('on');
    expect(said(did)).toEqual(['Toner, mid-lengths was begun before it was skipped: it counts.']);
    const after = state(
      [1, { kind: 'step-skipped', step: 'toner t', why: null }, 'phone'],
      [2, begun('toner t'), 'tablet'],
    );
    expect(after.steps[1].standing).toBe('on');
    expect(said(after)).toEqual(['Toner, mid-lengths was skipped and then begun: it counts.']);
    expect(
      said(
        state([1, begun('wash')], [2, { kind: 'step-changed', step: { ...script.steps[0], minutes: 3 } }]),
      ),
    ).toHaveLength(1);
    expect(
      said(state([1, begun('wash')], [2, { kind: 'step-moved', step: 'wash', after: 'dry' }])),
    ).toHaveLength(1);
  });

  test('colours of different minutes: the second is called so that both end together, and the rinse ends both', () => {
    const on = state([0, done('wash')], [1, begun('toner t')]);
    expect(nextStep(script, on, [], at(5))).toMatchObject({
      kind: 'step-until',
      own: { step: { id: 'root' } },
      at: at(11),
    });
    expect(alarmsOf(script, on).map(({ words, due }) => [words, due])).toEqual([
      ['Root colour, roots: put it on now, so that all are done together.', at(11)],
      ['Toner, mid-lengths: 20 min are up.', at(21)],
    ]);
    expect(nextStep(script, on, [], at(11))).toMatchObject({
      kind: 'step-begin',
      own: { step: { id: 'root' } },
    });
    const rinse = plainStep('r', 'rinse');
    const both = state(
      [0, done('wash')],
      [1, begun('toner t')],
      [11, begun('root')],
      [12, { kind: 'step-added', step: rinse, after: 'root' }],
    );
    expect(nextStep(script, both, [], at(20))).toMatchObject({
      kind: 'step-begin',
      own: { step: { id: 'r' } },
      on: [{}, {}],
    });
    const rinsed = state(
      [0, done('wash')],
      [1, begun('toner t')],
      [11, begun('root')],
      [12, { kind: 'step-added', step: rinse, after: 'root' }],
      [21, begun('r')],
    );
    expect(rinsed.steps.map(({ standing }) => standing)).toEqual(['done', 'done', 'done', 'on', 'waiting']);
    expect(recordOf(script, rinsed).steps.map(({ done: minutes }) => minutes)).toEqual([
      0,
      20,
      10,
      null,
      null,
    ]);
  });

  test('put on too late, a colour ends later than the others: each is done with a tap of its own', () => {
    const late = state([0, done('wash')], [1, begun('toner t')], [18, begun('root')]);
    expect(nextStep(script, late, [], at(19))).toMatchObject({
      kind: 'step-done',
      own: { step: { id: 'toner t' } },
    });
  });

  test('more minutes move the end and the alarm, and stand in the record with their reason', () => {
    const own = state(
      [1, begun('toner t')],
      [15, { kind: 'step-more', step: 'toner t', minutes: 5, reason: 'not there yet' }],
    );
    expect(alarmsOf(script, own).find(({ key }) => key.startsWith('step toner'))!.due).toBe(at(26));
    expect(recordOf(script, own).decisions).toEqual(['Toner, mid-lengths 5 min more: not there yet']);
    expect(recordOf(script, own).summary).toContain('Toner, mid-lengths 5 min more: not there yet.');
  });

  test('dry hair where it is wanted: a drying comes first, and a step on wrong hair says so', () => {
    expect(neededBefore(spot, state([1, begun('wash')]), null, 'd')).toMatchObject({
      id: 'd',
      kind: 'dry',
    });
    expect(neededBefore(spot, state([1, begun('wash')]), 'dry', 'd')).toBeNull();
    const wrong = state([1, done('wash')], [2, { kind: 'step-added', step: spot, after: null }]);
    expect(nextStep(script, wrong, [], at(3))).toMatchObject({
      kind: 'step-begin',
      wrong: 'Spot repair, left temple goes on dry hair: the hair is damp by then.',
    });
  });

  test('the record says what was added, skipped and done, with its recipe', () => {
    const items = {
      ok: true as const,
      items: [{ product: 'a', name: 'Powder', grams: 20, powder: true }],
      total: 20,
    };
    const wash: ServiceStep = {
      ...plainStep('w', 'rinse'),
      kind: 'bleach-wash',
      name: 'Bleach wash',
      hair: 'damp',
      place: { ...EVERYWHERE, lengths: ['ends'] },
      items,
    };
    const own = state(
      [1, { kind: 'step-added', step: wash, after: 'wash' }],
      [2, done('wash')],
      [3, begun('w')],
      [15, done('w')],
      [16, { kind: 'step-skipped', step: 'root', why: 'light enough' }],
    );
    const { summary, steps } = recordOf(script, own);
    expect(steps[1]).toMatchObject({ planned: null, done: 12, recipe: '20 g Powder, on damp hair' });
    expect(summary).toContain('Bleach wash, ends (added) 12 min: 20 g Powder, on damp hair.');
    expect(summary).toContain('Root colour, roots skipped: light enough.');
  });
});

describe('what was used of Mix', () => {
  const foils = scriptFor([4]);
  const running = (...list: Happened) => usedOf(serviceState(foils, happened(list)));

  test('letters on the head and steps that were begun, while the service runs', () => {
    expect(running()).toEqual({ letters: [], steps: [] });
    expect(running([0, started])).toEqual({ letters: [], steps: [] });
    expect(running([0, started], [1, closed('b0/0')], [2, begun('toner t')])).toEqual({
      letters: ['A'],
      steps: ['toner t'],
    });
    expect(running([0, started], [1, { kind: 'bowl', mix: 'A' }])).toEqual({ letters: ['A'], steps: [] });
    expect(running([0, started], [1, closed('b0/0')], [9, { kind: 'finished' }])).toEqual({
      letters: [],
      steps: [],
    });
  });

  test('a change of it is refused in a sentence; everything else may change', () => {
    const toner = {
      id: 't',
      place: EVERYWHERE,
      line: 'sedge',
      parts: [],
      grams: 40,
      ratio: 2,
      volumes: 5,
      minutes: 10,
      state: 'damp' as const,
    };
    const before = { ...EMPTY_MIX, toners: [toner, { ...toner, id: 'u' }] };
    const used = { letters: ['A'], steps: ['toner t'] };
    expect(usedProblem(before, { ...before, toners: [toner] }, used)).toBeNull();
    expect(usedProblem(before, { ...before, toners: [{ ...toner, minutes: 12 }] }, used)).toMatch(
      /^Toner was put on/,
    );
    expect(usedProblem(before, { ...before, toners: [] }, used)).toMatch(/^Toner was put on/);
    const formula = lightenerWith({ lighteners: [{ product: 'p', parts: 1 }] });
    expect(usedProblem(before, { ...before, formulas: { B: formula } }, used)).toBeNull();
    expect(usedProblem(before, { ...before, formulas: { A: formula } }, used)).toMatch(/^Formula A was used/);
  });
});
