import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { book, changeAppointment } from './appointments';
import { openPage } from './client-pages';
import { createClient } from './clients';
import type { Actor } from './database';
import { readHouse, saveHouse } from './house';
import { workAtJobs, type Handlers, type JobData, type Jobs } from './jobs';
import { startOutbox, type OutboxStand } from '../stands/outbox-server';
import { enqueueDue, sendOne } from './remind/due';
import { reminderFacts } from './remind/reminders';
import { addConsent, withdrawConsent } from './safety';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';

/** The server's clock stands at a moment: two days before the appointment, at noon. */
const NOON = Date.parse('2027-03-01T12:00:00Z');
let scratch: Scratch;
let owner: Actor;
let outbox: OutboxStand;
const machines: Jobs[] = [];
beforeAll(async () => {
  scratch = await scratchWithDemo('2027-01-04');
  owner = await signedIn('ottilie@fernhollow.example');
  outbox = await startOutbox(0);
  process.env.LATTICE_OUTBOX = `127.0.0.1:${outbox.port}`;
  const clock = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-clock-')), 'added');
  writeFileSync(clock, String(NOON - Date.now()));
  process.env.LATTICE_CLOCK = clock;
  process.env.LATTICE_ADDRESS = 'https://salon.example/';
  process.env.LATTICE_SESSION_SECRET ??= 'a secret of the tests, long enough for one';
});
afterAll(async () => {
  delete process.env.LATTICE_CLOCK;
  delete process.env.LATTICE_ADDRESS;
  delete process.env.LATTICE_OUTBOX;
  await Promise.all(machines.map((machine) => machine.stop()));
  await outbox.close();
  await scratch.drop();
});

const until = async (holds: () => boolean | Promise<boolean>) => {
  for (
    const from = performance.now();
    performance.now() - from < 15_000;
    await new Promise((resolve) => setTimeout(resolve, 100))
  )
    if (await holds()) return;
  throw new Error('It did not come about in 15 s.');
};
const taken = async () =>
  ((await (await fetch(`http://127.0.0.1:${outbox.port}/messages`)).json()) as { words: string }[]).map(
    ({ words }) => words,
  );
const jobsOf = async (kind: string): Promise<{ state: string; retry_count: number; output: unknown }[]> =>
  scratch.owner('pgboss.job').where({ name: kind }).select('state', 'retry_count', 'output');

async function appointmentOf(name: string): Promise<{ clientId: string; appointmentId: string }> {
  const clientId = await createClient(owner, {
    name,
    phone: '0700 900 000',
    email: '',
    note: '',
    bornOn: null,
  });
  await addConsent(owner, clientId, {
    kind: 'reminders',
    words: 'May text me.',
    signedName: name,
    signature: [],
  });
  const booked = await book(
    owner,
    [
      {
        clientId,
        personId: owner.personId,
        on: '2027-03-03',
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
  return { clientId, appointmentId: booked.id };
}

async function sendsFrom(fromMinute: number | null): Promise<void> {
  const { document, revision } = await readHouse(owner);
  await saveHouse(owner, revision, {
    ...document,
    timeZone: 'UTC',
    reminders: { ...document.reminders, fromMinute },
  });
}

/** What would be put into the queue now, of one client. */
async function due(clientId: string): Promise<JobData['reminder'][]> {
  const all: JobData['reminder'][] = [];
  await enqueueDue((own) => Promise.resolve(void all.push(own)));
  return all.filter((own) => own.clientId === clientId);
}

test('a reminder goes out by itself at its time, once, however many machines there are', async () => {
  const { clientId, appointmentId } = await appointmentOf('Itself Sedge');
  expect(await due(clientId)).toEqual([]);
  await sendsFrom(720 + 30);
  expect(await due(clientId)).toEqual([]);
  await sendsFrom(720);
  const [own] = await due(clientId);
  expect(own).toMatchObject({ clientId, appointmentId, about: '2027-03-03 09:30' });

  const worked: string[] = [];
  const handlers = (machine: string): Handlers => ({
    'reminders-due': () => Promise.resolve(),
    reminder: async (data) => {
      worked.push(machine);
      await sendOne(data);
    },
  });
  machines.push(await workAtJobs(handlers('first'), 0.5), await workAtJobs(handlers('second'), 0.5));
  // Both looked at the same minute.
  await Promise.all(
    machines.map((machine) => machine.enqueue('reminder', own, `${own.appointmentId} ${own.about}`)),
  );
  await until(async () => (await jobsOf('reminder')).every(({ state }) => state === 'completed'));
  expect((await taken()).filter((words) => words.includes('Itself'))).toHaveLength(1);
  const [text] = (await taken()).filter((words) => words.includes('Itself'));
  // The link opens the client's own page, and stands in the text alone.
  const [, secret] = /https:\/\/salon\.example\/p\/([\w-]{32}) /.exec(text)!;
  expect(await openPage(secret, 'local')).toMatchObject({ clientId });
  const { kept } = await reminderFacts(owner, [clientId]);
  expect(kept).toMatchObject([{ state: 'sent', by: null, words: expect.stringContaining('{page}') }]);
  expect(JSON.stringify(kept)).not.toContain(secret);
  expect(await due(clientId)).toEqual([]);

  // Moved: its new time is another reminder.
  expect(
    (
      await changeAppointment({
        actor: owner,
        id: appointmentId,
        revision: 1,
        change: {
          on: '2027-03-03',
          from: 660,
          minutes: 180,
          personId: owner.personId,
          kind: 'full',
          note: '',
        },
        timeZone: 'UTC',
      })
    ).ok,
  ).toBe(true);
  expect(await due(clientId)).toMatchObject([{ about: '2027-03-03 11:00' }]);
});

test('what the outbox did not take is tried again, and nothing of the client lies in the queue', async () => {
  const { clientId, appointmentId } = await appointmentOf('Again Sedge');
  await fetch(`http://127.0.0.1:${outbox.port}/fault`, {
    method: 'POST',
    body: JSON.stringify({ fault: 'refuses' }),
  });
  const [own] = await due(clientId);
  await machines[0].enqueue('reminder', own, appointmentId);
  await until(async () => (await jobsOf('reminder')).some(({ state }) => state === 'retry'));
  expect((await reminderFacts(owner, [clientId])).kept).toMatchObject([{ state: 'failed' }]);
  await fetch(`http://127.0.0.1:${outbox.port}/fault`, {
    method: 'POST',
    body: JSON.stringify({ fault: 'off' }),
  });
  await scratch
    .owner('pgboss.job')
    .where({ name: 'reminder', state: 'retry' })
    .update({ start_after: scratch.owner.fn.now() });
  await until(async () => (await jobsOf('reminder')).every(({ state }) => state === 'completed'));
  expect((await taken()).filter((words) => words.includes('Again'))).toHaveLength(1);
  const kept = JSON.stringify(await scratch.owner('pgboss.job').select('*'));
  expect(kept).not.toMatch(/Again|Itself|Sedge|0700/);
});

test('one whose client took her consent back meanwhile is let be', async () => {
  const { clientId } = await appointmentOf('Withdrawn Sedge');
  const [own] = await due(clientId);
  const consent = await scratch.owner.transaction(async (trx) => {
    await trx.raw("select set_config('lattice.salon', ?, true)", [owner.salonId]);
    return trx('consent').where({ client_id: clientId }).select('id').first();
  });
  await withdrawConsent(owner, consent!.id);
  await sendOne(own);
  expect((await taken()).filter((words) => words.includes('Withdrawn'))).toEqual([]);
});
