import type { Bust } from '../bust';
import { noiseOf } from './noise';

const { abs, cos, exp, max, min, sin, sqrt, PI } = Math;

/** Guides of hair as they are combed: lines of even segments, which then hang. */
export interface Guides {
  readonly count: number;
  /** Points of a guide, its root among them. */
  readonly points: number;
  readonly segmentMm: number;
  /** Packed xyz, guide after guide, mm: combed at first, then settled. */
  readonly xyz: Float64Array;
  readonly used: Uint16Array;
  /** By point, how firmly it is held where it was combed to: 1 does not move at all. */
  readonly held: Float32Array;
  readonly seed: Int32Array;
}

/** How hair wants to bend by itself: a helix of this radius, one turn on so much hair, mm. */
interface RestCurl {
  readonly radiusMm: number;
  readonly turnMm: number;
  /** How firmly it keeps to it, 0–1. */
  readonly firm: number;
}

export interface Settling {
  readonly bust: Bust;
  /** Size of the head against the average one. */
  readonly k: number;
  readonly curl: RestCurl | null;
  /** Whether both sides are worn alike: then one half hangs, and the other is its mirror image. */
  readonly alike: boolean;
}

/** Most steps; it ends sooner where nothing moves any more. */
const MOST_STEPS = 110;
const LEAST_STEPS = 24;
const STILL_MM = 0.3;
/** Constraints are met in turns, from the root on and back again. */
const TURNS = 3;
/** Fall by gravity in one step, mm: half of what it is, so that fewer steps do. */
const FALL_MM = 1.36;
const DAMPING = 0.93;
/** Hair keeps straight: near the scalp it is carried by its neighbours and bends more readily. */
const BENDING = { near: 0.03, far: 0.12, nearMm: 120 } as const;
/** Hair at rest on skin slides by so much less. */
const FRICTION = 0.5;
/** Hair stands off the skin: what came further lies on top of the rest; on the shoulders less. */
const OFF = { least: 2, most: 17, over: 100, flat: 0.9, bodyMost: 20, bodyOver: 280 } as const;
/** Below this height hair lies on neck and shoulders, average head, mm. */
const BODY_Y = -70;
/** Where more guides crowd than usual they are pushed to where there are fewer. */
const CROWD = { cellMm: 16, push: 0.2, most: 0.5, every: 4 } as const;

/** Steps in one go, so that an urgent question need not wait for all of them. */
const AT_ONCE = 8;

/**
 * Lets guides hang, in place. Bounded steps, no chance: the same guides settle the same.
 * @yields how far it has come, 0–1, by the steps that it takes at least
 */
export function* settling(guides: Guides, { bust, k, curl, alike }: Settling): Generator<number, void> {
  const { count, points, segmentMm, xyz, used, held, seed } = guides;
  const each = alike ? 2 : 1;
  const combed = xyz.slice();
  const before = xyz.slice();
  const skin = new Float64Array(4);
  const crowd = new Crowd(alike);
  const rest = curl && restOf(curl, segmentMm);
  const off = Float64Array.from(
    { length: points },
    (_, p) => OFF.most * (1 - exp((-p * segmentMm) / OFF.over)),
  );
  const offBody = Float64Array.from(
    { length: points },
    (_, p) => OFF.bodyMost * (1 - exp((-p * segmentMm) / OFF.bodyOver)),
  );
  const bodyY = BODY_Y * k;
  // How far each point is known to be clear of the skin: as long as it cannot have come near, it is not
  // looked at again.
  const clear = new Float32Array(points * count);
  for (let step = 0; step < MOST_STEPS; step += 1) {
    if (step % CROWD.every === 0) crowd.count(guides, each);
    let moving = 0;
    let many = 1;
    for (let g = 0; g < count; g += each) {
      const start = 3 * points * g;
      const end = used[g];
      if (end < 2) continue;
      const stands = OFF.flat + (1 - OFF.flat) * noiseOf(seed[g], 1);
      for (let p = 1, at = start + 3; p < end; p += 1, at += 3) {
        const hold = held[points * g + p];
        if (hold >= 1) continue;
        const x = xyz[at];
        const y = xyz[at + 1];
        const z = xyz[at + 2];
        xyz[at] = x + (x - before[at]) * DAMPING;
        xyz[at + 1] = y + (y - before[at + 1]) * DAMPING - FALL_MM;
        xyz[at + 2] = z + (z - before[at + 2]) * DAMPING;
        before[at] = x;
        before[at + 1] = y;
        before[at + 2] = z;
        xyz[at] += (combed[at] - xyz[at]) * hold;
        xyz[at + 1] += (combed[at + 1] - xyz[at + 1]) * hold;
        xyz[at + 2] += (combed[at + 2] - xyz[at + 2]) * hold;
        if (hold < 0.2) crowd.push(xyz, at);
      }
      for (let turn = 0; turn < TURNS; turn += 1) {
        keepLengths(xyz, start, end, segmentMm, held, points * g, turn === 1);
        if (rest !== null)
          curlUp(xyz, start, end, rest, 2 * PI * noiseOf(seed[g], 31), held, points * g, curl!.firm);
        else straighten(xyz, start, end, segmentMm, held, points * g);
      }
      for (let p = 1, at = start + 3; p < end; p += 1, at += 3) {
        if (held[points * g + p] >= 1) continue;
        const [x, y, z] = [before[at], before[at + 1], before[at + 2]];
        const moved = sqrt((xyz[at] - x) ** 2 + (xyz[at + 1] - y) ** 2 + (xyz[at + 2] - z) ** 2);
        clear[points * g + p] -= moved;
        if (clear[points * g + p] <= 0) {
          bust.read(xyz[at], xyz[at + 1], xyz[at + 2], skin);
          const low = min(1, max(0, (bodyY - xyz[at + 1]) / 40));
          const least = OFF.least + (off[p] + (offBody[p] - off[p]) * low) * stands;
          clear[points * g + p] = 0.8 * (skin[0] - least);
          if (skin[0] < least) {
            const by = least - skin[0];
            xyz[at] += skin[1] * by;
            xyz[at + 1] += skin[2] * by;
            xyz[at + 2] += skin[3] * by;
            // Slower along the skin; not thrown off it.
            before[at] += (xyz[at] - x) * FRICTION + skin[1] * by * (1 - FRICTION);
            before[at + 1] += (xyz[at + 1] - y) * FRICTION + skin[2] * by * (1 - FRICTION);
            before[at + 2] += (xyz[at + 2] - z) * FRICTION + skin[3] * by * (1 - FRICTION);
          }
        }
        moving += (xyz[at] - x) ** 2 + (xyz[at + 1] - y) ** 2 + (xyz[at + 2] - z) ** 2;
        many += 1;
      }
    }
    if (step >= LEAST_STEPS && moving < many * STILL_MM ** 2) break;
    if (step % AT_ONCE === AT_ONCE - 1) yield min(0.9, step / (2 * LEAST_STEPS));
  }
  if (alike) mirror(guides);
}

