import { surfaceAlong, type Head } from '../head';
import { keepOffBody } from './body';
import { noiseOf } from './noise';
import type { Shell } from './shell';
import type { Way } from './ways';

const { abs, cos, exp, max, min, sin, sqrt } = Math;

/** Step of the walk, mm: longer ones cut corners at the edge of the head. */
export const STEP_MM = 12;

/** Where a walk stands: the point, and height and outward normal there as the shell reads them. Reused for every strand. */
export interface Walker {
  x: number;
  y: number;
  z: number;
  readonly shell: Float64Array;
}

/** What a walk is told of the strand that it begins. */
export interface Begun {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** The strand's own deviation in height, −1…1. */
  readonly own: number;
  readonly seed: number;
}

/** Leads strands over the head, one after the other. */
export interface Walk {
  begin(strand: Begun): void;
  /** Takes the walker one step on, to a height above the scalp; false where the strand ends, its rest coiled up. */
  step(height: number): boolean;
}

/** Where a tail is tied, average head, mm; `top` is where the upper hair is clipped up. */
const TIES = { low: [0, -58, -80], middle: [0, -5, -92], high: [0, 62, -68], half: [0, 18, -90], top: [0, 82, -20] } as const;
/** Hair within this of the tie hangs from it, mm. */
const TIE_REACH_MM = 13;
/** Below this height hair leaves the head, over so many mm, average head. */
const LEAVES_Y = -50;
const LEAVES_OVER_MM = 40;
/** Hair of half up is what grows above this line: from the temples to under the crown, average head, mm. */
const HALF_Y = 12;
/** The underneath is what grows below this: about the height of the occipital bone and over the ears, average head, mm. */
const UNDER_Y = -18;
/** Neither line is drawn with a ruler: it wavers by so much, mm. */
const LINE_WAVERS_MM = 5;
/** A tail stands off the head by about so much, mm. */
const TAIL_MM = 10;
/** Hair clipped up stands out of its clip by so much, mm. */
const COIL_MM = 40;
/** A zigzag part swings so far to both sides, over so long a way, mm. */
const ZIGZAG = { swing: 11, period: 26 } as const;
/** Wind splits the crown to so far from its middle; it dies away over the same again, mm. */
const BLOWN_MM = 32;
/** Each strand goes its own way by up to so much, radians. */
const OWN_TURN = 0.16;

export function walkOf(way: Way, head: Head, shell: Shell, walker: Walker): Walk {
  switch (way.kind) {
    case 'down': return down(head, shell, walker, { partMm: way.partMm });
    case 'zigzag': return down(head, shell, walker, { partMm: way.partMm, zigzag: true });
    case 'forward': return down(head, shell, walker, { partMm: way.partMm, forward: true });
    case 'blown': return down(head, shell, walker, { partMm: way.partMm, blown: true });
    case 'tied': return tied(head, shell, walker, way.at);
    case 'half-up': return either(HALF_Y * head.skull.y, tied(head, shell, walker, 'half'), down(head, shell, walker, { partMm: 0 }));
    case 'lifted': return either(UNDER_Y * head.skull.y, tied(head, shell, walker, 'top'), down(head, shell, walker, { partMm: 0 }));
  }
}

/** Hair that grows above a height goes one way, what grows below the other. */
function either(y: number, above: Walk, below: Walk): Walk {
  let own = above;
  return {
    begin: (strand) => {
      own = strand.y > y + LINE_WAVERS_MM * (2 * noiseOf(strand.seed, 6) - 1) ? above : below;
      own.begin(strand);
    },
    step: (height) => own.step(height),
  };
}

/** e^(−x), tabulated: the walk asks it at every step. */
const FADE = Float64Array.from({ length: 256 }, (_, i) => exp(-i / 32));
const fadeAt = (x: number) => FADE[min(255, (x * 32) | 0)];

const smooth = (f: number) => {
  const t = min(1, max(0, f));
  return t * t * (3 - 2 * t);
};

/** Puts the walker at a height above the scalp, by so much of the way there (1: all of it); leaves what the shell reads there. */
function lift(shell: Shell, walker: Walker, height: number, pull: number): void {
  const read = walker.shell;
  shell.read(walker.x, walker.y, walker.z, read);
  const off = (height - read[0]) * pull;
  walker.x += read[1] * off;
  walker.y += read[2] * off;
  walker.z += read[3] * off;
}

interface DownOptions {
  readonly partMm: number;
  readonly zigzag?: boolean;
  readonly forward?: boolean;
  readonly blown?: boolean;
}

