import type { Shelf } from '../products';
import type { ShadePart } from '../visit';

/** Level of shades by their parts; null for clear alone or where none is in the house. */
export function levelOfShades(parts: readonly ShadePart[], shelf: Shelf): number | null {
  let sum = 0;
  let all = 0;
  for (const { shade, parts: many } of parts) {
    const shadeProduct = shelf.shade(shade);
    if (!shadeProduct || shadeProduct.tone === 'clear') continue;
    sum += shadeProduct.level * many;
    all += many;
  }
  return all === 0 ? null : sum / all;
}
