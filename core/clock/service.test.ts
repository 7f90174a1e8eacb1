import fc from 'fast-check';
import { ZONES } from '../head';
import { bindingsOf, compareCosts, runService, searchService, simplePlan, splitBlocks, underRunOff, USUAL_RULES, WET_PARTS, wetPartOf, type Action, type Block, type WetPart } from '.';
import { blockOf as block, secondsOf } from './testing';

const RULES = { ...USUAL_RULES, margin: 0 };
const many = (n: number, part: Parameters<typeof block>[1] = {}) => Array.from({ length: n }, (_, i) => block(i, part));
const stages = (blocks: readonly Block[], rules = RULES) => {
  const { timeline, proved } = searchService(blocks, { rules });
  expect(proved).toBe(true);
  expect(timeline.cost).toMatchObject({ over: 0, short: 0 });
  return timeline;
};

describe('hand-worked cases: pace 60 s, ten foils, ready 20, limit 45, one mix, bowl spent at 35 min', () => {
  test.each([
    [1, [[27, 34]]],
    [2, [[37, 46]]],
    [3, [[37, 46], [51, 58]]],
  ])('%d panels', (n, expected) => {
    const timeline = stages(many(n));
    expect(timeline.stages.map(({ from, to }) => [from, to])).toEqual(expected.map((own) => own.map((at) => expect.closeTo(at, 6))));
  });

  test('4 panels: three stages, end at 85', () => {
    const timeline = stages(many(4));
    expect(timeline.stages).toHaveLength(3);
    expect(timeline.end).toBeCloseTo(85, 6);
  });
});

test('foils are closed one after the other, with panel changes and fresh bowls between', () => {
  const { foils, bowls } = runService(many(4), [0, 1, 2, 3].map((b): Action => ({ kind: 'foil', block: b })), RULES);
  const placed = (b: number) => foils.filter((own) => own.block === b).map((own) => own.placed);
  expect([placed(0)[0], placed(0)[9], placed(1)[0], placed(2)[9]]).toEqual([1, 10, 13, 34]);
  // After 34 and the change to the next panel the bowl is spent.
  expect(bowls.map(({ at }) => at)).toEqual([0, 36]);
  expect(placed(3)[0]).toBe(40);
});

test('another mix takes another bowl', () => {
  const { bowls } = runService([block(0), block(1, { mix: 'B' })], [{ kind: 'foil', block: 0 }, { kind: 'foil', block: 1 }], RULES);
  expect(bowls).toEqual([{ mix: 'A', at: 0 }, { mix: 'B', at: 12 }]);
});

test('what is not on the head is not rinsed, and nothing is foiled twice', () => {
  expect(() => runService(many(1), [{ kind: 'rinse', blocks: [0] }], RULES)).toThrow('Panel 1 cannot be rinsed: it is not on the head.');
  expect(() => runService(many(1), [{ kind: 'foil', block: 0 }, { kind: 'foil', block: 0 }], RULES)).toThrow('Panel 1 is foiled twice.');
});

describe('water runs down', () => {
  test('every zone belongs to a part, and each part waits for what lies under it', () => {
    expect(new Set(ZONES.map(wetPartOf))).toEqual(new Set(WET_PARTS));
    // Face over sides and top; top over back; back and side over nape.
    expect(underRunOff([['nape'], ['back'], ['side-l'], ['top-l'], ['face-l']])).toEqual([0, 0b1, 0b1, 0b10, 0b1100]);
    expect(underRunOff([['nape', 'back'], ['top-l', 'face-l'], ['side-l']])).toEqual([0, 0b101, 0b1]);
    // Water from one side does not run over the other.
    expect(underRunOff([['face-l'], ['side-r'], ['top-r']])).toEqual([0, 0, 0]);
  });

  test('a top that hangs over a back not yet rinsed is never rinsed before it', () => {
    const parts: WetPart[][] = [['top-l'], ['back'], ['nape']];
    const blocks = parts.map((touches, i) => block(i, { touches }));
    const { actions } = searchService(blocks, { rules: RULES });
    const at = (b: number) => actions.findIndex((action) => action.kind === 'rinse' && action.blocks.includes(b));
    expect(at(0)).toBeGreaterThanOrEqual(at(1));
    expect(at(1)).toBeGreaterThanOrEqual(at(2));
  });
});

test('a panel that alone does not fit is cut first, and said', () => {
  // 45 − 20 − 2 min at a minute each: 24 foils fit.
  const { blocks, cut } = splitBlocks([block(0, { name: 'Back', seconds: new Array(60).fill(60) }), block(1)], RULES);
  expect(cut).toEqual(['Back']);
  expect(blocks.map((own) => [own.name, own.foils.length])).toEqual([['Back, part 1', 20], ['Back, part 2', 20], ['Back, part 3', 20], ['Panel 2', 10]]);
  expect(splitBlocks([block(0, { seconds: new Array(24).fill(60) })], RULES).cut).toEqual([]);
  expect(splitBlocks([block(0, { seconds: new Array(25).fill(60) })], RULES).cut).toEqual(['Panel 1']);
});

