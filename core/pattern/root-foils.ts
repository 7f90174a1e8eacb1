import type { Head, Roots } from '../head';
import type { ComputedPlan } from './compute';
import type { FoilPath } from './panel-foils';
import { pickerOf } from './gather';

// Taken once: these run in the hot loops.
const { atan2, floor, hypot, max, min } = Math;

/** Which foil each root of the hair went into. */
export interface FoiledRoots {
  /** Index into the sheet's foils; −1 for hair that was left out. */
  readonly foil: Int16Array;
  /** 1 where the root's hair was picked, into the foil or in the open air, 0 where it dropped out. */
  readonly picked: Uint8Array;
  /** Index into the sheet's sections painted in the open air; −1 for hair that is in none. */
  readonly painted: Int16Array;
  /** Where on the width of its section each root lies, 0–1 from end to end; 0.5 for hair in none. */
  readonly share: Float32Array;
  /** Index into the sheet's treated drop-outs; −1 for hair that is in none. */
  readonly dropout: Int16Array;
}

/** Edge of the buckets in which roots are looked up, mm. */
const BUCKET_MM = 6;

/** Roots by place on the opened head. Made once for a head's roots; plans are then laid over it. */
export interface RootIndex {
  readonly roots: Roots;
  readonly x0: number;
  readonly y0: number;
  readonly columns: number;
  readonly rows: number;
  /** Roots of bucket b: order[start[b]] … order[start[b + 1] − 1]. */
  readonly start: Int32Array;
  readonly order: Int32Array;
}

export function indexRoots(roots: Roots): RootIndex {
  let x0 = Infinity;
  let x1 = -Infinity;
  let y0 = Infinity;
  let y1 = -Infinity;
  for (let i = 0; i < roots.count; i += 1) {
    x0 = min(x0, roots.opened[2 * i]);
    x1 = max(x1, roots.opened[2 * i]);
    y0 = min(y0, roots.opened[2 * i + 1]);
    y1 = max(y1, roots.opened[2 * i + 1]);
  }
  const columns = floor((x1 - x0) / BUCKET_MM) + 1;
  const rows = floor((y1 - y0) / BUCKET_MM) + 1;
  const bucketOf = (i: number) =>
    floor((roots.opened[2 * i + 1] - y0) / BUCKET_MM) * columns +
    floor((roots.opened[2 * i] - x0) / BUCKET_MM);
  const start = new Int32Array(columns * rows + 1);
  for (let i = 0; i < roots.count; i += 1) start[bucketOf(i) + 1] += 1;
  for (let b = 0; b < columns * rows; b += 1) start[b + 1] += start[b];
  const next = start.slice();
  const order = new Int32Array(roots.count);
  for (let i = 0; i < roots.count; i += 1) {
    const b = bucketOf(i);
    order[next[b]] = i;
    next[b] += 1;
  }
  return { roots, x0, y0, columns, rows, start, order };
}

/**
 * Lays a computed plan over the roots: each section is a strip of quadrilaterals on the opened head, and the
 * roots within
 * it went into its foil, or dropped out of its weave. Where strips meet, the first in the order of work has
 * the root.
 */
export function foilsOfRoots(index: RootIndex, { sheet, drawing }: ComputedPlan): FoiledRoots {
  const { count } = index.roots;
  const foil = new Int16Array(count).fill(-1);
  const painted = new Int16Array(count).fill(-1);
  const dropout = new Int16Array(count).fill(-1);
  const picked = new Uint8Array(count);
  const share = new Float32Array(count).fill(0.5);
  const pickedBy = (into: Int16Array, section: number, path: FoilPath, widthMm: number) => {
    const { gather, surface = 1 } = path;
    const isPicked = pickerOf(gather, widthMm);
    const lengths = cumulated(path);
    const scale = widthMm / lengths[lengths.length - 1];
    // Picking starts at the end of the parting that lies nearer the hairline, where the gather says so.
    const turned =
      gather.kind === 'weave' && gather.fromHairline === true && endsAtHairline(path, drawing.head);
    for (let j = 0; j + 1 < path.count; j += 1) {
      visit(index, path, j, (root, along, depth) => {
        // Hair that dropped out of a foil's weave may still be painted between the foils.
        if (painted[root] >= 0 || (foil[root] >= 0 && (into === foil || picked[root] === 1))) return;
        const at = (lengths[j] + along * (lengths[j + 1] - lengths[j])) * scale;
        const own = depth < surface && isPicked(turned ? widthMm - at : at, depth);
        if (foil[root] >= 0 && !own) return;
        if (foil[root] >= 0) foil[root] = -1;
        into[root] = section;
        picked[root] = own ? 1 : 0;
        share[root] = at / widthMm;
      });
    }
  };
  sheet.foils.forEach(({ widthMm }, i) => pickedBy(foil, i, drawing.paths[i], widthMm));
  sheet.painted.forEach(({ widthMm }, i) => pickedBy(painted, i, drawing.painted[i], widthMm));
  drawing.dropouts.forEach((path, i) => {
    for (let j = 0; j + 1 < path.count; j += 1) {
      visit(index, path, j, (root) => {
        if (foil[root] < 0 && painted[root] < 0) dropout[root] = i;
      });
    }
  });
  return { foil, picked, painted, dropout, share };
}

