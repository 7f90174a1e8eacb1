import { z } from 'zod';
import { CONDITIONS, HAIR_FLAGS, type ZoneHair } from '../visit';
import { between, levelField } from './fields';
import { sameShape } from './same-shape';

const zoneHairShape = z.strictObject({
  naturalLevel: levelField('Level of the untouched hair, where it differs from the rest').optional(),
  greyShare: between(0, 1, '', 'Share of grey hair, 0–1').optional(),
  midsLevel: levelField('Level in the mid-lengths').optional(),
  endsLevel: levelField('Level at the ends').optional(),
  band: z
    .strictObject({
      level: levelField('Level of the band'),
      fromMm: between(0, 1200, 'mm', 'Where the band begins, mm from the scalp'),
      toMm: between(0, 1200, 'mm', 'Where it ends, mm from the scalp'),
    })
    .refine(({ fromMm, toMm }) => toMm > fromMm, 'must end further from the scalp than it begins')
    .optional()
    .describe('A strip of another colour left by an earlier service'),
  condition: z
    .enum(CONDITIONS, { error: `must be one of ${CONDITIONS.join(', ')}` })
    .optional()
    .describe('Condition and porosity'),
  flags: z
    .array(z.enum(HAIR_FLAGS, { error: `must be one of ${HAIR_FLAGS.join(', ')}` }))
    .max(HAIR_FLAGS.length)
    .optional()
    .describe('Baby hair, breakage, thin hair, a scar'),
});
sameShape<z.infer<typeof zoneHairShape>, ZoneHair>(true);

/**
 * What was seen in one zone; what was not looked at is left out. Density, strand and length stand in
 * `hair.byZone`.
 */
export const zoneHairSchema: z.ZodType<ZoneHair> = zoneHairShape;
