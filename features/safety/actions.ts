'use server';

import { isOneOf, type Result } from '@/core/units';
import { z } from 'zod';
import { CAUTION_KEYS } from '@/core/caution';
import { parseTest, sentenceOf } from '@/core/formats';
import { CONSENT_KINDS } from '@/core/visit';
import { beginVisit } from '@/data/begin-visit';
import { giveReason } from '@/data/cautions';
import { addConsent, addTest, readTest, withdrawConsent } from '@/data/safety';
import { salonToday } from '../house/queries';
import { signedIn } from '../session/signed-in';
import { isId } from '../shared';
import { CONSENT_WORDS } from './words';

const NO_CLIENT = { ok: false, problem: 'This salon has no such client.' } as const;
const done = { ok: true } as const;

const testFields = z.object({
  kind: z.enum(['alert', 'strand'], 'Test: alert or strand.'),
  onDay: z.iso.date('Day: write a day such as 2026-11-25.'),
  result: z
    .enum(['clear', 'reaction', 'passed', 'failed'], 'Result: this test has no such result.')
    .nullable(),
  document: z.unknown(),
});

/** Keeps a test of a client. */
export const recordTest = signedIn(
  'recordTest',
  async (person, clientId: string, fields: unknown): Promise<Result> => {
    const read = testFields.safeParse(fields);
    if (!read.success) return { ok: false, problem: read.error.issues[0].message };
    const { kind, onDay, result } = read.data;
    if (onDay > (await salonToday())) return { ok: false, problem: 'Day: it lies in the future.' };
    const fits =
      result === null ||
      (kind === 'alert'
        ? result === 'clear' || result === 'reaction'
        : result === 'passed' || result === 'failed');
    if (!fits) return { ok: false, problem: 'Result: this test has no such result.' };
    const document = parseTest(read.data.document);
    if (!document.ok) return document;
    return isId(clientId) &&
      (await addTest(person, clientId, { kind, onDay, result, document: document.value }))
      ? done
      : NO_CLIENT;
  },
);

/** Writes down the result of a test that was waiting for it. */
export const setTestResult = signedIn(
  'setTestResult',
  async (person, testId: string, result: string): Promise<Result> => {
    const read = z.enum(['clear', 'reaction', 'passed', 'failed']).safeParse(result);
    if (!read.success || !isId(testId) || !(await readTest(person, testId, read.data)))
      return {
        ok: false,
        problem: 'This test has its result already; a result is not changed. Write down a new test.',
      };
    return done;
  },
);

const consentFields = z.object({
  kind: z.enum(CONSENT_KINDS, 'Consent: to photos, the service, by a guardian, or to reminders.'),
  signedName: z
    .string()
    .trim()
    .min(1, 'Name: who signs?')
    .max(120, 'Name: it is longer than 120 characters.'),
  signature: z
    .array(z.array(z.number().min(0).max(1)).min(2).max(4000))
    .max(60, 'Signature: it has too many strokes.'),
});

/** Keeps a consent, signed or with the name typed. */
export const takeConsent = signedIn(
  'takeConsent',
  async (person, clientId: string, fields: unknown): Promise<Result> => {
    const read = consentFields.safeParse(fields);
    if (!read.success)
      return { ok: false, problem: sentenceOf({ issues: [{ ...read.error.issues[0], path: [] }] } as never) };
    const { kind } = read.data;
    return isId(clientId) &&
      (await addConsent(person, clientId, { ...read.data, words: CONSENT_WORDS[kind].words }))
      ? done
      : NO_CLIENT;
  },
);

/** Withdraws a consent. */
export const takeConsentBack = signedIn(
  'takeConsentBack',
  async (person, consentId: string): Promise<Result> => {
    return isId(consentId) && (await withdrawConsent(person, consentId))
      ? done
      : { ok: false, problem: 'This consent was withdrawn already.' };
  },
);

/** Keeps the reason why a visit goes on in spite of a caution. */
export const explainCaution = signedIn(
  'explainCaution',
  async (person, visitId: string, key: string, reason: string): Promise<Result> => {
    const words = String(reason).trim();
    if (words.length < 3) return { ok: false, problem: 'Reason: say it in a few words.' };
    if (words.length > 1000) return { ok: false, problem: 'Reason: it is longer than 1000 characters.' };
    if (!isId(visitId) || !isOneOf(CAUTION_KEYS, key))
      return { ok: false, problem: 'There is no such visit or caution.' };
    return giveReason(person, visitId, key, words);
  },
);

/** Begins the service, unless a caution stands in the way. */
export const beginService = signedIn('beginService', async (person, visitId: string): Promise<Result> => {
  return isId(visitId)
    ? beginVisit(person, visitId)
    : { ok: false, problem: 'There is no such visit in this salon.' };
});
