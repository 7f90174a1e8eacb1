import { withShadow } from '../mix';
import { Shelf, type Product } from '../products';
import { shadowOf, withProducts, type VisitMix } from '../visit';
import { oldShadowMm } from './consult-document';

/** The mix of a visit with the root shadow that its consultation had in version 1, unless the mix has one. */
export function withOldShadow(mix: VisitMix, consult: unknown, range: readonly Product[]): VisitMix {
  const mm = oldShadowMm(consult);
  if (mm === null || shadowOf(mix)) return mix;
  return withProducts(withShadow(mix, mm, new Shelf(mix, range)), range);
}
