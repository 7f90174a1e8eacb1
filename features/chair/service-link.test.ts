import 'fake-indexeddb/auto';
import fc from 'fast-check';
import type { EventBody, ServiceEvent } from '@/core/chair';
import { parseEventBatch } from '@/core/formats';
import { closed, scriptFor, started } from '@/core/chair/testing';
import { DeviceClock } from './device-clock';
import { DeviceDb } from './device-db';
import { ServiceLink, type LinkPorts } from './service-link';

const VISIT = '00000000-0000-4000-8000-000000000001';
const SCRIPT = scriptFor([6]);

/** A server as the real one behaves: each event once, in order, moments put right by the device's own now. */
class Server {
  readonly taken: (ServiceEvent & { position: number })[] = [];
  now = 1_000_000;
  /** What becomes of the next requests. */
  readonly fate: ('well' | 'lost' | 'answer-lost')[] = [];
  signedOut = false;
  private readonly streams = new Set<{ after: number; on: (name: string, data: string) => void }>();

  ports(ids: () => string): LinkPorts {
    return {
      randomId: ids,
      fetch: async (_url, init) => {
        const fate = this.fate.shift() ?? 'well';
        if (fate === 'lost') throw new TypeError('Failed to fetch');
        const answer = this.answer(init);
        if (fate === 'answer-lost') throw new TypeError('Failed to fetch');
        return answer;
      },
      listen: (url, on) => {
        const stream = { after: Number(new URL(url, 'http://x').searchParams.get('after')), on };
        this.streams.add(stream);
        this.push();
        return () => this.streams.delete(stream);
      },
    };
  }

  private answer(init?: RequestInit): Response {
    if (this.signedOut) return Response.json({ ok: false, problem: 'You are signed out.' }, { status: 401 });
    if (init?.method !== 'POST')
      return Response.json({
        ok: true,
        visitId: VISIT,
        clientId: 'c',
        clientName: 'Ada Fell',
        script: SCRIPT,
        salonId: 's',
        person: 'Ottilie',
        events: this.taken,
        serverNow: this.now,
      });
    const read = parseEventBatch(JSON.parse(init.body as string));
    if (!read.ok) return Response.json({ ok: false, problem: read.problem }, { status: 400 });
    const { device, deviceNow, events } = read.value;
    for (const { id, at, body } of events) {
      if (!this.taken.some((own) => own.id === id))
        this.taken.push({
          id,
          device,
          at: this.now - (deviceNow - at),
          by: 'Ottilie',
          body,
          position: this.taken.length + 1,
        });
    }
    this.push();
    return Response.json({
      ok: true,
      events: this.taken.filter(({ id }) => events.some((event) => event.id === id)),
      serverNow: this.now,
    });
  }

  private push(): void {
    for (const stream of this.streams) {
      for (const event of this.taken.filter(({ position }) => position > stream.after)) {
        stream.after = event.position;
        stream.on('happened', JSON.stringify(event));
      }
    }
  }
}

let names = 0;
const uuid = () => `00000000-0000-4000-8000-${String((names += 1)).padStart(12, '0')}`;
const settled = async () => {
  for (let i = 0; i < 12; i += 1) await new Promise((resolve) => setImmediate(resolve));
};

interface Opened {
  link: ServiceLink;
  db: DeviceDb;
}
const open = async (
  server: Server,
  device: string,
  base: string,
  own: () => number = () => server.now,
): Promise<Opened> => {
  const db = await DeviceDb.open(base);
  const link = new ServiceLink(VISIT, device, db, new DeviceClock(null, own), server.ports(uuid));
  await link.open();
  await settled();
  return { link, db };
};
const until = async (fits: () => boolean, link: ServiceLink) => {
  for (let i = 0; i < 60 && !fits(); i += 1) {
    link.retryNow();
    await settled();
  }
  expect(fits()).toBe(true);
};
const bodies = (server: Server) => server.taken.map(({ body }) => body);

test('what is done is shown at once, kept, sent, and seen by the other device', async () => {
  const server = new Server();
  const [one, other] = [await open(server, 'station', uuid()), await open(server, 'tablet', uuid())];
  one.link.act(started);
  expect(one.link.read().state!.startedAt).toBe(server.now);
  one.link.act(closed('b0/0'));
  await settled();
  expect(bodies(server)).toEqual([started, closed('b0/0')]);
  expect(other.link.read().state!.blocks[0].units[0]).toMatchObject({ standing: 'on', closedBy: 'Ottilie' });
  expect(one.link.read()).toMatchObject({ unsent: 0, status: 'live', full: false });
  [one, other].forEach(({ link, db }) => (link.close(), db.close()));
});

