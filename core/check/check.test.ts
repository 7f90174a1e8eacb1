import { planWith, engine } from '../pattern/testing';
import { planOf, TECHNIQUES, techniqueOf } from '../technique';
import { startPlan } from '../formats';
import type { Zone } from '../head';
import type { Plan } from '../pattern';
import { checksOf, NO_FACTS, unlitStretches, USUAL_LIMITS, type Rule } from './index';

const rules = (plan: Plan, limits = USUAL_LIMITS) =>
  checksOf({ plan, computed: engine.compute(plan), limits }).map(({ rule }) => rule);
const check = (plan: Plan, rule: Rule) =>
  checksOf({ plan, computed: engine.compute(plan) }).find((other) => other.rule === rule);

/** Applies the mend of a finding and says which findings of that rule are left. */
function leftAfterMend(plan: Plan, rule: Rule) {
  const found = check(plan, rule)!;
  const mended = found.mend!.apply(plan);
  return { found, mended, left: check(mended, rule) };
}

test('a fine weave over the whole head has no finding but those that are matters of taste', () => {
  expect(rules(startPlan())).toEqual([]);
});

test('an empty head has none', () => expect(rules(startPlan({ muted: true }))).toEqual([]));

test.each([
  [{ gather: { kind: 'slice' }, thicknessMm: 9 }, 'slice', 6.4],
  [{ gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 }, thicknessMm: 8 }, 'fine weave', 5],
] as const)('thicker than see-through: %j', (panel, name, limit) => {
  const { found, mended, left } = leftAfterMend(planWith([panel]), 'thick');
  expect(found.seen).toContain(`thicker than see-through for a ${name} (${limit} mm)`);
  expect(mended.panels[0].thicknessMm).toBe(limit);
  expect(left).toBeUndefined();
});

test('deep weaves and teased sections fail the see-through test on purpose', () => {
  expect(rules(planOf(techniqueOf('teased-sweep')!))).not.toContain('thick');
  expect(rules(planOf(techniqueOf('deep-contrast')!))).not.toContain('thick');
});

test('a section wider than the foil names its foils, and is divided into columns', () => {
  const { found, left } = leftAfterMend(
    planWith([{ columns: { layout: 'aligned', onePerRow: true } }]),
    'wide',
  );
  expect(found.foils.length).toBeGreaterThanOrEqual(8);
  expect(left).toBeUndefined();
});

test('two foils back to back at the part get a sliver', () => {
  const plan = planWith([
    {
      place: { kind: 'part-strip', leftMm: 25, rightMm: 25 },
      side: 'both',
      direction: { kind: 'part' },
      thicknessMm: 3,
      spacing: { kind: 'backwards', sliverMm: 0, spacing: { kind: 'constant', dropoutMm: 5 } },
    },
  ]);
  const { found, left } = leftAfterMend(plan, 'back-to-back');
  expect(found.foils).toHaveLength(2);
  expect(left).toBeUndefined();
  expect(rules(planOf(techniqueOf('fast-slices')!))).not.toContain('back-to-back');
});

test('a diagonal that turns until it lies flat is named from that row on, and kept; turning to the part is meant', () => {
  const pivot = (toDeg: number | 'part') =>
    planWith([{ place: { kind: 'side' }, direction: { kind: 'pivot', fromDeg: 40, toDeg } }]);
  const { found, mended, left } = leftAfterMend(pivot(-5), 'drift');
  expect(found.seen).toMatch(/it turns from diagonal back 40° by \d\d° and lies flat from row \d+ on\.$/);
  expect(mended.panels[0].direction).toEqual({ kind: 'parallel', angleDeg: 40 });
  expect(left).toBeUndefined();
  expect(rules(pivot(25))).not.toContain('drift');
  expect(rules(pivot('part'))).not.toContain('drift');
});

test('a jump in the drop-out is eased', () => {
  const { found, left } = leftAfterMend(
    planWith([{ spacing: { kind: 'graded', dropoutsMm: [2, 12] } }]),
    'jump',
  );
  expect(found.seen).toContain('from 2 to 12 mm');
  expect(left).toBeUndefined();
  expect(rules(planWith([{ spacing: { kind: 'graded', dropoutsMm: [2, 2, 5] } }]))).not.toContain('jump');
});

