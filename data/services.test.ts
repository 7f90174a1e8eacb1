import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { recordOf, serviceState, type EventBody } from '../core/chair';
import { EMPTY_CONSULT, EMPTY_MIX, type EventBatch } from '../core/formats';
import { EMPTY_OUTCOME, EVERYWHERE } from '../core/visit';
import { beginVisit } from './begin-visit';
import { createClient } from './clients';
import { eraseClient, exportClient } from './client-record';
import { inSalon } from './database';
import { appendEvents, liveServices, openService, readEvents } from './services';
import { addTest } from './safety';
import { saveConsult, saveMix, saveOutcome, savePlan } from './saves';
import type { SignedIn } from './sessions';
import { closeSignals, listenTo, type Signal } from './signals';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';

const TODAY = '2026-11-25';
let scratch: Scratch;
let owner: SignedIn;
let helper: SignedIn;
let stranger: SignedIn;
beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
  helper = await signedIn('bram@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(async () => {
  await closeSignals();
  await scratch.drop();
});

/** A visit that has begun. */
async function begun(): Promise<string> {
  const clientId = await createClient(owner, {
    name: 'Chair Subject',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitId = (await createVisit(owner, clientId, TODAY))!;
  await saveConsult(owner, visitId, {
    baseRevision: 1,
    editId: crypto.randomUUID(),
    document: {
      ...EMPTY_CONSULT,
      health: { allergy: 'none', dyes: 'none', scalp: 'sound', strandFeel: 'sound', noted: [] },
    },
  });
  await addTest(owner, clientId, {
    kind: 'alert',
    onDay: '2026-11-20',
    result: 'clear',
    document: {
      version: 1,
      product: '',
      volume: null,
      minutes: null,
      fromLevel: null,
      level: null,
      note: '',
    },
  });
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
  return visitId;
}
const opened = async (visitId: string, actor = owner) => {
  const answer = await openService(actor, visitId);
  if (!answer.ok) throw new Error(answer.problem);
  return answer.value;
};
const batch = (
  device: string,
  bodies: readonly EventBody[],
  ago: readonly number[] = bodies.map(() => 0),
  deviceNow = Date.now(),
): EventBatch => ({
  device,
  deviceNow,
  events: bodies.map((body, i) => ({ id: crypto.randomUUID(), at: deviceNow - ago[i], body })),
});
const started: EventBody = { kind: 'started', plan: [] };

test('a service is frozen when it begins: a plan changed later changes nothing of it', async () => {
  const visitId = await begun();
  const before = await opened(visitId);
  expect(before.script.units.length).toBeGreaterThan(20);
  const { plan } = (await readVisit(owner, visitId))!;
  expect(
    await savePlan(owner, visitId, {
      baseRevision: plan.revision,
      editId: crypto.randomUUID(),
      document: { ...plan.document, panels: [] },
    }),
  ).toMatchObject({ ok: true });
  expect((await opened(visitId)).script).toEqual(before.script);
});

test('a visit that has not begun has no service, and neither has one of another salon', async () => {
  const clientId = await createClient(owner, {
    name: 'Not Begun',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitId = (await createVisit(owner, clientId, TODAY))!;
  expect(await openService(owner, visitId)).toMatchObject({ ok: false, reason: 'not-begun' });
  const own = await begun();
  expect(await openService(stranger, own)).toMatchObject({ ok: false, reason: 'missing' });
  expect(await appendEvents(stranger, own, batch('x', [started]))).toMatchObject({
    ok: false,
    reason: 'missing',
  });
  await appendEvents(owner, own, batch('x', [started]));
  expect(await readEvents(stranger, own, 0)).toEqual([]);
  expect((await liveServices(stranger)).map((one) => one.visitId)).not.toContain(own);
  expect((await liveServices(owner)).map((one) => one.visitId)).toContain(own);
});

test('sent twice, also at once: each event is there once, in the order of its device', async () => {
  const visitId = await begun();
  const { script } = await opened(visitId);
  const sent = batch('station', [
    started,
    ...script.units.slice(0, 5).map(({ id }): EventBody => ({ kind: 'closed', foil: id })),
  ]);
  const answers = await Promise.all([1, 2, 3].map(() => appendEvents(owner, visitId, sent)));
  for (const answer of answers)
    expect(answer).toMatchObject({
      ok: true,
      value: { events: sent.events.map(({ id }, i) => ({ id, position: i + 1 })) },
    });
  expect((await readEvents(owner, visitId, 0)).map(({ id }) => id)).toEqual(sent.events.map(({ id }) => id));
  expect((await readEvents(owner, visitId, 4)).map(({ position }) => position)).toEqual([5, 6]);
});

test('two devices at once: positions without gaps, each device’s own order kept', async () => {
  const visitId = await begun();
  const notes = (device: string) =>
    Array.from({ length: 8 }, (_, i) =>
      batch(device, [{ kind: 'note', words: `${device} ${i}`, foil: null }]),
    );
  const run = async (actor: SignedIn, all: EventBatch[]) => {
    for (const own of all) await appendEvents(actor, visitId, own);
  };
  await Promise.all([run(owner, notes('station')), run(helper, notes('tablet'))]);
  const events = await readEvents(owner, visitId, 0);
  expect(events.map(({ position }) => position)).toEqual(Array.from({ length: 16 }, (_, i) => i + 1));
  for (const device of ['station', 'tablet'])
    expect(
      events.flatMap(({ body }) =>
        body.kind === 'note' && body.words.startsWith(device) ? [body.words] : [],
      ),
    ).toEqual(Array.from({ length: 8 }, (_, i) => `${device} ${i}`));
});

test('a device whose clock is wrong, or jumps, is put right by how long ago things were', async () => {
  const visitId = await begun();
  const now = Date.now();
  const wrong = now - 26 * 3_600_000;
  await appendEvents(
    owner,
    visitId,
    batch('station', [started, { kind: 'note', words: 'a', foil: null }], [600_000, 60_000], wrong),
  );
  const [first, second] = await readEvents(owner, visitId, 0);
  expect(first.at).toBeGreaterThanOrEqual(now - 600_000);
  expect(first.at).toBeLessThanOrEqual(Date.now() - 600_000);
  expect(second.at - first.at).toBe(540_000);
  // Something from its own future is not later than now; something before what it said already is not before
  // it.
  await appendEvents(
    owner,
    visitId,
    batch(
      'station',
      [
        { kind: 'note', words: 'b', foil: null },
        { kind: 'note', words: 'c', foil: null },
      ],
      [-3_600_000, 7_200_000],
    ),
  );
  const later = (await readEvents(owner, visitId, 2)).map(({ at }) => at);
  expect(later[0]).toBeLessThanOrEqual(Date.now());
  expect(later[1]).toBeGreaterThanOrEqual(later[0]);
});

test('a server clock that is put back keeps events apart, in their order', async () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-clock-')), 'added');
  const by = (ms: number) => writeFileSync(file, String(ms));
  const note = (words: string): EventBody => ({ kind: 'note', words, foil: null });
  by(7_200_000);
  process.env.LATTICE_CLOCK = file;
  try {
    const visitId = await begun();
    const from = Date.now();
    // The device's own clock goes on: five minutes between each.
    const at = (minutes: number, body: EventBody) =>
      appendEvents(owner, visitId, batch('station', [body], [0], from + 60_000 * minutes));
    await at(0, started);
    await at(5, note('a'));
    by(0);
    await at(10, note('b'));
    const put = await opened(visitId);
    expect(put.serverNow).toBeGreaterThanOrEqual(put.events.at(-1)!.at);
    by(300_000);
    await at(15, note('c'));
    const gaps = (await readEvents(owner, visitId, 0)).map((readEvent, i, all) =>
      i === 0 ? 0 : Math.round((readEvent.at - all[i - 1].at) / 10_000) / 6,
    );
    expect(gaps.slice(2)).toEqual([5, 5]);
  } finally {
    delete process.env.LATTICE_CLOCK;
  }
});

const comes = async (fits: () => boolean) => {
  for (let i = 0; i < 2400 && !fits(); i += 1) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(fits()).toBe(true);
};

test('everybody who listens is told, and again after the connection was lost', async () => {
  const visitId = await begun();
  const heard: (Signal | null)[] = [];
  const end = await listenTo('service', visitId, (signal) => heard.push(signal));
  await appendEvents(owner, visitId, batch('station', [started]));
  await comes(() => heard.some((own) => own?.topic === 'service' && own.position === 1));
  const count = heard.length;
  const { rows } = await scratch.app.raw(
    "select pg_terminate_backend(pid) from pg_stat_activity where query ilike 'listen %' and datname = current_database() and pid <> pg_backend_pid()",
  );
  expect(rows).toHaveLength(1);
  // It looks anew on its own: null says that something may have been missed.
  await comes(() => heard.slice(count).includes(null));
  await appendEvents(owner, visitId, batch('station', [{ kind: 'note', words: 'after', foil: null }]));
  await comes(() => heard.some((own) => own?.topic === 'service' && own.position === 2));
  end();
});

test('with its end the record is written, once, from what happened; by hand it stays as it was', async () => {
  const visitId = await begun();
  const { script } = await opened(visitId);
  const [first] = script.blocks;
  const bodies: EventBody[] = [
    started,
    ...first.units.map((foil): EventBody => ({ kind: 'closed', foil })),
    {
      kind: 'checked',
      foil: first.units[0],
      level: 7.5,
      then: 'rinse',
      minutes: null,
      reason: null,
      photo: null,
    },
    { kind: 'rinse-begun', blocks: [first.id], incident: null },
    { kind: 'rinse-done' },
  ];
  await appendEvents(
    owner,
    visitId,
    batch(
      'station',
      bodies,
      bodies.map((_, i) => (bodies.length - i) * 60_000),
    ),
  );
  expect((await readVisit(owner, visitId))!.outcome).toBeNull();
  const finished = batch('tablet', [{ kind: 'finished' }]);
  // Whoever has the record open elsewhere is told.
  const heard: (Signal | null)[] = [];
  const end = await listenTo('visit', visitId, (signal) => heard.push(signal));
  await appendEvents(helper, visitId, finished);
  await comes(() => heard.some((signal) => signal?.topic === 'visit' && 'saved' in signal));
  end();
  expect(heard).toEqual([{ topic: 'visit', id: visitId, saved: { part: 'outcome', revision: 1 } }]);
  const { outcome } = (await readVisit(owner, visitId))!;
  expect(outcome!.document).toMatchObject({
    foilsPlaced: first.units.length,
    levelReached: 7.5,
    done: expect.stringContaining(`${first.units.length} foils placed of ${script.units.length} planned`),
  });
  const record = recordOf(script, serviceState(script, await readEvents(owner, visitId, 0)));
  expect(outcome!.document.done).toBe(record.summary);
  expect((await liveServices(owner)).map((liveService) => liveService.visitId)).not.toContain(visitId);
  // Taken back, it runs again; finished again, the record that stands is not overwritten.
  await appendEvents(owner, visitId, batch('station', [{ kind: 'undone', event: finished.events[0].id }]));
  expect((await liveServices(owner)).map((liveService) => liveService.visitId)).toContain(visitId);
  await appendEvents(owner, visitId, batch('station', [{ kind: 'finished' }]));
  expect((await readVisit(owner, visitId))!.outcome!.revision).toBe(1);
});

test('nothing that happened is changed or taken away, but with the client', async () => {
  const visitId = await begun();
  await appendEvents(owner, visitId, batch('station', [started]));
  await expect(
    inSalon(owner.salonId, (trx) =>
      trx('service_event').where({ visit_id: visitId }).update({ device: 'other' }),
    ),
  ).rejects.toThrow(/permission denied/);
  await expect(
    inSalon(owner.salonId, (trx) => trx('service_event').where({ visit_id: visitId }).delete()),
  ).rejects.toThrow(/permission denied/);
  const { clientId } = await opened(visitId);
  const record = (await exportClient(owner, clientId))! as {
    happened: { body: EventBody }[];
    services: unknown[];
  };
  expect([record.happened.map(({ body }) => body.kind), record.services.length]).toEqual([['started'], 1]);
  expect(await eraseClient(owner, clientId)).toBe(true);
  expect(await readEvents(owner, visitId, 0)).toEqual([]);
});

test('hours that tests do not wait for are added to the server’s time', async () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-clock-')), 'added');
  writeFileSync(file, String(7_200_000));
  process.env.LATTICE_CLOCK = file;
  try {
    const visitId = await begun();
    const before = Date.now();
    const added = (await opened(visitId)).serverNow - 7_200_000;
    expect(added).toBeGreaterThanOrEqual(before);
    expect(added).toBeLessThanOrEqual(Date.now());
  } finally {
    delete process.env.LATTICE_CLOCK;
  }
});

test('without foils there is nothing to carry out but what stays on; the record keeps the level that there was', async () => {
  const clientId = await createClient(owner, {
    name: 'Toner Subject',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitOn = async (day: string, what: 'foils' | 'no-foils') => {
    const visitId = (await createVisit(owner, clientId, day, what))!;
    await inSalon(
      owner.salonId,
      (trx) =>
        trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: owner.personId }),
      scratch.app,
    );
    return visitId;
  };
  const foiled = await visitOn('2026-10-01', 'foils');
  await saveOutcome(owner, foiled, {
    baseRevision: 0,
    editId: crypto.randomUUID(),
    document: { ...EMPTY_OUTCOME, done: 'Fine weaves.', levelReached: 7.5 },
  });
  const visitId = await visitOn(TODAY, 'no-foils');
  await saveConsult(owner, visitId, {
    baseRevision: 1,
    editId: crypto.randomUUID(),
    document: { ...EMPTY_CONSULT, goalLevel: 9 },
  });
  expect(await openService(owner, visitId)).toMatchObject({
    ok: false,
    problem: expect.stringContaining('nothing is mixed that stays on'),
  });
  const toner = {
    id: 't1',
    line: 'sedge',
    parts: [{ shade: 'sedge-9-violet', parts: 1 }],
    volumes: 5,
    ratio: 2,
    grams: 50,
    minutes: 10,
    place: { ...EVERYWHERE, lengths: ['mids' as const] },
    state: 'damp' as const,
  };
  expect(
    await saveMix(owner, visitId, {
      baseRevision: 0,
      editId: crypto.randomUUID(),
      document: { ...EMPTY_MIX, toners: [toner] },
    }),
  ).toMatchObject({ ok: true });
  const { script } = await opened(visitId);
  expect(script.steps.map(({ kind }) => kind)).toEqual(['wash', 'toner', 'rinse', 'dry']);
  await appendEvents(
    owner,
    visitId,
    batch(
      'tablet',
      [
        started,
        { kind: 'step-begun', step: 'toner t1' },
        { kind: 'step-done', step: 'toner t1' },
        { kind: 'finished' },
      ],
      [1_200_000, 900_000, 300_000, 0],
    ),
  );
  expect((await readVisit(owner, visitId))!.outcome!.document).toMatchObject({
    foilsPlaced: 0,
    levelReached: 7.5,
    zones: {},
    done: 'No foils.\nToner, mid-lengths 10 min: 17 g Sedge 9 violet, 34 g Moth developer 5 vol, on damp hair.',
  });
});
