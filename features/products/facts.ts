import {
  RECIPE_WORDS,
  USE_WORDS,
  USES,
  type Product,
  type RatioRange,
  type StrengthRange,
} from '@/core/products';

const range = ({ least, most }: { least: number; most: number }, unit: string) =>
  least === most ? `${least}${unit}` : `${least}–${most}${unit}`;
const mixed = ({ ratio, volumes }: { ratio: RatioRange; volumes: StrengthRange }) =>
  ratio.most === 0
    ? 'without developer'
    : `1:${ratio.usual} (1:${ratio.least}–${ratio.most}), ${range(volumes, ' vol')}`;

/** What a product is, in a line. */
export function factsOf(product: Product, nameOf: (id: string) => string): string {
  switch (product.kind) {
    case 'lightener':
    case 'high-lift': {
      const times = USES.filter((use) => product.minutes[use] !== null).map(
        (use) => `${product.minutes[use]} min ${USE_WORDS[use]}`,
      );
      return `${mixed(product)}; ${times.join(', ')}${product.leastMinutes ? `, ${product.leastMinutes} min at least` : ''}${product.usualMinutes ? `, usually ${product.usualMinutes} min` : ''}${product.warmestCelsius === 0 ? ', no added heat' : product.warmestCelsius ? `, up to ${product.warmestCelsius} °C` : ''}; lifts ${product.levels} levels, to ${product.top}${product.speed === 1 ? '' : `, ${product.speed} times as fast`}`;
    }
    case 'developer':
      return `${product.volumes} vol, ${Math.round((product.volumes * 30) / 10) / 10}%`;
    case 'line':
      return `${mixed(product)}; ${range(product.minutes, ' min')}${product.minutes.usual ? `, usually ${product.minutes.usual} min` : ''}; root ${product.root.natural} natural : ${product.root.ash} ash${product.root.levels === 0 ? '' : `, ${product.root.levels > 0 ? '+' : '−'}${Math.abs(product.root.levels)}`}${product.lifts ? `; lifts ${product.lifts.levels} levels` : ''}`;
    case 'shade':
      return product.tone === 'clear'
        ? `${nameOf(product.line)}, clear`
        : `${nameOf(product.line)}, level ${product.level}, ${product.tone}`;
    case 'additive':
      return `${product.perGram} g for 1 g of lightener${product.weakens ? ', weakens the mix' : ''}${product.dropGrams ? `; a drop weighs ${product.dropGrams} g` : ''}`;
    case 'treatment':
      return `${product.perUse} g a head`;
    case 'foil':
      return `${product.widthMm} × ${product.lengthMm} mm`;
    case 'recipe':
      return `${RECIPE_WORDS[product.use]}: ${product.parts.map((part) => `${part.parts} ${'product' in part ? nameOf(part.product) : `${part.volumes} vol`}`).join(' : ')}; ${product.perHairGram} g for 1 g of hair, ${product.minutes} min`;
  }
}
