import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualDeposit, usualFormula, type Formula } from '../visit';
import { factsOfLetters, lettersOf, NOTHING } from './letters';

const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
const usual = usualFormula(shelf)!;
const deposit = usualDeposit(shelf, 6)!;
type Sheet = Parameters<typeof lettersOf>[0];
const sheet = (
  foils: string,
  { painted = '', dropouts = [] }: { painted?: string; dropouts?: readonly [string, string | null][] } = {},
) =>
  ({
    foils: [...foils].map((formula) => ({ formula })),
    painted: [...painted].map((formula) => ({ formula })),
    dropouts: dropouts.map(([treatment, formula]) => ({ treatment, formula })),
  }) as unknown as Sheet;
const of = (on: Sheet, formulas: Record<string, Formula> = {}, own = shelf) =>
  lettersOf(on, { formulas }, own, 6);
const names = ({ rows }: ReturnType<typeof of>) => rows.map(({ letter }) => letter).join('');

test('every letter that the pattern or the mix names, in order, each once', () => {
  const read = of(sheet('BAB', { painted: 'D', dropouts: [['tip-out', 'C']] }), { F: usual });
  expect(names(read)).toBe('ABCDF');
  expect(read.rows.map(({ chosen }) => chosen)).toEqual([false, false, false, false, true]);
  expect(read.rows.every(({ formula, problem }) => formula.kind === 'lift' && problem === null)).toBe(true);
});

test('a formula that was chosen stands; all others take the usual lightener', () => {
  const own = { ...usual, volumes: 30 };
  const { rows } = of(sheet('AB'), { A: own });
  expect(rows.map(({ formula }) => formula)).toEqual([own, usual]);
  expect(rows[0].recipe!.volumes).toBe(30);
});

test('a formula that cannot be mixed says why, and stays in the list', () => {
  const gone = { ...usual, lighteners: [{ product: 'gone', parts: 1 }] };
  const [row] = of(sheet('A'), { A: gone }).rows;
  expect([row.recipe, row.problem]).toEqual([null, expect.stringContaining('gone')]);
  const [facts] = factsOfLetters([row], null).facts;
  expect(facts).toEqual({ letter: 'A', lifts: true, reach: 'ends', endsMm: 0, target: null });
  // Nothing is lifted by it.
  expect(NOTHING).toMatchObject({ lifts: true, most: { levels: 0 } });
});

test('without a lightener in the house there is no usual one', () => {
  const without = new Shelf(
    EMPTY_MIX,
    USUAL_RANGE.filter(({ kind }) => kind !== 'lightener' && kind !== 'high-lift'),
  );
  expect(names(of(sheet('A'), {}, without))).toBe('');
});

describe('lowlit drop-outs whose panel names no letter', () => {
  const low: [string, string | null][] = [['lowlight', null]];
  test('take the first letter that deposits', () => {
    const read = of(sheet('A', { dropouts: low }), { C: deposit, D: deposit });
    expect([names(read), read.lowlight]).toEqual(['ACD', 'C']);
  });
  test('else the first free letter, with the usual lowlight, in its place', () => {
    const read = of(sheet('AC', { dropouts: low }));
    expect([names(read), read.lowlight]).toEqual(['ABC', 'B']);
    expect(read.rows[1]).toMatchObject({ formula: deposit, chosen: false, problem: null });
  });
  test('ask for nothing where there are none, or where each has its letter', () => {
    expect(of(sheet('A')).lowlight).toBeNull();
    expect(of(sheet('A', { dropouts: [['tip-out', null]] })).lowlight).toBeNull();
    expect(of(sheet('A', { dropouts: [['lowlight', 'A']] })).lowlight).toBeNull();
  });
  test('have none where every letter is taken, or the house has no shade', () => {
    const full = of(sheet('ABCDEFGHIJKLMNOPQRSTUVWXYZ', { dropouts: low }));
    expect([full.lowlight, full.rows.length]).toEqual([null, 26]);
    const noShade = new Shelf(
      EMPTY_MIX,
      USUAL_RANGE.filter(({ kind }) => kind === 'lightener' || kind === 'developer'),
    );
    expect(of(sheet('A', { dropouts: low }), {}, noShade).lowlight).toBeNull();
  });
});

test('placing knows of each letter whether it lifts, how it reaches, its ends and its target', () => {
  const own = {
    ...usual,
    reach: 'regrowth' as const,
    ends: { volumes: 10, ratio: 2, lastMm: 70 },
    target: 9,
  };
  const { rows } = of(sheet('AB'), { A: own, B: deposit });
  expect(factsOfLetters(rows, 'B')).toEqual({
    lowlight: 'B',
    facts: [
      { letter: 'A', lifts: true, reach: 'regrowth', endsMm: 70, target: 9 },
      { letter: 'B', lifts: false, reach: 'ends', endsMm: 0, target: null },
    ],
  });
});
