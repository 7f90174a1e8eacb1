import { keysOf, type ValueResult } from '../units';
import { z } from 'zod';
import { DEPOSITS } from '../lift';
import {
  PRODUCT_KINDS,
  productsOf,
  rangeProblems,
  RECIPE_USES,
  USUAL_RANGE,
  type Product,
} from '../products';
import { between, levelField, whole } from './fields';
import { parseWith } from './problem';

const TONES = [...keysOf(DEPOSITS), 'clear' as const];
export const MOST_PRODUCTS = 600;

const id = z
  .string({ error: 'must be a short name of letters, figures and hyphens' })
  .regex(
    /^[a-z0-9][a-z0-9-]{0,39}$/,
    'must be a short name of small letters, figures and hyphens, at most 40',
  )
  .describe('Short name that never changes');

const named = {
  id,
  name: z
    .string({ error: 'must be a name' })
    .trim()
    .min(1, 'must be a name')
    .max(80, 'must be at most 80 characters')
    .describe('Name as the house says it'),
  note: z
    .string({ error: 'must be text' })
    .max(400, 'must be at most 400 characters')
    .default('')
    .describe('What the maker or the house says of it'),
};

const stocked = {
  ...named,
  pack: between(1, 20_000, 'g', 'What a pack holds, g (foils: sheets)'),
  packMinor: whole(0, 10_000_000, 'What a pack costs, minor units of the currency'),
  stock: between(0, 1_000_000, 'g', 'What the house has, g (foils: sheets)'),
  barcode: z
    .string({ error: 'must be text' })
    .regex(/^[0-9A-Za-z-]{4,40}$/, 'must be 4 to 40 digits, letters or hyphens')
    .describe('As it is printed on the pack')
    .optional(),
};

const parts = (description: string) => between(0.5, 5, '', description);
const ratio = z
  .strictObject({ least: parts('Least'), usual: parts('Usual'), most: parts('Most') })
  .describe('Grams of developer for one gram of the product');
const orNoDeveloper = (description: string) =>
  z.union([z.literal(0), parts(description)], {
    error: 'must be 0 (no developer), or a number from 0.5 to 5',
  });
const lineRatio = z
  .strictObject({ least: orNoDeveloper('Least'), usual: orNoDeveloper('Usual'), most: orNoDeveloper('Most') })
  .describe('Grams of developer for one gram of colour; 0 for a direct line that needs none');
const strength = (description: string) => between(1, 40, 'vol', description);
const volumes = z
  .strictObject({ least: strength('Weakest'), most: strength('Strongest') })
  .describe('Strengths of developer that the maker allows, volumes');
const limit = (description: string) => whole(1, 120, description).nullable();

const lightener = {
  ...stocked,
  ratio,
  volumes,
  minutes: z
    .strictObject({ foil: limit('In foil'), openAir: limit('In the open air'), scalp: limit('On the scalp') })
    .describe('Longest that the maker allows by use, minutes; null where it is not made for that'),
  leastMinutes: whole(
    0,
    120,
    'Shortest that the maker wants it on, minutes: it is not ready before; left out where the level alone decides',
  ).optional(),
  usualMinutes: whole(1, 120, 'Usual time as the maker gives it, minutes').optional(),
  warmestCelsius: between(
    0,
    60,
    '°C',
    'Warmest that the maker allows, °C; 0 where it allows no added heat',
  ).optional(),
  speed: between(0.3, 1.5, '', 'Lift against usual powder, 1 as quick'),
  levels: between(1, 9, '', 'Levels that it lifts at most'),
  top: levelField('Level that it lifts to at most'),
};

/** Parts of a recipe by weight. */
export const recipeParts = z
  .array(
    z.union(
      [
        z.strictObject({ product: id, parts: between(0.05, 20, '', 'Parts by weight') }),
        z.strictObject({
          volumes: between(1, 40, 'vol', 'Strength of its developer, volumes'),
          parts: between(0.05, 20, '', 'Parts by weight'),
        }),
      ],
      { error: 'must name a product or the volumes of a developer, with its parts above 0' },
    ),
  )
  .min(1, 'needs at least one part')
  .max(10, 'must be at most 10 parts')
  .describe('What it is mixed of: products, or developer of a strength; by weight');

