import { startPlan } from '../formats';
import { LINE_SPREAD, TEASING_MM, visibleLine, type Edge } from '../growth';
import { ZONES, type Zone } from '../head';
import { createPatternEngine, type Gather, type Plan, type Start } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import { CURLS, LineReader, oldLineOf, rootLinesOf, subjectOf, type WearSubject } from '.';
import { allOver } from './testing';

const engine = createPatternEngine();
const reader = new LineReader(engine);
const read = (subject: WearSubject) => reader.lines(subject, engine.compute(subject.plan));
const colourOf = (
  naturalLevel: number,
  targetLevel: number,
  own: Partial<WearSubject['colour']> = {},
): WearSubject['colour'] => ({ naturalLevel, targetLevel, byZone: {}, regrowthMm: {}, tone: null, ...own });
const everywhere = <T>(item: T) => Object.fromEntries(ZONES.map((zone) => [zone, item])) as Record<Zone, T>;

const slice: Gather = { kind: 'slice' };
const weave = (mm: number, depth = 0.5): Gather => ({ kind: 'weave', stitchMm: mm, gapMm: mm, depth });
/** The same from a start of its own; painted to the scalp without a feather where nothing is said. */
const startedAt = (
  gather: Gather,
  thicknessMm: number,
  dropoutMm: number,
  start: Partial<Start> = {},
): Plan =>
  allOver(gather, thicknessMm, dropoutMm, { start: { distanceMm: 0, featherMm: 0, teasing: 0, ...start } });
/** Growth until the first root line is seen, mm. */
const growth = (subject: WearSubject) =>
  Math.min(Infinity, ...rootLinesOf(read(subject)).map(({ growMm }) => growMm));

describe('two estimates of one line agree within their spreads', () => {
  const soft = (start: Partial<Start>) => (start.featherMm ?? 0) + TEASING_MM * (start.teasing ?? 0);
  // The first ten were looked at when the measure was made; the second ten were written down before they were
  // run.
  test.each<[string, Edge, Gather, number, number, Partial<Start>, number, number]>([
    ['slices 4 and 4, 6 to 9', 'slice', slice, 4, 4, {}, 6, 9],
    ['slices 4 and 5, 2 to 9', 'slice', slice, 4, 5, {}, 2, 9],
    ['slices 4 and 4, 7 to 9', 'slice', slice, 4, 4, {}, 7, 9],
    ['fine weaves 4 and 5, 6 to 9', 'soft', weave(2.5), 4, 5, {}, 6, 9],
    ['fine weaves 4 and 5, 2 to 9', 'soft', weave(2.5), 4, 5, {}, 2, 9],
    ['medium weaves 6 and 6, 6 to 9', 'medium', weave(4.5), 6, 6, {}, 6, 9],
    ['slices feathered over 40, 6 to 9', 'slice', slice, 4, 4, { featherMm: 40 }, 6, 9],
    ['slices feathered over 20, 6 to 9', 'slice', slice, 4, 4, { featherMm: 20 }, 6, 9],
    ['deep weaves 10 and 10, 5 to 9', 'medium', weave(6, 1), 10, 10, {}, 5, 9],
    ['baby lights 2.5 and 2, 6 to 9', 'soft', weave(1.5), 2.5, 2, {}, 6, 9],
    ['slices 3 and 9, 5 to 9', 'slice', slice, 3, 9, {}, 5, 9],
    ['slices 5 and 3, 4 to 8', 'slice', slice, 5, 3, {}, 4, 8],
    ['baby lights 2 and 1, 7 to 10', 'soft', weave(1.5), 2, 1, {}, 7, 10],
    ['medium weaves 7 and 4, 3 to 8', 'medium', weave(5), 7, 4, {}, 3, 8],
    ['medium weaves 6 and 10, 5 to 9', 'medium', weave(4.5), 6, 10, {}, 5, 9],
    ['fine weaves 3 and 3, 4 to 7', 'soft', weave(2), 3, 3, {}, 4, 7],
    ['teased twice 10 and 10, 5 to 9', 'soft', slice, 10, 10, { teasing: 2 }, 5, 9],
    ['medium weaves feathered over 30, 5 to 9', 'medium', weave(4.5), 6, 6, { featherMm: 30 }, 5, 9],
    ['deep weaves 8 and 6, 2 to 8', 'medium', weave(5, 1), 8, 6, {}, 2, 8],
    ['zigzag 8 and 5, 6 to 9', 'medium', { kind: 'zigzag', pointMm: 6, depth: 0.7 }, 8, 5, {}, 6, 9],
  ])('%s', (_name, edge, gather, thicknessMm, dropoutMm, start, naturalLevel, targetLevel) => {
    const seen = growth(
      subjectOf(startedAt(gather, thicknessMm, dropoutMm, start), {
        colour: colourOf(naturalLevel, targetLevel),
      }),
    );
    const { atMm: quick } = visibleLine({
      edge,
      contrast: targetLevel - naturalLevel,
      mmPerWeek: 1,
      featherMm: soft(start),
    });
    const overlap = Math.max(seen, quick) * (1 - LINE_SPREAD) <= Math.min(seen, quick) * (1 + LINE_SPREAD);
    expect({ seen: Math.round(seen), quick: Math.round(quick), overlap }).toMatchObject({ overlap: true });
  });
});

