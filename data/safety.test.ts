import { EMPTY_CONSULT } from '../core/formats';
import { EMPTY_OUTCOME, type Consult, type Health, type TestDocument } from '../core/visit';
import { createClient } from './clients';
import { inSalon } from './database';
import { beginVisit } from './begin-visit';
import { giveReason } from './cautions';
import { addConsent, addTest, readTest, withdrawConsent } from './safety';
import { saveConsult, saveOutcome } from './saves';
import type { SignedIn } from './sessions';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { signedIn } from './testing/actor';
import { readTrail } from './trail';
import { createVisit, readVisit } from './visits';

const TODAY = '2026-11-25';
let scratch: Scratch;
let owner: SignedIn;
let stranger: SignedIn;
beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());

const SOUND: Health = { allergy: 'none', dyes: 'none', scalp: 'sound', strandFeel: 'sound', noted: [] };
const TEST: TestDocument = {
  version: 1,
  product: '',
  volume: null,
  minutes: null,
  fromLevel: null,
  level: null,
  note: '',
};
const OUTCOME = { ...EMPTY_OUTCOME, done: 'Foiled.', foilsPlaced: 20, levelReached: 8, nextOn: null };

/** A client and her visit of today with this state of health. */
async function visitWith(
  health: Partial<Health>,
  part: { bornOn?: string } = {},
): Promise<{ clientId: string; visitId: string }> {
  const clientId = await createClient(owner, {
    name: 'Caution Subject',
    phone: '',
    email: '',
    note: '',
    bornOn: part.bornOn ?? null,
  });
  const visitId = (await createVisit(owner, clientId, TODAY))!;
  const document: Consult = { ...EMPTY_CONSULT, health: { ...SOUND, ...health } };
  await saveConsult(owner, visitId, { baseRevision: 1, editId: crypto.randomUUID(), document });
  return { clientId, visitId };
}
const clear = (clientId: string) =>
  addTest(owner, clientId, { kind: 'alert', onDay: '2026-11-20', result: 'clear', document: TEST });

test('a sound client with a clear test begins at once, and only then can the visit be recorded', async () => {
  const { clientId, visitId } = await visitWith({});
  await clear(clientId);
  const record = () =>
    saveOutcome(owner, visitId, { baseRevision: 0, editId: crypto.randomUUID(), document: OUTCOME });
  expect(await record()).toEqual({ ok: false, reason: 'not-begun' });
  expect(await beginVisit(stranger, visitId)).toMatchObject({ ok: false, reason: 'missing' });
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
  expect(await record()).toEqual({ ok: true, revision: 1 });
  // Begun once: a second press, or a colleague’s, changes nothing of it.
  const { begunAt } = (await readVisit(owner, visitId))!;
  expect(begunAt).not.toBeNull();
  expect(await beginVisit(await signedIn('bram@fernhollow.example'), visitId)).toEqual({ ok: true });
  expect((await readVisit(owner, visitId))!.begunAt).toEqual(begunAt);
  const begun = (await readTrail(owner, { clientId })).filter(({ act }) => act === 'visit-begun');
  expect(begun.map(({ personName }) => personName)).toEqual(['Ottilie Marsh']);
});

test('a missing alert test asks for a reason, which is kept with what was seen', async () => {
  const { clientId, visitId } = await visitWith({});
  expect(await beginVisit(owner, visitId)).toMatchObject({
    ok: false,
    reason: 'refused',
    problem: expect.stringMatching(/No alert test on record/),
  });
  expect(await giveReason(stranger, visitId, 'alert-test', 'no')).toMatchObject({ reason: 'missing' });
  expect(await giveReason(owner, visitId, 'alert-test', 'Same toner four weeks ago, no reaction.')).toEqual({
    ok: true,
  });
  expect((await readVisit(owner, visitId))!.safety.reasons).toMatchObject([
    { caution: 'alert-test', seen: 'No alert test on record.', givenBy: 'Ottilie Marsh' },
  ]);
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
  const words = (await readTrail(owner, { clientId })).map((entry) => `${entry.act}: ${entry.words}`);
  expect(words).toContain(
    'reason-given: No alert test on record. Reason: Same toner four weeks ago, no reaction.',
  );
  expect(words).toContain('visit-begun: with: No alert test on record.');
});

