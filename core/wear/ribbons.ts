import { bustMesh, type BustMesh } from '../bust';
import type { Head } from '../head';
import type { Density } from './density';
import { FIBRE } from './lamps';
import { lightAt } from './light';
import { noiseOf } from './noise';
import { colourAt, type Colouring } from './shade';
import type { Strands } from './strands';

const { max, min, round, sqrt } = Math;

/** Hair as the graphics card draws it: strands as ribbons that face the eye, two vertices for each point. */
export interface Ribbons {
  /** Packed xyz, mm, each point twice. */
  readonly position: Float32Array<ArrayBuffer>;
  /** Which way the hair runs, in parts of 127, and on which side of it the vertex lies. */
  readonly run: Int8Array<ArrayBuffer>;
  readonly index: Uint32Array<ArrayBuffer>;
  readonly body: BustMesh;
  /**
   * How thick hair stands: strands met in a millimetre, 255 is {@link MOST_PER_MM}; x fastest, as textures
   * are.
   */
  readonly density: {
    readonly cellMm: number;
    readonly size: readonly [number, number, number];
    readonly from: readonly [number, number, number];
    readonly cells: Uint8Array<ArrayBuffer>;
  };
}

/** Thicker hair than this lets no less light through. */
export const MOST_PER_MM = 8;

/**
 * Which strands are drawn where only one in so many is: by lot, so that no row is left out, and mirror images
 * together.
 */
const isDrawn = ({ seed, used }: Strands, s: number, each: number) =>
  used[s] > 1 && (each === 1 || noiseOf(seed[s], 70) * each < 1);

/** @param each only one strand in so many: fewer where the processor has to draw them */
export function ribbonsOf(head: Head, strands: Strands, density: Density, each: number): Ribbons {
  const { points, used, xyz } = strands;
  const { vertices, segments } = sizeOf(strands, each);
  const position = new Float32Array(3 * vertices);
  const run = new Int8Array(4 * vertices);
  const index = new Uint32Array(6 * segments);
  let v = 0;
  let n = 0;
  for (let s = 0; s < strands.count; s += 1) {
    if (!isDrawn(strands, s, each)) continue;
    for (let p = 0, at = 3 * points * s; p < used[s]; p += 1, at += 3) {
      const a = p > 0 ? at - 3 : at;
      const b = p + 1 < used[s] ? at + 3 : at;
      const [x, y, z] = [xyz[b] - xyz[a], xyz[b + 1] - xyz[a + 1], xyz[b + 2] - xyz[a + 2]];
      const size = 127 / max(1e-6, sqrt(x * x + y * y + z * z));
      for (const side of [-1, 1]) {
        position.set([xyz[at], xyz[at + 1], xyz[at + 2]], 3 * v);
        run.set([x * size, y * size, z * size, side * (p + 1 < used[s] ? 127 : 40)], 4 * v);
        v += 1;
      }
      if (p === 0) continue;
      index.set([v - 4, v - 3, v - 2, v - 3, v - 1, v - 2], n);
      n += 6;
    }
  }
  const {
    size: [nx, ny, nz],
    perMm,
    cellMm,
    from,
  } = density;
  const cells = new Uint8Array(perMm.length);
  for (let i = 0, at = 0; i < nx; i += 1) {
    for (let j = 0; j < ny; j += 1)
      for (let l = 0; l < nz; l += 1, at += 1)
        cells[(l * ny + j) * nx + i] = min(255, (255 * perMm[at]) / MOST_PER_MM);
  }
  const { xyz: skin, normals, triangles } = bustMesh(head);
  // Copies, since what is handed over to the page is gone here.
  return {
    position,
    run,
    index,
    body: { xyz: skin.slice(), normals: normals.slice(), triangles: triangles.slice() },
    density: { cellMm, size: [nx, ny, nz], from, cells },
  };
}

/** Colours of every vertex of the ribbons, sRGB bytes. */
export function ribbonColours(strands: Strands, colouring: Colouring, each: number): Uint8Array<ArrayBuffer> {
  const { used, stepMm, seed } = strands;
  const { light, palette } = colouring;
  const out = new Uint8Array(3 * sizeOf(strands, each).vertices);
  let v = 0;
  for (let s = 0; s < strands.count; s += 1) {
    if (!isDrawn(strands, s, each)) continue;
    const shine = 1 + FIBRE.own * (2 * noiseOf(seed[s], 9) - 1);
    for (let p = 0; p < used[s]; p += 1) {
      const c = colourAt(colouring, s, p * stepMm, lightAt(light, s, p * stepMm));
      const rgb = [0, 1, 2].map((n) => encoded(palette[c + n] * shine));
      out.set(rgb, 3 * v);
      out.set(rgb, 3 * v + 3);
      v += 2;
    }
  }
  return out;
}

function sizeOf(strands: Strands, each: number): { vertices: number; segments: number } {
  let vertices = 0;
  let segments = 0;
  for (let s = 0; s < strands.count; s += 1) {
    if (!isDrawn(strands, s, each)) continue;
    vertices += 2 * strands.used[s];
    segments += strands.used[s] - 1;
  }
  return { vertices, segments };
}

const encoded = (value: number) => round(255 * sqrt(min(1, max(0, value))));
