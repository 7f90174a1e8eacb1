import { cautionsFor, type CautionKey, type ConsentKind, type HairTest } from '../core/caution';
import { EMPTY_MIX, parseConsult, parseMix, parsePlan, parseTest, type TestDocument } from '../core/formats';
import { cautionFactsOf, mixOfVisit } from '../core/mix';
import { createPatternEngine } from '../core/pattern';
import { hasClient } from './client-fields';
import { inSalon, type Actor, type Transaction } from './database';
import { stored } from './documents';
import { houseOf } from './house-row';
import { rangeOf } from './products';
import { leaveTrail } from './trail';

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

/** A reason that was given for going on, kept with who gave it. */
export interface GivenReason {
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

/** Within a transaction: tests and consents of a client, and the reasons of one visit of hers. */
export async function safetyOf(trx: Transaction, clientId: string, visitId: string | null): Promise<Safety> {
  const tests = await trx('hair_test as t').join('person as p', 'p.id', 't.noted_by').where('t.client_id', clientId)
    .orderBy([{ column: 't.on_day', order: 'desc' }, { column: 't.noted_at', order: 'desc' }])
    .select('t.id', 't.kind', 't.on_day', 't.result', 't.document', 'p.name');
  const consents = await trx('consent as s').join('person as p', 'p.id', 's.taken_by').where('s.client_id', clientId).orderBy('s.given_at', 'desc')
    .select('s.id', 's.kind', 's.words', 's.signed_name', 's.signature', 's.given_at', 's.withdrawn_at', 'p.name');
  const reasons = visitId === null ? [] : await trx('caution_reason as r').join('person as p', 'p.id', 'r.given_by').where('r.visit_id', visitId).orderBy('r.given_at')
    .select('r.caution', 'r.seen', 'r.reason', 'r.given_at', 'p.name');
  return {
    tests: tests.map(({ id, kind, on_day, result, document, name }) => ({ id, kind, onDay: on_day, result, document: stored('test', parseTest(document)), notedBy: name })),
    consents: consents.map(({ id, kind, words, signed_name, signature, given_at, withdrawn_at, name }) => ({
      id, kind, words, signedName: signed_name, signature, givenAt: given_at.toISOString(), withdrawnAt: withdrawn_at?.toISOString() ?? null, takenBy: name,
    })),
    reasons: reasons.map(({ caution, seen, reason, given_at, name }) => ({ caution, seen, reason, givenBy: name, givenAt: given_at.toISOString() })),
  };
}

/** Keeps a test. @returns its id; undefined when the salon has no such client */
export function addTest(
  actor: Actor, clientId: string, test: { kind: 'alert' | 'strand'; onDay: string; result: HairTest['result']; document: TestDocument },
): Promise<string | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    if (!(await hasClient(trx, clientId))) return undefined;
    const [{ id }] = await trx('hair_test')
      .insert({ salon_id: actor.salonId, client_id: clientId, kind: test.kind, on_day: test.onDay, result: test.result, document: JSON.stringify(test.document), noted_by: actor.personId })
      .returning('id');
    await leaveTrail(trx, actor, 'test-added', { clientId, words: `${test.kind === 'alert' ? 'alert test' : 'strand test'} of ${test.onDay}: ${test.result ?? 'not read yet'}` });
    return id as string;
  });
}

/** Writes down the result of a test that was not read yet; a result that stands is never changed. */
export function readTest(actor: Actor, testId: string, result: NonNullable<HairTest['result']>): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const kind = result === 'clear' || result === 'reaction' ? 'alert' : 'strand';
    const [row] = await trx('hair_test').where({ id: testId, kind }).whereNull('result').update({ result }).returning(['client_id', 'on_day']);
    if (!row) return false;
    await leaveTrail(trx, actor, 'test-read', { clientId: row.client_id, words: `${kind === 'alert' ? 'alert test' : 'strand test'} of ${row.on_day}: ${result}` });
    return true;
  });
}

const CONSENT_WORDS = { photo: 'photos', service: 'the service', guardian: 'by a guardian', reminders: 'reminder texts' } as const;

