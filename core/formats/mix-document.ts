import { z } from 'zod';
import { SECOND_PERSON } from '../clock';
import { ZONE_FAMILIES } from '../head';
import { RECIPE_USES, RECIPE_WORDS } from '../products';
import { AMOUNT_UNITS, type ValueResult } from '../units';
import {
  ADDED_UNITS,
  EVERYWHERE,
  FACE_FAMILIES,
  HAIR_STATES,
  PLACE_LENGTHS,
  PLACE_SIDES,
  type ColourPlace,
  type VisitMix,
} from '../visit';
import { between, levelField, whole } from './fields';
import { parseWith } from './problem';
import { productSchema, recipeParts } from './products-document';
import { without } from './without';
import { sameShape } from './same-shape';

const MIX_VERSION = 4;

const productId = z
  .string({ error: 'must name a product' })
  .min(1, 'must name a product')
  .max(40, 'must name a product');
const volumes = (description: string) => between(1, 40, 'vol', description);
const ratio = between(0.5, 5, '', 'Grams of developer for one of product');
const grams = (description: string, most = 5000) => between(0, most, 'g', description);
const minutes = (description: string) => between(1, 240, 'min', description);
const ownId = z
  .string({ error: 'must be a short name' })
  .min(1, 'must be a short name')
  .max(40, 'must be at most 40 characters');
const words = z.string({ error: 'must be text' }).max(200, 'must be at most 200 characters');
const parts = z
  .array(z.strictObject({ shade: productId, parts: between(0.05, 20, '', 'Parts by weight') }))
  .min(1, 'needs parts of at least one shade')
  .max(8, 'must be at most 8 shades')
  .refine((own) => new Set(own.map(({ shade }) => shade)).size === own.length, 'names a shade twice')
  .describe('Shades and their parts by weight');
const minor = (description: string) => whole(0, 100_000_000, `${description}, minor units of the currency`);
const day = z.iso.date('must be a day such as 2027-01-31');

const placeShape = z.strictObject({
  zones: z
    .array(z.enum(ZONE_FAMILIES, { error: `must be of ${ZONE_FAMILIES.join(', ')}` }))
    .max(ZONE_FAMILIES.length)
    .default([])
    .describe('Zones; none for everywhere'),
  side: z
    .enum(PLACE_SIDES, { error: 'must be both, left or right' })
    .default('both')
    .describe('The client’s side'),
  lengths: z
    .array(z.enum(PLACE_LENGTHS, { error: `must be of ${PLACE_LENGTHS.join(', ')}` }))
    .max(PLACE_LENGTHS.length)
    .default([])
    .describe('Stretches of the hair; none for its whole length'),
  frontMm: between(5, 200, 'mm', 'Only so far behind the front hairline, mm').nullable().default(null),
  words: words.default('').describe('What else there is to say of it'),
});
sameShape<z.infer<typeof placeShape>, ColourPlace>(true);

/** Where a colour goes. */
export const placeSchema: z.ZodType<ColourPlace> = placeShape;
const state = z
  .enum(HAIR_STATES, { error: `must be one of ${HAIR_STATES.join(', ')}` })
  .describe('State of the hair');

const colourRatio = z
  .union([z.literal(0), ratio], { error: 'must be 0 (no developer), or a number from 0.5 to 5' })
  .describe('Grams of developer for one of colour; 0 for a direct line that needs none');

const reach = z
  .union(
    [
      z.enum(['ends', 'regrowth']),
      z
        .strictObject({
          fromMm: between(0, 1200, 'mm', 'Begins so far from the scalp, mm'),
          toMm: between(1, 1200, 'mm', 'Ends so far from the scalp, mm'),
        })
        .refine(({ fromMm, toMm }) => toMm > fromMm, {
          message: 'must end further from the scalp than it begins',
          path: ['toMm'],
        }),
    ],
    { error: 'must be ends, regrowth, or a stretch with fromMm and toMm' },
  )
  .default('ends')
  .describe('How far along the hair it is painted: to the ends, only the regrowth, or a stretch');

const additives = z
  .array(
    z.strictObject({
      product: productId,
      amount: between(0.01, 100, '', 'How much'),
      unit: z
        .enum(ADDED_UNITS, { error: `must be one of ${ADDED_UNITS.join(', ')}` })
        .default('g')
        .describe(
          'g: grams for one of lightener or colour; drops: for ten grams of it; %: of it and its developer together',
        ),
    }),
  )
  .max(6, 'must be at most 6 additives')
  .refine((own) => new Set(own.map(({ product }) => product)).size === own.length, 'names an additive twice')
  .default([])
  .describe('What stands beside it in the bowl');

