import type { Head } from '../head';
import { MODEL } from './model';
import { unpacked, type PackedBust } from './packed';

const { abs, floor, max, min, sqrt } = Math;

/** The skin that hair falls on: distance and the way out, for a head of any size. */
export interface Bust {
  /**
   * Writes about how far a point is outside the skin, mm (negative within, cut off at 32), and the way out,
   * of length one,
   * into out[0…3]. Below the bust it goes on as it ends there.
   */
  read(x: number, y: number, z: number, out: Float64Array): void;
}

/** The skin as a mesh, both halves. */
export interface BustMesh {
  /** Packed xyz, mm. */
  readonly xyz: Float32Array<ArrayBuffer>;
  readonly normals: Float32Array<ArrayBuffer>;
  readonly triangles: Uint32Array<ArrayBuffer>;
}

let model: PackedBust | undefined;
const loaded = () => (model ??= unpacked(MODEL));

const kept = new WeakMap<Head, Bust>();

/** The bust of a head: the average one, as wide, high and long as its skull. */
export function bustOf(head: Head): Bust {
  const bust = kept.get(head) ?? makeBust(head);
  kept.set(head, bust);
  return bust;
}

function makeBust({ skull }: Head): Bust {
  const { cellMm, size, from, values } = loaded().grid;
  const [nx, ny, nz] = size;
  const [x0, y0, z0] = from;
  const dx = ny * nz;
  const dy = nz;
  const [ix, iy, iz] = [1 / (skull.x * cellMm), 1 / (skull.y * cellMm), 1 / (skull.z * cellMm)];
  const scale = min(skull.x, skull.y, skull.z);
  const [mostX, mostY, mostZ] = [nx - 1.001, ny - 1.001, nz - 1.001];
  return {
    read: (x, y, z, out) => {
      const fx = min(mostX, max(0, abs(x) * ix - x0 / cellMm));
      const fy = min(mostY, max(0, y * iy - y0 / cellMm));
      const fz = min(mostZ, max(0, z * iz - z0 / cellMm));
      const i = floor(fx);
      const j = floor(fy);
      const l = floor(fz);
      const u = fx - i;
      const v = fy - j;
      const w = fz - l;
      const at = i * dx + j * dy + l;
      const a = values[at] + (values[at + 1] - values[at]) * w;
      const b = values[at + dy] + (values[at + dy + 1] - values[at + dy]) * w;
      const c = values[at + dx] + (values[at + dx + 1] - values[at + dx]) * w;
      const d = values[at + dx + dy] + (values[at + dx + dy + 1] - values[at + dx + dy]) * w;
      const near = a + (b - a) * v;
      const far = c + (d - c) * v;
      out[0] = (near + (far - near) * u) * scale;
      const back =
        (values[at] + (values[at + dy] - values[at]) * v) * (1 - u) +
        (values[at + dx] + (values[at + dx + dy] - values[at + dx]) * v) * u;
      const front =
        (values[at + 1] + (values[at + dy + 1] - values[at + 1]) * v) * (1 - u) +
        (values[at + dx + 1] + (values[at + dx + dy + 1] - values[at + dx + 1]) * v) * u;
      const gx = (far - near) * ix * (x < 0 ? -1 : 1);
      const gy = ((b - a) * (1 - u) + (d - c) * u) * iy;
      const gz = (front - back) * iz;
      const steep = 1 / max(1e-9, sqrt(gx * gx + gy * gy + gz * gz));
      out[1] = gx * steep;
      out[2] = gy * steep;
      out[3] = gz * steep;
    },
  };
}

const meshes = new WeakMap<Head, BustMesh>();

/** The skin of a head, for pictures. */
export function bustMesh(head: Head): BustMesh {
  const mesh = meshes.get(head) ?? makeMesh(head);
  meshes.set(head, mesh);
  return mesh;
}

function makeMesh({ skull }: Head): BustMesh {
  const { xyz, normals, triangles } = loaded().mesh;
  const half = xyz.length;
  const out = {
    xyz: new Float32Array(2 * half),
    normals: new Float32Array(2 * half),
    triangles: new Uint32Array(2 * triangles.length),
  };
  for (let i = 0; i < half; i += 3) {
    const [nx, ny, nz] = [normals[i] / skull.x, normals[i + 1] / skull.y, normals[i + 2] / skull.z];
    const size = 1 / max(1e-9, sqrt(nx * nx + ny * ny + nz * nz));
    for (const [at, side] of [
      [i, 1],
      [half + i, -1],
    ]) {
      out.xyz.set([side * xyz[i] * skull.x, xyz[i + 1] * skull.y, xyz[i + 2] * skull.z], at);
      out.normals.set([side * nx * size, ny * size, nz * size], at);
    }
  }
  out.triangles.set(triangles);
  for (let i = 0; i < triangles.length; i += 3) {
    out.triangles.set(
      [triangles[i] + half / 3, triangles[i + 2] + half / 3, triangles[i + 1] + half / 3],
      triangles.length + i,
    );
  }
  return out;
}
