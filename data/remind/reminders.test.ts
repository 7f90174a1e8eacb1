import { book } from '../appointments';
import { mergeClients } from '../merges';
import { eraseClient, exportClient } from '../client-record';
import { createClient } from '../clients';
import { inSalon, type Actor } from '../database';
import { queueReminder, recentReminders, reminderFacts, settleReminder, type NewReminder } from './reminders';
import { addConsent, withdrawConsent } from '../safety';
import { signedIn } from '../testing/actor';
import { scratchWithDemo, type Scratch } from '../testing/scratch';
import { readTrail } from '../trail';

const NOW = new Date('2027-02-27T10:00:00Z');
let scratch: Scratch;
let owner: Actor;
let stranger: Actor;
let clientId: string;
let consentId: string;
let appointmentId: string;
beforeAll(async () => {
  scratch = await scratchWithDemo('2027-01-04');
  owner = await signedIn('ottilie@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());
beforeEach(async () => {
  clientId = await createClient(owner, {
    name: 'Reminded Sedge',
    phone: '0700 900 000',
    email: '',
    note: '',
    bornOn: null,
  });
  consentId = (await addConsent(owner, clientId, {
    kind: 'reminders',
    words: 'May text me.',
    signedName: 'Reminded Sedge',
    signature: [],
  }))!;
  const booked = await book(
    owner,
    [
      {
        clientId,
        personId: owner.personId,
        on: '2027-03-01',
        from: 570,
        minutes: 180,
        kind: 'full',
        note: '',
        redoOf: null,
      },
    ],
    'UTC',
  );
  if (!booked.ok) throw new Error(booked.problem);
  appointmentId = booked.id;
});

const reminder = (part: Partial<NewReminder> = {}): NewReminder => ({
  clientId,
  appointmentId,
  about: '2027-03-01 09:30',
  phone: '0700 900 000',
  words: 'See you on Monday.',
  ...part,
});
const queued = async (part: Partial<NewReminder> = {}) => {
  const answer = await queueReminder(owner, reminder(part));
  if (!answer.ok) throw new Error(answer.problem);
  return answer.reminder.id;
};
const kept = async () => (await reminderFacts(owner, [clientId])).kept;

test('kept before it is sent, tried again under the same id, and once sent never again', async () => {
  const id = await queued();
  expect(await kept()).toMatchObject([{ id, state: 'queued', sentAt: null, by: 'Ottilie Marsh' }]);
  await settleReminder(owner, id, 'The outbox cannot be reached.', NOW);
  expect(await kept()).toMatchObject([{ state: 'failed', problem: 'The outbox cannot be reached.' }]);
  // Tried again in other words: still the one that may be on its way.
  expect(await queued({ words: 'See you on Monday, then.' })).toBe(id);
  await settleReminder(owner, id, null, NOW);
  expect(await kept()).toMatchObject([
    { id, state: 'sent', problem: '', words: 'See you on Monday, then.', sentAt: NOW.toISOString() },
  ]);
  expect(await queueReminder(owner, reminder())).toEqual({
    ok: false,
    problem: 'Reminded Sedge: this reminder was sent already.',
  });
  // A late answer to an earlier try takes nothing back.
  await settleReminder(owner, id, 'late', NOW);
  expect(await kept()).toMatchObject([{ state: 'sent' }]);
  expect((await readTrail(owner, { clientId })).filter(({ act }) => act === 'reminded')).toMatchObject([
    { words: 'of 2027-03-01 09:30', personName: 'Ottilie Marsh' },
  ]);
  expect((await recentReminders(owner, new Date(0))).map((recentReminder) => recentReminder.id)).toContain(
    id,
  );
});

test('pressed twice at once it is one reminder', async () => {
  const ids = await Promise.all([queued(), queued(), queued()]);
  expect(new Set(ids).size).toBe(1);
  expect(await kept()).toHaveLength(1);
});

test('another time is another reminder; a due visit is one of its own', async () => {
  const ids = [
    await queued(),
    await queued({ about: '2027-03-02 10:00' }),
    await queued({ appointmentId: null, about: '2027-03-01' }),
  ];
  expect(new Set(ids).size).toBe(3);
  expect(await queued({ appointmentId: null, about: '2027-03-01' })).toBe(ids[2]);
});

test('without her consent, or once she took it back, nobody is texted', async () => {
  await withdrawConsent(owner, consentId);
  expect(await queueReminder(owner, reminder())).toEqual({
    ok: false,
    problem: 'Reminded Sedge: they have not agreed to be texted, or withdrew it.',
  });
  expect((await reminderFacts(owner, [clientId])).consented.has(clientId)).toBe(false);
  expect(await kept()).toEqual([]);
});

test('of another salon nobody is found, seen or settled', async () => {
  const id = await queued();
  expect(await queueReminder(stranger, reminder())).toMatchObject({
    ok: false,
    problem: expect.stringContaining('no such client'),
  });
  expect(await reminderFacts(stranger, [clientId])).toEqual({ consented: new Set(), kept: [] });
  await settleReminder(stranger, id, null, NOW);
  expect(await kept()).toMatchObject([{ state: 'queued' }]);
});

test('the server itself refuses a second one of the same, and one of nobody', async () => {
  await queued();
  const row = {
    salon_id: owner.salonId,
    client_id: clientId,
    appointment_id: appointmentId,
    about: '2027-03-01 09:30',
    phone: '0700 900 000',
    words: 'x',
    created_by: owner.personId,
  };
  const insert = (part: object) =>
    inSalon(owner.salonId, (trx) => trx('reminder').insert({ ...row, ...part }), scratch.app);
  await expect(insert({})).rejects.toThrow(/reminder_once/);
  await expect(insert({ about: '2027-03-09 09:30', client_id: crypto.randomUUID() })).rejects.toThrow(
    /foreign key/,
  );
  await expect(insert({ about: '2027-03-09 09:30', state: 'sent' })).rejects.toThrow(/check/);
  await expect(inSalon(owner.salonId, (trx) => trx('reminder').delete(), scratch.app)).rejects.toThrow(
    /permission denied/,
  );
});

test('goes with her record, moves when she is merged, and is gone when she is erased', async () => {
  await queued();
  expect((await exportClient(owner, clientId))!.reminders).toMatchObject([
    { about: '2027-03-01 09:30', state: 'queued' },
  ]);
  const other = await createClient(owner, {
    name: 'Reminded Sedge',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  await mergeClients(owner, clientId, other);
  expect((await reminderFacts(owner, [other])).kept).toHaveLength(1);
  await eraseClient(owner, other);
  expect(
    await inSalon(
      owner.salonId,
      (trx) => trx('reminder').where({ appointment_id: appointmentId }),
      scratch.app,
    ),
  ).toEqual([]);
});