describe('the hairline', () => {
  const backOnly = planWith([{}]);

  test('foils behind only: the face is unlit, and said so with its length and place', () => {
    const found = checksOf({ plan: backOnly, computed: engine.compute(backOnly) }).filter(
      ({ rule }) => rule === 'unlit-hairline',
    );
    expect(found[0].seen).toMatch(/^No foil for \d+ mm of the hairline round the face\.$/);
    expect(Number(/\d+/.exec(found[0].seen)![0])).toBeGreaterThan(200);
  });

  test('the mend lights it', () => {
    const { mended } = leftAfterMend(backOnly, 'unlit-hairline');
    const longest = unlitStretches({
      plan: mended,
      computed: engine.compute(mended),
      limits: USUAL_LIMITS,
      facts: NO_FACTS,
    })[0];
    expect(longest?.lengthMm ?? 0).toBeLessThan(USUAL_LIMITS.unlitMm);
  });

  test('a gap behind one ear is found on its side and mended there', () => {
    const gap = planWith([
      {
        place: { kind: 'hairline-band', widthMm: 12, fromDeg: 0, toDeg: 180 },
        side: 'right',
        direction: { kind: 'hairline' },
      },
      {
        place: { kind: 'hairline-band', widthMm: 12, fromDeg: 0, toDeg: 88 },
        side: 'left',
        direction: { kind: 'hairline' },
      },
      {
        place: { kind: 'hairline-band', widthMm: 12, fromDeg: 150, toDeg: 180 },
        side: 'left',
        direction: { kind: 'hairline' },
      },
    ]);
    const { found, mended, left } = leftAfterMend(gap, 'behind-ear');
    expect(found.seen).toMatch(/behind the ear, left/);
    expect(mended.panels.at(-1)).toMatchObject({ side: 'left', name: 'Rim, left' });
    expect(left).toBeUndefined();
  });

  test('the rim for hair worn up leaves no place dark', () => {
    expect(
      rules(planOf(techniqueOf('perimeter-up')!)).filter(
        (rule) => rule === 'unlit-hairline' || rule === 'behind-ear',
      ),
    ).toEqual([]);
  });
});

test('a slice on the hairline can become the finest weave', () => {
  const face = planWith([
    {
      place: { kind: 'hairline-band', widthMm: 12, fromDeg: 0, toDeg: 80 },
      direction: { kind: 'hairline' },
      gather: { kind: 'slice' },
      thicknessMm: 3,
    },
  ]);
  const { found, left } = leftAfterMend(face, 'slice-on-hairline');
  expect(found.foils.length).toBeGreaterThan(1);
  expect(left).toBeUndefined();
});

test('single alternation in a crossed pattern becomes pairs', () => {
  const [panel] = planOf(techniqueOf('crossed-part')!).panels;
  const crossed = {
    ...planWith([]),
    panels: [{ ...panel, rotation: { sequence: 'AB', by: 'foil' as const, anew: false, from: 1, to: null } }],
  };
  const { mended, left } = leftAfterMend(crossed, 'single-alternation');
  expect(mended.panels[0].rotation!.sequence).toBe('AABB');
  expect(left).toBeUndefined();
});

test('a turn as long as the rows are wide makes stripes down the head: row by row it does not', () => {
  const wide = {
    place: { kind: 'zones' as const, zones: ['occipital' as const] },
    side: 'across' as const,
    rotation: { sequence: 'AB', by: 'foil' as const, anew: false, from: 1, to: null },
  };
  const { found, left, mended } = leftAfterMend(planWith([wide]), 'single-alternation');
  expect(found.seen).toMatch(/columns come out all in one letter/);
  expect(mended.panels[0].rotation!.by).toBe('row');
  expect(left).toBeUndefined();
  // One foil a row: the letters follow each other down the head, as they should.
  expect(rules(planWith([{ ...wide, columns: { layout: 'aligned', onePerRow: true } }]))).not.toContain(
    'single-alternation',
  );
});

test('an open crown in a lit head is found and foiled', () => {
  const open = planWith([
    {
      place: { kind: 'except', place: { kind: 'whole' }, without: [{ kind: 'zones', zones: ['crown'] }] },
      side: 'both',
    },
  ]);
  const { left } = leftAfterMend(open, 'crown-open');
  expect(left).toBeUndefined();
});

