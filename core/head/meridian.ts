import { directionAt, surfaceAlong, surfaceNormal, type SkullScale } from './skull';
import { distance, dot, length, type Vec3 } from './vector';

const { abs, floor, max, min } = Math;

const AZIMUTH_STEP = (2 * Math.PI) / 180;
const AZIMUTHS = 91;
const POLAR_STEP = Math.PI / 180;
const POLARS = 171;
/** Chords per polar step; the sum of chords is short of the arc by less than 1e-5 of it. */
const CHORDS = 2;

/**
 * One skull by azimuth and polar angle (from the apex), radians: arc lengths down its meridians (half-planes
 * through the
 * vertical axis), and its surface. Tabulated every 2° and 1°; linear interpolation is within 0.02 mm.
 */
export interface Meridians {
  /** Arc in mm from the apex to a polar angle. */
  readonly arcAtPolar: (azimuth: number, polar: number) => number;
  /** Inverse: the polar angle at which the meridian has run `arc` mm. */
  readonly polarAtArc: (azimuth: number, arc: number) => number;
  /** Everything about the surface in one direction at once, into out: see {@link SURFACE}. */
  surfaceAt(azimuth: number, polar: number, out: Float64Array): void;
}

/**
 * Where {@link Meridians.surfaceAt} puts its figures: arc from the apex (mm), distance from the centre (mm),
 * skin within a
 * unit of solid angle (mm²), arc per radian of the polar angle (mm).
 */
export const SURFACE = { arc: 0, radius: 1, skin: 2, slope: 3, size: 4 } as const;

interface Tables {
  readonly arcs: Float64Array;
  readonly radii: Float64Array;
  readonly skin: Float64Array;
}

const remembered = new Map<string, Tables>();
const MOST_REMEMBERED = 8;

/** Heads of the same proportions share their tables, which are made for a breadth scale of 1. */
export function meridiansOf(scaled: SkullScale): Meridians {
  const proportions: SkullScale = { x: 1, y: scaled.y / scaled.x, z: scaled.z / scaled.x };
  const key = `${proportions.y} ${proportions.z}`;
  let tables = remembered.get(key);
  if (!tables) {
    tables = tabulate(proportions);
    if (remembered.size >= MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
    remembered.set(key, tables);
  }
  const { arcs, radii, skin } = tables;
  const size = scaled.x;
  return {
    arcAtPolar: (azimuth, polar) => size * lookUp(arcs, azimuth, polar),
    polarAtArc: (azimuth, arc) => polarAtArc(arcs, azimuth, arc / size),
    surfaceAt: (azimuth, polar, out) => {
      const column = min(abs(azimuth) / AZIMUTH_STEP, AZIMUTHS - 1.000001);
      const row = min(max(polar, 0) / POLAR_STEP, POLARS - 1.000001);
      const i = floor(column);
      const j = floor(row);
      const f = column - i;
      const h = row - j;
      const near = i * POLARS + j;
      const far = near + POLARS;
      const above = arcs[near] * (1 - f) + arcs[far] * f;
      const below = arcs[near + 1] * (1 - f) + arcs[far + 1] * f;
      out[SURFACE.arc] = size * (above * (1 - h) + below * h);
      out[SURFACE.slope] = (size * (below - above)) / POLAR_STEP;
      out[SURFACE.radius] =
        size *
        ((radii[near] * (1 - h) + radii[near + 1] * h) * (1 - f) +
          (radii[far] * (1 - h) + radii[far + 1] * h) * f);
      out[SURFACE.skin] =
        size *
        size *
        ((skin[near] * (1 - h) + skin[near + 1] * h) * (1 - f) +
          (skin[far] * (1 - h) + skin[far + 1] * h) * f);
    },
  };
}

function tabulate(proportions: SkullScale): Tables {
  const arcs = new Float64Array(AZIMUTHS * POLARS);
  const radii = new Float64Array(AZIMUTHS * POLARS);
  const skin = new Float64Array(AZIMUTHS * POLARS);
  for (let i = 0; i < AZIMUTHS; i += 1) {
    let previous: Vec3 | undefined;
    let arc = 0;
    for (let j = 0; j < POLARS; j += 1) {
      for (let part = j === 0 ? CHORDS : 1; part <= CHORDS; part += 1) {
        const direction = directionAt(i * AZIMUTH_STEP, (j - 1 + part / CHORDS) * POLAR_STEP);
        const here = surfaceAlong(direction, proportions);
        if (previous) arc += distance(previous, here);
        previous = here;
        if (part < CHORDS) continue;
        const radius = length(here);
        const at = i * POLARS + j;
        arcs[at] = arc;
        radii[at] = radius;
        // A solid angle dΩ covers r²·dΩ/(n·d) of skin.
        skin[at] = (radius * radius) / dot(surfaceNormal(here, proportions), direction);
      }
    }
  }
  return { arcs, radii, skin };
}

function lookUp(t: Float64Array, azimuth: number, polar: number): number {
  const column = min(abs(azimuth) / AZIMUTH_STEP, AZIMUTHS - 1.000001);
  const row = min(max(polar, 0) / POLAR_STEP, POLARS - 1.000001);
  const i = floor(column);
  const j = floor(row);
  const f = column - i;
  const h = row - j;
  const near = i * POLARS + j;
  const far = near + POLARS;
  return (t[near] * (1 - h) + t[near + 1] * h) * (1 - f) + (t[far] * (1 - h) + t[far + 1] * h) * f;
}

function polarAtArc(t: Float64Array, azimuth: number, arc: number): number {
  const column = min(abs(azimuth) / AZIMUTH_STEP, AZIMUTHS - 1.000001);
  const i = floor(column);
  const f = column - i;
  const near = i * POLARS;
  const far = near + POLARS;
  let low = 0;
  let high = POLARS - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (t[near + middle] * (1 - f) + t[far + middle] * f <= arc) low = middle;
    else high = middle;
  }
  const start = t[near + low] * (1 - f) + t[far + low] * f;
  const end = t[near + high] * (1 - f) + t[far + high] * f;
  return (low + min(1, max(0, (arc - start) / (end - start)))) * POLAR_STEP;
}
