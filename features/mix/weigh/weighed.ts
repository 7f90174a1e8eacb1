import type { WorkBowl } from '@/core/work';
import type { VisitMix } from '@/core/visit';

/** What a weighing is kept under: bowl and product. */
export const itemKey = (bowl: string, product: string): string => `${bowl}/${product}`;

/** Grams weighed of each thing of a bowl, in its order; null where nothing was weighed yet. */
export function weighedGrams(
  { weighed }: Pick<VisitMix, 'weighed'>,
  { label, items }: Pick<WorkBowl, 'label' | 'items'>,
): (number | null)[] {
  return items.ok
    ? items.items.map(
        ({ product }) => weighed.find(({ item }) => item === itemKey(label, product))?.grams ?? null,
      )
    : [];
}

/** How far a bowl is weighed. */
export function weighedOf(
  mix: Pick<VisitMix, 'weighed'>,
  bowl: Pick<WorkBowl, 'label' | 'items'>,
): 'all' | 'some' | 'none' {
  const grams = weighedGrams(mix, bowl);
  if (grams.length === 0 || grams.every((gram) => gram === null)) return 'none';
  return grams.every((gram) => gram !== null) ? 'all' : 'some';
}

/** The mix with one thing of a bowl weighed, or weighed anew. */
export function withWeighed<M extends Pick<VisitMix, 'weighed'>>({
  mix,
  bowl,
  product,
  grams,
  by,
}: {
  readonly mix: M;
  readonly bowl: string;
  readonly product: string;
  readonly grams: number;
  readonly by: 'scale' | 'hand';
}): M {
  const item = itemKey(bowl, product);
  return {
    ...mix,
    weighed: [...mix.weighed.filter((weighing) => weighing.item !== item), { item, grams, by }],
  };
}
