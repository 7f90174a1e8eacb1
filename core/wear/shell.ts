import { gaugeWithGradient, type Head } from '../head';

const { abs, ceil, floor, sqrt } = Math;

/**
 * Edge of a cell of the table, average head, mm: between its corners the height errs by a few hundredths of a
 * mm.
 */
const CELL_MM = 6;
/** What the table covers, average head, mm: |x| to, y from and to, |z| to. */
const COVERS = { x: 108, y0: -108, y1: 132, z: 132 } as const;

/** The space about a skull, tabulated: how high a point lies over it and which way is out. */
export interface Shell {
  /**
   * Writes height above the skull, mm, and the outward normal, of length one within a thousandth, into
   * out[0…3].
   */
  read(x: number, y: number, z: number, out: Float64Array): void;
}

const kept = new WeakMap<Head, Shell>();

/** The shell of a head, made once for it: the walk of hair asks it a million times. */
export function shellOf(head: Head): Shell {
  const shell = kept.get(head) ?? makeShell(head);
  kept.set(head, shell);
  return shell;
}

function makeShell(head: Head): Shell {
  const cell = CELL_MM * head.k;
  const y0 = COVERS.y0 * head.k;
  const z0 = -COVERS.z * head.k;
  const nx = ceil((COVERS.x * head.k) / cell) + 1;
  const ny = ceil(((COVERS.y1 - COVERS.y0) * head.k) / cell) + 1;
  const nz = ceil((2 * COVERS.z * head.k) / cell) + 1;
  const table = new Float32Array(4 * nx * ny * nz);
  const scratch = new Float64Array(4);
  for (let i = 0, at = 0; i < nx; i += 1) {
    for (let j = 0; j < ny; j += 1) {
      for (let l = 0; l < nz; l += 1, at += 4) {
        exact(head, i * cell, y0 + j * cell, z0 + l * cell, scratch);
        table.set(scratch, at);
      }
    }
  }
  const dy = 4 * nz;
  const dx = dy * ny;
  return {
    read: (x, y, z, out) => {
      const fx = abs(x) / cell;
      const fy = (y - y0) / cell;
      const fz = (z - z0) / cell;
      const i = floor(fx);
      const j = floor(fy);
      const l = floor(fz);
      if (j < 0 || l < 0 || i >= nx - 1 || j >= ny - 1 || l >= nz - 1) {
        exact(head, x, y, z, out);
        return;
      }
      const u = fx - i;
      const v = fy - j;
      const w = fz - l;
      let at = i * dx + j * dy + 4 * l;
      const a = (1 - u) * (1 - v);
      const b = (1 - u) * v;
      const c = u * (1 - v);
      const d = u * v;
      for (let n = 0; n < 4; n += 1, at += 1) {
        const low = a * table[at] + b * table[at + dy] + c * table[at + dx] + d * table[at + dx + dy];
        const high =
          a * table[at + 4] + b * table[at + dy + 4] + c * table[at + dx + 4] + d * table[at + dx + dy + 4];
        out[n] = low + (high - low) * w;
      }
      // Halfway between two corners a normal comes out short by less than a thousandth.
      if (x < 0) out[1] = -out[1];
    },
  };
}

const gradient = new Float64Array(3);

function exact(head: Head, x: number, y: number, z: number, out: Float64Array): void {
  // At the very centre there is no way out; any will do.
  const g = gaugeWithGradient(head.skull, x, y, x === 0 && y === 0 && z === 0 ? 1e-3 : z, gradient);
  const steep = sqrt(gradient[0] ** 2 + gradient[1] ** 2 + gradient[2] ** 2);
  out[0] = (g - 1) / steep;
  out[1] = gradient[0] / steep;
  out[2] = gradient[1] / steep;
  out[3] = gradient[2] / steep;
}
