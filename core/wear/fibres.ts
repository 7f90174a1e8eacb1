import type { Head } from '../head';
import { cameraOf, type Camera } from './camera';
import { between, reached, type Density, type Reached } from './density';
import { BUST, FIBRE, LIGHTING, type Lamp } from './lamps';
import { noiseOf } from './noise';
import { skinOf } from './surface';
import type { Strands } from './strands';
import type { Side } from './ways';

const { abs, ceil, exp, floor, max, min, pow, round, sqrt, PI, sin } = Math;

/**
 * Hair as a picture shows it: what is seen in every pixel, how it is lit, and how much of the pixel it
 * covers. It serves every colour.
 */
export interface Fibres {
  readonly camera: Camera;
  /** Stretches of pixel p: start[p] … start[p + 1] − 1. */
  readonly start: Uint32Array;
  readonly strand: Uint32Array;
  /** Distance along it from the root, in quarters of a millimetre. */
  readonly along: Uint16Array;
  /**
   * How much of its own colour it sends back, a second time where light went through it, and white: 128 is
   * one.
   */
  readonly own: Uint8Array;
  readonly tinted: Uint8Array;
  readonly white: Uint8Array;
  /** By pixel: how much of it hair covers, and how light skin is, 255 is all. */
  readonly cover: Uint8Array;
  readonly skin: Uint8Array;
}

/** Each strand that is measured is drawn as so many, side by side. */
const DRAWN_AS = 2;
/** They lie about so far from it: at the root, and more on the way. mm */
const BESIDE = { root: 0.9, more: 1.5, over: 120, waver: 0.9 } as const;
/**
 * Hair is not opaque: what lies this much deeper shows a third as much, mm. Deeper than so many of them
 * nothing shows.
 */
const SOFT_MM = 2.2;
const CUT = 2;
/**
 * Of what shows in a pixel about so many stretches are kept by lot, each in proportion to how much it shows.
 */
const KEPT = 4;
/** How soon what passes a pixel covers it. */
const COVERS = 1.44;
/** Towards its tip a strand thins out, over so much of its length. */
const TAPER = 0.12;

/** Highlights by the mean of the cosines to lamp and eye, −1…1 in 256 steps. */
const lobe = ({ most, at, sharp }: { most: number; at: number; sharp: number }) =>
  Float64Array.from(
    { length: 257 },
    (_, i) => most * pow(max(0, 1 - ((i - 128) / 128 - at) ** 2), sharp / 2),
  );
const WHITE = lobe(FIBRE.white);
const TINTED = lobe(FIBRE.tinted);
/** Roots lie in their neighbours' shade: darker by so much at the scalp, over so much, mm. */
const ROOT_SHADE = { by: 0.22, over: 26 } as const;

/** Pixels in which it is looked for what hides the rest, mm. */
const HIDES_MM = 4;
/** Within such a pixel hair slopes by about so much. */
const HIDES_SLACK_MM = 3;
/** Soft light is followed from every so many-th cell. */
const SOFT_CELLS = 2;
/** A stretch of a strand is hidden where its middle is so much deeper than anything that shows there, mm. */
const BEHIND_MM = 2.5;
const SHOWS_STEPS = 100;
const SHOWS = Float64Array.from({ length: CUT * SHOWS_STEPS + 1 }, (_, i) => exp(-(i + 0.5) / SHOWS_STEPS));

/** How light falls on hair from one side. */
interface Reach {
  readonly lamp: Reached;
  readonly eye: Reached;
  readonly above: Reached;
  readonly behind: Reached;
}

const inWorld = (
  { right, up, toward }: Camera,
  [a, b, c]: readonly [number, number, number],
): [number, number, number] => [
  a * right[0] + b * up[0] + c * toward[0],
  a * right[1] + b * up[1] + c * toward[1],
  a * right[2] + b * up[2] + c * toward[2],
];

/**
 * Draws hair from one side.
 * @param density of the same strands
 */
