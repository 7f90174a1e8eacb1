import { lightAt } from './light';
import { noiseOf } from './noise';
import { colourAt, type Colouring } from './shade';
import type { Strands } from './strands';
import type { Surface } from './surface';

const { floor, max, min, pow, sqrt, round } = Math;

/** RGBA, 0–255, row after row; clear where nothing stands. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
}

/** Where the light comes from, in the onlooker's own right, up and toward: over the left shoulder. */
const LAMP = normal(-0.35, 0.62, 0.7);
const SKIN = [0.36, 0.31, 0.26] as const;
/** Roots lie in their neighbours' shadow: darker by so much at the scalp, over so much, mm. */
const ROOT_SHADE = { by: 0.45, over: 30 } as const;
/** Each strand is lighter or darker than the mean by up to so much. */
const OWN_SHADE = 0.07;
const AMBIENT = 0.34;
/**
 * Highlights run across the hair where it turns between lamp and eye; its scales tilt them a little apart. By the mean of the
 * cosines to both, −1…1 in 256 steps.
 */
const highlight = (most: number, at: number, width: number, sharp: number) =>
  Float64Array.from({ length: 257 }, (_, i) => most * pow(max(0, 1 - ((i - 128) / 128 - at) ** 2 * width), sharp));
const WHITE_LIGHT = highlight(0.1, 0.06, 6, 24);
const TINTED_LIGHT = highlight(0.5, -0.1, 3, 8);

function normal(x: number, y: number, z: number): readonly [number, number, number] {
  const size = sqrt(x * x + y * y + z * z);
  return [x / size, y / size, z / size];
}

/** How the light falls on what is seen: it goes by how the hair lies alone, and serves every colour. */
export interface Shading {
  /** By stretch of the surface: how much of its own colour it sends back, and how much white. */
  readonly own: Float32Array;
  readonly white: Float32Array;
  /** By pixel: how light skin is there. */
  readonly skin: Float32Array;
}

/** Hair lit as fibres are: dark across the light, with a white and a tinted highlight along. */
export function shadingOf(surface: Surface, { points, used, stepMm, xyz, seed }: Strands): Shading {
  const { camera, start, strand, along, depth, count } = surface;
  const { columns, pixelMm, right, up, toward } = camera;
  const own = new Float32Array(count);
  const white = new Float32Array(count);
  const skin = new Float32Array(depth.length);
  const noise = noiseOf;
  for (let p = 0; p < depth.length; p += 1) {
    if (depth[p] === -Infinity) continue;
    const [nx, ny, nz] = facing(depth, columns, p, pixelMm);
    const diffuse = max(0, nx * LAMP[0] + ny * LAMP[1] + nz * LAMP[2]);
    skin[p] = AMBIENT + 0.75 * diffuse;
    for (let i = start[p]; i < start[p + 1]; i += 1) {
      const s = strand[i];
      const at = 3 * (points * s + max(0, min(used[s] - 2, floor(along[i] / stepMm))));
      const dx = xyz[at + 3] - xyz[at];
      const dy = xyz[at + 4] - xyz[at + 1];
      const dz = xyz[at + 5] - xyz[at + 2];
      const size = 1 / max(1e-6, sqrt(dx * dx + dy * dy + dz * dz));
      const tx = (dx * right[0] + dy * right[1] + dz * right[2]) * size;
      const ty = (dx * up[0] + dy * up[1] + dz * up[2]) * size;
      const tz = (dx * toward[0] + dy * toward[1] + dz * toward[2]) * size;
      const tl = tx * LAMP[0] + ty * LAMP[1] + tz * LAMP[2];
      const fibre = sqrt(max(0, 1 - tl * tl));
      const turn = round(64 * (tl + tz)) + 128;
      const varied = (1 + OWN_SHADE * (2 * noise(seed[s], 9) - 1)) * (1 - ROOT_SHADE.by * max(0, 1 - along[i] / ROOT_SHADE.over));
      own[i] = varied * (AMBIENT + 0.8 * fibre * (0.35 + 0.65 * diffuse)) + TINTED_LIGHT[turn] * diffuse;
      white[i] = WHITE_LIGHT[turn] * diffuse;
    }
  }
  return { own, white, skin };
}

