import { byKey } from '../units';
import type { Head, ScalpPlace } from './head';
import { SURFACE } from './meridian';
import { SKULL, surfaceNormal, type SkullScale } from './skull';
import { distance, dot, length, mirrored, subtract, vec, type Vec3 } from './vector';
import { swapSide, ZONES, type Zone } from './zones';

// Taken once: these run in the hot loops.
const { abs, acos, atan2, ceil, cos, floor, hypot, max, min, round, sin } = Math;

const DEG = Math.PI / 180;
/** Width of the hairline band, mm on the average head. */
export const HAIRLINE_BAND_MM = 15;
/** Radius of the crown zone, mm on the average head. */
export const CROWN_RADIUS_MM = 35;
const HAIRLINE_SAMPLES = 1440;

/**
 * Surface distance between two scalp points: the chord opened to an arc by the turn of the normal along it.
 */
export function surfaceDistance(a: Vec3, b: Vec3, skull?: SkullScale): number {
  return openedChord(length(subtract(a, b)), dot(surfaceNormal(a, skull), surfaceNormal(b, skull)));
}

/** Arc over a chord whose ends have normals with this cosine between them: as on a circle. */
export function openedChord(chord: number, cosine: number): number {
  const turn = acos(min(1, max(-1, cosine)));
  return turn < 1e-6 ? chord : (chord * (turn / 2)) / sin(turn / 2);
}

/** The scalp of a head: what lies where on it. */
export interface Scalp {
  readonly head: Head;
  readonly crown: Vec3;
  /** Whether a point lies within `mm` (chord) of the hairline; for bands up to 40 mm on the average head. */
  nearHairline(point: Vec3, place: ScalpPlace, mm: number): boolean;
  zoneAt(point: Vec3, place?: ScalpPlace): Zone;
}

export function makeScalp(head: Head): Scalp {
  const { k } = head;
  const { crown } = head;
  const line = sampleHairline(head);
  const nearHairline = (point: Vec3, place: ScalpPlace, mm: number): boolean => {
    const down = place.hairArc - place.arc;
    if (down <= mm) return true;
    // The way down the meridian is at most about 2.4 times the true distance.
    if (down > 4 * mm) return false;
    return passesWithin(line, point, place.azimuth, mm);
  };
  const band = HAIRLINE_BAND_MM * k;

  const zoneAt = (point: Vec3, place: ScalpPlace = head.locate(point)): Zone => {
    if (
      distance(point, crown) <= CROWN_RADIUS_MM * k &&
      surfaceDistance(point, crown, head.skull) <= CROWN_RADIUS_MM * k
    )
      return 'crown';
    const side = point.x >= 0 ? 'l' : 'r';
    const a = abs(place.azimuth) / DEG;
    if (nearHairline(point, place, band)) {
      if (a <= 42) return `front-hairline-${side}`;
      if (a <= 80) return `temple-${side}`;
      if (a <= 142) return `ear-hairline-${side}`;
      return 'nape-hairline';
    }
    const t = place.arc / place.hairArc;
    if (t <= 0.35) return `top-${side}`;
    if (a <= 42) return `front-${side}`;
    if (a <= 105) return t <= 0.65 ? `upper-side-${side}` : `lower-side-${side}`;
    if (point.y > -10 * head.skull.y) return `upper-back-${side}`;
    if (point.y > -40 * head.skull.y) return `occipital-${side}`;
    return `nape-${side}`;
  };
  return { head, crown, nearHairline, zoneAt };
}

/**
 * The opened scalp as a raster: one node every 3 mm (average head) with its surface point, its share of skin
 * and its zone.
 * Areas and the outlines of panels come from it.
 */
export interface ScalpGrid {
  readonly scalp: Scalp;
  readonly columns: number;
  readonly rows: number;
  /** Opened-head coordinates of node (0, 0) and the step, mm. */
  readonly x0: number;
  readonly y0: number;
  readonly step: number;
  /** By node index row·columns + column; undefined farther than six steps outside the hairline. */
  readonly points: readonly (Vec3 | undefined)[];
  readonly places: readonly (ScalpPlace | undefined)[];
  /** Skin belonging to the node, mm²; 0 outside the hairline, partial along it. */
  readonly area: Float64Array;
  /** Skin of the whole cell of the node, hair-bearing or not, mm²; 0 where it lies wholly outside. */
  readonly cell: Float64Array;
  readonly zones: readonly (Zone | undefined)[];
}

