import { SURFACE } from './meridian';
import { zoneNear, type ScalpGrid } from './scalp';
import { ZONES } from './zones';

// Taken once: these run in the hot loops.
const { acos, ceil, cos, max, sin, sqrt } = Math;

/** Sampled roots of the hair: one generator for drawing, wear and zone totals. */
export interface Roots {
  readonly count: number;
  /** Packed xyz, mm. */
  readonly xyz: Float64Array;
  /** Packed coordinates on the opened head, mm. */
  readonly opened: Float64Array;
  /** Skin that each root stands for, mm². */
  readonly area: Float64Array;
  /** Index into ZONES. */
  readonly zone: Uint8Array;
}

const GOLDEN = Math.PI * (3 - sqrt(5));

/**
 * Share of all directions from an average head's centre that meet hair: how many are needed for a number of
 * roots.
 */
const HAIR_SHARE = 0.61;

/**
 * About `count` roots, evenly spread: Fibonacci directions on the client's left, accepted where they meet
 * hair-bearing
 * skin, mirrored to the right. Directions are even by solid angle, so each root carries the skin under its
 * share of the
 * sphere. On a head whose sides differ, each side keeps those within its own hairline.
 */
export function makeRoots(grid: ScalpGrid, count: number): Roots {
  const { head } = grid.scalp;
  const { meridians } = head;
  const surface = new Float64Array(SURFACE.size);
  const directions = max(2, ceil(count / 2 / HAIR_SHARE));
  const solid = (2 * Math.PI) / directions;
  const most = 2 * directions;
  const xyz = new Float64Array(3 * most);
  const opened = new Float64Array(2 * most);
  const area = new Float64Array(most);
  const zone = new Uint8Array(most);
  const zoneIndex = new Map(ZONES.map((name, i) => [name, i]));
  let n = 0;
  for (let i = 0; i < directions; i += 1) {
    // A half sphere, x ≥ 0: height even in y, azimuth by the golden angle folded into half a turn.
    const polar = acos(1 - (2 * (i + 0.5)) / directions);
    const azimuth = (i * GOLDEN) % Math.PI;
    meridians.surfaceAt(azimuth, polar, surface);
    const arc = surface[SURFACE.arc];
    const across = sin(azimuth);
    const ahead = cos(azimuth);
    const ring = surface[SURFACE.radius] * sin(polar);
    for (const side of BOTH) {
      if (arc > head.hairArc(side * azimuth)) continue;
      xyz[3 * n] = side * ring * across;
      xyz[3 * n + 1] = surface[SURFACE.radius] * cos(polar);
      xyz[3 * n + 2] = ring * ahead;
      const x = side * arc * across;
      const y = arc * ahead;
      opened[2 * n] = x;
      opened[2 * n + 1] = y;
      area[n] = solid * surface[SURFACE.skin];
      zone[n] = zoneIndex.get(zoneNear(grid, x, y))!;
      n += 1;
    }
  }
  return {
    count: n,
    xyz: xyz.slice(0, 3 * n),
    opened: opened.slice(0, 2 * n),
    area: area.slice(0, n),
    zone: zone.slice(0, n),
  };
}

const BOTH = [1, -1] as const;
