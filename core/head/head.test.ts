import fc from 'fast-check';
import {
  distance,
  evenScale,
  fromOpened,
  gauge,
  gaugeWithGradient,
  HAIRLINE_SHAPES,
  landmarks,
  makeHead,
  makeScalp,
  makeScalpGrid,
  mirrored,
  mirrorHead,
  openedPart,
  scalpAreas,
  toOpened,
  ZONES,
  type Head,
  type HairlineShape,
  type Vec3,
} from './index';

const head = (circumferenceMm = 550, left: HairlineShape = 'round', right: HairlineShape = left) =>
  makeHead({ circumferenceMm, hairline: { left, right } });
const DEG = Math.PI / 180;

/** Length of the closed or open curve through points, mm. */
const along = (points: Vec3[]) => points.slice(1).reduce((sum, p, i) => sum + distance(points[i], p), 0);
const arc = (from: number, to: number, at: (angle: number) => Vec3, steps = 3000) =>
  along(Array.from({ length: steps + 1 }, (_, i) => at(from + ((to - from) * i) / steps)));
const onSurface = (direction: Vec3) => {
  const g = gauge(direction.x, direction.y, direction.z);
  return { x: direction.x / g, y: direction.y / g, z: direction.z / g };
};

describe('skull against average adult anthropometry (within 3%)', () => {
  const within = (value: number, norm: number) => expect(Math.abs(value / norm - 1)).toBeLessThan(0.03);

  test('circumference 550, length 187, breadth 145', () => {
    within(
      arc(0, 2 * Math.PI, (a) => onSurface({ x: Math.sin(a), y: 0, z: Math.cos(a) })),
      550,
    );
    within(onSurface({ x: 0, y: 0, z: 1 }).z - onSurface({ x: 0, y: 0, z: -1 }).z, 187);
    within(2 * onSurface({ x: 1, y: 0, z: 0 }).x, 145);
  });

  test('ear canal over the apex to ear canal 340, vertex 128', () => {
    const { earCanalLeft, apex } = landmarks(head());
    const angle = Math.atan2(earCanalLeft.x, earCanalLeft.y);
    within(
      arc(-angle, angle, (a) => onSurface({ x: Math.sin(a), y: Math.cos(a), z: 0 })),
      340,
    );
    within(apex.y - earCanalLeft.y, 128);
  });

  test('the gradient is the slope of g', () => {
    // Off the planes of symmetry, where differences across the seam of two exponents say nothing.
    const coordinate = fc.oneof(
      fc.double({ min: 1, max: 95, noNaN: true }),
      fc.double({ min: -95, max: -1, noNaN: true }),
    );
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, (x, y, z) => {
        const gradient = new Float64Array(3);
        expect(gaugeWithGradient(evenScale(1), x, y, z, gradient)).toBeCloseTo(gauge(x, y, z), 9);
        const e = 1e-4;
        expect(gradient[0]).toBeCloseTo((gauge(x + e, y, z) - gauge(x - e, y, z)) / (2 * e), 6);
        expect(gradient[1]).toBeCloseTo((gauge(x, y + e, z) - gauge(x, y - e, z)) / (2 * e), 6);
        expect(gradient[2]).toBeCloseTo((gauge(x, y, z + e) - gauge(x, y, z - e)) / (2 * e), 6);
      }),
    );
  });
});

describe('hairline', () => {
  test('arcs from the apex: front 104, ear 142, nape 241 mm', () => {
    const round = head();
    expect(Math.abs(round.hairArc(0) - 104)).toBeLessThan(104 * 0.03);
    expect(Math.abs(round.hairArc(90 * DEG) - 142)).toBeLessThan(142 * 0.03);
    expect(Math.abs(round.hairArc(180 * DEG) - 241)).toBeLessThan(241 * 0.03);
  });

  test('runs 706 mm round the head', () => {
    const line = arc(-Math.PI, Math.PI, head().hairlinePoint);
    expect(Math.abs(line / 706 - 1)).toBeLessThan(0.03);
  });

  test.each([
    ['round', 644],
    ['straight', 638],
    ['pointed', 639],
    ['receding', 620],
  ] as const)('%s bears hair on %d cm² (within 5%%)', (shape, cm2) => {
    const { total } = scalpAreas(makeScalpGrid(makeScalp(head(550, shape))));
    expect(Math.abs(total / 100 / cm2 - 1)).toBeLessThan(0.05);
  });

  test('left and right may differ, and the mirror exchanges them', () => {
    const uneven = head(550, 'round', 'receding');
    const other = mirrorHead(uneven);
    for (const deg of [12, 28, 40, 55]) {
      expect(uneven.hairArc(deg * DEG)).not.toBeCloseTo(uneven.hairArc(-deg * DEG), 0);
      expect(other.hairArc(-deg * DEG)).toBeCloseTo(uneven.hairArc(deg * DEG), 6);
    }
  });
});

