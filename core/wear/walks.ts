import { bustOf, type Bust } from '../bust';
import { surfaceAlong, type Head } from '../head';
import { noiseOf } from './noise';
import type { Shell } from './shell';
import type { Way } from './ways';

const { abs, cos, exp, max, min, sin, sqrt, PI } = Math;

/** Usual step of the walk, mm: longer ones cut corners at the edge of the head. */
export const STEP_MM = 12;

/**
 * Where a walk stands: the point, and height and outward normal there as the shell reads them. Reused for
 * every strand.
 */
export interface Walker {
  x: number;
  y: number;
  z: number;
  readonly shell: Float64Array;
}

/** What a walk is told of the strand that it begins. */
interface Begun {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** The strand's own deviation in height, −1…1. */
  readonly own: number;
  readonly seed: number;
  /** Cut as a fringe: it falls over the forehead, however the rest is worn. */
  readonly fringe: boolean;
}

/**
 * What became of a step: the strand may go on and hang, it is held where it is (by a band, a clip), or it
 * ends.
 */
type Step = 'free' | 'held' | 'ended';

/** Combs strands over the head, one after the other. */
export interface Walk {
  begin(strand: Begun): void;
  /** Takes the walker one step on, to a height above the scalp. */
  step(height: number): Step;
  /** Hair that is combed alike: strands of another number lie on the other side of a part. */
  readonly lock: number;
}

/** Where a tail is tied, average head, mm; `top` is where the upper hair is clipped up. */
const TIES = {
  low: [0, -58, -80],
  middle: [0, -5, -92],
  high: [0, 62, -68],
  half: [0, 18, -90],
  top: [0, 82, -20],
  bun: [0, -22, -90],
} as const;
/** Hair within this of the tie hangs from it, mm; what lies higher by this much of its height more. */
const TIE_REACH_MM = 7;
const TIE_HEIGHT = 0.2;
/** Below this height hair leaves the head, over so many mm, average head. */
const LEAVES_Y = -50;
const LEAVES_OVER_MM = 40;
/** Hair of half up is what grows above this line: from the temples to under the crown, average head, mm. */
const HALF_Y = 12;
/**
 * The underneath is what grows below this: about the height of the occipital bone and over the ears, average
 * head, mm.
 */
const UNDER_Y = -18;
/** Neither line is drawn with a ruler: it wavers by so much, mm. */
const LINE_WAVERS_MM = 5;
/** A tail stands off the head by about so much, mm. */
const TAIL_MM = 10;
/** Hair clipped up stands out of its clip by so much, mm. */
const COIL_MM = 40;
/** A loose bun: a ring of this radius, so far off the head, as thick as a tube of that one. mm */
const BUN = { ringMm: 19, offMm: 6, thickMm: 17, turns: 0.8 } as const;
/** A zigzag part swings so far to both sides, over so long a way, mm. */
const ZIGZAG = { swing: 11, period: 26 } as const;
/** Wind splits the crown to so far from its middle; it dies away over the same again, mm. */
const BLOWN_MM = 32;
/** Each strand goes its own way by up to so much, radians. */
const OWN_TURN = 0.16;

/** Where walks go: over which head, in steps of how much, mm. */
export interface Ground {
  readonly head: Head;
  readonly shell: Shell;
  readonly stepMm: number;
  readonly walker: Walker;
}

/** @param fringe whether some of the hair is cut as a fringe */
export function walkOf(way: Way, ground: Ground, fringe: boolean): Walk {
  const worn = wornAs(way, ground);
  return fringe ? split(({ fringe: own }) => own, fringed(ground), worn) : worn;
}

function wornAs(way: Way, ground: Ground): Walk {
  switch (way.kind) {
    case 'down':
      return down(ground, { partMm: way.partMm });
    case 'zigzag':
      return down(ground, { partMm: way.partMm, zigzag: true });
    case 'forward':
      return down(ground, { partMm: way.partMm, forward: true });
    case 'blown':
      return down(ground, { partMm: way.partMm, blown: true });
    case 'tied':
      return tied(ground, way.at);
    case 'bun':
      return tied(ground, 'bun');
    case 'swept':
      return down(ground, { partMm: way.partMm, swept: way.partMm >= 0 ? -1 : 1 });
    case 'half-up':
      return either(HALF_Y * ground.head.skull.y, tied(ground, 'half'), down(ground, { partMm: 0 }));
    case 'lifted':
      return either(UNDER_Y * ground.head.skull.y, tied(ground, 'top'), down(ground, { partMm: 0 }));
  }
}

/** Hair that grows above a height goes one way, what grows below the other. */
function either(y: number, above: Walk, below: Walk): Walk {
  return split((strand) => strand.y > y + LINE_WAVERS_MM * (2 * noiseOf(strand.seed, 6) - 1), above, below);
}

/** Some hair goes one way, the rest another. */
function split(isOne: (strand: Begun) => boolean, one: Walk, other: Walk): Walk {
  let walk = one;
  return {
    begin: (strand) => {
      walk = isOne(strand) ? one : other;
      walk.begin(strand);
    },
    step: (height) => walk.step(height),
    get lock() {
      return walk === one ? 10 + walk.lock : walk.lock;
    },
  };
}

