import { parsePlan } from '../formats';
import { createPatternEngine } from '../pattern';
import { planOf, TECHNIQUES, techniqueOf } from './index';

const engine = createPatternEngine();
const sheetOf = (key: string) => engine.compute(planOf(techniqueOf(key)!)).sheet;
const foilsOf = (key: string, panel: string) =>
  sheetOf(key).panels.find((panelTotals) => panelTotals.panel === panel)!.foils;

test.each(TECHNIQUES.map(({ key }) => key))('%s is a plan document and computes without a problem', (key) => {
  const plan = planOf(techniqueOf(key)!);
  expect(parsePlan(JSON.parse(JSON.stringify(plan)))).toEqual({ ok: true, value: plan });
  const { problems, totals, painted } = engine.compute(plan).sheet;
  expect(problems).toEqual([]);
  expect(totals.foils + painted.length).toBeGreaterThan(7);
});

describe('counts inside the ranges that the trade quotes, on the average head', () => {
  test('full head of baby lights: 85–125', () => {
    expect(sheetOf('baby-veil').totals.foils).toBeGreaterThanOrEqual(85);
    expect(sheetOf('baby-veil').totals.foils).toBeLessThanOrEqual(125);
  });

  test('face frame: 3–6 a side', () => {
    expect(foilsOf('baby-veil', 'face') / 2).toBeGreaterThanOrEqual(3);
    expect(foilsOf('baby-veil', 'face') / 2).toBeLessThanOrEqual(6);
  });

  test('face frame between visits: 8–9 a side, three slices, two weaves, then slices', () => {
    const { foils } = sheetOf('face-only');
    const left = foils.filter(({ side }) => side === 'left');
    expect([8, 9]).toContain(left.length);
    expect(left.map(({ gather }) => gather[0]).join('')).toMatch(/^ssswws{3,4}$/);
  });

  test('back hairline: 2–4 a side', () => {
    expect(foilsOf('grey-blend', 'back-hairline') / 2).toBeGreaterThanOrEqual(2);
    expect(foilsOf('grey-blend', 'back-hairline') / 2).toBeLessThanOrEqual(4);
  });

  test('silver: 16, seven and nine', () => {
    expect([foilsOf('silver-turn', 'shallow'), foilsOf('silver-turn', 'heavy')]).toEqual([7, 9]);
  });

  test('rim for hair worn up: at most 15, one across the front', () => {
    expect(sheetOf('perimeter-up').totals.foils).toBeLessThanOrEqual(15);
    expect(foilsOf('perimeter-up', 'front')).toBe(1);
  });

  test('crossed part panel: 8; with the sides about 15', () => {
    expect(sheetOf('crossed-part').totals.foils).toBe(8);
    expect(Math.abs(sheetOf('crossed-part-and-sides').totals.foils - 15)).toBeLessThanOrEqual(1);
  });

  test('staggered back: about 35 minutes, the packed one about 60', () => {
    const minutes = (key: string, panels: string[]) =>
      sheetOf(key)
        .panels.filter(({ panel }) => panels.includes(panel))
        .reduce((sum, panel) => sum + panel.minutes, 0);
    expect(Math.abs(minutes('staggered-back', ['back', 'crown']) - 35)).toBeLessThanOrEqual(5);
    expect(Math.abs(minutes('four-quarters', ['back']) - 60)).toBeLessThanOrEqual(6);
  });

  test('a full head lightens 8–25% of the hair', () => {
    for (const key of [
      'four-quarters',
      'baby-veil',
      'hairline-and-threes',
      'two-mixes-in-bricks',
      'deep-contrast',
    ]) {
      expect(sheetOf(key).totals.pickedShare).toBeGreaterThanOrEqual(0.075);
      expect(sheetOf(key).totals.pickedShare).toBeLessThanOrEqual(0.25);
    }
  });
});

/**
 * Golden figures of the patterns for which the trade quotes no count. They follow from the geometry: about
 * area / (usable width · pitch) a panel, a little more where rows are short. ± 10%.
 */
test.each([
  // Back 408 cm² at pitch 9 in rows of up to 120 mm, sides 233 cm² at pitch 6–9.
  ['four-quarters', 102],
  // Pitch 11 inside (back 44), two rows of four round the hairline a side, five at the face a side.
  ['hairline-and-threes', 102],
  // Sections of 14 and 12 mm: a fifth of the rows of a fine weave; eight fine ones at the hairline.
  ['teased-sweep', 39],
  ['refresh-and-teased', 42],
  // Pitch 18 behind, 12 at the sides, 4 at the face.
  ['grey-blend', 70],
  // 24 wedges (8 of each reach) and a rim of 700 mm in foils of 95 mm.
  ['crown-wheel', 32],
  // Pitch 19 behind, 11 at the sides, six at the part a side.
  ['fast-slices', 64],
  ['deep-contrast', 50],
  // Pitch 11 over the whole head.
  ['two-mixes-in-bricks', 82],
  // Pairs at pitch 5 and 13.
  ['painted-by-foils', 98],
  ['open-air', 12],
])('%s: %d foils ± 10%%', (key, foils) => {
  expect(Math.abs(sheetOf(key).totals.foils / foils - 1)).toBeLessThanOrEqual(0.1);
});
