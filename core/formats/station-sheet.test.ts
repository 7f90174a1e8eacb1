import { engine } from '../pattern/testing';
import { visitOf } from '../visit/computed/testing';
import { TECHNIQUES, planOf } from '../technique';
import { svgOf, type Shape } from './shapes';
import { startPlan } from './start-plan';
import { stationSheet, type SheetFacts } from './station-sheet';
import { textWidth } from './text-width';
import { METRIC } from '../units';

const facts: SheetFacts = {
  client: 'Ada Winterbourne',
  date: '25 Nov 2026',
  colourist: 'Ottilie Marsh',
  base: '6',
  goal: '9',
  brightness: 3,
  shares: { foiled: 0.4, lightened: 0.1, deepened: 0 },
  measures: METRIC,
  price: '€207.00',
  cautions: [],
};
const texts = (shapes: readonly Shape[]) => shapes.flatMap((shape) => (shape.kind === 'text' ? [shape] : []));
const words = (shapes: readonly Shape[]) => texts(shapes).map((shape) => shape.words);

test.each(TECHNIQUES.map((technique) => [technique.key, technique] as const))(
  '%s: one page, every foil drawn once and counted, nothing beyond the margins',
  (_, technique) => {
    const plan = planOf(technique);
    const computed = engine.compute(plan);
    const { shapes, widthMm, heightMm } = stationSheet(plan, computed, visitOf({ plan }).work, facts);
    const { foils } = computed.sheet.totals;
    expect(words(shapes)).toContain(String(foils));
    expect(shapes.filter((shape) => shape.kind === 'path' && shape.id !== undefined)).toHaveLength(foils);
    // Each panel stands with its name and its own count.
    const counts = computed.sheet.panels.map((panel) => String(panel.foils));
    for (const count of counts) expect(words(shapes)).toContain(count);
    for (const { x, y, size, words: own, weight, anchor } of texts(shapes)) {
      const width = textWidth(own, size, weight);
      const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
      expect(left).toBeGreaterThan(8);
      expect(left + width).toBeLessThan(widthMm - 8);
      expect(y).toBeGreaterThan(8);
      expect(y).toBeLessThan(heightMm - 8);
    }
  },
);

test('forty panels and a long name still make one page, and say what does not fit', () => {
  const start = startPlan();
  const panels = Array.from({ length: 40 }, (_, i) => ({
    ...start.panels[0],
    id: `p${i}`,
    name: `Panel with a rather long name number ${i}`,
    place: { kind: 'zones' as const, zones: ['temple' as const] },
  }));
  const plan = {
    ...start,
    name: 'A name that is far too long for the corner of a page of paper at the station',
    panels,
  };
  const { shapes, heightMm } = stationSheet(plan, engine.compute(plan), visitOf({ plan }).work, {
    ...facts,
    client: 'Maximiliana-Theodora von und zu Hohenfeldern-Sonnenschein the Younger',
    cautions: Array(4).fill('A caution that is a whole sentence long and then some more of it.'),
  });
  for (const { y } of texts(shapes)) expect(y).toBeLessThan(heightMm - 8);
  expect(words(shapes).some((word) => /^and \d+ more panels$/.test(word))).toBe(true);
  expect(words(shapes).filter((word) => word.endsWith('…')).length).toBeGreaterThan(2);
});

test('inches are said in inches, and what is written is made safe for SVG', () => {
  const plan = { ...startPlan(), name: '<fine & "soft">' };
  const sheet = stationSheet(plan, engine.compute(plan), visitOf({ plan }).work, {
    ...facts,
    measures: { ...METRIC, lengths: 'in' },
  });
  expect(words(sheet.shapes).some((word) => word.includes('5/32" + 3/16"'))).toBe(true);
  const svg = svgOf(
    { x: 0, y: 0, width: sheet.widthMm, height: sheet.heightMm },
    sheet.title,
    '#fff',
    sheet.shapes,
  );
  expect(svg).toContain('&lt;fine &amp; &quot;soft&quot;&gt;');
  expect(svg).not.toMatch(/NaN|Infinity|undefined/);
});