/** A fringe: forward and down over the forehead, a little to both sides. */
function fringed({ head, stepMm, walker }: Ground): Walk {
  const bust = bustOf(head);
  const skin = new Float64Array(4);
  return {
    lock: 0,
    begin: () => undefined,
    step: (height) => {
      slide(bust, skin, walker, walker.x / (260 * head.k), -1, 0.55, stepMm, min(height, FRINGE_OFF_MM));
      return 'free';
    },
  };
}

/** A fringe lies so far off the forehead, mm. */
const FRINGE_OFF_MM = 6;

/** e^(−x), tabulated: the walk asks it at every step. */
const FADE = Float64Array.from({ length: 256 }, (_, i) => exp(-i / 32));
const fadeAt = (x: number) => FADE[min(255, (x * 32) | 0)];

const smooth = (f: number) => {
  const t = min(1, max(0, f));
  return t * t * (3 - 2 * t);
};

/**
 * Puts the walker at a height above the scalp, by so much of the way there (1: all of it); leaves what the
 * shell reads there.
 */
function lift(shell: Shell, walker: Walker, height: number, pull: number): void {
  const read = walker.shell;
  shell.read(walker.x, walker.y, walker.z, read);
  const off = (height - read[0]) * pull;
  walker.x += read[1] * off;
  walker.y += read[2] * off;
  walker.z += read[3] * off;
}

/** Hair that falls on a shoulder goes out along it by so much of what it would slide. */
const OUTWARD = 0.2;

/** One step in a direction, along the skin where that is in the way. */
function slide(
  bust: Bust,
  skin: Float64Array,
  walker: Walker,
  dx: number,
  dy: number,
  dz: number,
  mm: number,
  height: number,
): void {
  bust.read(walker.x, walker.y, walker.z, skin);
  let [x, y, z] = [dx, dy, dz];
  const into = x * skin[1] + y * skin[2] + z * skin[3];
  if (skin[0] < height + 2 && into < 0) {
    // Combed down the back or the chest rather than out along the shoulder.
    x -= into * skin[1] * (y < -0.5 ? OUTWARD : 1);
    y -= into * skin[2];
    z -= into * skin[3];
  }
  const size = mm / max(1e-6, sqrt(x * x + y * y + z * z));
  walker.x += x * size;
  walker.y += y * size;
  walker.z += z * size;
  bust.read(walker.x, walker.y, walker.z, skin);
  const off = height - skin[0];
  if (off <= 0) return;
  walker.x += skin[1] * off;
  walker.y += skin[2] * off;
  walker.z += skin[3] * off;
}

interface DownOptions {
  readonly partMm: number;
  readonly zigzag?: boolean;
  readonly forward?: boolean;
  readonly blown?: boolean;
  /** The side over which all of it is brought, −1 or 1. */
  readonly swept?: number;
}

/** Down: away from the part, to the back behind the ears, then straight. */
function down(
  { head, shell, stepMm, walker }: Ground,
  { partMm, zigzag = false, forward = false, blown = false, swept = 0 }: DownOptions,
): Walk {
  const { k, crown } = head;
  const read = walker.shell;
  const bust = bustOf(head);
  const skin = new Float64Array(4);
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
    get lock() {
      return side;
    },
    begin: ({ x, z, seed }) => {
      part = partAt(z);
      side = x >= part ? 1 : -1;
      const turn = (2 * noiseOf(seed, 4) - 1) * OWN_TURN;
      swerve = sin(turn) * (x >= 0 ? 1 : -1);
      straight = cos(turn);
    },
    step: (height) => {
      const left = smooth((LEAVES_Y * k - walker.y) / (LEAVES_OVER_MM * k));
      if (left >= 1 && !forward && swept === 0) {
        // It has left the head: straight down, on the neck and the shoulders.
        slide(bust, skin, walker, 0, -1, 0, stepMm, height);
        return 'free';
      }
      const ax = walker.x - part;
      const az = min(0, walker.z + 45 * k);
      const away = max(1e-6, sqrt(ax * ax + az * az));
      const near = 0.35 + 0.65 * fadeAt(away / (45 * k));
      const f = smooth((walker.z + 10 * k) / (70 * k));
      let dx = (ax / away) * near + 0.25 * f * side;
      let dy = -1.15;
      let dz = (az / away) * near - 0.62 * f - 0.05;
      // At the forehead hair is combed aside, out of the face.
      const face =
        smooth((walker.z - 45 * k) / (30 * k)) *
        smooth((52 * k - walker.y) / (26 * k)) *
        smooth((66 * k - abs(walker.x)) / (24 * k));
      dx += side * 1.9 * face;
      dy *= 1 - 0.45 * face;
      if (forward) {
        // Gathered to its own side of the nape and over the shoulder to the front.
        const low = smooth((25 * k - walker.y) / (80 * k));
        dx +=
          side *
          0.75 *
          low *
          smooth((20 * k - walker.z) / (60 * k)) *
          smooth((90 * k - abs(walker.x)) / (50 * k));
        dz += 1.35 * low * smooth((62 * k - walker.z) / (60 * k));
      }
      if (swept !== 0) {
        // Round the nape to the one side, then over that shoulder to the front.
        const low = smooth((20 * k - walker.y) / (80 * k));
        dz -=
          1.5 * low * smooth((34 * k - swept * walker.x) / (40 * k)) * smooth((walker.z + 74 * k) / (60 * k));
        dx +=
          swept *
          1.5 *
          low *
          smooth((58 * k - swept * walker.x) / (50 * k)) *
          smooth((30 * k - walker.z) / (60 * k));
        dz +=
          1.1 * low * smooth((swept * walker.x - 10 * k) / (40 * k)) * smooth((62 * k - walker.z) / (60 * k));
      }
      if (blown) {
        const bx = walker.x - crown.x;
        const by = walker.y - crown.y;
        const bz = walker.z - crown.z;
        const open = smooth(2 - sqrt(bx * bx + by * by + bz * bz) / (BLOWN_MM * k));
        dx += (bx >= 0 ? 1 : -1) * 2.6 * open;
        dz *= 1 - open;
      }
      // On the tangent plane of the head, as long as the hair lies on it; the normal is that of the last
      // step's end.
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
      const on = forward || swept !== 0 ? 1 - 0.55 * left : 1 - left;
      dx = (dx * straight + tx * off) * on;
      dy = (dy * straight + ty * off) * (1 - left) - left;
      dz = (dz * straight + tz * off) * on;
      if (left > 0) slide(bust, skin, walker, dx, dy, dz, stepMm, height * (1 - left));
      else {
        const size = stepMm / max(1e-9, sqrt(dx * dx + dy * dy + dz * dz));
        walker.x += dx * size;
        walker.y += dy * size;
        walker.z += dz * size;
      }
      if (left < 1) lift(shell, walker, height, 1 - left);
      return 'free';
    },
  };
}

