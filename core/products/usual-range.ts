import type { DepositTone } from '../lift';
import type {
  Additive,
  DepositLine,
  Developer,
  FoilProduct,
  HouseRecipe,
  Lightener,
  Product,
  ShadeProduct,
  TreatmentProduct,
} from './product';

/*
 * An invented range that a house begins with. Times, ratios and strengths are those usual in the trade;
 * speeds of open-air
 * clay and slow cream are the model’s working assumptions. A house writes what its own leaflets say.
 */

const note = '';

const LIGHTENERS: readonly Lightener[] = [
  {
    kind: 'lightener',
    id: 'moth-powder',
    name: 'Moth blue powder',
    ratio: { least: 1, usual: 2, most: 3 },
    volumes: { least: 5, most: 40 },
    minutes: { foil: 45, openAir: 50, scalp: null },
    speed: 1,
    levels: 7,
    top: 10,
    pack: 500,
    packMinor: 2600,
    stock: 820,
    note: 'The strongest of the range. For foils and painting, not on the scalp.',
  },
  {
    kind: 'lightener',
    id: 'moth-cream',
    name: 'Moth slow cream',
    ratio: { least: 1, usual: 1.5, most: 2 },
    volumes: { least: 5, most: 30 },
    minutes: { foil: 50, openAir: 50, scalp: 45 },
    speed: 0.8,
    levels: 6,
    top: 9.5,
    pack: 500,
    packMinor: 2950,
    stock: 400,
    note: 'Thick, swells little; blends.',
  },
  {
    kind: 'lightener',
    id: 'moth-clay',
    name: 'Moth open-air clay',
    ratio: { least: 1, usual: 1.5, most: 2 },
    volumes: { least: 10, most: 40 },
    minutes: { foil: null, openAir: 50, scalp: null },
    speed: 1,
    levels: 7,
    top: 9.5,
    pack: 450,
    packMinor: 3100,
    stock: 300,
    note: 'Sits on the surface and crusts over; made for painting, not for foils.',
  },
  {
    kind: 'high-lift',
    id: 'moth-high',
    name: 'Moth high-lift ash',
    ratio: { least: 1.5, usual: 2, most: 2 },
    volumes: { least: 20, most: 40 },
    minutes: { foil: 45, openAir: 45, scalp: 45 },
    leastMinutes: 45,
    usualMinutes: 45,
    warmestCelsius: 0,
    speed: 0.7,
    levels: 4,
    top: 9,
    pack: 100,
    packMinor: 890,
    stock: 200,
    note: 'Soft contrast on fine hair; no heat.',
  },
];

const DEVELOPERS: readonly Developer[] = (
  [
    [5, 900],
    [10, 2400],
    [20, 3800],
    [30, 1600],
    [40, 700],
  ] as const
).map(([volumes, stock]) => ({
  kind: 'developer',
  id: `moth-dev-${volumes}`,
  name: `Moth developer ${volumes} vol`,
  volumes,
  pack: 1000,
  packMinor: 790,
  stock,
  note,
}));

const LINES: readonly DepositLine[] = [
  {
    kind: 'line',
    id: 'sedge',
    name: 'Sedge demi',
    ratio: { least: 1, usual: 2, most: 2 },
    volumes: { least: 5, most: 10 },
    minutes: { least: 5, usual: 15, most: 20 },
    root: { natural: 3, ash: 1, levels: 0 },
    lifts: null,
    pack: 60,
    packMinor: 760,
    stock: 0,
    note: 'Natural shades of this line pull a little red: ash goes into every root.',
  },
  {
    kind: 'line',
    id: 'rill',
    name: 'Rill acid gloss',
    ratio: { least: 1, usual: 1, most: 1 },
    volumes: { least: 5, most: 6 },
    minutes: { least: 5, usual: 15, most: 20 },
    root: { natural: 2, ash: 2, levels: 0 },
    lifts: null,
    pack: 60,
    packMinor: 820,
    stock: 0,
    note: 'Sheer: one level darker than it is meant to look.',
  },
  {
    kind: 'line',
    id: 'fallow',
    name: 'Fallow permanent',
    ratio: { least: 1, usual: 1, most: 2 },
    volumes: { least: 10, most: 40 },
    minutes: { least: 30, usual: 35, most: 45 },
    root: { natural: 3, ash: 1, levels: 0 },
    lifts: { levels: 4, speed: 0.95 },
    pack: 60,
    packMinor: 690,
    stock: 0,
    note: 'Lifts natural hair while it deposits; not over colour.',
  },
  {
    kind: 'line',
    id: 'heath',
    name: 'Heath direct',
    ratio: { least: 0, usual: 0, most: 0 },
    volumes: { least: 1, most: 1 },
    minutes: { least: 10, usual: 20, most: 30 },
    root: { natural: 1, ash: 0, levels: 0 },
    lifts: null,
    pack: 150,
    packMinor: 980,
    stock: 0,
    note: 'As it comes, without developer.',
  },
];

