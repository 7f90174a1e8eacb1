import { asOutline } from './as-outline';
import { engine, planWith } from './testing';
import type { Place } from './types';

test.each([
  [{ kind: 'back' }, 'both'],
  [{ kind: 'side' }, 'left'],
  [{ kind: 'wheel', radiusMm: 60, half: 'all' }, 'across'],
  [{ kind: 'zones', zones: ['nape', 'nape-hairline'] }, 'both'],
] as [Place, 'both' | 'left' | 'across'][])(
  '%j as an outline takes the same hair, within two hundredths, with few corners',
  (place, side) => {
    const plan = planWith([{ place, side }]);
    const { drawing, sheet } = engine.compute(plan);
    const outlines = drawing.outlines.find((outline) => outline.side !== 'right')!.outlines;
    const panel = asOutline(plan.panels[0], outlines, drawing.head)!;
    expect(panel.place.kind).toBe('outline');
    expect(panel.place.kind === 'outline' && panel.place.points.length).toBeLessThanOrEqual(28);
    const after = engine.compute({ ...plan, panels: [panel] }).sheet;
    expect(after.problems).toEqual([]);
    expect(after.panels[0].areaCm2 / sheet.panels[0].areaCm2).toBeGreaterThan(0.98);
    expect(after.panels[0].areaCm2 / sheet.panels[0].areaCm2).toBeLessThan(1.02);
  },
);

test('nothing to go round gives nothing', () => {
  const plan = planWith([{}]);
  expect(asOutline(plan.panels[0], [], engine.compute(plan).drawing.head)).toBeUndefined();
});
