import { packedAt, seenAt, type Light, type Packed } from './light';
import type { Surface } from './surface';

/**
 * How light every pixel of a view is, 0–1; 0 where no hair is seen. Brightness, stripes and pictures come
 * from it.
 */
export function litOf(surface: Surface, light: Light): Float32Array {
  if (light.packed !== null) return litOfPacked(surface, light.packed, light.base);
  const { start, strand, along, weight, depth } = surface;
  const lit = new Float32Array(depth.length);
  const at = seenAt;
  for (let p = 0; p < lit.length; p += 1) {
    let sum = 0;
    for (let i = start[p]; i < start[p + 1]; i += 1) sum += weight[i] * at(light, strand[i], along[i]);
    lit[p] = sum;
  }
  return lit;
}

/**
 * The same for hair that was one colour along all of its length: the usual case, and this the hottest loop of
 * all.
 */
function litOfPacked(
  { start, strand, along, weight, depth }: Surface,
  packed: Packed,
  { span }: Light['base'],
): Float32Array {
  const lit = new Float32Array(depth.length);
  const per = 1 / span;
  const at = packedAt;
  for (let p = 0, i = start[0]; p < lit.length; p += 1) {
    let sum = 0;
    for (const end = start[p + 1]; i < end; i += 1) {
      const seen = at(packed, strand[i], along[i]);
      if (seen > 0) sum += weight[i] * (seen < span ? seen * per : 1);
    }
    lit[p] = sum;
  }
  return lit;
}

/**
 * Mean light of the pixels that show hair, 0–1; 0 where none does.
 * @param within which of them count; all where none is given
 */
export function brightnessOf(
  { start }: Pick<Surface, 'start'>,
  lit: Float32Array,
  within?: (pixel: number) => boolean,
): number {
  let pixels = 0;
  let sum = 0;
  for (let p = 0; p < lit.length; p += 1) {
    if (start[p] === start[p + 1] || (within && !within(p))) continue;
    pixels += 1;
    sum += lit[p];
  }
  return pixels > 0 ? sum / pixels : 0;
}
