import { recordOf, type EventBody } from '.';
import { at, closed, inTurn, scriptFor, standing, started, stepAt, T0 } from './testing';

const skipped = (foil: string): EventBody => ({ kind: 'skipped', foil, why: null });

describe('another letter than the last', () => {
  const script = inTurn();
  const turned = (minute: number, ...events: (readonly [number, EventBody])[]) => {
    const bowls = ['A', 'B'].map((mix) => [0, { kind: 'bowl', mix }] as const);
    const step = stepAt(script, standing(script, [0, started], ...bowls, ...events), at(minute));
    return step.kind === 'foil' ? [step.foil, step.turned] : [step.kind];
  };

  test('is told by the foil that was closed last, wherever it lies', () => {
    expect(turned(4, [1, closed('b1/1')], [4, closed('b0/0')])).toEqual(['b0/1', { from: 'A' }]);
    expect(turned(4, [4, closed('b1/1')], [1, closed('b0/0')])).toEqual(['b1/0', { from: 'B' }]);
  });

  test('is not told of the first foil, nor of the same letter', () => {
    expect(turned(1, [1, skipped('b0/0')])).toEqual(['b0/1', null]);
    expect(turned(2, [1, closed('b0/0')], [2, skipped('b0/1')])).toEqual(['b1/0', null]);
  });
});

describe('what was planned, on the record', () => {
  const script = scriptFor([2, 2]);
  const placed = (begin: EventBody) =>
    Object.fromEntries(
      recordOf(script, standing(script, [0, begin], [1, closed('b0/0')])).units.map(({ id, planned }) => [
        id,
        planned!.placed,
      ]),
    );

  test('is the course of the script', () => {
    const planned = placed(started);
    expect(planned['b0/1']).toBeLessThan(planned['b1/0']);
    expect(standing(script, [0, started]).plan).toEqual([]);
  });

  test('or the plan that an older service wrote down when it began', () => {
    const planned = placed({
      kind: 'started',
      plan: [
        { kind: 'foil', block: 'b1' },
        { kind: 'foil', block: 'b0' },
      ],
    });
    expect(planned['b1/1']).toBeLessThan(planned['b0/0']);
  });
});

test('a service starts once, and a reason past a limit is a decision with its panel', () => {
  const script = scriptFor([1]);
  const state = standing(
    script,
    [0, started],
    [1, closed('b0/0')],
    [5, started],
    [50, { kind: 'past-limit', block: 'b0', reason: 'stuck at 9' }],
  );
  expect(state.startedAt).toBe(T0);
  expect(state.decisions).toEqual([
    { at: at(50), by: 'Ottilie', words: 'Panel 1 past the limit: stuck at 9' },
  ]);
});

test('a panel that is rinsed sooner than usual was wet sooner', () => {
  const script = scriptFor([1]);
  const off = (minute: number) =>
    standing(
      script,
      [0, started],
      [1, closed('b0/0')],
      [30, { kind: 'rinse-begun', blocks: ['b0'], incident: null }],
      [minute, { kind: 'rinse-done' }],
    ).blocks[0].units[0].offAt!;
  expect(off(30.5)).toBe(at(30.5));
  expect(off(60)).toBeLessThan(at(60));
  expect(off(60)).toBeGreaterThan(at(30));
});
