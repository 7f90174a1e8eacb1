'use server';

import { revalidatePath } from 'next/cache';
import { futureProblem, parseConsult, parseMix, parseOutcome, parsePlan, parseWith, type Parsed } from '@/core/formats';
import { discardDraft as discard } from '@/data/drafts';
import { countSave } from '@/data/watch';
import { restoreBefore } from '@/data/restore-before';
import { saveConsult, saveMix, saveOutcome, savePlan, type SaveResult } from '@/data/saves';
import type { SignedIn } from '@/data/sessions';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { currentPerson } from '../session/current';
import { isId, today } from '../shared';
import { editSchema, PART_NAMES, type SaveAnswer } from './edits';
import type { VisitPart } from './types';

const PARTS: readonly string[] = Object.keys(PART_NAMES);

/** Saves one part of a visit. Nothing is written unless the whole document is sound and its base is the newest. */
export async function saveVisitPart(visitId: string, part: string, body: unknown): Promise<SaveAnswer> {
  const person = await currentPerson();
  if (!person) return { ok: false, reason: 'signed-out', problem: 'This station is locked or signed out. Go on with your PIN or password; your work is kept here.' };
  if (!isId(visitId) || !PARTS.includes(part)) return { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' };
  const edit = parseWith(editSchema, body);
  if (!edit.ok) return { ok: false, reason: 'invalid', problem: edit.problem };
  const { document, ...base } = edit.value;
  const saved = await saveDocument(person, visitId, part as VisitPart, base, document);
  countSave(part as VisitPart, 'problem' in saved ? 'invalid' : saved.ok ? 'saved' : saved.reason);
  return 'problem' in saved ? { ok: false, reason: 'invalid', problem: saved.problem } : answer(saved, part as VisitPart);
}

/** Puts documents that cannot be read back to what they were before their last change. */
export async function putBack(visitId: string): Promise<void> {
  const person = await currentPerson();
  if (person && isId(visitId)) await restoreBefore(person, visitId);
  revalidatePath(`/visits/${visitId}`, 'layout');
}

/** Throws one's own refused edit away. */
export async function discardDraft(visitId: string, part: VisitPart, editId: string): Promise<void> {
  const person = await currentPerson();
  if (person && isId(visitId) && isId(editId) && PARTS.includes(part)) await discard(person, visitId, part, editId);
}

type Base = { baseRevision: number; editId: string; following: readonly string[] };

async function saveDocument(
  person: SignedIn, visitId: string, part: VisitPart, base: Base, document: unknown,
): Promise<SaveResult | { problem: string }> {
  const take = <T>(read: Parsed<T>, save: (edit: Base & { document: T }) => Promise<SaveResult>) =>
    read.ok ? save({ ...base, document: read.value }) : Promise.resolve({ problem: read.problem });
  if (part === 'consult') {
    const read = parseConsult(document);
    const future = read.ok ? futureProblem(read.value, today((await readHouse(person)).document.timeZone, new Date(serverNow()))) : undefined;
    return future ? { problem: future } : take(read, (edit) => saveConsult(person, visitId, edit));
  }
  if (part === 'plan') return take(parsePlan(document), (edit) => savePlan(person, visitId, edit));
  if (part === 'mix') return take(parseMix(document), (edit) => saveMix(person, visitId, edit));
  return take(parseOutcome(document), (edit) => saveOutcome(person, visitId, edit));
}

function answer(saved: SaveResult, part: VisitPart): SaveAnswer {
  if (saved.ok) return saved;
  if (saved.reason === 'not-begun') return { ok: false, reason: 'invalid', problem: 'The service has not begun yet: begin it first, then record it. What you wrote is kept here.' };
  if (saved.reason === 'used') return { ok: false, reason: 'invalid', problem: saved.problem };
  if (saved.reason === 'signed') return { ok: false, reason: 'invalid', problem: 'This visit is signed off and no longer changes. Put what is to be corrected into an addendum, in Record.' };
  if (saved.reason === 'missing') return { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' };
  return {
    ok: false,
    reason: 'stale',
    problem: `Somebody saved this ${PART_NAMES[part]} meanwhile. Yours was kept as a draft; nothing was overwritten.`,
  };
}
