import { bustOf } from '../bust';
import type { Head, Roots } from '../head';
import { toEnd } from '../units';
import { FRINGE, inFringe, USUAL_SHAPE, type Shape } from './cut';
import { noiseOf, seedAt } from './noise';
import { radiusOf, settling, type Guides } from './settle';
import { shellOf } from './shell';
import { STEP_MM, walkOf, type Walker } from './walks';
import type { Curl, Way } from './ways';

const { abs, ceil, exp, floor, max, min, sin, PI } = Math;

/** The hair as it lies: one line per root, walked over the head in even steps. */
export interface Strands {
  readonly count: number;
  /** Points of a strand, the root among them. */
  readonly points: number;
  /** mm of hair between points. */
  readonly stepMm: number;
  /** Length of a wave of the hair, mm; 0 where it is straight. */
  readonly waveMm: number;
  /** Packed xyz of all points, strand after strand, mm. */
  readonly xyz: Float32Array;
  /** Number of points that each strand has; the rest of its places are unused. */
  readonly used: Uint16Array;
  /** A strand's own seed, its mirror image's alike. */
  readonly seed: Int32Array;
}

/** Hair ends this much shorter, at random, than its length; a few are short hairs, still growing. */
const RAGGED = 0.06;
const SHORT = { share: 0.03, least: 0.3 } as const;

/**
 * Layer height above the scalp as hair is combed, by the distance that it has travelled: what came further
 * lies on top. Working assumptions.
 */
const LAYER = { full: 16, over: 70, rise: 22, least: 0.3, strand: 3.4, lock: 1.1 } as const;

/**
 * How hair bends: share of its length that it covers, hair of one turn, mm, how firmly it keeps to that, and
 * what it adds to the height of hair.
 */
const BENDS: Readonly<
  Record<Curl, { covers: number; turnMm: number; firm: number; body: number; clump: number }>
> = {
  straight: { covers: 1, turnMm: 0, firm: 0, body: 1, clump: 0.25 },
  wavy: { covers: 0.94, turnMm: 110, firm: 0.55, body: 1.2, clump: 0.6 },
  curly: { covers: 0.8, turnMm: 84, firm: 0.5, body: 1.6, clump: 0.85 },
  coily: { covers: 0.6, turnMm: 56, firm: 0.6, body: 2.2, clump: 0.8 },
};
/** Share of its length that hair reaches, by curl. */
export const COVERS = {
  straight: BENDS.straight.covers,
  wavy: BENDS.wavy.covers,
  curly: BENDS.curly.covers,
  coily: BENDS.coily.covers,
} satisfies Record<Curl, number>;

/**
 * How firmly hair keeps where it is combed to: at the scalp, fading over so much, beside the face over more;
 * out of a band or a clip over so much.
 */
const MEMORY = { most: 0.28, over: 110, front: 220, frontZ: 20, outOfBand: 40 } as const;
/** Drawn smooth, hair that curls still moves a little. */
const TAUT = { straight: 1, curling: 0.55 } as const;
/** Longer hair has longer segments, so that no guide has more points than this. */
const MOST_POINTS = 64;

/**
 * A strand keeps its own distance from its guides near the scalp, and is drawn to the nearest of them on the
 * way, mm.
 */
const OWN = { over: 260, clumpOver: 90, discMm: 5, wave: 0.3, waveMm: 70 } as const;
/** Hair that is tied comes together: so much is left of its distance at the band. */
const BANDED = 0.25;
/** Of its place in the clump that a strand of a tail takes, on both sides. */
const MIXED = 1.3;
/** Guides that lie so far apart no longer lead a strand together, mm. */
const APART = { from: 14, over: 22 } as const;
/** Strands lie at least so far off the skin, mm. */
const OFF_SKIN_MM = 0.3;

/** What strands grow from: roots, and those of the guides that lead them. */
export interface Rooted {
  readonly head: Head;
  readonly roots: Roots;
  readonly guides: Roots;
  /** By root, its nearest guides, the nearest first. */
  readonly near: Uint16Array;
}

/** Every root knows its twelve nearest guides, and is led by the first three on its side of the part. */
const NEAR = 12;
const LED_BY = 3;