/** Every second guide is the mirror image of the one before it. */
function mirror({ count, points, xyz, used }: Guides): void {
  for (let g = 1; g < count; g += 2) {
    for (let p = 0, at = 3 * points * g; p < used[g]; p += 1, at += 3) {
      const from = at - 3 * points;
      xyz[at] = -xyz[from];
      xyz[at + 1] = xyz[from + 1];
      xyz[at + 2] = xyz[from + 2];
    }
  }
}

/** Each segment back to its length: what is held moves not at all, the root's segment from its end. */
function keepLengths(
  xyz: Float64Array,
  start: number,
  end: number,
  mm: number,
  held: Float32Array,
  first: number,
  back: boolean,
): void {
  const last = end - 2;
  for (let n = 0; n <= last; n += 1) {
    const p = back ? last - n : n;
    const at = start + 3 * p;
    const dx = xyz[at + 3] - xyz[at];
    const dy = xyz[at + 4] - xyz[at + 1];
    const dz = xyz[at + 5] - xyz[at + 2];
    const long = sqrt(dx * dx + dy * dy + dz * dz) + 1e-9;
    const by = (long - mm) / long;
    const fixed = p === 0 || held[first + p] >= 1;
    const next = held[first + p + 1] >= 1;
    const a = fixed ? 0 : next ? by : 0.5 * by;
    const b = next ? 0 : fixed ? by : 0.5 * by;
    xyz[at] += dx * a;
    xyz[at + 1] += dy * a;
    xyz[at + 2] += dz * a;
    xyz[at + 3] -= dx * b;
    xyz[at + 4] -= dy * b;
    xyz[at + 5] -= dz * b;
  }
}

function straighten(
  xyz: Float64Array,
  start: number,
  end: number,
  mm: number,
  held: Float32Array,
  first: number,
): void {
  for (let p = 1, at = start + 3; p + 1 < end; p += 1, at += 3) {
    if (held[first + p] >= 1) continue;
    const by = p * mm < BENDING.nearMm ? BENDING.near : BENDING.far;
    xyz[at] += (0.5 * (xyz[at - 3] + xyz[at + 3]) - xyz[at]) * by;
    xyz[at + 1] += (0.5 * (xyz[at - 2] + xyz[at + 4]) - xyz[at + 1]) * by;
    xyz[at + 2] += (0.5 * (xyz[at - 1] + xyz[at + 5]) - xyz[at + 2]) * by;
  }
}

interface Rest {
  /** How far a point lies off the middle of its neighbours, mm. */
  readonly off: number;
  /** By how much the direction of that turns from point to point, as cosine and sine. */
  readonly cos: number;
  readonly sin: number;
}

function restOf({ radiusMm, turnMm }: RestCurl, mm: number): Rest {
  const angle = (2 * PI * mm) / turnMm;
  return { off: radiusMm * (1 - cos(angle)), cos: cos(angle), sin: sin(angle) };
}

