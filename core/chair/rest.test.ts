import { betterRest, restOf, restTimeline } from '.';
import { at, closed, happened, scriptFor, standing, started } from './testing';

/** Three panels; the last takes a colour that stays on for long, and the plan works it last. */
const slowLast = (minutes: number) =>
  scriptFor([4, 12, 4], (block) =>
    block === 2 ? { lifts: false, lifting: [], depositMinutes: minutes, limitMinutes: 60 } : {},
  );
const begun = (script: ReturnType<typeof slowLast>) =>
  restOf(script, standing(script, [0, started], [1, closed('b0/0')]), at(1))!;

describe('another course for the rest', () => {
  const question = begun(slowLast(45));
  const better = betterRest(question)!;

  test('is proposed where the slow panel is worked before the quick one, and says what that saves', () => {
    // The panel in hand goes on.
    expect(better.course.order).toEqual(['b0', 'b2', 'b1']);
    const saved =
      restTimeline(question).end -
      restTimeline({ ...question, course: { ...question.course, order: [0, 2, 1] } }).end;
    expect(better.saves).toBeCloseTo(saved, 6);
    expect(saved).toBeGreaterThan(8);
  });

  test('is not where it saves no more than three minutes, nor where a second person foils', () => {
    expect(betterRest(begun(slowLast(19)))).toBeNull();
    expect(betterRest(begun(slowLast(21)))!.saves).toBeGreaterThan(3);
    expect(betterRest({ ...question, rules: { ...question.rules, second: 'foils' } })).toBeNull();
  });
});

describe('what is left', () => {
  const script = slowLast(45);
  const rest = (...events: Parameters<typeof happened>[0]) =>
    restOf(script, standing(script, ...events), at(10))!;

  test('nothing once all is rinsed, and all of it before it starts', () => {
    expect(restOf(script, standing(script), at(0))!.units.flat()).toHaveLength(20);
    const only = scriptFor([1]);
    const done = standing(
      only,
      [0, started],
      [1, closed('b0/0')],
      [30, { kind: 'rinse-begun', blocks: ['b0'], incident: null }],
      [36, { kind: 'rinse-done' }],
    );
    expect(restOf(only, done, at(36))).toBeNull();
  });

  test('what is on keeps its moment, what waits has none; bowls count from their mixing', () => {
    const { start, units, course } = rest(
      [0, started],
      [0, { kind: 'bowl', mix: 'A' }],
      [2, closed('b1/0')],
      [3, closed('b1/1')],
    );
    const b1 = units.findIndex(([id]) => id.startsWith('b1'));
    expect(start.placed[b1].slice(0, 3)).toEqual([2, 3, null]);
    expect(start.bowls).toEqual({ A: 0 });
    expect(start.now).toBe(10);
    // The panel in hand first, the others as they were planned.
    expect(course.order[0]).toBe(b1);
    expect(start.gone).toBe(0);
  });

  test('a panel at the basin is waited for, and is gone from the rest', () => {
    const { start, blocks } = rest(
      [0, started],
      ...Array.from({ length: 4 }, (_, i) => [i + 1, closed(`b0/${i}`)] as const),
      [9, { kind: 'rinse-begun', blocks: ['b0'], incident: null }],
    );
    expect(blocks.map(({ id }) => id)).toEqual(['b1', 'b2']);
    expect(start.gone).toBe(4);
    expect(start.now).toBeGreaterThan(10);
  });
});
