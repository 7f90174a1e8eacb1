import { EMPTY_MIX, startPlan } from '../../formats';
import { zonesOfPlan, zonesRecorded } from '../../record';
import { Shelf, USUAL_RANGE } from '../../products';
import { EVERYWHERE, usualFormula, type RootMix, type VisitMix } from '..';
import { visitOf } from './testing';

const plan = startPlan();
const visit = (mix: Partial<VisitMix> = {}, consult = {}) =>
  visitOf({ plan, mix, consult: { naturalLevel: 5, goalLevel: 9, ...consult } });
const lineWeeks = (
  computedVisit: ReturnType<typeof visit>,
  outcome?: Parameters<typeof computedVisit.next>[0],
) =>
  (computedVisit.next(outcome)?.reasons ?? [])
    .filter(({ kind }) => kind === 'line')
    .map(({ weeks }) => weeks);

const root: RootMix = {
  id: 'r',
  place: { ...EVERYWHERE, lengths: ['roots'] },
  mm: 30,
  line: 'sedge',
  rule: null,
  grams: 45,
  ratio: 1,
  volumes: 10,
  minutes: 15,
  state: 'damp',
};

describe('the next visit', () => {
  test('a record as the plan has it says the same weeks as the plan', () => {
    const computedVisit = visit();
    const zones = zonesRecorded(zonesOfPlan(computedVisit.work, computedVisit.pattern.sheet));
    expect(lineWeeks(computedVisit).length).toBe(2);
    expect(lineWeeks(computedVisit, { zones, levelReached: 9 })).toEqual(lineWeeks(computedVisit));
  });

  test('a level less, written in the record, is seen later; a zone left out draws no line', () => {
    const computedVisit = visit();
    const zones = zonesRecorded(zonesOfPlan(computedVisit.work, computedVisit.pattern.sheet));
    const darker = Object.fromEntries(
      Object.entries(zones).map(([zone, left]) => [zone, { ...left, level: 7 }]),
    );
    const [planned, written] = [
      lineWeeks(computedVisit),
      lineWeeks(computedVisit, { zones: darker, levelReached: 7 }),
    ];
    written.forEach((weeks, i) => expect(weeks).toBeGreaterThan(planned[i]));
    expect(lineWeeks(computedVisit, { zones: {}, levelReached: 9 })).toEqual([]);
  });

  test('a shadow on all roots puts it off, a tap behind the front hairline does not', () => {
    const plain = lineWeeks(visit());
    const shadowed = lineWeeks(visit({ roots: [root] }));
    shadowed.forEach((weeks, i) => expect(weeks).toBeGreaterThan(plain[i]));
    expect(lineWeeks(visit({ roots: [{ ...root, place: { ...root.place, frontMm: 40 } }] }))).toEqual(plain);
  });

  test('root colour fades as a toner does; without either nothing fades', () => {
    const fades = (mix: Partial<VisitMix>) =>
      visit(mix, { washesPerWeek: 4 })
        .next()!
        .reasons.find(({ kind }) => kind === 'toner')?.weeks;
    expect(fades({ roots: [root] })).toBeCloseTo(5, 9);
    expect(fades({})).toBeUndefined();
  });

  test('strength that reaches less draws its line later', () => {
    const formula = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
    const [weak, strong] = [10, 30].map((volumes) =>
      lineWeeks(visit({ formulas: { A: { ...formula, volumes } } }, { naturalLevel: 3 })),
    );
    expect(weak[0]).toBeGreaterThan(strong[0]);
  });
});