/** In how many foils each root's section lies: hair is in one at most. */
export function foilsOverRoots(index: RootIndex, { drawing }: Pick<ComputedPlan, 'drawing'>): Uint8Array {
  const out = new Uint8Array(index.roots.count);
  const last = new Int16Array(index.roots.count).fill(-1);
  drawing.paths.forEach((path, i) => {
    for (let j = 0; j + 1 < path.count; j += 1) {
      visit(index, path, j, (root) => {
        if (last[root] !== i) out[root] += 1;
        last[root] = i;
      });
    }
  });
  return out;
}

/** Whether the last end of a section lies nearer the hairline than its first. */
function endsAtHairline({ packed, count }: FoilPath, head: Head): boolean {
  const depth = (i: number) =>
    head.hairArc(atan2(packed[i], packed[i + 1])) - hypot(packed[i], packed[i + 1]);
  return depth(6 * (count - 1)) < depth(0);
}

function cumulated({ packed, count }: FoilPath): Float64Array {
  const out = new Float64Array(count);
  for (let j = 1; j < count; j += 1) {
    const i = 6 * j;
    out[j] = out[j - 1] + hypot(packed[i] - packed[i - 6], packed[i + 1] - packed[i - 5]);
  }
  return out;
}

/**
 * Calls with every root inside step j of a strip: its share along the step and across the section (0 at its
 * first edge).
 */
function visit(
  index: RootIndex,
  { packed }: FoilPath,
  j: number,
  take: (root: number, along: number, depth: number) => void,
): void {
  const i = 6 * j;
  const ax = packed[i + 2];
  const ay = packed[i + 3];
  const dx = packed[i + 4];
  const dy = packed[i + 5];
  const bx = packed[i + 8];
  const by = packed[i + 9];
  const cx = packed[i + 10];
  const cy = packed[i + 11];
  const { roots, columns, start, order } = index;
  const left = max(0, floor((min(ax, bx, cx, dx) - index.x0) / BUCKET_MM));
  const right = min(columns - 1, floor((max(ax, bx, cx, dx) - index.x0) / BUCKET_MM));
  const low = max(0, floor((min(ay, by, cy, dy) - index.y0) / BUCKET_MM));
  const high = min(index.rows - 1, floor((max(ay, by, cy, dy) - index.y0) / BUCKET_MM));
  if (left > right) return;
  const turn = (cx - ax) * (dy - by) - (cy - ay) * (dx - bx) < 0 ? -1 : 1;
  // Share along: between the lines a–d and b–c; share across: between a–b and d–c.
  for (let r = low; r <= high; r += 1) {
    for (let n = start[r * columns + left]; n < start[r * columns + right + 1]; n += 1) {
      const root = order[n];
      const x = roots.opened[2 * root];
      const y = roots.opened[2 * root + 1];
      const fromStart = (dx - ax) * (y - ay) - (dy - ay) * (x - ax);
      const fromEnd = (cx - bx) * (y - by) - (cy - by) * (x - bx);
      if (fromStart * turn > 0 || fromEnd * turn < 0 || fromStart === fromEnd) continue;
      const fromBefore = (bx - ax) * (y - ay) - (by - ay) * (x - ax);
      const fromAfter = (cx - dx) * (y - dy) - (cy - dy) * (x - dx);
      if (fromBefore * turn < 0 || fromAfter * turn > 0 || fromBefore === fromAfter) continue;
      take(root, fromStart / (fromStart - fromEnd), fromBefore / (fromBefore - fromAfter));
    }
  }
}