export function fibresOf(
  head: Head,
  strands: Strands,
  density: Density,
  view: Side,
  lamp: Lamp,
  pixelMm: number,
): Fibres {
  const camera = cameraOf(view, head.k, pixelMm);
  const { columns, rows, right, up, toward, leftMm, upMm } = camera;
  const { from, behind } = LIGHTING[lamp];
  const reach: Reach = {
    lamp: reached(density, inWorld(camera, from), pixelMm < 1 ? 1 : SOFT_CELLS),
    eye: reached(density, toward, SOFT_CELLS),
    above: reached(density, [0, 1, 0], SOFT_CELLS),
    behind: reached(density, inWorld(camera, behind), SOFT_CELLS),
  };
  const pixels = columns * rows;
  const body = skinOf(head, view, camera);
  const nearest = body.depth.slice();
  const { count, points, used, xyz, stepMm, seed } = strands;
  const per = 1 / pixelMm;
  const fine = pixelMm < 1;
  const parts = fine ? 2 : 1;
  const drawnAs = fine ? DRAWN_AS : 1;
  const most = (points - 1) * parts + 1;
  // A strand in the picture: column, row, depth, by point; and which way it runs, and how it is lit.
  const line = new Float64Array(3 * most);
  const lit = new Float64Array(3 * most);
  const beside = new Float64Array(2 * drawnAs);
  // Every point in the picture: column, row, depth.
  const placed = new Float32Array(3 * points * count);
  for (let s = 0; s < count; s += 1) {
    for (let at = 3 * points * s, end = at + 3 * used[s]; at < end; at += 3) {
      const x = xyz[at];
      const y = xyz[at + 1];
      const z = xyz[at + 2];
      placed[at] = (x * right[0] + y * right[1] + z * right[2] + leftMm) * per;
      placed[at + 1] = (upMm - (x * up[0] + y * up[1] + z * up[2])) * per;
      placed[at + 2] = x * toward[0] + y * toward[1] + z * toward[2];
    }
  }
  // The nearest hair and skin about every place, in coarse pixels: what lies far behind it need not be drawn.
  const hides = nearestAbout(strands, placed, body.depth, camera);
  const perHide = pixelMm / HIDES_MM;
  const hideColumns = ceil(columns * perHide);
  const slack = CUT * SOFT_MM + HIDES_SLACK_MM;
  /** Whether anything of a strand may be seen about a point of it. */
  const hidden = (c: number, r: number, d: number): boolean => {
    if (c < 0 || r < 0 || c >= columns || r >= rows) return true;
    return d < hides[((r * perHide) | 0) * hideColumns + ((c * perHide) | 0)] - slack;
  };
  const seen = new Uint8Array(most);
  const mayShow = new Uint8Array(count).fill(1);
  /** Lays out a strand: number of its last point; 0 where nothing of it is seen. */
  const layOut = (s: number): number => {
    const n = used[s];
    if (n < 2 || mayShow[s] === 0) return 0;
    const first = 3 * points * s;
    let any = false;
    const last = (n - 1) * parts;
    for (let p = 0, m = 0; p < n; p += 1, m += parts) {
      const at = first + 3 * p;
      const to = 3 * m;
      line[to] = placed[at];
      line[to + 1] = placed[at + 1];
      line[to + 2] = placed[at + 2];
      seen[m] = hidden(line[to], line[to + 1], line[to + 2]) ? 0 : 1;
      if (seen[m] === 1) any = true;
      if (parts === 1 || p === 0) continue;
      // Halfway between two points a strand runs on as those before and after say.
      const a = p > 1 ? at - 6 : at - 3;
      const b = p + 1 < n ? at + 3 : at;
      for (let axis = 0; axis < 3; axis += 1)
        line[to - 3 + axis] =
          0.5625 * (placed[at - 3 + axis] + placed[at + axis]) -
          0.0625 * (placed[a + axis] + placed[b + axis]);
      seen[m - 1] = seen[m] | seen[m - 2];
    }
    mayShow[s] = any ? 1 : 0;
    return any ? last : 0;
  };
  /** Where the hairs of a strand lie beside it, in pixels. */
  const spread = (s: number) => {
    for (let h = 0; h < drawnAs; h += 1) {
      beside[2 * h] = h === 0 ? 0 : (2 * noiseOf(seed[s], 40 + h) - 1) * per;
      beside[2 * h + 1] = h === 0 ? 0 : (2 * noiseOf(seed[s], 44 + h) - 1) * per;
    }
  };
  const apartAt = Float64Array.from(
    { length: most },
    (_, m) => BESIDE.root + BESIDE.more * (1 - exp((-m * stepMm) / parts / BESIDE.over)),
  );
  const light = (s: number, last: number) => {
    const shade = 1 + FIBRE.own * (2 * noiseOf(seed[s], 9) - 1);
    for (let m = 0; m <= last; m += 1) {
      const a = 3 * max(0, m - 1);
      const b = 3 * min(last, m + 1);
      if (seen[m] === 0 && seen[max(0, m - 1)] === 0 && seen[min(last, m + 1)] === 0) continue;
      let tx = (line[b] - line[a]) * pixelMm;
      let ty = (line[a + 1] - line[b + 1]) * pixelMm;
      let tz = line[b + 2] - line[a + 2];
      const size = 1 / max(1e-9, sqrt(tx * tx + ty * ty + tz * tz));
      tx *= size;
      ty *= size;
      tz *= size;
      const p = 3 * (points * s + min(used[s] - 1, round(m / parts)));
      const [x, y, z] = [xyz[p], xyz[p + 1], xyz[p + 2]];
      const tl = tx * from[0] + ty * from[1] + tz * from[2];
      const tb = tx * behind[0] + ty * behind[1] + tz * behind[2];
      const lamp_ = between(reach.lamp, x, y, z);
      const around = 0.55 * between(reach.eye, x, y, z) + 0.45 * between(reach.above, x, y, z);
      const through = between(reach.behind, x, y, z);
      const turn = round(64 * (tl + tz)) + 128;
      const rooted = shade * (1 - ROOT_SHADE.by * max(0, 1 - (m * stepMm) / parts / ROOT_SHADE.over));
      lit[3 * m] = min(
        255,
        128 *
          rooted *
          (FIBRE.around * (0.25 + 0.75 * around) + FIBRE.across * sqrt(max(0, 1 - tl * tl)) * lamp_),
      );
      lit[3 * m + 1] = min(
        255,
        128 * rooted * (TINTED[turn] * lamp_ + FIBRE.rim * sqrt(max(0, 1 - tb * tb)) * through * through),
      );
      lit[3 * m + 2] = min(255, 128 * WHITE[turn] * lamp_ * (0.6 + 0.4 * around));
    }
  };
  const whole = new Float32Array(pixels);
  const covered = new Float32Array(pixels);
  const perAlong = (4 * stepMm) / parts;
  const kept = new Kept(pixels);
  /** Whether what is drawn already hides a place by far. */
  const isBehind = (c: number, r: number, depth: number): boolean =>
    c >= 0 &&
    r >= 0 &&
    c < columns &&
    r < rows &&
    depth < nearest[(r | 0) * columns + (c | 0)] - CUT * SOFT_MM - BEHIND_MM;
  /** One way over all strands: first the nearest of each pixel is found, then what shows in it. */
  const draw = (finding: boolean) => {
    const noise = noiseOf;
    for (let s = 0; s < count; s += 1) {
      const last = layOut(s);
      if (last === 0) continue;
      spread(s);
      let isLit = false;
      const sown = seed[s];
      const mirrored = xyz[3 * points * s] < 0;
      for (let h = 0; h < drawnAs; h += 1) {
        const phase = 2 * PI * noise(sown, 48 + h);
        const bx = beside[2 * h] * (mirrored ? -1 : 1);
        const by = beside[2 * h + 1];
        const ends = last * (1 - 0.05 * noise(sown, 52 + h));
        const lot = noise(sown, 60 + h);
        const slot = floor(noise(sown, 64 + h) * KEPT);
        let c0 = 0;
        let r0 = 0;
        for (let m = 0; m <= last; m += 1) {
          const wide = apartAt[m] + (h === 0 ? 0 : BESIDE.waver * sin(phase + m * 0.9) * min(1, m / 6));
          const c1 = line[3 * m] + bx * wide;
          const r1 = line[3 * m + 1] + by * wide;
          if (m > 0 && m - 1 < ends && (seen[m] === 1 || seen[m - 1] === 1)) {
            const dc = c1 - c0;
            const dr = r1 - r0;
            const steps = max(1, ceil(max(abs(dc), abs(dr))));
            // Shared between the two pixels beside each other that it passes; one that runs aslant is longer
            // in each.
            const flat = abs(dc) > abs(dr);
            const beyond = flat ? columns : 1;
            const long = sqrt(dc * dc + dr * dr) / steps;
            const d0 = line[3 * m - 1];
            const dd = line[3 * m + 2] - d0;
            if (isBehind(0.5 * (c0 + c1), 0.5 * (r0 + r1), max(d0, d0 + dd))) {
              c0 = c1;
              r0 = r1;
              continue;
            }
            for (let i = 0; i < steps; i += 1) {
              const f = (i + 0.5) / steps;
              const c = c0 + dc * f;
              const r = r0 + dr * f;
              if (c < 1 || r < 1 || c >= columns - 1 || r >= rows - 1) continue;
              const depth = d0 + dd * f;
              const column = flat ? c | 0 : (c - 0.5) | 0;
              const row = flat ? (r - 0.5) | 0 : r | 0;
              const low = flat ? r - 0.5 - row : c - 0.5 - column;
              let at = row * columns + column;
              if (finding) {
                if (low > 0.5) at += beyond;
                if (depth > nearest[at]) nearest[at] = depth;
                continue;
              }
              const thin = (ends - (m - 1 + f)) / (TAPER * last);
              const cover = thin < 1 ? long * (0.35 + 0.65 * max(0, thin)) : long;
              for (let side = 0; side < 2; side += 1, at += beyond) {
                const back = (nearest[at] - depth) / SOFT_MM;
                if (back >= CUT) continue;
                const part = cover * (side === 0 ? 1 - low : low);
                const share = back > 0 ? part * SHOWS[(back * SHOWS_STEPS) | 0] : part;
                covered[at] += part;
                const sum = (whole[at] += share);
                let n = kept.many[at];
                if (n < KEPT) kept.many[at] = n + 1;
                else {
                  // One of those kept makes room for it by lot, so that each is kept in proportion to how
                  // much it shows. A strand has
                  // the same lot all along, so that hair is drawn in lines, not in grains.
                  if (lot * sum >= share * KEPT) continue;
                  n = slot;
                }
                n += KEPT * at;
                if (!isLit) {
                  light(s, last);
                  isLit = true;
                }
                const t = 3 * m;
                kept.strand[n] = s;
                kept.along[n] = (m - 1 + f) * perAlong;
                kept.own[n] = lit[t - 3] + (lit[t] - lit[t - 3]) * f;
                kept.tinted[n] = lit[t - 2] + (lit[t + 1] - lit[t - 2]) * f;
                kept.white[n] = lit[t - 1] + (lit[t + 2] - lit[t - 1]) * f;
              }
            }
          }
          c0 = c1;
          r0 = r1;
        }
      }
    }
  };
  draw(true);
  draw(false);
  return {
    camera,
    ...packedUp(kept, pixels),
    cover: coverOf(covered),
    skin: skinLit(head, body, camera, reach, from),
  };
}

