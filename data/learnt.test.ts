import { createClient } from './clients';
import type { Actor } from './database';
import { inSalon } from './database';
import { productsOf } from '../core/products';
import { forgetLearnt, forgetProduct, learntOf } from './learnt';
import { readProducts } from './products';
import { lockedVisit } from './cautions';
import { appendEvents, freezeScript } from './services';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { readTrail } from './trail';
import { createVisit, readVisit } from './visits';

let scratch: Scratch;
let owner: Actor;
beforeAll(async () => {
  scratch = await scratchWithDemo('2027-01-04');
  owner = await signedIn('ottilie@fernhollow.example');
});
afterAll(() => scratch.drop());

/** A service of which three foils are closed a minute and a half apart, and which is finished. */
async function served(): Promise<void> {
  const clientId = await createClient(owner, {
    name: 'Learnt From',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visitId = (await createVisit(owner, clientId, '2027-01-04'))!;
  const script = await inSalon(owner.salonId, async (trx) => {
    await trx('visit').where({ id: visitId }).update({ begun_at: trx.fn.now(), begun_by: owner.personId });
    return (await freezeScript(
      trx,
      owner,
      visitId,
      (await lockedVisit(trx, owner, visitId, ['script']))!.computed.script,
    ))!;
  });
  const now = Date.now();
  const [first, second, third] = script.blocks[0].units;
  const bodies = [
    { kind: 'started' as const, plan: [] },
    ...[first, second, third].map((foil) => ({ kind: 'closed' as const, foil })),
    {
      kind: 'checked' as const,
      foil: first,
      level: Math.min(10, script.naturalLevel + 1),
      then: 'rinse' as const,
      minutes: null,
      reason: null,
      photo: null,
    },
    { kind: 'finished' as const },
  ];
  const answer = await appendEvents(owner, visitId, {
    device: 'station',
    deviceNow: now,
    events: bodies.map((body, i) => ({ id: crypto.randomUUID(), at: now - 600_000 + i * 90_000, body })),
  });
  expect(answer.ok).toBe(true);
}

test('services and what was weighed teach, until somebody has it forgotten; records stay', async () => {
  const before = await learntOf(owner);
  // The demo's two visits that were weighed and read: 118 g for 104, 96 for 101.
  expect(before.grams.map(({ estimated, reached }) => [estimated, reached]).sort()).toEqual([
    [101, 96],
    [104, 118],
  ]);
  await served();
  const after = await learntOf(owner);
  expect(after.services).toBe(before.services + 1);
  expect(
    after.pace.filter(({ person }) => person === 'Ottilie Marsh').map(({ seconds }) => Math.round(seconds)),
  ).toEqual([90, 90, 90]);

  // The check is a reading of the lightener that the script was frozen with, and belongs to that service.
  const [lightener] = productsOf((await readProducts(owner)).document.products, 'lightener', 'high-lift');
  expect(after.lifts.slice(before.lifts.length)).toMatchObject([
    {
      product: { id: lightener.id, name: lightener.name, speed: lightener.speed },
      person: 'Ottilie Marsh',
      service: expect.any(String),
    },
  ]);
  await forgetProduct(owner, lightener);
  const without = await learntOf(owner);
  expect(without.lifts).toEqual([]);
  expect(without.levels).toEqual(after.levels);
  expect(Object.keys(without.productsSince)).toEqual([lightener.id]);
  await forgetProduct(owner, lightener);
  expect(
    (await readTrail(owner)).filter(({ act }) => act === 'learnt-reset').map(({ words }) => words),
  ).toEqual([lightener.name, lightener.name]);

  expect(await forgetLearnt(owner, owner.personId)).toBe(true);
  const anew = await learntOf(owner);
  expect(anew.pace.filter(({ person }) => person === 'Ottilie Marsh')).toEqual([]);
  expect(anew.services).toBe(after.services);
  expect(anew.people.find(({ name }) => name === 'Ottilie Marsh')!.since).not.toBeNull();
  expect(await forgetLearnt(owner, crypto.randomUUID())).toBe(false);
  // Her own use is forgotten with it, at the mixing table too.
  const clientId = await createClient(owner, { name: 'Later', phone: '', email: '', note: '', bornOn: null });
  expect((await readVisit(owner, (await createVisit(owner, clientId, '2027-06-01'))!))!.uses).toEqual([]);
});
