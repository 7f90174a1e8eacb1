import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { request } from 'node:http';
import { later, withClock } from './later';
import { address, at, newVisit, openBrowser, press, signIn, type Session } from './harness';

/** What strangers and odd pages send: refused with a sentence, and nothing is held up or broken by it. */
let session: Session;
let cookie: string;
let visit: string;
beforeAll(async () => {
  later(0);
  session = await openBrowser();
  await withClock(session.page);
  await signIn(session.page);
  visit = await newVisit(session.page, 'Attacked Visit', null);
  cookie = (await session.page.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
});
afterAll(() => session.close());

const send = (path: string, init: RequestInit & { headers?: Record<string, string> } = {}) =>
  fetch(`${address()}${path}`, { redirect: 'manual', ...init });
const mine = (headers: Record<string, string> = {}) => ({ Cookie: cookie, ...headers });
const JSON_TYPE = { 'Content-Type': 'application/json' };

test('a page of another address writes nothing and hears nothing', async () => {
  const body = JSON.stringify({ device: 'x', deviceNow: Date.now(), events: [] });
  for (const headers of [
    { 'Sec-Fetch-Site': 'same-site' },
    { 'Sec-Fetch-Site': 'cross-site' },
    { Origin: 'http://127.0.0.1:9' },
    { Origin: 'null' },
  ] as Record<string, string>[]) {
    const answer = await send(`/api/services/${visit}/events`, {
      method: 'POST',
      headers: mine({ ...JSON_TYPE, ...headers }),
      body,
    });
    expect([headers, answer.status]).toEqual([headers, 403]);
    expect(await answer.json()).toMatchObject({
      ok: false,
      problem: expect.stringContaining('another site'),
    });
    expect((await send(`/api/services/${visit}/stream`, { headers: mine(headers) })).status).toBe(403);
    expect(
      (
        await send(`/api/visits/${visit}/plan`, {
          method: 'PUT',
          headers: mine({ ...JSON_TYPE, ...headers }),
          body: '{}',
        })
      ).status,
    ).toBe(403);
  }
  const response = await send(`/api/services/${visit}/events`, {
    method: 'POST',
    headers: mine({ ...JSON_TYPE, Origin: address(), 'Sec-Fetch-Site': 'same-origin' }),
    body,
  });
  expect(response.status).not.toBe(403);
});

test('a page runs the scripts that bear its own number, and no other', async () => {
  const policy = async () => (await send('/sign-in')).headers.get('content-security-policy')!;
  const [first, second] = [await policy(), await policy()];
  const scripts = /script-src ([^;]*)/.exec(first)![1];
  expect(scripts).toMatch(/^'self' 'nonce-[A-Za-z0-9+/=]{24,}'$/);
  expect(/nonce-([^']+)/.exec(first)![1]).not.toBe(/nonce-([^']+)/.exec(second)![1]);
  expect(/style-src ([^;]*)/.exec(first)![1]).not.toContain('unsafe');
  expect((await send('/api/scale')).headers.get('content-security-policy')).toBe(
    "default-src 'none'; frame-ancestors 'none'",
  );
  const { page } = session;
  await page.goto(`${address()}/clients`);
  const ran = await page.evaluate(() => {
    const element = document.createElement('div');
    document.body.append(element);
    element.innerHTML = '<img src="data:," onerror="window.slipped = 1">';
    const script = document.createElement('script');
    script.textContent = 'window.slipped = 2';
    document.body.append(script);
    return new Promise((resolve) =>
      setTimeout(() => resolve((window as unknown as { slipped?: number }).slipped ?? 'nothing'), 300),
    );
  });
  expect(ran).toBe('nothing');
  session.complaints.length = 0;
});

/** Sends a body that never ends, piece by piece, and counts what was taken until the answer came. */
function flood(
  path: string,
  headers: Record<string, string>,
  method = 'POST',
  mostBytes = 400e6,
): Promise<{ status: number; sent: number }> {
  const piece = Buffer.alloc(1 << 20, 32);
  return new Promise((resolve, reject) => {
    let sent = 0;
    let done = false;
    const out = request(`${address()}${path}`, { method, headers }, (answer) => {
      done = true;
      answer.resume();
      resolve({ status: answer.statusCode!, sent });
      out.destroy();
    });
    out.on('error', (error) => !done && reject(error));
    const more = () => {
      if (done || sent >= mostBytes) return out.end();
      sent += piece.length;
      if (out.write(piece)) setImmediate(more);
      else out.once('drain', more);
    };
    more();
  });
}

const memoryOf = (pid: string) =>
  Number(execFileSync('ps', ['-o', 'rss=', '-p', pid], { encoding: 'utf8' })) / 1024;

test('nobody’s body is read, and a signed-in one’s no further than it may be', async () => {
  const [pid] = readFileSync(process.env.LATTICE_TEST_WEB_PID!, 'utf8').split(' ');
  const before = memoryOf(pid);
  const nobody = await Promise.all(
    Array.from({ length: 4 }, () => flood(`/api/visits/${visit}/plan`, JSON_TYPE, 'PUT')),
  );
  for (const { status, sent } of nobody) {
    expect(status).toBe(401);
    expect(sent).toBeLessThan(40e6);
  }
  const known = await Promise.all([
    flood(`/api/visits/${visit}/plan`, mine(JSON_TYPE), 'PUT'),
    flood(`/api/services/${visit}/events`, mine(JSON_TYPE)),
    flood('/api/scale', mine(JSON_TYPE)),
  ]);
  for (const { status, sent } of known) {
    expect(status).toBe(413);
    expect(sent).toBeLessThan(40e6);
  }
  expect(
    (
      await send(`/api/visits/${visit}/plan`, {
        method: 'PUT',
        headers: mine(JSON_TYPE),
        body: `"${'x'.repeat(1_000_001)}"`,
      })
    ).status,
  ).toBe(413);
  expect(memoryOf(pid) - before).toBeLessThan(300);
});

test.each([
  '/visits/%00/plan',
  '/clients/%00',
  '/day?on=2026-02-30',
  '/day?on=%00',
  '/day/preparation?on=2026-02-30',
  '/house/trail?before=%00',
  '/house/trail?before=3e9',
  '/join/%00',
  '/clients?search=%00',
  '/clients/00000000-0000-4000-8000-000000000000',
  '/visits/00000000-0000-4000-8000-000000000000/plan',
  '/photos/x',
  '/house/techniques/3e9',
  '/api/photos/%00/full',
  '/api/calendar/%00',
  '/api/clients/%00/preparation',
])('a wrong value in an address is not the server’s fault: %s', async (path) => {
  const { status } = await send(path, { headers: mine() });
  expect([path, status < 500]).toEqual([path, true]);
});

test('the process and the database say whether they are there', async () => {
  for (const path of ['/healthz', '/readyz']) {
    const answer = await send(path);
    expect([path, answer.status, await answer.json()]).toEqual([path, 200, { ok: true }]);
  }
});

test('names that every object has are no sheets', async () => {
  for (const form of ['constructor', 'toString', '__proto__', 'hasOwnProperty'])
    expect((await send(`/visits/${visit}/sheet/${form}`, { headers: mine() })).status).toBe(404);
});

test('a text that no database keeps is refused with where it stands', async () => {
  const read = (await (await send(`/api/visits/${visit}`, { headers: mine() })).json()) as {
    consult: { revision: number; document: object };
  };
  const put = async (notes: string) => {
    const body = JSON.stringify({
      baseRevision: read.consult.revision,
      editId: crypto.randomUUID(),
      document: { ...read.consult.document, notes },
    });
    return send(`/api/visits/${visit}/consult`, { method: 'PUT', headers: mine(JSON_TYPE), body });
  };
  for (const notes of ['a\0b', 'half \ud83d']) {
    const answer = await put(notes);
    expect(answer.status).toBe(400);
    expect(await answer.json()).toMatchObject({
      problem: expect.stringContaining('notes: holds a character that cannot be kept'),
    });
  }
  expect((await put('whole 🌿')).status).toBe(200);
});

test('a stream ends at once when its station is locked', async () => {
  const { page } = session;
  const answer = await send(`/api/services/${visit}/stream`, { headers: mine() });
  expect(answer.status).toBe(200);
  const reader = answer.body!.getReader();
  await reader.read();
  const ended = (async () => {
    for (;;) if ((await reader.read()).done) return Date.now();
  })();
  const from = Date.now();
  await page.goto(`${address()}/clients`);
  await press(page, 'Ottilie Marsh, owner');
  await (await page.waitForSelector('[role=menuitem]::-p-text(Lock or switch person)'))!.click();
  await at(page, /locked$/);
  expect((await ended) - from).toBeLessThan(8000);
  // A look now and then would have taken ten seconds; it was told.
  expect((await send(`/api/services/${visit}/stream`, { headers: mine() })).status).toBe(401);
});
