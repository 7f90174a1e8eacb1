import { spawn, type ChildProcess } from 'node:child_process';
import http from 'node:http';
import { sealData } from 'iron-session';
import { option } from './options';
import { seeded } from '../../core/pattern';
import { createClient } from '../clients';
import { inSalon } from '../database';
import { loadDemo } from '../demo/load';
import { insertSession } from '../sessions';
import { signedIn } from '../testing/actor';
import { beginUnasked } from '../testing/begun';
import { freePort } from '../testing/free-port';
import { scratchDatabase } from '../testing/scratch';
import { createVisit } from '../visits';
import { rawRows } from '../raw-rows';

/**
 * Many live services at once on the built application, on several machines of it that share one database,
 * over loopback only: two
 * streams each, on two machines, and an event every so often. In the middle one machine is killed: its
 * stations go to another,
 * as they do behind a proxy. Before that people use pages, and are together at visits. Prints how long an
 * event takes until a server has taken it and until both
 * streams have it, whether one was lost, and how long pages take before that.
 * Needs LATTICE_OWNER_DATABASE_URL and LATTICE_APP_DATABASE_URL, and a build; works in a database of its own,
 * which it drops.
 * `--services 200 --every 30 --minutes 5 --nodes 2 --people 50` are the defaults.
 */
const SERVICES = Math.min(400, option('services', 200));
const EVERY_MS = 1000 * option('every', 30);
const LASTS_MS = 60_000 * Math.min(15, option('minutes', 5));
const NODES = Math.min(4, option('nodes', 2));
const PEOPLE = Math.min(200, option('people', 50));
const SECRET = 'a secret of the bench, never used anywhere else';
/**
 * Asked of a quiet machine, ms: 95 in a hundred events seen, pages answered, and moves of people heard of.
 */
const BUDGET = { seen: 250, page: 400, heard: 1000 };

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const scratch = await scratchDatabase();
await loadDemo(scratch.owner, '2026-11-25');
const actor = await signedIn('ottilie@fernhollow.example');
// Every device has a session of its own, as in a salon.
const sessions = await inSalon(actor.salonId, async (trx) => {
  const out: string[] = [];
  for (let i = 0; i < 2 * SERVICES; i += 1) out.push(await insertSession(trx, actor, 'bench'));
  return out;
});
const cookies = await Promise.all(
  sessions.map(async (sessionId) => `lattice=${await sealData({ sessionId }, { password: SECRET })}`),
);

interface Node {
  readonly port: number;
  readonly process: ChildProcess;
  alive: boolean;
}
const nodes: Node[] = [];
for (let i = 0; i < NODES; i += 1) {
  const port = await freePort();
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        LATTICE_SESSION_SECRET: SECRET,
        LATTICE_SCALE: '',
        LATTICE_OUTBOX: '',
        LATTICE_LOG: 'warn',
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  nodes.push({ port, process: server, alive: true });
}
process.on('exit', () => nodes.forEach((node) => node.process.kill('SIGKILL')));
/** The machine of a station, or the next one that is there: what a proxy does. */
const nodeFor = (station: number): Node => {
  for (let k = 0; k < NODES; k += 1)
    if (nodes[(station + k) % NODES].alive) return nodes[(station + k) % NODES];
  throw new Error('No machine is left.');
};

// A connection for each request: one that is kept may be closed by the server in the moment it is used again.
const agent = new http.Agent({ maxSockets: Infinity });
const request = ({
  station,
  method,
  path,
  cookie,
  body,
}: {
  readonly station: number;
  readonly method: string;
  readonly path: string;
  readonly cookie: string;
  readonly body?: unknown;
}): Promise<{ status: number; response: http.IncomingMessage }> =>
  new Promise((resolve, reject) => {
    const headers = { cookie, ...(body !== undefined && { 'content-type': 'application/json' }) };
    const clientRequest = http.request(
      { host: '127.0.0.1', port: nodeFor(station).port, method, path, agent, headers },
      (response) => resolve({ status: response.statusCode ?? 0, response }),
    );
    clientRequest.on('error', reject);
    clientRequest.end(body === undefined ? undefined : JSON.stringify(body));
  });
