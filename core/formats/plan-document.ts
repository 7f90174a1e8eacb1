import { messageOf, type ValueResult } from '../units';
import { z } from 'zod';
import { makeHead } from '../head';
import type { HandEdit, Panel, Place, Plan } from '../pattern';
import { AVERAGE_HAIR, AVERAGE_HEAD, between, hairSchema, headSchema, whole, yesOrNo } from './fields';
import { sameShape } from './same-shape';
import { migratePlan } from './migrate-plan';
import {
  directionSchema,
  diskPoint,
  gatherSchema,
  placeSchema,
  singleGatherSchema,
  spacingSchema,
} from './panel-fields';
import { parseWith } from './problem';

export const PLAN_FORMAT = 'dappled-lattice/plan';
export const PLAN_VERSION = 4;
/**
 * Places within places of all panels together, and points of all their outlines: more is no pattern of a
 * head, and takes for ever.
 */
const MOST_PLACES = 120;
const MOST_POINTS = 1200;
/** Places within each other. */
const MOST_WITHIN = 8;
/** Edits of single foils by hand that a plan can hold. */
export const MOST_EDITS = 400;

const panelId = z
  .string({ error: 'must be a short name' })
  .regex(/^[a-z][a-z0-9-]{0,39}$/, 'must be 1–40 small letters, digits or dashes, beginning with a letter');
const letter = z.string({ error: 'must be a letter' }).regex(/^[A-Z]$/, 'must be one capital letter');
const thickness = between(0, 40, 'mm', 'Thickness of the section on the scalp, mm');

const treatmentRecipe = z
  .strictObject({
    formula: letter
      .nullable()
      .default(null)
      .describe('Letter of its formula; null takes the panel’s, lowlights the formula that deposits'),
    fromMm: between(0, 1200, 'mm', 'The product begins so far from the scalp, mm; null where it usually does')
      .nullable()
      .default(null),
    toMm: between(1, 1200, 'mm', 'and ends so far from it, mm; null to the ends').nullable().default(null),
    surface: yesOrNo('Only the surface is painted').default(false),
    teasing: whole(0, 4, 'Soft pushes of backcombing').default(0),
    seconds: whole(1, 600, 'Seconds for one drop-out; null the usual ones').nullable().default(null),
  })
  .refine(({ fromMm, toMm }) => fromMm === null || toMm === null || toMm > fromMm, {
    message: 'must end further from the scalp than it begins',
    path: ['toMm'],
  });

