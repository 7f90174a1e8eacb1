import fc from 'fast-check';
import { ZONES } from '../head';
import {
  follow,
  Head,
  Question,
  USUAL_RULES,
  WET_PARTS,
  wetPartOf,
  type Block,
  type ClockRules,
  type Course,
  type WetPart,
} from '.';
import { blockOf } from './testing';

const RULES: ClockRules = { ...USUAL_RULES, margin: 0 };
const many = (n: number, part: Parameters<typeof blockOf>[1] = {}) =>
  Array.from({ length: n }, (_, i) => blockOf(i, part));
const courseOf = (blocks: readonly Block[], part: Partial<Course> = {}): Course => ({
  order: blocks.map((_, b) => b),
  rinses: [],
  pulling: 'own',
  by: [],
  strengths: [],
  ...part,
});
const run = (blocks: readonly Block[], part: Partial<Course> = {}, rules = RULES) =>
  follow(new Question(blocks, rules), courseOf(blocks, part)).timeline();

test('one panel of ten: a minute each, ready after 20, rinsed from 27 to 34, nothing pulled', () => {
  const { foils, stages, pulls } = run(many(1));
  expect(foils.map(({ placed }) => placed)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
  expect(pulls).toEqual([]);
  expect(stages.map(({ from, to }) => [from, to])).toEqual([[27, 34]]);
  expect(foils[9].wet).toBe(30);
});

test('foils are closed one after the other, with panel changes and fresh bowls between', () => {
  const { foils, bowls } = run(many(4), { pulling: 'none' });
  const placed = (b: number) => foils.filter(({ block }) => block === b).map((foil) => foil.placed);
  expect([placed(0)[0], placed(0)[9], placed(1)[0], placed(2)[9]]).toEqual([1, 10, 13, 34]);
  // After 34 and the change to the next panel the bowl is spent.
  expect(bowls.map(({ at }) => at)).toEqual([0, 36]);
  expect(placed(3)[0]).toBe(40);
});

test('another mix takes another bowl', () => {
  expect(run([blockOf(0), blockOf(1, { mix: 'B' })]).bowls).toEqual([
    { mix: 'A', at: 0 },
    { mix: 'B', at: 12 },
  ]);
});

test('foils are opened as late as their limits allow, as many at a time as are ready, and only those that would not stay until the rinse', () => {
  const { foils, pulls, stages } = run(many(1, { seconds: new Array<number>(60).fill(60) }));
  // The first is due at 46: a minute to change over, half a minute to open it.
  expect(pulls[0].from).toBe(44);
  expect(pulls[0].foils.slice(0, 3)).toEqual([
    { block: 0, index: 0 },
    { block: 0, index: 1 },
    { block: 0, index: 2 },
  ]);
  for (const { wet, ready, clear, limit } of foils) {
    expect(wet).toBeGreaterThanOrEqual(ready - 1e-6);
    expect(clear).toBeLessThanOrEqual(limit + 1e-6);
  }
  expect(stages).toHaveLength(1);
  expect(foils.some(({ pulled }) => !pulled)).toBe(true);
});

test('what is not expected comes off in the last five minutes before its limit, the panel stays whole', () => {
  const block = blockOf(0, { seconds: new Array<number>(30).fill(60) });
  const late = {
    ...block,
    foils: block.foils.map((foil) => ({ ...foil, readyMinutes: 45, expected: false })),
  };
  const { foils, stages } = run([late], {}, USUAL_RULES);
  for (const { placed, wet, clear, limit } of foils) {
    expect(wet - placed).toBeGreaterThanOrEqual(40 - 1e-6);
    expect(clear).toBeLessThanOrEqual(limit + 1e-6);
  }
  expect(stages).toHaveLength(1);
});

test('highlight and lowlight in one panel: each comes off within its own time, and not by a rinse each', () => {
  const foils = Array.from({ length: 40 }, (_, i) =>
    i % 2 === 0
      ? { seconds: 60, mixes: ['A'], readyMinutes: 34, limitMinutes: 45 }
      : { seconds: 50, mixes: ['B'], readyMinutes: 20, limitMinutes: 30 },
  );
  const timeline = run([{ ...blockOf(0), foils }], {}, USUAL_RULES);
  expect(timeline.cost).toMatchObject({ over: 0, short: 0 });
  expect(timeline.stages).toHaveLength(1);
});

describe('water runs down', () => {
  const at = (part: WetPart) => ({ part });

  test('every zone belongs to a part', () =>
    expect(new Set(ZONES.map(wetPartOf))).toEqual(new Set(WET_PARTS)));

  test('a top that hangs over a back not yet rinsed is never rinsed before it; what was pulled no longer counts', () => {
    const blocks = [blockOf(0, at('back')), blockOf(1, at('top-l'))];
    const head = new Head(new Question(blocks, RULES));
    for (let f = 0; f < 20; f += 1) head.place(f);
    const top = Array.from({ length: 10 }, (_, i) => 10 + i);
    expect(head.mayRinse(top)).toEqual([]);
    const back = Array.from({ length: 10 }, (_, i) => i);
    expect(head.mayRinse(back)).toEqual(back);
    head.pull(back, 0, 60);
    expect(head.mayRinse(top)).toEqual(top);
  });

  test('what is still to be foiled under the run-off stays dry', () => {
    const head = new Head(new Question([blockOf(0, at('back')), blockOf(1, at('top-l'))], RULES));
    for (let f = 10; f < 20; f += 1) head.place(f);
    expect(head.mayRinse([10, 11, 12])).toEqual([]);
  });

  test('a panel that lies in two regions may be rinsed in part', () => {
    const foils = [...blockOf(0, at('back')).foils, ...blockOf(0, at('side-l')).foils];
    const { stages } = run([{ ...blockOf(0), foils }], {
      rinses: [{ after: 20, blocks: null, parts: ['nape', 'back'], whole: false }],
    });
    expect(stages.map((stage) => stage.foils.map(({ index }) => index))).toEqual([
      [0, 1, 2, 3, 4, 5, 6, 7, 8, 9],
      [10, 11, 12, 13, 14, 15, 16, 17, 18, 19],
    ]);
  });

  test('panels that rinse together or apart do', () => {
    const rinses = [{ after: 20, blocks: [0], parts: null, whole: false }];
    expect(run(many(2, { together: 'both' }), { rinses }).stages.map(({ blocks }) => blocks)).toEqual([
      [0, 1],
    ]);
    expect(run(many(2, { apart: 'never' })).stages.map(({ blocks }) => blocks)).toEqual([[0], [1]]);
  });
});

test('a second person who pulls leaves the hands that foil alone, and hands fresh bowls over', () => {
  const blocks = many(1, { seconds: new Array<number>(70).fill(60), readyMinutes: 34 });
  const alone = run(blocks);
  const helped = run(blocks, { pulling: 'second' }, { ...RULES, second: 'pulls' });
  expect(Math.max(...helped.foils.map(({ placed }) => placed))).toBe(70);
  expect(helped.cost).toMatchObject({ over: 0, short: 0 });
  expect(helped.pulls.every(({ by }) => by === 1)).toBe(true);
  expect(helped.end).toBeLessThan(alone.end - 25);
});

test('two people foil at once on different sides, and never at the same place', () => {
  const sides = [blockOf(0, { part: 'side-l' }), blockOf(1, { part: 'side-r' })];
  expect(
    Math.max(...run(sides, { by: [0, 1] }, { ...RULES, second: 'foils' }).foils.map(({ placed }) => placed)),
  ).toBe(10);
  const back = [blockOf(0, { part: 'back' }), blockOf(1, { part: 'nape' })];
  expect(
    Math.max(...run(back, { by: [0, 1] }, { ...RULES, second: 'foils' }).foils.map(({ placed }) => placed)),
  ).toBe(20);
});

test('nobody works during a break, and no foil is due in it', () => {
  const { foils, pulls, stages, cost } = run(many(5), {}, { ...USUAL_RULES, away: [{ from: 40, to: 100 }] });
  expect(cost).toMatchObject({ over: 0, short: 0 });
  for (const { begun, placed } of foils) expect(placed <= 40 + 1e-6 || begun >= 100 - 1e-6).toBe(true);
  for (const { from, to } of [...pulls, ...stages]) expect(to <= 40 + 1e-6 || from >= 100 - 1e-6).toBe(true);
});

test('whatever is asked, every foil is placed once, comes off once, and the timeline ends', () => {
  const any = fc.record({
    sizes: fc.array(fc.integer({ min: 0, max: 25 }), { minLength: 1, maxLength: 4 }),
    seconds: fc.constantFrom(0, 8, 62, 600),
    ready: fc.integer({ min: 0, max: 60 }),
    limit: fc.integer({ min: 0, max: 50 }),
    margin: fc.integer({ min: 0, max: 15 }),
    pulling: fc.constantFrom('own' as const, 'none' as const),
    away: fc.option(
      fc.record({ from: fc.integer({ min: 0, max: 60 }), minutes: fc.integer({ min: 1, max: 120 }) }),
    ),
  });
  fc.assert(
    fc.property(any, ({ sizes, seconds, ready, limit, margin, pulling, away }) => {
      const blocks = sizes.map((n, i) => {
        const block = blockOf(i, {
          seconds: new Array<number>(n).fill(seconds),
          readyMinutes: Math.min(ready, limit),
          limitMinutes: limit,
        });
        return { ...block, foils: block.foils.map((foil) => ({ ...foil, expected: ready <= limit })) };
      });
      const timeline = run(
        blocks,
        { pulling },
        { ...USUAL_RULES, margin, away: away ? [{ from: away.from, to: away.from + away.minutes }] : [] },
      );
      const count = sizes.reduce((sum, size) => sum + size, 0);
      expect(timeline.foils).toHaveLength(count);
      expect(Number.isFinite(timeline.end)).toBe(true);
      for (const { placed, wet, clear } of timeline.foils)
        expect(placed <= wet + 1e-6 && wet <= clear).toBe(true);
    }),
    { numRuns: 150 },
  );
});
