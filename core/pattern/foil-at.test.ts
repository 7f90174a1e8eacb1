import { foilAt, panelAt } from './foil-at';
import { engine, planWith } from './testing';

const computed = engine.compute(
  planWith([
    { place: { kind: 'back' } },
    { place: { kind: 'side' }, direction: { kind: 'parallel', angleDeg: 30 } },
  ]),
);
const { paths } = computed.drawing;

test('the middle of every foil finds that foil', () => {
  const found = paths.map(({ packed, count }) => {
    const j = 6 * (count >> 1);
    return foilAt(paths, { x: packed[j], y: packed[j + 1] });
  });
  expect(found).toEqual(paths.map((_, i) => i));
});

test('between two foils, farther than the slack from both, there is none; with more slack the nearer one', () => {
  const { packed, count } = paths[0];
  const j = 6 * (count >> 1);
  const outward = { x: packed[j + 4] - packed[j + 2], y: packed[j + 5] - packed[j + 3] };
  const size = Math.hypot(outward.x, outward.y);
  // Section 4 mm, drop-out 5 mm: the middle of the drop-out is 2.5 mm beyond the section.
  const at = (mm: number) => ({
    x: packed[j] + (outward.x / size) * mm,
    y: packed[j + 1] + (outward.y / size) * mm,
  });
  expect(foilAt(paths, at(size / 2 + 2.5), 1)).toBe(-1);
  expect(foilAt(paths, at(size / 2 + 1.5), 2)).toBe(0);
});

test('a point of the back belongs to the back, one before the ears to the sides, one off the head to none', () => {
  expect(panelAt(computed.drawing, { x: 20, y: -150 })).toBe('p1');
  expect(panelAt(computed.drawing, { x: -60, y: 60 })).toBe('p2');
  expect(panelAt(computed.drawing, { x: 0, y: 300 })).toBeUndefined();
});
