import { engine, planWith } from '../pattern/testing';
import { USUAL_TREATMENT, type Plan } from '../pattern';
import { MINUTES_PER_PANEL_CHANGE } from '../clock/pace';
import { placedUnits, unplaced, type PlacingFacts } from './placed';
import type { LetterFacts } from './letters';

const HAIR_MM = 300;
const A: LetterFacts = { letter: 'A', lifts: true, reach: 'ends', endsMm: 0, target: null };
const FACTS: PlacingFacts = {
  letters: { facts: [A], lowlight: null },
  regrowthMm: {},
  painting: 'as-you-foil',
};
type PanelPart = Parameters<typeof planWith>[0][number];
const SLICES: PanelPart = {
  place: { kind: 'back' },
  side: 'left',
  gather: { kind: 'slice' },
  thicknessMm: 6,
  spacing: { kind: 'constant', dropoutMm: 14 },
};
const panelPlan = (...panels: readonly PanelPart[]): Plan => {
  const plan = planWith(panels.map((panel) => ({ ...SLICES, ...panel })));
  return { ...plan, hair: { ...plan.hair, lengthMm: HAIR_MM } };
};
const placed = (plan: Plan, facts: Partial<PlacingFacts> = {}) =>
  placedUnits(plan, engine.compute(plan), { ...FACTS, ...facts });
const one = (panel: PanelPart = {}, facts: Partial<PlacingFacts> = {}) => placed(panelPlan(panel), facts)[0];
const letters = (part: Partial<LetterFacts>, lowlight: string | null = null) => ({
  letters: { facts: [{ ...A, ...part }], lowlight },
});
const treated = (treatments: ('tip-out' | 'lowlight' | 'paint')[], part: object = {}): PanelPart => ({
  dropouts: { every: 1, treatments, together: 1, recipes: {}, ...part },
});

test('in the order of the hand, one after the other, with a while between panels', () => {
  const units = placed(panelPlan({}, { place: { kind: 'whole' }, side: 'right', medium: 'open-air' }));
  expect(units.map(({ order }) => order)).toEqual(units.map((_, i) => i + 1));
  const first = units.filter(({ panel }) => panel === 'p1');
  const second = units.filter(({ panel }) => panel === 'p2');
  expect([first.length > 3, second.length > 3]).toEqual([true, true]);
  // Each kind has numbers of its own.
  for (const own of [first, second])
    expect(own.map(({ number }) => number)).toEqual(own.map((_, i) => i + 1));
  expect(new Set(first.map(({ kind, laidWith }) => `${kind}, ${laidWith}`))).toEqual(new Set(['foil, foil']));
  expect(new Set(second.map(({ kind, laidWith }) => `${kind}, ${laidWith}`))).toEqual(
    new Set(['open-air, open air']),
  );
  units.forEach((unit, i) => {
    expect(unit.toMinutes - unit.fromMinutes).toBeCloseTo(unit.seconds / 60, 9);
    const last = units[i - 1];
    const pause = !last ? 0 : last.panel === unit.panel ? 0 : MINUTES_PER_PANEL_CHANGE;
    expect(unit.fromMinutes).toBeCloseTo((last?.toMinutes ?? 0) + pause, 9);
  });
});