const product = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('lightener'), ...lightener }),
    z.strictObject({ kind: z.literal('high-lift'), ...lightener }),
    z.strictObject({ kind: z.literal('developer'), ...stocked, volumes: strength('Strength, volumes') }),
    z.strictObject({
      kind: z.literal('line'),
      ...stocked,
      ratio: lineRatio,
      volumes,
      minutes: z
        .strictObject({
          least: whole(1, 60, 'Shortest, minutes'),
          usual: whole(1, 60, 'Usual, minutes').optional(),
          most: whole(1, 60, 'Longest, minutes'),
        })
        .describe('Time that it is left on'),
      root: z
        .strictObject({
          natural: between(0, 10, '', 'Parts of natural'),
          ash: between(0, 10, '', 'Parts of ash'),
          levels: between(-3, 3, '', 'Levels from the natural one, − darker'),
        })
        .refine(({ natural, ash }) => natural + ash > 0, 'needs parts of natural or of ash')
        .describe('How this house mixes a root of it'),
      lifts: z
        .strictObject({
          levels: between(1, 6, '', 'Levels that it lifts at most'),
          speed: between(0.3, 1.5, '', 'Lift against usual powder, 1 as quick'),
        })
        .nullable()
        .default(null)
        .describe('Permanent colour: what it lifts; null where it only deposits'),
    }),
    z.strictObject({
      kind: z.literal('shade'),
      ...stocked,
      line: id,
      level: levelField('Level of the shade'),
      tone: z.enum(TONES, { error: `must be one of ${TONES.join(', ')}` }),
    }),
    z.strictObject({
      kind: z.literal('additive'),
      ...stocked,
      perGram: between(0, 10, 'g', 'Grams for one gram of lightener'),
      weakens: z.boolean({ error: 'must be true or false' }).describe('Thins the developer out'),
      dropGrams: between(
        0.005,
        1,
        'g',
        'Weight of a drop from its bottle, g; left out where it has no dropper',
      ).optional(),
    }),
    z.strictObject({
      kind: z.literal('treatment'),
      ...stocked,
      perUse: between(0, 500, 'g', 'Grams for one head'),
    }),
    z.strictObject({
      kind: z.literal('foil'),
      ...stocked,
      widthMm: between(30, 300, 'mm', 'Width, mm'),
      lengthMm: between(50, 1000, 'mm', 'Length, mm'),
    }),
    z.strictObject({
      kind: z.literal('recipe'),
      ...named,
      use: z
        .enum(RECIPE_USES, { error: `must be one of ${RECIPE_USES.join(', ')}` })
        .describe('What it is for'),
      parts: recipeParts,
      perHairGram: between(0, 10, 'g', 'Grams for one gram of the hair that it touches'),
      minutes: between(1, 60, 'min', 'Time, watched'),
      priceMinor: whole(0, 10_000_000, 'What it costs the client, minor units of the currency'),
    }),
  ],
  { error: `must be one of ${PRODUCT_KINDS.join(', ')}` },
);

/** One product by itself. */
export const productSchema = product as z.ZodType<Product>;

const PRODUCTS_VERSION = 2;

/** The range of a house. */
export const productsSchema = z.strictObject({
  version: z.literal(PRODUCTS_VERSION),
  products: z
    .array(productSchema)
    .max(MOST_PRODUCTS, `must be at most ${MOST_PRODUCTS} products`)
    .superRefine((range, context) => {
      for (const { at, field, problem } of rangeProblems(range))
        context.addIssue({ code: 'custom', path: [at, field], message: problem });
    })
    .describe('Products and recipes of the house'),
});

export type Products = z.infer<typeof productsSchema>;

export const USUAL_PRODUCTS: Products = productsSchema.parse({
  version: PRODUCTS_VERSION,
  products: USUAL_RANGE,
});

/** Reads the range of a house of any age. */
export function parseProducts(value: unknown): ValueResult<Products> {
  const { version } = (value ?? {}) as { version?: unknown };
  if (typeof version === 'number' && ![1, PRODUCTS_VERSION].includes(version)) {
    return {
      ok: false,
      problem: `version: this program reads versions 1 to ${PRODUCTS_VERSION}, not ${version}.`,
    };
  }
  return parseWith(productsSchema, fromVersion1(value));
}

/** Amounts of what was counted, by product: grams, sheets of foil. */
export function parseCounts(value: unknown): ValueResult<Readonly<Record<string, number>>> {
  return parseWith(
    z.record(id, between(0, 1_000_000, 'g', 'Counted'), { error: 'must be amounts by product' }),
    value,
  );
}

/** Version 1 had no recipes: a house begins with the usual ones whose products it has. */
function fromVersion1(value: unknown): unknown {
  const first = value as { version?: unknown; products?: unknown } | null;
  if (typeof first !== 'object' || first?.version !== 1 || !Array.isArray(first.products)) return value;
  const ids = new Set((first.products as { id?: unknown }[]).map((own) => own?.id));
  const recipes = productsOf(USUAL_RANGE, 'recipe').filter(
    ({ id: own, parts: of }) =>
      !ids.has(own) && of.every((part) => !('product' in part) || ids.has(part.product)),
  );
  return { ...first, version: PRODUCTS_VERSION, products: [...(first.products as unknown[]), ...recipes] };
}