export function makeScalpGrid(scalp: Scalp): ScalpGrid {
  return gridOf(scalp, STEP_MM, () => true);
}

/** Distance between the nodes of a raster, mm on the average head. */
const STEP_MM = 3;

/**
 * A raster so many times as fine, with nodes only where they are wanted.
 * @param wanted whether a point of the opened head is
 */
export function finerGrid(
  { scalp }: ScalpGrid,
  times: number,
  wanted: (x: number, y: number) => boolean,
): ScalpGrid {
  return gridOf(scalp, STEP_MM / times, wanted);
}

function gridOf(scalp: Scalp, stepMm: number, wanted: (x: number, y: number) => boolean): ScalpGrid {
  const { head } = scalp;
  const { meridians } = head;
  const surface = new Float64Array(SURFACE.size);
  const step = stepMm * head.k;
  const beyond = 6 * STEP_MM * head.k;
  const reach = 252 * max(head.k, head.skull.y);
  const half = ceil((204 * max(head.k, head.skull.y)) / step);
  // An even number of columns: no node lies on the middle line, so left and right hold equal shares.
  const columns = 2 * half;
  const below = ceil(reach / step);
  const above = ceil((132 * max(head.k, head.skull.y)) / step);
  const rows = below + above + 1;
  const x0 = -(half - 0.5) * step;
  const y0 = -below * step;
  const points = new Array<Vec3 | undefined>(columns * rows);
  const places = new Array<ScalpPlace | undefined>(columns * rows);
  const zones = new Array<Zone | undefined>(columns * rows);
  const area = new Float64Array(columns * rows);
  const cell = new Float64Array(columns * rows);
  // Where both sides are alike, the client's right is the left seen in a mirror.
  const firstColumn = head.symmetric ? half : 0;
  for (let r = 0; r < rows; r += 1) {
    for (let c = firstColumn; c < columns; c += 1) {
      const x = x0 + c * step;
      const y = y0 + r * step;
      if (!wanted(x, y) && !(head.symmetric && wanted(-x, y))) continue;
      const azimuth = atan2(x, y);
      const arc = hypot(x, y);
      const hairArc = head.hairArc(azimuth);
      if (arc > hairArc + beyond) continue;
      const i = r * columns + c;
      const polar = meridians.polarAtArc(azimuth, arc);
      meridians.surfaceAt(azimuth, polar, surface);
      const radius = surface[SURFACE.radius];
      const ring = radius * sin(polar);
      // The azimuth's sine and cosine are those of the opened head.
      const point = { x: (ring * x) / arc, y: radius * cos(polar), z: (ring * y) / arc };
      points[i] = point;
      places[i] = { azimuth, arc, hairArc };
      const coverage = min(1, max(0, 0.5 + (hairArc - arc) / step));
      if (coverage > 0) {
        // Skin under an element arc·d(arc)·da of the opened head is that of the solid angle sin θ·dθ·da.
        cell[i] = (step * step * surface[SURFACE.skin] * sin(polar)) / (arc * surface[SURFACE.slope]);
        area[i] = coverage * cell[i];
        zones[i] = scalp.zoneAt(point, places[i]);
      }
      if (!head.symmetric) continue;
      const twin = r * columns + (columns - 1 - c);
      points[twin] = mirrored(point);
      places[twin] = { azimuth: -azimuth, arc, hairArc };
      area[twin] = area[i];
      cell[twin] = cell[i];
      zones[twin] = zones[i] && swapSide(zones[i]);
    }
  }
  return { scalp, columns, rows, x0, y0, step, points, places, area, cell, zones };
}

/**
 * Value of a raster at a point of the opened head by bilinear interpolation; NaN where a node of it is NaN or
 * missing.
 */
export function sampleRaster(grid: ScalpGrid, values: Float64Array, x: number, y: number): number {
  const column = (x - grid.x0) / grid.step;
  const row = (y - grid.y0) / grid.step;
  const c = floor(column);
  const r = floor(row);
  if (!(c >= 0 && r >= 0 && c + 1 < grid.columns && r + 1 < grid.rows)) return Number.NaN;
  const f = column - c;
  const h = row - r;
  const i = r * grid.columns + c;
  const low = values[i] * (1 - f) + values[i + 1] * f;
  const high = values[i + grid.columns] * (1 - f) + values[i + grid.columns + 1] * f;
  return low * (1 - h) + high * h;
}

