import { seenAt, type Light } from './light';
import type { Surface } from './surface';

/** How light every pixel of a view is, 0–1; 0 where no hair is seen. Brightness, stripes and pictures come from it. */
export function litOf({ start, strand, along, weight, depth }: Surface, light: Light): Float32Array {
  const lit = new Float32Array(depth.length);
  const at = seenAt;
  for (let p = 0; p < lit.length; p += 1) {
    let sum = 0;
    for (let i = start[p]; i < start[p + 1]; i += 1) sum += weight[i] * at(light, strand[i], along[i]);
    lit[p] = sum;
  }
  return lit;
}

/** Mean light of the pixels that show hair, 0–1; 0 where none does. @param within which of them count; all where none is given */
export function brightnessOf({ start }: Pick<Surface, 'start'>, lit: Float32Array, within?: (pixel: number) => boolean): number {
  let pixels = 0;
  let sum = 0;
  for (let p = 0; p < lit.length; p += 1) {
    if (start[p] === start[p + 1] || (within && !within(p))) continue;
    pixels += 1;
    sum += lit[p];
  }
  return pixels > 0 ? sum / pixels : 0;
}