/** Down: away from the part, to the back behind the ears, then straight. */
function down(head: Head, shell: Shell, walker: Walker, { partMm, zigzag = false, forward = false, blown = false }: DownOptions): Walk {
  const { k, crown } = head;
  const read = walker.shell;
  const offBody = keepOffBody;
  const partAt = (z: number) => {
    if (!zigzag) return partMm;
    const turn = z / (ZIGZAG.period * k);
    return partMm + ZIGZAG.swing * k * (4 * abs(turn - Math.floor(turn + 0.5)) - 1);
  };
  let side = 1;
  let part = partMm;
  let swerve = 0;
  let straight = 1;
  return {
    begin: ({ x, z, seed }) => {
      part = partAt(z);
      side = x >= part ? 1 : -1;
      const turn = (2 * noiseOf(seed, 4) - 1) * OWN_TURN;
      swerve = sin(turn) * (x >= 0 ? 1 : -1);
      straight = cos(turn);
    },
    step: (height) => {
      const left = smooth((LEAVES_Y * k - walker.y) / (LEAVES_OVER_MM * k));
      if (left >= 1 && !forward) {
        // It has left the head: straight down, on the neck and the shoulders.
        walker.y -= STEP_MM;
        offBody(walker, k, height);
        return true;
      }
      const ax = walker.x - part;
      const az = min(0, walker.z + 45 * k);
      const away = max(1e-6, sqrt(ax * ax + az * az));
      const near = 0.35 + 0.65 * fadeAt(away / (45 * k));
      const f = smooth((walker.z + 10 * k) / (70 * k));
      let dx = (ax / away) * near + 0.25 * f * side;
      let dy = -1.15;
      let dz = (az / away) * near - 0.62 * f - 0.05;
      if (forward) {
        // Gathered to its own side of the nape and over the shoulder to the front.
        const low = smooth((25 * k - walker.y) / (80 * k));
        dx += side * 0.75 * low * smooth((20 * k - walker.z) / (60 * k)) * smooth((90 * k - abs(walker.x)) / (50 * k));
        dz += 1.35 * low * smooth((62 * k - walker.z) / (60 * k));
      }
      if (blown) {
        const bx = walker.x - crown.x;
        const by = walker.y - crown.y;
        const bz = walker.z - crown.z;
        const open = smooth(2 - sqrt(bx * bx + by * by + bz * bz) / (BLOWN_MM * k));
        dx += (bx >= 0 ? 1 : -1) * 2.6 * open;
        dz *= 1 - open;
      }
      // On the tangent plane of the head, as long as the hair lies on it; the normal is that of the last step's end.
      const nx = read[1];
      const ny = read[2];
      const nz = read[3];
      const into = (dx * nx + dy * ny + dz * nz) * (1 - left);
      dx -= into * nx;
      dy -= into * ny;
      dz -= into * nz;
      // A little to its own side of the way, each strand by its own angle.
      const tx = ny * dz - nz * dy;
      const ty = nz * dx - nx * dz;
      const tz = nx * dy - ny * dx;
      const off = swerve * (1 - left);
      const on = forward ? 1 - 0.55 * left : 1 - left;
      dx = (dx * straight + tx * off) * on;
      dy = (dy * straight + ty * off) * (1 - left) - left;
      dz = (dz * straight + tz * off) * on;
      const size = STEP_MM / max(1e-9, sqrt(dx * dx + dy * dy + dz * dz));
      walker.x += dx * size;
      walker.y += dy * size;
      walker.z += dz * size;
      if (left < 1) lift(shell, walker, height, 1 - left);
      if (left > 0) offBody(walker, k, height);
      return true;
    },
  };
}

/** Tied: along the head to the tie, then hanging from it. */
function tied(head: Head, shell: Shell, walker: Walker, at: keyof typeof TIES): Walk {
  const { k } = head;
  const read = walker.shell;
  const [tx, ty, tz] = TIES[at];
  const { x: sx, y: sy, z: sz } = surfaceAlong({ x: tx * k, y: ty * k, z: tz * k }, head.skull);
  const there = new Float64Array(4);
  shell.read(sx, sy, sz, there);
  const [, ox, oy, oz] = there;
  let hanging = 0;
  let apart = 0;
  return {
    begin: ({ x, own }) => {
      hanging = 0;
      apart = 0.12 * own * (x >= 0 ? 1 : -1);
    },
    step: (height) => {
      let dx = sx - walker.x;
      let dy = sy - walker.y;
      let dz = sz - walker.z;
      const left = sqrt(dx * dx + dy * dy + dz * dz);
      if (hanging > 0 || left < TIE_REACH_MM + height) {
        // Out of the tie in an arc, then straight down.
        hanging += STEP_MM;
        const fall = smooth(hanging / 60);
        const out = 0.9 * (1 - fall) * STEP_MM;
        walker.x += ox * out + apart * (1 - fall) * STEP_MM;
        walker.y += oy * out - fall * STEP_MM;
        walker.z += oz * out;
        // The tail lies on the head where it meets it again, and on the neck.
        if (hanging > TAIL_MM && walker.y > LEAVES_Y * k) {
          shell.read(walker.x, walker.y, walker.z, read);
          const deep = height + TAIL_MM - read[0];
          if (deep > 0) {
            walker.x += read[1] * deep;
            walker.y += read[2] * deep;
            walker.z += read[3] * deep;
          }
        }
        if (walker.y < sy - 60 * k) keepOffBody(walker, k, height);
        return at !== 'top' || hanging < COIL_MM;
      }
      const into = dx * read[1] + dy * read[2] + dz * read[3];
      dx -= into * read[1];
      dy -= into * read[2];
      dz -= into * read[3];
      const flat = max(1e-6, sqrt(dx * dx + dy * dy + dz * dz));
      const step = min(STEP_MM, left) / flat;
      walker.x += dx * step;
      walker.y += dy * step;
      walker.z += dz * step;
      lift(shell, walker, height, 1);
      return true;
    },
  };
}