/**
 * Depth of the nearest hair and skin in coarse pixels.
 * @param placed points of the strands: column, row, depth
 */
function nearestAbout(
  { count, points, used }: Strands,
  placed: Float32Array,
  skin: Float32Array,
  { columns, rows, pixelMm }: Camera,
): Float32Array {
  const per = pixelMm / HIDES_MM;
  const wide = ceil(columns * per);
  const high = ceil(rows * per);
  const out = new Float32Array(wide * high).fill(-Infinity);
  for (let s = 0; s < count; s += 1) {
    for (let p = 0, at = 3 * points * s; p < used[s]; p += 1, at += 3) {
      const c = floor(placed[at] * per);
      const r = floor(placed[at + 1] * per);
      if (c < 0 || r < 0 || c >= wide || r >= high) continue;
      const depth = placed[at + 2];
      if (depth > out[r * wide + c]) out[r * wide + c] = depth;
    }
  }
  const step = max(1, floor(1 / per));
  for (let row = step >> 1; row < rows; row += step) {
    for (let column = step >> 1; column < columns; column += step) {
      const n = floor(row * per) * wide + floor(column * per);
      out[n] = max(out[n], skin[row * columns + column]);
    }
  }
  return out;
}

/** What is kept of each pixel, side by side. */
class Kept {
  readonly many: Uint8Array;
  readonly strand: Uint32Array;
  readonly along: Uint16Array;
  readonly own: Uint8Array;
  readonly tinted: Uint8Array;
  readonly white: Uint8Array;

