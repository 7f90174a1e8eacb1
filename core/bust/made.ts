import { FARTHEST_MM, type DistanceGrid, type PackedBust } from './packed';
import { bustDistance } from './shape';
import { surfaceOf } from './surface-nets';

const { max, min } = Math;

/** What is kept of the bust, average head, mm: down to below the picture. */
const BOX = { x: 215, y: [-300, 92], z: [-130, 122] } as const;
const MESH_CELL_MM = 3;
const GRID = { cellMm: 5, from: [0, -300, -135], size: [44, 85, 54] } as const;

/** Makes the bust out of its shape: some seconds of work, done once by `npm run bust`. */
export function madeBust(): PackedBust {
  return { mesh: surfaceOf(bustDistance, BOX, MESH_CELL_MM), grid: distances() };
}

function distances(): DistanceGrid {
  const { cellMm, from, size } = GRID;
  const values = new Float32Array(size[0] * size[1] * size[2]);
  for (let i = 0, at = 0; i < size[0]; i += 1) {
    for (let j = 0; j < size[1]; j += 1) {
      for (let l = 0; l < size[2]; l += 1, at += 1) {
        const off = bustDistance(from[0] + cellMm * i, from[1] + cellMm * j, from[2] + cellMm * l);
        values[at] = max(-FARTHEST_MM, min(FARTHEST_MM, off));
      }
    }
  }
  return { cellMm, from, size, values };
}
