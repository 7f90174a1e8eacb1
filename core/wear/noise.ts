// Taken once: these run for every hair and every pixel.
const { abs, imul, round } = Math;

/**
 * A whole number that belongs to a place and to its mirror image alike, so that a symmetric plan looks the
 * same on both
 * sides. Places are told apart to a hundredth of a millimetre.
 */
export function seedAt(x: number, y: number, z: number): number {
  return (
    imul(round(abs(x) * 100), 0x27d4eb2d) ^
    imul(round(y * 100), 0x165667b1) ^
    imul(round(z * 100), 0x9e3779b1)
  );
}

/** An even number in [0, 1) from a seed and a salt: for one of several independent ones, another salt. */
export function noiseOf(seed: number, salt: number): number {
  let h = seed ^ imul(salt + 1, 0x85ebca6b);
  h = imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4294967296;
}