  constructor(pixels: number) {
    this.many = new Uint8Array(pixels);
    this.strand = new Uint32Array(KEPT * pixels);
    this.along = new Uint16Array(KEPT * pixels);
    this.own = new Uint8Array(KEPT * pixels);
    this.tinted = new Uint8Array(KEPT * pixels);
    this.white = new Uint8Array(KEPT * pixels);
  }
}

/** The same without the room that was not needed. */
function packedUp({ many, strand, along, own, tinted, white }: Kept, pixels: number) {
  const start = new Uint32Array(pixels + 1);
  for (let p = 0; p < pixels; p += 1) start[p + 1] = start[p] + many[p];
  const count = start[pixels];
  const out = {
    strand: new Uint32Array(count),
    along: new Uint16Array(count),
    own: new Uint8Array(count),
    tinted: new Uint8Array(count),
    white: new Uint8Array(count),
  };
  for (let p = 0; p < pixels; p += 1) {
    for (let n = 0, at = start[p], from = KEPT * p; n < many[p]; n += 1, at += 1, from += 1) {
      out.strand[at] = strand[from];
      out.along[at] = along[from];
      out.own[at] = own[from];
      out.tinted[at] = tinted[from];
      out.white[at] = white[from];
    }
  }
  return { start, ...out };
}