const shade = ({
  line,
  name,
  level,
  tone,
  stock,
}: {
  readonly line: string;
  readonly name: string;
  readonly level: number;
  readonly tone: DepositTone | 'clear';
  readonly stock: number;
}): ShadeProduct => ({
  kind: 'shade',
  id: `${line}-${tone === 'clear' ? 'clear' : `${level}-${tone}`}`,
  name: `${name} ${tone === 'clear' ? 'clear' : `${level} ${tone}`}`,
  line,
  level,
  tone,
  pack: 60,
  packMinor: 760,
  stock,
  note,
});

const TONES: readonly DepositTone[] = ['natural', 'ash', 'blue', 'violet', 'pearl', 'gold'];
const SHADES: readonly ShadeProduct[] = [
  ...[5, 6, 7].flatMap((level) =>
    (['natural', 'ash', 'blue'] as const).map((tone) =>
      shade({ line: 'sedge', name: 'Sedge', level, tone, stock: 120 }),
    ),
  ),
  ...[8, 9, 10].flatMap((level) =>
    TONES.map((tone) =>
      shade({ line: 'sedge', name: 'Sedge', level, tone, stock: tone === 'gold' ? 60 : 120 }),
    ),
  ),
  shade({ line: 'sedge', name: 'Sedge', level: 7, tone: 'copper', stock: 60 }),
  ...[6, 8].map((level) => shade({ line: 'sedge', name: 'Sedge', level, tone: 'red', stock: 60 })),
  shade({ line: 'sedge', name: 'Sedge', level: 9, tone: 'rose', stock: 60 }),
  shade({ line: 'sedge', name: 'Sedge', level: 10, tone: 'clear', stock: 240 }),
  ...[7, 8, 9, 10].flatMap((level) =>
    (['natural', 'ash', 'violet', 'pearl'] as const).map((tone) =>
      shade({ line: 'rill', name: 'Rill', level, tone, stock: 60 }),
    ),
  ),
  shade({ line: 'rill', name: 'Rill', level: 10, tone: 'clear', stock: 120 }),
  ...[4, 5, 6, 7].flatMap((level) =>
    (['natural', 'ash'] as const).map((tone) =>
      shade({ line: 'fallow', name: 'Fallow', level, tone, stock: 60 }),
    ),
  ),
  shade({ line: 'fallow', name: 'Fallow', level: 5, tone: 'copper', stock: 60 }),
  ...[5, 6, 7, 8].map((level) => shade({ line: 'heath', name: 'Heath', level, tone: 'natural', stock: 150 })),
  ...(['red', 'copper', 'pink', 'plum', 'blue', 'turquoise', 'green', 'yellow'] as const).map((tone) =>
    shade({ line: 'heath', name: 'Heath', level: 8, tone, stock: 150 }),
  ),
  shade({ line: 'heath', name: 'Heath', level: 10, tone: 'clear', stock: 300 }),
];

