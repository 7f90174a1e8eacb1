import type { ValueResult } from '../units';
import { z } from 'zod';
import { ZONES, type Zone } from '../head';
import type { Consult, RegrowthByZone } from '../visit';
import {
  answer,
  AVERAGE_HAIR,
  AVERAGE_HEAD,
  between,
  isWornTooMuch,
  WORN_TOO_MUCH,
  hairSchema,
  whole,
  headSchema,
  levelField,
} from './fields';
import { healthSchema, historySchema, goalsSchema, occasionsSchema } from './history-fields';
import { zoneHairSchema } from './zone-hair';
import { parseWith } from './problem';
import { without } from './without';
import { sameShape } from './same-shape';

const regrowth = z
  .partialRecord(
    z.enum(ZONES),
    between(0, 400, 'mm', 'Regrowth since the zone was last taken to the root, mm'),
    {
      error: 'must be millimetres by zone',
    },
  )
  .describe('Regrowth by zone, mm; a zone that was not measured is left out');

const swatch = z.strictObject({
  lightness: between(0, 1, '', 'OKLCh lightness, 0–1'),
  chroma: between(0, 0.4, '', 'OKLCh chroma'),
  hueDeg: between(-360, 360, '°', 'OKLCh hue, degrees'),
  sd: between(0, 100, '', 'Standard deviation, hundredths of OKLab'),
});

const consultShape = z
  .strictObject({
    version: z.literal(2),
    naturalLevel: levelField('Level of the untouched hair at the root'),
    goalLevel: levelField('Level wished for'),
    brightness: z
      .int()
      .min(1)
      .max(5)
      .describe('1 natural with a few lights … 5 light all over with some depth'),
    wornUpShare: between(0, 1, '', 'Share of the time that hair is tied up, 0–1; null when it was not asked')
      .nullable()
      .default(null),
    wornHalfUpShare: between(
      0,
      1,
      '',
      'Share of the time that hair is half up, 0–1; null when it was not asked',
    )
      .nullable()
      .default(null),
    contrast: answer(['blended', 'defined', 'high'], 'How far light and dark stand apart'),
    tone: answer(['warm', 'neutral', 'cool', 'bright'], 'Tone wished for; bright is a bright white'),
    skinTone: answer(['cool', 'neutral', 'olive', 'warm'], 'Skin and eyes, only a hint for the tone'),
    faceFrame: z
      .strictObject({
        strength: z
          .enum(['none', 'soft', 'bold'], { error: 'must be none, soft or bold' })
          .describe('How bright the face frame is'),
        behindMm: between(0, 120, 'mm', 'How far back from the hairline it goes, mm'),
      })
      .nullable()
      .default(null)
      .describe('Face frame; null when it was not asked'),
    hairlineBlend: answer(['strong', 'sun-touched'], 'Blend at the hairline'),
    partMoves: answer(['never', 'sometimes', 'often'], 'How often the part moves'),
    curl: answer(['straight', 'wavy', 'curly', 'coily'], 'How the hair bends'),
    swatches: z
      .strictObject({ base: swatch.nullable().default(null), light: swatch.nullable().default(null) })
      .default({ base: null, light: null })
      .describe(
        "Colours of the client's own hair read from a picture beside a neutral card; null where Wear goes by level and tone",
      ),
    cut: z
      .strictObject({
        ends: z
          .enum(['one-length', 'long-layers', 'layers', 'bob'], {
            error: 'must be one-length, long-layers, layers or bob',
          })
          .describe('How the ends are cut'),
        fringe: z.boolean({ error: 'must be true or false' }).describe('With a fringe'),
      })
      .nullable()
      .default(null)
      .describe('How the hair is cut; null when it was not asked'),
    cowlick: answer(['none', 'front', 'crown', 'both'], 'Where a cowlick is'),
    weeksBetween: whole(2, 60, 'Weeks between visits; null when it was not asked').nullable().default(null),
    washesPerWeek: between(0.5, 14, 'a week', 'Washes a week; null when it was not asked')
      .nullable()
      .default(null),
    minutesAtMost: whole(10, 600, 'Time that the client has for the foils, minutes; null without a limit')
      .nullable()
      .default(null),
    budgetMinor: whole(
      0,
      10_000_000,
      'What was agreed at most, minor units of the house’s currency; null without a limit',
    )
      .nullable()
      .default(null),
    head: headSchema,
    hair: hairSchema,
    regrowthMm: regrowth,
    map: z
      .partialRecord(z.enum(ZONES), zoneHairSchema, { error: 'must be what was seen by zone' })
      .default({})
      .describe('Hair map: what was seen zone by zone'),
    history: historySchema,
    occasions: occasionsSchema,
    extensions: answer(['none', 'worn', 'planned'], 'Extensions'),
    goals: goalsSchema,
    health: healthSchema,
    notes: z.string({ error: 'must be text' }).max(4000, 'must be at most 4000 characters'),
  })
  .superRefine((consult, context) => {
    for (const [path, message] of contradictions(consult))
      context.addIssue({ code: 'custom', path: [...path], message });
  });