test('whatever becomes of requests, through reloads and without a network: every event once, in order', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom('act', 'act', 'act', 'reload', 'retry' as const), {
        minLength: 4,
        maxLength: 14,
      }),
      fc.array(fc.constantFrom('well', 'lost', 'answer-lost' as const), { maxLength: 14 }),
      async (steps, fate) => {
        const server = new Server();
        server.fate.push(...fate);
        const base = uuid();
        let { link, db } = await open(server, 'page-0', base);
        // What cannot be opened yet cannot be worked on.
        await until(() => link.read().service !== null, link);
        const said: EventBody[] = [];
        for (const [i, step] of steps.entries()) {
          server.now += 1000;
          if (step === 'act') {
            const body: EventBody = { kind: 'note', words: `word ${i}`, foil: null };
            said.push(body);
            link.act(body);
          } else if (step === 'retry') link.retryNow();
          else {
            await settled();
            link.close();
            db.close();
            ({ link, db } = await open(server, `page-${i}`, base));
            // A reload shows all that was done, whatever the network does.
            expect(link.read().events).toHaveLength(said.length);
          }
          await settled();
        }
        await until(() => link.read().unsent === 0 && link.read().status === 'live', link);
        expect(bodies(server)).toEqual(said);
        expect(server.taken.map(({ position }) => position)).toEqual(said.map((_, i) => i + 1));
        link.close();
        db.close();
      },
    ),
    { numRuns: 30 },
  );
}, 60_000);

test('a wrong clock on the device does no harm: moments are the server’s', async () => {
  const server = new Server();
  const { link, db } = await open(server, 'station', uuid(), () => server.now - 3 * 3_600_000);
  link.act(started);
  server.now += 60_000;
  link.act(closed('b0/0'));
  await settled();
  expect(server.taken[1].at - server.taken[0].at).toBe(60_000);
  expect(link.read().state!.startedAt).toBe(1_000_000);
  link.close();
  db.close();
});

test('signed out: everything is kept and goes on being shown, and is sent once somebody signs in', async () => {
  const server = new Server();
  const { link, db } = await open(server, 'station', uuid());
  server.signedOut = true;
  link.act(started);
  await settled();
  expect(link.read()).toMatchObject({ status: 'signed-out', unsent: 1 });
  expect(link.read().state!.startedAt).not.toBeNull();
  server.signedOut = false;
  await until(() => link.read().unsent === 0, link);
  expect(bodies(server)).toEqual([started]);
  link.close();
  db.close();
});

test('where the device can keep nothing more it says so, and what is done still reaches the server', async () => {
  const server = new Server();
  const { link, db } = await open(server, 'station', uuid());
  jest.spyOn(db, 'putEvents').mockRejectedValue(new DOMException('no room', 'QuotaExceededError'));
  server.fate.push('lost');
  link.act(started);
  await settled();
  expect(link.read()).toMatchObject({ full: true, unsent: 1, status: 'offline' });
  await until(() => link.read().unsent === 0, link);
  expect(bodies(server)).toEqual([started]);
  link.close();
  db.close();
});

test('something that the server cannot take holds up nothing else, and is said', async () => {
  const server = new Server();
  const { link, db } = await open(server, 'station', uuid());
  server.fate.push('lost');
  link.act(started);
  link.act({ kind: 'note', words: '', foil: null });
  link.act(closed('b0/0'));
  await settled();
  await until(() => server.taken.length === 2, link);
  expect(bodies(server)).toEqual([started, closed('b0/0')]);
  expect(link.read().problem).toMatch(/must say something/);
  expect(link.read().unsent).toBe(1);
  link.close();
  db.close();
});

test('a service is forgotten on the device only once all of it was sent', async () => {
  const server = new Server();
  const { link, db } = await open(server, 'station', uuid());
  server.fate.push('lost', 'lost', 'lost');
  link.act(started);
  await settled();
  expect(await db.forget(VISIT)).toBe(false);
  expect(await db.forgetSent()).toBe(1);
  expect(await db.services()).toHaveLength(1);
  await until(() => link.read().unsent === 0, link);
  await settled();
  expect(await db.forgetSent()).toBe(0);
  expect(await db.services()).toEqual([]);
  link.close();
  db.close();
});

test('a stream that is silent for 25 seconds is opened again', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask', 'performance'] });
  const server = new Server();
  const asked: string[] = [];
  const link = new ServiceLink(VISIT, 'tablet', null, new DeviceClock(null, () => server.now), {
    ...server.ports(uuid),
    listen: (url) => {
      asked.push(url);
      return () => undefined;
    },
  });
  try {
    await link.open();
    await settled();
    expect([asked.length, link.read().status]).toEqual([1, 'live']);
    jest.advanceTimersByTime(24_000);
    expect(link.read().status).toBe('live');
    jest.advanceTimersByTime(1500);
    expect(link.read().status).toBe('offline');
    jest.advanceTimersByTime(1000);
    await settled();
    expect([asked.length, link.read().status]).toEqual([2, 'live']);
  } finally {
    link.close();
    jest.useRealTimers();
  }
});
