import { USUAL_SHAPE, type Shape } from './cut';
import { growing } from './growing';
import { seenAt, type Light } from './light';
import { partRegion } from './regions';
import { makeStrands } from './strands';
import { seenFrom } from './surface';
import type { HairRoots } from './worn';
import type { Plan } from '../pattern';

const { abs, max, min } = Math;

/** The part is moved so far to both sides of where it is worn, in steps of so much, mm. */
const PART_REACH_MM = 40;
const PART_STEP_MM = 5;
/** A moved part is as good as its own while it keeps so much of the light, and at least so much at all. */
const KEEPS = 0.75;
export const LEAST = 0.05;

/**
 * Hair that grows further from the part than this is not seen within 15 mm of it, average head; nor what is
 * so far from its root. mm
 */
const NEAR_MM = 40;
const SEEN_MM = 90;
/** Guides lead hair that grows within so much of them. mm */
const LEADS_MM = 20;

/** Light beside the part at one place. */
export interface PartLight {
  /** From the part as it is worn, mm, + the client's left. */
  readonly byMm: number;
  readonly light: number;
}

/** How far the part may move, mm, to each side. */
export interface PartTolerance {
  readonly leftMm: number;
  readonly rightMm: number;
  /** The smaller of both. */
  readonly mm: number;
  /** Share of what lies beside it where it is worn that is light. */
  readonly ownLight: number;
}

/** Places at which the part is looked at, its own first, then outwards to both sides. */
export function partSteps(): number[] {
  const out = [0];
  for (let mm = PART_STEP_MM; mm <= PART_REACH_MM; mm += PART_STEP_MM) out.push(mm, -mm);
  return out;
}

/** What is seen beside a part put somewhere else: enough to read the light of any pattern there. */
export interface PartStrip {
  readonly byMm: number;
  readonly pixels: number;
  readonly strand: Uint32Array;
  readonly along: Float32Array;
  readonly weight: Float32Array;
}

/** Lays the hair with its part moved and keeps what is seen beside it. */
export function partStrip(
  roots: HairRoots,
  hair: Plan['hair'],
  partMm: number,
  byMm: number,
  { curl, cut }: Shape = USUAL_SHAPE,
): PartStrip {
  const at = partMm + byMm;
  const { head, index, guides } = roots;
  // Hair falls away from the part: what is seen beside it grows near it, and no further than this from its
  // root.
  const lengthOf = growing({ hair }, index.roots, head, cut);
  const near = (root: number) =>
    index.roots.xyz[3 * root + 1] > 0 && abs(index.roots.xyz[3 * root] - at) < NEAR_MM * head.k;
  const leads = (guide: number) =>
    guides.xyz[3 * guide + 1] > -20 * head.k &&
    abs(guides.xyz[3 * guide] - at) < (NEAR_MM + LEADS_MM) * head.k;
  const strands = makeStrands(
    roots,
    { kind: 'down', partMm: at },
    (root) => (near(root) ? min(SEEN_MM, lengthOf(root)) : 0),
    { curl, cut },
    leads,
  );
  const surface = seenFrom(head, strands, 'top');
  const region = partRegion(head, surface, at);
  const kept: number[] = [];
  let pixels = 0;
  for (let p = 0; p + 1 < surface.start.length; p += 1) {
    if (surface.start[p] === surface.start[p + 1] || !region(p)) continue;
    pixels += 1;
    for (let i = surface.start[p]; i < surface.start[p + 1]; i += 1) kept.push(i);
  }
  return {
    byMm,
    pixels,
    strand: Uint32Array.from(kept, (i) => surface.strand[i]),
    along: Float32Array.from(kept, (i) => surface.along[i]),
    weight: Float32Array.from(kept, (i) => surface.weight[i]),
  };
}

/** Light beside the part at that place. */
export function partLightOf({ byMm, pixels, strand, along, weight }: PartStrip, light: Light): PartLight {
  let sum = 0;
  for (let i = 0; i < strand.length; i += 1) sum += weight[i] * seenAt(light, strand[i], along[i]);
  return { byMm, light: pixels > 0 ? sum / pixels : 0 };
}

/**
 * How far the part may move before it goes dark: three quarters of its own light, or of the mean, are kept.
 */
export function partTolerance(lights: readonly PartLight[]): PartTolerance {
  const inPlace = lights.find(({ byMm }) => byMm === 0)?.light ?? 0;
  const all = smoothed(lights);
  const mean = all.reduce((sum, { light }) => sum + light, 0) / max(1, all.length);
  const fine = (light: number) =>
    light >= KEEPS * max(all.find(({ byMm }) => byMm === 0)?.light ?? 0, mean) && light >= LEAST;
  const reach = (side: 1 | -1) => {
    let mm = 0;
    for (const { byMm, light } of all
      .filter(({ byMm }) => byMm * side >= 0)
      .sort((a, b) => abs(a.byMm) - abs(b.byMm))) {
      if (!fine(light)) break;
      mm = abs(byMm);
    }
    return mm;
  };
  const [leftMm, rightMm] = [reach(1), reach(-1)];
  return { leftMm, rightMm, mm: min(leftMm, rightMm), ownLight: inPlace };
}

/**
 * Each place with the two beside it: whether a row falls just inside the strip or just outside of it is
 * chance.
 */
function smoothed(lights: readonly PartLight[]): PartLight[] {
  const ordered = [...lights].sort((a, b) => a.byMm - b.byMm);
  const at = (i: number) => ordered[min(ordered.length - 1, max(0, i))].light;
  return ordered.map(({ byMm, light }, i) => ({ byMm, light: 0.5 * light + 0.25 * (at(i - 1) + at(i + 1)) }));
}
