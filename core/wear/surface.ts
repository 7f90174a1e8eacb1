import type { Head } from '../head';
import { cameraOf, type Camera } from './camera';
import { noiseOf } from './noise';
import { skinSeen, type Skin } from './skin';
import type { Strands } from './strands';
import { sideKey, type Side, type View } from './ways';

const { ceil, exp, floor, max, abs } = Math;

/**
 * What is seen of the hair from one side: stretches of strands that show, sorted by pixel, with how much of
 * it each is.
 */
export interface Surface {
  readonly view: View;
  readonly camera: Camera;
  readonly count: number;
  /** Stretches of pixel p: start[p] … start[p + 1] − 1. */
  readonly start: Uint32Array;
  /** Which strand. */
  readonly strand: Uint32Array;
  /** Distance along it from the root, mm. */
  readonly along: Float32Array;
  /** How much of its pixel it is: 0–1, all of a pixel together 1. */
  readonly weight: Float32Array;
  /** Where hair lies nearest to the onlooker, mm by pixel; the skin's depth where there is none. */
  readonly depth: Float32Array;
  /** Pixels that show hair. */
  readonly covered: number;
}

/** Edge of a pixel, mm: 1–3 are fine, 4 is not. */
export const PIXEL_MM = 2;
/** Hair that lies on the skin is not hidden by it: skin is taken to lie so much deeper, mm. */
const INSIDE_MM = 0.6;
/** Hair is not opaque: what lies this much deeper shows a third as much, mm. */
const SOFT_MM = 2.5;
/** Deeper than so many of them nothing shows. */
const CUT = 2.5;
/** e^(−x) up to the cut, tabulated: it is asked a million times a view. */
const SHOWS_STEPS = 100;
const SHOWS = Float64Array.from({ length: CUT * SHOWS_STEPS }, (_, i) => exp(-(i + 0.5) / SHOWS_STEPS));
/**
 * Of what shows in a pixel about so many stretches are drawn by lot, each in proportion to how much it shows.
 */
const DRAWN = 10;

/**
 * What is seen from one side: a first pass finds the nearest hair of every pixel, a second how much shows
 * behind it, a third
 * draws lots among it. Cost linear in strands.
 */
export function seenFrom(head: Head, strands: Strands, view: View, pixelMm = PIXEL_MM): Surface {
  const camera = cameraOf(view, head.k, pixelMm);
  const depth = skinOf(head, view, camera).depth.map((mm) => mm - INSIDE_MM);
  // A few strands first: once they stand in the way, most of the rest need not be looked at closely.
  stretchesOf(strands, camera, depth, FIRST);
  const list = stretchesOf(strands, camera, depth, 1);
  const { size } = list;
  // Taken into the function: looked up through the module a million times, it costs more than it does.
  const noise = noiseOf;
  const whole = new Float32Array(depth.length);
  for (let i = 0; i < size; i += 1) {
    const pixel = list.pixel[i];
    const behind = (depth[pixel] - list.depth[i]) / SOFT_MM;
    // From here on the depth is how much of it shows, so that it is reckoned once.
    const share = behind < CUT ? SHOWS[(behind * SHOWS_STEPS) | 0] : 0;
    list.depth[i] = share;
    whole[pixel] += share;
  }
  // Drawn by a chance in proportion to its share, a stretch counts the same as every other that was drawn; a
  // pixel with few keeps all.
  let count = 0;
  for (let i = 0; i < size; i += 1) {
    const share = list.depth[i];
    if (share === 0) continue;
    const pixel = list.pixel[i];
    const chance = (share * DRAWN) / whole[pixel];
    if (chance < 1 && noise(strands.seed[list.strand[i]], 16 + floor(list.along[i] * 8)) >= chance) continue;
    list.pixel[count] = pixel;
    list.strand[count] = list.strand[i];
    list.along[count] = list.along[i];
    list.depth[count] = chance < 1 ? whole[pixel] / DRAWN : share;
    count += 1;
  }
  return sorted(view, camera, depth, count, list);
}

/** Every so many-th strand is looked at first. */
const FIRST = 10;

/** Puts stretches in order of their pixels and makes the weights of each pixel one together. */
function sorted(
  view: View,
  camera: Camera,
  depth: Float32Array,
  count: number,
  { pixel, strand, along, depth: weight }: Stretches,
): Surface {
  const pixels = depth.length;
  const start = new Uint32Array(pixels + 1);
  const whole = new Float32Array(pixels);
  for (let i = 0; i < count; i += 1) {
    start[pixel[i] + 1] += 1;
    whole[pixel[i]] += weight[i];
  }
  let covered = 0;
  for (let p = 0; p < pixels; p += 1) {
    if (start[p + 1] > 0) covered += 1;
    start[p + 1] += start[p];
  }
  const next = start.slice();
  const out = {
    strand: new Uint32Array(count),
    along: new Float32Array(count),
    weight: new Float32Array(count),
  };
  for (let i = 0; i < count; i += 1) {
    const at = next[pixel[i]];
    next[pixel[i]] += 1;
    out.strand[at] = strand[i];
    out.along[at] = along[i];
    out.weight[at] = weight[i] / whole[pixel[i]];
  }
  return { view, camera, count, start, ...out, depth, covered };
}

