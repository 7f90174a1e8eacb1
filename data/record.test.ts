import { EMPTY_CONSULT, EMPTY_MIX, startPlan } from '../core/formats';
import { EMPTY_OUTCOME, type Consult, type Outcome } from '../core/visit';
import { createClient, listClients, readClient } from './clients';
import { book } from './appointments';
import { eraseClient, exportClient } from './client-record';
import { inSalon, type Actor } from './database';
import { saveConsult, saveMix, saveOutcome, savePlan } from './saves';
import { addAddendum, signOff } from './sign-off';
import { computedVisit } from './testing/computed';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';

let scratch: Scratch;
let owner: Actor;
let other: Actor;
beforeAll(async () => {
  scratch = await scratchWithDemo('2027-01-04');
  owner = await signedIn('ottilie@fernhollow.example');
  other = await signedIn('bram@fernhollow.example');
});
afterAll(() => scratch.drop());

const edit = <T>(document: T, baseRevision = 1) => ({ baseRevision, editId: crypto.randomUUID(), document });

/** A visit with what was found, and its record. */
async function recorded(
  clientId: string,
  on: string,
  regrowthMm: Consult['regrowthMm'],
  zones: Outcome['zones'],
): Promise<string> {
  const visitId = (await createVisit(owner, clientId, on))!;
  await saveConsult(owner, visitId, edit({ ...EMPTY_CONSULT, regrowthMm }));
  await inSalon(owner.salonId, (trx) =>
    trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: owner.personId }),
  );
  expect(await saveOutcome(owner, visitId, edit({ ...EMPTY_OUTCOME, done: 'Foiled.', zones }, 0))).toEqual({
    ok: true,
    revision: 1,
  });
  return visitId;
}

const TO_ROOT = { leftMm: 0, measured: false, level: null, tone: null };

