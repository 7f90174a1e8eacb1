import { engine, planWith } from '../pattern/testing';
import { thumbnailOf } from './thumbnail';

const shapes = (d: string) => (d.match(/M/g) ?? []).length;
const numbers = (d: string) => d.match(/-?\d+(\.\d+)?/g)!.map(Number);

test('one closed shape a foil, painted sections apart, all within the box', () => {
  const computed = engine.compute(
    planWith([
      { place: { kind: 'back' } },
      {
        place: { kind: 'side' },
        medium: 'open-air',
        thicknessMm: 12,
        spacing: { kind: 'constant', dropoutMm: 14 },
      },
    ]),
  );
  const { box, foils, painted, hairline } = thumbnailOf(computed);
  expect(shapes(foils)).toBe(computed.sheet.foils.length);
  expect(shapes(painted)).toBe(computed.sheet.painted.length);
  expect(shapes(painted)).toBeGreaterThan(5);
  const [x, y, width, height] = numbers(box);
  for (const d of [foils, painted, hairline]) {
    numbers(d).forEach((value, i) => {
      const [from, size] = i % 2 === 0 ? [x, width] : [y, height];
      expect(value).toBeGreaterThanOrEqual(from);
      expect(value).toBeLessThanOrEqual(from + size);
    });
  }
});

test('the client’s left is screen-left and the forehead up', () => {
  const { foils } = thumbnailOf(
    engine.compute(
      planWith([
        {
          place: { kind: 'face-frame', depthMm: 30, reachDeg: 45 },
          side: 'left',
          direction: { kind: 'hairline' },
        },
      ]),
    ),
  );
  const all = numbers(foils);
  const mean = (of: number[]) => of.reduce((sum, value) => sum + value, 0) / of.length;
  expect(mean(all.filter((_, i) => i % 2 === 0))).toBeLessThan(-10);
  expect(mean(all.filter((_, i) => i % 2 === 1))).toBeLessThan(-40);
});
