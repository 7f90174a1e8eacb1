import type { SaveAnswer } from './edits';
import { readBackup, writeBackup } from './backup';
import { PartSaver, type SaveState } from './saver';
import { storageInMemory } from '../testing/storage';

const VISIT = '0b9f1f6e-0d57-4a3f-9a57-5a8a6f0f3f10';
interface Sent {
  readonly url: string;
  readonly edit: {
    readonly baseRevision: number;
    readonly editId: string;
    readonly following: readonly string[];
    readonly base?: unknown;
    readonly document: unknown;
  };
  readonly keepalive: boolean;
  answer(with_: SaveAnswer | 'lost'): Promise<void>;
}

let sent: Sent[];
let states: [SaveState, string | undefined][];
let stale: unknown[];
let merged: unknown[];
storageInMemory();
const realFetch = globalThis.fetch;

beforeEach(() => {
  jest.useFakeTimers();
  sent = [];
  states = [];
  stale = [];
  merged = [];
  globalThis.fetch = ((url: string, { body, keepalive }: { body: string; keepalive: boolean }) =>
    new Promise((resolve, reject) => {
      sent.push({
        url,
        edit: JSON.parse(body),
        keepalive,
        answer: async (own) => {
          if (own === 'lost') reject(new TypeError('network'));
          else resolve({ json: async () => own });
          // The answer is read in two steps.
          for (let i = 0; i < 5; i += 1) await Promise.resolve();
        },
      });
    })) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = realFetch;
});

const BASE = { n: 0, m: 0 };
const saver = (revision = 3) =>
  new PartSaver(
    VISIT,
    'plan',
    { revision, document: BASE },
    {
      onState: (state, problem) => void states.push([state, problem]),
      onRefused: ({ document }) => void stale.push(document),
      onMerged: (...own) => void merged.push(own),
    },
  );
const now = () => states.at(-1)?.[0];
const kept = () => readBackup(VISIT, 'plan')?.document;

test('a moment after the last change the newest edit is sent, once, on the revision that it is based on', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(200);
  partSaver.put({ n: 2 });
  jest.advanceTimersByTime(349);
  expect(sent).toEqual([]);
  // Before it is sent it lies on this device.
  expect(kept()).toEqual({ n: 2 });
  jest.advanceTimersByTime(1);
  expect(sent).toHaveLength(1);
  expect(sent[0]).toMatchObject({
    url: `/api/visits/${VISIT}/plan`,
    keepalive: false,
    edit: { baseRevision: 3, base: BASE, document: { n: 2 }, following: [] },
  });
  expect(partSaver.dirty).toBe(true);
  await sent[0].answer({ ok: true, revision: 4 });
  expect([partSaver.dirty, partSaver.baseRevision, now(), kept()]).toEqual([false, 4, 'saved', undefined]);
  jest.advanceTimersByTime(60_000);
  expect(sent).toHaveLength(1);
});

test('what is changed while a request is under way goes after it, on the revision that came back', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(350);
  partSaver.put({ n: 2 });
  jest.advanceTimersByTime(1000);
  // One request at a time.
  expect(sent).toHaveLength(1);
  await sent[0].answer({ ok: true, revision: 4 });
  expect(now()).not.toBe('saved');
  jest.advanceTimersByTime(0);
  expect(sent[1].edit).toMatchObject({ baseRevision: 4, document: { n: 2 }, following: [] });
  await sent[1].answer({ ok: true, revision: 5 });
  expect([partSaver.baseRevision, now(), kept()]).toEqual([5, 'saved', undefined]);
});

test('without a network it is kept and tried again, more and more rarely, always as the same edit', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(350);
  const waits = [1000, 2000, 4000, 8000, 15_000, 15_000];
  for (const [i, wait] of waits.entries()) {
    await sent[i].answer('lost');
    expect(states.at(-1)).toEqual(['offline', expect.stringContaining('kept on this device')]);
    expect(kept()).toEqual({ n: 1 });
    jest.advanceTimersByTime(wait - 1);
    expect(sent).toHaveLength(i + 1);
    jest.advanceTimersByTime(1);
    expect(sent).toHaveLength(i + 2);
  }
  expect(new Set(sent.map(({ edit }) => edit.editId)).size).toBe(1);
  await sent.at(-1)!.answer({ ok: true, revision: 4 });
  expect(now()).toBe('saved');
});

test('an edit after one whose answer was lost names it: it may have been taken', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(350);
  await sent[0].answer('lost');
  partSaver.put({ n: 2 });
  jest.advanceTimersByTime(350);
  expect(sent[1].edit).toMatchObject({
    baseRevision: 3,
    document: { n: 2 },
    following: [sent[0].edit.editId],
  });
  await sent[1].answer({ ok: true, revision: 5 });
  partSaver.put({ n: 3 });
  jest.advanceTimersByTime(350);
  // What was answered is followed no more.
  expect(sent[2].edit).toMatchObject({ baseRevision: 5, following: [] });
});