const REST: readonly (Additive | TreatmentProduct | FoilProduct)[] = [
  {
    kind: 'additive',
    id: 'rootling',
    name: 'Rootling bond drops',
    perGram: 0.1,
    weakens: false,
    dropGrams: 0.05,
    pack: 250,
    packMinor: 5400,
    stock: 180,
    note: 'Into the bowl last; the leaflet asks for no stronger developer because of it.',
  },
  {
    kind: 'additive',
    id: 'water',
    name: 'Water',
    perGram: 0.1,
    weakens: true,
    pack: 1000,
    packMinor: 0,
    stock: 100_000,
    note: 'A little of it keeps lightener from swelling.',
  },
  {
    kind: 'additive',
    id: 'barrier',
    name: 'Barrier cream',
    perGram: 0.2,
    weakens: true,
    pack: 150,
    packMinor: 1200,
    stock: 150,
    note: 'Softens a mix for fragile hair.',
  },
  {
    kind: 'additive',
    id: 'wash',
    name: 'Rill plain shampoo',
    perGram: 1,
    weakens: true,
    pack: 1000,
    packMinor: 990,
    stock: 1400,
    note: 'For a bleach wash.',
  },
  {
    kind: 'treatment',
    id: 'rill-mask',
    name: 'Rill mask',
    perUse: 30,
    pack: 500,
    packMinor: 2300,
    stock: 600,
    note: '',
  },
  {
    kind: 'treatment',
    id: 'rill-violet',
    name: 'Rill violet wash',
    perUse: 15,
    pack: 500,
    packMinor: 1400,
    stock: 420,
    note: 'Takes yellow out at the basin.',
  },
  {
    kind: 'foil',
    id: 'foil-120',
    name: 'Foil 120 × 300 mm',
    widthMm: 120,
    lengthMm: 300,
    pack: 500,
    packMinor: 1900,
    stock: 760,
    note: '',
  },
];

/**
 * Recipes by parts as a house begins with them: usual parts and times of the trade; amounts are working
 * assumptions.
 */
const RECIPES: readonly HouseRecipe[] = [
  {
    kind: 'recipe',
    id: 'bleach-wash',
    name: 'Bleach wash',
    use: 'bleach-wash',
    perHairGram: 1.5,
    minutes: 15,
    priceMinor: 1800,
    note: 'For ends stuck at 9.',
    parts: [
      { product: 'moth-powder', parts: 1 },
      { volumes: 20, parts: 1 },
      { product: 'wash', parts: 1 },
      { product: 'water', parts: 1 },
    ],
  },
  {
    kind: 'recipe',
    id: 'soap-cap',
    name: 'Soap cap',
    use: 'soap-cap',
    perHairGram: 0.6,
    minutes: 10,
    priceMinor: 1500,
    note: 'Gentler than a bleach wash: half a level at most.',
    parts: [
      { product: 'moth-powder', parts: 1 },
      { volumes: 10, parts: 2 },
      { product: 'wash', parts: 2 },
    ],
  },
  {
    kind: 'recipe',
    id: 'wet-paint',
    name: 'Paint on wet hair',
    use: 'wet-paint',
    perHairGram: 1,
    minutes: 15,
    priceMinor: 2000,
    note: 'For ends that lag, on treated hair.',
    parts: [
      { product: 'moth-cream', parts: 1 },
      { volumes: 10, parts: 2 },
    ],
  },
  {
    kind: 'recipe',
    id: 'pre-tone',
    name: 'Violet wash',
    use: 'pre-tone',
    perHairGram: 0.3,
    minutes: 5,
    priceMinor: 0,
    note: '',
    parts: [
      { product: 'rill-violet', parts: 1 },
      { product: 'water', parts: 1 },
    ],
  },
  {
    kind: 'recipe',
    id: 'spot',
    name: 'Spot repair',
    use: 'spot',
    perHairGram: 1,
    minutes: 5,
    priceMinor: 1200,
    note: 'Natural of the level beside it.',
    parts: [
      { product: 'sedge', parts: 1 },
      { volumes: 10, parts: 2 },
    ],
  },
  {
    kind: 'recipe',
    id: 'deep-treatment',
    name: 'Deep treatment',
    use: 'treatment',
    perHairGram: 0.3,
    minutes: 10,
    priceMinor: 1500,
    note: '',
    parts: [{ product: 'rill-mask', parts: 1 }],
  },
  {
    kind: 'recipe',
    id: 'barrier-cream',
    name: 'Barrier cream',
    use: 'barrier',
    perHairGram: 0.6,
    minutes: 5,
    priceMinor: 0,
    note: 'Just below the teasing; keeps the foil from slipping, too.',
    parts: [{ product: 'barrier', parts: 1 }],
  },
];

/** The range that a house begins with, invented. */
export const USUAL_RANGE: readonly Product[] = [
  ...LIGHTENERS,
  ...DEVELOPERS,
  ...LINES,
  ...SHADES,
  ...REST,
  ...RECIPES,
];