/** Stretches of hair, each about a pixel long, in one view. */
interface Stretches {
  size: number;
  pixel: Uint32Array;
  strand: Uint32Array;
  along: Float32Array;
  /** Towards the onlooker, mm; later how much of it shows. */
  depth: Float32Array;
}

/** Used again for every view: a million entries are not asked for anew each time. */
const scratch: Stretches = withRoom(1 << 16);

function withRoom(room: number): Stretches {
  return {
    size: 0,
    pixel: new Uint32Array(room),
    strand: new Uint32Array(room),
    along: new Float32Array(room),
    depth: new Float32Array(room),
  };
}

function filled<T extends { set(from: T): void }>(list: T, from: T): T {
  list.set(from);
  return list;
}

function makeRoom(list: Stretches): void {
  const more = withRoom(2 * list.pixel.length);
  list.pixel = filled(more.pixel, list.pixel);
  list.strand = filled(more.strand, list.strand);
  list.along = filled(more.along, list.along);
  list.depth = filled(more.depth, list.depth);
}

/**
 * All stretches that fall into the picture and are not hidden; leaves in `nearest` the depth of the nearest
 * hair by pixel.
 * The list is used again by the next call.
 * @param each every so many-th strand
 */
function stretchesOf(
  { count, points, used, xyz, stepMm }: Strands,
  camera: Camera,
  nearest: Float32Array,
  each: number,
): Stretches {
  const { columns, rows, pixelMm, leftMm, upMm } = camera;
  const [rx, ry, rz] = camera.right;
  const [ux, uy, uz] = camera.up;
  const [tx, ty, tz] = camera.toward;
  const per = 1 / pixelMm;
  // What lies further behind the nearest than this can no longer show; a step of the walk comes forward by at
  // most its length.
  const slack = CUT * SOFT_MM + stepMm;
  const list = scratch;
  list.size = 0;
  let { pixel, strand, along, depth } = list;
  let room = pixel.length;
  let n = 0;
  for (let s = 0; s < count; s += each) {
    let c0 = 0;
    let r0 = 0;
    let d0 = 0;
    let hidden0 = true;
    for (let p = 0, i = 3 * points * s; p < used[s]; p += 1, i += 3) {
      const x = xyz[i];
      const y = xyz[i + 1];
      const z = xyz[i + 2];
      const c1 = (x * rx + y * ry + z * rz + leftMm) * per;
      const r1 = (upMm - (x * ux + y * uy + z * uz)) * per;
      const d1 = x * tx + y * ty + z * tz;
      const hidden1 =
        c1 < 0 ||
        r1 < 0 ||
        c1 >= columns ||
        r1 >= rows ||
        d1 < nearest[(r1 | 0) * columns + (c1 | 0)] - slack;
      if (p > 0 && !(hidden0 && hidden1)) {
        const dc = c1 - c0;
        const dr = r1 - r0;
        const steps = max(1, ceil(max(abs(dc), abs(dr))));
        const part = 1 / steps;
        if (n + steps > room) {
          makeRoom(list);
          ({ pixel, strand, along, depth } = list);
          room = pixel.length;
        }
        for (let f = 0.5 * part; f < 1; f += part) {
          const c = c0 + dc * f;
          const r = r0 + dr * f;
          if (c < 0 || r < 0 || c >= columns || r >= rows) continue;
          const at = (r | 0) * columns + (c | 0);
          const d = d0 + (d1 - d0) * f;
          if (d < nearest[at] - slack) continue;
          if (d > nearest[at]) nearest[at] = d;
          pixel[n] = at;
          strand[n] = s;
          along[n] = (p - 1 + f) * stepMm;
          depth[n] = d;
          n += 1;
        }
      }
      c0 = c1;
      r0 = r1;
      d0 = d1;
      hidden0 = hidden1;
    }
  }
  list.size = n;
  return list;
}

const kept = new WeakMap<Head, Map<string, Skin>>();

/** The skin of a head from one side, remembered. */
export function skinOf(head: Head, side: Side, camera: Camera): Skin {
  const all = kept.get(head) ?? new Map<string, Skin>();
  kept.set(head, all);
  const key = `${sideKey(side)} ${camera.pixelMm}`;
  const skin = all.get(key) ?? skinSeen(head, camera);
  // Sides that a hand turned to are looked at once.
  if (typeof side === 'string') all.set(key, skin);
  return skin;
}
