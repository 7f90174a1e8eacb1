import { gunzipSync, gzipSync } from 'fflate';
import type { HalfMesh } from './surface-nets';

const { max, min, round } = Math;

/** Distances to the bust at even steps, half of it: x from 0 on. */
export interface DistanceGrid {
  readonly cellMm: number;
  readonly size: readonly [number, number, number];
  /** Place of the first corner, mm. */
  readonly from: readonly [number, number, number];
  /** mm, x slowest; cut off at ± {@link FARTHEST_MM}. */
  readonly values: Float32Array;
}

export interface PackedBust {
  readonly mesh: HalfMesh;
  readonly grid: DistanceGrid;
}

/** Vertices are kept to so many parts of a millimetre, distances to a quarter. */
const PER_MM = 64;
const DISTANCE_PER_MM = 4;
export const FARTHEST_MM = 127 / DISTANCE_PER_MM;

/**
 * One text for a bust: header, vertices and normals by axis, triangles, distances; whole numbers, each as the
 * difference to the one before.
 */
export function packed({ mesh, grid }: PackedBust): string {
  const vertices = mesh.xyz.length / 3;
  const header = Int32Array.of(vertices, mesh.triangles.length, ...grid.size, grid.cellMm, ...grid.from);
  const parts: Uint8Array[] = [bytes(header)];
  for (let axis = 0; axis < 3; axis += 1)
    parts.push(
      bytes(
        differences(Int16Array.from({ length: vertices }, (_, i) => round(mesh.xyz[3 * i + axis] * PER_MM))),
      ),
    );
  for (let axis = 0; axis < 3; axis += 1)
    parts.push(
      bytes(Int8Array.from({ length: vertices }, (_, i) => round(mesh.normals[3 * i + axis] * 127))),
    );
  parts.push(bytes(differences(Int32Array.from(mesh.triangles))));
  parts.push(bytes(Int8Array.from(grid.values, (mm) => max(-127, min(127, round(mm * DISTANCE_PER_MM))))));
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return btoa(
    gzipSync(whole, { level: 9, mtime: 0 }).reduce((text, byte) => text + String.fromCharCode(byte), ''),
  );
}

export function unpacked(text: string): PackedBust {
  const letters = atob(text);
  const packedUp = new Uint8Array(letters.length);
  for (let i = 0; i < letters.length; i += 1) packedUp[i] = letters.charCodeAt(i);
  const whole = gunzipSync(packedUp);
  const { buffer } = whole.slice();
  let at = 0;
  const take = <T>(make: (from: number, count: number) => T, count: number, size: number): T => {
    const item = make(at, count);
    at += count * size;
    return item;
  };
  const words = (count: number) =>
    take((from, n) => new Int32Array(buffer.slice(from, from + 4 * n)), count, 4);
  const shorts = (count: number) =>
    take((from, n) => new Int16Array(buffer.slice(from, from + 2 * n)), count, 2);
  const small = (count: number) => take((from, n) => new Int8Array(buffer.slice(from, from + n)), count, 1);
  const [vertices, corners, nx, ny, nz, cellMm, x0, y0, z0] = words(9);
  const xyz = new Float64Array(3 * vertices);
  const normals = new Float64Array(3 * vertices);
  for (let axis = 0; axis < 3; axis += 1)
    summed(shorts(vertices)).forEach((value, i) => (xyz[3 * i + axis] = value / PER_MM));
  for (let axis = 0; axis < 3; axis += 1)
    small(vertices).forEach((value, i) => (normals[3 * i + axis] = value / 127));
  const triangles = Uint32Array.from(summed(words(corners)));
  const quarters = small(nx * ny * nz);
  const values = new Float32Array(quarters.length);
  for (let i = 0; i < values.length; i += 1) values[i] = quarters[i] / DISTANCE_PER_MM;
  return {
    mesh: { xyz, normals, triangles },
    grid: { cellMm, size: [nx, ny, nz], from: [x0, y0, z0], values },
  };
}

const bytes = (own: Int8Array | Int16Array | Int32Array) =>
  new Uint8Array(own.buffer, own.byteOffset, own.byteLength);

function differences<T extends Int16Array | Int32Array>(item: T): T {
  // A slice of an array is of its own kind, which its type does not say.
  const out = item.slice() as T;
  for (let i = out.length - 1; i > 0; i -= 1) out[i] -= item[i - 1];
  return out;
}

function summed<T extends Int16Array | Int32Array>(item: T): T {
  for (let i = 1; i < item.length; i += 1) item[i] += item[i - 1];
  return item;
}
