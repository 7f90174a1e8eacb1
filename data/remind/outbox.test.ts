import { startOutbox, type OutboxFault, type OutboxStand } from '@/stands/outbox-server';
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { handOver, outboxPlace } from './outbox';

const ID = '0b9f1f6e-0d57-4a3f-9a57-5a8a6f0f3f10';
const text = { id: ID, phone: '0700 900 101', words: 'Hello Maren' };
let stand: OutboxStand;
let folder: string;
let at: string;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'outbox-'));
  stand = await startOutbox(0, join(folder, 'outbox.jsonl'));
  at = `127.0.0.1:${stand.port}`;
});
afterEach(async () => {
  await stand.close();
  rmSync(folder, { recursive: true });
});
const post = (path: string, body: unknown) =>
  fetch(`http://${at}${path}`, {
    method: 'POST',
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const fault = (name: OutboxFault) => post('/fault', { fault: name });
const messages = async () => (await fetch(`http://${at}/messages`)).json();

test('a text is taken once, however often it is handed over, and kept over a restart', async () => {
  expect(await handOver(at, text)).toEqual({ taken: true });
  expect(await handOver(at, text)).toEqual({ taken: true });
  expect(await messages()).toEqual([{ id: ID, to: '0700 900 101', words: 'Hello Maren' }]);
  await stand.close();
  stand = await startOutbox(0, join(folder, 'outbox.jsonl'));
  at = `127.0.0.1:${stand.port}`;
  expect(await handOver(at, text)).toEqual({ taken: true });
  expect(await messages()).toHaveLength(1);
});

test('a last line that was torn off stops nothing, and comes again', async () => {
  const file = join(folder, 'outbox.jsonl');
  expect(await handOver(at, text)).toEqual({ taken: true });
  await stand.close();
  const other = { ...text, id: ID.replace('0b', '1c') };
  appendFileSync(file, JSON.stringify({ id: other.id, to: other.phone, words: other.words }).slice(0, 40));
  stand = await startOutbox(0, file);
  at = `127.0.0.1:${stand.port}`;
  expect(await messages()).toHaveLength(1);
  expect(await handOver(at, other)).toEqual({ taken: true });
  await stand.close();
  stand = await startOutbox(0, file);
  at = `127.0.0.1:${stand.port}`;
  expect(await messages()).toHaveLength(2);
});

test('through each fault: a sentence, and taken once when it is over', async () => {
  await fault('refuses');
  expect(await handOver(at, text)).toEqual({
    taken: false,
    answered: true,
    problem: 'The outbox refused it: The outbox takes no messages at the moment.',
  });
  await fault('silent');
  expect(await handOver(at, text, 200)).toEqual({
    taken: false,
    answered: false,
    problem: expect.stringContaining('no answer in time'),
  });
  expect(await messages()).toEqual([]);
  await fault('lost');
  expect(await handOver(at, text)).toEqual({
    taken: false,
    answered: false,
    problem: expect.stringContaining('cannot be reached'),
  });
  // It was taken all the same: trying again does not send it twice.
  await fault('off');
  expect(await handOver(at, text)).toEqual({ taken: true });
  expect(await messages()).toHaveLength(1);
});

test('nothing there is a sentence, not an exception', async () => {
  const { port } = stand;
  await stand.close();
  expect(await handOver(`127.0.0.1:${port}`, text)).toMatchObject({
    taken: false,
    answered: false,
    problem: expect.stringContaining('cannot be reached'),
  });
  stand = await startOutbox(0);
});

test.each([
  [{ ...text, id: 'one' }, /id must be a UUID/],
  [{ ...text, phone: 'her' }, /to must be a phone number/],
  [{ ...text, words: '' }, /words must not be empty/],
])('%j is refused', async (own, problem) =>
  expect(await handOver(at, own)).toMatchObject({
    taken: false,
    answered: true,
    problem: expect.stringMatching(problem),
  }),
);

test.each([
  ['/messages', '{', 400],
  ['/fault', { fault: 'fire' }, 400],
  ['/else', {}, 404],
  ['/messages', 'x'.repeat(20_000), 400],
])('%s with %j is answered %#', async (path, body, status) => {
  expect((await post(path, body)).status).toBe(status);
});

test('an outbox elsewhere is refused: nothing leaves this machine', () => {
  for (const own of ['192.0.2.1:80', 'texts.example:443', '127.0.0.1', '127.0.0.1:80@texts.example'])
    expect(() => outboxPlace(own)).toThrow('LATTICE_OUTBOX must be 127.0.0.1:port');
  expect(outboxPlace('127.0.0.1:4702')).toBe('127.0.0.1:4702');
  expect(outboxPlace('')).toBeUndefined();
});
