import { z } from 'zod';
import { HAIRLINE_SHAPES, hairlineProblem, USUAL_CROWN, ZONES } from '../head';

/** A number between two bounds that says both, with its unit, when it is not. */
export function between(min: number, max: number, unit: string, description: string) {
  const message = `must be a number from ${min} to ${max}${unit === '%' || unit === '' ? unit : ` ${unit}`}`;
  return z.number({ error: message }).min(min, message).max(max, message).describe(description);
}

/** A whole number between two bounds. */
export function whole(min: number, max: number, description: string) {
  const message = `must be a whole number from ${min} to ${max}`;
  return z.int(message).min(min, message).max(max, message).describe(description);
}

export function yesOrNo(description: string) {
  return z.boolean({ error: 'must be true or false' }).describe(description);
}

export const levelField = (description: string) =>
  between(1, 10, '', description).multipleOf(0.5, 'must be a level in halves, such as 8 or 8.5');

const hairlineShape = z.enum(HAIRLINE_SHAPES as [string, ...string[]], {
  error: `must be one of ${HAIRLINE_SHAPES.join(', ')}`,
}) as z.ZodType<'round' | 'straight' | 'pointed' | 'receding'>;

const landmark = z
  .tuple([
    z.number().describe('Azimuth from the forehead, 0–180 degrees'),
    z.number().describe('Height on the average head, −120–80 mm'),
  ])
  .describe('Landmark of the hairline');

const hairlineSide = z
  .union(
    [
      hairlineShape,
      z.strictObject({
        landmarks: z
          .array(landmark)
          .max(60)
          .describe('Landmarks of one side from the forehead (0°) to the nape (180°), azimuth growing'),
      }),
    ],
    { error: `must be one of ${HAIRLINE_SHAPES.join(', ')}, or landmarks of its own` },
  )
  .superRefine((side, context) => {
    const problem = typeof side === 'string' ? undefined : hairlineProblem(side.landmarks);
    if (problem) context.addIssue({ code: 'custom', path: ['landmarks'], message: problem });
  })
  .describe('A named shape, or landmarks set by hand');

const optionalLength = (min: number, max: number, description: string) =>
  between(min, max, 'mm', description).nullable().default(null);

/** Head of the client: shared by the consultation and the plan. */
export const headSchema = z.strictObject({
  circumferenceMm: between(440, 680, 'mm', 'Largest circumference over forehead and back of the head, mm'),
  earToEarMm: optionalLength(
    250,
    450,
    'Ear canal over the apex to ear canal, mm; null when it was not measured',
  ),
  frontToNapeMm: optionalLength(
    250,
    460,
    'Front hairline over the apex to the nape hairline, mm; null when it was not measured',
  ),
  hairline: z
    .strictObject({ left: hairlineSide, right: hairlineSide })
    .describe("The hairline on the client's left and right"),
  crown: z
    .strictObject({
      behindApexMm: between(0, 110, 'mm', 'Arc from the apex back to the crown, mm on the average head'),
      leftMm: between(-50, 50, 'mm', "Arc from the middle, mm; positive on the client's left"),
      whorl: z
        .enum(['none', 'clockwise', 'anticlockwise'], { error: 'must be none, clockwise or anticlockwise' })
        .describe('Turn of the whorl seen from above'),
    })
    .default(USUAL_CROWN)
    .describe('Where the hair of the crown grows from'),
  part: z
    .strictObject({
      offsetMm: between(
        -60,
        60,
        'mm',
        "Distance of the part from the middle, mm; positive on the client's left",
      ),
      lengthMm: optionalLength(0, 250, 'Length from the front hairline, mm; null to the crown'),
      none: yesOrNo('Worn without a part: the sides divide in the middle').default(false),
    })
    .describe('The part'),
});

const density = between(60, 320, 'hairs per cm²', 'Hairs per cm² of scalp (average 170)');
const strand = z
  .enum(['fine', 'medium', 'coarse'], { error: 'must be fine, medium or coarse' })
  .describe('Thickness of a single hair');
const length = between(20, 1200, 'mm', 'Length of the hair from the root, mm');

/** Hair of the client: figures for the whole head, and by zone where it differs. */
export const hairSchema = z.strictObject({
  densityPerCm2: density,
  strand,
  lengthMm: length,
  byZone: z
    .partialRecord(
      z.enum(ZONES),
      z.strictObject({
        densityPerCm2: density.optional(),
        strand: strand.optional(),
        lengthMm: length.optional(),
      }),
      {
        error: 'must be hair figures by zone',
      },
    )
    .default({})
    .describe('Zones whose hair differs from the rest'),
});

export const AVERAGE_HEAD: z.infer<typeof headSchema> = {
  circumferenceMm: 550,
  earToEarMm: null,
  frontToNapeMm: null,
  hairline: { left: 'round', right: 'round' },
  crown: USUAL_CROWN,
  part: { offsetMm: 0, lengthMm: null, none: false },
};

export const AVERAGE_HAIR: z.infer<typeof hairSchema> = {
  densityPerCm2: 170,
  strand: 'medium',
  lengthMm: 300,
  byZone: {},
};

/** One of a few answers; null until it was asked. */
export function answer<T extends string>(values: readonly [T, ...T[]], description: string) {
  return z
    .enum(values, { error: `must be one of ${values.join(', ')}` })
    .nullable()
    .default(null)
    .describe(`${description}; null when it was not asked`);
}

/**
 * Hair cannot be tied up and half up for more than all of the time.
 * @param up, half shares, 0–1; null is not said
 */
export const isWornTooMuch = (up: number | null, half: number | null): boolean =>
  (up ?? 0) + (half ?? 0) > 1 + 1e-9;
export const WORN_TOO_MUCH = 'tied up and half up together are more than all of the time';
