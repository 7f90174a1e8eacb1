import fc from 'fast-check';
import { earToEar, frontToNape, makeHead, makeScalp, makeScalpGrid, scalpAreas } from './index';
import { arcBetween } from './testing';

const round = { left: 'round', right: 'round' } as const;

test('a head of the average proportions needs no arcs: its own arcs fit it to itself', () => {
  const average = makeHead({ circumferenceMm: 550, hairline: round });
  const fitted = makeHead({
    circumferenceMm: 550,
    earToEarMm: earToEar(average.skull),
    frontToNapeMm: frontToNape(average.skull, 46, -92),
    hairline: round,
  });
  for (const axis of ['x', 'y', 'z'] as const) expect(fitted.skull[axis]).toBeCloseTo(average.skull[axis], 3);
});

test('the fitted head has the measures that were taken', () => {
  const measure = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  fc.assert(
    fc.property(
      measure(520, 590),
      measure(0.96, 1.05),
      measure(0.97, 1.04),
      (circumferenceMm, ear, front) => {
        const k = circumferenceMm / 550;
        const spec = {
          circumferenceMm,
          earToEarMm: 340.5 * k * ear,
          frontToNapeMm: 345 * k * front,
          hairline: round,
        };
        const head = makeHead(spec);
        expect(arcBetween(head, 0, 2 * Math.PI)).toBeCloseTo(circumferenceMm, 0);
        expect(earToEar(head.skull)).toBeCloseTo(spec.earToEarMm, 1);
        expect(head.hairArc(0) + head.hairArc(Math.PI)).toBeCloseTo(spec.frontToNapeMm, 0);
      },
    ),
    { numRuns: 12 },
  );
});

test('only the ear-to-ear arc: the head grows in height and keeps its circumference', () => {
  const tall = makeHead({ circumferenceMm: 550, earToEarMm: 360, hairline: round });
  expect(tall.skull.x).toBe(1);
  expect(tall.skull.z).toBe(1);
  expect(tall.skull.y).toBeGreaterThan(1.03);
  const area = (head: typeof tall) => scalpAreas(makeScalpGrid(makeScalp(head))).total;
  expect(area(tall)).toBeGreaterThan(1.03 * area(makeHead({ circumferenceMm: 550, hairline: round })));
});

test.each([
  [{ circumferenceMm: 450, earToEarMm: 440 }, /ear-to-ear measure of 440 mm does not go with/],
  [{ circumferenceMm: 550, frontToNapeMm: 100 }, /front-to-nape measure of 100 mm/],
])('%j is refused with a sentence', (measures, sentence) => {
  expect(() => makeHead({ ...measures, hairline: round })).toThrow(sentence);
});

test('a hairline set by hand runs through its landmarks', () => {
  const landmarks = [
    [0, 40],
    [30, 47],
    [60, 4],
    [90, -12],
    [130, -60],
    [180, -95],
  ] as const;
  const head = makeHead({ circumferenceMm: 550, hairline: { left: { landmarks }, right: 'round' } });
  for (const [deg, y] of landmarks.slice(1, -1))
    expect(head.hairlinePoint((deg * Math.PI) / 180).y).toBeCloseTo(y, 6);
  expect(head.hairlinePoint(0).y).toBeCloseTo((40 + 46) / 2, 6);
  expect(head.symmetric).toBe(false);
});

test.each([
  [
    [
      [0, 40],
      [180, -90],
    ],
    /at least three/,
  ],
  [
    [
      [5, 40],
      [90, -10],
      [180, -90],
    ],
    /begin at 0°/,
  ],
  [
    [
      [0, 40],
      [90, -10],
      [90, -12],
      [180, -90],
    ],
    /landmark 3: its azimuth/,
  ],
  [
    [
      [0, 40],
      [90, 300],
      [180, -90],
    ],
    /landmark 2: its height/,
  ],
] as const)('landmarks %j are refused', (landmarks, sentence) => {
  expect(() =>
    makeHead({ circumferenceMm: 550, hairline: { left: { landmarks: landmarks }, right: 'round' } }),
  ).toThrow(sentence);
});
