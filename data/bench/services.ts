import { spawn } from 'node:child_process';
import http from 'node:http';
import { sealData } from 'iron-session';
import { freePort, option } from './options';
import { lockedVisit } from '../cautions';
import { createClient } from '../clients';
import { inSalon } from '../database';
import { loadDemo } from '../demo/load';
import { freezeScript } from '../services';
import { insertSession } from '../sessions';
import { signedIn } from '../testing/actor';
import { scratchDatabase } from '../testing/scratch';
import { createVisit } from '../visits';

/**
 * Many live services at once on the built application, over loopback only: two streams each and an event every so often.
 * Prints how long an event takes until the server has taken it and until both streams have it, and whether one was lost.
 * Needs LATTICE_OWNER_DATABASE_URL and LATTICE_APP_DATABASE_URL, and a build; works in a database of its own, which it drops.
 * `--services 200 --every 30 --minutes 5` are the defaults.
 */
const SERVICES = Math.min(400, option('services', 200));
const EVERY_MS = 1000 * option('every', 30);
const LASTS_MS = 60_000 * Math.min(15, option('minutes', 5));
const SECRET = 'a secret of the bench, never used anywhere else';

const scratch = await scratchDatabase();
await loadDemo(scratch.owner, '2026-11-25');
const actor = await signedIn('ottilie@fernhollow.example');
// Every device has a session of its own, as in a salon.
const sessions = await inSalon(actor.salonId, async (trx) => {
  const out: string[] = [];
  for (let i = 0; i < 2 * SERVICES; i += 1) out.push(await insertSession(trx, actor, 'bench'));
  return out;
});
const cookies = await Promise.all(sessions.map(async (sessionId) => `lattice=${await sealData({ sessionId }, { password: SECRET })}`));
const port = await freePort();
const server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
  env: { ...process.env, NODE_ENV: 'production', LATTICE_SESSION_SECRET: SECRET, LATTICE_SCALE: '' }, stdio: ['ignore', 'ignore', 'inherit'],
});
process.on('exit', () => server.kill('SIGKILL'));
// A connection for each request: one that is kept may be closed by the server in the moment it is used again.
const agent = new http.Agent({ maxSockets: Infinity });
const request = (method: string, path: string, cookie: string, body?: unknown): Promise<{ status: number; response: http.IncomingMessage }> =>
  new Promise((resolve, reject) => {
    const own = http.request({ host: '127.0.0.1', port, method, path, agent, headers: { cookie, ...(body !== undefined && { 'content-type': 'application/json' }) } }, (response) => resolve({ status: response.statusCode ?? 0, response }));
    own.on('error', reject);
    own.end(body === undefined ? undefined : JSON.stringify(body));
  });
const drained = async (response: http.IncomingMessage) => {
  let text = '';
  for await (const chunk of response) text += String(chunk);
  return text;
};
for (let i = 0; i < 120; i += 1) {
  const answered = await request('GET', '/api/services', cookies[0]).then(async ({ status, response }) => (await drained(response), status === 200), () => false);
  if (answered) break;
  await new Promise((resolve) => setTimeout(resolve, 500));
}

console.log(`${SERVICES} services, two streams each, an event every ${EVERY_MS / 1000} s each, for ${LASTS_MS / 60_000} min`);
const clientId = await createClient(actor, { name: 'Bench Subject', phone: '', note: '', bornOn: null });
const visits: string[] = [];
for (let i = 0; i < SERVICES; i += 1) {
  const visit = (await createVisit(actor, clientId, '2026-11-25'))!;
  await inSalon(actor.salonId, async (trx) => {
    await trx('visit').where({ id: visit }).update({ begun_at: trx.fn.now(), begun_by: actor.personId });
    await freezeScript(trx, actor, visit, (await lockedVisit(trx, actor, visit, ['script']))!.computed.script);
  });
  visits.push(visit);
}

const sentAt = new Map<string, number>();
const seen: [Map<string, number>, Map<string, number>] = [new Map(), new Map()];
const streams = await Promise.all(visits.flatMap((visit, at) => [0, 1].map(async (which) => {
  const { response } = await request('GET', `/api/services/${visit}/stream?after=0`, cookies[2 * at + which]);
  let rest = '';
  response.on('error', () => undefined);
  response.on('data', (chunk) => {
    rest += String(chunk);
    const parts = rest.split('\n\n');
    rest = parts.pop()!;
    for (const part of parts) {
      const data = /^event: happened\ndata: (.*)$/m.exec(part);
      if (data) seen[which].set((JSON.parse(data[1]) as { id: string }).id, performance.now());
    }
  });
  return response;
})));

const taken: number[] = [];
const failures: string[] = [];
const until = performance.now() + LASTS_MS;
await Promise.all(visits.map(async (visit, i) => {
  let next = performance.now() + (EVERY_MS * i) / SERVICES;
  for (let n = 0; next < until; n += 1, next += EVERY_MS) {
    await new Promise((resolve) => setTimeout(resolve, next - performance.now()));
    const id = crypto.randomUUID();
    sentAt.set(id, performance.now());
    const now = Date.now();
    const answer = await request('POST', `/api/services/${visit}/events`, cookies[2 * i], { device: `bench ${i}`, deviceNow: now, events: [{ id, at: now, body: { kind: 'note', words: `event ${n}`, foil: null } }] }).then(async ({ status, response }) => (await drained(response), String(status)), String);
    if (answer !== '200') failures.push(answer);
    taken.push(performance.now() - sentAt.get(id)!);
  }
}));
await new Promise((resolve) => setTimeout(resolve, 3000));

const say = (what: string, values: number[]) => {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => Math.round(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]);
  console.log(`${what}: median ${at(0.5)} ms, 95 in a hundred ${at(0.95)} ms, slowest ${at(1)} ms (${sorted.length})`);
};
say('taken by the server', taken);
say('seen on both streams', [...sentAt].flatMap(([id, at]) => (seen[0].has(id) && seen[1].has(id) ? [Math.max(seen[0].get(id)!, seen[1].get(id)!) - at] : [])));
const lost = [...sentAt.keys()].filter((id) => !seen[0].has(id) || !seen[1].has(id)).length;
const { rows } = await inSalon(actor.salonId, (trx) => trx.raw('select count(*)::int as n, count(distinct id)::int as d from service_event'));
console.log(`events sent ${sentAt.size}, kept ${rows[0].n} (each once: ${rows[0].n === rows[0].d}), not seen on both streams ${lost}, refused ${failures.length}${failures.length > 0 ? ` (${[...new Set(failures)].join(', ')})` : ''}`);
streams.forEach((own) => own.destroy());
server.kill('SIGTERM');
agent.destroy();
await new Promise((resolve) => setTimeout(resolve, 1500));
await scratch.drop();
process.exit(lost === 0 && failures.length === 0 ? 0 : 1);
