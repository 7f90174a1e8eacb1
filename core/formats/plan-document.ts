import { z } from 'zod';
import type { Plan } from '../pattern';
import { AVERAGE_HAIR, AVERAGE_HEAD, between, hairSchema, headSchema } from './fields';
import { parseWith, type Parsed } from './problem';

export const PLAN_FORMAT = 'dappled-lattice/plan';
export const PLAN_VERSION = 1;

const side = z.enum(['left', 'right'], { error: 'must be left or right (the client’s)' });

const place = z
  .discriminatedUnion(
    'kind',
    [
      z.strictObject({ kind: z.literal('back') }).describe('Behind the line apex → behind the ear: two quadrants'),
      z.strictObject({ kind: z.literal('side'), side }).describe('In front of that line, from the part to the hairline'),
    ],
    { error: 'must have a kind of back or side' },
  )
  .describe('Which part of the head the panel sections off');

const direction = z
  .strictObject({
    kind: z.literal('parallel'),
    angleDeg: between(-90, 90, 'degrees', 'Angle from horizontal: 90 vertical, positive diagonal back, negative diagonal forward'),
  })
  .describe('Direction of the partings');

const gather = z
  .discriminatedUnion(
    'kind',
    [
      z.strictObject({ kind: z.literal('slice') }).describe('The whole section'),
      z
        .strictObject({
          kind: z.literal('weave'),
          stitchMm: between(0.5, 30, 'mm', 'Width of a picked stitch, mm along the parting'),
          gapMm: between(0.5, 30, 'mm', 'Width of the gap between stitches, mm'),
          depth: between(0.1, 1, '', "Share of the section's thickness that a stitch takes: 0.5 skims the surface, 1 goes through"),
        })
        .describe('Alternate stitches'),
    ],
    { error: 'must have a kind of slice or weave' },
  )
  .describe('How hair is picked from the section');

const panel = z.strictObject({
  id: z
    .string({ error: 'must be a short name' })
    .regex(/^[a-z][a-z0-9-]{0,39}$/, 'must be 1–40 small letters, digits or dashes, beginning with a letter')
    .describe('Name within the plan, the first part of every foil id'),
  name: z.string({ error: 'must be text' }).trim().min(1, 'must not be empty').max(80, 'must be at most 80 characters'),
  muted: z.boolean({ error: 'must be true or false' }).default(false).describe('Keeps its recipe but places no foil'),
  place,
  direction: direction.default({ kind: 'parallel', angleDeg: 0 }),
  gather,
  thicknessMm: between(0.5, 40, 'mm', 'Thickness of the section on the scalp, mm'),
  spacing: z
    .strictObject({
      kind: z.literal('constant'),
      dropoutMm: between(0, 80, 'mm', 'Hair left out behind each foil, mm; pitch = thickness + drop-out'),
    })
    .describe('Distance between the foils'),
  formula: z
    .string({ error: 'must be a letter' })
    .regex(/^[A-Z]$/, 'must be one capital letter')
    .default('A')
    .describe('Letter of the formula'),
});

/** The plan document, version 1. A bare one is enough for the pattern: head, hair and foil have defaults. */
export const planSchema = z
  .strictObject({
    format: z.literal(PLAN_FORMAT, { error: `must be "${PLAN_FORMAT}"` }),
    version: z.literal(PLAN_VERSION, { error: `must be ${PLAN_VERSION}` }),
    name: z.string({ error: 'must be text' }).trim().min(1, 'must not be empty').max(120, 'must be at most 120 characters').default('Plan'),
    head: headSchema.default(AVERAGE_HEAD),
    hair: hairSchema.default(AVERAGE_HAIR),
    foil: z
      .strictObject({
        usableWidthMm: between(30, 300, 'mm', 'Width of hair that fits on one foil, mm'),
        toleranceMm: between(0, 60, 'mm', 'A section may be this much wider than the foil before it needs another column, mm'),
      })
      .default({ usableWidthMm: 95, toleranceMm: 25 }),
    panels: z.array(panel, { error: 'must be a list of panels' }).max(40, 'must hold at most 40 panels').describe('In the order of work'),
  })
  .superRefine((plan, context) => {
    const seen = new Set<string>();
    plan.panels.forEach(({ id }, i) => {
      if (seen.has(id)) context.addIssue({ code: 'custom', path: ['panels', i, 'id'], message: `"${id}" is used twice` });
      seen.add(id);
    });
  });

/** Reads a plan document of any age; never throws. */
export function parsePlan(value: unknown): Parsed<Plan> {
  const head = z.looseObject({}).safeParse(value);
  if (!head.success) return { ok: false, problem: 'A plan document is an object with a format, a version and panels.' };
  if (head.data.format !== PLAN_FORMAT) return { ok: false, problem: `format: must be "${PLAN_FORMAT}".` };
  if (head.data.version !== PLAN_VERSION) {
    return { ok: false, problem: `version: this program reads version ${PLAN_VERSION}, not ${JSON.stringify(head.data.version)}.` };
  }
  return parseWith(planSchema as z.ZodType<Plan>, value);
}

/** Reads plan text (JSON). */
export function parsePlanText(text: string): Parsed<Plan> {
  try {
    return parsePlan(JSON.parse(text));
  } catch (error) {
    return { ok: false, problem: `This is not JSON: ${error instanceof Error ? error.message : String(error)}.` };
  }
}