test('a stale edit is handed over as refused; with a newer one waiting, the newest is', async () => {
  const refusal: SaveAnswer = { ok: false, reason: 'stale', problem: 'Somebody saved meanwhile.' };
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(350);
  partSaver.put({ n: 2 });
  await sent[0].answer(refusal);
  expect(stale).toEqual([]);
  jest.advanceTimersByTime(0);
  expect(sent[1].edit).toMatchObject({ baseRevision: 3, document: { n: 2 } });
  await sent[1].answer(refusal);
  expect([stale, partSaver.dirty, kept()]).toEqual([[{ n: 2 }], false, undefined]);
  // What is edited on the fetched version is saved on it.
  partSaver.rebase({ revision: 9, document: BASE });
  partSaver.put({ n: 3 });
  jest.advanceTimersByTime(350);
  expect(sent[2].edit).toMatchObject({ baseRevision: 9, following: [] });
});

test('an edit that was saved together with somebody else’s is told with what is saved now, and is the base of the next', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1, m: 0 });
  jest.advanceTimersByTime(350);
  partSaver.put({ n: 2, m: 0 });
  await sent[0].answer({ ok: true, revision: 6, merged: { document: { n: 1, m: 5 }, draft: null } });
  expect(merged).toEqual([[{ n: 1, m: 0 }, { n: 1, m: 5 }, undefined]]);
  jest.advanceTimersByTime(0);
  // What was changed meanwhile keeps what the other changed.
  expect(sent[1].edit).toMatchObject({ baseRevision: 6, base: { n: 1, m: 5 }, document: { n: 2, m: 5 } });
  const [{ edit }] = sent.slice(1);
  await sent[1].answer({
    ok: true,
    revision: 8,
    merged: { document: { n: 7, m: 5 }, draft: { n: 2, m: 5 } },
  });
  expect(merged[1]).toEqual([
    { n: 2, m: 5 },
    { n: 7, m: 5 },
    { document: { n: 2, m: 5 }, editId: edit.editId },
  ]);
  expect([partSaver.base, partSaver.baseRevision, partSaver.dirty, kept()]).toEqual([
    { n: 7, m: 5 },
    8,
    false,
    undefined,
  ]);
});

test('an edit of a visit that was signed off meanwhile is handed over as refused', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(350);
  await sent[0].answer({ ok: false, reason: 'signed', problem: 'Signed off.' });
  expect([stale, partSaver.dirty, kept()]).toEqual([[{ n: 1 }], false, undefined]);
});

test('a refusal is said and the edit stays on this device; signed in again it is sent by itself', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  jest.advanceTimersByTime(350);
  await sent[0].answer({ ok: false, reason: 'signed-out', problem: 'Sign in again.' });
  expect(states.at(-1)).toEqual(['refused', 'Sign in again.']);
  expect([partSaver.dirty, kept()]).toEqual([true, { n: 1 }]);
  jest.advanceTimersByTime(8000);
  await sent[1].answer({ ok: true, revision: 4 });
  expect(now()).toBe('saved');
});

test('an edit left over from a window that closed goes on as the same edit, and what follows names it', async () => {
  writeBackup(VISIT, 'plan', { baseRevision: 2, editId: 'left', following: ['older'], document: { n: 7 } });
  const partSaver = saver();
  partSaver.resume(partSaver.leftOver()!);
  jest.advanceTimersByTime(0);
  expect(sent[0].edit).toEqual({ baseRevision: 2, editId: 'left', following: ['older'], document: { n: 7 } });
  partSaver.put({ n: 8 });
  await sent[0].answer('lost');
  jest.advanceTimersByTime(1000);
  expect(sent[1].edit.following).toEqual(['older', 'left']);
});

test('leaving the page sends what waits at once, in a request that outlives it', () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  partSaver.flush();
  expect(sent[0]).toMatchObject({ keepalive: true, edit: { document: { n: 1 } } });
  expect(sent[0].edit).not.toHaveProperty('base');
  partSaver.flush();
  expect(sent).toHaveLength(1);
});

test('a browser that keeps nothing saves all the same; what it kept broken is left alone', async () => {
  const warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: () => '{"baseRevision":"x"}',
      setItem: () => {
        throw new Error('full');
      },
      removeItem: () => {
        throw new Error('full');
      },
    },
  });
  const partSaver = saver();
  expect(partSaver.leftOver()).toBeUndefined();
  partSaver.put({ n: 1 });
  expect(warned).toHaveBeenCalledWith('The browser keeps no copy of unsaved work:', expect.any(Error));
  jest.advanceTimersByTime(350);
  await sent[0].answer({ ok: true, revision: 4 });
  expect(now()).toBe('saved');
  warned.mockRestore();
});

test('who waits for it waits until it is answered, and not for a network that is gone', async () => {
  const partSaver = saver();
  partSaver.put({ n: 1 });
  let settled = false;
  void partSaver.settled().then(() => {
    settled = true;
  });
  await jest.advanceTimersByTimeAsync(0);
  expect([sent.length, settled]).toEqual([1, false]);
  await sent[0].answer({ ok: true, revision: 4 });
  await jest.advanceTimersByTimeAsync(30);
  expect(settled).toBe(true);

  partSaver.put({ n: 2 });
  const second = partSaver.settled();
  await jest.advanceTimersByTimeAsync(0);
  await sent[1].answer('lost');
  await jest.advanceTimersByTimeAsync(30);
  await second;
  expect([now(), partSaver.dirty]).toEqual(['offline', true]);
});