/** Every order of foiling with every way of rinsing between, without any bound. */
function exhaustive(blocks: readonly Block[]) {
  const under = underRunOff(blocks.map(({ touches }) => touches));
  let best: ReturnType<typeof runService>['cost'] | undefined;
  const walk = (actions: Action[], foiled: number, rinsed: number): void => {
    if (rinsed === 2 ** blocks.length - 1) {
      const { cost } = runService(blocks, actions, RULES);
      if (!best || compareCosts(cost, best) < 0) best = cost;
      return;
    }
    blocks.forEach((_, b) => {
      if (!(foiled & (1 << b))) walk([...actions, { kind: 'foil', block: b }], foiled | (1 << b), rinsed);
    });
    const waiting = foiled & ~rinsed;
    for (let set = waiting; set > 0; set = (set - 1) & waiting) {
      const members = blocks.map((_, b) => b).filter((b) => set & (1 << b));
      if (members.every((b) => !(under[b] & ~(rinsed | set)))) walk([...actions, { kind: 'rinse', blocks: members }], foiled, rinsed | set);
    }
  };
  walk([], 0, 0);
  return best!;
}

const anyBlock = fc.record({
  n: fc.integer({ min: 1, max: 14 }), pace: fc.integer({ min: 40, max: 90 }), readyMinutes: fc.integer({ min: 5, max: 40 }), limitMinutes: fc.integer({ min: 30, max: 50 }), mix: fc.constantFrom('A', 'B'),
  touches: fc.subarray<WetPart>(['nape', 'back', 'side-l', 'top-l', 'face-l'], { minLength: 1, maxLength: 2 }),
});
const blocksOf = (drawn: readonly { n: number; pace: number; readyMinutes: number; limitMinutes: number; mix: string; touches: WetPart[] }[]) =>
  drawn.map(({ n, pace, ...rest }, i) => block(i, { ...rest, seconds: new Array(n).fill(pace) }));

test('the search finds what exhaustive search finds', () => {
  fc.assert(
    fc.property(fc.array(anyBlock, { minLength: 1, maxLength: 4 }), (drawn) => {
      const blocks = blocksOf(drawn);
      const { timeline, proved } = searchService(blocks, { rules: RULES });
      expect(proved).toBe(true);
      expect(compareCosts(timeline.cost, exhaustive(blocks))).toBe(0);
    }),
    { numRuns: 60 },
  );
});

test('it is never worse than the simple order, stopped at once or not; what it says is what happens', () => {
  fc.assert(
    fc.property(fc.array(anyBlock, { minLength: 1, maxLength: 6 }), fc.boolean(), (drawn, stop) => {
      const blocks = blocksOf(drawn);
      const simple = runService(blocks, simplePlan(blocks, RULES), RULES);
      const found = searchService(blocks, { rules: RULES, stop: () => stop });
      expect(compareCosts(found.timeline.cost, simple.cost)).toBeLessThanOrEqual(0);
      expect(found.timeline.foils).toHaveLength(blocks.reduce((sum, own) => sum + secondsOf(own).length, 0));
      for (const { wet, placed } of found.timeline.foils) expect(wet).toBeGreaterThan(placed);
    }),
    { numRuns: 30 },
  );
});

test('an order that is given is kept, and the rinsing is solved around it', () => {
  const blocks = many(4, { touches: ['side-l'] });
  const { actions, timeline } = searchService(blocks, { rules: RULES, fixed: { order: [2, 0, 3, 1] } });
  expect(actions.filter(({ kind }) => kind === 'foil').map((own) => own.kind === 'foil' && own.block)).toEqual([2, 0, 3, 1]);
  expect(compareCosts(searchService(blocks, { rules: RULES }).timeline.cost, timeline.cost)).toBeLessThanOrEqual(0);
});

test('what binds is said: the nearest limit, and what the basin waits for', () => {
  const blocks = many(2);
  const { timeline } = searchService(blocks, { rules: RULES });
  expect(bindingsOf(blocks, timeline, RULES).map(({ words }) => words)).toEqual([
    'Panel 1, foil 1 is the nearest to its limit: clear at minute 42, 4 min to spare.', 'The basin at minute 37 waits for Panel 2: its last foil is ready at 42.',
  ]);
  const late = many(1, { readyMinutes: 44 });
  expect(bindingsOf(late, searchService(late, { rules: RULES }).timeline, RULES)[0].words).toMatch(/is clear|nearest/);
});

test('a full head of 104 foils: one rinse at the end is over by an hour and more; stages keep every foil inside', () => {
  const blocks = splitBlocks(Array.from({ length: 7 }, (_, i) => block(i, { seconds: new Array(i < 6 ? 15 : 14).fill(62), readyMinutes: 25, limitMinutes: 50 })), RULES).blocks;
  const once: Action[] = [...blocks.map((_, b): Action => ({ kind: 'foil', block: b })), { kind: 'rinse', blocks: blocks.map((_, b) => b) }];
  const rinsedOnce = runService(blocks, once, RULES);
  const first = rinsedOnce.foils[0];
  expect(first.clear - first.limit).toBeGreaterThan(75);
  let asked = 0;
  const staged = searchService(blocks, { rules: RULES, stop: () => (asked += 1) > 200 });
  expect(staged.timeline.cost.over).toBe(0);
  expect(staged.timeline.stages.length).toBeGreaterThanOrEqual(4);
});