/**
 * Towards its own helix: each point off the middle of its neighbours, in a direction that turns about the
 * hair on the way.
 */
function curlUp(
  xyz: Float64Array,
  start: number,
  end: number,
  { off, cos: c, sin: s }: Rest,
  phase: number,
  held: Float32Array,
  first: number,
  firm: number,
): void {
  // A direction across the hair, carried along it.
  let ux = cos(phase);
  let uy = 0.2;
  let uz = sin(phase);
  for (let p = 1, at = start + 3; p + 1 < end; p += 1, at += 3) {
    let tx = xyz[at + 3] - xyz[at - 3];
    let ty = xyz[at + 4] - xyz[at - 2];
    let tz = xyz[at + 5] - xyz[at - 1];
    const long = 1 / max(1e-9, sqrt(tx * tx + ty * ty + tz * tz));
    tx *= long;
    ty *= long;
    tz *= long;
    const into = ux * tx + uy * ty + uz * tz;
    ux -= into * tx;
    uy -= into * ty;
    uz -= into * tz;
    const size = 1 / max(1e-6, sqrt(ux * ux + uy * uy + uz * uz));
    ux *= size;
    uy *= size;
    uz *= size;
    const vx = ty * uz - tz * uy;
    const vy = tz * ux - tx * uz;
    const vz = tx * uy - ty * ux;
    ux = ux * c + vx * s;
    uy = uy * c + vy * s;
    uz = uz * c + vz * s;
    if (held[first + p] >= 1) continue;
    xyz[at] += (0.5 * (xyz[at - 3] + xyz[at + 3]) + off * ux - xyz[at]) * firm;
    xyz[at + 1] += (0.5 * (xyz[at - 2] + xyz[at + 4]) + off * uy - xyz[at + 1]) * firm;
    xyz[at + 2] += (0.5 * (xyz[at - 1] + xyz[at + 5]) + off * uz - xyz[at + 2]) * firm;
  }
}

/** Where guides crowd: counted in coarse cells about the head and below it, and which way is out of each. */
class Crowd {
  private static readonly nx = 32;
  private static readonly ny = 72;
  private static readonly nz = 32;
  private readonly cells = new Float32Array(Crowd.nx * Crowd.ny * Crowd.nz);
  private readonly pushX = new Float32Array(this.cells.length);
  private readonly pushZ = new Float32Array(this.cells.length);

  constructor(private readonly alike: boolean) {}

  private at(x: number, y: number, z: number): number {
    const i = ((this.alike ? abs(x) : x + 256) / CROWD.cellMm) | 0;
    const j = ((150 - y) / CROWD.cellMm) | 0;
    const l = ((z + 256) / CROWD.cellMm) | 0;
    return i < 0 || j < 0 || l < 0 || i >= Crowd.nx || j >= Crowd.ny || l >= Crowd.nz
      ? -1
      : (i * Crowd.ny + j) * Crowd.nz + l;
  }

  count({ count, points, xyz, used }: Guides, each: number): void {
    const { cells, pushX, pushZ } = this;
    cells.fill(0);
    for (let g = 0; g < count; g += each) {
      for (let p = 1, at = 3 * points * g + 3; p < used[g]; p += 1, at += 3) {
        const cell = this.at(xyz[at], xyz[at + 1], xyz[at + 2]);
        if (cell >= 0) cells[cell] += 1;
      }
    }
    let [sum, many] = [0, 0];
    for (let n = 0; n < cells.length; n += 1) {
      if (cells[n] === 0) continue;
      sum += cells[n];
      many += 1;
    }
    const mean = many > 0 ? sum / many : 1;
    const across = Crowd.ny * Crowd.nz;
    const of = (n: number) => (n >= 0 && n < cells.length ? cells[n] : 0);
    for (let n = 0; n < cells.length; n += 1) {
      pushX[n] = pushZ[n] = 0;
      const more = cells[n] - mean;
      if (more <= 0) continue;
      // In the middle of the head there is no across where both sides are alike: what lies beyond is what
      // lies here.
      const gx = (this.alike && n < across ? cells[n] : of(n - across)) - of(n + across);
      const gz = of(n - 1) - of(n + 1);
      const size = sqrt(gx * gx + gz * gz);
      if (size < 1e-9) continue;
      const by = min(CROWD.most, (CROWD.push * more) / mean) / size;
      pushX[n] = gx * by;
      pushZ[n] = gz * by;
    }
  }

  push(xyz: Float64Array, at: number): void {
    const x = xyz[at];
    const cell = this.at(x, xyz[at + 1], xyz[at + 2]);
    if (cell < 0) return;
    xyz[at] += this.alike && x < 0 ? -this.pushX[cell] : this.pushX[cell];
    xyz[at + 2] += this.pushZ[cell];
  }
}

/**
 * Radius of the helix that takes up hair so that it covers a share of its length, one turn on so much hair.
 */
export const radiusOf = (covers: number, turnMm: number): number =>
  (turnMm * sqrt(max(0, 1 - covers * covers))) / (2 * PI);