sameShape<z.infer<typeof consultShape>, Consult>(true);

/** What is asked and seen before the plan: the wish, the head, the hair, the regrowth. */
export const consultSchema: z.ZodType<Consult> = consultShape;

/** What cannot be true together, each with the place where it is seen. */
function contradictions(consult: {
  wornUpShare: number | null;
  wornHalfUpShare: number | null;
  hair: Consult['hair'];
  regrowthMm: RegrowthByZone;
  map: Consult['map'];
}): [readonly string[], string][] {
  const out: [readonly string[], string][] = [];
  if (isWornTooMuch(consult.wornUpShare, consult.wornHalfUpShare))
    out.push([['wornHalfUpShare'], WORN_TOO_MUCH]);
  const lengthIn = (zone: Zone) => consult.hair.byZone[zone]?.lengthMm ?? consult.hair.lengthMm;
  for (const zone of ZONES) {
    const length = lengthIn(zone);
    const regrowth = consult.regrowthMm[zone];
    if (regrowth !== undefined && regrowth > length) {
      out.push([
        ['regrowthMm', zone],
        `regrowth of ${regrowth} mm is longer than the hair there, ${length} mm`,
      ]);
    }
    const band = consult.map[zone]?.band;
    if (band && band.toMm > length)
      out.push([
        ['map', zone, 'band'],
        `the band ends ${band.toMm} mm from the scalp, and the hair there is ${length} mm long`,
      ]);
  }
  return out;
}

export const EMPTY_CONSULT: Consult = consultSchema.parse({
  version: 2,
  naturalLevel: 6,
  goalLevel: 8,
  brightness: 3,
  head: AVERAGE_HEAD,
  hair: AVERAGE_HAIR,
  regrowthMm: {},
  notes: '',
});

/** Reads a consultation of any age. */
export function parseConsult(value: unknown): ValueResult<Consult> {
  return parseWith(consultSchema, fromVersion1(value));
}

/** Version 1 had the root shadow, which is a colour of the mix. */
function fromVersion1(value: unknown): unknown {
  const first = value as { version?: unknown; rootShadowMm?: unknown } | null;
  if (typeof first !== 'object' || first?.version !== 1) return value;
  return { ...without(first, 'rootShadowMm'), version: 2 };
}

/** Root shadow that a consultation of version 1 planned, mm; null where it planned none. */
export function oldShadowMm(value: unknown): number | null {
  const { version, rootShadowMm } = (value ?? {}) as { version?: unknown; rootShadowMm?: unknown };
  return version === 1 && typeof rootShadowMm === 'number' ? rootShadowMm : null;
}

/**
 * What was done in the past must lie in it: the first entry of the history that does not, as a sentence.
 * @param today YYYY-MM-DD
 */
export function futureProblem(consult: Consult, today: string): string | undefined {
  const at = consult.history.findIndex(({ on }) => on > today);
  return at < 0 ? undefined : `history[${at}].on: ${consult.history[at].on} lies in the future.`;
}
