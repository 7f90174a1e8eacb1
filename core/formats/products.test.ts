import { USUAL_RANGE, type Product } from '../products';
import { METRIC, type Measures } from '../units';
import { spentMs } from '../testing/spent';
import { productsCsv, readProductsCsv, type Import } from './products-csv';
import { parseProducts } from './products-document';

const US: Measures = { lengths: 'in', amounts: 'oz', strengths: '%', temperatures: 'F' };
const POINT = { separator: ',', decimalComma: false, minorPerUnit: 100, measures: METRIC } as const;

function imported(text: string, range: readonly Product[] = USUAL_RANGE): Import {
  const read = readProductsCsv(text, range, 100);
  if (!read.ok) throw new Error(read.problem);
  return read.value;
}

test.each([
  POINT,
  { separator: ';', decimalComma: true, minorPerUnit: 100, measures: METRIC },
  { separator: '\t', decimalComma: true, minorPerUnit: 1000, measures: METRIC },
  { ...POINT, measures: US },
  { separator: ';', decimalComma: true, minorPerUnit: 100, measures: US },
] as const)('a range goes out as a table and comes back the same: %o', (style) => {
  const read = readProductsCsv(productsCsv(USUAL_RANGE, style), USUAL_RANGE, style.minorPerUnit);
  if (!read.ok) throw new Error(read.problem);
  expect(read.value).toMatchObject({
    added: [],
    changed: [],
    problems: [],
    same: USUAL_RANGE.length,
    separator: style.separator,
    decimalComma: style.decimalComma,
  });
  expect(read.value.range).toEqual(USUAL_RANGE);
  // And into a house that has nothing yet.
  expect(readProductsCsv(productsCsv(USUAL_RANGE, style), [], style.minorPerUnit)).toMatchObject({
    ok: true,
    value: { range: USUAL_RANGE, problems: [] },
  });
});

test('a row changes what it says and leaves the rest; a new one is added', () => {
  const { added, changed, range, problems } = imported(
    'kind;id;name;pack price;stock;volumes\ndeveloper;moth-dev-20;Moth developer 20 vol;8,35;1200,5;20\ndeveloper;moth-dev-13;Moth developer 13 vol;7,9;500;13\n',
  );
  expect(problems).toEqual([]);
  expect(changed.map(({ after }) => after)).toEqual([
    { ...USUAL_RANGE.find(({ id }) => id === 'moth-dev-20'), packMinor: 835, stock: 1200.5 },
  ]);
  expect(added).toMatchObject([{ id: 'moth-dev-13', volumes: 13 }]);
  expect(range).toHaveLength(USUAL_RANGE.length + 1);
});

test.each([
  ['developer,moth-dev-20,Dev,,-3', 'stock: must be a number from 0 to 1000000 g.'],
  ['shade,fern-9,Fern 9,fern,10', 'line: Fern 9 belongs to the line “fern”, which this house does not have.'],
  [
    'bottle,x,X,,1',
    'kind: must be one of lightener, high-lift, developer, line, shade, additive, treatment, foil, recipe, not “bottle”.',
  ],
  ['shade,moth-dev-20,Dev,sedge,1', 'kind: “moth-dev-20” is a developer in this house, not a shade.'],
  ['developer,Bad Id,Dev,,1', 'id: must be a short name of small letters, figures and hyphens, at most 40.'],
  ['developer,moth-dev-20,Dev,,a lot', 'stock: “a lot” is no figure.'],
  [
    'developer,moth-dev-20,Dev,,1,5,and more',
    'It has 7 cells where the heading has 5: a figure with a comma needs another separator, or quotation marks.',
  ],
])('a row that cannot be taken is named: %s', (row, problem) => {
  const given = row.startsWith('shade,fern')
    ? `kind,id,name,line,stock,level,tone\n${row},9,ash\n`
    : row.startsWith('shade')
      ? `kind,id,name,line,stock,level,tone\n${row},9,ash\n`
      : `kind,id,name,line,stock\n${row}\n`;
  const { problems } = imported(given);
  expect(problems).toEqual([{ row: 2, problem }]);
});

test.each([
  ['', 'The table is empty.'],
  ['kind,id,name\n', 'The table has a heading and no products.'],
  [
    'name|id\na|b\n',
    'The first row must name the columns; “kind” is missing. Read with bar as the separator.',
  ],
  ['kind,id,name,colour\na,b,c,d\n', '“colour” is no column that is known here.'],
  ['kind,id,id,name\na,b,c,d\n', 'The column “id” stands there twice.'],
])('a table that is none: %j', (text, problem) => {
  expect(readProductsCsv(text, USUAL_RANGE, 100)).toEqual({ ok: false, problem });
});

