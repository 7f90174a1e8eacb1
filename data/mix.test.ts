import { EMPTY_MIX, USUAL_PRODUCTS } from '../core/formats';
import { Shelf } from '../core/products';
import { EMPTY_OUTCOME, usualFormula, type LiftFormula, type VisitMix } from '../core/visit';
import { exportClient, eraseClient } from './client-record';
import { createClient } from './clients';
import { inSalon, type Actor } from './database';
import { readProducts, saveProducts } from './products';
import { beginVisit } from './begin-visit';
import { giveReason } from './cautions';
import { saveConsult, saveMix, saveOutcome } from './saves';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';
import { readTrail } from './trail';
import { createVisit, readVisit } from './visits';
import { rawRows } from './raw-rows';

const TODAY = '2026-11-25';
let scratch: Scratch;
let owner: Actor;
let stranger: Actor;
const lift = (part: Partial<LiftFormula> = {}): LiftFormula => ({
  ...usualFormula(new Shelf(EMPTY_MIX, USUAL_PRODUCTS.products))!,
  ...part,
});
const mix = (part: Partial<VisitMix> = {}): VisitMix => ({ ...EMPTY_MIX, ...part });
const edit = <T>(document: T, baseRevision = 0) => ({ baseRevision, editId: crypto.randomUUID(), document });

beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  owner = await signedIn('ottilie@fernhollow.example');
  stranger = await signedIn('leocadia@osieryard.example');
});
afterAll(() => scratch.drop());

async function newVisit(name: string, on = TODAY) {
  const client = await createClient(owner, { name, phone: '', email: '', note: '', bornOn: null });
  return { client, visit: (await createVisit(owner, client, on))! };
}

describe('the mix of a visit', () => {
  test('is empty at revision 0, kept on its own revision, and a stale one becomes a draft', async () => {
    const { visit } = await newVisit('Mixa');
    expect((await readVisit(owner, visit))!.mix).toEqual({ revision: 0, document: EMPTY_MIX });
    const first = edit(mix({ formulas: { A: lift() } }));
    expect(await saveMix(owner, visit, first)).toEqual({ ok: true, revision: 1 });
    // The same request again, its answer lost.
    expect(await saveMix(owner, visit, first)).toEqual({ ok: true, revision: 1 });
    expect(await saveMix(owner, visit, edit(mix({ formulas: { A: lift({ volumes: 10 }) } }), 1))).toEqual({
      ok: true,
      revision: 2,
    });
    expect(await saveMix(owner, visit, edit(mix({ unit: 'oz' }), 1))).toMatchObject({
      ok: false,
      reason: 'stale',
    });
    const now = (await readVisit(owner, visit))!;
    expect(now.mix.document.formulas.A).toMatchObject({ volumes: 10 });
    expect(now.drafts).toMatchObject([{ part: 'mix', document: { unit: 'oz' } }]);
    expect(
      (await readTrail(owner)).some(
        ({ act, changes }) => act === 'mix' && changes.some(({ from, to }) => from === '20' && to === '10'),
      ),
    ).toBe(true);
  });

  test('another salon can neither read nor write it', async () => {
    const { visit } = await newVisit('Mixb');
    await saveMix(owner, visit, edit(mix({ unit: 'scoop' })));
    expect(await saveMix(stranger, visit, edit(mix(), 0))).toEqual({ ok: false, reason: 'missing' });
    expect(await readVisit(stranger, visit)).toBeUndefined();
    expect((await readVisit(owner, visit))!.mix.document.unit).toBe('scoop');
  });

  test('formulas and readings go on to the next visit with today’s products; what was weighed and paid does not', async () => {
    const { client, visit } = await newVisit('Mixc', '2026-10-01');
    const tests = [{ formula: 'A', minutes: 20, level: 7.5, from: 6 }];
    await saveMix(
      owner,
      visit,
      edit(
        mix({
          products: USUAL_PRODUCTS.products
            .filter(({ id }) => id === 'moth-powder')
            .map((product) => ({ ...product, name: 'As it was' })),
          formulas: { A: lift({ volumes: 15 }) },
          tests,
          weighed: [{ item: 'A 1/moth-powder', grams: 30, by: 'scale' }],
          used: { A: { grams: 99, predicted: 90 } },
          money: {
            addOns: ['cut'],
            agreed: { minor: 100, on: TODAY },
            payments: [{ what: 'tip', minor: 5, on: TODAY, how: '' }],
          },
        }),
      ),
    );
    const next = (await readVisit(owner, (await createVisit(owner, client, TODAY))!))!.mix.document;
    expect(next).toMatchObject({
      formulas: { A: { volumes: 15 } },
      tests,
      weighed: [],
      used: {},
      money: { addOns: ['cut'], agreed: null, payments: [] },
    });
    expect(next.products.map(({ name }) => name)).toEqual(['Moth blue powder']);
  });

  test('one’s own use is learnt from earlier visits only, oldest first', async () => {
    const uses = async (visit: string) => (await readVisit(owner, visit))!.uses;
    const early = await newVisit('Usea', '2001-01-01');
    const later = await newVisit('Useb', '2001-02-01');
    await saveMix(
      owner,
      early.visit,
      edit(mix({ used: { A: { grams: 100, predicted: 80 }, B: { grams: 50, predicted: 20 } } })),
    );
    await saveMix(owner, later.visit, edit(mix({ used: { A: { grams: 90, predicted: 100 } } })));
    expect(await uses(early.visit)).toEqual([]);
    expect(await uses(later.visit)).toEqual([1.5]);
    const now = await newVisit('Usec', '2001-03-01');
    expect(await uses(now.visit)).toEqual([1.5, 0.9]);
  });

  test('a client is found by what was mixed for her', async () => {
    const { client, visit } = await newVisit('Mixd');
    const products = USUAL_PRODUCTS.products.filter(({ id }) => id === 'moth-high');
    await saveMix(
      owner,
      visit,
      edit(mix({ products, formulas: { A: lift({ lighteners: [{ product: 'moth-high', parts: 1 }] }) } })),
    );
    const found = (actor: Actor) =>
      inSalon(actor.salonId, (trx) =>
        rawRows(trx, "select client_id from find_by_pattern(array['high-lift', 'ash'], 10)"),
      );
    expect(await found(owner)).toEqual([{ client_id: client }]);
    expect(await found(stranger)).toEqual([]);
  });

  test('it is in the client’s own file, and goes when she is erased', async () => {
    const { client, visit } = await newVisit('Mixe');
    await saveMix(owner, visit, edit(mix({ unit: 'oz' })));
    expect((await exportClient(owner, client))!.visits).toMatchObject([{ mix: { unit: 'oz' } }]);
    expect(await eraseClient(owner, client)).toBe(true);
    expect(await inSalon(owner.salonId, (trx) => trx('mix').where({ visit_id: visit }))).toEqual([]);
  });
});

