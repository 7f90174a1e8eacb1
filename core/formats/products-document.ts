import { z } from 'zod';
import { DEPOSITS, type DepositTone } from '../lift';
import { PRODUCT_KINDS, rangeProblems, USUAL_RANGE, type Product } from '../products';
import { between, levelField, whole } from './fields';
import { parseWith, type Parsed } from './problem';

export const TONES = [...Object.keys(DEPOSITS), 'clear'] as (DepositTone | 'clear')[];
const MOST_PRODUCTS = 600;

const id = z
  .string({ error: 'must be a short name of letters, figures and hyphens' })
  .regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'must be a short name of small letters, figures and hyphens, at most 40')
  .describe('Short name that never changes');

const stocked = {
  id,
  name: z.string({ error: 'must be a name' }).trim().min(1, 'must be a name').max(80, 'must be at most 80 characters').describe('Name as the house says it'),
  pack: between(1, 20_000, 'g', 'What a pack holds, g (foils: sheets)'),
  packMinor: whole(0, 10_000_000, 'What a pack costs, minor units of the currency'),
  stock: between(0, 1_000_000, 'g', 'What the house has, g (foils: sheets)'),
  note: z.string({ error: 'must be text' }).max(400, 'must be at most 400 characters').default('').describe('What the maker or the house says of it'),
};

const parts = (description: string) => between(0.5, 5, '', description);
const ratio = z.strictObject({ least: parts('Least'), usual: parts('Usual'), most: parts('Most') }).describe('Grams of developer for one gram of the product');
const orNoDeveloper = (description: string) => z.union([z.literal(0), parts(description)], { error: 'must be 0 (no developer), or a number from 0.5 to 5' });
const lineRatio = z
  .strictObject({ least: orNoDeveloper('Least'), usual: orNoDeveloper('Usual'), most: orNoDeveloper('Most') })
  .describe('Grams of developer for one gram of colour; 0 for a direct line that needs none');
const strength = (description: string) => between(1, 40, 'vol', description);
const volumes = z.strictObject({ least: strength('Weakest'), most: strength('Strongest') }).describe('Strengths of developer that the maker allows, volumes');
const limit = (description: string) => whole(1, 120, description).nullable();

const lightener = {
  ...stocked,
  ratio,
  volumes,
  minutes: z
    .strictObject({ foil: limit('In foil'), openAir: limit('In the open air'), scalp: limit('On the scalp') })
    .describe('Longest that the maker allows by use, minutes; null where it is not made for that'),
  leastMinutes: whole(0, 120, 'Shortest that the maker wants it on, minutes: it is not ready before; left out where the level alone decides').optional(),
  speed: between(0.3, 1.5, '', 'Lift against usual powder, 1 as quick'),
  levels: between(1, 9, '', 'Levels that it lifts at most'),
  top: levelField('Level that it lifts to at most'),
};

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
      minutes: z.strictObject({ least: whole(1, 60, 'Shortest, minutes'), most: whole(1, 60, 'Longest, minutes') }).describe('Time that it is left on'),
      root: z
        .strictObject({ natural: between(0, 10, '', 'Parts of natural'), ash: between(0, 10, '', 'Parts of ash'), levels: between(-3, 3, '', 'Levels from the natural one, − darker') })
        .refine(({ natural, ash }) => natural + ash > 0, 'needs parts of natural or of ash')
        .describe('How this house mixes a root of it'),
      lifts: z
        .strictObject({ levels: between(1, 6, '', 'Levels that it lifts at most'), speed: between(0.3, 1.5, '', 'Lift against usual powder, 1 as quick') })
        .nullable()
        .default(null)
        .describe('Permanent colour: what it lifts; null where it only deposits'),
    }),
    z.strictObject({ kind: z.literal('shade'), ...stocked, line: id, level: levelField('Level of the shade'), tone: z.enum(TONES, { error: `must be one of ${TONES.join(', ')}` }) }),
    z.strictObject({
      kind: z.literal('additive'), ...stocked, perGram: between(0, 10, 'g', 'Grams for one gram of lightener'), weakens: z.boolean({ error: 'must be true or false' }).describe('Thins the developer out'),
    }),
    z.strictObject({ kind: z.literal('treatment'), ...stocked, perUse: between(0, 500, 'g', 'Grams for one head') }),
    z.strictObject({ kind: z.literal('foil'), ...stocked, widthMm: between(30, 300, 'mm', 'Width, mm'), lengthMm: between(50, 1000, 'mm', 'Length, mm') }),
  ],
  { error: `must be one of ${PRODUCT_KINDS.join(', ')}` },
);

/** One product by itself. */
export const productSchema = product as z.ZodType<Product>;

/** The range of a house. */
export const productsSchema = z.strictObject({
  version: z.literal(1),
  products: z
    .array(productSchema)
    .max(MOST_PRODUCTS, `must be at most ${MOST_PRODUCTS} products`)
    .superRefine((range, context) => {
      for (const { at, field, problem } of rangeProblems(range)) context.addIssue({ code: 'custom', path: [at, field], message: problem });
    })
    .describe('Products of the house'),
});

export type Products = z.infer<typeof productsSchema>;

export const USUAL_PRODUCTS: Products = productsSchema.parse({ version: 1, products: USUAL_RANGE });

export function parseProducts(value: unknown): Parsed<Products> {
  return parseWith(productsSchema, value);
}