/** A picture of hair as it is seen from one side, by computation alone: every pixel the mean of the hair that shows in it. */
export function pictureOf({ camera, start, strand, along, weight, depth }: Surface, { own, white, skin }: Shading, colouring: Colouring): Picture {
  const { columns, rows } = camera;
  const rgba = new Uint8ClampedArray(4 * columns * rows);
  const { light, palette } = colouring;
  const lit = lightAt;
  const place = colourAt;
  for (let p = 0; p < columns * rows; p += 1) {
    if (depth[p] === -Infinity) continue;
    if (start[p] === start[p + 1]) {
      write(rgba, p, SKIN[0] * skin[p], SKIN[1] * skin[p], SKIN[2] * skin[p]);
      continue;
    }
    let r = 0;
    let g = 0;
    let b = 0;
    for (let i = start[p]; i < start[p + 1]; i += 1) {
      const c = place(colouring, strand[i], along[i], lit(light, strand[i], along[i]));
      const w = weight[i];
      const shade = w * own[i];
      const shine = w * white[i];
      r += palette[c] * shade + shine;
      g += palette[c + 1] * shade + shine;
      b += palette[c + 2] * shade + shine;
    }
    write(rgba, p, r, g, b);
  }
  return { width: columns, height: rows, rgba };
}

/** Which way the hair of a pixel faces, by the depth about it: the onlooker's right, up and toward. */
function facing(depth: Float32Array, columns: number, pixel: number, pixelMm: number): readonly [number, number, number] {
  const step = 3;
  const of = (at: number) => (at >= 0 && at < depth.length && depth[at] !== -Infinity ? depth[at] : depth[pixel] - 6 * step * pixelMm);
  const across = (of(pixel + step) - of(pixel - step)) / (2 * step * pixelMm);
  const down = (of(pixel + step * columns) - of(pixel - step * columns)) / (2 * step * pixelMm);
  return normal(-across, down, 1);
}

function write(rgba: Uint8ClampedArray, pixel: number, r: number, g: number, b: number): void {
  rgba[4 * pixel] = encoded(r);
  rgba[4 * pixel + 1] = encoded(g);
  rgba[4 * pixel + 2] = encoded(b);
  rgba[4 * pixel + 3] = 255;
}

/** sRGB's transfer curve, tabulated in steps of linear light. */
const CURVE = Uint8ClampedArray.from({ length: 4097 }, (_, i) => {
  const value = i / 4096;
  return 255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * pow(value, 1 / 2.4) - 0.055);
});
const encoded = (value: number) => CURVE[round(4096 * min(1, max(0, value)))];

/**
 * Colours of every point of every strand, sRGB bytes packed as the points are: for a picture drawn by the graphics card.
 */
export function strandColours({ count, points, used, stepMm, seed }: Strands, colouring: Colouring): Uint8Array<ArrayBuffer> {
  const { light, palette } = colouring;
  const out = new Uint8Array(3 * count * points);
  for (let s = 0; s < count; s += 1) {
    const own = 1 + OWN_SHADE * (2 * noiseOf(seed[s], 9) - 1);
    for (let p = 0, at = 3 * points * s; p < used[s]; p += 1, at += 3) {
      const along = p * stepMm;
      const c = colourAt(colouring, s, along, lightAt(light, s, along));
      const shade = own * (1 - ROOT_SHADE.by * max(0, 1 - along / ROOT_SHADE.over));
      out[at] = encoded(palette[c] * shade);
      out[at + 1] = encoded(palette[c + 1] * shade);
      out[at + 2] = encoded(palette[c + 2] * shade);
    }
  }
  return out;
}

/** Directions of every point of every strand as signed bytes, packed as the points are: which way the fibre runs. */
export function strandDirections({ count, points, used, xyz }: Strands): Int8Array<ArrayBuffer> {
  const out = new Int8Array(3 * count * points);
  for (let s = 0; s < count; s += 1) {
    for (let p = 0, at = 3 * points * s; p < used[s]; p += 1, at += 3) {
      // The last point runs on as the one before it.
      const from = p + 1 < used[s] ? at : at - 3;
      if (from < 3 * points * s) continue;
      const x = xyz[from + 3] - xyz[from];
      const y = xyz[from + 4] - xyz[from + 1];
      const z = xyz[from + 5] - xyz[from + 2];
      const size = 127 / max(1e-6, sqrt(x * x + y * y + z * z));
      out[at] = x * size;
      out[at + 1] = y * size;
      out[at + 2] = z * size;
    }
  }
  return out;
}