/** Tied: along the head to the tie, then hanging from it. */
function tied({ head, shell, stepMm, walker }: Ground, at: keyof typeof TIES): Walk {
  const { k } = head;
  const bust = bustOf(head);
  const skin = new Float64Array(4);
  const read = walker.shell;
  const [tx, ty, tz] = TIES[at];
  const { x: sx, y: sy, z: sz } = surfaceAlong({ x: tx * k, y: ty * k, z: tz * k }, head.skull);
  const there = new Float64Array(4);
  shell.read(sx, sy, sz, there);
  const [, ox, oy, oz] = there;
  let hanging = 0;
  let apart = 0;
  // A bun: round and round on a ring that stands off the tie, each strand at its own place of the coil.
  let turned = 0;
  let thick = BUN.thickMm;
  let lies = 0;
  const coil = (to: Walker, gone: number) => {
    const round = turned + (gone / BUN.ringMm) * BUN.turns;
    const risen = min(1, gone / 50);
    const out = (BUN.offMm + thick * (1 + sin(lies))) * k * risen;
    const wide = (BUN.ringMm + thick * cos(lies)) * k * min(1, 0.25 + gone / 60);
    // Across the way out: sideways, and up along the head.
    to.x = sx + ox * out + cos(round) * wide;
    to.y = sy + oy * out - sin(round) * wide * oz;
    to.z = sz + oz * out + sin(round) * wide * oy;
  };
  return {
    lock: 0,
    begin: ({ x, own, seed }) => {
      hanging = 0;
      turned = 2 * PI * noiseOf(seed, 33);
      thick = BUN.thickMm * sqrt(noiseOf(seed, 34));
      lies = 2 * PI * noiseOf(seed, 35);
      apart = 0.12 * own * (x >= 0 ? 1 : -1);
    },
    step: (height) => {
      let dx = sx - walker.x;
      let dy = sy - walker.y;
      let dz = sz - walker.z;
      const left = sqrt(dx * dx + dy * dy + dz * dz);
      if (hanging > 0 || left < TIE_REACH_MM + TIE_HEIGHT * height) {
        if (at === 'bun') {
          coil(walker, hanging);
          hanging += stepMm;
          return 'held';
        }
        // Out of the tie in an arc, then straight down, where it meets the head again along it.
        const within = hanging === 0;
        hanging += stepMm;
        const fall = smooth(hanging / 60);
        const out = 0.9 * (1 - fall);
        slide(
          bust,
          skin,
          walker,
          ox * out + apart * (1 - fall),
          oy * out - fall,
          oz * out,
          stepMm,
          min(hanging, height + TAIL_MM),
        );
        if (at === 'top') return hanging < COIL_MM ? 'held' : 'ended';
        return within ? 'held' : 'free';
      }
      const into = dx * read[1] + dy * read[2] + dz * read[3];
      dx -= into * read[1];
      dy -= into * read[2];
      dz -= into * read[3];
      const flat = max(1e-6, sqrt(dx * dx + dy * dy + dz * dz));
      const step = min(stepMm, left) / flat;
      walker.x += dx * step;
      walker.y += dy * step;
      walker.z += dz * step;
      lift(shell, walker, height, 1);
      return 'held';
    },
  };
}
