import { z } from 'zod';
import { HAIRLINE_SHAPES } from '../head';

/** A number between two bounds that says both, with its unit, when it is not. */
export function between(min: number, max: number, unit: string, description: string) {
  const message = `must be a number from ${min} to ${max}${unit ? ` ${unit}` : ''}`;
  return z.number({ error: message }).min(min, message).max(max, message).describe(description);
}

export const levelField = (description: string) =>
  between(1, 10, '', description).multipleOf(0.5, 'must be a level in halves, such as 8 or 8.5');

const hairlineShape = z.enum(HAIRLINE_SHAPES as [string, ...string[]], {
  error: `must be one of ${HAIRLINE_SHAPES.join(', ')}`,
}) as z.ZodType<'round' | 'straight' | 'pointed' | 'receding'>;

/** Head of the client: shared by the consultation and the plan. */
export const headSchema = z.strictObject({
  circumferenceMm: between(440, 680, 'mm', 'Largest circumference over forehead and back of the head, mm'),
  hairline: z
    .strictObject({ left: hairlineShape, right: hairlineShape })
    .describe("Shape of the front hairline on the client's left and right"),
  part: z
    .strictObject({
      offsetMm: between(-60, 60, 'mm', "Distance of the part from the middle, mm; positive on the client's left"),
    })
    .describe('The part'),
});

/** Hair of the client as one figure for the whole head. */
export const hairSchema = z.strictObject({
  densityPerCm2: between(60, 320, 'hairs per cm²', 'Hairs per cm² of scalp (average 170)'),
  strand: z
    .enum(['fine', 'medium', 'coarse'], { error: 'must be fine, medium or coarse' })
    .describe('Thickness of a single hair'),
  lengthMm: between(20, 1200, 'mm', 'Length of the hair from the root, mm'),
});

export const AVERAGE_HEAD: z.infer<typeof headSchema> = {
  circumferenceMm: 550,
  hairline: { left: 'round', right: 'round' },
  part: { offsetMm: 0 },
};

export const AVERAGE_HAIR: z.infer<typeof hairSchema> = { densityPerCm2: 170, strand: 'medium', lengthMm: 300 };
