'use server';

import { z } from 'zod';
import { parseWith } from '@/core/formats';
import { addAddendum, signOff, type SignAnswer } from '@/data/sign-off';
import { currentPerson } from '../session/current';
import { isId, isRevision } from '../shared';

export type RecordAnswer = { readonly ok: true } | { readonly ok: false; readonly problem: string };

const SIGNED_OUT: RecordAnswer = {
  ok: false,
  problem:
    'This station is locked or signed out. Unlock it with your PIN or password; your work is kept here.',
};
const NOT_ALLOWED: RecordAnswer = {
  ok: false,
  problem: 'Only a colourist or the owner can sign a record off.',
};
const SENTENCES = {
  missing: 'There is no such visit in this salon.',
  'not-recorded': 'There is nothing to sign yet: record the visit first.',
  changed: 'Somebody changed the record meanwhile. Look at it again, then sign.',
  'not-signed': 'The record is not signed off: change the record itself.',
} as const;

const words = z
  .string({ error: 'must be text' })
  .trim()
  .min(1, 'must say something')
  .max(2000, 'must be at most 2000 characters');

/** Signs the record off in the revision that was seen. */
export async function signRecord(visitId: string, revision: number): Promise<RecordAnswer> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role === 'assistant') return NOT_ALLOWED;
  if (!isId(visitId) || !isRevision(revision)) return said({ ok: false, reason: 'missing' });
  return said(await signOff(person, visitId, revision));
}

/** Adds to a signed record. */
export async function addToRecord(visitId: string, text: unknown): Promise<RecordAnswer> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role === 'assistant')
    return { ok: false, problem: 'Only a colourist or the owner can add to a signed record.' };
  const read = parseWith(words, text);
  if (!read.ok) return { ok: false, problem: `Addendum: ${read.problem}` };
  if (!isId(visitId)) return said({ ok: false, reason: 'missing' });
  return said(await addAddendum(person, visitId, read.value));
}

const said = (answer: SignAnswer): RecordAnswer =>
  answer.ok ? answer : { ok: false, problem: SENTENCES[answer.reason] };
