const { abs, ceil, min } = Math;

/** A surface of triangles on x ≥ 0; its mirror image is the other half. */
export interface HalfMesh {
  /** Packed xyz, mm. Vertices of the middle lie at x = 0. */
  readonly xyz: Float64Array;
  /** Outward unit normals, packed as the vertices are. */
  readonly normals: Float64Array;
  /** Corners of the triangles, counter-clockwise from outside. */
  readonly triangles: Uint32Array;
}

export interface Box {
  readonly x: number;
  readonly y: readonly [number, number];
  readonly z: readonly [number, number];
}

type Distance = (x: number, y: number, z: number) => number;

/** Cells are looked at closely only where a coarse cell may hold the surface. */
const COARSE = 4;
/** Vertices are drawn onto the surface in so many steps. */
const DRAWN = 4;

/**
 * The surface of a distance function that is the same on both sides of x = 0, by naive surface nets: one
 * vertex in every cell
 * that the surface passes, drawn onto it, and a quad about every edge that crosses it. The surface is open
 * where the box ends.
 * @param cellMm edge of a cell, mm
 */
export function surfaceOf(distance: Distance, box: Box, cellMm: number): HalfMesh {
  // Corners half a cell on either side of the middle, so that its vertices lie in it.
  const nx = ceil(box.x / cellMm) + 1;
  const ny = ceil((box.y[1] - box.y[0]) / cellMm);
  const nz = ceil((box.z[1] - box.z[0]) / cellMm);
  const xAt = (i: number) => (i - 0.5) * cellMm;
  const yAt = (j: number) => box.y[0] + j * cellMm;
  const zAt = (l: number) => box.z[0] + l * cellMm;
  const corners = new Map<number, number>();
  const keyOf = (i: number, j: number, l: number) => (i * (ny + 1) + j) * (nz + 1) + l;
  const at = (i: number, j: number, l: number) => {
    const key = keyOf(i, j, l);
    const value = corners.get(key) ?? distance(xAt(i), yAt(j), zAt(l));
    corners.set(key, value);
    return value;
  };
  const vertexOf = new Map<number, number>();
  const xyz: number[] = [];
  const normals: number[] = [];
  const cells: [number, number, number][] = [];
  const half = COARSE / 2;
  for (let I = 0; I < nx; I += COARSE) {
    for (let J = 0; J < ny; J += COARSE) {
      for (let L = 0; L < nz; L += COARSE) {
        const middle = distance(xAt(I + half), yAt(J + half), zAt(L + half));
        if (abs(middle) > 1.4 * COARSE * cellMm) continue;
        for (let i = I; i < min(nx, I + COARSE); i += 1) {
          for (let j = J; j < min(ny, J + COARSE); j += 1)
            for (let l = L; l < min(nz, L + COARSE); l += 1) cells.push([i, j, l]);
        }
      }
    }
  }
  const gradient = (x: number, y: number, z: number): readonly [number, number, number] => {
    const e = 0.3;
    const g = [
      distance(x + e, y, z) - distance(x - e, y, z),
      distance(x, y + e, z) - distance(x, y - e, z),
      distance(x, y, z + e) - distance(x, y, z - e),
    ];
    const size = Math.hypot(...g) || 1;
    return [g[0] / size, g[1] / size, g[2] / size];
  };
  for (const [i, j, l] of cells) {
    let inside = 0;
    for (let c = 0; c < 8; c += 1) if (at(i + (c & 1), j + ((c >> 1) & 1), l + (c >> 2)) < 0) inside += 1;
    if (inside === 0 || inside === 8) continue;
    // Begun in the middle of the places where edges cross, and drawn onto the surface.
    let [x, y, z, many] = [0, 0, 0, 0];
    for (const [a, b] of EDGES) {
      const [da, db] = [a, b].map((c) => at(i + (c & 1), j + ((c >> 1) & 1), l + (c >> 2)));
      if (da < 0 === db < 0) continue;
      const f = da / (da - db);
      const along = (bit: number) => ((a >> bit) & 1) + f * (((b >> bit) & 1) - ((a >> bit) & 1));
      x += xAt(i + along(0));
      y += yAt(j + along(1));
      z += zAt(l + along(2));
      many += 1;
    }
    [x, y, z] = [i === 0 ? 0 : x / many, y / many, z / many];
    for (let step = 0; step < DRAWN; step += 1) {
      const off = distance(x, y, z);
      const [gx, gy, gz] = gradient(x, y, z);
      const by = Math.max(-cellMm / 2, min(cellMm / 2, off));
      if (i > 0) x = Math.max(0, x - by * gx);
      y -= by * gy;
      z -= by * gz;
    }
    const [gx, gy, gz] = gradient(x, y, z);
    vertexOf.set(keyOf(i, j, l), xyz.length / 3);
    xyz.push(x, y, z);
    normals.push(i === 0 ? 0 : gx, gy, gz);
  }
  const triangles: number[] = [];
  for (const [i, j, l] of cells) {
    const here = at(i, j, l) < 0;
    // About the edges that leave this corner upwards: the four cells that share each.
    for (let axis = 0; axis < 3; axis += 1) {
      const step = [axis === 0 ? 1 : 0, axis === 1 ? 1 : 0, axis === 2 ? 1 : 0];
      if (at(i + step[0], j + step[1], l + step[2]) < 0 === here) continue;
      const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
      const round = QUAD.map(([a, b]) => {
        const cell = [i, j, l];
        cell[u] -= a;
        cell[v] -= b;
        return cell.some((n) => n < 0) ? undefined : vertexOf.get(keyOf(cell[0], cell[1], cell[2]));
      });
      if (round.some((value) => value === undefined)) continue;
      const [a, b, c, d] = round as number[];
      if (here) triangles.push(a, b, c, a, c, d);
      else triangles.push(a, c, b, a, d, c);
    }
  }
  return {
    xyz: Float64Array.from(xyz),
    normals: Float64Array.from(normals),
    triangles: Uint32Array.from(triangles),
  };
}

/** Pairs of corners, by the bits of their numbers: x, y, z. */
const EDGES = [
  [0, 1],
  [2, 3],
  [4, 5],
  [6, 7],
  [0, 2],
  [1, 3],
  [4, 6],
  [5, 7],
  [0, 4],
  [1, 5],
  [2, 6],
  [3, 7],
] as const;
/** Cells about an edge, so far back along the two other axes. */
const QUAD = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
] as const;
