import { noiseOf } from './noise';
import type { Strands } from './strands';
import type { Surface } from './surface';

const { abs, floor, max, min, sign, sqrt } = Math;

/** Light is averaged so far along the hair's way to both sides, mm. */
const ALONG_MM = 24;
/** A stripe is lighter or darker than what lies so far from it on both sides across the way, mm. */
const ACROSS_MM = [6, 10, 14] as const;
/** What hair without any stripes scores by chance, where a tenth of it is lit. */
export const STRIPE_FLOOR = 0.09;
/** Share of the hair that is lit here and there to know what chance does. */
const SCATTERED = 0.25;
/** Salts of two draws: one alone is itself chance. */
const DRAWS = [21, 22];

/**
 * How the hair of a view runs: for every pixel the pixels along its way and those across. Made once for hair
 * that is laid.
 */
export interface Flow {
  /** Pixels that are judged. */
  readonly pixels: Int32Array;
  /**
   * Pixels along the way of each judged pixel, one after the other: those of pixel n from from[n] to from[n +
   * 1] − 1.
   */
  readonly along: Uint16Array | Uint32Array;
  readonly from: Uint32Array;
  /** By judged pixel, two pixels for each distance across: to one side, to the other; −1 beside the hair. */
  readonly across: Int32Array;
}

/** Follows the hair of a view: the way that it was combed, over its bends. */
export function flowOf(
  { camera, start, strand, along, weight, depth }: Surface,
  { points, used, stepMm, waveMm, xyz }: Strands,
): Flow {
  // Over half a wave to both sides the swings of a strand cancel out.
  const half = floor(waveMm / 2 / stepMm);
  const { columns, rows, pixelMm, right, up } = camera;
  const size = depth.length;
  const wayX = new Float32Array(size);
  const wayY = new Float32Array(size);
  const pixels: number[] = [];
  for (let p = 0; p < size; p += 1) {
    if (start[p] === start[p + 1]) continue;
    let x = 0;
    let y = 0;
    for (let i = start[p]; i < start[p + 1]; i += 1) {
      const s = strand[i];
      const point = min(used[s] - 2, floor(along[i] / stepMm));
      const from = 3 * (points * s + max(0, point - half));
      const to = 3 * (points * s + min(used[s] - 1, point + 1 + half));
      const dx = xyz[to] - xyz[from];
      const dy = xyz[to + 1] - xyz[from + 1];
      const dz = xyz[to + 2] - xyz[from + 2];
      x += weight[i] * (dx * right[0] + dy * right[1] + dz * right[2]);
      y -= weight[i] * (dx * up[0] + dy * up[1] + dz * up[2]);
    }
    const length = sqrt(x * x + y * y);
    if (length < 1e-6) continue;
    wayX[p] = x / length;
    wayY[p] = y / length;
    pixels.push(p);
  }
  const reach = Math.round(ALONG_MM / pixelMm);
  const ways = new (size <= 0x10000 ? Uint16Array : Uint32Array)((2 * reach + 1) * pixels.length);
  const from = new Uint32Array(pixels.length + 1);
  let end = 0;
  const sides = new Int32Array(2 * ACROSS_MM.length * pixels.length).fill(-1);
  const covered = (x: number, y: number) => {
    if (x < 0 || y < 0 || x >= columns || y >= rows) return -1;
    const at = floor(y) * columns + floor(x);
    return start[at] === start[at + 1] ? -1 : at;
  };
  pixels.forEach((pixel, n) => {
    const x0 = (pixel % columns) + 0.5;
    const y0 = floor(pixel / columns) + 0.5;
    ways[end++] = pixel;
    for (const back of [1, -1]) {
      let x = x0;
      let y = y0;
      let at = pixel;
      for (let i = 1; i <= reach; i += 1) {
        x += back * wayX[at];
        y += back * wayY[at];
        at = covered(x, y);
        if (at < 0) break;
        ways[end++] = at;
      }
    }
    from[n + 1] = end;
    ACROSS_MM.forEach((mm, d) => {
      const far = mm / pixelMm;
      sides[2 * ACROSS_MM.length * n + 2 * d] = covered(x0 - wayY[pixel] * far, y0 + wayX[pixel] * far);
      sides[2 * ACROSS_MM.length * n + 2 * d + 1] = covered(x0 + wayY[pixel] * far, y0 - wayX[pixel] * far);
    });
  });
  return { pixels: Int32Array.from(pixels), along: ways.slice(0, end), from, across: sides };
}

/**
 * How striped a view is: light averaged along the way of the hair stands out against what lies on both sides
 * of it. A step
 * from dark to light scores nothing. RMS over the hair seen, 0–1; about 0.09 is chance.
 * @param lit light by pixel
 */
export function stripeOf({ pixels, along, from, across }: Flow, lit: Float32Array): number {
  if (pixels.length === 0) return 0;
  const mean = new Float32Array(lit.length);
  for (let n = 0; n < pixels.length; n += 1) {
    const end = from[n + 1];
    let sum = 0;
    for (let i = from[n]; i < end; i += 1) sum += lit[along[i]];
    mean[pixels[n]] = sum / (end - from[n]);
  }
  const each = 2 * ACROSS_MM.length;
  let squares = 0;
  for (let n = 0; n < pixels.length; n += 1) {
    const here = mean[pixels[n]];
    let most = 0;
    for (let d = each * n; d < each * (n + 1); d += 2) {
      if (across[d] < 0 || across[d + 1] < 0) continue;
      const a = here - mean[across[d]];
      const b = here - mean[across[d + 1]];
      if (sign(a) === sign(b)) most = max(most, min(abs(a), abs(b)));
    }
    squares += most * most;
  }
  return sqrt(squares / pixels.length);
}

/**
 * How striped a view is by chance alone, for sqrt(b(1 − b)) of one, b its brightness: the smaller the view,
 * the more. Half the hair lit by
 * lot would score half of it.
 */
export function chanceOf(flow: Flow, { start, strand, weight, depth }: Surface, { seed }: Strands): number {
  let squares = 0;
  for (const salt of DRAWS) {
    const lit = new Float32Array(depth.length);
    for (let p = 0; p < lit.length; p += 1) {
      for (let i = start[p]; i < start[p + 1]; i += 1)
        if (noiseOf(seed[strand[i]], salt) < SCATTERED) lit[p] += weight[i];
    }
    squares += stripeOf(flow, lit) ** 2 / DRAWS.length;
  }
  return sqrt(squares / (SCATTERED * (1 - SCATTERED)));
}

/**
 * A stripe figure by what stands out of chance, on the scale on which a tenth of scattered light scores
 * {@link STRIPE_FLOOR}.
 * @param brightness of the view, 0–1
 */
export function standingOut(figure: number, chance: number, brightness: number): number {
  return sqrt(
    max(0, figure * figure - chance * chance * brightness * (1 - brightness)) + STRIPE_FLOOR * STRIPE_FLOOR,
  );
}
