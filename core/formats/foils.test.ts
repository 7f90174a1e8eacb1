import Papa from 'papaparse';
import { foilsCsv, parsePlan, readFoilsCsv, startPlan } from '.';
import { createPatternEngine, retypeFoil, type Plan } from '../pattern';
import { METRIC, type Measures } from '../units';
import { visitOf } from '../visit/computed/testing';

const engine = createPatternEngine();
const plan = retypeFoil(startPlan(), 'back/2/1', { formula: 'B' });
const { sheet } = engine.compute(plan);
const { units } = visitOf({ plan }).work;
const english = foilsCsv(sheet, units, { separator: ',', decimalComma: false, measures: METRIC });
const taken = (text: string) => {
  const read = readFoilsCsv(text, plan, sheet, units);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
};
/** The exported table with cells of one foil changed, as a spreadsheet would write it. */
function changed(id: string, cells: Record<string, string>, text = english, delimiter = ','): string {
  const rows = Papa.parse<Record<string, string>>(text, {
    header: true,
    delimiter,
    skipEmptyLines: true,
  }).data;
  return Papa.unparse(
    rows.map((row) => (row.id === id ? { ...row, ...cells } : row)),
    { delimiter },
  );
}
const rowAt = (id: string) => english.split('\r\n').findIndex((line) => line.includes(`,${id},`)) + 1;

const US: Measures = { lengths: 'in', amounts: 'oz', strengths: '%', temperatures: 'F' };
test.each([
  [',', false, METRIC],
  [';', true, METRIC],
  ['\t', true, { ...METRIC, lengths: 'cm' }],
  [',', false, US],
  [';', true, US],
] as const)(
  'out and in again changes nothing, with %j between columns, decimal comma %j, in %j',
  (separator, decimalComma, measures) => {
    expect(taken(foilsCsv(sheet, units, { separator, decimalComma, measures }))).toEqual({
      plan,
      changes: [],
      same: sheet.foils.length,
      problems: [],
      separator,
    });
  },
);

test('formula, gather and thickness of one foil, as edits by hand that the pattern computes', () => {
  const read = taken(changed('back/3/1', { formula: 'c', gather: 'Slice', 'thickness mm': '3' }));
  expect(read).toMatchObject({
    problems: [],
    same: sheet.foils.length - 1,
    changes: [{ id: 'back/3/1', words: ['formula A → C', 'weave → slice', '4 mm → 3 mm thick'] }],
  });
  expect(parsePlan(read.plan)).toMatchObject({ ok: true });
  const after = engine.compute(read.plan).sheet;
  expect(after.foils.find(({ id }) => id === 'back/3/1')).toMatchObject({
    formula: 'C',
    gather: 'slice',
    thicknessMm: 3,
    byHand: true,
  });
  // Everything else is where it was, the edit from before too.
  expect(after.foils.filter(({ id }) => id !== 'back/3/1')).toEqual(
    sheet.foils.filter(({ id }) => id !== 'back/3/1'),
  );
});

test('with a decimal comma, half a millimetre is half a millimetre', () => {
  const german = foilsCsv(sheet, units, { separator: ';', decimalComma: true, measures: METRIC });
  expect(taken(changed('back/3/1', { 'thickness mm': '3,5' }, german, ';')).changes).toMatchObject([
    { words: ['4 mm → 3.5 mm thick'] },
  ]);
});

test('in inches, ounces and per cent: the columns say so, and a thickness that is set is read back as what it is', () => {
  const table = foilsCsv(sheet, units, { separator: ',', decimalComma: false, measures: US });
  expect(table.split('\r\n')[0]).toMatch(/,width in,thickness in,drop-out in,.*,ounces,leave out$/);
  const [row] = Papa.parse<Record<string, string>>(table, { header: true, skipEmptyLines: true }).data;
  // 4 mm of 25.4 to the inch; 20 vol are 6 %.
  expect(row['thickness in']).toBe('0.157');
  expect(row.mix).toContain('6%');
  expect(row.mix).not.toMatch(/ vol/);
  // 0.125 in are 3.175 mm, 3.2 to the tenth.
  expect(taken(changed('back/3/1', { 'thickness in': '0.125' }, table)).changes).toMatchObject([
    { words: ['4 mm → 3.2 mm thick'] },
  ]);
});