test('points beside commas, an id twice', () => {
  expect(imported('kind;id;name;pack;stock\ndeveloper;moth-dev-5;A;1,5;1.5\n').problems).toEqual([
    { row: 2, problem: 'stock: “1.5” has a point where other figures of the table have a comma.' },
  ]);
  expect(imported('kind,id,name\ndeveloper,moth-dev-5,A\ndeveloper,moth-dev-5,B\n').problems).toEqual([
    { row: 3, problem: 'id: “moth-dev-5” stands in row 2 already.' },
  ]);
});

test('ounces by their unit, inches and per cent by their columns; a unit that is none is named', () => {
  const [head, ...rows] = productsCsv(USUAL_RANGE, { ...POINT, measures: US }).split('\r\n');
  expect(head).toMatch(/,strength %,.*,width in,length in,.*,warmest °F,.*,unit$/);
  // 3800 g at 28.3495 g to the ounce, 20 vol at 10 / 3 to the per cent; foil stays in sheets.
  expect(rows.find((row) => row.includes(',moth-dev-20,'))).toMatch(/,6,.*,134\.041,.*,oz$/);
  expect(rows.find((row) => row.includes(',foil-120,'))).toMatch(/,4\.724,11\.811,.*,sheets$/);
  const { changed, problems } = imported(
    'kind,id,name,stock,unit\ndeveloper,moth-dev-20,Moth developer 20 vol,10,oz\ndeveloper,moth-dev-10,Moth developer 10 vol,10,sheets\nfoil,foil-120,Foil,10,g\n',
  );
  expect(changed.map(({ after }) => after)).toEqual([
    { ...USUAL_RANGE.find(({ id }) => id === 'moth-dev-20'), stock: 283.5 },
  ]);
  expect(problems).toEqual([
    { row: 3, problem: 'unit: must be g or oz, not “sheets”.' },
    { row: 4, problem: 'unit: must be sheets, not “g”.' },
  ]);
});

test('text that a spreadsheet would run as a formula goes out harmless and comes back as it was', () => {
  const odd = USUAL_RANGE.map((product, i) =>
    i === 0 ? { ...product, note: '=1+1', name: '-Moth' } : product,
  );
  const table = productsCsv(odd, POINT);
  expect(table).toContain("'=1+1");
  expect(imported(table, []).range).toEqual(odd);
});

test.each([
  [{ stock: -1 }, 'products[0].stock: must be a number from 0 to 1000000 g.'],
  [{ ratio: { least: 0, usual: 2, most: 3 } }, 'products[0].ratio.least: must be a number from 0.5 to 5.'],
  [
    { ratio: { least: 2, usual: 1, most: 3 } },
    'products[0].ratio: the usual ratio must lie between the least and the most.',
  ],
  [{ id: 'moth-clay' }, 'products[2].id: “moth-clay” is the id of Moth blue powder already.'],
])('a range with %o is refused', (wrong, problem) => {
  const products = USUAL_RANGE.map((product, i) => (i === 0 ? { ...product, ...wrong } : product));
  expect(parseProducts({ version: 1, products })).toEqual({ ok: false, problem });
});

// 0.2 s on an idle machine; a starved one was seen to take 0.54 s.
test('a table of a megabyte is answered within two seconds of the processor, whatever stands in it', () => {
  const [head, ...rows] = productsCsv(USUAL_RANGE, POINT).trim().split('\r\n');
  const table = (most: number, note: string) => {
    let text = head;
    for (let i = 0; i < most && text.length < 1e6; i += 1)
      text += `\r\n${rows[i % rows.length].replace(/^([^,]*,[^,]*)/, `$1-${i}`).replace(/,(?=,*$)/, `,${note}`)}`;
    return text;
  };
  const many = table(1e9, '');
  const from = spentMs();
  expect(readProductsCsv(many, USUAL_RANGE, 100)).toEqual({
    ok: false,
    problem: expect.stringMatching(/^A house has at most 600 products, and the table has \d{4,}\.$/),
  });
  expect(spentMs() - from).toBeLessThan(2000);
  const long = table(600, 'x '.repeat(800));
  const between = spentMs();
  expect(readProductsCsv(long, USUAL_RANGE, 100).ok).toBe(true);
  expect(spentMs() - between).toBeLessThan(2000);
});