export const panelSchema = z.strictObject({
  id: panelId.describe('Name within the plan, the first part of every foil id'),
  name: z
    .string({ error: 'must be text' })
    .trim()
    .min(1, 'must not be empty')
    .max(80, 'must be at most 80 characters')
    .describe('As it is said'),
  muted: yesOrNo('Keeps its recipe but places no foil').default(false),
  reserves: yesOrNo('Muted, it still keeps its hair from other panels: nothing is foiled there').optional(),
  place: placeSchema.describe('Which part of the head the panel sections off'),
  side: z
    .enum(['left', 'right', 'both', 'across'], { error: 'must be left, right, both or across' })
    .default('both')
    .describe(
      "The client's side; both, mirrored; or across the middle in one piece. Outlines of a panel on both sides are drawn on the left",
    ),
  divide: z
    .enum(['middle', 'part'], { error: 'must be middle or part' })
    .nullable()
    .default(null)
    .describe('Line that divides left from right; null takes the one usual for the place'),
  leaveOut: z
    .array(z.array(diskPoint).min(3, 'must have at least 3 points').max(60))
    .max(60)
    .default([])
    .describe('Triangles or other outlines left out on purpose'),
  direction: directionSchema.default({ kind: 'parallel', angleDeg: 0 }),
  gather: gatherSchema,
  medium: z
    .enum(['foil', 'open-air'], { error: 'must be foil or open-air' })
    .default('foil')
    .describe('In foils, or painted in the open air'),
  cover: z
    .enum(['folded', 'under-and-over'], { error: 'must be folded or under-and-over' })
    .describe('The sheet folded over the hair, or one sheet under and one over; folded where it is left out')
    .optional(),
  hair: z
    .enum(['own', 'left-out'], { error: 'must be own or left-out' })
    .default('own')
    .describe('Hair of its own, or what the foils of other panels leave out: painted between the foils'),
  thicknessMm: thickness,
  spacing: spacingSchema,
  lastRow: yesOrNo('A remainder of half a pitch or more earns a last row').default(false),
  columns: z
    .strictObject({
      layout: z
        .enum(['aligned', 'bricklaid'], { error: 'must be aligned or bricklaid' })
        .describe('Every second row shifted by half a column, or not'),
      onePerRow: yesOrNo('One foil a row however wide'),
    })
    .default({ layout: 'aligned', onePerRow: false })
    .describe('How a section wider than the foil is divided'),
  formula: letter.default('A').describe('Letter of the formula'),
  rotation: z
    .strictObject({
      sequence: z
        .string({ error: 'must be letters' })
        .regex(/^[A-Z]{2,24}$/, 'must be 2–24 capital letters, such as AABB')
        .describe('Letters of the formulas in turn'),
      by: z
        .enum(['row', 'foil'], { error: 'must be row or foil' })
        .default('row')
        .describe('Row by row, all columns of a row alike; or foil by foil'),
      anew: yesOrNo('Each side begins with the first letter, so that both are alike').default(true),
      from: whole(1, 600, 'First row (or foil), in the order of work, that takes part').default(1),
      to: whole(1, 600, 'Last row (or foil) that takes part; null all of them').nullable().default(null),
    })
    .refine(({ from, to }) => to === null || to >= from, {
      message: 'must not end before it begins',
      path: ['to'],
    })
    .nullable()
    .default(null)
    .describe('Formulas in turn'),
  dropouts: z
    .strictObject({
      every: whole(1, 50, 'After this many rows one drop-out is treated'),
      treatments: z
        .array(
          z.enum(['tip-out', 'lowlight', 'paint', 'left'], {
            error: 'must be tip-out, lowlight, paint or left',
          }),
        )
        .min(1, 'must name at least one treatment')
        .max(12)
        .describe('In turn: ends lightened, lowlight, painted between the foils, left as it is'),
      together: whole(1, 6, 'So many drop-outs are taken together').default(3),
      recipes: z
        .partialRecord(z.enum(['tip-out', 'lowlight', 'paint']), treatmentRecipe, {
          error: 'must be recipes by treatment',
        })
        .default({})
        .describe('How each treatment is done, where that differs from the usual'),
    })
    .nullable()
    .default(null)
    .describe('Treated drop-outs, the treatments in turn'),
  start: z
    .strictObject({
      distanceMm: between(0, 600, 'mm', 'The product begins this far from the scalp, mm'),
      featherMm: between(0, 300, 'mm', 'and runs out to nothing over this length, mm'),
      teasing: whole(0, 4, 'Soft pushes of backcombing'),
      lastMm: between(
        0,
        600,
        'mm',
        'Distance on the last row, mm, eased from the first; null where all are alike',
      ).nullish(),
      edgesMm: between(
        0,
        200,
        'mm',
        'Further from the scalp at both edges of a section, by this much, mm',
      ).optional(),
      toMm: between(1, 1200, 'mm', 'Painted so far from the scalp, mm; null to the ends').nullish(),
    })
    .refine(({ distanceMm, toMm }) => toMm === null || toMm === undefined || toMm > distanceMm, {
      message: 'must end further from the scalp than it begins',
      path: ['toMm'],
    })
    .default({ distanceMm: 0, featherMm: 0, teasing: 0 })
    .describe('Where the product begins on the strand'),
  order: z
    .strictObject({
      rows: z
        .enum(['up', 'down'], { error: 'must be up or down' })
        .describe("From the panel's first parting up, or from its last down"),
      sides: z
        .enum(['left-first', 'right-first', 'alternate'], {
          error: 'must be left-first, right-first or alternate',
        })
        .describe('One side after the other, or row by row in turn'),
    })
    .default({ rows: 'up', sides: 'left-first' })
    .describe('Order of rows and sides within the panel'),
  variation: z
    .strictObject({
      seed: whole(0, 4_294_967_295, 'Seed of the variation'),
      dropoutMm: between(0, 10, 'mm', 'Drop-outs move at most this much, mm'),
      angleDeg: between(0, 30, 'degrees', 'The angle moves at most this much, degrees'),
      stitchMm: between(0, 5, 'mm', 'Stitches and gaps move at most this much, mm').optional(),
      startMm: between(0, 60, 'mm', 'Starts move at most this much, mm').optional(),
      side: z
        .enum(['left', 'right', 'both'], { error: 'must be left, right or both' })
        .describe('Side that differs, of a panel on both; both where it is left out')
        .optional(),
    })
    .nullable()
    .default(null)
    .describe('Not quite mirrored: seeded differences within limits'),
});

