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
export function factsOf(own: Product, nameOf: (id: string) => string): string {
  switch (own.kind) {
    case 'lightener':
    case 'high-lift': {
      const times = USES.filter((use) => own.minutes[use] !== null).map(
        (use) => `${own.minutes[use]} min ${USE_WORDS[use]}`,
      );
      return `${mixed(own)}; ${times.join(', ')}${own.leastMinutes ? `, ${own.leastMinutes} min at least` : ''}${own.usualMinutes ? `, usually ${own.usualMinutes} min` : ''}${own.warmestCelsius === 0 ? ', no added heat' : own.warmestCelsius ? `, up to ${own.warmestCelsius} °C` : ''}; lifts ${own.levels} levels, to ${own.top}${own.speed === 1 ? '' : `, ${own.speed} times as fast`}`;
    }
    case 'developer':
      return `${own.volumes} vol, ${Math.round((own.volumes * 30) / 10) / 10}%`;
    case 'line':
      return `${mixed(own)}; ${range(own.minutes, ' min')}${own.minutes.usual ? `, usually ${own.minutes.usual} min` : ''}; root ${own.root.natural} natural : ${own.root.ash} ash${own.root.levels === 0 ? '' : `, ${own.root.levels > 0 ? '+' : '−'}${Math.abs(own.root.levels)}`}${own.lifts ? `; lifts ${own.lifts.levels} levels` : ''}`;
    case 'shade':
      return own.tone === 'clear'
        ? `${nameOf(own.line)}, clear`
        : `${nameOf(own.line)}, level ${own.level}, ${own.tone}`;
    case 'additive':
      return `${own.perGram} g for 1 g of lightener${own.weakens ? ', weakens the mix' : ''}${own.dropGrams ? `; a drop weighs ${own.dropGrams} g` : ''}`;
    case 'treatment':
      return `${own.perUse} g a head`;
    case 'foil':
      return `${own.widthMm} × ${own.lengthMm} mm`;
    case 'recipe':
      return `${RECIPE_WORDS[own.use]}: ${own.parts.map((part) => `${part.parts} ${'product' in part ? nameOf(part.product) : `${part.volumes} vol`}`).join(' : ')}; ${own.perHairGram} g for 1 g of hair, ${own.minutes} min`;
  }
}