/** The nearest guides of every root. */
export function nearestGuides(roots: Roots, guides: Roots): Uint16Array {
  const out = new Uint16Array(NEAR * roots.count);
  const cellMm = 24;
  const cells = new Map<number, number[]>();
  const keyOf = (i: number, j: number, l: number) => (i * 64 + j) * 64 + l;
  const cellOf = (mm: number) => floor(mm / cellMm) + 32;
  for (let g = 0; g < guides.count; g += 1) {
    const key = keyOf(
      cellOf(guides.xyz[3 * g]),
      cellOf(guides.xyz[3 * g + 1]),
      cellOf(guides.xyz[3 * g + 2]),
    );
    cells.set(key, [...(cells.get(key) ?? []), g]);
  }
  const around = new Map<number, number[]>();
  const listOf = (i: number, j: number, l: number) => {
    const key = keyOf(i, j, l);
    const known = around.get(key);
    if (known) return known;
    const near: number[] = [];
    for (let a = -1; a <= 1; a += 1)
      for (let b = -1; b <= 1; b += 1)
        for (let c = -1; c <= 1; c += 1) near.push(...(cells.get(keyOf(i + a, j + b, l + c)) ?? []));
    around.set(key, near);
    return near;
  };
  const best = new Float64Array(NEAR);
  const who = new Int32Array(NEAR);
  for (let r = 0; r < roots.count; r += 1) {
    const [x, y, z] = [roots.xyz[3 * r], roots.xyz[3 * r + 1], roots.xyz[3 * r + 2]];
    best.fill(Infinity);
    who.fill(-1);
    for (const g of listOf(cellOf(x), cellOf(y), cellOf(z))) {
      const off =
        (guides.xyz[3 * g] - x) ** 2 + (guides.xyz[3 * g + 1] - y) ** 2 + (guides.xyz[3 * g + 2] - z) ** 2;
      if (off >= best[NEAR - 1]) continue;
      let n = NEAR - 1;
      for (; n > 0 && best[n - 1] > off; n -= 1) {
        best[n] = best[n - 1];
        who[n] = who[n - 1];
      }
      best[n] = off;
      who[n] = g;
    }
    for (let n = 0; n < NEAR; n += 1) out[NEAR * r + n] = who[n] >= 0 ? who[n] : who[0];
  }
  return out;
}

interface Combed extends Guides {
  /** By guide: hair of another number lies on the other side of a part. */
  readonly lock: Int8Array;
  /** By guide, the point to which a band or a clip holds it; 0 where nothing does. */
  readonly band: Uint16Array;
}

/**
 * Combs guides and lets them hang.
 * @param longestMm of the hair that they lead
 * @param wanted which of them; all where it is not given
 */
function* guidesInSteps(
  { head, guides: roots }: Rooted,
  way: Way,
  longestMm: number,
  { curl, cut }: Shape,
  wanted?: (root: number) => boolean,
): Generator<number, Combed> {
  const bend = BENDS[curl];
  const segmentMm = max(STEP_MM, longestMm / (MOST_POINTS - 1));
  const points = max(2, ceil(longestMm / segmentMm) + 1);
  const { count } = roots;
  const xyz = new Float64Array(3 * points * count);
  const used = new Uint16Array(count);
  const held = new Float32Array(points * count);
  const seed = new Int32Array(count);
  const lock = new Int8Array(count);
  const band = new Uint16Array(count);
  const shell = shellOf(head);
  const walker: Walker = { x: 0, y: 0, z: 0, shell: new Float64Array(4) };
  const stepMm = segmentMm * bend.covers;
  const walk = walkOf(way, { head, shell, stepMm, walker }, cut.fringe);
  const taut = curl === 'straight' ? TAUT.straight : TAUT.curling;
  const begun = { x: 0, y: 0, z: 0, own: 0, seed: 0, fringe: false };
  for (let g = 0; g < count; g += 1) {
    [begun.x, begun.y, begun.z] = [roots.xyz[3 * g], roots.xyz[3 * g + 1], roots.xyz[3 * g + 2]];
    seed[g] = begun.seed = seedAt(begun.x, begun.y, begun.z);
    begun.own = 2 * noiseOf(begun.seed, 1) - 1;
    begun.fringe = cut.fringe && inFringe(head, roots, g);
    walk.begin(begun);
    lock[g] = walk.lock;
    used[g] =
      wanted && !wanted(g) ? 1 : begun.fringe ? min(points, ceil(FRINGE.lengthMm / segmentMm) + 2) : points;
    [walker.x, walker.y, walker.z] = [begun.x, begun.y, begun.z];
    shell.read(walker.x, walker.y, walker.z, walker.shell);
    for (let p = 0, at = 3 * points * g; p < used[g]; p += 1, at += 3) {
      if (p > 0) {
        const gone = p * stepMm;
        const mean = bend.body * LAYER.full * (1 - exp(-gone / LAYER.over));
        const step = walk.step(
          max(LAYER.least, mean + LAYER.lock * begun.own * (1 - exp(-gone / LAYER.rise))),
        );
        if (step === 'ended') used[g] = p + 1;
        if (step === 'free')
          held[points * g + p] =
            band[g] > 0
              ? MEMORY.most * exp((band[g] * stepMm - gone) / MEMORY.outOfBand)
              : MEMORY.most * exp(-gone / (begun.z > MEMORY.frontZ * head.k ? MEMORY.front : MEMORY.over));
        else {
          held[points * g + p] = taut;
          band[g] = p;
        }
      }
      xyz[at] = walker.x;
      xyz[at + 1] = walker.y;
      xyz[at + 2] = walker.z;
    }
  }
  const guides = { count, points, segmentMm, xyz, used, held, seed, lock, band };
  const turning =
    bend.turnMm > 0
      ? { radiusMm: radiusOf(bend.covers, bend.turnMm), turnMm: bend.turnMm, firm: bend.firm }
      : null;
  yield* settling(guides, {
    bust: bustOf(head),
    k: head.k,
    curl: turning,
    alike: isAlike(way, head) && areMirrored(roots),
  });
  return guides;
}