const foilId = z
  .string({ error: 'must be a foil id' })
  .regex(/^[a-z][a-z0-9-]{0,39}\/\d{1,5}\/-?\d{1,3}$/, 'must be a foil id such as back/3/-1')
  .describe('Id of the foil: panel/row/column');

const editSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('delete'), foil: foilId }),
    z.strictObject({
      kind: z.literal('move'),
      foil: foilId,
      byMm: between(-100, 100, 'mm', 'Along the spine, mm'),
    }),
    z.strictObject({
      kind: z.literal('widen'),
      foil: foilId,
      startMm: between(-200, 200, 'mm', 'Longer at the start of the parting, mm; negative shorter').default(
        0,
      ),
      endMm: between(-200, 200, 'mm', 'Longer at its end, mm').default(0),
    }),
    z.strictObject({
      kind: z.literal('retype'),
      foil: foilId,
      gather: singleGatherSchema.optional().describe('Its own gather'),
      formula: letter.optional().describe('Its own formula'),
      thicknessMm: between(0.5, 40, 'mm', 'Thickness of the section, mm').optional(),
      startMm: between(0, 600, 'mm', 'The product begins this far from the scalp, mm').optional(),
    }),
    z.strictObject({
      kind: z.literal('add'),
      panel: panelId.describe('Panel that gets one more'),
      side: z
        .enum(['left', 'right', 'across'], { error: 'must be left, right or across' })
        .describe("The client's side"),
      atMm: between(0, 500, 'mm', "From the panel's first edge along its spine, mm"),
    }),
  ],
  { error: 'must have a kind of delete, move, widen, retype or add' },
) as z.ZodType<HandEdit>;

/**
 * The plan document, version 4. A bare one is enough for the pattern: everything but the panels has a
 * default.
 */
