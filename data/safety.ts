import type { CautionKey } from '../core/caution';
import { parseTest } from '../core/formats';
import type { ConsentKind, HairTest, TestDocument } from '../core/visit';
import { hasClient } from './client-fields';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { leaveTrail, type Author } from './trail';
import type { CautionReasonRow, ConsentRow, HairTestRow, PersonRow } from './tables';

/** A test of the client as it is kept. */
export interface KeptTest extends HairTest {
  readonly id: string;
  readonly document: TestDocument;
  readonly notedBy: string;
}

/** A consent with its signature: strokes of the pen, x and y in turn, 0–1. */
export interface Consent {
  readonly id: string;
  readonly kind: ConsentKind;
  readonly words: string;
  readonly signedName: string;
  readonly signature: readonly (readonly number[])[];
  readonly givenAt: string;
  readonly withdrawnAt: string | null;
  readonly takenBy: string;
}

/** Who took a consent or a photo that came from the client's own page. */
export const THEMSELVES = 'the client';

/** A reason that was given for going on, kept with who gave it. */
interface GivenReason {
  readonly caution: CautionKey;
  readonly seen: string;
  readonly reason: string;
  readonly givenBy: string;
  readonly givenAt: string;
}

/** What cautions rest on beside the consultation. */
export interface Safety {
  readonly tests: readonly KeptTest[];
  readonly consents: readonly Consent[];
  /** Reasons given at this visit. */
  readonly reasons: readonly GivenReason[];
}

type Named = Pick<PersonRow, 'name'>;

/** Within a transaction: tests and consents of a client, and the reasons of one visit of hers. */
export async function safetyOf(trx: Transaction, clientId: string, visitId: string | null): Promise<Safety> {
  const tests = await trx('hair_test as t')
    .join('person as p', 'p.id', 't.noted_by')
    .where('t.client_id', clientId)
    .orderBy([
      { column: 't.on_day', order: 'desc' },
      { column: 't.noted_at', order: 'desc' },
    ])
    .select<(Pick<HairTestRow, 'id' | 'kind' | 'on_day' | 'result' | 'document'> & Named)[]>(
      't.id',
      't.kind',
      't.on_day',
      't.result',
      't.document',
      'p.name',
    );
  const consents = await trx('consent as s')
    .leftJoin('person as p', 'p.id', 's.taken_by')
    .where('s.client_id', clientId)
    .orderBy('s.given_at', 'desc')
    .select<(Omit<ConsentRow, 'salon_id' | 'client_id' | 'taken_by'> & { name: string | null })[]>(
      's.id',
      's.kind',
      's.words',
      's.signed_name',
      's.signature',
      's.given_at',
      's.withdrawn_at',
      'p.name',
    );
  const reasons =
    visitId === null
      ? []
      : await trx('caution_reason as r')
          .join('person as p', 'p.id', 'r.given_by')
          .where('r.visit_id', visitId)
          .orderBy('r.given_at')
          .select<
            (Pick<CautionReasonRow, 'seen' | 'reason' | 'given_at'> & Named & { caution: CautionKey })[]
          >('r.caution', 'r.seen', 'r.reason', 'r.given_at', 'p.name');
  return {
    tests: tests.map(({ id, kind, on_day, result, document, name }) => ({
      id,
      kind,
      onDay: on_day,
      result,
      document: stored('test', parseTest(document)),
      notedBy: name,
    })),
    consents: consents.map(({ id, kind, words, signed_name, signature, given_at, withdrawn_at, name }) => ({
      id,
      kind,
      words,
      signedName: signed_name,
      signature: signature as Consent['signature'],
      givenAt: given_at.toISOString(),
      withdrawnAt: withdrawn_at?.toISOString() ?? null,
      takenBy: name ?? THEMSELVES,
    })),
    reasons: reasons.map(({ caution, seen, reason, given_at, name }) => ({
      caution,
      seen,
      reason,
      givenBy: name,
      givenAt: given_at.toISOString(),
    })),
  };
}

/** Keeps a test. @returns its id; undefined when the salon has no such client */
export function addTest(
  actor: Actor,
  clientId: string,
  test: { kind: 'alert' | 'strand'; onDay: string; result: HairTest['result']; document: TestDocument },
): Promise<string | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    if (!(await hasClient(trx, clientId))) return undefined;
    const [{ id }] = await trx('hair_test')
      .insert({
        salon_id: actor.salonId,
        client_id: clientId,
        kind: test.kind,
        on_day: test.onDay,
        result: test.result,
        document: JSON.stringify(test.document),
        noted_by: actor.personId,
      })
      .returning('id');
    await leaveTrail(trx, actor, 'test-added', {
      clientId,
      words: `${test.kind === 'alert' ? 'alert test' : 'strand test'} of ${test.onDay}: ${test.result ?? 'not read yet'}`,
    });
    return id;
  });
}

/** Writes down the result of a test that was not read yet; a result that stands is never changed. */
export function readTest(
  actor: Actor,
  testId: string,
  result: NonNullable<HairTest['result']>,
): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const kind = result === 'clear' || result === 'reaction' ? 'alert' : 'strand';
    const [row] = await trx('hair_test')
      .where({ id: testId, kind })
      .whereNull('result')
      .update({ result })
      .returning(['client_id', 'on_day']);
    if (!row) return false;
    await leaveTrail(trx, actor, 'test-read', {
      clientId: row.client_id,
      words: `${kind === 'alert' ? 'alert test' : 'strand test'} of ${row.on_day}: ${result}`,
    });
    return true;
  });
}

const CONSENT_WORDS = {
  photo: 'photos',
  service: 'the service',
  guardian: 'by a guardian',
  reminders: 'reminder texts',
} as const;

/**
 * Keeps a consent; the author is nobody of the salon where the client signed on their own page.
 * @returns its id; undefined when the salon has no such client
 */
export function addConsent(
  actor: Author,
  clientId: string,
  consent: Pick<Consent, 'kind' | 'words' | 'signedName' | 'signature'>,
): Promise<string | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    if (!(await hasClient(trx, clientId))) return undefined;
    const [{ id }] = await trx('consent')
      .insert({
        salon_id: actor.salonId,
        client_id: clientId,
        kind: consent.kind,
        words: consent.words,
        signed_name: consent.signedName,
        signature: JSON.stringify(consent.signature),
        taken_by: actor.personId,
      })
      .returning('id');
    await leaveTrail(trx, actor, 'consent-given', {
      clientId,
      words: `${CONSENT_WORDS[consent.kind]}, signed ${consent.signedName}`,
    });
    return id;
  });
}

/** Withdraws a consent; that it was given stays on record. */
export function withdrawConsent(actor: Actor, consentId: string): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const [row] = await trx('consent')
      .where({ id: consentId })
      .whereNull('withdrawn_at')
      .update({ withdrawn_at: trx.fn.now() })
      .returning(['client_id', 'kind']);
    if (!row) return false;
    await leaveTrail(trx, actor, 'consent-withdrawn', {
      clientId: row.client_id,
      words: CONSENT_WORDS[row.kind],
    });
    return true;
  });
}