const drained = async (response: http.IncomingMessage) => {
  let text = '';
  for await (const chunk of response) text += String(chunk);
  return text;
};
for (let i = 0; i < NODES; i += 1) {
  for (let tries = 0; tries < 120; tries += 1) {
    if (
      await request({ station: i, method: 'GET', path: '/readyz', cookie: '' }).then(
        async ({ status, response }) => (await drained(response), status === 200),
        () => false,
      )
    )
      break;
    await wait(500);
  }
}

// A client comes a few times, not two hundred.
const VISITS_EACH = 5;
let clientId = '';
const visits: string[] = [];
async function begin(i: number): Promise<void> {
  if (i % VISITS_EACH === 0)
    clientId = await createClient(actor, {
      name: `Bench Subject ${i}`,
      phone: '',
      email: '',
      note: '',
      bornOn: null,
    });
  const visit = (await createVisit(actor, clientId, '2026-11-25'))!;
  await beginUnasked(actor, visit);
  visits.push(visit);
}
// A few to look at, while people use pages; all of them after that.
for (let i = 0; i < Math.min(10, SERVICES); i += 1) await begin(i);

const PAGES = [
  '/clients',
  `/clients/${clientId}`,
  '/day',
  `/visits/${visits[0]}/pattern`,
  `/visits/${visits[1]}/record`,
  '/clients?find=maren',
];
// A machine that has just been started loads its code with the first request of each kind: that is not what
// is measured.
for (let i = 0; i < NODES; i += 1) {
  const now = Date.now();
  for (const path of PAGES)
    await request({ station: i, method: 'GET', path, cookie: cookies[0] }).then(({ response }) =>
      drained(response),
    );
  await request({
    station: i,
    method: 'POST',
    path: `/api/services/${visits[0]}/events`,
    cookie: cookies[0],
    body: {
      device: 'warm',
      deviceNow: now,
      events: [],
    },
  }).then(({ response }) => drained(response));
}
await wait(5000);

// People look through pages, one every four seconds or so.
const pages: number[] = [];
const byPage = new Map<string, number[]>();
const wrong: number[] = [];
// The first quarter of a minute warms the machines up, as a morning does.
const measuredFrom = performance.now() + 15_000;
const enough = measuredFrom + 60_000;
await Promise.all(
  Array.from({ length: PEOPLE }, async (_, i) => {
    const random = seeded(i + 1);
    await wait(4000 * random());
    for (let n = i; performance.now() < enough; n += 1) {
      const from = performance.now();
      const { status, response } = await request({
        station: i,
        method: 'GET',
        path: PAGES[n % PAGES.length],
        cookie: cookies[i % cookies.length],
      });
      await drained(response);
      const path = PAGES[n % PAGES.length];
      if (from > measuredFrom) {
        pages.push(performance.now() - from);
        byPage.set(path, [...(byPage.get(path) ?? []), pages.at(-1)!]);
      }
      if (status !== 200) wrong.push(status);
      await wait(2000 + 4000 * random());
    }
  }),
);
let good = say(`pages of ${PEOPLE} people on ${NODES} machines`, pages, BUDGET.page);
for (const [path, times] of byPage) say(`  ${path.replace(/[0-9a-f-]{36}/, ':id')}`, times);
good &&= wrong.length === 0;
if (wrong.length > 0)
  console.log(`pages that were not answered with 200: ${wrong.length} (${[...new Set(wrong)].join(', ')})`);