export const planSchema = z
  .strictObject({
    format: z.literal(PLAN_FORMAT, { error: `must be "${PLAN_FORMAT}"` }),
    version: z.literal(PLAN_VERSION, { error: `must be ${PLAN_VERSION}` }),
    name: z
      .string({ error: 'must be text' })
      .trim()
      .min(1, 'must not be empty')
      .max(120, 'must be at most 120 characters')
      .default('Plan')
      .describe('Name of the pattern'),
    head: headSchema.default(AVERAGE_HEAD).describe('The head that it lies on'),
    hair: hairSchema.default(AVERAGE_HAIR).describe('The hair on it'),
    foil: z
      .strictObject({
        usableWidthMm: between(30, 300, 'mm', 'Width of hair that fits on one foil, mm'),
        toleranceMm: between(
          0,
          60,
          'mm',
          'A section may be this much wider than the foil before it needs another column, mm',
        ),
      })
      .default({ usableWidthMm: 95, toleranceMm: 25 })
      .describe('Foil of the house'),
    panels: z
      .array(panelSchema, { error: 'must be a list of panels' })
      .max(40, 'must hold at most 40 panels')
      .describe('In the order of work'),
    sectioning: z
      .array(panelId)
      .max(40)
      .default([])
      .describe(
        'Panels in the order in which they are sectioned off: what one takes, the next does not have. Those not named follow in the order of work',
      ),
    edits: z
      .array(editSchema, { error: 'must be a list of edits' })
      .max(MOST_EDITS, `must hold at most ${MOST_EDITS} edits`)
      .default([])
      .describe('Edits of single foils by hand'),
  })
  .superRefine((plan, context) => {
    const seen = new Set<string>();
    plan.panels.forEach(({ id }, i) => {
      if (seen.has(id))
        context.addIssue({ code: 'custom', path: ['panels', i, 'id'], message: `"${id}" is used twice` });
      seen.add(id);
    });
    plan.sectioning.forEach((id, i) => {
      if (!seen.has(id))
        context.addIssue({ code: 'custom', path: ['sectioning', i], message: `there is no panel "${id}"` });
    });
    const all = { places: 0, points: 0 };
    plan.panels.forEach(({ place, leaveOut }, i) => {
      const own = sizeOf(place);
      all.places += own.places;
      all.points += own.points + leaveOut.reduce((sum, points) => sum + points.length, 0);
      const tooMuch = (message: string) =>
        context.addIssue({ code: 'custom', path: ['panels', i, 'place'], message });
      if (own.within > MOST_WITHIN) tooMuch(`nests places ${own.within} deep; ${MOST_WITHIN} are allowed`);
      else if (all.places > MOST_PLACES)
        tooMuch(`brings the places of the pattern to ${all.places}; ${MOST_PLACES} are allowed`);
      else if (all.points > MOST_POINTS)
        tooMuch(`brings the points of all outlines to ${all.points}; ${MOST_POINTS} are allowed`);
    });
    try {
      makeHead(plan.head);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      context.addIssue({ code: 'custom', path: ['head'], message: error.message });
    }
  });

/**
 * How many places there are in one, how deep they lie in each other, and how many points their outlines have.
 */
function sizeOf(place: Place): { places: number; points: number; within: number } {
  const inner =
    place.kind === 'union' || place.kind === 'overlap'
      ? place.of
      : place.kind === 'except'
        ? [place.place, ...place.without]
        : [];
  const sizes = inner.map(sizeOf);
  return {
    places: sizes.reduce((sum, size) => sum + size.places, 1),
    points: sizes.reduce(
      (sum, size) => sum + size.points,
      place.kind === 'outline' ? place.points.length : 0,
    ),
    within: Math.max(0, ...sizes.map(({ within }) => within)) + 1,
  };
}

/** Fails to compile when the schema and the engine's plan drift apart. */
sameShape<z.infer<typeof planSchema>, Plan>(true);

/** Reads a plan document of any age; never throws. */
export function parsePlan(value: unknown): ValueResult<Plan> {
  const head = z.looseObject({}).safeParse(value);
  if (!head.success)
    return { ok: false, problem: 'A plan document is an object with a format, a version and panels.' };
  if (head.data.format !== PLAN_FORMAT) return { ok: false, problem: `format: must be "${PLAN_FORMAT}".` };
  const migrated = migratePlan(head.data);
  if (migrated === undefined) {
    return {
      ok: false,
      problem: `version: this program reads versions 1 to ${PLAN_VERSION}, not ${JSON.stringify(head.data.version)}.`,
    };
  }
  return parseWith(planSchema as z.ZodType<Plan>, migrated);
}

/** Reads plan text (JSON). */
export function parsePlanText(text: string): ValueResult<Plan> {
  try {
    return parsePlan(JSON.parse(text));
  } catch (error) {
    return {
      ok: false,
      problem: `This is not JSON: ${messageOf(error)}.`,
    };
  }
}

/**
 * A panel with everything that is not said taken from the defaults.
 * @throws when what is said is not a panel's
 */
export function panelOf(fields: z.input<typeof panelSchema>): Panel {
  return panelSchema.parse(fields);
}

export type PanelInput = z.input<typeof panelSchema>;