const hairColour = z
  .strictObject({
    lightness: between(0, 1, '', 'Lightness in OKLCh'),
    chroma: between(0, 0.4, '', 'Chroma in OKLCh'),
    hueDeg: between(-360, 360, 'degrees', 'Hue in OKLCh, degrees'),
  })
  .nullable()
  .optional()
  .describe('Colour that it is to come to; null goes by the tone that is wished for');

const colour = {
  additives,
  line: productId,
  parts,
  volumes: volumes('Strength of its developer, volumes'),
  ratio: colourRatio,
  minutes: minutes('Time that it is left on'),
  reach,
  ends: z
    .strictObject({
      parts,
      volumes: volumes('Strength on the ends, volumes'),
      ratio: colourRatio,
      lastMm: between(10, 1000, 'mm', 'Length of them, mm from the tips'),
      minutes: minutes('Time on the ends'),
    })
    .nullable()
    .default(null)
    .describe('Another colour of the line on the ends of the same strands'),
};

const formula = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('lift'),
      lighteners: z
        .array(z.strictObject({ product: productId, parts: between(0.05, 20, '', 'Parts by weight') }))
        .min(1, 'needs parts of at least one lightener')
        .max(4, 'must be at most 4 lighteners')
        .refine(
          (own) => new Set(own.map(({ product }) => product)).size === own.length,
          'names a lightener twice',
        )
        .describe('Lighteners and their parts by weight'),
      volumes: volumes('Strength of the developer before anything weakens it, volumes'),
      bottles: z
        .array(productId)
        .min(1)
        .max(2)
        .nullable()
        .default(null)
        .describe('Developers that it is blended from; null takes the nearest of the house'),
      ratio,
      additives,
      ends: z
        .strictObject({
          volumes: volumes('Strength on the ends, volumes'),
          ratio,
          lastMm: between(10, 1000, 'mm', 'Length of them, mm from the tips'),
        })
        .nullable()
        .default(null)
        .describe('Another mix on the ends of the same strands'),
      second: z
        .strictObject({
          volumes: volumes('Strength of the second application, volumes'),
          ratio,
          afterMinutes: between(5, 120, 'min', 'Minutes after the foil was closed'),
        })
        .nullable()
        .default(null)
        .describe('The same foils are opened, wiped and painted again with a fresh mix'),
      target: levelField('Level that it is to reach').nullable().default(null),
      warmth: z
        .strictObject({
          celsius: between(25, 60, '°C', 'Temperature, °C'),
          lastMinutes: between(1, 60, 'min', 'For the last minutes; null for all the time')
            .nullable()
            .default(15),
        })
        .nullable()
        .default(null)
        .describe('Warmth is added'),
      reach,
    }),
    z.strictObject({ kind: z.literal('deposit'), ...colour }).describe('Deposits and lifts nothing'),
    z
      .strictObject({ kind: z.literal('permanent'), ...colour })
      .describe('Permanent colour: lifts to the level of its shades, and deposits'),
  ],
  { error: 'kind must be lift, deposit or permanent' },
);

const correction = z.strictObject({
  id: ownId,
  use: z.enum(RECIPE_USES, { error: `must be one of ${RECIPE_USES.join(', ')}` }).describe('What it is for'),
  recipe: productId
    .nullable()
    .default(null)
    .describe('Recipe of the house that it was taken from; null for one without'),
  name: z
    .string({ error: 'must be a name' })
    .trim()
    .min(1, 'must be a name')
    .max(80, 'must be at most 80 characters'),
  parts: recipeParts,
  grams: between(1, 500, 'g', 'Mixed in all, g; null goes by the hair that it touches')
    .nullable()
    .default(null),
  minutes: between(1, 60, 'min', 'Time, watched'),
  level: levelField('Level of the hair that it goes on; for a spot the one to match'),
  place: placeSchema,
});

const letter = z.string().regex(/^[A-Z]$/, 'must be a letter from A to Z');

const blockId = z.string().min(1).max(120);