describe('scaling', () => {
  test('lengths grow with the circumference, areas with its square (0.1%)', () => {
    const small = head(500);
    const large = head(600);
    const ratio = 600 / 500;
    expect(large.hairArc(2.1) / small.hairArc(2.1)).toBeCloseTo(ratio, 3);
    const area = (h: Head) => scalpAreas(makeScalpGrid(makeScalp(h))).total;
    expect(Math.abs(area(large) / area(small) / ratio ** 2 - 1)).toBeLessThan(1e-3);
  });

  test.each([0, -550, Number.NaN, Infinity])('a circumference of %p is refused', (mm) => {
    expect(() => head(mm)).toThrow(RangeError);
  });
});

describe('scalp coordinates', () => {
  const round = head();
  const azimuth = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });

  test('a point opened out and folded back is the same point', () => {
    fc.assert(
      fc.property(azimuth, fc.double({ min: 0.01, max: 1, noNaN: true }), (a, t) => {
        const point = round.pointAt(a, t * round.hairArc(a));
        expect(distance(fromOpened(round, toOpened(round, point)), point)).toBeLessThan(1e-6);
      }),
    );
  });

  test('lengths down a meridian are true on the opened head', () => {
    const point = round.pointAt(2, 150);
    const walked = arc(0, 150, (mm) => round.pointAt(2, mm));
    const opened = toOpened(round, point);
    expect(Math.abs(walked - Math.hypot(opened.x, opened.y))).toBeLessThan(0.1);
  });
});

describe('zones', () => {
  test.each(HAIRLINE_SHAPES)('are a partition with no empty zone (%s)', (shape) => {
    const grid = makeScalpGrid(makeScalp(head(550, shape)));
    const { total, byZone } = scalpAreas(grid);
    expect(Object.values(byZone).reduce((a, b) => a + b, 0)).toBeCloseTo(total, 6);
    for (const zone of ZONES) expect(byZone[zone]).toBeGreaterThan(500);
  });

  test('mirror: a point and its reflection lie in zones of the same name', () => {
    const scalp = makeScalp(head());
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 3.1, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (a, t) => {
          const point = scalp.head.pointAt(a, t * scalp.head.hairArc(a));
          const swapped = scalp.zoneAt(mirrored(point)).replace(/-r$/, '-l');
          expect(swapped).toBe(scalp.zoneAt(point));
        },
      ),
    );
  });

  test('known places', () => {
    const scalp = makeScalp(head());
    const at = (deg: number, share: number) =>
      scalp.zoneAt(scalp.head.pointAt(deg * DEG, share * scalp.head.hairArc(deg * DEG)));
    expect(scalp.zoneAt(scalp.crown)).toBe('crown');
    expect(at(10, 0.97)).toBe('front-hairline-l');
    expect(at(-60, 0.97)).toBe('temple-r');
    expect(at(95, 0.97)).toBe('ear-hairline-l');
    expect(at(180, 0.99)).toBe('nape-hairline');
    expect(at(30, 0.2)).toBe('top-l');
    expect(at(-20, 0.6)).toBe('front-r');
    expect(at(80, 0.5)).toBe('upper-side-l');
    expect(at(95, 0.8)).toBe('lower-side-l');
    expect(at(150, 0.6)).toBe('upper-back-l');
    expect(at(-160, 0.85)).toBe('nape-r');
  });
});

describe('the part', () => {
  test('in the middle it runs straight from the forehead hairline to the crown', () => {
    const line = openedPart(head(), 0);
    for (const point of line) expect(Math.abs(point.x)).toBeLessThan(1e-9);
    expect(line[0].y).toBeGreaterThan(98);
    expect(line[0].y).toBeLessThanOrEqual(104);
    expect(line.at(-1)!.y).toBeGreaterThanOrEqual(-50.01);
    expect(line.at(-1)!.y).toBeLessThan(-44);
  });

  test('it keeps its distance from the middle plane', () => {
    const round = head();
    for (const point of openedPart(round, 22)) expect(fromOpened(round, point).x).toBeCloseTo(22, 3);
  });
});
