import { hairlineKnots } from './hairline';
import { makeHead } from './head';
import { moveLandmark } from './landmark-move';

const spec = { circumferenceMm: 580, earToEarMm: 352, hairline: { left: 'round', right: 'round' } } as const;
const head = makeHead(spec);

test('a landmark moved to where the hairline is stays in its place', () => {
  hairlineKnots('round').forEach(([azimuth, y], i) => {
    const moved = moveLandmark('round', i, head.skull, head.hairlinePoint((azimuth * Math.PI) / 180));
    expect(typeof moved === 'object' && moved.landmarks[i]).toEqual([azimuth, y]);
  });
});

test('moved up by 10 mm, the hairline passes there', () => {
  const at = head.hairlinePoint((33 * Math.PI) / 180);
  const up = { ...at, y: at.y + 10 * head.skull.y };
  const left = moveLandmark('round', 2, head.skull, up);
  const after = makeHead({ ...spec, hairline: { left, right: 'round' } });
  expect(after.hairlinePoint((33 * Math.PI) / 180).y / head.skull.y).toBeCloseTo(52, 0);
  expect(after.hairlinePoint((-33 * Math.PI) / 180).y).toBeCloseTo(at.y, 6);
});

test('a landmark never passes its neighbours, and the middle stays in the middle', () => {
  const far = head.hairlinePoint((150 * Math.PI) / 180);
  const moved = moveLandmark('round', 2, head.skull, far);
  expect(typeof moved === 'object' && moved.landmarks[2][0]).toBe(45);
  const middle = moveLandmark('round', 0, head.skull, head.hairlinePoint(0.2));
  expect(typeof middle === 'object' && middle.landmarks[0][0]).toBe(0);
});