test('three visits with different zones treated: rate, regrowth by zone and what is expected are as worked by hand', async () => {
  const clientId = await createClient(owner, {
    name: 'Lone Sedge',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  await recorded(clientId, '2027-01-04', {}, { 'front-l': TO_ROOT, 'temple-l': TO_ROOT, crown: TO_ROOT });
  await recorded(
    clientId,
    '2027-03-01',
    { 'front-l': 24, crown: 24 },
    { 'front-l': { ...TO_ROOT, leftMm: 3 } },
  );
  await recorded(
    clientId,
    '2027-04-26',
    { 'front-l': 27, crown: 48 },
    { 'front-l': TO_ROOT, crown: TO_ROOT },
  );
  const story = (await readClient(owner, clientId, '2027-06-07'))!;
  // 24 in 8 weeks, twice at the front (27 less 3), and 48 in 16 at the crown.
  const weights = [
    [8, 24],
    [8, 24],
    [16, 48],
  ].map(([w, mm]) => [w, mm, 1 + (0.05 * 2.875 * w) ** 2]);
  const rate =
    weights.reduce((sum, [w, mm, v]) => sum + (w * mm) / v, 2.875 / 0.46 ** 2) /
    weights.reduce((sum, [w, , v]) => sum + w ** 2 / v, 1 / 0.46 ** 2);
  expect(story.growth).toMatchObject({ measuredIntervals: 3, mmPerWeek: expect.closeTo(rate, 6) });
  // What the last visit took stands for the head; the temple was never touched again.
  expect(story.client.regrowthToday).toMatchObject({
    mm: expect.closeTo(6 * rate, 6),
    elsewhereMm: expect.closeTo(22 * rate, 6),
  });
  const next = (await createVisit(owner, clientId, '2027-06-07'))!;
  const { expected } = (await computedVisit(owner, next)).growth;
  expect(expected['front-l']!.mm).toBeCloseTo(6 * rate, 6);
  expect(expected.crown!.mm).toBeCloseTo(6 * rate, 6);
  // Never touched since January, and never measured.
  expect(expected['temple-l']!.mm).toBeCloseTo(22 * rate, 6);
  expect(expected['nape-l']).toBeUndefined();
});

test('a record from before zones were kept is read as taken everywhere', async () => {
  const clientId = await createClient(owner, {
    name: 'Old Record',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitId = await recorded(clientId, '2027-01-04', {}, null);
  await inSalon(
    owner.salonId,
    (trx) =>
      trx('outcome')
        .where({ visit_id: visitId })
        .update({
          document: JSON.stringify({
            version: 1,
            done: 'Foiled.',
            foilsPlaced: 20,
            levelReached: 8,
            nextOn: null,
          }),
        }),
    scratch.owner,
  );
  expect((await readVisit(owner, visitId))!.outcome!.document).toEqual({
    ...EMPTY_OUTCOME,
    done: 'Foiled.',
    foilsPlaced: 20,
    levelReached: 8,
  });
  const [summary] = await listClients(owner, 'old record', '2027-03-01');
  expect(summary.regrowthToday!.mm).toBeCloseTo(8 * 2.875, 6);
});

describe('signing off', () => {
  let clientId: string;
  let visitId: string;
  beforeEach(async () => {
    clientId = await createClient(owner, {
      name: 'Signed Sedge',
      phone: '',
      email: '',
      note: '',
      bornOn: null,
    });
    visitId = await recorded(clientId, '2027-01-04', {}, {});
  });

  test('is done by whoever saw the newest record, once, and stands in the visit', async () => {
    expect(await signOff(owner, visitId, 7)).toEqual({ ok: false, reason: 'changed' });
    expect(await signOff(owner, visitId, 1)).toEqual({ ok: true });
    expect(await signOff(other, visitId, 1)).toEqual({ ok: true });
    expect((await readVisit(owner, visitId))!.signOff.signed!.by).toBe('Ottilie Marsh');
    expect(await signOff(owner, crypto.randomUUID(), 1)).toEqual({ ok: false, reason: 'missing' });
    const unrecorded = (await createVisit(owner, clientId, '2027-02-01'))!;
    expect(await signOff(owner, unrecorded, 0)).toEqual({ ok: false, reason: 'not-recorded' });
  });

  test('nothing of the visit changes afterwards, by whatever door', async () => {
    await signOff(owner, visitId, 1);
    const before = await readVisit(owner, visitId);
    const signed = { ok: false, reason: 'signed' };
    expect(await saveOutcome(owner, visitId, edit({ ...EMPTY_OUTCOME, done: 'Otherwise.' }))).toEqual(signed);
    expect(await saveConsult(owner, visitId, edit({ ...EMPTY_CONSULT, notes: 'other' }, 2))).toEqual(signed);
    expect(await savePlan(owner, visitId, edit(startPlan()))).toEqual(signed);
    expect(await saveMix(owner, visitId, edit(EMPTY_MIX, 0))).toEqual(signed);
    // What came too late is kept as a draft of whoever made it.
    const after = await readVisit(owner, visitId);
    expect(after!.drafts.map(({ part }) => part).sort()).toEqual(['consult', 'outcome', 'plan']);
    expect({ ...after, drafts: [], readAt: 0 }).toEqual({ ...before, readAt: 0 });
    // The database refuses too, whoever asks.
    for (const table of ['outcome', 'plan']) {
      await expect(
        inSalon(
          owner.salonId,
          (trx) => trx(table).where({ visit_id: visitId }).update({ revision: 9 }),
          scratch.owner,
        ),
      ).rejects.toMatchObject({ code: 'LT001' });
    }
    await expect(
      inSalon(owner.salonId, (trx) => trx('visit').where({ id: visitId }).update({ held_on: '2027-01-05' })),
    ).rejects.toMatchObject({ code: 'LT001' });
  });

  test('what is to be put right is added with its author, and never changed', async () => {
    expect(await addAddendum(other, visitId, 'The left temple was 9.')).toEqual({
      ok: false,
      reason: 'not-signed',
    });
    await signOff(owner, visitId, 1);
    expect(await addAddendum(other, visitId, 'The left temple was 9.')).toEqual({ ok: true });
    expect(await addAddendum(owner, visitId, 'Seen.')).toEqual({ ok: true });
    expect((await readVisit(owner, visitId))!.signOff.addenda.map(({ by, words }) => [by, words])).toEqual([
      ['Bram Vale-Osei', 'The left temple was 9.'],
      ['Ottilie Marsh', 'Seen.'],
    ]);
    await expect(
      inSalon(owner.salonId, (trx) => trx('addendum').where({ visit_id: visitId }).update({ words: 'x' })),
    ).rejects.toMatchObject({ code: '42501' });
  });

  test('what is handed to the client holds it', async () => {
    await signOff(owner, visitId, 1);
    await addAddendum(owner, visitId, 'Seen.');
    await book(
      owner,
      [
        {
          clientId,
          personId: owner.personId,
          on: '2027-03-01',
          from: 570,
          minutes: 60,
          kind: 'toner',
          note: 'Brings a picture',
          redoOf: null,
        },
      ],
      'Europe/Berlin',
    );
    expect(await exportClient(owner, clientId)).toMatchObject({
      visits: [{ id: visitId, signedAt: expect.any(Date) }],
      addenda: [{ visit_id: visitId, words: 'Seen.', by: 'Ottilie Marsh' }],
      appointments: [{ kind: 'toner', note: 'Brings a picture', colourist: 'Ottilie Marsh' }],
    });
  });

  test('erasing the client takes it all along', async () => {
    await signOff(owner, visitId, 1);
    await addAddendum(owner, visitId, 'Seen.');
    expect(await eraseClient(owner, clientId)).toBe(true);
    expect(await readVisit(owner, visitId)).toBeUndefined();
  });
});
