import { z } from 'zod';
import type { VisitPart } from './types';

/** A request to save one part of a visit. The document is parsed by its own format. */
export const editSchema = z.object({
  baseRevision: z
    .int('baseRevision: must be a whole number.')
    .min(0)
    .max(2 ** 31 - 1),
  editId: z.uuid('editId: must be a UUID.'),
  /** Own edits whose answer was lost; the saved version may be one of them. */
  following: z.array(z.uuid()).max(20).default([]),
  /** The version that it was made from, so that it can be merged with what was saved meanwhile. */
  base: z.unknown().optional(),
  document: z.unknown(),
});

/** What the server answers to an edit. */
export type SaveAnswer =
  | {
      readonly ok: true;
      readonly revision: number;
      readonly merged?: { readonly document: unknown; readonly draft: unknown };
    }
  | {
      readonly ok: false;
      readonly reason: 'stale' | 'signed' | 'missing' | 'invalid' | 'signed-out' | 'not-allowed';
      readonly problem: string;
    };

export const PART_NAMES: Record<VisitPart, string> = {
  consult: 'consultation',
  plan: 'pattern',
  mix: 'mix',
  outcome: 'record',
};
export const isVisitPart = (part: string): part is VisitPart => Object.hasOwn(PART_NAMES, part);