const mixShape = z.strictObject({
  version: z.literal(MIX_VERSION),
  products: z
    .array(productSchema)
    .max(200)
    .default([])
    .describe('Products as they were when this visit used them'),
  formulas: z
    .record(letter, formula, { error: 'must be formulas by letter' })
    .default({})
    .describe('Formulas by letter'),
  bowl: z
    .strictObject({
      mostGrams: between(20, 500, 'g', 'Grams that are mixed in one bowl at most'),
      usefulMinutes: between(10, 90, 'min', 'How long a bowl is used, minutes'),
    })
    .default({ mostGrams: 90, usefulMinutes: 35 }),
  tests: z
    .array(
      z
        .strictObject({
          formula: letter,
          minutes: between(1, 120, 'min', 'Minutes until it was read'),
          level: levelField('Level read'),
          from: levelField('Level of the strand before'),
        })
        .refine(({ level, from }) => level > from, {
          message: 'no lift was read: the level is not above the one before',
          path: ['level'],
        }),
    )
    .max(40)
    .default([])
    .describe('Strand tests and checks'),
  toners: z
    .array(
      z.strictObject({
        id: ownId,
        place: placeSchema,
        line: productId,
        parts,
        grams: grams('Mixed in all, g', 500),
        ratio: colourRatio,
        volumes: volumes('Strength of its developer, volumes'),
        minutes: between(1, 60, 'min', 'Time, watched'),
        state,
        target: hairColour,
      }),
    )
    .max(12)
    .default([])
    .describe('Toners in the order that they are put on'),
  roots: z
    .array(
      z.strictObject({
        id: ownId,
        place: placeSchema,
        mm: between(2, 200, 'mm', 'How far it is drawn down, mm from the scalp'),
        line: productId,
        rule: z
          .strictObject({
            natural: between(0, 10, '', 'Parts of natural'),
            ash: between(0, 10, '', 'Parts of ash'),
            levels: between(-3, 3, '', 'Levels from the natural one, − darker'),
          })
          .refine(({ natural, ash }) => natural + ash > 0, 'needs parts of natural or of ash')
          .nullable()
          .default(null),
        grams: grams('Mixed in all, g', 500),
        ratio,
        volumes: volumes('Strength of its developer, volumes'),
        minutes: between(1, 60, 'min', 'Time, watched'),
        state,
      }),
    )
    .max(6)
    .default([])
    .describe('Root colour: a shadow, or taps on some of the roots'),
  corrections: z
    .array(correction)
    .max(12)
    .default([])
    .describe('Recipes of the house: washes, paint on wet hair, spots, treatments, barrier cream'),
  weighed: z
    .array(
      z.strictObject({
        item: z.string().min(1).max(80).describe('Bowl and part'),
        grams: grams('What was weighed, g'),
        by: z.enum(['scale', 'hand']),
      }),
    )
    .max(400)
    .default([]),
  used: z
    .record(
      letter,
      z.strictObject({
        grams: grams('Grams that the formula took in all'),
        predicted: grams('Plain estimate, g'),
      }),
    )
    .default({})
    .describe('What the formulas took, read when they were done'),
  unit: z
    .enum(AMOUNT_UNITS, { error: `must be one of ${AMOUNT_UNITS.join(', ')}` })
    .nullable()
    .default(null)
    .describe('In what amounts are said; null as the house has it'),
  scoopGrams: between(2, 60, 'g', 'What a scoop of powder holds, g').default(15),
  money: z
    .strictObject({
      addOns: z.array(ownId).max(40).default([]).describe('Add-ons of the house that are taken'),
      agreed: z
        .strictObject({ minor: minor('What was agreed'), on: day.describe('Day that it was agreed on') })
        .nullable()
        .default(null),
      payments: z
        .array(
          z.strictObject({
            what: z.enum(['deposit', 'payment', 'tip'], { error: 'must be deposit, payment or tip' }),
            minor: minor('Amount'),
            on: day,
            how: words.describe('How it was paid'),
          }),
        )
        .max(40)
        .default([]),
    })
    .prefault({}),
  clock: z
    .strictObject({
      visits: z
        .union([z.literal('house'), z.literal(1), z.literal(2), z.literal(3), z.literal('free')], {
          error: 'must be house, 1, 2, 3 or free',
        })
        .default('house')
        .describe('Visits to the basin at most; house: as the house has it'),
      backFirst: z.boolean().default(false).describe('The back is rinsed once, then the rest'),
      chosen: z
        .string()
        .max(40, 'must be at most 40 characters')
        .nullable()
        .default(null)
        .describe('Key of the plan that was chosen; null for the one that is proposed'),
      strengths: z.boolean().default(false).describe('Whether plans may take other strengths'),
      second: z
        .enum(SECOND_PERSON, { error: 'must be none, pulls or foils' })
        .default('none')
        .describe('A second person: none, mixes and pulls, or foils another side'),
      painting: z
        .enum(['as-you-foil', 'after'], { error: 'must be as-you-foil or after' })
        .default('as-you-foil')
        .describe('When the hair between foils is painted'),
      heat: z.boolean().default(false).describe('Warmth on everything'),
      pace: between(50, 250, '%', 'Hundredths of the usual time for a foil').default(100),
      lateMinutes: between(0, 240, 'min', 'Minutes that one starts late').default(0),
      away: z
        .strictObject({
          from: between(0, 600, 'min', 'Minutes from the first foil on'),
          minutes: between(1, 240, 'min', 'Minutes away'),
        })
        .nullable()
        .default(null)
        .describe('Another client, or a break'),
      pulled: z
        .strictObject({
          block: blockId,
          index: z.int('must be a whole number').min(0).max(500),
          minutes: between(1, 120, 'min', 'Minutes after it was closed'),
        })
        .nullable()
        .default(null)
        .describe('A foil that is pulled alone'),
      pinned: z
        .record(blockId, z.int('must be a whole number').min(0).max(60))
        .default({})
        .describe('Place in the order of work, by part'),
      kept: z.record(blockId, z.string().max(40)).default({}).describe('Mix that a part keeps'),
      together: z
        .record(blockId, z.string().max(120))
        .default({})
        .describe('Panels that are rinsed in one visit share a word'),
      apart: z
        .record(blockId, z.string().max(120))
        .default({})
        .describe('Panels that are never rinsed in one visit share a word'),
    })
    .prefault({}),
});
sameShape<z.infer<typeof mixShape>, VisitMix>(true);

