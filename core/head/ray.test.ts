import { makeHead } from './head';
import { skullHit } from './ray';
import { gaugeOn } from './skull';
import { normalize, vec } from './vector';

const head = makeHead({ circumferenceMm: 572, hairline: { left: 'round', right: 'round' } });

test('a ray through the middle meets the skull where its outline is', () => {
  const hit = skullHit(head.skull, { from: vec(0, 0, -600), along: vec(0, 0, 1) })!;
  expect(hit.z).toBeCloseTo(-91 * head.k, 4);
});

test('a slanting ray meets the near side, on the surface', () => {
  const from = vec(300, 420, -350);
  const hit = skullHit(head.skull, { from, along: normalize(vec(-300 + 10, -420 + 20, 350)) })!;
  expect(gaugeOn(head.skull, hit.x, hit.y, hit.z)).toBeCloseTo(1, 8);
  expect(hit.y).toBeGreaterThan(0);
  expect(hit.z).toBeLessThan(0);
});

test('a ray that passes by meets nothing', () => {
  expect(skullHit(head.skull, { from: vec(90, 0, -600), along: vec(0, 0, 1) })).toBeUndefined();
});
