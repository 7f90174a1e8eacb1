import { directionAt, surfaceAlong } from './skull';
import { distance, type Vec3 } from './vector';

const { abs, floor, max, min } = Math;

const AZIMUTH_STEP = (2 * Math.PI) / 180;
const AZIMUTHS = 91;
const POLAR_STEP = Math.PI / 180;
const POLARS = 171;
/** Chords per polar step; the sum of chords is short of the arc by less than 1e-5 of it. */
const CHORDS = 2;

/**
 * Arc length from the apex along a meridian (half-plane through the vertical axis) of the average skull.
 * Tabulated by |azimuth| (2°) and polar angle (1°); linear interpolation is within 0.01 mm of the arc.
 */
let table: Float64Array | undefined;

function arcs(): Float64Array {
  if (table) return table;
  const built = new Float64Array(AZIMUTHS * POLARS);
  for (let i = 0; i < AZIMUTHS; i += 1) {
    let previous: Vec3 = surfaceAlong(directionAt(i * AZIMUTH_STEP, 0), 1);
    let arc = 0;
    for (let j = 1; j < POLARS; j += 1) {
      for (let part = 1; part <= CHORDS; part += 1) {
        const here = surfaceAlong(directionAt(i * AZIMUTH_STEP, (j - 1 + part / CHORDS) * POLAR_STEP), 1);
        arc += distance(previous, here);
        previous = here;
      }
      built[i * POLARS + j] = arc;
    }
  }
  table = built;
  return built;
}

/** Arc in mm on the average skull from the apex to the polar angle, along the meridian at an azimuth (radians). */
export function arcAtPolar(azimuth: number, polar: number): number {
  const t = arcs();
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

/** Inverse of {@link arcAtPolar}: the polar angle at which the meridian has run `arc` mm. */
export function polarAtArc(azimuth: number, arc: number): number {
  const t = arcs();
  const column = min(abs(azimuth) / AZIMUTH_STEP, AZIMUTHS - 1.000001);
  const i = floor(column);
  const f = column - i;
  const at = (j: number) => t[i * POLARS + j] * (1 - f) + t[(i + 1) * POLARS + j] * f;
  let low = 0;
  let high = POLARS - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (at(middle) <= arc) low = middle;
    else high = middle;
  }
  const start = at(low);
  const end = at(high);
  return (low + min(1, max(0, (arc - start) / (end - start)))) * POLAR_STEP;
}
