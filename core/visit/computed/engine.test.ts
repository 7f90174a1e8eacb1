import { EMPTY_MIX, startPlan } from '../../formats';
import { createPatternEngine } from '../../pattern';
import { Shelf, USUAL_RANGE } from '../../products';
import { curveOf } from '../../work';
import { usualFormula, type Consult, type LiftFormula, type VisitMix, type WrittenTest } from '..';
import type { VisitFacts } from '.';
import { visitOf } from './testing';

const plan = startPlan();
const patterns = createPatternEngine();
const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
const lift = (part: Partial<LiftFormula> = {}): LiftFormula => ({ ...usual, ...part });
const visit = (
  mix: Partial<VisitMix> = {},
  consult: Partial<Consult> = {},
  facts: Partial<VisitFacts> = {},
) => visitOf({ plan, mix, consult, facts });

describe('a visit', () => {
  test('goes by the usual formula until one is chosen; what is weighed is what is needed', () => {
    const {
      work: { letters, bowls },
      needs,
      materialsMinor,
    } = visit();
    expect(letters).toMatchObject([
      {
        letter: 'A',
        chosen: false,
        formula: { lighteners: [{ product: 'moth-powder', parts: 1 }], volumes: 20, ratio: 2 },
        problem: null,
      },
    ]);
    if (!bowls.ok) throw new Error(bowls.problem);
    const powder = bowls.bowls.reduce(
      (sum, { items: itemsRead }) => sum + (itemsRead.ok ? itemsRead.items[0].grams : NaN),
      0,
    );
    expect(needs.find(({ product }) => product.id === 'moth-powder')!.needed).toBe(powder);
    for (const { mixed, items: itemsRead } of bowls.bowls)
      expect(itemsRead.ok && itemsRead.total).toBeGreaterThanOrEqual(mixed);
    expect(needs.find(({ product }) => product.id === 'foil-120')!.needed).toBe(
      patterns.compute(plan).sheet.foils.length,
    );
    expect(materialsMinor).toBe(needs.reduce((sum, { costMinor }) => sum + costMinor, 0));
  });

  test('what the house lacks is on top, in whole packs', () => {
    const range = USUAL_RANGE.map((product) =>
      product.id === 'moth-dev-20' ? { ...product, stock: 10, pack: 50 } : product,
    );
    const [first] = visit({}, {}, { range }).needs;
    expect(first.product.id).toBe('moth-dev-20');
    expect(first.short).toBe(first.needed - 10);
    expect(first.packs).toBe(Math.ceil(first.short / 50));
  });

  test('ends with a mix of their own are other bowls, weaker, and slower to the same level', () => {
    const map = Object.fromEntries(
      patterns.compute(plan).sheet.foils.map(({ zone }) => [zone, { endsLevel: 7.5 }]),
    );
    const withEnds = (volumes: number) =>
      visit({ formulas: { A: lift({ volumes: 30, ends: { volumes, ratio: 2, lastMm: 100 } }) } }, { map })
        .work;
    const work = withEnds(10);
    const [length, ends] = work.amounts;
    expect([length.part, length.volumes, ends.part, ends.volumes]).toEqual(['length', 30, 'ends', 10]);
    const all = visit({ formulas: { A: lift({ volumes: 30 }) } }).work.amounts[0];
    expect(length.net + ends.net).toBeCloseTo(all.net, 9);
    expect(work.meanVolumes.A).toBeCloseTo((30 * length.net + 10 * ends.net) / all.net, 9);
    const endsReady = ({ lift: rows }: typeof work) =>
      rows.find(({ stretch }) => stretch === 'ends')!.ready!.minutes;
    expect(endsReady(work)).toBeGreaterThan(endsReady(withEnds(20)));
  });

  test('painting only the regrowth takes less, and as much less as it is shorter', () => {
    const regrowthMm = Object.fromEntries(patterns.compute(plan).sheet.foils.map(({ zone }) => [zone, 30]));
    const net = (reach: 'ends' | 'regrowth') =>
      visit({ formulas: { A: lift({ reach }) } }, { regrowthMm }).work.amounts[0].net;
    expect(net('regrowth') / net('ends')).toBeGreaterThan(0.1);
    expect(net('regrowth') / net('ends')).toBeLessThan(0.4);
  });

  test('a strand test moves the ready times; a slow cream lifts later, and not past its end', () => {
    const ready = (mix: Partial<VisitMix>) =>
      visit(mix, { goalLevel: 9 }).work.lift[0].ready?.minutes ?? Infinity;
    expect(ready({ tests: [{ formula: 'A', minutes: 15, level: 7.5, from: 6 }] })).toBeGreaterThan(ready({}));
    expect(
      ready({ formulas: { A: lift({ lighteners: [{ product: 'moth-cream', parts: 1 }], ratio: 1.5 }) } }),
    ).toBeGreaterThan(ready({}));
    expect(
      visit(
        { formulas: { A: lift({ lighteners: [{ product: 'moth-cream', parts: 1 }] }) } },
        { goalLevel: 10 },
      ).work.lift[0].ready,
    ).toBeNull();
  });

  test('strand tests of the record count as those of the visit do; what was not read of one says nothing', () => {
    const read = { volume: 20, minutes: 15, fromLevel: 6, level: 7.5 };
    const factor = (
      recorded: readonly WrittenTest['document'][],
      mix: Partial<VisitMix> = {},
      onDay = '2026-12-30',
    ) =>
      visit(
        mix,
        {},
        {
          tests: recorded.map((document) => ({
            kind: 'strand' as const,
            onDay,
            result: 'passed' as const,
            document,
          })),
        },
      ).work.head.factor;
    expect(factor([read])).toBeCloseTo(0.85, 2);
    // A test that is written down after the day of the visit says nothing of it.
    expect(factor([read], {}, '2027-01-05')).toBe(1);
    expect(factor([read])).toBeCloseTo(
      factor([], { tests: [{ formula: 'A', minutes: 15, level: 7.5, from: 6 }] }),
      9,
    );
    expect(
      factor([
        { ...read, level: null },
        { ...read, level: 5 },
      ]),
    ).toBe(1);
  });

  test('the curve never falls and passes the ready time at the target', () => {
    const computedVisit = visit({}, { goalLevel: 9 });
    const [panel] = computedVisit.work.lift;
    const curve = curveOf(panel, computedVisit.work.head, 60);
    for (let i = 1; i < curve.length; i += 1)
      expect(curve[i].level).toBeGreaterThanOrEqual(curve[i - 1].level);
    const after = curve.find(({ level }) => level >= 9 - 1e-9)!;
    expect(after.minutes).toBe(Math.ceil(panel.ready!.minutes));
    for (const { low, level, high } of curve) expect(low <= level && level <= high).toBe(true);
  });

  test('one’s own use counts once it is known', () => {
    const net = (uses: readonly number[]) => visit({}, {}, { uses }).work.amounts[0].net;
    expect(net([1.4]) / net([])).toBeCloseTo(1.2, 9);
    expect(visit({}, {}, { uses: [1.4] }).work.personal.visits).toBe(1);
  });

  test('a product that is gone is a sentence and not a number', () => {
    expect(
      visit({ formulas: { A: lift({ lighteners: [{ product: 'gone', parts: 1 }] }) } }).work.letters[0]
        .problem,
    ).toBe('the lightener “gone” is not in the house');
    expect(visit({}, {}, { range: [] }).work.letters).toEqual([]);
  });
});
