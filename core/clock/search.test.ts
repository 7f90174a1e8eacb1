import fc from 'fast-check';
import {
  compareCosts,
  follow,
  Head,
  planFollowed,
  plansOf,
  Question,
  Search,
  USUAL_FRAME,
  USUAL_RULES,
  type Block,
  type ClockRules,
  type Cost,
  type Pulling,
} from '.';
import { blockOf } from './testing';

const RULES: ClockRules = { ...USUAL_RULES, panelChange: 2 };

/**
 * The cheapest of all services with so many visits: every order, every batch of pulls at every moment at
 * which one more is ready, every set of blocks rinsed.
 */
function cheapest(blocks: readonly Block[], rules: ClockRules, visits: number, pulling: Pulling): Cost {
  const question = new Question(blocks, rules);
  let best: Cost | undefined;
  const some = <T>(all: readonly T[]) =>
    Array.from({ length: 2 ** all.length - 1 }, (_, bits) => all.filter((__, i) => ((bits + 1) >> i) & 1));
  const visit = (head: Head): void => {
    if (head.done) {
      if (!best || compareCosts(head.cost, best) < 0) best = head.cost;
      return;
    }
    if (
      best &&
      (head.over > best.over + 1e-6 ||
        (best.over < 1e-6 && head.over < 1e-6 && head.short > best.short + 1e-6))
    )
      return;
    const begun = blocks.findIndex((_, b) => head.nextOf(b) > question.first[b]);
    for (const b of begun >= 0 ? [begun] : blocks.map((_, i) => i).filter((i) => head.nextOf(i) >= 0)) {
      const next = head.copy();
      next.place(next.nextOf(b));
      visit(next);
    }
    if (pulling === 'own')
      for (const batch of some(head.on)) {
        const next = head.copy();
        next.pull(
          batch,
          0,
          Math.max(
            head.hands[0].free,
            ...batch.map((f, i) => head.releaseOf(f) - rules.pullChange - i * rules.pullEach),
          ),
        );
        visit(next);
      }
    if (head.stages.length === visits) return;
    const on = question.block.flatMap((_, f) => (head.placed[f] >= 0 && head.rinsed[f] === 0 ? [f] : []));
    for (const set of some([...new Set(on.map((f) => question.block[f]))])) {
      const foils = on.filter((f) => set.includes(question.block[f]));
      if (head.mayRinse(foils).length < foils.length) continue;
      const next = head.copy();
      next.rinse(foils);
      visit(next);
    }
  };
  visit(new Head(question));
  return best!;
}

const drawn = fc.record({
  seconds: fc.array(fc.integer({ min: 120, max: 900 }), { minLength: 1, maxLength: 2 }),
  readyMinutes: fc.integer({ min: 8, max: 30 }),
  room: fc.integer({ min: 6, max: 15 }),
  part: fc.constantFrom('nape' as const, 'back' as const, 'top-l' as const),
});

test.each([1, 2])(
  'a handful of foils, %d visits: equal to going through every order, pull and rinse',
  (visits) => {
    fc.assert(
      fc.property(
        fc
          .array(drawn, { minLength: 2, maxLength: 3 })
          .filter((all) => all.reduce((sum, { seconds }) => sum + seconds.length, 0) <= 4),
        (all) => {
          const blocks = all.map(({ room, ...own }, i) =>
            blockOf(i, { ...own, limitMinutes: own.readyMinutes + room }),
          );
          const expected = cheapest(blocks, RULES, visits, 'own');
          const found = new Search(blocks, RULES).find({ visits, pulling: 'own', order: 'free' }).head.cost;
          expect({ ...found, past: 0, pulled: 0 }).toEqual({
            over: expect.closeTo(expected.over, 6),
            short: expect.closeTo(expected.short, 6),
            length: expect.closeTo(expected.length, 6),
            past: 0,
            pulled: 0,
          });
        },
      ),
      { numRuns: 12 },
    );
  },
);

test('what is followed is near the exact answer where that can be had', () => {
  const gaps: number[] = [];
  fc.assert(
    fc.property(fc.array(drawn, { minLength: 2, maxLength: 2 }), (all) => {
      const blocks = all.map(({ room, ...own }, i) =>
        blockOf(i, { ...own, limitMinutes: own.readyMinutes + room }),
      );
      const exact = new Search(blocks, RULES).find({ visits: 1, pulling: 'own', order: 'own' }).head;
      const plain = follow(new Question(blocks, RULES), {
        order: [0, 1],
        rinses: [],
        pulling: 'own',
        by: [],
        strengths: [],
      });
      if (exact.over < 1e-6 && plain.over < 1e-6) gaps.push(plain.free - exact.free);
    }),
    { numRuns: 40 },
  );
  expect(gaps.length).toBeGreaterThan(15);
  expect(gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length).toBeLessThan(1);
});

const panels = (sizes: readonly number[], seconds: number, readyMinutes: number): Block[] =>
  sizes.map((n, i) =>
    blockOf(i, {
      seconds: new Array<number>(n).fill(seconds),
      readyMinutes,
      limitMinutes: 45,
      part: (['back', 'side-l', 'side-r'] as const)[i],
    }),
  );
const ask = (blocks: readonly Block[], part: object = {}) => ({
  blocks,
  rules: USUAL_RULES,
  frame: USUAL_FRAME,
  fixed: {},
  strengths: false,
  chosen: null,
  ...part,
});

