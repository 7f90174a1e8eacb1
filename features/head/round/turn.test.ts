import { makeHead, skullHit, vec } from '@/core/head';
import {
  enlarged,
  eyeOf,
  onScreenOf,
  rayThrough,
  saidView,
  settled,
  turned,
  turnedByKey,
  VIEWS,
  type ViewName,
} from './turn';

const head = makeHead({ circumferenceMm: 550, hairline: { left: 'round', right: 'round' } });
const earLeft = vec(72, -38, 0);
const place = (view: ViewName, point = earLeft) => onScreenOf(eyeOf(VIEWS[view], 1), 1, point);

test.each(['Back', 'Top', 'Front'] as const)('the client’s left is screen-left: %s', (view) => {
  expect(place(view).x).toBeLessThan(-0.2);
});

test('from above the forehead is up, from behind the apex', () => {
  expect(place('Top', vec(0, 40, 90)).y).toBeGreaterThan(0.3);
  expect(place('Back', vec(0, 89, 0)).y).toBeGreaterThan(0.3);
});

test('the front stands in a mirror, the sides do not: from the left the face looks to screen-left', () => {
  expect(VIEWS.Front.mirrored).toBe(true);
  expect(VIEWS.Left.mirrored).toBe(false);
  expect(place('Left', vec(0, 0, 96)).x).toBeLessThan(0);
  expect(place('Right', vec(0, 0, 96)).x).toBeGreaterThan(0);
});

test.each(Object.keys(VIEWS) as ViewName[])(
  'what is under the pointer is what is drawn there: %s',
  (view) => {
    const eye = eyeOf(VIEWS[view], 1);
    const hit = skullHit(head.skull, rayThrough(eye, 1.3, { x: 0.1, y: 0.2 }))!;
    const back = onScreenOf(eye, 1.3, hit);
    expect(back.x).toBeCloseTo(0.1, 6);
    expect(back.y).toBeCloseTo(0.2, 6);
  },
);

test.each(['Back', 'Left', 'Front'] as const)('what lies under the hand follows it: %s', (view) => {
  const turn = VIEWS[view];
  const eye = eyeOf(turn, 1);
  const point = skullHit(head.skull, rayThrough(eye, 1, { x: 0, y: 0.1 }))!;
  const after = onScreenOf(eyeOf(turned(turn, 10, 5), 1), 1, point);
  expect(after.x).toBeGreaterThan(0.02);
  expect(after.y).toBeLessThan(0.1);
});

test('a drag never flips the picture; letting go does, where the front begins', () => {
  const dragged = turned(VIEWS.Left, -70, 0);
  expect(dragged.mirrored).toBe(false);
  expect(settled(dragged)).toMatchObject({ mirrored: Math.abs(dragged.azimuthDeg) < 75 });
  expect(saidView(VIEWS.Front)).toBe('from the front, as in the mirror');
  expect(saidView(VIEWS.Left)).toBe('from the client’s left');
});

test('enlarged twice as much, a point stands twice as far from the middle; never smaller than whole', () => {
  const point = vec(40, 20, -80);
  const [whole, twice] = [VIEWS.Back, enlarged(VIEWS.Back, 2)].map((turn) =>
    onScreenOf(eyeOf(turn, 1), 1, point),
  );
  expect(twice.x / whole.x).toBeCloseTo(2, 6);
  expect(twice.y / whole.y).toBeCloseTo(2, 6);
  expect(enlarged(VIEWS.Back, 0.2).times).toBe(1);
});

test('keys turn by ten degrees, jump to a view, enlarge; others do nothing', () => {
  expect(turnedByKey(VIEWS.Left, 'ArrowDown')).toMatchObject({
    azimuthDeg: 90,
    elevationDeg: VIEWS.Left.elevationDeg + 10,
  });
  expect(Math.abs(turnedByKey(VIEWS.Left, 'ArrowRight')!.azimuthDeg - 90)).toBeCloseTo(10, 9);
  expect(turnedByKey(VIEWS.Left, '1')).toEqual(VIEWS.Back);
  expect(turnedByKey(VIEWS.Back, '+')!.times).toBeCloseTo(1.25, 12);
  expect(['6', 'a', 'Enter'].map((key) => turnedByKey(VIEWS.Back, key))).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
});
