import { EMPTY_MIX, startPlan } from '../core/formats';
import { isStocked } from '../core/products';
import { lightenerWith } from '../core/mix/testing';
import { createClient } from './clients';
import { inSalon, type Actor } from './database';
import { readProducts, saveProducts } from './products';
import { saveMix, saveOutcome, savePlan } from './saves';
import { stockMoves } from './stock';
import { takeFromStock } from './take-stock';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { createVisit, readVisit } from './visits';
import { EMPTY_OUTCOME } from '../core/visit';

let scratch: Scratch;
let owner: Actor;
beforeAll(async () => {
  scratch = await scratchWithDemo('2026-11-24');
  owner = await signedIn('ottilie@fernhollow.example');
});
afterAll(() => scratch.drop());

const stock = async (product: string) =>
  (await readProducts(owner)).document.products.filter(isStocked).find(({ id }) => id === product)!.stock;
const edit = <T>(document: T, baseRevision: number) => ({
  baseRevision,
  editId: crypto.randomUUID(),
  document,
});

async function begun(name: string): Promise<string> {
  const client = await createClient(owner, { name, phone: '', email: '', note: '', bornOn: null });
  const visit = (await createVisit(owner, client, '2026-11-24'))!;
  const read = (await readVisit(owner, visit))!;
  await savePlan(owner, visit, edit(startPlan(), read.plan.revision));
  await saveMix(
    owner,
    visit,
    edit(
      {
        ...EMPTY_MIX,
        formulas: { A: lightenerWith() },
        weighed: [{ item: 'A 1/moth-powder', grams: 41.5, by: 'hand' as const }],
      },
      0,
    ),
  );
  await inSalon(owner.salonId, (trx) =>
    trx('visit').where({ id: visit }).update({ begun_at: new Date(), begun_by: owner.personId }),
  );
  return visit;
}

test('a record by hand takes what was weighed, else what was planned, once; a count puts it right', async () => {
  const visit = await begun('Stock Keeper');
  const [powder, mask] = [await stock('moth-powder'), await stock('rill-mask')];
  expect(
    await saveOutcome(owner, visit, edit({ ...EMPTY_OUTCOME, done: 'As planned.', levelReached: 8 }, 0)),
  ).toMatchObject({ ok: true });
  const moves = await inSalon(owner.salonId, (trx) =>
    trx('stock_move').where({ visit_id: visit }).orderBy('product').select('product', 'what', 'change'),
  );
  const used = -Number(moves.find(({ product }) => product === 'moth-powder')!.change);
  // One bowl was weighed at 41.5 g, the others are as planned, in whole grams.
  expect((10 * used) % 10).toBeCloseTo(5, 5);
  expect(await stock('moth-powder')).toBeCloseTo(powder - used, 5);
  expect(await stock('rill-mask')).toBeCloseTo(mask - 30, 5);
  // Asked for again, nothing more is taken.
  await inSalon(owner.salonId, (trx) => takeFromStock(trx, owner, visit, null));
  expect(await stock('moth-powder')).toBeCloseTo(powder - used, 5);
  // Opened again, all of it is back.
  await inSalon(owner.salonId, (trx) => takeFromStock(trx, owner, visit, 'open'));
  expect(await stock('moth-powder')).toBeCloseTo(powder, 5);
  // Counted, with its own line.
  const { revision, document } = await readProducts(owner);
  expect(await saveProducts(owner, revision, document, { 'moth-powder': 500 })).toMatchObject({ ok: true });
  expect(await stock('moth-powder')).toBe(500);
  const [newest] = await stockMoves(owner, 'moth-powder');
  expect(newest).toMatchObject({ what: 'counted', visitId: null, change: 500 - powder });
});

test('a product that is edited keeps the stock that it has by now, whatever the page knew', async () => {
  const { revision, document } = await readProducts(owner);
  const visit = await begun('Busy Meanwhile');
  await saveOutcome(owner, visit, edit({ ...EMPTY_OUTCOME, done: 'As planned.', levelReached: 8 }, 0));
  const now = await stock('moth-dev-20');
  const renamed = document.products.map((product) =>
    product.id === 'moth-dev-20' ? { ...product, note: 'New label.' } : product,
  );
  expect(await saveProducts(owner, revision, { ...document, products: renamed })).toMatchObject({ ok: true });
  expect(await stock('moth-dev-20')).toBe(now);
  expect(now).toBeLessThan(3800);
});

test('nothing is taken where the record is refused: both or neither', async () => {
  const before = await stock('moth-powder');
  const client = await createClient(owner, {
    name: 'Not Begun',
    phone: '',
    email: '',
    note: '',
    bornOn: null,
  });
  const visit = (await createVisit(owner, client, '2026-11-24'))!;
  expect(await saveOutcome(owner, visit, edit(EMPTY_OUTCOME, 0))).toMatchObject({
    ok: false,
    reason: 'not-begun',
  });
  expect(await stock('moth-powder')).toBe(before);
  expect(await inSalon(owner.salonId, (trx) => trx('stock_move').where({ visit_id: visit }))).toEqual([]);
});
