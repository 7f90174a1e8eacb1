'use server';

import type { Result } from '@/core/units';
import { z } from 'zod';
import { parseWith } from '@/core/formats';
import { addAddendum, signOff, type SignAnswer } from '@/data/sign-off';
import { signedIn } from '../session/signed-in';
import { isId, isRevision } from '../shared';

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
export const signRecord = signedIn(
  'signRecord',
  async (person, visitId: string, revision: number): Promise<Result> => {
    if (!isId(visitId) || !isRevision(revision)) return said({ ok: false, reason: 'missing' });
    return said(await signOff(person, visitId, revision));
  },
);

/** Adds to a signed record. */
export const addToRecord = signedIn(
  'addToRecord',
  async (person, visitId: string, text: unknown): Promise<Result> => {
    const read = parseWith(words, text);
    if (!read.ok) return { ok: false, problem: `Addendum: ${read.problem}` };
    if (!isId(visitId)) return said({ ok: false, reason: 'missing' });
    return said(await addAddendum(person, visitId, read.value));
  },
);

const said = (answer: SignAnswer): Result =>
  answer.ok ? answer : { ok: false, problem: SENTENCES[answer.reason] };
