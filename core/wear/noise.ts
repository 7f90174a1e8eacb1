/**
 * An even number in [0, 1) that belongs to a place and to its mirror image alike, so that a symmetric plan looks the same
 * on both sides. Places are told apart to a hundredth of a millimetre.
 */
export function noiseAt(x: number, y: number, z: number, salt: number): number {
  let h = Math.imul(Math.round(Math.abs(x) * 100), 0x27d4eb2d) ^ Math.imul(Math.round(y * 100), 0x165667b1) ^ Math.imul(Math.round(z * 100), 0x9e3779b1) ^ Math.imul(salt + 1, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
}
