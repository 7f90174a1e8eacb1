import { EMPTY_OUTCOME } from '../core/visit';
import {
  book,
  changeAppointment,
  comingAppointments,
  dueClients,
  feedOwner,
  feedSince,
  listAppointments,
  makeFeed,
  revokeFeed,
  setAppointmentState,
  unfinishedVisits,
  visitOfAppointment,
  type Booking,
} from './appointments';
import { eraseClient } from './client-record';
import { archiveClient } from './client-changes';
import { createClient } from './clients';
import { mergeClients } from './merges';
import { inSalon, type Actor } from './database';
import { saveOutcome } from './saves';
import { signOff } from './sign-off';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';

const ZONE = 'Europe/Berlin';
let scratch: Scratch;
let owner: Actor;
let stranger: Actor;
let clientId: string;
beforeAll(async () => {
  scratch = await scratchWithDemo('2027-01-04');
  owner = await signedIn('ottilie@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());
beforeEach(async () => {
  clientId = await createClient(owner, {
    name: 'Booked Sedge',
    phone: '0700 900 000',
    email: '',
    note: '',
    bornOn: null,
  });
});

const booking = (part: Partial<Booking> = {}): Booking => ({
  clientId,
  personId: owner.personId,
  on: '2027-03-01',
  from: 570,
  minutes: 180,
  kind: 'full',
  note: '',
  redoOf: null,
  ...part,
});
const made = async (part: Partial<Booking> = {}) => {
  const answer = await book(owner, [booking(part)], ZONE);
  if (!answer.ok) throw new Error(answer.problem);
  return answer.id;
};
const ofDay = (on: string) => listAppointments({ actor: owner, from: on, to: on, timeZone: ZONE });

describe('booking', () => {
  test('is found on its day at its time, as the salon’s clock says, on both sides of summer time', async () => {
    for (const on of ['2027-03-27', '2027-03-28', '2027-03-29']) {
      const id = await made({ on, from: 605 });
      expect((await ofDay(on)).find((appointment) => appointment.id === id)).toMatchObject({
        on,
        from: 605,
        minutes: 180,
        clientName: 'Booked Sedge',
        state: 'booked',
        begun: false,
      });
    }
    // Late in the evening it is still that day, whatever day it is elsewhere.
    const late = await made({ on: '2027-07-01', from: 1430, minutes: 30 });
    expect((await ofDay('2027-07-01')).map(({ id }) => id)).toContain(late);
    expect((await ofDay('2027-07-02')).map(({ id }) => id)).not.toContain(late);
  });

  test('what a device has named is booked once', async () => {
    const id = crypto.randomUUID();
    const answers = await Promise.all(
      [1, 2, 3].map(() => book(owner, [booking({ on: '2027-03-05', id })], ZONE)),
    );
    expect(answers).toEqual([1, 2, 3].map(() => ({ ok: true, id })));
    expect(await ofDay('2027-03-05')).toHaveLength(1);
  });

  test('several are booked together or not at all', async () => {
    const before = (await ofDay('2027-03-02')).length;
    expect(
      await book(
        owner,
        [
          booking({ on: '2027-03-02', kind: 'alert-test', minutes: 10 }),
          booking({ personId: crypto.randomUUID() }),
        ],
        ZONE,
      ),
    ).toEqual({ ok: false, problem: 'Colourist: nobody of that name works here.' });
    expect(await ofDay('2027-03-02')).toHaveLength(before);
    expect(await book(owner, [booking({ clientId: crypto.randomUUID() })], ZONE)).toMatchObject({
      ok: false,
      problem: expect.stringContaining('Client:'),
    });
  });

  test('nobody books for a client in the archive', async () => {
    const gone = await createClient(owner, { name: 'Gone', phone: '', email: '', note: '', bornOn: null });
    expect(await archiveClient(owner, gone, true)).toBe(true);
    expect(await book(owner, [booking({ clientId: gone })], ZONE)).toMatchObject({
      ok: false,
      problem: expect.stringContaining('Client:'),
    });
  });

  test('a redo is linked to a visit of hers and to no other', async () => {
    const visit = (await createVisit(owner, clientId, '2027-02-01'))!;
    const id = await made({ kind: 'redo', redoOf: visit });
    expect((await ofDay('2027-03-01')).find((appointment) => appointment.id === id)).toMatchObject({
      kind: 'redo',
      redoOf: '2027-02-01',
    });
    const other = await createClient(owner, { name: 'Other', phone: '', email: '', note: '', bornOn: null });
    expect(
      await book(owner, [booking({ clientId: other, kind: 'redo', redoOf: visit })], ZONE),
    ).toMatchObject({ ok: false, problem: expect.stringContaining('Redo:') });
  });
});

test('an appointment for a toner opens a visit without foils', async () => {
  const visit = await readVisit(
    owner,
    (await visitOfAppointment(owner, await made({ on: '2027-05-03', kind: 'toner', minutes: 45 }), ZONE))!,
  );
  expect(visit!.plan.document.panels).toEqual([]);
  const full = await readVisit(
    owner,
    (await visitOfAppointment(owner, await made({ on: '2027-05-04' }), ZONE))!,
  );
  expect(full!.plan.document.panels).not.toEqual([]);
});

describe('changing', () => {
  test('moves it; a stale change overwrites nothing', async () => {
    const id = await made();
    expect(
      await changeAppointment({
        actor: owner,
        id,
        revision: 1,
        change: { ...booking({ on: '2027-03-03', from: 600, minutes: 60 }), kind: 'toner' },
        timeZone: ZONE,
      }),
    ).toEqual({ ok: true, id });
    expect((await ofDay('2027-03-03')).find((appointment) => appointment.id === id)).toMatchObject({
      from: 600,
      minutes: 60,
      kind: 'toner',
      revision: 2,
    });
    expect(
      await changeAppointment({ actor: owner, id, revision: 1, change: booking(), timeZone: ZONE }),
    ).toMatchObject({
      ok: false,
      problem: expect.stringContaining('Nothing was overwritten'),
    });
    expect(await setAppointmentState(owner, id, 1, 'cancelled')).toMatchObject({ ok: false });
    expect(await setAppointmentState(owner, id, 2, 'no-show')).toEqual({ ok: true, id });
    expect(await setAppointmentState(owner, crypto.randomUUID(), 1, 'cancelled')).toMatchObject({
      ok: false,
      problem: expect.stringContaining('no such appointment'),
    });
    expect(await comingAppointments(owner, clientId, '2027-01-01', ZONE)).toEqual([]);
  });

  test('nobody of another salon sees or moves it', async () => {
    const id = await made();
    expect(
      await listAppointments({ actor: stranger, from: '2027-03-01', to: '2027-03-01', timeZone: ZONE }),
    ).toEqual([]);
    expect(await setAppointmentState(stranger, id, 1, 'cancelled')).toMatchObject({ ok: false });
    expect(await visitOfAppointment(stranger, id, ZONE)).toBeUndefined();
  });
});

test('its visit is opened once, on its day; an open one of that day is taken', async () => {
  const id = await made();
  const visit = (await visitOfAppointment(owner, id, ZONE))!;
  expect(await visitOfAppointment(owner, id, ZONE)).toBe(visit);
  expect((await ofDay('2027-03-01')).find((appointment) => appointment.id === id)).toMatchObject({
    visitId: visit,
  });
  const second = await made({ on: '2027-03-05' });
  const open = (await createVisit(owner, clientId, '2027-03-05'))!;
  expect(await visitOfAppointment(owner, second, ZONE)).toBe(open);
});

test('who is due and not booked is listed, until she is booked; unfinished records too', async () => {
  const visitId = (await createVisit(owner, clientId, '2027-01-04'))!;
  await inSalon(owner.salonId, (trx) =>
    trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: owner.personId }),
  );
  const unfinished = async () =>
    (await unfinishedVisits(owner, '2027-01-10')).find(
      (unfinishedVisit) => unfinishedVisit.visitId === visitId,
    );
  expect(await unfinished()).toMatchObject({ recorded: false });
  await saveOutcome(owner, visitId, {
    baseRevision: 0,
    editId: crypto.randomUUID(),
    document: { ...EMPTY_OUTCOME, done: 'Foiled.', nextOn: '2027-03-01', nextWhat: 'face' },
  });
  expect(await unfinished()).toMatchObject({ recorded: true });
  await signOff(owner, visitId, 1);
  expect(await unfinished()).toBeUndefined();

  const due = async (until: string) =>
    (await dueClients(owner, '2027-02-20', until, ZONE)).find((dueClient) => dueClient.clientId === clientId);
  expect(await due('2027-02-28')).toBeUndefined();
  expect(await due('2027-03-06')).toEqual({
    clientId,
    clientName: 'Booked Sedge',
    phone: '0700 900 000',
    nextOn: '2027-03-01',
    nextWhat: 'face',
    lastOn: '2027-01-04',
  });
  // An alert test alone does not bring her in for it.
  await made({ on: '2027-02-26', kind: 'alert-test', minutes: 10 });
  expect(await due('2027-03-06')).toBeDefined();
  const id = await made();
  expect(await due('2027-03-06')).toBeUndefined();
  await setAppointmentState(owner, id, 1, 'cancelled');
  expect(await due('2027-03-06')).toBeDefined();
});

test('a calendar’s secret opens one person’s appointments, until it is made anew or withdrawn', async () => {
  expect(await feedSince(owner)).toBeNull();
  const first = await makeFeed(owner);
  expect(first).toMatch(/^[\w-]{32}$/);
  expect(await feedOwner(first)).toEqual({ salonId: owner.salonId, personId: owner.personId });
  const second = await makeFeed(owner);
  expect(await feedOwner(first)).toBeUndefined();
  expect(await feedOwner(second)).toBeDefined();
  await revokeFeed(owner);
  expect(await feedOwner(second)).toBeUndefined();
  expect(await feedOwner('nonsense')).toBeUndefined();
  // The secret itself is kept nowhere.
  const kept = await inSalon(owner.salonId, (trx) => trx('calendar_feed').select('secret_hash'));
  expect(kept).toHaveLength(2);
  for (const { secret_hash } of kept) expect([first, second]).not.toContain(secret_hash);
});

test('appointments go with a client that is merged, and are gone with one that is erased', async () => {
  const into = await createClient(owner, { name: 'Into', phone: '', email: '', note: '', bornOn: null });
  const id = await made();
  await mergeClients(owner, clientId, into);
  expect((await ofDay('2027-03-01')).find((appointment) => appointment.id === id)).toMatchObject({
    clientName: 'Into',
  });
  await eraseClient(owner, into);
  expect((await ofDay('2027-03-01')).find((appointment) => appointment.id === id)).toBeUndefined();
});