describe('ordinary heads, alone, three minutes in hand', () => {
  test.each([
    ['100 foils, ready 16', [62, 19, 19], 62, 16, 1, 200],
    ['100 foils, ready 16, two visits', [62, 19, 19], 62, 16, 2, 190],
    ['98 foils, ready 34', [58, 16, 24], 62, 34, 2, 240],
    ['126 foils, ready 30', [70, 28, 28], 65, 30, 2, 280],
    ['31 teased foils, ready 38', [31], 120, 38, 2, 155],
    ['a rim of 13, ready 38', [13], 62, 38, 1, 65],
  ])('%s: nothing over', (_, sizes, seconds, ready, visits, most) => {
    const [plan] = plansOf(ask(panels(sizes, seconds, ready), { frame: { visits, backFirst: false } }));
    expect(plan.figures).toMatchObject({ worstOver: 0, foilMinutesOver: 0, short: 0 });
    expect(plan.figures.basinVisits).toBeLessThanOrEqual(visits);
    expect(plan.figures.end).toBeLessThanOrEqual(most);
    expect(plan.gapMinutes).toBeGreaterThanOrEqual(0);
    // A lower bound is never above what was reached.
    expect(plan.gapMinutes).toBeLessThan(plan.figures.end);
  });

  test('98 foils with a second person who pulls: within 165 min', () => {
    const [plan] = plansOf(ask(panels([58, 16, 24], 62, 34), { rules: { ...USUAL_RULES, second: 'pulls' } }));
    expect(plan.figures).toMatchObject({ worstOver: 0, short: 0 });
    expect(plan.figures.end).toBeLessThanOrEqual(165);
  });

  test('back once, then the rest: exactly two visits, and what is past the limit is said', () => {
    const plans = plansOf(ask(panels([70, 26, 26], 62, 30), { frame: { visits: 2, backFirst: true } }));
    expect(plans.map(({ figures }) => figures.basinVisits)).toEqual(plans.map(() => 2));
    expect(plans[0]).toMatchObject({ name: 'Back first, then the rest', figures: { worstOver: 0 } });
    const past = plans.find(({ figures }) => figures.worstOver > 0)!;
    expect(past.name).toBe(
      `Back first, then the rest: first foil ${Math.ceil(past.figures.worstOver)} min past the limit`,
    );
    expect(past.figures.foilMinutesOver).toBeGreaterThan(past.figures.worstOver);
  });
});

describe('the list of plans', () => {
  const plans = plansOf(ask(panels([58, 16, 24], 62, 34)));

  test('the first has nothing past a limit; none is as good as another in everything; each is named by what it does', () => {
    expect(plans.length).toBeGreaterThan(2);
    expect(plans.length).toBeLessThanOrEqual(5);
    expect(plans[0].figures.worstOver).toBe(0);
    expect(plans.map(({ name }) => name)).toEqual(
      expect.arrayContaining([
        'Pull as they are ready, one rinse',
        expect.stringMatching(/^With a second person from minute \d+$/),
        expect.stringMatching(/: first foil \d+ min past the limit$/),
      ]),
    );
    for (const a of plans)
      for (const b of plans) {
        if (a === b || a.second !== b.second) continue;
        const better = (['end', 'basinVisits', 'worstOver', 'pulled', 'short'] as const).some(
          (key) => a.figures[key] < b.figures[key] - 1e-6,
        );
        expect(better).toBe(true);
      }
  });

  test('figures are those of the timeline', () => {
    for (const { figures, timeline } of plans) {
      expect(figures.end).toBe(timeline.end);
      expect(figures.basinVisits).toBe(timeline.stages.length);
      expect(figures.pulled).toBe(timeline.pulls.reduce((sum, { foils }) => sum + foils.length, 0));
      expect(figures.worstOver).toBeCloseTo(
        Math.max(0, ...timeline.foils.map(({ clear, limit }) => clear - limit)),
        6,
      );
    }
  });

  test('one that was chosen comes first, whatever it is; the same question has the same answer', () => {
    const past = plans.find(({ figures }) => figures.worstOver > 0)!;
    expect(plansOf(ask(panels([58, 16, 24], 62, 34), { chosen: past.key }))[0].figures).toEqual(past.figures);
    expect(plansOf(ask(panels([58, 16, 24], 62, 34)))).toEqual(plans);
  });

  test('a panel keeps the place that it was given', () => {
    for (const { course } of plansOf(ask(panels([20, 16, 24], 62, 34), { fixed: { at: { 0: 2 } } })))
      expect(course.order[0]).toBe(2);
  });

  test('no rinse leaves fewer than five foils of a panel on one side of it', () => {
    for (const { timeline } of plansOf(
      ask(panels([58, 16, 24], 62, 16), { frame: { visits: null, backFirst: false } }),
    )) {
      for (const { from } of timeline.stages.slice(0, -1))
        for (const b of [0, 1, 2]) {
          const foils = timeline.foils.filter(({ block }) => block === b);
          const before = foils.filter(({ placed }) => placed <= from + 1e-6).length;
          expect(
            before === 0 || before === foils.length || Math.min(before, foils.length - before) >= 5,
          ).toBe(true);
        }
    }
  });
});

test.each([14, 18, 20, 21, 22, 23, 24, 26])(
  '%d foils: what is followed is the first of the list, and keeps its margin',
  (n) => {
    const question = ask(panels([n], 62, 20));
    const [first] = plansOf(question);
    expect(planFollowed(question)).toMatchObject({ key: first.key, figures: first.figures });
    for (const { clear, limit } of first.timeline.foils)
      expect(limit - clear).toBeGreaterThanOrEqual(3 - 1e-6);
  },
);

test.each([0, 1, 300])('%d foils: always a plan', (n) => {
  const [plan] = plansOf(ask(panels([n], 62, 30)));
  expect(plan.timeline.foils).toHaveLength(n);
  expect(plan.figures.worstOver).toBe(0);
});