test('more time than was agreed is said; a rule that is off says nothing', () => {
  const plan = startPlan();
  expect(rules(plan, { ...USUAL_LIMITS, minutes: 90 })).toContain('over-time');
  expect(
    checksOf({
      plan,
      computed: engine.compute(plan),
      limits: { ...USUAL_LIMITS, minutes: 90 },
      off: ['over-time'],
    }).map(({ rule }) => rule),
  ).not.toContain('over-time');
});

test.each(TECHNIQUES.map(({ key }) => key))(
  '%s: every finding has its reason, and every mend changes the plan',
  (key) => {
    const plan = planOf(techniqueOf(key)!);
    for (const own of checksOf({ plan, computed: engine.compute(plan) })) {
      expect(own.seen.length * own.why.length).toBeGreaterThan(0);
      if (own.mend) expect(own.mend.apply(plan)).not.toEqual(plan);
    }
  },
);

test('straight partings at a pointed hairline are taken along the hairline', () => {
  const pointed = { ...planWith([]).head, hairline: { left: 'pointed', right: 'round' } } as const;
  const plan = planWith([{ place: { kind: 'whole' } }], { head: pointed });
  const { found, left } = leftAfterMend(plan, 'pointed-column');
  expect(found.seen).toMatch(/^Panel 1: straight partings at a pointed hairline \(\d+ foils? in front\)\.$/);
  expect(left).toBeUndefined();
  expect(rules(planWith([{ place: { kind: 'whole' } }]))).not.toContain('pointed-column');
});

test('short hair at the hairline is not foiled', () => {
  const average = planWith([
    { place: { kind: 'hairline-band', widthMm: 12 }, direction: { kind: 'hairline' } },
  ]);
  const plan = { ...average, hair: { ...average.hair, byZone: { 'nape-hairline': { lengthMm: 25 } } } };
  const { found, left } = leftAfterMend(plan, 'short-hairline');
  expect(found.foils.length).toBeGreaterThan(0);
  expect(left).toBeUndefined();
  expect(rules(average)).not.toContain('short-hairline');
});

test('baby hair marked on the hair map is not foiled either, and away from the hairline it is no matter', () => {
  const plan = planWith([{ place: { kind: 'hairline-band', widthMm: 12 }, direction: { kind: 'hairline' } }]);
  const found = (zone: Zone) =>
    checksOf({
      plan,
      computed: engine.compute(plan),
      limits: USUAL_LIMITS,
      off: [],
      facts: { ...NO_FACTS, brokenZones: [zone] },
    }).find(({ rule }) => rule === 'short-hairline');
  expect(found('nape-hairline')!.seen).toMatch(/^Nape hairline: baby hair or breakage lies in \d+ foils/);
  expect(found('crown')).toBeUndefined();
});

test('over hair that was lightened before, it says where to stop', () => {
  const plan = planWith([{}]);
  const facts = {
    ...NO_FACTS,
    regrowthMm: { 'upper-back-l': 25, 'upper-back-r': 30 },
    overlapping: engine
      .compute(plan)
      .sheet.foils.filter(({ zone }) => /^upper-back/.test(zone))
      .map(({ id }) => id),
  };
  const found = checksOf({ plan, computed: engine.compute(plan), limits: USUAL_LIMITS, off: [], facts }).find(
    ({ rule }) => rule === 'overlap',
  )!;
  expect(found.seen).toMatch(/stop 25–30 mm from the scalp/);
  expect(found.foils).toEqual(facts.overlapping);
  // Which foils overlap is said by the work: without one there is none to say.
  expect(
    checksOf({
      plan,
      computed: engine.compute(plan),
      limits: USUAL_LIMITS,
      off: [],
      facts: { ...facts, overlapping: [] },
    }).filter(({ rule }) => rule === 'overlap'),
  ).toEqual([]);
});

test('over budget by one cent is said, at the budget it is not; a rule that is off is silent', () => {
  const plan = planWith([{}]);
  const at = (priceMinor: number, off: Rule[] = []) =>
    checksOf({
      plan,
      computed: engine.compute(plan),
      limits: USUAL_LIMITS,
      off,
      facts: {
        ...NO_FACTS,
        priceMinor,
        budgetMinor: 12_000,
      },
    }).map(({ rule }) => rule);
  expect(at(12_001)).toContain('over-budget');
  expect(at(12_000)).not.toContain('over-budget');
  expect(at(12_001, ['over-budget'])).not.toContain('over-budget');
});
