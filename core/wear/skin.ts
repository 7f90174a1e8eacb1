import { bustMesh } from '../bust';
import type { Head } from '../head';
import type { Camera } from './camera';

const { ceil, floor, max, min } = Math;

/** The skin as it is seen: where hair is thin it shows, and what is behind it does not. */
export interface Skin {
  /** Towards the onlooker, mm by pixel; −∞ beside it. */
  readonly depth: Float32Array;
  /** Which way it faces: the onlooker's right, up and toward, in parts of 127, by pixel. */
  readonly facing: Int8Array;
}

/** Draws the bust's triangles: the nearest of each pixel. */
export function skinSeen(
  head: Head,
  { right, up, toward, pixelMm, columns, rows, leftMm, upMm }: Camera,
): Skin {
  const { xyz, normals, triangles } = bustMesh(head);
  const depth = new Float32Array(columns * rows).fill(-Infinity);
  const facing = new Int8Array(3 * columns * rows);
  const per = 1 / pixelMm;
  const vertices = xyz.length / 3;
  const place = new Float32Array(3 * vertices);
  const turned = new Float32Array(3 * vertices);
  for (let i = 0; i < xyz.length; i += 3) {
    const [x, y, z, nx, ny, nz] = [
      xyz[i],
      xyz[i + 1],
      xyz[i + 2],
      normals[i],
      normals[i + 1],
      normals[i + 2],
    ];
    place[i] = (x * right[0] + y * right[1] + z * right[2] + leftMm) * per;
    place[i + 1] = (upMm - (x * up[0] + y * up[1] + z * up[2])) * per;
    place[i + 2] = x * toward[0] + y * toward[1] + z * toward[2];
    turned[i] = nx * right[0] + ny * right[1] + nz * right[2];
    turned[i + 1] = nx * up[0] + ny * up[1] + nz * up[2];
    turned[i + 2] = nx * toward[0] + ny * toward[1] + nz * toward[2];
  }
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * triangles[t];
    const b = 3 * triangles[t + 1];
    const c = 3 * triangles[t + 2];
    const [ax, ay, bx, by, cx, cy] = [place[a], place[a + 1], place[b], place[b + 1], place[c], place[c + 1]];
    // Down the picture is down: seen from outside its corners go round the other way.
    const area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    if (area >= 0) continue;
    const fromColumn = max(0, ceil(min(ax, bx, cx) - 0.5));
    const toColumn = min(columns - 1, floor(max(ax, bx, cx) - 0.5));
    const fromRow = max(0, ceil(min(ay, by, cy) - 0.5));
    const toRow = min(rows - 1, floor(max(ay, by, cy) - 0.5));
    for (let row = fromRow; row <= toRow; row += 1) {
      const y = row + 0.5;
      for (let column = fromColumn; column <= toColumn; column += 1) {
        const x = column + 0.5;
        const u = ((bx - x) * (cy - y) - (by - y) * (cx - x)) / area;
        const v = ((cx - x) * (ay - y) - (cy - y) * (ax - x)) / area;
        const w = 1 - u - v;
        if (u < -1e-6 || v < -1e-6 || w < -1e-6) continue;
        const at = row * columns + column;
        const deep = u * place[a + 2] + v * place[b + 2] + w * place[c + 2];
        if (deep <= depth[at]) continue;
        depth[at] = deep;
        for (let n = 0; n < 3; n += 1)
          facing[3 * at + n] = 127 * (u * turned[a + n] + v * turned[b + n] + w * turned[c + n]);
      }
    }
  }
  return { depth, facing };
}