test('seven levels of contrast show before two, in the ratio of the quick estimate within 30%', () => {
  const sliced = (base: number) => growth(subjectOf(startedAt(slice, 4, 5), { colour: colourOf(base, 9) }));
  const quick = (contrast: number) => visibleLine({ edge: 'slice', contrast, mmPerWeek: 1 }).atMm;
  for (const contrast of [2, 3, 4, 5, 7])
    expect(Math.abs(sliced(9 - contrast) / sliced(2) / (quick(contrast) / quick(7)) - 1)).toBeLessThan(0.3);
  expect(sliced(2)).toBeLessThan(0.5 * sliced(7));
});

test('hair that is as light as the light draws no line; more grey, less of one', () => {
  expect(rootLinesOf(read(subjectOf(startedAt(slice, 4, 4), { colour: colourOf(9, 9) })))).toEqual([]);
  const grey = (greyShare: number) =>
    growth(
      subjectOf(startedAt(slice, 4, 4), { colour: colourOf(5, 9, { byZone: everywhere({ greyShare }) }) }),
    );
  expect(grey(0.4)).toBeGreaterThan(grey(0));
  expect(grey(0.9)).toBe(Infinity);
});

test('a teased start 60 mm off is soft on the first day and no line for 16 weeks; a sharp one there is seen at once', () => {
  const at = (own: Partial<Start>) => growth(subjectOf(startedAt(slice, 10, 8, { distanceMm: 60, ...own })));
  expect(at({ teasing: 3 }) / 2.875).toBeGreaterThanOrEqual(16);
  expect(at({})).toBe(0);
});

test('a root shadow puts the line off, and it is the shadow’s edge', () => {
  const of = (shadowMm: number | null) => subjectOf(startedAt(slice, 4, 4), { shadowMm });
  expect(growth(of(20))).toBeGreaterThan(1.3 * growth(of(null)));
  expect(new Set(read(of(20)).map(({ kind }) => kind))).toEqual(new Set(['shadow']));
});

test('the more it curls, the later a line is seen', () => {
  const weeks = CURLS.map((curl) => growth(subjectOf(startedAt(slice, 4, 4), { curl })));
  expect(weeks).toEqual([...weeks].sort((a, b) => a - b));
  expect(weeks[3]).toBeGreaterThan(1.3 * weeks[0]);
});

test('formulas that reach less draw a softer line', () => {
  const plan = startedAt(slice, 4, 4);
  const levels = Object.fromEntries(engine.compute(plan).sheet.foils.map(({ id }) => [id, 7.5]));
  expect(growth(subjectOf(plan, { levels }))).toBeGreaterThan(1.4 * growth(subjectOf(plan)));
});