test('a foil is left out only where the table says so; one that it does not name stays', () => {
  const few = taken('id,leave out\nback/3/1,yes\nback/4/1,\n');
  expect(few).toMatchObject({ same: 1, changes: [{ id: 'back/3/1', words: ['left out'] }] });
  expect(
    engine
      .compute(few.plan)
      .sheet.foils.map(({ id }) => id)
      .sort(),
  ).toEqual(
    sheet.foils
      .map(({ id }) => id)
      .filter((id) => id !== 'back/3/1')
      .sort(),
  );
});

test.each([
  [{ 'width mm': '12' }, /^width mm: it is [\d.]+ here and “12” in the table\. It is measured/],
  [{ zone: 'nape, left side' }, /^zone: it is/],
  [{ number: '99' }, /^number: it is/],
  [{ formula: 'AB' }, /^formula: it must be one letter/],
  [{ gather: 'braid' }, /^gather: “braid” is none of micro baby light, baby light/],
  [{ gather: 'zigzag' }, /^gather:/],
  [{ 'thickness mm': '0' }, /^thickness mm: it must be a number from 0\.5 to 40/],
  [{ 'thickness mm': 'thin' }, /^thickness mm:/],
  [{ 'leave out': 'x' }, /^leave out: write yes/],
])('%j is refused in its row', (cells, problem) => {
  expect(taken(changed('back/3/1', cells as Record<string, string>))).toMatchObject({
    plan,
    changes: [],
    problems: [{ row: rowAt('back/3/1'), problem: expect.stringMatching(problem) }],
  });
});

test('doubles, unknown foils and rows without one are named', () => {
  expect(taken('id,formula\nback/3/1,B\nback/3/1,C\nelse/1/1,B\n,B\n').problems).toEqual([
    { row: 3, problem: 'id: “back/3/1” stands in row 2 already.' },
    { row: 4, problem: 'id: this pattern has no foil “else/1/1”.' },
    { row: 5, problem: 'id: it is empty.' },
  ]);
});

test.each([
  ['formula\nB', /“id” is missing/],
  ['id,colour\nback/3/1,red', /“colour” is no column/],
  ['id,formula\n', /no foils/],
])('%j is no table of foils', (text, problem) => {
  expect(readFoilsCsv(text, plan, sheet, units)).toEqual({
    ok: false,
    problem: expect.stringMatching(problem),
  });
});

test('more edits by hand than a pattern holds are refused before it is too late', () => {
  const many = {
    ...plan,
    edits: Array.from({ length: 399 }, () => ({ kind: 'move' as const, foil: 'back/9/1', byMm: 1 })),
  };
  expect(readFoilsCsv('id,formula\nback/3/1,B\nback/4/1,B\n', many, sheet, units)).toEqual({
    ok: false,
    problem: expect.stringContaining('401 edits of single foils'),
  });
});

test('the rows add up to the shares of the pattern, lowlights apart', () => {
  const start = startPlan();
  const mixed: Plan = {
    ...start,
    panels: start.panels.map((panel, i) =>
      i === 0
        ? { ...panel, dropouts: { every: 2, treatments: ['lowlight', 'tip-out'], together: 1, recipes: {} } }
        : panel,
    ),
  };
  const visit = visitOf({ plan: mixed });
  const { data } = Papa.parse<Record<string, string>>(
    foilsCsv(visit.pattern.sheet, visit.work.units, {
      separator: ',',
      decimalComma: false,
      measures: METRIC,
    }),
    { header: true, skipEmptyLines: true },
  );
  const summed = (column: string) => data.reduce((sum, row) => sum + (parseFloat(row[column]) || 0), 0) / 100;
  const { foiled, lightened, deepened } = visit.shares.total;
  expect(deepened).toBeGreaterThan(0.01);
  expect(summed('foiled')).toBeCloseTo(foiled, 2);
  expect(summed('lightened')).toBeCloseTo(lightened, 2);
  expect(summed('deepened')).toBeCloseTo(deepened, 2);
});
