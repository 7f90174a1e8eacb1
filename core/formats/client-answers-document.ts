import type { ValueResult } from '../units';
import { z } from 'zod';
import type { ClientAnswers } from '../consult';
import { NOTED } from '../visit';
import { answer, between, isWornTooMuch, whole, WORN_TOO_MUCH } from './fields';
import { historySchema, occasionsSchema } from './history-fields';
import { parseWith } from './problem';
import { sameShape } from './same-shape';

const clientAnswersShape = z
  .strictObject({
    version: z.literal(1),
    wish: z
      .strictObject({
        words: z
          .string({ error: 'must be text' })
          .trim()
          .max(1000, 'must be at most 1000 characters')
          .default(''),
        brightness: whole(1, 5, 'Brightness wished for, 1–5').nullable().default(null),
        tone: answer(['warm', 'neutral', 'cool', 'bright'], 'Tone wished for'),
        contrast: answer(['blended', 'defined', 'high'], 'How far light and dark stand apart'),
        faceFrame: answer(['none', 'soft', 'bold'], 'How bright the face frame is'),
      })
      .prefault({}),
    worn: z
      .strictObject({
        upShare: between(0, 1, '', 'Share of the time that hair is tied up, 0–1').nullable().default(null),
        halfUpShare: between(0, 1, '', 'Share of the time that hair is half up, 0–1')
          .nullable()
          .default(null),
        partMoves: answer(['never', 'sometimes', 'often'], 'How often the part moves'),
      })
      .prefault({}),
    upkeep: z
      .strictObject({
        weeksBetween: whole(2, 60, 'Weeks between visits').nullable().default(null),
        washesPerWeek: between(0.5, 14, 'a week', 'Washes a week').nullable().default(null),
      })
      .prefault({}),
    limits: z
      .strictObject({
        minutesAtMost: whole(10, 600, 'Time that the client has, minutes').nullable().default(null),
        budgetMinor: whole(0, 10_000_000, 'Budget, minor units of the house’s currency')
          .nullable()
          .default(null),
      })
      .prefault({}),
    history: historySchema,
    occasions: occasionsSchema,
    health: z
      .strictObject({
        allergy: answer(['none', 'known'], 'Known allergic reaction to colour'),
        dyes: answer(['none', 'metal', 'plant', 'unknown'], 'Earlier metal-salt or plant dyes'),
        noted: z
          .array(z.enum(NOTED, { error: `must be one of ${NOTED.join(', ')}` }))
          .max(NOTED.length)
          .default([]),
      })
      .prefault({}),
  })
  .superRefine(({ worn: { upShare, halfUpShare } }, context) => {
    if (isWornTooMuch(upShare, halfUpShare))
      context.addIssue({ code: 'custom', path: ['worn', 'halfUpShare'], message: WORN_TOO_MUCH });
  });
sameShape<z.infer<typeof clientAnswersShape>, ClientAnswers>(true);

/** What a client answers on their own phone before the visit. */
export const clientAnswersSchema: z.ZodType<ClientAnswers> = clientAnswersShape;

export const NO_ANSWERS: ClientAnswers = clientAnswersSchema.parse({ version: 1 });

/** Reads a client's answers of any age. */
export const parseClientAnswers = (value: unknown): ValueResult<ClientAnswers> =>
  parseWith(clientAnswersSchema, value);
