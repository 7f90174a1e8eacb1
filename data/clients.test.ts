import { EMPTY_CONSULT } from '../core/formats';
import { allClients, archiveClient, changeClient, importClients, walkIn } from './client-changes';
import { eraseClient, exportClient } from './client-record';
import { CLIENTS_A_PAGE, countClients, createClient, listClients, readClient } from './clients';
import { mergeClients, mergedInto, undoMerge } from './merges';
import { inSalon } from './database';
import { addTest } from './safety';
import { saveConsult } from './saves';
import type { SignedIn } from './sessions';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { signedIn } from './testing/actor';
import { joined, readTrail, type TrailEntry } from './trail';
import { createVisit, readVisit } from './visits';
import { rawRows } from './raw-rows';

const TODAY = '2026-11-25';
let scratch: Scratch;
let owner: SignedIn;
let bram: SignedIn;
let stranger: SignedIn;
beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
  bram = await signedIn('bram@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());

const fields = (name: string, part = {}) => ({ name, phone: '', email: '', note: '', bornOn: null, ...part });
const edit = <T>(document: T, baseRevision = 1) => ({ baseRevision, editId: crypto.randomUUID(), document });
const names = async (search = '', archived = false) =>
  (await listClients(owner, search, TODAY, { archived })).map(({ name }) => name);

test('a change says what changed; one that is based on an old state changes nothing', async () => {
  const id = await createClient(owner, fields('Isolde Marrin', { phone: '0700 1' }));
  expect(await changeClient(owner, id, 1, fields('Isolde Marrin-Vey', { bornOn: '1990-02-03' }))).toEqual({
    ok: true,
  });
  expect(await changeClient(bram, id, 1, fields('Overwritten'))).toEqual({ ok: false, reason: 'stale' });
  expect((await readClient(owner, id, TODAY))!.client).toMatchObject({
    name: 'Isolde Marrin-Vey',
    phone: '',
    email: '',
    bornOn: '1990-02-03',
    revision: 2,
  });
  const [latest] = await readTrail(owner, { clientId: id });
  expect(latest).toMatchObject({ act: 'client-changed', personName: 'Ottilie Marsh' });
  expect(latest.changes).toEqual([
    { where: 'name', from: 'Isolde Marrin', to: 'Isolde Marrin-Vey' },
    { where: 'phone', from: '0700 1', to: 'none' },
    { where: 'birthday', from: 'none', to: '1990-02-03' },
  ]);
  expect(await changeClient(stranger, id, 2, fields('Taken'))).toEqual({ ok: false, reason: 'missing' });
});

test('a client that a device has named is made once, and another salon’s name for its own is another client', async () => {
  const id = crypto.randomUUID();
  const made = await Promise.all([1, 2, 3].map(() => createClient(owner, fields('Oriel Twicely'), id)));
  expect(made).toEqual([id, id, id]);
  expect(await names('twicely')).toEqual(['Oriel Twicely']);
  expect((await readTrail(owner, { clientId: id })).map(({ act }) => act)).toEqual(['client-added']);
  const visits = [
    await walkIn(owner, fields('Oriel Twicely'), TODAY, id),
    await walkIn(owner, fields('Oriel Twicely'), TODAY, id),
  ];
  expect(visits[0]).toBe(visits[1]);
  const theirs = await createClient(stranger, fields('Somebody Else'), id);
  expect(theirs).not.toBe(id);
  expect((await readClient(owner, id, TODAY))!.client.name).toBe('Oriel Twicely');
});

test('put away she is not listed or found, and no visit is opened; taken out again all is as before', async () => {
  const id = await createClient(owner, fields('Petronel Faye'));
  expect(await archiveClient(owner, id, true)).toBe(true);
  expect(await names()).not.toContain('Petronel Faye');
  expect(await names('petronel')).toEqual([]);
  expect(await names('petronel', true)).toEqual(['Petronel Faye']);
  expect(await createVisit(owner, id, TODAY)).toBeUndefined();
  expect(await archiveClient(stranger, id, false)).toBe(false);
  expect(await archiveClient(owner, id, false)).toBe(true);
  expect(await names('petronel')).toEqual(['Petronel Faye']);
});

test('a walk-in is a client and her visit of today, or neither', async () => {
  const visitId = await walkIn(bram, fields('Cosima Walkin'), TODAY);
  const visit = (await readVisit(owner, visitId))!;
  expect(visit).toMatchObject({
    heldOn: TODAY,
    personName: 'Bram Vale-Osei',
    client: { name: 'Cosima Walkin' },
  });
  await expect(walkIn(bram, fields('x'.repeat(121)), TODAY)).rejects.toThrow();
  expect(await names('xxx')).toEqual([]);
});

test('two records become one: visits, tests, a missing phone and e-mail move; the other leads to them', async () => {
  const kept = await createClient(owner, fields('Ada Morrow', { note: 'soft' }));
  const twin = await createClient(
    owner,
    fields('A. Morrow', { phone: '0700 77', email: 'ada@post.example', note: 'twice' }),
  );
  const visits = [await createVisit(owner, kept, '2026-10-01'), await createVisit(owner, twin, '2026-11-01')];
  await addTest(owner, twin, {
    kind: 'alert',
    onDay: '2026-10-30',
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
  expect(await mergeClients(stranger, twin, kept)).toBeUndefined();
  expect(await mergeClients(owner, kept, kept)).toBeUndefined();
  expect(await mergeClients(owner, twin, kept)).toEqual({ visits: 1 });
  const story = (await readClient(owner, kept, TODAY))!;
  expect(story.client).toMatchObject({
    name: 'Ada Morrow',
    phone: '0700 77',
    email: 'ada@post.example',
    note: 'soft · twice',
  });
  expect(story.visits.map(({ id }) => id)).toEqual([visits[1], visits[0]]);
  expect((await readVisit(owner, visits[1]!))!.safety.tests).toHaveLength(1);
  expect(await readClient(owner, twin, TODAY)).toBeUndefined();
  expect(await mergedInto(owner, twin)).toBe(kept);
  expect(await names('morrow')).toEqual(['Ada Morrow']);
  expect(await names('morrow', true)).toEqual([]);
  // The trail of both is read on her.
  expect(
    (await readTrail(owner, { clientId: kept }))
      .filter(({ act }) => act === 'client-added')
      .map(({ words }) => words)
      .sort(),
  ).toEqual(['A. Morrow', 'Ada Morrow']);
});

test('no word of a note is cut by a merge, and it can be taken back, the later first', async () => {
  const long = `Ties it up. ${'x'.repeat(1500)}`;
  const allergy = `${'y'.repeat(1000)} Allergic to henna.`;
  const kept = await createClient(owner, fields('Rowena Pyke', { note: long }));
  const twin = await createClient(
    owner,
    fields('R. Pyke', { note: allergy, phone: '0700 88', email: '', bornOn: '1985-04-05' }),
  );
  const third = await createClient(owner, fields('Rowena P.', { note: 'third' }));
  const visit = (await createVisit(owner, twin, '2026-11-01'))!;
  await addTest(owner, twin, {
    kind: 'alert',
    onDay: '2026-10-30',
    result: 'reaction',
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
  await mergeClients(owner, third, twin);
  await mergeClients(owner, twin, kept);
  const merged = (await readClient(owner, kept, TODAY))!;
  expect(merged.client).toMatchObject({ note: long, phone: '0700 88', email: '', bornOn: '1985-04-05' });
  expect(merged.merges.map(({ name, furtherNote }) => [name, furtherNote])).toEqual([
    ['R. Pyke', `${allergy} · third`],
    ['Rowena P.', 'third'],
  ]);
  expect(merged.safety.tests.map(({ result }) => result)).toEqual(['reaction']);
  // The one that came before the other cannot go first; nobody else's can go at all.
  expect(merged.merges.map(({ mergeId }) => mergeId !== null)).toEqual([true, false]);
  const { mergeId } = merged.merges[0];
  expect(await undoMerge(stranger, mergeId!)).toEqual({ ok: false, reason: 'missing' });
  // What was changed since stays; what was taken over goes back.
  await changeClient(
    owner,
    kept,
    merged.client.revision,
    fields('Rowena Pyke-Hale', { note: 'New note', phone: '0700 88', email: '', bornOn: '1985-04-05' }),
  );
  expect(await undoMerge(owner, mergeId!)).toEqual({ ok: true, fromId: twin });
  expect((await readClient(owner, kept, TODAY))!.client).toMatchObject({
    name: 'Rowena Pyke-Hale',
    note: 'New note',
    phone: '',
    email: '',
    bornOn: null,
  });
  const again = (await readClient(owner, twin, TODAY))!;
  expect(again).toMatchObject({
    client: { name: 'R. Pyke', note: `${allergy} · third`, archived: false },
    merges: [{ name: 'Rowena P.' }],
  });
  expect(again.visits.map(({ id }) => id)).toEqual([visit]);
  expect(again.safety.tests).toHaveLength(1);
  expect(await undoMerge(owner, again.merges[0].mergeId!)).toEqual({ ok: true, fromId: third });
  expect((await readClient(owner, third, TODAY))!.client.note).toBe('third');
  expect((await readClient(owner, twin, TODAY))!.client.note).toBe(allergy);
  expect(await undoMerge(owner, mergeId!)).toEqual({ ok: false, reason: 'missing' });
});

test('found by a pattern, or by what was done, when the name says nothing', async () => {
  const found = await listClients(owner, 'chunky ribbons', TODAY);
  expect(found.map(({ name, foundBy }) => [name, foundBy])).toEqual([
    ['Ines Harrow', 'Chunky ribbons, sparse'],
  ]);
  expect((await listClients(owner, '10 vol', TODAY)).map(({ name }) => name)).toContain('Rosamund Ackerley');
  expect(await listClients(stranger, 'chunky ribbons', TODAY)).toEqual([]);
  const { rows } = await scratch.app.raw("select * from find_by_pattern(array['ribbons'], 10)");
  expect(rows).toEqual([]);
});

describe('erasing', () => {
  test('everything of hers is gone, and the trail says that it was erased, by whom, without a word of hers', async () => {
    const id = await createClient(
      owner,
      fields('Zerlina Quixworth', { phone: '0700 999 111', email: '', note: 'Unwonted words' }),
    );
    const visitId = (await createVisit(owner, id, TODAY))!;
    await saveConsult(owner, visitId, edit({ ...EMPTY_CONSULT, notes: 'Secretly told' }));
    expect(JSON.stringify(await exportClient(owner, id))).toMatch(/Secretly told/);
    expect(await eraseClient(stranger, id)).toBe(false);
    expect(await eraseClient(owner, id)).toBe(true);
    expect(await readClient(owner, id, TODAY)).toBeUndefined();
    expect(await readVisit(owner, visitId)).toBeUndefined();
    for (const search of ['zerlina', 'zerlena', '0700999111', 'unwonted'])
      expect(await names(search)).not.toContain('Zerlina Quixworth');
    const trail = await readTrail(owner, { clientId: id });
    expect(trail[0]).toMatchObject({ act: 'client-erased', personName: 'Ottilie Marsh' });
    expect(trail.slice(1).map(({ act, erased }) => [act, erased])).toEqual([
      ['client-exported', true],
      ['consult', true],
      ['visit-opened', true],
      ['client-added', true],
    ]);
    // No table of the salon holds a word of hers.
    const tables = await rawRows<{ relname: string }>(
      scratch.owner,
      "select relname from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relname not like 'knex%' and relname not in ('attempt')",
    );
    for (const { relname } of tables) {
      const [{ n }] = await inSalon(
        owner.salonId,
        (trx) =>
          rawRows<{ n: number }>(
            trx,
            `select count(*)::integer as n from ${relname} t where t::text ilike any (array['%zerlina%', '%quixworth%', '%unwonted%', '%secretly%', '%0700 999 111%'])`,
          ),
        scratch.owner,
      );
      expect([relname, n]).toEqual([relname, 0]);
    }
  });

  test('what was merged into her goes with her', async () => {
    const kept = await createClient(owner, fields('Keep Erasable'));
    const twin = await createClient(owner, fields('Twin Erasable'));
    await mergeClients(owner, twin, kept);
    expect(await eraseClient(owner, kept)).toBe(true);
    const left = await inSalon(
      owner.salonId,
      (trx) => trx('client').whereIn('id', [kept, twin]),
      scratch.app,
    );
    expect(left).toEqual([]);
  });

  test('her export holds visits, tests, consents, reasons, photos and trail', async () => {
    const [maren] = await listClients(owner, 'Maren', TODAY);
    const record = (await exportClient(owner, maren.id))!;
    expect(record).toMatchObject({
      format: 'dappled-lattice/client-record',
      version: 1,
      client: { name: 'Maren Tolland' },
    });
    expect(Object.keys(record)).toEqual(
      expect.arrayContaining(['visits', 'tests', 'consents', 'reasons', 'photos', 'trail']),
    );
    expect((record.visits as { plan: { name: string } }[]).length).toBeGreaterThanOrEqual(4);
    expect(await exportClient(stranger, maren.id)).toBeUndefined();
  });
});

describe('the trail', () => {
  test('an edit says what it changed, from what to what, and who did it', async () => {
    const id = await createClient(owner, fields('Trail Subject'));
    const visitId = (await createVisit(owner, id, TODAY))!;
    await saveConsult(
      bram,
      visitId,
      edit({ ...EMPTY_CONSULT, naturalLevel: 4, regrowthMm: { 'temple-l': 12 } }),
    );
    const [latest] = await readTrail(owner, { clientId: id });
    expect(latest).toMatchObject({ act: 'consult', personName: 'Bram Vale-Osei', visitId, visitOn: TODAY });
    expect(latest.changes).toEqual([
      { where: 'natural level', from: '6', to: '4' },
      { where: 'regrowth, temple, left', from: 'none', to: '12 mm' },
    ]);
  });

  test('another salon reads none of it', async () => {
    const all = await readTrail(stranger);
    expect(
      all.every(
        ({ clientName }) => clientName === null || ['Quenby Sallow', 'Somebody Else'].includes(clientName),
      ),
    ).toBe(true);
  });

  test('edits that follow each other are one, from the first state to the last; what came back is no change', () => {
    const entry = (minute: number, from: string, to: string, part: Partial<TrailEntry> = {}): TrailEntry => ({
      at: new Date(Date.UTC(2026, 10, 25, 9, minute)).toISOString(),
      personName: 'A',
      act: 'plan',
      clientId: 'c',
      clientName: 'C',
      visitId: 'v',
      visitOn: TODAY,
      words: '',
      via: null,
      changes: [{ where: 'drop-out', from, to }],
      more: 0,
      erased: false,
      ...part,
    });
    expect(
      joined([entry(9, '8', '10'), entry(5, '6', '8'), entry(1, '5', '6')]).map(({ changes }) => changes),
    ).toEqual([[{ where: 'drop-out', from: '5', to: '10' }]]);
    expect(joined([entry(9, '6', '5'), entry(5, '5', '6')])[0].changes).toEqual([]);
    expect(joined([entry(30, '8', '10'), entry(5, '6', '8')])).toHaveLength(2);
    expect(joined([entry(9, '8', '10'), entry(5, '6', '8', { personName: 'B' })])).toHaveLength(2);
    expect(joined([entry(9, '8', '10'), entry(5, '6', '8', { act: 'consult' })])).toHaveLength(2);
  });
});

describe('a table of clients', () => {
  test('is taken over with its trail; others stay', async () => {
    const id = await createClient(owner, fields('Tabled One'));
    const before = (await allClients(owner)).length;
    expect(
      await importClients(
        owner,
        [fields('Tabled Two')],
        [{ id, revision: 1, fields: { ...fields('Tabled One'), note: 'Bun' } }],
      ),
    ).toEqual({ ok: true });
    const after = await allClients(owner);
    expect(after).toHaveLength(before + 1);
    expect(after.find((client) => client.id === id)).toMatchObject({ note: 'Bun', revision: 2 });
    expect(after.map(({ name }) => name)).toContain('Tabled Two');
  });

  test('is taken over wholly or not at all: a client who was changed meanwhile stops it', async () => {
    const id = await createClient(owner, fields('Tabled Three'));
    await changeClient(owner, id, 1, { ...fields('Tabled Three'), note: 'newer' });
    const before = await allClients(owner);
    expect(
      await importClients(
        owner,
        [fields('Tabled Four')],
        [{ id, revision: 1, fields: { ...fields('Tabled Three'), note: 'older' } }],
      ),
    ).toEqual({ ok: false, reason: 'stale' });
    expect(
      await importClients(
        owner,
        [fields('Tabled Five')],
        [{ id: crypto.randomUUID(), revision: 1, fields: fields('Nobody') }],
      ),
    ).toEqual({ ok: false, reason: 'missing' });
    expect(await allClients(owner)).toEqual(before);
  });
});

test('pages hold every client once, by name', async () => {
  for (let i = 0; i < CLIENTS_A_PAGE; i += 1)
    await createClient(stranger, fields('Paged Sedge', { note: String(i) }));
  const all = await countClients(stranger);
  const pages = await Promise.all([0, 1, 2].map((page) => listClients(stranger, '', TODAY, { page })));
  expect(pages.map(({ length }) => length)).toEqual([CLIENTS_A_PAGE, all - CLIENTS_A_PAGE, 0]);
  const listed = pages.flat();
  expect(new Set(listed.map(({ id }) => id)).size).toBe(all);
  expect(listed.map(({ name }) => name.toLowerCase())).toEqual(
    listed.map(({ name }) => name.toLowerCase()).sort(),
  );
});
