import { spawn, type ChildProcess } from 'node:child_process';
import { sealData } from 'iron-session';
import sharp from 'sharp';
import { createClient } from '@/data/clients';
import { closeDatabase } from '@/data/database';
import { lockSession, type SignedIn } from '@/data/sessions';
import { closeThreads } from '@/data/compute';
import { signedIn } from '@/data/testing/actor';
import { beginUnasked } from '@/data/testing/begun';
import { freePort } from '@/data/testing/free-port';
import { createVisit, readVisit } from '@/data/visits';
import { address } from './harness';

/**
 * A second machine of the same installation: the same database, the same secret, and nothing else in common.
 */
let second: ChildProcess;
let at: readonly [string, string];
let actor: SignedIn;
let cookie: string;
let visitId: string;
let clientId: string;

beforeAll(async () => {
  const port = await freePort();
  second = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    { env: { ...process.env, NODE_ENV: 'production', LATTICE_LOG: 'warn' }, stdio: 'ignore' },
  );
  at = [address(), `http://127.0.0.1:${port}`];
  actor = await signedIn('ottilie@fernhollow.example');
  cookie = `lattice=${await sealData({ sessionId: actor.sessionId }, { password: process.env.LATTICE_SESSION_SECRET! })}`;
  clientId = await createClient(actor, {
    name: 'Two Machines',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  visitId = (await createVisit(actor, clientId, new Date().toISOString().slice(0, 10)))!;
  await beginUnasked(actor, visitId);
  for (let i = 0; i < 120; i += 1) {
    if (
      await fetch(`${at[1]}/readyz`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  throw new Error('The second machine did not come up.');
});
afterAll(async () => {
  second?.kill('SIGKILL');
  await closeThreads();
  await closeDatabase();
});

const send = (machine: 0 | 1, path: string, init: RequestInit = {}) =>
  fetch(`${at[machine]}${path}`, {
    ...init,
    headers: { cookie, ...(typeof init.body === 'string' && { 'content-type': 'application/json' }) },
  });
const json = async (answer: Response) => (await answer.json()) as Record<string, unknown>;

/** Reads a stream until something is in it, or it ends. */
async function hears(answer: Response, fits: (text: string) => boolean): Promise<'heard' | 'ended'> {
  const reader = answer.body!.getReader();
  const decoder = new TextDecoder();
  for (let text = ''; ;) {
    const { done, value } = await reader.read();
    if (done) return 'ended';
    text += decoder.decode(value);
    if (!fits(text)) continue;
    await reader.cancel();
    return 'heard';
  }
}

test('what happens at a chair on one is heard on the other', async () => {
  const stream = await send(1, `/api/services/${visitId}/stream?after=0`);
  const now = Date.now();
  const posted = await send(0, `/api/services/${visitId}/events`, {
    method: 'POST',
    body: JSON.stringify({
      device: 'station',
      deviceNow: now,
      events: [
        { id: crypto.randomUUID(), at: now, body: { kind: 'note', words: 'from the first', foil: null } },
      ],
    }),
  });
  expect(posted.status).toBe(200);
  expect(await hears(stream, (text) => text.includes('from the first'))).toBe('heard');
});

test('an edit on one is the base on the other; one that comes too late is a draft on both', async () => {
  const { consult } = (await readVisit(actor, visitId))!;
  const save = (machine: 0 | 1, notes: string) =>
    send(machine, `/api/visits/${visitId}/consult`, {
      method: 'PUT',
      body: JSON.stringify({
        baseRevision: consult.revision,
        editId: crypto.randomUUID(),
        document: { ...consult.document, notes },
      }),
    });
  expect((await save(0, 'on the first')).status).toBe(200);
  expect(await json(await save(1, 'too late'))).toMatchObject({ ok: false, reason: 'stale' });
  for (const machine of [0, 1] as const) {
    const visit = await json(await send(machine, `/api/visits/${visitId}`));
    expect(visit).toMatchObject({
      consult: { document: { notes: 'on the first' } },
      drafts: [{ part: 'consult', document: { notes: 'too late' } }],
    });
  }
});

test('a photo that was given to one is shown by the other', async () => {
  const form = new FormData();
  form.set(
    'file',
    new File(
      [
        new Uint8Array(
          await sharp({ create: { width: 40, height: 30, channels: 3, background: '#806040' } })
            .jpeg()
            .toBuffer(),
        ),
      ],
      'hair.jpg',
      { type: 'image/jpeg' },
    ),
  );
  form.set('kind', 'hair');
  const { photoId } = await json(
    await send(0, `/api/clients/${clientId}/photos`, { method: 'POST', body: form }),
  );
  const shown = await send(1, `/api/photos/${String(photoId)}/full`);
  expect([shown.status, shown.headers.get('content-type')]).toEqual([200, 'image/jpeg']);
});

test('a station that is locked on one hears nothing more on the other', async () => {
  const stream = await send(1, `/api/services/${visitId}/stream?after=0`);
  const heard = hears(stream, () => false);
  await lockSession(actor);
  expect(await heard).toBe('ended');
  expect((await send(0, `/api/visits/${visitId}`)).status).toBe(401);
  expect((await send(1, `/api/visits/${visitId}`)).status).toBe(401);
});
