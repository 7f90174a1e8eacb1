import Papa from 'papaparse';
import { recordOf, serviceState } from '../../chair';
import { closed, happened, started } from '../../chair/testing';
import { foilsCsv } from '../../formats';
import { retypeFoil, type Panel, type Plan } from '../../pattern';
import { mixedLines } from '../../record';
import { planOf, TECHNIQUES } from '../../technique';
import { METRIC } from '../../units';
import { USUAL_CLOCK, type VisitMix } from '..';
import { DEPOSIT, visitOf } from './testing';

type Rotation = NonNullable<Panel['rotation']>;
const turning =
  (rotation: Partial<Rotation> & Pick<Rotation, 'sequence'>) =>
  (plan: Plan): Plan => ({
    ...plan,
    panels: plan.panels.map((panel) => ({
      ...panel,
      rotation: { by: 'foil', anew: false, from: 1, to: null, ...rotation },
    })),
  });
const setByHand = (plan: Plan): Plan => {
  const { units } = visitOf({ plan }).work;
  return units
    .filter(({ kind }, i) => kind === 'foil' && i % 7 === 3)
    .slice(0, 12)
    .reduce((own, { id }) => retypeFoil(own, id, { formula: 'B' }), plan);
};
const treated = (plan: Plan): Plan => ({
  ...plan,
  panels: plan.panels.map((panel) => ({
    ...panel,
    dropouts: { every: 3, treatments: ['tip-out', 'lowlight'], together: 3, recipes: {} },
  })),
});

const WAYS: readonly (readonly [name: string, change: (plan: Plan) => Plan, mix: Partial<VisitMix>])[] = [
  ['as it stands', (plan) => plan, {}],
  ['A B in turn', turning({ sequence: 'AB' }), {}],
  ['A A B B by row, B deposits', turning({ sequence: 'AABB', by: 'row' }), { formulas: { B: DEPOSIT } }],
  ['A A A B B, from the third', turning({ sequence: 'AAABB', from: 3, to: 20 }), {}],
  ['A B C, begun again on each side', turning({ sequence: 'ABC', anew: true }), { formulas: { C: DEPOSIT } }],
  ['single foils set by hand', setByHand, {}],
  [
    'drop-outs tipped out and lowlit, painted afterwards',
    treated,
    { clock: { ...USUAL_CLOCK, painting: 'after' } },
  ],
];

/** As it stands, and one more in turn: over all patterns each other way comes three times. */
const waysOf = (technique: number) => [WAYS[0], WAYS[1 + (technique % (WAYS.length - 1))]];

/** Everything that any step says of a unit is said of the same unit, once, with the same letter. */
describe.each(TECHNIQUES.map(({ key }, i) => [key, i] as const))('%s', (_, i) => {
  const base = planOf(TECHNIQUES[i]);

  test.each(waysOf(i))('%s', (_name, change, mix) => {
    const visit = visitOf({ plan: change(base), mix, consult: { goalLevel: 9 } });
    const {
      pattern: { sheet },
      work,
      clock,
      script,
    } = visit;
    const { units } = work;
    const letterOf = new Map(units.map(({ id, letter }) => [id, letter]));
    expect(letterOf.size).toBe(units.length);

    // The pattern: each section is one unit, with the letter that the sheet names.
    const sections = [...sheet.foils, ...sheet.painted, ...sheet.dropouts];
    expect([...letterOf.keys()].sort()).toEqual(sections.map(({ id }) => id).sort());
    for (const { id, formula } of sections)
      if (formula !== null) expect([id, letterOf.get(id)]).toEqual([id, formula]);

    // Mix: each unit in one bowl of each of its mixes, and the grams of a letter are those of its units.
    if (!work.bowls.ok) throw new Error(work.bowls.problem);
    const poured = new Map<number, string[]>();
    for (const { units: values, mix: name } of work.bowls.bowls) {
      for (const at of values) {
        expect(units[at].mixes).toContain(name);
        poured.set(at, [...(poured.get(at) ?? []), name]);
      }
    }
    units.forEach((unit, at) =>
      expect((poured.get(at) ?? []).sort()).toEqual(
        unit.grams + unit.endsGrams > 0 ? [...unit.mixes].sort() : [],
      ),
    );
    for (const { letter, part, net } of work.amounts) {
      const value = units
        .filter((unit) => unit.letter === letter)
        .reduce((sum, unit) => sum + (part === 'ends' ? unit.endsGrams : unit.grams), 0);
      expect(net).toBeCloseTo(value, 6);
    }

    // Clock and chair: each unit once, in the same blocks, from the same mixes.
    expect(
      clock.blocks.flatMap((block) => block.units.map(({ id }, i) => [id, ...block.foils[i].mixes])).sort(),
    ).toEqual(units.map((unit) => [unit.id, ...unit.mixes]).sort());
    expect(
      script.units.map(({ id, letter, number, kind }) => `${id} ${letter} ${kind} ${number}`).sort(),
    ).toEqual(units.map(({ id, letter, number, kind }) => `${id} ${letter} ${kind} ${number}`).sort());

    // Record: what was placed, by letter and kind.
    const record = recordOf(
      script,
      serviceState(
        script,
        happened([[0, started], ...script.units.map(({ id }, i) => [i + 1, closed(id)] as const)]),
      ),
    );
    expect(record.units.map(({ id, letter }) => `${id} ${letter}`).sort()).toEqual(
      units.map(({ id, letter }) => `${id} ${letter}`).sort(),
    );
    expect(record.lines.reduce((sum, { placed }) => sum + placed, 0)).toBe(units.length);
    for (const { letter, units: counts } of mixedLines(work, visit.mix, { script, record })) {
      for (const { kind, planned, done } of counts)
        expect([planned, done]).toEqual(
          new Array(2).fill(units.filter((unit) => unit.letter === letter && unit.kind === kind).length),
        );
    }

    // The table of foils.
    const rows = Papa.parse<Record<string, string>>(
      foilsCsv(sheet, units, { separator: ',', decimalComma: false, measures: METRIC }),
      {
        header: true,
        skipEmptyLines: true,
      },
    ).data;
    expect(rows.map(({ id, formula }) => [id, formula])).toEqual(units.map(({ id, letter }) => [id, letter]));
  });
});