describe('cautions decide on the server by what is mixed', () => {
  test('40 vol at the scalp stops whatever is said; 30 at the hairline asks for a reason', async () => {
    const { visit } = await newVisit('Stopa');
    const { consult } = (await readVisit(owner, visit))!;
    await saveConsult(
      owner,
      visit,
      edit(
        {
          ...consult.document,
          health: { ...consult.document.health, allergy: 'none', scalp: 'sound', dyes: 'none' },
        },
        1,
      ),
    );
    await giveReason(owner, visit, 'alert-test', 'No deposit today.');
    await saveMix(owner, visit, edit(mix({ formulas: { A: lift({ volumes: 40 }) } })));
    expect(await giveReason(owner, visit, 'forty-near', 'I want to.')).toMatchObject({
      ok: false,
      problem: expect.stringContaining('No reason overrides this'),
    });
    expect(await beginVisit(owner, visit)).toMatchObject({
      ok: false,
      problem: expect.stringContaining('40 vol within 20 mm of the scalp'),
    });
    await saveMix(owner, visit, edit(mix({ formulas: { A: lift({ volumes: 30 }) } }), 1));
    expect(await beginVisit(owner, visit)).toMatchObject({
      ok: false,
      problem: expect.stringContaining('Over 20 vol at the hairline'),
    });
    expect(await giveReason(owner, visit, 'strong-hairline', 'Strong hair there.')).toEqual({ ok: true });
    expect(await beginVisit(owner, visit)).toEqual({ ok: true });
    expect(
      await saveOutcome(
        owner,
        visit,
        edit({ ...EMPTY_OUTCOME, done: 'Done', foilsPlaced: 1, levelReached: 8, nextOn: null }),
      ),
    ).toMatchObject({ ok: true });
  });
});

describe('products of the house', () => {
  test('begin with the usual range, are saved on their revision, and nobody writes over another', async () => {
    const begun = await readProducts(stranger);
    expect(begun).toEqual({ revision: 0, document: USUAL_PRODUCTS });
    const changed = {
      ...USUAL_PRODUCTS,
      products: USUAL_PRODUCTS.products.map((product) =>
        product.id === 'moth-powder' ? { ...product, stock: 5 } : product,
      ),
    };
    expect(await saveProducts(stranger, 0, changed)).toEqual({ ok: true, revision: 1 });
    expect(await saveProducts(stranger, 0, USUAL_PRODUCTS)).toEqual({ ok: false, revision: 1 });
    expect(
      await saveProducts(stranger, 1, {
        ...changed,
        products: changed.products.slice(1).filter(({ kind }) => kind !== 'recipe'),
      }),
    ).toEqual({ ok: true, revision: 2 });
    expect((await readProducts(stranger)).document.products).toEqual(
      changed.products.slice(1).filter(({ kind }) => kind !== 'recipe'),
    );
    // Another salon's are its own.
    expect((await readProducts(owner)).revision).toBe(0);
    expect((await readTrail(stranger)).filter(({ act }) => act === 'products')).not.toEqual([]);
  });

  test('a range that cannot be is refused by the database too', async () => {
    await expect(
      inSalon(owner.salonId, (trx) =>
        trx('product_range').insert({ salon_id: owner.salonId, document: '{}', updated_by: owner.personId }),
      ),
    ).rejects.toThrow(/check constraint/);
  });
});
