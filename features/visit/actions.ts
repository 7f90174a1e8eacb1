'use server';

import { revalidatePath } from 'next/cache';
import { parseWith } from '@/core/formats';
import { discardDraft as discard } from '@/data/drafts';
import { countSave } from '@/data/watch';
import { restoreBefore } from '@/data/restore-before';
import type { SaveResult } from '@/data/saves';
import { signedIn } from '../session/signed-in';
import { isId } from '../shared';
import { editSchema, isVisitPart, PART_NAMES, type SaveAnswer } from './edits';
import { saveDocument } from './queries';
import type { VisitPart } from './types';

/**
 * Saves one part of a visit. Nothing is written unless the whole document is sound and its base is the
 * newest.
 */
export const saveVisitPart = signedIn(
  'saveVisitPart',
  async (person, visitId: string, part: string, body: unknown): Promise<SaveAnswer> => {
    if (!isId(visitId) || !isVisitPart(part))
      return { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' };
    const edit = parseWith(editSchema, body);
    if (!edit.ok) return { ok: false, reason: 'invalid', problem: edit.problem };
    const { document, ...base } = edit.value;
    const saved = await saveDocument({ person, visitId, part, base, document });
    countSave(part, 'problem' in saved ? 'invalid' : saved.ok ? 'saved' : saved.reason);
    return 'problem' in saved
      ? { ok: false, reason: 'invalid', problem: saved.problem }
      : answer(saved, part);
  },
);

/** Puts documents that cannot be read back to what they were before their last change. */
export const putBack = signedIn(
  'putBack',
  async (person, visitId: string): Promise<void> => {
    if (isId(visitId)) await restoreBefore(person, visitId);
    revalidatePath(`/visits/${visitId}`, 'layout');
  },
  () => undefined,
);

/** Throws one's own refused edit away. */
export const discardDraft = signedIn(
  'discardDraft',
  async (person, visitId: string, part: VisitPart, editId: string): Promise<void> => {
    if (isId(visitId) && isId(editId) && isVisitPart(part)) await discard(person, visitId, part, editId);
  },
  () => undefined,
);

function answer(saved: SaveResult, part: VisitPart): SaveAnswer {
  if (saved.ok) return saved;
  if (saved.reason === 'not-begun')
    return {
      ok: false,
      reason: 'invalid',
      problem: 'The service has not begun yet: begin it first, then record it. What you wrote is kept here.',
    };
  if (saved.reason === 'used') return { ok: false, reason: 'invalid', problem: saved.problem };
  if (saved.reason === 'signed')
    return {
      ok: false,
      reason: 'signed',
      problem:
        'This visit is signed off and no longer changes. Yours was kept as a draft. Put what is to be corrected into an addendum, in Record.',
    };
  if (saved.reason === 'missing')
    return { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' };
  return {
    ok: false,
    reason: 'stale',
    problem: `Somebody saved this ${PART_NAMES[part]} meanwhile. Yours was kept as a draft; nothing was overwritten.`,
  };
}
