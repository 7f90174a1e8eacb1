/** Catmull–Rom weights of four equally spaced values at a fraction f between the middle two. */
export function catmullRom(f: number): readonly [number, number, number, number] {
  const f2 = f * f;
  const f3 = f2 * f;
  return [(-f3 + 2 * f2 - f) / 2, (3 * f3 - 5 * f2 + 2) / 2, (-3 * f3 + 4 * f2 + f) / 2, (f3 - f2) / 2];
}