describe('what of a strand is painted', () => {
  const reach = (panel: PanelPart = {}, facts: Partial<PlacingFacts> = {}) => one(panel, facts).reachMm;
  const start = (part: object) => ({ start: { distanceMm: 0, featherMm: 0, teasing: 0, ...part } });

  test('from its start, halfway through what is thinned out, to the ends', () => {
    expect(reach(start({}))).toEqual([0, HAIR_MM]);
    expect(reach(start({ distanceMm: 40, featherMm: 10 }))).toEqual([45, HAIR_MM]);
    expect(one(start({ distanceMm: 40, featherMm: 10, teasing: 2 }))).toMatchObject({
      startMm: 40,
      featherMm: 10,
      teasing: 2,
      edgesMm: 0,
      reach: 'ends',
    });
    // Further out at the edges: a third of it on the mean.
    expect(reach(start({ edgesMm: 30 }))).toEqual([10, HAIR_MM]);
  });
  test('to where the panel ends, and never past the hair', () => {
    expect(reach(start({ toMm: 120 }))).toEqual([0, 120]);
    expect(reach(start({ toMm: 900 }))).toEqual([0, HAIR_MM]);
    const plan = panelPlan({});
    const zone = placed(plan)[0].zone;
    const short = { ...plan, hair: { ...plan.hair, byZone: { [zone]: { lengthMm: 200 } } } };
    expect(placed(short)[0]).toMatchObject({ hairMm: 200, reachMm: [0, 200] });
  });
  test('what has grown since, where the formula is for that and it is known', () => {
    const { zone } = one();
    const grown = letters({ reach: 'regrowth' });
    expect(reach(start({}), { ...grown, regrowthMm: { [zone]: 25 } })).toEqual([0, 25]);
    expect(reach(start({}), grown)).toEqual([0, HAIR_MM]);
    expect(reach(start({}), { regrowthMm: { [zone]: 25 } })).toEqual([0, HAIR_MM]);
    expect(one(start({}), grown).reach).toBe('regrowth');
  });
  test('a stretch, within what the panel paints; nothing where the two do not meet', () => {
    const stretch = letters({ reach: { fromMm: 60, toMm: 120 } });
    expect(reach(start({}), stretch)).toEqual([60, 120]);
    expect(reach(start({ distanceMm: 80 }), stretch)).toEqual([80, 120]);
    expect(reach(start({ toMm: 100 }), stretch)).toEqual([60, 100]);
    expect(reach(start({ distanceMm: 150 }), stretch)).toEqual([150, 150]);
    expect(one(start({}), stretch).reach).toBe('stretch');
  });
});

describe('the ends', () => {
  const seen = (words: 'dark' | 'lighter' | 'there' | 'unknown') => ({ ends: () => words });
  const endsOf = (part: Partial<LetterFacts>, facts: Partial<PlacingFacts> = {}, panel: PanelPart = {}) => {
    const { endsMm, endsOutMm, reachMm } = one(panel, { ...letters(part), ...facts });
    return [endsMm, endsOutMm, reachMm[1]];
  };
  test('take the ends’ own mix, unless they are as dark as the length', () => {
    expect(endsOf({ endsMm: 80 })).toEqual([80, 0, HAIR_MM]);
    expect(endsOf({ endsMm: 80 }, seen('lighter'))).toEqual([80, 0, HAIR_MM]);
    expect(endsOf({ endsMm: 80 }, seen('there'))).toEqual([80, 0, HAIR_MM]);
    expect(endsOf({ endsMm: 80 }, seen('dark'))).toEqual([0, 0, HAIR_MM]);
    // Longer than what is painted: all of it.
    expect(endsOf({ endsMm: 900 })).toEqual([HAIR_MM, 0, HAIR_MM]);
  });
  test('are drawn out of the foil where they are light already and have no mix of their own', () => {
    expect(endsOf({}, seen('there'))).toEqual([0, 80, HAIR_MM - 80]);
    expect(endsOf({}, seen('lighter'))).toEqual([0, 0, HAIR_MM]);
    // No more than what is painted; a letter that nobody described lifts.
    const low = { start: { distanceMm: 250, featherMm: 0, teasing: 0 } };
    expect(endsOf({}, seen('there'), low)).toEqual([0, 50, 250]);
    expect(endsOf({ letter: 'Z' }, seen('there'))).toEqual([0, 80, HAIR_MM - 80]);
    // Colour that only deposits goes over them.
    expect(endsOf({ lifts: false }, seen('there'))).toEqual([0, 0, HAIR_MM]);
  });
  test('are asked about by zone and by the formula’s own target', () => {
    const asked: unknown[] = [];
    one(
      {},
      {
        ...letters({ target: 9 }),
        ends: (zone, target) => {
          asked.push([zone, target]);
          return 'dark';
        },
      },
    );
    expect(asked[0]).toEqual([one().zone, 9]);
  });
  test('are not reached: they take nothing', () => {
    const panel = { start: { distanceMm: 0, featherMm: 0, teasing: 0, toMm: 200 } };
    expect(endsOf({ endsMm: 80 }, {}, panel)).toEqual([0, 0, 200]);
    expect(endsOf({}, seen('there'), panel)).toEqual([0, 0, 200]);
  });
});

