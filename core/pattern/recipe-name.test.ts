import { gatherName, recipeLine } from './recipe-name';
import { planWith } from './testing';
import type { Gather } from './types';

const weave = (stitchMm: number, depth = 0.5): Gather => ({
  kind: 'weave',
  stitchMm,
  gapMm: stitchMm,
  depth,
});

test.each([
  [{ kind: 'slice' }, 3, 'slice'],
  [weave(1.5), 2, 'micro baby light'],
  [weave(1.5), 3, 'baby light'],
  [weave(2.5), 4, 'fine weave'],
  [weave(4.5), 6, 'medium weave'],
  [weave(8), 9, 'chunky weave'],
  [weave(6, 1), 12, 'deep weave'],
] as [Gather, number, string][])('%j at %d mm is a %s', (gather, thickness, name) => {
  expect(gatherName(gather, thickness)).toBe(name);
});

test('a recipe in one line, in the unit that is asked for', () => {
  const [panel] = planWith([
    { thicknessMm: 3.175, spacing: { kind: 'graded', dropoutsMm: [6.35, 12.7] } },
  ]).panels;
  expect(recipeLine(panel, 'in')).toBe('fine weave, 1/8" + 1/4", 1/2" …');
  expect(recipeLine({ ...panel, thicknessMm: 4, spacing: { kind: 'constant', dropoutMm: 5 } })).toBe(
    'fine weave, 4 + 5 mm',
  );
  expect(recipeLine({ ...panel, thicknessMm: 4, spacing: { kind: 'eased', fromMm: 8, toMm: 4 } }, 'cm')).toBe(
    'fine weave, 0.4 + 0.8–0.4 cm',
  );
});