test('a stop takes no reason and nothing begins, until what it rests on is gone', async () => {
  const { clientId, visitId } = await visitWith({ scalp: 'broken' });
  await clear(clientId);
  expect(await giveReason(owner, visitId, 'scalp', 'The client insists.')).toMatchObject({
    ok: false,
    reason: 'refused',
    problem: expect.stringMatching(/No reason overrides this/),
  });
  expect(await beginVisit(owner, visitId)).toMatchObject({ ok: false, reason: 'refused' });
  // Nor by writing the reason past the application's own door.
  await inSalon(
    owner.salonId,
    (trx) =>
      trx('caution_reason').insert({
        salon_id: owner.salonId,
        visit_id: visitId,
        caution: 'scalp',
        seen: 'x',
        reason: 'forced in',
        given_by: owner.personId,
      }),
    scratch.app,
  );
  expect(await beginVisit(owner, visitId)).toMatchObject({ ok: false, reason: 'refused' });
  await saveConsult(owner, visitId, {
    baseRevision: 2,
    editId: crypto.randomUUID(),
    document: { ...EMPTY_CONSULT, health: SOUND },
  });
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
});

test('an unknown dye stops until a strand test has passed; a result that stands is not changed', async () => {
  const { clientId, visitId } = await visitWith({ dyes: 'unknown' });
  await clear(clientId);
  expect(await beginVisit(owner, visitId)).toMatchObject({ ok: false });
  const test = (await addTest(owner, clientId, {
    kind: 'strand',
    onDay: TODAY,
    result: null,
    document: { ...TEST, volume: 20, minutes: 15, fromLevel: 5, level: 7.5 },
  }))!;
  expect(await beginVisit(owner, visitId)).toMatchObject({ ok: false });
  expect(await readTest(stranger, test, 'passed')).toBe(false);
  expect(await readTest(owner, test, 'clear')).toBe(false);
  expect(await readTest(owner, test, 'passed')).toBe(true);
  expect(await readTest(owner, test, 'failed')).toBe(false);
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
});

test('below the house’s age a guardian’s consent is asked; withdrawn it counts no more, and stays on record', async () => {
  const { clientId, visitId } = await visitWith({}, { bornOn: '2011-01-01' });
  await clear(clientId);
  expect(await beginVisit(owner, visitId)).toMatchObject({
    problem: expect.stringMatching(/The client is 15/),
  });
  const consent = (await addConsent(owner, clientId, {
    kind: 'guardian',
    words: 'Agrees to foils.',
    signedName: 'Guardian Subject',
    signature: [[0.1, 0.2, 0.3, 0.4]],
  }))!;
  expect(await withdrawConsent(stranger, consent)).toBe(false);
  expect(await withdrawConsent(owner, consent)).toBe(true);
  expect(await withdrawConsent(owner, consent)).toBe(false);
  expect(await beginVisit(owner, visitId)).toMatchObject({ ok: false });
  await addConsent(owner, clientId, {
    kind: 'guardian',
    words: 'Agrees to foils.',
    signedName: 'Guardian Subject',
    signature: [],
  });
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
  expect(
    (await readVisit(owner, visitId))!.safety.consents.map(({ withdrawnAt }) => withdrawnAt === null),
  ).toEqual([true, false]);
});

test('what was looked at last time is looked at anew, what was asked is carried over', async () => {
  const { clientId, visitId } = await visitWith({ noted: ['medication'] });
  const next = (await createVisit(owner, clientId, '2026-12-25'))!;
  expect((await readVisit(owner, visitId))!.consult.document.health.scalp).toBe('sound');
  expect((await readVisit(owner, next))!.consult.document.health).toEqual({
    allergy: 'none',
    dyes: 'none',
    scalp: null,
    strandFeel: null,
    noted: ['medication'],
  });
});
