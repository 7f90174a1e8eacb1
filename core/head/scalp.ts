import type { Head, ScalpPlace } from './head';
import { SKULL, surfaceNormal } from './skull';
import { dot, length, subtract, vec, type Vec3 } from './vector';
import { ZONES, type Zone } from './zones';

const DEG = Math.PI / 180;
/** Width of the hairline band, mm on the average head. */
export const HAIRLINE_BAND_MM = 15;
/** Radius of the crown zone, mm on the average head. */
const CROWN_RADIUS_MM = 35;
/** The crown point lies this far behind the apex, mm of arc on the average head. */
const CROWN_BEHIND_APEX_MM = 50;
const HAIRLINE_SAMPLES = 720;

/** Surface distance between two scalp points: the chord opened to an arc by the turn of the normal along it. */
export function surfaceDistance(a: Vec3, b: Vec3): number {
  const chord = length(subtract(a, b));
  const turn = Math.acos(Math.min(1, Math.max(-1, dot(surfaceNormal(a), surfaceNormal(b)))));
  return turn < 1e-6 ? chord : (chord * (turn / 2)) / Math.sin(turn / 2);
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
  const crown = head.pointAt(Math.PI, CROWN_BEHIND_APEX_MM * k);
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
    if (place.arc < 100 * k && surfaceDistance(point, crown) <= CROWN_RADIUS_MM * k) return 'crown';
    const side = point.x >= 0 ? 'l' : 'r';
    const a = Math.abs(place.azimuth) / DEG;
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
    if (point.y > -10 * k) return `upper-back-${side}`;
    if (point.y > -40 * k) return `occipital-${side}`;
    return `nape-${side}`;
  };
  return { head, crown, nearHairline, zoneAt };
}

/**
 * The opened scalp as a raster: one node every 3 mm (average head) with its surface point, its share of skin and its zone.
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
  readonly zones: readonly (Zone | undefined)[];
}

export function makeScalpGrid(scalp: Scalp): ScalpGrid {
  const { head } = scalp;
  const step = 3 * head.k;
  const reach = 252 * head.k;
  const half = Math.ceil((204 * head.k) / step);
  // An even number of columns: no node lies on the middle line, so left and right hold equal shares.
  const columns = 2 * half;
  const below = Math.ceil(reach / step);
  const above = Math.ceil((132 * head.k) / step);
  const rows = below + above + 1;
  const x0 = -(half - 0.5) * step;
  const y0 = -below * step;
  const points = new Array<Vec3 | undefined>(columns * rows);
  const places = new Array<ScalpPlace | undefined>(columns * rows);
  const zones = new Array<Zone | undefined>(columns * rows);
  const area = new Float64Array(columns * rows);
  for (let r = 0; r < rows; r += 1) {
    for (let c = 0; c < columns; c += 1) {
      const x = x0 + c * step;
      const y = y0 + r * step;
      const azimuth = Math.atan2(x, y);
      const arc = Math.hypot(x, y);
      const hairArc = head.hairArc(azimuth);
      if (arc > hairArc + 6 * step) continue;
      const i = r * columns + c;
      const point = head.pointAt(azimuth, arc);
      points[i] = point;
      places[i] = { azimuth, arc, hairArc };
      const coverage = Math.min(1, Math.max(0, 0.5 + (hairArc - arc) / step));
      if (coverage > 0) {
        area[i] = coverage * step * step * skinRatio(point, azimuth, arc);
        zones[i] = scalp.zoneAt(point, places[i]);
      }
    }
  }
  return { scalp, columns, rows, x0, y0, step, points, places, area, zones };
}

/**
 * Area of skin under one unit of area of the opened head. With n the normal and e the direction of growing azimuth it
 * is (horizontal radius)/(arc·√(1 − (n·e)²)): skin is r²·dΩ/(n·d), and the meridian runs r·√(1 − (n·e)²)/(n·d) per radian.
 */
function skinRatio(point: Vec3, azimuth: number, arc: number): number {
  if (arc < 1e-6) return 1;
  const normal = surfaceNormal(point);
  const sideways = normal.x * Math.cos(azimuth) - normal.z * Math.sin(azimuth);
  return Math.hypot(point.x, point.z) / (arc * Math.sqrt(1 - sideways * sideways));
}

function sampleHairline(head: Head): Float64Array {
  const out = new Float64Array(HAIRLINE_SAMPLES * 3);
  for (let i = 0; i < HAIRLINE_SAMPLES; i += 1) {
    const p = head.hairlinePoint(((i + 0.5) / HAIRLINE_SAMPLES) * 2 * Math.PI - Math.PI);
    out.set([p.x, p.y, p.z], 3 * i);
  }
  return out;
}

/** Whether a sampled hairline passes within `mm` of a point; only samples within 45° of its azimuth can be that near. */
function passesWithin(line: Float64Array, p: Vec3, azimuth: number, mm: number): boolean {
  const middle = Math.floor((azimuth / (2 * Math.PI) + 0.5) * HAIRLINE_SAMPLES);
  const window = HAIRLINE_SAMPLES / 8;
  const limit = mm * mm;
  for (let step = -window; step <= window; step += 1) {
    const i = 3 * ((middle + step + HAIRLINE_SAMPLES) % HAIRLINE_SAMPLES);
    const dx = line[i] - p.x;
    const dy = line[i + 1] - p.y;
    const dz = line[i + 2] - p.z;
    if (dx * dx + dy * dy + dz * dz <= limit) return true;
  }
  return false;
}

/** Hair-bearing skin in mm², whole and by zone. */
export function scalpAreas(grid: ScalpGrid): { total: number; byZone: Record<Zone, number> } {
  const byZone = Object.fromEntries(ZONES.map((zone) => [zone, 0])) as Record<Zone, number>;
  let total = 0;
  grid.area.forEach((area, i) => {
    const zone = grid.zones[i];
    if (!zone) return;
    byZone[zone] += area;
    total += area;
  });
  return { total, byZone };
}

/** The landmarks that a colourist finds with her fingers. */
export function landmarks(head: Head): Record<'apex' | 'crown' | 'frontHairline' | 'nape' | 'earCanalLeft' | 'occipitalBone', Vec3> {
  const { k } = head;
  const onHorizontal = (azimuth: number, y: number): Vec3 => {
    // Walk down the meridian to a height.
    let low = 0;
    let high = 230 * k;
    for (let i = 0; i < 50; i += 1) {
      const middle = (low + high) / 2;
      if (head.pointAt(azimuth, middle).y > y) low = middle;
      else high = middle;
    }
    return head.pointAt(azimuth, low);
  };
  return {
    apex: vec(0, SKULL.top.halfHeight * k, 0),
    crown: head.pointAt(Math.PI, CROWN_BEHIND_APEX_MM * k),
    frontHairline: head.hairlinePoint(0),
    nape: head.hairlinePoint(Math.PI),
    earCanalLeft: onHorizontal(Math.PI / 2, SKULL.earCanalY * k),
    occipitalBone: onHorizontal(Math.PI, SKULL.inionY * k),
  };
}
