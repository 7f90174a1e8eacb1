import type { Shell } from './shell';

const { abs, max, min, sqrt } = Math;

/**
 * What hair falls on below the head, average head, mm: a round neck and sloping shoulders; and a calm face. Nothing is
 * computed on them: they stand in the way of hair, and in the picture. Working assumptions.
 */
const NECK = { radius: 50, z: -18 } as const;
/** A lying ellipsoid, going on downwards as a trunk: half axes and centre. */
const SHOULDERS = { x: 178, y: 62, z: 64, centreY: -258, centreZ: -26 } as const;
/** The chin and the nape end the head here. */
const CHIN = { y: -112, round: 22 } as const;
const EAR = { x: 71, y: -33, z: -10, half: [7, 28, 16] } as const;
const NOSE = { y: -50, z: 90, half: [7, 17, 10] } as const;
/** Parts of the body run into each other over so much, mm. */
const JOIN_MM = 26;

/** Moves a point that lies in the neck or the shoulders out of them, to a height above. */
export function keepOffBody(at: { x: number; y: number; z: number }, k: number, height: number): void {
  const z = at.z - NECK.z * k;
  const least = NECK.radius * k + height;
  const square = at.x * at.x + z * z;
  if (square < least * least && square > 1e-9) {
    const off = sqrt(square);
    at.x *= least / off;
    at.z = NECK.z * k + (z * least) / off;
  }
  if (at.y > (SHOULDERS.centreY + SHOULDERS.y) * k + height) return;
  const sx = at.x / (SHOULDERS.x * k + height);
  const sy = max(0, at.y - SHOULDERS.centreY * k) / (SHOULDERS.y * k + height);
  const sz = (at.z - SHOULDERS.centreZ * k) / (SHOULDERS.z * k + height);
  const inside = sx * sx + sy * sy + sz * sz;
  if (inside >= 1) return;
  // Out over the nearer of front and back: hair slides off, it does not stand on the shoulder.
  const room = sqrt(max(0, 1 - sx * sx - sy * sy)) * (SHOULDERS.z * k + height);
  at.z = SHOULDERS.centreZ * k + (sz > 0 ? room : -room);
}

const read = new Float64Array(4);

/** About how far a point is from the body's skin, mm; negative within. */
export function bodyDistance(shell: Shell, k: number, px: number, py: number, pz: number): number {
  shell.read(px, py, pz, read);
  const x = abs(px) / k;
  const y = py / k;
  const z = pz / k;
  // The skull of the model goes on below the ears; there the chin ends it.
  let out = roundMax(read[0] / k, CHIN.y - y, CHIN.round);
  if (y > 20) return out * k;
  if (y < -40) {
    const neckZ = z - NECK.z;
    const neck = max(sqrt(x * x + neckZ * neckZ) - NECK.radius, -260 - y);
    const shoulders = ellipsoid(x, max(0, y - SHOULDERS.centreY), z - SHOULDERS.centreZ, SHOULDERS.x, SHOULDERS.y, SHOULDERS.z);
    out = roundMin(out, roundMin(neck, shoulders, JOIN_MM), 9);
  }
  const ear = ellipsoid(x - EAR.x, y - EAR.y, z - EAR.z + 0.25 * (y - EAR.y), EAR.half[0], EAR.half[1], EAR.half[2]);
  const nose = ellipsoid(x, y - NOSE.y - 0.5 * (z - NOSE.z), z - NOSE.z, NOSE.half[0], NOSE.half[1], NOSE.half[2]);
  return roundMin(roundMin(out, ear, 3), nose, 7) * k;
}

function ellipsoid(x: number, y: number, z: number, a: number, b: number, c: number): number {
  const g = sqrt((x * x) / (a * a) + (y * y) / (b * b) + (z * z) / (c * c));
  const slope = sqrt((x * x) / (a * a * a * a) + (y * y) / (b * b * b * b) + (z * z) / (c * c * c * c));
  return g < 1e-6 ? -c : (g * (g - 1)) / slope;
}

/** The smaller of two, rounded where they are alike. */
function roundMin(a: number, b: number, over: number): number {
  const h = max(0, over - abs(a - b)) / over;
  return min(a, b) - (h * h * over) / 4;
}

const roundMax = (a: number, b: number, over: number) => -roundMin(-a, -b, over);
