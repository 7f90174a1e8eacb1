import { productsOf, type Product, type ProductKind } from '@/core/products';

/** A product to begin from, with an id that the range does not have. */
export function emptyProduct(kind: ProductKind, range: readonly Product[]): Product {
  let n = 1;
  while (range.some(({ id }) => id === `${kind}-${n}`)) n += 1;
  const named = { id: `${kind}-${n}`, name: '', note: '' };
  const shared = { ...named, pack: 500, packMinor: 0, stock: 0 };
  switch (kind) {
    case 'lightener':
      return {
        ...shared,
        kind,
        ratio: { least: 1, usual: 2, most: 2 },
        volumes: { least: 5, most: 40 },
        minutes: { foil: 45, openAir: null, scalp: null },
        speed: 1,
        levels: 7,
        top: 10,
      };
    case 'high-lift':
      return {
        ...shared,
        kind,
        ratio: { least: 2, usual: 2, most: 2 },
        volumes: { least: 20, most: 40 },
        minutes: { foil: 45, openAir: 45, scalp: null },
        speed: 0.7,
        levels: 4,
        top: 9,
        pack: 60,
      };
    case 'developer':
      return { ...shared, kind, volumes: 20, pack: 1000 };
    case 'line':
      return {
        ...shared,
        kind,
        ratio: { least: 1, usual: 2, most: 2 },
        volumes: { least: 5, most: 10 },
        minutes: { least: 5, most: 20 },
        root: { natural: 3, ash: 1, levels: 0 },
        lifts: null,
        pack: 60,
      };
    case 'shade':
      return {
        ...shared,
        kind,
        line: productsOf(range, 'line')[0]?.id ?? '',
        level: 9,
        tone: 'natural',
        pack: 60,
      };
    case 'additive':
      return { ...shared, kind, perGram: 0.1, weakens: false };
    case 'treatment':
      return { ...shared, kind, perUse: 30 };
    case 'foil':
      return { ...shared, kind, widthMm: 120, lengthMm: 300 };
    case 'recipe':
      return {
        ...named,
        kind,
        use: 'treatment',
        parts: [{ product: productsOf(range, 'treatment', 'additive')[0]?.id ?? '', parts: 1 }],
        perHairGram: 0.3,
        minutes: 10,
        priceMinor: 0,
      };
  }
}
