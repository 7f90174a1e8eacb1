import { makeRoots, ZONES } from '../head';
import { planOf, TECHNIQUES } from '../technique';
import { foilsOfRoots, indexRoots } from './root-foils';
import { engine, planWith } from './testing';
import type { Plan } from './types';

const { grid, zoneAreas } = engine.compute(planWith([]));
const few = makeRoots(grid, 30_000);
const many = makeRoots(grid, 1_000_000);

/** Shares of the skin, counted over roots. */
function shares(roots: typeof few, plan: Plan) {
  const { foil, picked } = foilsOfRoots(indexRoots(roots), engine.compute(plan));
  let all = 0;
  let foiled = 0;
  let lit = 0;
  const byFoil = new Map<number, number>();
  for (let i = 0; i < roots.count; i += 1) {
    all += roots.area[i];
    if (foil[i] < 0) continue;
    foiled += roots.area[i];
    if (picked[i]) lit += roots.area[i];
    byFoil.set(foil[i], (byFoil.get(foil[i]) ?? 0) + roots.area[i]);
  }
  return { foiled: foiled / all, lit: lit / all, byFoil };
}

test('roots cover the skin: as many as asked for (within 3%), their areas the head’s (within 0.5%), by zone too', () => {
  expect(Math.abs(few.count / 30_000 - 1)).toBeLessThan(0.03);
  const byZone = ZONES.map(() => 0);
  for (let i = 0; i < few.count; i += 1) byZone[few.zone[i]] += few.area[i];
  const total = Object.values(zoneAreas).reduce((a, b) => a + b, 0);
  expect(Math.abs(byZone.reduce((a, b) => a + b, 0) / total - 1)).toBeLessThan(0.005);
  ZONES.forEach((zone, i) => expect(Math.abs(byZone[i] / zoneAreas[zone] - 1)).toBeLessThan(0.05));
});

test('left and right hold mirrored roots', () => {
  for (let i = 0; i < few.count; i += 2) {
    expect(few.xyz[3 * i]).toBe(-few.xyz[3 * (i + 1)]);
    expect(few.xyz[3 * i + 1]).toBe(few.xyz[3 * (i + 1) + 1]);
  }
});

describe.each(['four-quarters', 'baby-veil', 'teased-sweep', 'crown-wheel', 'hairline-and-threes'])(
  '%s',
  (key) => {
    const plan = planOf(TECHNIQUES.find((technique) => technique.key === key)!);
    const { sheet } = engine.compute(plan);
    const dense = shares(many, plan);

    test('30 000 roots against a million: shares within half a point', () => {
      const sparse = shares(few, plan);
      expect(Math.abs(sparse.foiled - dense.foiled)).toBeLessThan(0.005);
      expect(Math.abs(sparse.lit - dense.lit)).toBeLessThan(0.005);
    });

    // Strips end square while panels end aslant: where two diagonals meet, the roots of both are given to the
    // first.
    test('integration agrees with a million roots: shares within a point, foils within 3 % (median)', () => {
      expect(Math.abs(sheet.totals.foiledShare - dense.foiled)).toBeLessThan(0.01);
      expect(Math.abs(sheet.totals.pickedShare - dense.lit)).toBeLessThan(0.01);
      const errors = sheet.foils
        .map((foil, i) => Math.abs((dense.byFoil.get(i) ?? 0) / foil.areaMm2 - 1))
        .sort((a, b) => a - b);
      expect(errors[errors.length >> 1]).toBeLessThan(0.03);
    });
  },
);

test('every root of a slice is picked, of a surface weave at most half as deep', () => {
  const plan = planWith([{ gather: { kind: 'slice' } }]);
  const { foil, picked } = foilsOfRoots(indexRoots(few), engine.compute(plan));
  for (let i = 0; i < few.count; i += 1) expect(picked[i]).toBe(foil[i] >= 0 ? 1 : 0);
});

test('hair between foils is found in the drop-outs that are treated, hair painted without foils in its sections', () => {
  const plan = planOf(TECHNIQUES.find(({ key }) => key === 'four-quarters')!);
  const treated: Plan = {
    ...plan,
    panels: plan.panels.map((panel, i) =>
      i === 0
        ? { ...panel, dropouts: { every: 2, treatments: ['lowlight' as const], together: 1, recipes: {} } }
        : { ...panel, muted: i > 1, medium: 'open-air' },
    ),
  };
  const computed = engine.compute(treated);
  const { foil, picked, painted, dropout } = foilsOfRoots(indexRoots(few), computed);
  const hairs = (of: Int16Array, n: number) =>
    Array.from({ length: n }, (_, value) =>
      of.reduce((sum, at, i) => sum + (at === value ? few.area[i] : 0), 0),
    );
  const areas = hairs(dropout, computed.sheet.dropouts.length);
  expect(areas.length).toBeGreaterThan(3);
  expect(
    areas.reduce((a, b) => a + b, 0) / computed.sheet.dropouts.reduce((sum, { areaMm2 }) => sum + areaMm2, 0),
  ).toBeCloseTo(1, 1);
  expect(
    hairs(painted, computed.sheet.painted.length).reduce((a, b) => a + b, 0) /
      computed.sheet.painted.reduce((sum, { areaMm2 }) => sum + areaMm2, 0),
  ).toBeCloseTo(1, 1);
  // A hair lies in one of them only, and drop-outs are not picked.
  const wrong = Array.from(
    { length: few.count },
    (_, i) =>
      [foil[i], painted[i], dropout[i]].filter((value) => value >= 0).length > 1 ||
      (dropout[i] >= 0 && picked[i] > 0),
  );
  expect(wrong.filter(Boolean)).toEqual([]);
});