/** What is mixed at a visit and what it comes to. */
export const mixSchema: z.ZodType<VisitMix> = mixShape;

export const EMPTY_MIX: VisitMix = mixSchema.parse({ version: MIX_VERSION });

/** Reads a mix document of any age. */
export function parseMix(value: unknown): ValueResult<VisitMix> {
  const { version } = (value ?? {}) as { version?: unknown };
  if (typeof version === 'number' && ![1, 2, 3, MIX_VERSION].includes(version)) {
    return {
      ok: false,
      problem: `version: this program reads versions 1 to ${MIX_VERSION}, not ${version}.`,
    };
  }
  return parseWith(mixSchema, fromVersion3(fromVersion2(fromVersion1(value))));
}

interface OldMix {
  readonly version?: unknown;
  readonly clock?: unknown;
  readonly toners?: unknown;
  readonly root?: unknown;
  readonly corrections?: unknown;
}

/**
 * Version 1 knew no reach and no ends of colours, and no permanent colour: all of that has a default. Its
 * clock had one’s own
 * order and the best one; both are plans now, and the one that is proposed takes their place.
 */
function fromVersion1(value: unknown): unknown {
  const first = value as OldMix | null;
  if (typeof first !== 'object' || first?.version !== 1) return value;
  const { clock } = first;
  if (typeof clock !== 'object' || clock === null) return { ...first, version: 2 };
  const rest = without(clock as { order?: unknown; second?: unknown }, 'order');
  return { ...first, version: 2, clock: { ...rest, ...(rest.second === 'mixes' && { second: 'pulls' }) } };
}

/** How far a root colour went, where nobody had said so, mm: a shadow of about an inch. */
const OLD_ROOT_MM = 25;

/** Version 2 had one root colour, five places for a toner, and said in words where a correction goes. */
function fromVersion2(value: unknown): unknown {
  const second = value as OldMix | null;
  if (typeof second !== 'object' || second?.version !== 2) return value;
  const { root, toners, corrections, ...rest } = second;
  return {
    ...rest,
    version: 3,
    toners: each(toners, ({ where, ...own }) => ({ ...own, place: oldPlace(where) })),
    corrections: each(corrections, ({ where, ...own }) => ({
      ...own,
      place: where === 'ends' ? oldPlace(where) : { ...EVERYWHERE, words: where },
    })),
    roots: root
      ? [
          {
            ...root,
            id: 'root',
            place: { ...EVERYWHERE, lengths: ['roots'] },
            mm: OLD_ROOT_MM,
            state: 'damp',
          },
        ]
      : [],
  };
}