function coverOf(covered: Float32Array): Uint8Array {
  const out = new Uint8Array(covered.length);
  for (let p = 0; p < out.length; p += 1)
    if (covered[p] > 0) out[p] = covered[p] > 4 ? 255 : 255 * (1 - exp(-COVERS * covered[p]));
  return out;
}

/** Skin under soft light that wraps round it, in the shade of the hair. */
function skinLit(
  { k }: Head,
  { depth, facing }: { depth: Float32Array; facing: Int8Array },
  { columns, right, up, toward, leftMm, upMm, pixelMm }: Camera,
  reach: Reach,
  from: readonly [number, number, number],
): Uint8Array {
  const out = new Uint8Array(depth.length);
  for (let p = 0; p < depth.length; p += 1) {
    if (depth[p] === -Infinity) continue;
    const u = ((p % columns) + 0.5) * pixelMm - leftMm;
    const v = upMm - (floor(p / columns) + 0.5) * pixelMm;
    const [nx, ny, nz] = [facing[3 * p] / 127, facing[3 * p + 1] / 127, facing[3 * p + 2] / 127];
    // A little off the skin, so that it does not stand in its own way.
    const d = depth[p] + 4 * k;
    const x = u * right[0] + v * up[0] + d * toward[0];
    const y = u * right[1] + v * up[1] + d * toward[1];
    const z = u * right[2] + v * up[2] + d * toward[2];
    const wrapped = max(0, (nx * from[0] + ny * from[1] + nz * from[2] + BUST.wraps) / (1 + BUST.wraps));
    const around = 0.7 + 0.3 * ny;
    const open = between(reach.above, x, y, z);
    out[p] =
      255 *
      min(1, BUST.around * around * (0.5 + 0.5 * open) + BUST.lamp * wrapped * between(reach.lamp, x, y, z));
  }
  return out;
}