// The same people, five at a visit: each goes from step to step, and the four others hear of it.
const AT_A_VISIT = 5;
const STEPS = ['consult', 'pattern', 'wear', 'mix', 'clock', 'record'];
const heard: number[] = [];
/** When each move was made, by the name that it was given. */
const moves = new Map<string, number>();
const seenMoves = new Set<string>();
let asked = 0;
let parted = false;
async function joins(person: number): Promise<void> {
  const visit = visits[Math.floor(person / AT_A_VISIT) % visits.length];
  const cookie = cookies[person % cookies.length];
  const { response } = await request({
    station: person,
    method: 'GET',
    path: `/api/visits/${visit}/stream?step=consult&panel=`,
    cookie,
  });
  let station = '';
  let rest = '';
  void (async () => {
    for await (const chunk of response) {
      const now = performance.now();
      rest += String(chunk);
      const parts = rest.split('\n\n');
      rest = parts.pop()!;
      for (const part of parts) {
        const [, name, data] = /^event: (\w+)\ndata: (.*)$/m.exec(part) ?? [];
        if (name === 'you') station = JSON.parse(data) as string;
        if (name !== 'people') continue;
        for (const { panel } of JSON.parse(data) as { panel: string }[]) {
          const at = moves.get(panel);
          if (at !== undefined && !seenMoves.has(`${panel} ${person}`)) {
            seenMoves.add(`${panel} ${person}`);
            heard.push(now - at);
          }
        }
      }
      if (parted) break;
    }
    response.destroy();
  })().catch(() => undefined);
  const random = seeded(1000 + person);
  while (station === '') await wait(50);
  await wait(3000);
  const ends = performance.now() + 30_000;
  for (let n = 0; performance.now() < ends; n += 1) {
    await wait(2000 + 4000 * random());
    const panel = `${person} ${n}`;
    moves.set(panel, performance.now());
    asked += AT_A_VISIT - 1;
    const answer = await request({
      station: person,
      method: 'POST',
      path: `/api/visits/${visit}/here`,
      cookie,
      body: {
        station,
        step: STEPS[n % STEPS.length],
        panel,
      },
    });
    await drained(answer.response);
  }
}
await Promise.all(Array.from({ length: PEOPLE }, (_, person) => joins(person)));
await wait(2000);
parted = true;
good = say(`where ${PEOPLE} people are, heard by the others at their visit`, heard, BUDGET.heard) && good;
// One who moves on before the stream was read is not heard of where they were.
console.log(`moves heard: ${heard.length} of ${asked}`);
good &&= heard.length > 0.98 * asked;

console.log(
  `${SERVICES} services on ${NODES} ${NODES === 1 ? 'machine' : 'machines'}, two streams each, an event every ${EVERY_MS / 1000} s each, for ${LASTS_MS / 60_000} min`,
);
for (let i = visits.length; i < SERVICES; i += 1) await begin(i);
const sentAt = new Map<string, number>();
const seen = [new Map<string, number>(), new Map<string, number>()] as const;
let closing = false;

/** A stream as a device keeps it: opened anew from where it was, wherever a machine is left. */
async function listen(visit: string, station: number, which: 0 | 1, cookie: string): Promise<void> {
  let after = 0;
  while (!closing) {
    try {
      const { response } = await request({
        station: station + which,
        method: 'GET',
        path: `/api/services/${visit}/stream?after=${after}`,
        cookie,
      });
      let rest = '';
      for await (const chunk of response) {
        rest += String(chunk);
        const parts = rest.split('\n\n');
        rest = parts.pop()!;
        for (const part of parts) {
          const data = /^event: happened\ndata: (.*)$/m.exec(part);
          if (!data) continue;
          const { id, position } = JSON.parse(data[1]) as { id: string; position: number };
          after = position;
          if (!seen[which].has(id)) seen[which].set(id, performance.now());
        }
        if (closing) break;
      }
    } catch {
      // Its machine is gone.
    }
    if (!closing) await wait(1000);
  }
}
visits.forEach((visit, at) => {
  for (const which of [0, 1] as const) void listen(visit, at, which, cookies[2 * at + which]);
});
await wait(5000);