/**
 * Zone of the raster's node nearest to a point of the opened head. A point that lies a hair's breadth outside
 * the zones has
 * the one a little further in.
 */
export function zoneNear(grid: ScalpGrid, x: number, y: number): Zone {
  for (const inwards of [1, 0.97, 0.9]) {
    const c = round((x * inwards - grid.x0) / grid.step);
    const r = round((y * inwards - grid.y0) / grid.step);
    const zone =
      c >= 0 && r >= 0 && c < grid.columns && r < grid.rows ? grid.zones[r * grid.columns + c] : undefined;
    if (zone) return zone;
  }
  return 'crown';
}

function sampleHairline(head: Head): Float64Array {
  const out = new Float64Array(HAIRLINE_SAMPLES * 3);
  for (let i = 0; i < HAIRLINE_SAMPLES; i += 1) {
    const p = head.hairlinePoint(((i + 0.5) / HAIRLINE_SAMPLES) * 2 * Math.PI - Math.PI);
    out.set([p.x, p.y, p.z], 3 * i);
  }
  return out;
}

/** Every nth sample is looked at first. */
const COARSE = 6;

/**
 * Whether a sampled hairline passes within `mm` of a point; only samples within 45° of its azimuth can be
 * that near.
 */
function passesWithin(line: Float64Array, p: Vec3, azimuth: number, mm: number): boolean {
  const middle = floor((azimuth / (2 * Math.PI) + 0.5) * HAIRLINE_SAMPLES);
  const window = HAIRLINE_SAMPLES / 8;
  const square = (step: number) => {
    const i = 3 * ((middle + step + HAIRLINE_SAMPLES) % HAIRLINE_SAMPLES);
    const dx = line[i] - p.x;
    const dy = line[i + 1] - p.y;
    const dz = line[i + 2] - p.z;
    return dx * dx + dy * dy + dz * dz;
  };
  const limit = mm * mm;
  let nearest = 0;
  let least = Infinity;
  for (let step = -window; step <= window; step += COARSE) {
    const d = square(step);
    if (d <= limit) return true;
    if (d < least) {
      least = d;
      nearest = step;
    }
  }
  // Samples lie up to 2 mm apart (before the ear): between two that were looked at, the line comes no nearer
  // than by half
  // their distance.
  if (least > (mm + COARSE) * (mm + COARSE)) return false;
  for (let step = nearest - COARSE + 1; step < nearest + COARSE; step += 1)
    if (square(step) <= limit) return true;
  return false;
}

/** Hair-bearing skin in mm², whole and by zone. */
export function scalpAreas(grid: ScalpGrid): { total: number; byZone: Record<Zone, number> } {
  const byZone = byKey(ZONES, () => 0);
  let total = 0;
  grid.area.forEach((area, i) => {
    const zone = grid.zones[i];
    if (!zone) return;
    byZone[zone] += area;
    total += area;
  });
  return { total, byZone };
}

/** The landmarks that a colourist finds with their fingers. */
export function landmarks(
  head: Head,
): Record<'apex' | 'crown' | 'frontHairline' | 'nape' | 'earCanalLeft' | 'occipitalBone', Vec3> {
  const { skull } = head;
  const onHorizontal = (azimuth: number, y: number): Vec3 => {
    // Walk down the meridian to a height.
    let low = 0;
    let high = 230 * head.k;
    for (let i = 0; i < 50; i += 1) {
      const middle = (low + high) / 2;
      if (head.pointAt(azimuth, middle).y > y) low = middle;
      else high = middle;
    }
    return head.pointAt(azimuth, low);
  };
  return {
    apex: vec(0, SKULL.top.halfHeight * skull.y, 0),
    crown: head.crown,
    frontHairline: head.hairlinePoint(0),
    nape: head.hairlinePoint(Math.PI),
    earCanalLeft: onHorizontal(Math.PI / 2, SKULL.earCanalY * skull.y),
    occipitalBone: onHorizontal(Math.PI, SKULL.inionY * skull.y),
  };
}
