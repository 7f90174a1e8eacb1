import fc from 'fast-check';
import { compareCosts, nearestAlternative, runService, searchService, simplePlan, strengthsOf, underRunOff, USUAL_RULES, type Action, type Block, type ClockRules, type Cost, type WetPart } from '.';
import { blockOf as block, type StrengthAlike } from './testing';

const RULES: ClockRules = { ...USUAL_RULES, margin: 0 };
const many = (n: number, part: Parameters<typeof block>[1] = {}) => Array.from({ length: n }, (_, i) => block(i, part));
const stronger: StrengthAlike = { mix: 'A 30 vol', readyMinutes: 14, limitMinutes: 45, steps: 1 };
const weaker: StrengthAlike = { mix: 'A 10 vol', readyMinutes: 28, limitMinutes: 45, steps: 0 };

/** Every allowed way of foiling, pulling and rinsing, told by the rules of the model and not by the search's own. */
function exhaustive(blocks: readonly Block[], rules: ClockRules): Cost {
  const under = underRunOff(blocks.map(({ touches }) => touches));
  const others = blocks.map(({ together }, b) => blocks.map((_, j) => j).filter((j) => j !== b && together !== undefined && blocks[j].together === together));
  let best: Cost | undefined;
  const walk = (actions: Action[], foiled: number, pulled: number, rinsed: number): void => {
    if (rinsed === 2 ** blocks.length - 1) {
      const { cost } = runService(blocks, actions, rules);
      if (!best || compareCosts(cost, best) < 0) best = cost;
      return;
    }
    blocks.forEach((own, b) => {
      const bit = 1 << b;
      if (!(foiled & bit)) {
        if (own.after?.some((id) => !(foiled & (1 << blocks.findIndex((other) => other.id === id))))) return;
        for (let strength = 0; strength < strengthsOf(own); strength += 1) {
          for (const by of rules.second === 'foils' ? [0, 1] : [0]) walk([...actions, { kind: 'foil', block: b, strength, by }], foiled | bit, pulled, rinsed);
        }
      } else if (rules.second === 'mixes' && !((pulled | rinsed) & bit)) walk([...actions, { kind: 'pull', block: b }], foiled, pulled | bit, rinsed);
    });
    const waiting = foiled & ~rinsed;
    for (let set = waiting; set > 0; set = (set - 1) & waiting) {
      const members = blocks.map((_, b) => b).filter((b) => set & (1 << b));
      const dry = members.every((b) => !(under[b] & ~(rinsed | pulled | set)));
      if (dry && members.every((b) => others[b].every((j) => set & (1 << j)))) walk([...actions, { kind: 'rinse', blocks: members }], foiled, pulled, rinsed | set);
    }
  };
  walk([], 0, 0, 0);
  return best!;
}

const PARTS = ['nape', 'back', 'side-l', 'side-r', 'top-l', 'face-l'] as const satisfies readonly WetPart[];
const drawn = fc.record({
  n: fc.integer({ min: 1, max: 14 }), pace: fc.integer({ min: 40, max: 90 }), ready: fc.integer({ min: 8, max: 34 }), mix: fc.constantFrom('A', 'B'), touches: fc.subarray<WetPart>([...PARTS], { minLength: 1, maxLength: 2 }), more: fc.boolean(),
});
const blocksOf = (all: readonly { n: number; pace: number; ready: number; mix: string; touches: WetPart[]; more: boolean }[]) =>
  all.map(({ n, pace, ready, mix, touches, more }, i) => block(i, {
    mix, seconds: new Array(n).fill(pace), readyMinutes: ready, touches,
    others: [{ mix: `${mix} 30 vol`, readyMinutes: 0.75 * ready, limitMinutes: 45, steps: 1 }, ...(more ? [{ mix: `${mix} 10 vol`, readyMinutes: 1.2 * ready, limitMinutes: 45, steps: 0 }] : [])],
  }));

describe('against every possible service', () => {
  const agrees = (blocks: readonly Block[], rules: ClockRules) => {
    const found = searchService(blocks, { rules });
    expect(found.proved).toBe(true);
    expect(compareCosts(found.timeline.cost, exhaustive(blocks, rules))).toBe(0);
  };
  test('with strengths', () => fc.assert(fc.property(fc.array(drawn, { minLength: 2, maxLength: 3 }), (all) => agrees(blocksOf(all), RULES)), { numRuns: 15 }));
  test('with a second person who mixes and pulls', () =>
    fc.assert(fc.property(fc.array(drawn, { minLength: 2, maxLength: 3 }), (all) => agrees(blocksOf(all).map((own) => ({ ...own, others: [] })), { ...RULES, second: 'mixes' })), { numRuns: 15 }));
  test('with a second person who foils', () =>
    fc.assert(fc.property(fc.array(drawn, { minLength: 2, maxLength: 3 }), (all) => agrees(blocksOf(all).map((own) => ({ ...own, others: [] })), { ...RULES, second: 'foils' })), { numRuns: 15 }));
  test('with sets that belong together, one painted after the other, and an hour away', () =>
    fc.assert(
      fc.property(fc.array(drawn, { minLength: 3, maxLength: 3 }), fc.integer({ min: 5, max: 40 }), (all, from) => {
        const [first, second, third] = blocksOf(all);
        agrees([{ ...first, together: 'back', others: [] }, { ...second, others: [] }, { ...third, others: [], together: 'back', after: ['p0'] }], { ...RULES, away: [{ from, to: from + 12 }] });
      }),
      { numRuns: 12 },
    ));
});