const taken: number[] = [];
const failures: string[] = [];
/** Events that were on their way about the kill: they count as kept or lost, not for speed. */
const disturbed = new Set<string>();
let killedAt = Infinity;
const until = performance.now() + LASTS_MS;
const killer =
  NODES > 1 &&
  setTimeout(() => {
    killedAt = performance.now();
    nodes[0].alive = false;
    nodes[0].process.kill('SIGKILL');
    console.log('one machine is killed');
  }, LASTS_MS / 2);
await Promise.all(
  visits.map(async (visit, i) => {
    let next = performance.now() + (EVERY_MS * i) / SERVICES;
    for (let n = 0; next < until; n += 1, next += EVERY_MS) {
      await wait(next - performance.now());
      const id = crypto.randomUUID();
      const from = performance.now();
      sentAt.set(id, from);
      for (let tries = 0; ; tries += 1) {
        const now = Date.now();
        const batch = {
          device: `bench ${i}`,
          deviceNow: now,
          events: [{ id, at: now, body: { kind: 'note', words: `event ${n}`, foil: null } }],
        };
        const answer = await request({
          station: i,
          method: 'POST',
          path: `/api/services/${visit}/events`,
          cookie: cookies[2 * i],
          body: batch,
        }).then(async ({ status, response }) => (await drained(response), String(status)), String);
        if (answer === '200') break;
        disturbed.add(id);
        // Not answered is not refused: a device sends again.
        if (/^\d/.test(answer) || tries > 20) {
          failures.push(answer);
          break;
        }
        await wait(200);
      }
      if (!disturbed.has(id)) taken.push(performance.now() - from);
    }
  }),
);
if (killer) clearTimeout(killer);
await wait(4000);

function say(what: string, values: number[], budget?: number): boolean {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) =>
    Math.round(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]);
  const over = budget !== undefined && at(0.95) > budget;
  console.log(
    `${what}: median ${at(0.5)} ms, 95 in a hundred ${at(0.95)} ms${budget === undefined ? '' : ` (at most ${budget}${over ? ': OVER' : ''})`}, slowest ${at(1)} ms (${sorted.length})`,
  );
  return !over;
}
say('taken by a server', taken);
const both = [...sentAt].flatMap(([id, at]) =>
  seen[0].has(id) && seen[1].has(id) ? [{ at, ms: Math.max(seen[0].get(id)!, seen[1].get(id)!) - at }] : [],
);
// A stream whose machine was killed is opened anew within a second or two.
const quiet = both.filter(({ at }) => at < killedAt - 1000 || at > killedAt + 5000);
good =
  say(
    'seen on both streams',
    quiet.map(({ ms }) => ms),
    BUDGET.seen,
  ) && good;
if (quiet.length < both.length)
  say(
    'seen on both while a machine was killed',
    both.filter((own) => !quiet.includes(own)).map(({ ms }) => ms),
  );
const lost = [...sentAt.keys()].filter((id) => !seen[0].has(id) || !seen[1].has(id)).length;
const [kept] = await inSalon(actor.salonId, (trx) =>
  rawRows<{ n: number; d: number }>(
    trx,
    'select count(*)::int as n, count(distinct id)::int as d from service_event',
  ),
);
console.log(
  `events sent ${sentAt.size}, kept ${kept.n} (each once: ${kept.n === kept.d && kept.n === sentAt.size}), not seen on both streams ${lost}, refused ${failures.length}${failures.length > 0 ? ` (${[...new Set(failures)].join(', ')})` : ''}`,
);
good &&= lost === 0 && failures.length === 0 && kept.n === sentAt.size;

closing = true;
for (const element of nodes) element.process.kill('SIGTERM');
agent.destroy();
await wait(1500);
await scratch.drop();
process.exit(good ? 0 : 1);
