import { openedChord, type ScalpGrid } from './scalp';
import { surfaceNormal } from './skull';
import { dot, type Vec3 } from './vector';

// Taken once: these run in the hot loops.
const { floor, max, min, sqrt } = Math;

/** Distance over the skin from every node of a raster to a line on the scalp. */
export interface DistanceRaster {
  /** mm; NaN where the raster holds no point. */
  readonly distance: Float64Array;
  /** Position along the line of the nearest point, in samples (with fraction). */
  readonly along: Float64Array;
}

/** First look at every nth sample of the line; the nearest of them is refined among its neighbours. */
export const COARSE = 12;

/**
 * Nearest point of a sampled line by chord, then the chord opened to an arc by the turn of the normal. (The
 * way down a
 * meridian is up to 2.4 times too long.)
 * @param line points about 1–2 mm apart on the skin
 * @param closed whether the last point joins the first
 */
export function distanceRaster(grid: ScalpGrid, line: readonly Vec3[], closed: boolean): DistanceRaster {
  const { skull } = grid.scalp.head;
  const n = line.length;
  const flat = new Float64Array(3 * n);
  line.forEach((p, i) => flat.set([p.x, p.y, p.z], 3 * i));
  const normals = line.map((p) => surfaceNormal(p, skull));
  const distance = new Float64Array(grid.points.length).fill(Number.NaN);
  const along = new Float64Array(grid.points.length).fill(Number.NaN);
  const within = (i: number) => (closed ? (i + n) % n : min(n - 1, max(0, i)));
  const square = (i: number, p: Vec3) => {
    const dx = flat[3 * i] - p.x;
    const dy = flat[3 * i + 1] - p.y;
    const dz = flat[3 * i + 2] - p.z;
    return dx * dx + dy * dy + dz * dz;
  };
  grid.points.forEach((p, node) => {
    if (!p) return;
    let best = 0;
    let least = Infinity;
    for (let i = 0; i < n; i += COARSE) {
      const d = square(i, p);
      if (d < least) {
        least = d;
        best = i;
      }
    }
    const middle = best;
    for (let step = -COARSE; step <= COARSE; step += 1) {
      const i = within(middle + step);
      const d = square(i, p);
      if (d < least) {
        least = d;
        best = i;
      }
    }
    const [chordSquare, position] = refine(p, best);
    const before = floor(position);
    const f = position - before;
    const own = surfaceNormal(p, skull);
    const cosine = dot(own, normals[within(before)]) * (1 - f) + dot(own, normals[within(before + 1)]) * f;
    distance[node] = openedChord(sqrt(chordSquare), cosine);
    along[node] = position;
  });

  /** Nearest point on the two segments at a sample: squared chord, position. */
  function refine(p: Vec3, i: number): readonly [number, number] {
    let least = square(i, p);
    let position = i;
    for (const side of [-1, 1]) {
      const j = closed ? (i + side + n) % n : i + side;
      if (j < 0 || j >= n) continue;
      const ex = flat[3 * j] - flat[3 * i];
      const ey = flat[3 * j + 1] - flat[3 * i + 1];
      const ez = flat[3 * j + 2] - flat[3 * i + 2];
      const px = p.x - flat[3 * i];
      const py = p.y - flat[3 * i + 1];
      const pz = p.z - flat[3 * i + 2];
      const f = min(1, max(0, (px * ex + py * ey + pz * ez) / (ex * ex + ey * ey + ez * ez)));
      const d = (px - f * ex) ** 2 + (py - f * ey) ** 2 + (pz - f * ez) ** 2;
      if (d < least) {
        least = d;
        position = i + side * f;
      }
    }
    return [least, position];
  }
  return { distance, along };
}