test('its first few thousand steps come within 3 % of the proved optimum', () => {
  let proved = 0;
  fc.assert(
    fc.property(fc.array(drawn, { minLength: 3, maxLength: 4 }), (all) => {
      const blocks = blocksOf(all);
      let asked = 0;
      const quick = searchService(blocks, { stop: () => (asked += 1) > 30 }).timeline.cost;
      const best = searchService(blocks);
      if (!best.proved) return;
      proved += 1;
      const { over, short, visit } = best.timeline.cost;
      expect([quick.over, quick.short]).toEqual([expect.closeTo(over, 5), expect.closeTo(short, 5)]);
      expect(quick.visit).toBeLessThanOrEqual(1.03 * visit);
    }),
    { numRuns: 15 },
  );
  expect(proved).toBe(15);
});

test('a stronger mix is taken where it saves more than it counts for, and never where nothing is saved', () => {
  // Alone it is ready 6 minutes sooner and counts 10 × 0.3.
  const found = searchService([block(0, { others: [stronger, weaker] })], { rules: RULES });
  expect(found.timeline.strengths).toEqual([1]);
  expect(found.timeline.cost.visit).toBeCloseTo(28 + 3 + 3, 6);
  const dear = searchService([block(0, { others: [stronger] })], { rules: { ...RULES, perStep: 1 } });
  expect(dear.timeline.strengths).toEqual([0]);
});

test('what is fixed stays, and the rest is solved around it', () => {
  const blocks = [0, 1, 2, 3].map((i) => block(i, { others: [stronger], seconds: new Array(6 + i).fill(60) }));
  const { actions, timeline, proved } = searchService(blocks, { rules: RULES, fixed: { at: { 0: 3, 2: 0 }, strength: { 1: 1, 3: 0 } } });
  const order = actions.flatMap((own) => (own.kind === 'foil' ? [own.block] : []));
  expect([order[0], order[2]]).toEqual([3, 0]);
  expect([timeline.strengths[1], timeline.strengths[3]]).toEqual([1, 0]);
  expect(proved).toBe(true);
  expect(compareCosts(timeline.cost, searchService(blocks, { rules: RULES }).timeline.cost)).toBeGreaterThanOrEqual(0);
  const same = searchService(blocks.map((own, i) => (i < 2 ? { ...own, together: 'both' } : own)), { rules: RULES });
  const sets = same.timeline.stages.filter(({ blocks: set }) => set.includes(0) || set.includes(1));
  expect(sets).toHaveLength(1);
});

describe('a second pair of hands', () => {
  test('hands fresh bowls over and opens foils: less time at the basin, and nothing is over', () => {
    const blocks = many(6, { touches: ['side-l'] });
    const alone = searchService(blocks, { rules: RULES, stop: stopAfter(12) }).timeline;
    const helped = searchService(blocks, { rules: { ...RULES, second: 'mixes' }, stop: stopAfter(12) }).timeline;
    expect(helped.cost).toMatchObject({ over: 0, short: 0 });
    expect(helped.stages.length).toBeLessThan(alone.stages.length);
    expect(helped.end).toBeLessThan(alone.end - 10);
    // Foil by foil, half a minute each, each ready when it is opened.
    const [pull] = helped.pulls;
    expect(pull.to - pull.from).toBeCloseTo(5, 6);
    for (const { block: own, ready, wet, limit, clear } of helped.foils) if (own === pull.block) expect([wet >= ready - 1e-6, clear <= limit + 1e-6]).toEqual([true, true]);
  });

  test('two people foil at once on different sides, and never at the same place', () => {
    const sides: WetPart[] = ['side-l', 'side-r', 'side-l', 'side-r'];
    const blocks = many(4).map((own, i) => ({ ...own, touches: [sides[i]] }));
    const { timeline } = searchService(blocks, { rules: { ...RULES, second: 'foils' }, stop: stopAfter(12) });
    expect(Math.max(...timeline.foils.map(({ placed }) => placed))).toBeCloseTo(22, 6);
    const span = (b: number) => timeline.foils.filter((own) => own.block === b).map(({ placed }) => placed);
    for (const [one, other] of [[0, 2], [1, 3]]) expect(Math.max(...span(one)) <= Math.min(...span(other)) - 1 || Math.max(...span(other)) <= Math.min(...span(one)) - 1).toBe(true);
    const same = searchService(blocks.map((own) => ({ ...own, touches: ['side-l' as const] })), { rules: { ...RULES, second: 'foils' }, stop: stopAfter(12) }).timeline;
    expect(Math.max(...same.foils.map(({ placed }) => placed))).toBeGreaterThanOrEqual(40);
  });
});