/**
 * Whether both sides of the head are worn the same. A crown beside the middle parts hair that is blown open
 * there.
 */
function isAlike(way: Way, { crown }: Head): boolean {
  if (way.kind === 'zigzag' || way.kind === 'swept' || way.kind === 'bun') return false;
  if (way.kind === 'blown' && abs(crown.x) > 1e-6) return false;
  return 'partMm' in way ? way.partMm === 0 : true;
}

/** Whether every second root is the mirror image of the one before it. */
function areMirrored(roots: Roots): boolean {
  for (let i = 1; i < roots.count; i += 2) if (!isMirrored(roots, i)) return false;
  return roots.count % 2 === 0;
}

const isMirrored = ({ xyz }: Roots, i: number) =>
  xyz[3 * i] === -xyz[3 * i - 3] && xyz[3 * i + 1] === xyz[3 * i - 2] && xyz[3 * i + 2] === xyz[3 * i - 1];

/**
 * The hair of a head as it hangs, step by step.
 * @param lengthOf length of a root's hair, mm, by root; hair of none has its root alone
 * @param wanted which guides lead it; all where it is not given
 * @yields how far it has come, 0–1
 */
export function* strandsInSteps(
  rooted: Rooted,
  way: Way,
  lengthOf: (root: number) => number,
  { curl, cut }: Shape = USUAL_SHAPE,
  wanted?: (guide: number) => boolean,
): Generator<number, Strands> {
  const { head, roots, guides: guideRoots, near } = rooted;
  const bend = BENDS[curl];
  let longest = STEP_MM;
  for (let i = 0; i < roots.count; i += 1) longest = max(longest, lengthOf(i));
  const guides = yield* guidesInSteps(rooted, way, longest, { curl, cut }, wanted);
  const { points, segmentMm: stepMm } = guides;
  const xyz = new Float32Array(3 * points * roots.count);
  const used = new Uint16Array(roots.count);
  const seed = new Int32Array(roots.count);
  const bust = bustOf(head);
  const skin = new Float64Array(4);
  const walker: Walker = { x: 0, y: 0, z: 0, shell: new Float64Array(4) };
  const walk = walkOf(way, { head, shell: shellOf(head), stepMm, walker }, cut.fringe);
  const alike = isAlike(way, head) && areMirrored(guideRoots);
  const begun = { x: 0, y: 0, z: 0, own: 0, seed: 0, fringe: false };
  // By number of points from the root: what is left of the own distance, how far the clump draws, how much of
  // the own height and wave have come in.
  const fade = (over: number) => Float64Array.from({ length: points }, (_, p) => exp((-p * stepMm) / over));
  const own = fade(OWN.over);
  const loose = fade(OWN.clumpOver);
  const low = fade(LAYER.rise);
  const led = new Int32Array(LED_BY);
  const weight = new Float64Array(LED_BY);
  for (let i = 0; i < roots.count; i += 1) {
    const x = (begun.x = roots.xyz[3 * i]);
    const y = (begun.y = roots.xyz[3 * i + 1]);
    const z = (begun.z = roots.xyz[3 * i + 2]);
    const start = 3 * points * i;
    const length = lengthOf(i);
    seed[i] = begun.seed = seedAt(x, y, z);
    if (length < stepMm) {
      // Too short to lie anywhere: its root alone.
      used[i] = 1;
      xyz.set([x, y, z], start);
      continue;
    }
    if (alike && i % 2 === 1 && isMirrored(roots, i) && length === lengthOf(i - 1)) {
      // The strand before it, seen in a mirror.
      used[i] = used[i - 1];
      for (let at = start, from = at - 3 * points, end = at + 3 * used[i]; at < end; at += 3, from += 3) {
        xyz[at] = -xyz[from];
        xyz[at + 1] = xyz[from + 1];
        xyz[at + 2] = xyz[from + 2];
      }
      continue;
    }
    begun.own = 2 * noiseOf(begun.seed, 1) - 1;
    begun.fringe = cut.fringe && inFringe(head, roots, i);
    walk.begin(begun);
    const { lock } = walk;
    let many = 0;
    let sum = 0;
    for (let n = 0; n < NEAR && many < LED_BY; n += 1) {
      const g = near[NEAR * i + n];
      if (guides.lock[g] !== lock || guides.used[g] < 2) continue;
      const off =
        (guideRoots.xyz[3 * g] - x) ** 2 +
        (guideRoots.xyz[3 * g + 1] - y) ** 2 +
        (guideRoots.xyz[3 * g + 2] - z) ** 2;
      led[many] = g;
      sum += weight[many] = 1 / (off + 4);
      many += 1;
    }
    if (many === 0) {
      led[0] = near[NEAR * i];
      sum = weight[0] = many = 1;
    }
    // The shortest of them ends all; what is coiled up in a clip ends early.
    let ends = points;
    for (let n = 0; n < many; n += 1) {
      weight[n] /= sum;
      ends = min(ends, guides.used[led[n]]);
    }
    const short =
      noiseOf(begun.seed, 13) < SHORT.share ? SHORT.least + (1 - SHORT.least) * noiseOf(begun.seed, 14) : 1;
    used[i] = max(
      min(2, ends),
      min(ends, floor((length * short * (1 - RAGGED * noiseOf(begun.seed, 3))) / stepMm) + 1),
    );
    let [ox, oy, oz] = [x, y, z];
    for (let n = 0; n < many; n += 1) {
      ox -= weight[n] * guideRoots.xyz[3 * led[n]];
      oy -= weight[n] * guideRoots.xyz[3 * led[n] + 1];
      oz -= weight[n] * guideRoots.xyz[3 * led[n] + 2];
    }
    // Its own place in the clump, and the way in which it wavers.
    const side = x >= 0 ? 1 : -1;
    const cx = side * OWN.discMm * (2 * noiseOf(begun.seed, 21) - 1);
    const cy = OWN.discMm * (2 * noiseOf(begun.seed, 22) - 1);
    const cz = OWN.discMm * (2 * noiseOf(begun.seed, 23) - 1);
    const wave = 2 * PI * noiseOf(begun.seed, 24);
    const turn = ((2 * PI * stepMm) / OWN.waveMm) * (0.7 + 0.6 * noiseOf(begun.seed, 25));
    const nearest = 3 * points * led[0];
    const banded = guides.band[led[0]];
    const height = LAYER.strand * begun.own;
    for (let p = 0, at = start; p < used[i]; p += 1, at += 3) {
      let px = 0;
      let py = 0;
      let pz = 0;
      for (let n = 0; n < many; n += 1) {
        const from = 3 * (points * led[n] + p);
        px += weight[n] * guides.xyz[from];
        py += weight[n] * guides.xyz[from + 1];
        pz += weight[n] * guides.xyz[from + 2];
      }
      const g = nearest + 3 * p;
      // Where its guides part company it goes with the nearest.
      const apart = abs(guides.xyz[g] - px) + abs(guides.xyz[g + 1] - py) + abs(guides.xyz[g + 2] - pz);
      const clump = max(
        bend.clump * (1 - loose[max(0, p - banded)]),
        min(1, max(0, (apart - APART.from) / APART.over)),
      );
      const kept = own[p] * (1 - clump) * (banded > 0 ? BANDED + (1 - BANDED) * max(0, 1 - p / banded) : 1);
      const waver = OWN.wave * (1 - low[p]) * sin(wave + turn * p);
      // Out of a band the strands of a tail lie in any order.
      const mixed = banded > 0 && p > banded ? MIXED * (1 - loose[p - banded]) : clump;
      px += clump * (guides.xyz[g] - px) + cx * mixed + ox * kept + side * waver;
      py += clump * (guides.xyz[g + 1] - py) + cy * mixed + oy * kept;
      pz += clump * (guides.xyz[g + 2] - pz) + cz * mixed + oz * kept + waver * 0.7;
      if (p > 0) {
        bust.read(px, py, pz, skin);
        // Higher or lower than the others, each by its own; never in the skin.
        const risen = 1 - low[p];
        const off = max(
          height * risen,
          OFF_SKIN_MM + (0.5 * LAYER.strand + 0.5 * height) * 0.3 * risen - skin[0],
        );
        px += skin[1] * off;
        py += skin[2] * off;
        pz += skin[3] * off;
      }
      xyz[at] = px;
      xyz[at + 1] = py;
      xyz[at + 2] = pz;
    }
  }
  return { count: roots.count, points, stepMm, waveMm: bend.turnMm, xyz, used, seed };
}

/** The same in one go. */
export const makeStrands = (...given: Parameters<typeof strandsInSteps>): Strands =>
  toEnd(strandsInSteps(...given));
