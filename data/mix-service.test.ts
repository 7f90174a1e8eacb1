import { serviceState, type EventBody } from '../core/chair';
import { EMPTY_CONSULT, EMPTY_MIX } from '../core/formats';
import { lightenerWith, tonerFor } from '../core/mix/testing';
import { USUAL_RANGE } from '../core/products';
import { shadowOf, withProducts, type VisitMix } from '../core/visit';
import { beginVisit } from './begin-visit';
import { createClient } from './clients';
import { inSalon } from './database';
import { addTest } from './safety';
import { saveConsult, saveMix } from './saves';
import { appendEvents, openService } from './services';
import type { SignedIn } from './sessions';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';

const TODAY = '2026-11-25';
let scratch: Scratch;
let owner: SignedIn;
beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
});
afterAll(() => scratch.drop());

const toner = (id: string, minutes = 10) => tonerFor(id, minutes, { lengths: ['mids'] });
const mixOf = (part: Partial<VisitMix>): VisitMix => withProducts({ ...EMPTY_MIX, ...part }, USUAL_RANGE);

/** A visit with one toner that has begun. */
async function begun(): Promise<string> {
  const clientId = await createClient(owner, {
    name: 'Mix Subject',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitId = (await createVisit(owner, clientId, TODAY))!;
  const health = { allergy: 'none', dyes: 'none', scalp: 'sound', strandFeel: 'sound', noted: [] } as const;
  const document = { ...EMPTY_CONSULT, health: { ...health, noted: [] } };
  await saveConsult(owner, visitId, { baseRevision: 1, editId: crypto.randomUUID(), document });
  const alert = {
    version: 1,
    product: '',
    volume: null,
    minutes: null,
    fromLevel: null,
    level: null,
    note: '',
  } as const;
  await addTest(owner, clientId, { kind: 'alert', onDay: '2026-11-20', result: 'clear', document: alert });
  await save(visitId, { toners: [toner('a')] });
  expect(await beginVisit(owner, visitId)).toEqual({ ok: true });
  return visitId;
}

async function save(visitId: string, part: Partial<VisitMix>) {
  const { mix } = (await readVisit(owner, visitId))!;
  return saveMix(owner, visitId, {
    baseRevision: mix.revision,
    editId: crypto.randomUUID(),
    document: mixOf(part),
  });
}

async function stateOf(visitId: string) {
  const answer = await openService(owner, visitId);
  if (!answer.ok) throw new Error(answer.problem);
  return serviceState(answer.value.script, answer.value.events);
}

async function say(visitId: string, ...bodies: readonly EventBody[]) {
  const now = Date.now();
  const events = bodies.map((body) => ({ id: crypto.randomUUID(), at: now, body }));
  expect(await appendEvents(owner, visitId, { device: 'tablet', deviceNow: now, events })).toMatchObject({
    ok: true,
  });
}

const standings = async (visitId: string) =>
  (await stateOf(visitId)).steps.map(({ step, standing }) => `${step.id} ${standing}`);

test('a toner that is added, changed and removed in Mix arrives at the service; what is there already stays', async () => {
  const visitId = await begun();
  await say(visitId, { kind: 'started' });
  expect(await standings(visitId)).toEqual([
    'wash waiting',
    'toner a waiting',
    'rinse waiting',
    'dry waiting',
  ]);
  expect(await save(visitId, { toners: [toner('a'), toner('b')] })).toMatchObject({ ok: true });
  expect(await standings(visitId)).toEqual([
    'wash waiting',
    'toner a waiting',
    'toner b waiting',
    'rinse waiting',
    'dry waiting',
  ]);
  await save(visitId, { toners: [toner('a', 15), toner('b')] });
  expect((await stateOf(visitId)).steps[1].step.minutes).toBe(15);
  await save(visitId, { toners: [toner('a', 15)] });
  expect((await stateOf(visitId)).steps[2]).toMatchObject({ standing: 'skipped', why: 'removed in Mix' });
  await save(visitId, { toners: [toner('a', 15), toner('b', 5)] });
  expect((await stateOf(visitId)).steps[2]).toMatchObject({ standing: 'waiting', step: { minutes: 5 } });
  // What changes nothing of the work says nothing to the service.
  const before = (await stateOf(visitId)).steps;
  await save(visitId, { toners: [toner('a', 15), toner('b', 5)], scoopGrams: 20 });
  expect((await stateOf(visitId)).steps).toEqual(before);
});

test('what was used is refused in a sentence, and nothing is written; after the end it may be put right', async () => {
  const visitId = await begun();
  const [first] = (await stateOf(visitId)).blocks[0].units;
  await say(
    visitId,
    { kind: 'started' },
    { kind: 'closed', foil: first.id },
    { kind: 'step-begun', step: 'toner a' },
  );
  expect((await readVisit(owner, visitId))!.used).toEqual({ letters: ['A'], steps: ['toner a'] });
  const refused = await save(visitId, { toners: [toner('a', 20)] });
  expect(refused).toEqual({
    ok: false,
    reason: 'used',
    problem: 'Toner was put on: it stays as it was. Add another one instead.',
  });
  expect((await readVisit(owner, visitId))!.mix.document.toners[0].minutes).toBe(10);
  expect(await save(visitId, { toners: [toner('a'), toner('b')] })).toMatchObject({ ok: true });
  await say(visitId, { kind: 'finished', reason: 'Client had to leave' });
  expect((await readVisit(owner, visitId))!.used).toEqual({ letters: [], steps: [] });
  expect(await save(visitId, { toners: [toner('a', 20)] })).toMatchObject({ ok: true });
});

test('a formula of what is not placed yet: the foils that wait go by it', async () => {
  const visitId = await begun();
  await say(visitId, { kind: 'started' });
  const cream = lightenerWith({ lighteners: [{ product: 'moth-cream', parts: 1 }], volumes: 10, ratio: 1.5 });
  expect(await save(visitId, { toners: [toner('a')], formulas: { A: cream } })).toMatchObject({ ok: true });
  const { blocks } = await stateOf(visitId);
  for (const { unit } of blocks.flatMap(({ units }) => units)) expect(unit.mix).toMatch(/cream.*10 vol/);
});

test('the root shadow of an older consultation is the root colour of the mix, and stays when the consultation is saved', async () => {
  const clientId = await createClient(owner, {
    name: 'Shadow Subject',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitId = (await createVisit(owner, clientId, TODAY))!;
  await inSalon(owner.salonId, (trx) =>
    trx('visit')
      .where({ id: visitId })
      .update({ consult: JSON.stringify({ ...EMPTY_CONSULT, version: 1, rootShadowMm: 35 }) }),
  );
  const read = (await readVisit(owner, visitId))!;
  expect(shadowOf(read.mix.document)).toMatchObject({ mm: 35 });
  const { revision } = read.consult;
  await saveConsult(owner, visitId, {
    baseRevision: revision,
    editId: crypto.randomUUID(),
    document: { ...EMPTY_CONSULT, goalLevel: 9 },
  });
  const after = (await readVisit(owner, visitId))!;
  expect(after.consult.document).toMatchObject({ version: 2, goalLevel: 9 });
  expect(shadowOf(after.mix.document)).toMatchObject({ mm: 35 });
  // The next visit of the client goes on with it.
  const next = (await createVisit(owner, clientId, '2027-01-20'))!;
  expect(shadowOf((await readVisit(owner, next))!.mix.document)).toMatchObject({ mm: 35 });
});