const stopAfter = (times: number) => {
  let asked = 0;
  return () => (asked += 1) > times;
};

test('nothing is begun that would not be done before one is away; a foil pulled early sets no limit', () => {
  const away = [{ from: 5.5, to: 20 }];
  const { foils } = runService(many(1), [{ kind: 'foil', block: 0 }], { ...RULES, away });
  expect(foils.map(({ placed }) => placed)).toEqual([1, 2, 3, 4, 5, 21, 22, 23, 24, 25]);
  const late = searchService(many(1, { readyMinutes: 40 }), { rules: RULES }).timeline.cost;
  const pulled = searchService(many(1, { readyMinutes: 40, pulled: { 0: 30, 1: 30 } }), { rules: RULES }).timeline;
  expect(late.short).toBeGreaterThan(0);
  expect(pulled.cost.short).toBeLessThan(late.short);
  expect(pulled.foils[1]).toMatchObject({ placed: 2, wet: 32, clear: 32.5 });
});

describe('planning the rest', () => {
  /** Where a service stands after some actions that went as planned. */
  const standingAfter = (blocks: readonly Block[], actions: readonly Action[], rules: ClockRules) => {
    const ran = runService(blocks, actions, rules);
    const foiled = actions.flatMap((own) => (own.kind === 'foil' ? [own.block] : []));
    const rinsed = new Set(actions.flatMap((own) => (own.kind === 'rinse' ? own.blocks : [])));
    const left = blocks.map((_, b) => b).filter((b) => !rinsed.has(b));
    const last = foiled[foiled.length - 1];
    return {
      left, rest: left.map((b) => blocks[b]),
      start: {
        now: ran.end, panel: last === undefined ? undefined : blocks[last].panel, bowls: Object.fromEntries(ran.bowls.map(({ mix, at }) => [mix, at])),
        placed: left.map((b) => (foiled.includes(b) ? ran.foils.filter((own) => own.block === b).map(({ placed }) => placed) : undefined)), strengths: left.map(() => 0), pulled: left.map(() => false),
      },
    };
  };

  test('without deviation the remainder is the same plan', () => {
    fc.assert(
      fc.property(fc.array(drawn, { minLength: 2, maxLength: 4 }), fc.nat(), (all, cut) => {
        const blocks = blocksOf(all).map((own) => ({ ...own, others: [] }));
        const whole = searchService(blocks, { rules: RULES });
        // After a rinse the next one may be contiguous, which a plan of the rest does not count on: cut after foils.
        const cuts = whole.actions.flatMap((own, i) => (own.kind === 'foil' ? [i + 1] : []));
        const done = whole.actions.slice(0, cuts[cut % cuts.length]);
        const { rest, start } = standingAfter(blocks, done, RULES);
        const again = searchService(rest, { rules: RULES, start });
        expect(again.proved).toBe(true);
        expect(again.timeline.end).toBeCloseTo(whole.timeline.end, 6);
      }),
      { numRuns: 15 },
    );
  });

  test('what was done late moves the rest, and what is on the head keeps its times', () => {
    const blocks = many(3);
    const { rest, start } = standingAfter(blocks, [{ kind: 'foil', block: 0 }], RULES);
    const late = searchService(rest, { rules: RULES, start: { ...start, now: start.now + 9 } }).timeline;
    expect(late.foils.filter(({ block: b }) => b === 0).map(({ placed }) => placed)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    expect(late.foils.find(({ block: b }) => b === 1)!.placed).toBeCloseTo(22, 6);
  });
});

test('what is fixed past any way out is refused with a sentence', () => {
  expect(() => searchService(many(2), { rules: RULES, fixed: { order: [0] } })).toThrow('What is fixed leaves no way to rinse everything.');
});

test('the nearest alternative is said with what it costs', () => {
  const blocks = many(2);
  const { actions, timeline } = searchService(blocks, { rules: RULES });
  const other = nearestAlternative(blocks, actions, RULES)!;
  expect(other.words).toMatch(/^Panel \d .*: .*(min|much the same)/);
  expect(compareCosts(other.cost, timeline.cost)).toBeGreaterThan(0);
  expect(compareCosts(runService(blocks, other.actions, RULES).cost, other.cost)).toBe(0);
  expect(compareCosts(runService(blocks, simplePlan(blocks, RULES), RULES).cost, timeline.cost)).toBeGreaterThanOrEqual(0);
});
