import { gatherName } from './recipe-name';
import type { Gather } from './types';

const weave = (stitchMm: number, depth = 0.5): Gather => ({ kind: 'weave', stitchMm, gapMm: stitchMm, depth });

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
