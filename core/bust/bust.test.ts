import { gaugeOn, makeHead } from '../head';
import { emptyPlan } from '../formats';
import { bustMesh, bustOf } from '.';
import { bustDistance } from './shape';

const head = makeHead(emptyPlan('Empty').head);
const large = makeHead({ ...emptyPlan('Large').head, circumferenceMm: 640 });

describe('the bust that is kept', () => {
  test('is the one that its shape says: run `npm run bust` after a change', () => {
    const { xyz } = bustMesh(head);
    expect(xyz.length).toBeGreaterThan(60_000);
    let worst = 0;
    for (let i = 0; i < xyz.length; i += 3 * 37) {
      const at = [xyz[i], xyz[i + 1], xyz[i + 2]].map(
        (mm, axis) => mm / head.skull[(['x', 'y', 'z'] as const)[axis]],
      );
      worst = Math.max(worst, Math.abs(bustDistance(at[0], at[1], at[2])));
    }
    expect(worst).toBeLessThan(0.4);
  });

  test('says how far it is to the skin, within a millimetre where hair lies', () => {
    const out = new Float64Array(4);
    for (const [x, y, z] of [
      [0, 96, 0],
      [80, 10, 0],
      [60, -90, -40],
      [0, -120, -85],
      [120, -225, -40],
      [-120, -225, -40],
      [40, -280, 60],
    ]) {
      const { skull } = head;
      bustOf(head).read(x * skull.x, y * skull.y, z * skull.z, out);
      expect(Math.abs(out[0] - bustDistance(x, y, z))).toBeLessThan(1.2);
      expect(Math.hypot(out[1], out[2], out[3])).toBeCloseTo(1, 6);
    }
  });

  test('is the skull where hair grows, on heads of any size', () => {
    for (const own of [head, large]) {
      const { xyz } = bustMesh(own);
      let [worst, many] = [0, 0];
      for (let i = 0; i < xyz.length; i += 3) {
        const point = { x: xyz[i], y: xyz[i + 1], z: xyz[i + 2] };
        const place = own.locate(point);
        // Ears stand out of it; the temples are rounder than it by a little.
        const ear = Math.abs(point.x) > 69 * own.skull.x && point.y < 0 && point.z < 20;
        if (place.arc > place.hairArc || point.y < -70 * own.skull.y || ear) continue;
        many += 1;
        worst = Math.max(worst, Math.abs(gaugeOn(own.skull, point.x, point.y, point.z) - 1) * 80);
      }
      expect(many).toBeGreaterThan(5000);
      expect(worst).toBeLessThan(3.6);
    }
  });

  test('is closed but for its lower edge, and both sides are alike', () => {
    const { xyz, triangles } = bustMesh(head);
    const half = triangles.length / 2;
    const edges = new Map<string, number>();
    for (let i = 0; i < half; i += 3) {
      for (const [a, b] of [
        [0, 1],
        [1, 2],
        [2, 0],
      ]) {
        const key = [triangles[i + a], triangles[i + b]].sort((p, q) => p - q).join();
        edges.set(key, (edges.get(key) ?? 0) + 1);
      }
    }
    // Edges of one triangle alone lie in the middle or at the lower edge.
    const open = [...edges].filter(([, many]) => many === 1).map(([key]) => key.split(',').map(Number));
    for (const pair of open)
      for (const n of pair)
        expect(Math.abs(xyz[3 * n]) < 1 || xyz[3 * n + 1] < -285 * head.skull.y).toBe(true);
    expect(xyz[0]).toBe(-xyz[xyz.length / 2]);
  });
});