describe('drop-outs that are treated', () => {
  const kinds = (units: ReturnType<typeof placed>) =>
    units.map(({ kind, row }) => `${kind === 'foil' ? 'foil' : 'out'} ${row}`);

  test('come behind the row that they lie behind, so many rows together as the panel says', () => {
    const each = kinds(placed(panelPlan(treated(['paint']))));
    expect(each.slice(0, 4)).toEqual(['foil 1', 'out 1', 'foil 2', 'out 2']);
    const three = kinds(placed(panelPlan(treated(['paint'], { together: 3 }))));
    expect(three.slice(0, 6)).toEqual(['foil 1', 'foil 2', 'foil 3', 'out 1', 'out 2', 'out 3']);
    expect([...three].sort()).toEqual([...each].sort());
  });
  test('all of them once the foils are in, where the house paints afterwards', () => {
    const after = placed(panelPlan(treated(['paint'])), { painting: 'after' });
    const first = after.findIndex(({ kind }) => kind === 'paint');
    expect(first).toBeGreaterThan(3);
    expect(new Set(after.slice(0, first).map(({ kind }) => kind))).toEqual(new Set(['foil']));
    expect(new Set(after.slice(first).map(({ kind }) => kind))).toEqual(new Set(['paint']));
    expect(after.map(({ order }) => order)).toEqual(after.map((_, i) => i + 1));
  });
  test('on one side are done before the other is begun', () => {
    const sides = placed(panelPlan({ ...treated(['paint'], { together: 6 }), side: 'both' })).map(
      ({ side }) => side,
    );
    expect(sides.filter((side, i) => side !== sides[i - 1])).toHaveLength(2);
  });
  test('begin where each treatment does: tips over the last third, paint after the first, lowlights at the root', () => {
    const out = (kind: 'tip-out' | 'lowlight' | 'paint', recipe: object = {}) =>
      placed(
        panelPlan(
          treated([kind], {
            recipes: {
              [kind]: { ...USUAL_TREATMENT, ...recipe },
            },
          }),
        ),
        letters({}, 'L'),
      ).find((unit) => unit.kind === kind)!;
    expect(out('tip-out')).toMatchObject({ startMm: 200, reachMm: [200, 300], laidWith: 'between foils' });
    expect(out('paint')).toMatchObject({ startMm: 100, reachMm: [100, 300], letter: 'A' });
    expect(out('lowlight')).toMatchObject({ startMm: 0, reachMm: [0, 300], letter: 'L' });
    expect(out('paint', { fromMm: 50, toMm: 90, surface: true, teasing: 3 })).toMatchObject({
      startMm: 50,
      featherMm: 0,
      edgesMm: 0,
      reachMm: [50, 90],
      surface: true,
      teasing: 3,
    });
    expect(out('paint', { fromMm: 900 })).toMatchObject({ startMm: 300, reachMm: [300, 300] });
    expect(out('paint').surface).toBe(false);
    // Ends of drop-outs take no mix of their own.
    const apart = placed(panelPlan(treated(['paint'])), letters({ endsMm: 80 }));
    expect(apart.find(({ kind }) => kind === 'paint')!.endsMm).toBe(0);
    expect(apart.find(({ kind }) => kind === 'foil')!.endsMm).toBe(80);
  });
  test('lowlit ones without a formula that deposits are left out, and named', () => {
    const plan = panelPlan(treated(['lowlight']));
    const { sheet } = engine.compute(plan);
    expect(new Set(placed(plan).map(({ kind }) => kind))).toEqual(new Set(['foil']));
    expect(unplaced(sheet, { facts: [A], lowlight: null })).toEqual(sheet.dropouts);
    expect(sheet.dropouts.length).toBeGreaterThan(2);
    expect(unplaced(sheet, { facts: [A], lowlight: 'L' })).toEqual([]);
    const tips = engine.compute(panelPlan(treated(['tip-out']))).sheet;
    expect(unplaced(tips, { facts: [A], lowlight: null })).toEqual([]);
  });
});

test('painted in the open air only the surface takes product; a letter that nobody described lifts to the ends', () => {
  expect(one({ medium: 'open-air' }).surface).toBe(true);
  expect(one().surface).toBe(false);
  expect(one({}, { letters: { facts: [], lowlight: null } })).toMatchObject({
    lifts: true,
    reach: 'ends',
    endsMm: 0,
    reachMm: [0, HAIR_MM],
  });
  expect(one({}, letters({ lifts: false })).lifts).toBe(false);
});
