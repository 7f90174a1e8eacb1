import {
  distanceRaster,
  fromOpened,
  makeHead,
  makeScalp,
  makeScalpGrid,
  openedHairline,
  surfaceDistance,
  type Vec3,
} from './index';

const head = makeHead({ circumferenceMm: 550, hairline: { left: 'round', right: 'pointed' } });
const grid = makeScalpGrid(makeScalp(head));

/** A line round the head 90 mm from the apex, about 1 mm between its points. */
const ring: Vec3[] = Array.from({ length: 480 }, (_, i) => {
  const azimuth = (i / 480) * 2 * Math.PI;
  return head.pointAt(azimuth, 90);
});
const { distance, along } = distanceRaster(grid, ring, true);
const inside = grid.points.flatMap((point, i) => (point && grid.area[i] > 0 ? [i] : []));

test('is the least distance over the skin to any point of the line (within a tenth of a step and 2%)', () => {
  for (const i of inside.filter((_, n) => n % 61 === 0)) {
    const brute = ring.reduce(
      (least, p) => Math.min(least, surfaceDistance(grid.points[i]!, p, head.skull)),
      Infinity,
    );
    expect(Math.abs(distance[i] - brute)).toBeLessThan(0.02 * brute + 0.4);
    expect(distance[i]).toBeLessThan(brute * 1.02 + 0.05);
  }
});

test('changes by no more than the step from node to node, and 2% of the way where another foot is nearer: no hole', () => {
  for (const i of inside) {
    if (!grid.points[i + 1] || !(grid.area[i + 1] > 0)) continue;
    const apart = surfaceDistance(grid.points[i]!, grid.points[i + 1]!, head.skull);
    expect(Math.abs(distance[i + 1] - distance[i])).toBeLessThan(apart * 1.1 + 0.1 + 0.02 * distance[i]);
  }
});

test('says where on the line the nearest point lies', () => {
  for (const i of inside.filter((_, n) => n % 13 === 0)) {
    const foot = ring[((Math.round(along[i]) % 480) + 480) % 480];
    expect(surfaceDistance(grid.points[i]!, foot, head.skull)).toBeLessThan(distance[i] * 1.02 + 1.2);
  }
});

test('before the ear, where a degree of azimuth is many millimetres of hairline, evenly spaced points are what it needs', () => {
  const dense = openedHairline(head, 2880).map((point) => fromOpened(head, point));
  const gaps = dense.map((p, i) => surfaceDistance(p, dense[(i + 1) % dense.length], head.skull));
  expect(Math.max(...gaps) / (gaps.reduce((a, b) => a + b, 0) / gaps.length)).toBeGreaterThan(2);
});