function each(list: unknown, change: (own: { where?: unknown }) => object): unknown {
  if (!Array.isArray(list)) return list;
  return list.map((item: unknown) => (typeof item === 'object' && item !== null ? change(item) : item));
}

/** A place of a toner as version 2 named it; what it did not name stays, and is refused by the schema. */
function oldPlace(where: unknown): unknown {
  if (where === 'all') return EVERYWHERE;
  if (where === 'face') return { ...EVERYWHERE, zones: FACE_FAMILIES };
  return { ...EVERYWHERE, lengths: [where] };
}

interface OldFormula {
  readonly kind?: unknown;
  readonly product?: unknown;
  readonly heat?: unknown;
  readonly additives?: unknown;
}

interface OldCorrection {
  readonly kind?: unknown;
  readonly id?: unknown;
  readonly product?: unknown;
  readonly line?: unknown;
  readonly parts?: unknown;
  readonly volumes?: unknown;
  readonly ratio?: unknown;
  readonly developer?: unknown;
  readonly shampoo?: unknown;
  readonly water?: unknown;
  readonly from?: unknown;
  readonly level?: unknown;
}

/** Warmth was all the time and at no temperature: that of a usual warm towel. */
const OLD_WARMTH = { celsius: 40, lastMinutes: null };

/**
 * Version 3 had one lightener, additives in grams, warmth as yes or no, and two corrections of fixed parts.
 */
function fromVersion3(value: unknown): unknown {
  const third = value as { version?: unknown; formulas?: unknown; corrections?: unknown } | null;
  if (typeof third !== 'object' || third?.version !== 3) return value;
  const { formulas, corrections, ...rest } = third;
  return {
    ...rest,
    version: MIX_VERSION,
    ...(formulas !== undefined && {
      formulas:
        typeof formulas === 'object' && formulas !== null
          ? Object.fromEntries(Object.entries(formulas).map(([letter, own]) => [letter, oldFormula(own)]))
          : formulas,
    }),
    ...(corrections !== undefined && { corrections: each(corrections, oldCorrection) }),
  };
}

function oldFormula(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const { product, heat, additives: added, ...rest } = value as OldFormula;
  if (rest.kind !== 'lift') return value;
  return {
    ...rest,
    lighteners: [{ product, parts: 1 }],
    ...(added !== undefined && {
      additives: each(added, (own) => ({
        ...without(own as { perGram?: unknown }, 'perGram'),
        amount: (own as { perGram?: unknown }).perGram,
        unit: 'g',
      })),
    }),
    ...(heat !== undefined && { warmth: heat === true ? OLD_WARMTH : null }),
  };
}

function oldCorrection(value: OldCorrection & { where?: unknown }): object {
  const {
    kind,
    product,
    parts: shades,
    volumes: strength,
    developer,
    shampoo,
    water,
    from,
    level,
    ...others
  } = value;
  const more = without(without(others, 'line'), 'ratio');
  // Nothing mixed was no amount: it goes by the hair now.
  const rest = (more as { grams?: unknown }).grams === 0 ? { ...more, grams: null } : more;
  if (kind === 'bleach-wash') {
    const beside = [
      { product: 'wash', parts: shampoo },
      { product: 'water', parts: water },
    ].filter((own) => own.parts !== 0 && own.parts !== undefined);
    return {
      ...rest,
      use: kind,
      recipe: null,
      name: RECIPE_WORDS[kind],
      parts: [{ product, parts: 1 }, { volumes: strength, parts: developer }, ...beside],
      level: from,
    };
  }
  if (kind !== 'spot') return value;
  const own = Array.isArray(shades) ? (shades as { shade?: unknown; parts?: unknown }[]) : [];
  const all = own.reduce((sum, { parts: many }) => sum + Number(many), 0);
  return {
    ...rest,
    use: kind,
    recipe: null,
    name: RECIPE_WORDS[kind],
    level,
    parts: [
      ...own.map(({ shade, parts: many }) => ({ product: shade, parts: many })),
      { volumes: strength, parts: all * Number(value.ratio) },
    ],
  };
}