describe('earlier light', () => {
  const solid = (grownMm: number): WearSubject['colour'] =>
    colourOf(5, 9, { byZone: everywhere({ midsLevel: 9, endsLevel: 9 }), regrowthMm: everywhere(grownMm) });
  const bare = (colour: WearSubject['colour'], own: Partial<WearSubject> = {}) =>
    subjectOf({ ...startPlan(), panels: [] }, { colour, ...own });
  const old = (plan: Plan, own: Partial<WearSubject> = {}) =>
    oldLineOf(read(subjectOf(plan, { colour: solid(35), ...own })));

  test('as the hair map has it, is a line where it has grown to', () => {
    for (const mm of [26, 60, 100]) {
      const line = oldLineOf(read(bare(solid(mm))))!;
      expect(line).toMatchObject({ seen: true });
      expect(Math.abs(line.atMm - mm)).toBeLessThanOrEqual(10);
      expect(line.share).toBeCloseTo(1, 2);
    }
    expect(read(bare(colourOf(5, 9)))).toEqual([]);
  });

  test('weaves alone leave it; slices near the top break it; depth on the ends takes more of it', () => {
    const weaves = old(startedAt(weave(2.5), 4, 5))!;
    const slices = old(startedAt(slice, 4, 4))!;
    expect(weaves.seen).toBe(true);
    expect(weaves.share).toBeGreaterThan(0.8);
    expect(slices.seen).toBe(false);
    expect(slices.share).toBeLessThan(0.62);
    const depth: Plan = {
      ...startedAt(weave(2.5), 4, 5),
      panels: [
        ...startedAt(weave(2.5), 4, 5).panels.map((panel) => ({
          ...panel,
          dropouts: { every: 1, treatments: ['lowlight' as const], together: 1, recipes: {} },
        })),
      ],
    };
    const facts = [
      { letter: 'A', lifts: true, reach: 'ends' as const, endsMm: 0 },
      { letter: 'L', lifts: false, reach: 'ends' as const, endsMm: 0 },
    ];
    expect(old(depth, { letters: { facts, lowlight: 'L' } })!.share).toBeLessThan(0.5 * weaves.share);
  });

  test('of the visit before shows where no map says otherwise, with the level that it came to', () => {
    const before = (level: number) =>
      bare(colourOf(5, 9), { before: { plan: startedAt(slice, 4, 4), level, grownMm: 40, grownByZone: {} } });
    const [light, dark] = [9, 7].map((level) => oldLineOf(read(before(level)))!);
    expect(Math.abs(light.atMm - 40)).toBeLessThanOrEqual(4);
    expect(dark.hardness).toBeLessThan(light.hardness);
  });

  test('a band is a line at its place', () => {
    const byZone = { 'top-l': { midsLevel: 8, endsLevel: 9, band: { level: 6, fromMm: 40, toMm: 60 } } };
    const [band] = read(bare(colourOf(5, 9, { byZone, regrowthMm: { 'top-l': 20 } }))).filter(
      ({ kind }) => kind === 'band',
    );
    expect(band).toMatchObject({ zone: 'top-l', atMm: 40 });
  });
});

test('a mirrored plan has mirrored lines', () => {
  const lines = read(subjectOf(planOf(techniqueOf('four-quarters')!)));
  const of = (side: string) =>
    lines
      .filter(({ zone }) => zone.endsWith(side))
      .map(({ zone, hardness }) => [zone.slice(0, -2), hardness.toFixed(2)]);
  expect(of('-l')).toEqual(of('-r'));
});

test('what a record says counts: a level less lasts longer, a zone that was left out has no root line', () => {
  const plan = startedAt(slice, 4, 4);
  const planned = growth(subjectOf(plan));
  const done = (level: number) => everywhere({ byMm: 0, level });
  expect(growth(subjectOf(plan, { done: done(8) }))).toBeGreaterThan(planned);
  expect(growth(subjectOf(plan, { done: everywhere({ byMm: 6, level: null }) }))).toBeCloseTo(planned - 6, 0);
  const rest = Object.fromEntries(Object.entries(done(9)).filter(([zone]) => zone !== 'crown'));
  expect(
    read(subjectOf(plan, { done: rest })).some(({ zone, kind }) => zone === 'crown' && kind === 'new'),
  ).toBe(false);
});
