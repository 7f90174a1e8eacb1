import type { ValueResult } from '../units';
import { z } from 'zod';
import type { Panel } from '../pattern';
import { fromVersion2, fromVersion3 } from './migrate-plan';
import { panelSchema } from './plan-document';
import { parseWith } from './problem';

export const TECHNIQUE_FORMAT = 'dappled-lattice/technique';
export const TECHNIQUE_VERSION = 3;

/** What is wanted of a pattern: where the light is to be, or what it is for. */
export const TECHNIQUE_GROUPS = {
  whole: 'Whole head',
  top: 'Top',
  hairline: 'Hairline',
  face: 'Face',
  grey: 'Grey',
  dark: 'Dark hair',
  refresh: 'Between visits',
} as const;
export type TechniqueGroup = keyof typeof TECHNIQUE_GROUPS;
const GROUPS = Object.keys(TECHNIQUE_GROUPS) as [TechniqueGroup, ...TechniqueGroup[]];

/** A technique of one's own: panels to be laid on any head. */
export interface OwnTechnique {
  readonly format: typeof TECHNIQUE_FORMAT;
  readonly version: 3;
  readonly name: string;
  readonly purpose: string;
  readonly groups: readonly TechniqueGroup[];
  readonly panels: readonly Panel[];
  readonly sectioning: readonly string[];
}

export const techniqueSchema = z
  .strictObject({
    format: z.literal(TECHNIQUE_FORMAT, { error: `must be "${TECHNIQUE_FORMAT}"` }),
    version: z.literal(TECHNIQUE_VERSION, { error: `must be ${TECHNIQUE_VERSION}` }),
    name: z
      .string({ error: 'must be text' })
      .trim()
      .min(1, 'must not be empty')
      .max(120, 'must be at most 120 characters')
      .describe('As the house calls it'),
    purpose: z
      .string({ error: 'must be text' })
      .trim()
      .max(400, 'must be at most 400 characters')
      .default('')
      .describe('What it is for'),
    groups: z
      .array(z.enum(GROUPS, { error: `must be ${GROUPS.join(', ')}` }))
      .max(GROUPS.length)
      .default([])
      .describe('What is wanted of it: where the light is to be, or what it is for'),
    panels: z
      .array(panelSchema, { error: 'must be a list of panels' })
      .min(1, 'must hold at least one panel')
      .max(40, 'must hold at most 40 panels')
      .describe('In the order of work'),
    sectioning: z
      .array(z.string())
      .max(40)
      .default([])
      .describe('Panels in the order in which they are sectioned off'),
  })
  .superRefine((technique, context) => {
    const ids = technique.panels.map(({ id }) => id);
    ids.forEach((id, i) => {
      if (ids.indexOf(id) !== i)
        context.addIssue({ code: 'custom', path: ['panels', i, 'id'], message: `"${id}" is used twice` });
    });
    technique.sectioning.forEach((id, i) => {
      if (!ids.includes(id))
        context.addIssue({ code: 'custom', path: ['sectioning', i], message: `there is no panel "${id}"` });
    });
  });

/** Reads a technique of any version: 1 has panels as version 2 of plans has them, 2 as version 3. */
export function parseTechnique(value: unknown): ValueResult<OwnTechnique> {
  const older = z
    .looseObject({ version: z.literal([1, 2]), panels: z.array(z.looseObject({})) })
    .safeParse(value);
  const newest = older.success
    ? {
        ...older.data,
        version: TECHNIQUE_VERSION,
        panels: older.data.panels.map((panel) =>
          fromVersion3(older.data.version === 1 ? fromVersion2(panel) : panel),
        ),
      }
    : value;
  return parseWith(techniqueSchema, newest);
}
