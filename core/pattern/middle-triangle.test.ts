import { openedFromDisk } from './disk';
import { middleTriangle } from './middle-triangle';
import { polygonDepth } from './polygon';
import { engine, planWith } from './testing';
import type { Place } from './types';

test.each([
  { kind: 'back' },
  { kind: 'side' },
  { kind: 'wheel', radiusMm: 60, half: 'all' },
  { kind: 'zones', zones: ['nape'] },
] as Place[])('in the middle of %j, wholly inside, and it takes hair away', (place) => {
  const plan = planWith([{ place }]);
  const { drawing, sheet } = engine.compute(plan);
  const { outlines } = drawing.outlines.find(({ side }) => side === 'left')!;
  const corners = middleTriangle(outlines, drawing.head)!;
  for (const corner of corners)
    expect(
      Math.max(...outlines.map((outline) => polygonDepth(outline, openedFromDisk(drawing.head, corner)))),
    ).toBeGreaterThan(0);
  const after = engine.compute({ ...plan, panels: [{ ...plan.panels[0], leaveOut: [corners] }] }).sheet;
  expect(after.problems).toEqual([]);
  expect(after.panels[0].areaCm2).toBeLessThan(sheet.panels[0].areaCm2 - 2);
});

test('a band too narrow for one has none', () => {
  const { drawing } = engine.compute(
    planWith([
      { place: { kind: 'hairline-band', widthMm: 5 }, direction: { kind: 'hairline' }, thicknessMm: 2 },
    ]),
  );
  expect(middleTriangle(drawing.outlines[0].outlines, drawing.head)).toBeUndefined();
});