/** Keeps a consent. @returns its id; undefined when the salon has no such client */
export function addConsent(
  actor: Actor, clientId: string, consent: Pick<Consent, 'kind' | 'words' | 'signedName' | 'signature'>,
): Promise<string | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    if (!(await hasClient(trx, clientId))) return undefined;
    const [{ id }] = await trx('consent')
      .insert({ salon_id: actor.salonId, client_id: clientId, kind: consent.kind, words: consent.words, signed_name: consent.signedName, signature: JSON.stringify(consent.signature), taken_by: actor.personId })
      .returning('id');
    await leaveTrail(trx, actor, 'consent-given', { clientId, words: `${CONSENT_WORDS[consent.kind]}, signed ${consent.signedName}` });
    return id as string;
  });
}

/** Withdraws a consent; that it was given stays on record. */
export function withdrawConsent(actor: Actor, consentId: string): Promise<boolean> {
  return inSalon(actor.salonId, async (trx) => {
    const [row] = await trx('consent').where({ id: consentId }).whereNull('withdrawn_at').update({ withdrawn_at: trx.fn.now() }).returning(['client_id', 'kind']);
    if (!row) return false;
    await leaveTrail(trx, actor, 'consent-withdrawn', { clientId: row.client_id, words: CONSENT_WORDS[row.kind as ConsentKind] });
    return true;
  });
}

export type Answered = { readonly ok: true } | { readonly ok: false; readonly reason: 'missing' | 'refused'; readonly problem: string };
export const NO_VISIT: Answered = { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' };

/** It remembers heads, and what it remembers changes no result. */
const engine = createPatternEngine();

/** What stands in the way of a visit, by what the server holds; the visit’s row is locked. */
export async function visitCautions(trx: Transaction, actor: Actor, visitId: string) {
  const row = await trx('visit as v').join('client as c', 'c.id', 'v.client_id').where('v.id', visitId)
    .forUpdate('v').select('v.client_id', 'v.held_on', 'v.consult', 'v.begun_at', 'c.born_on').first();
  if (!row) return undefined;
  const documents = await trx('plan as l').leftJoin('mix as m', 'm.visit_id', 'l.visit_id').where('l.visit_id', visitId).select('l.document as plan', 'm.document as mix').first();
  const safety = await safetyOf(trx, row.client_id, visitId);
  const house = await houseOf(trx, actor.salonId);
  const consult = stored('consultation', parseConsult(row.consult));
  const plan = stored('plan', parsePlan(documents.plan));
  const mix = documents.mix ? stored('mix', parseMix(documents.mix)) : EMPTY_MIX;
  const visit = { consult, plan, computed: engine.compute(plan), mix };
  // Own use changes amounts and no strength: cautions do without it.
  const mixed = mixOfVisit({ ...visit, range: await rangeOf(trx, actor.salonId), uses: [], schools: house.schools });
  const cautions = cautionsFor(consult, safety, { onDay: row.held_on, bornOn: row.born_on }, house.cautions, cautionFactsOf(visit, mixed));
  return { clientId: row.client_id as string, begunAt: row.begun_at as Date | null, safety, cautions };
}

/** Keeps the reason why a visit goes on in spite of a caution. A stop takes none. */
export function giveReason(actor: Actor, visitId: string, key: CautionKey, reason: string): Promise<Answered> {
  return inSalon(actor.salonId, async (trx) => {
    const found = await visitCautions(trx, actor, visitId);
    if (!found) return NO_VISIT;
    const caution = found.cautions.find((own) => own.key === key);
    if (!caution) return { ok: false, reason: 'refused', problem: 'This caution does not stand any more.' };
    if (caution.weight === 'stop') return { ok: false, reason: 'refused', problem: `${caution.seen} ${caution.why}` };
    await trx('caution_reason').insert({ salon_id: actor.salonId, visit_id: visitId, caution: key, seen: caution.seen, reason, given_by: actor.personId });
    await leaveTrail(trx, actor, 'reason-given', { clientId: found.clientId, visitId, words: `${caution.seen} Reason: ${reason}` });
    return { ok: true };
  });
}
