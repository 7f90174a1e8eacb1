import { NO_ANSWERS } from '../core/formats';
import {
  answersOf,
  ensurePage,
  keepAnswers,
  openPage,
  ownPhotosOf,
  pageFacts,
  pageMayWrite,
  pageOfClient,
  revokePages,
  settleAnswers,
  type OpenedPage,
} from './client-pages';
import { eraseClient } from './client-record';
import { createClient } from './clients';
import { inSalon, type Actor } from './database';
import { mergeClients, undoMerge } from './merges';
import { addPhoto, listPhotos } from './photos';
import { addConsent } from './safety';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { readTrail } from './trail';
import { createVisit, readVisit } from './visits';

const TODAY = '2026-11-24';
const before = process.env.LATTICE_SESSION_SECRET;
let scratch: Scratch;
let owner: Actor;
let stranger: Actor;
let clientId: string;
beforeAll(async () => {
  process.env.LATTICE_SESSION_SECRET = 'k'.repeat(40);
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(async () => {
  process.env.LATTICE_SESSION_SECRET = before;
  await scratch.drop();
});
beforeEach(async () => {
  clientId = await createClient(owner, { name: 'Own Page', phone: '', email: '', note: '', bornOn: null });
});

let from = 0;
const open = async (path: string) => openPage(path.replace('/p/', ''), `198.51.100.${(from += 1)}`);
const page = async (): Promise<OpenedPage> =>
  (await open((await ensurePage(owner, clientId))!.path)) as OpenedPage;
const wish = (part: Partial<typeof NO_ANSWERS.wish>) => ({
  ...NO_ANSWERS,
  wish: { ...NO_ANSWERS.wish, ...part },
});

test('a page is opened by its secret, which the database does not hold, until it is withdrawn', async () => {
  const made = (await ensurePage(owner, clientId))!;
  expect(made.path).toMatch(/^\/p\/[\w-]{32}$/);
  expect(await open(made.path)).toMatchObject({ clientId, salonId: owner.salonId });
  // The same address as long as it is open, for longer where that is asked for.
  const later = new Date(Date.parse(made.expiresAt) + 86_400_000);
  expect(await ensurePage(owner, clientId, later)).toEqual({ ...made, expiresAt: later.toISOString() });
  expect(await pageOfClient(owner, clientId)).toMatchObject({ path: made.path });
  const rows = await inSalon(owner.salonId, (trx) => trx('client_page').where({ client_id: clientId }));
  expect(rows).toHaveLength(1);
  expect(JSON.stringify(rows)).not.toContain(made.path.slice(3));
  expect(await revokePages(owner, clientId)).toBe(true);
  expect([await open(made.path), await pageOfClient(owner, clientId)]).toEqual([undefined, undefined]);
  // A new one has another address.
  expect((await ensurePage(owner, clientId))!.path).not.toBe(made.path);
  expect((await readTrail(owner)).map(({ act }) => act)).toEqual(
    expect.arrayContaining(['page-made', 'page-revoked']),
  );
});

test('an expired one opens nothing, nor does one of another salon’s client or of none', async () => {
  const made = (await ensurePage(owner, clientId, new Date(Date.now() - 1000)))!;
  expect(await open(made.path)).toBeUndefined();
  expect(await ensurePage(stranger, clientId)).toBeUndefined();
  expect(await ensurePage(owner, crypto.randomUUID())).toBeUndefined();
  expect(await open(`/p/${'x'.repeat(32)}`)).toBeUndefined();
});

test('many wrong addresses from one place are made to wait; a right one clears the count', async () => {
  const { path } = (await ensurePage(owner, clientId))!;
  const tried = (secret: string) => openPage(secret, '203.0.113.9');
  for (let i = 0; i < 39; i += 1) expect(await tried('wrong')).toBeUndefined();
  expect(await tried(path.slice(3))).toMatchObject({ clientId });
  for (let i = 0; i < 40; i += 1) expect(await tried('wrong')).toBeUndefined();
  expect(await tried(path.slice(3))).toEqual({ waitSeconds: expect.any(Number) });
});

test('a page gives so many pictures an hour and no more', async () => {
  const openedPage = await page();
  for (let i = 0; i < 12; i += 1) expect(await pageMayWrite(openedPage, 'page-photo')).toBe(0);
  expect(await pageMayWrite(openedPage, 'page-photo')).toBeGreaterThan(0);
  expect(await pageMayWrite(openedPage, 'page-write')).toBe(0);
});

test('two phones that answer at once are merged; sent, they wait at every open visit until they are settled', async () => {
  const openedPage = await page();
  const visit = (await createVisit(owner, clientId, TODAY))!;
  expect(await answersOf(openedPage)).toBeNull();
  await keepAnswers(openedPage, { base: NO_ANSWERS, document: wish({ brightness: 4 }), sent: false });
  const kept = await keepAnswers(openedPage, {
    base: NO_ANSWERS,
    document: wish({ tone: 'cool' }),
    sent: true,
  });
  expect(kept).toMatchObject({
    revision: 2,
    document: { wish: { brightness: 4, tone: 'cool' } },
    sentAt: expect.any(String),
  });
  expect((await readVisit(owner, visit))!.answers).toEqual(kept);
  // Together they would not fit: the later one's stand.
  const worn = (part: object) => ({ ...kept.document, worn: { ...kept.document.worn, ...part } });
  await keepAnswers(openedPage, { base: kept.document, document: worn({ upShare: 0.75 }), sent: false });
  expect(
    (
      await keepAnswers(openedPage, {
        base: kept.document,
        document: worn({ halfUpShare: 0.5 }),
        sent: false,
      })
    ).document.worn,
  ).toMatchObject({ upShare: null, halfUpShare: 0.5 });
  expect(await settleAnswers(stranger, clientId, kept.id, '')).toBe(false);
  expect(await settleAnswers(owner, clientId, kept.id, 'how bright')).toBe(true);
  expect(await settleAnswers(owner, clientId, kept.id, 'how bright')).toBe(false);
  expect([(await readVisit(owner, visit))!.answers, await answersOf(openedPage)]).toEqual([null, null]);
  // What they answer afterwards is a new one.
  expect(
    (await keepAnswers(openedPage, { base: NO_ANSWERS, document: wish({ brightness: 1 }), sent: false })).id,
  ).not.toBe(kept.id);
  expect(
    (await readTrail(owner))
      .filter(({ act }) => act.startsWith('answers'))
      .map(({ act, personName, words }) => [act, personName, words]),
  ).toEqual([
    ['answers-settled', 'Ottilie Marsh', 'how bright'],
    ['answers-sent', null, ''],
  ]);
});

test('what a page tells is the client’s own; a consent that was signed there is nobody’s of the salon', async () => {
  const openedPage = await page();
  expect(await pageFacts(openedPage)).toEqual({
    salonName: 'Fernhollow Colour Rooms',
    clientName: 'Own Page',
    agreed: null,
    last: null,
    consented: [],
    photoIds: [],
  });
  await addConsent({ salonId: openedPage.salonId, personId: null }, clientId, {
    kind: 'reminders',
    words: 'May text me.',
    signedName: 'Own Page',
    signature: [],
  });
  expect((await pageFacts(openedPage))!.consented).toEqual(['reminders']);
  const visit = (await readVisit(owner, (await createVisit(owner, clientId, TODAY))!))!;
  expect(visit.safety.consents).toMatchObject([{ kind: 'reminders', takenBy: 'the client' }]);
  // A picture that the salon took is not shown there.
  const picture = { width: 1, height: 1, full: Buffer.from('full'), small: Buffer.from('small') };
  const [theirs, ours] = [
    (await addPhoto({ salonId: openedPage.salonId, personId: null }, clientId, {
      visitId: null,
      kind: 'wish',
      note: '',
      picture,
    }))!,
    (await addPhoto(owner, clientId, { visitId: null, kind: 'hair', note: '', picture }))!,
  ];
  const shown = await ownPhotosOf(openedPage);
  expect([shown.includes(theirs), shown.includes(ours)]).toEqual([true, false]);
  expect((await pageFacts(openedPage))!.photoIds).toEqual([theirs]);
  expect(
    (await listPhotos(owner, clientId))
      .map(({ id, fromClient, takenBy }) => [id, fromClient, takenBy])
      .sort(),
  ).toEqual(
    [
      [theirs, true, 'the client'],
      [ours, false, 'Ottilie Marsh'],
    ].sort(),
  );
});

test('merging two records takes page and answers along and back; erasing takes them away', async () => {
  const other = await createClient(owner, {
    name: 'Own Pages',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const openedPage = await page();
  const { path } = (await pageOfClient(owner, clientId))!;
  await keepAnswers(openedPage, { base: NO_ANSWERS, document: wish({ brightness: 4 }), sent: true });
  const theirs = (await open((await ensurePage(owner, other))!.path)) as OpenedPage;
  await keepAnswers(theirs, { base: NO_ANSWERS, document: wish({ brightness: 2 }), sent: true });
  await mergeClients(owner, clientId, other);
  expect(await open(path)).toMatchObject({ clientId: other });
  // The record that stays has answers of its own: those of the other are put away.
  expect((await answersOf(theirs))!.document.wish.brightness).toBe(2);
  const merge = await inSalon(
    owner.salonId,
    (trx) => trx('client_merge').where({ from_id: clientId }).first('id'),
    scratch.app,
  );
  await undoMerge(owner, merge!.id);
  expect(await open(path)).toMatchObject({ clientId });
  expect(await eraseClient(owner, clientId)).toBe(true);
  expect(await open(path)).toBeUndefined();
  expect(
    await inSalon(owner.salonId, (trx) =>
      trx('client_answer').where({ client_id: clientId }).select('client_id'),
    ),
  ).toEqual([]);
});
