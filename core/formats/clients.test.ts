import { METRIC } from '../units';
import { visitOf } from '../visit/computed/testing';
import { createPatternEngine } from '../pattern';
import { clientsCsv, foilsCsv, readClientsCsv, startPlan, type ClientColumns, type ListedClient } from '.';

const TODAY = '2027-01-04';
const KNOWN: readonly ListedClient[] = [
  {
    id: 'a1',
    revision: 3,
    name: 'Maren Tolland',
    phone: '0700 900 114',
    email: '',
    bornOn: '1988-02-28',
    note: 'Ties it up; “often”',
  },
  {
    id: 'b2',
    revision: 1,
    name: 'Zoë Søndergård',
    phone: '',
    email: '',
    bornOn: null,
    note: '=1+1, and\nmore',
  },
  { id: 'c3', revision: 1, name: 'Twin Sedge', phone: '0700 1', email: '', bornOn: null, note: '' },
  { id: 'd4', revision: 1, name: 'twin  sedge', phone: '07001', email: '', bornOn: null, note: '' },
];
const read = (text: string, columns?: ClientColumns, known = KNOWN) => {
  const made = readClientsCsv(text, known, { today: TODAY, dates: 'day-month', columns });
  if (!made.ok) throw new Error(made.problem);
  return made.value;
};

/** An independent reader of tables, as RFC 4180 has them: quoted cells, doubled quotes, breaks inside. */
function parsed(text: string, separator: string): string[][] {
  const rows: string[][] = [[]];
  let cell = '';
  let quoted = false;
  for (let i = 0; i < text.length; i += 1) {
    const own = text[i];
    if (quoted && own === '"' && text[i + 1] === '"') {
      cell += '"';
      i += 1;
    } else if (own === '"') quoted = !quoted;
    else if (!quoted && (own === separator || own === '\n')) {
      rows.at(-1)!.push(cell.replace(/\r$/, ''));
      cell = '';
      if (own === '\n') rows.push([]);
    } else cell += own;
  }
  return rows.slice(0, -1);
}

describe('clients as a table', () => {
  test.each([',', ';'])(
    'with “%s” it comes back as it went out, and another reader finds the same cells',
    (separator) => {
      const text = clientsCsv(KNOWN, separator);
      expect(read(text)).toMatchObject({ added: [], changed: [], same: 4, problems: [] });
      const rows = parsed(text, separator);
      expect(rows[0]).toEqual(['id', 'name', 'phone', 'email', 'birthday', 'note']);
      // What a spreadsheet would run as a formula begins with an apostrophe.
      expect(rows[2]).toEqual(['b2', 'Zoë Søndergård', '', '', '', "'=1+1, and\nmore"]);
      expect(rows.every((row) => row.length === 6)).toBe(true);
    },
  );

  test('new ones are added, known ones changed by id or by name and phone; an empty cell keeps what is known', () => {
    const { added, changed, same, problems } = read(
      'name;phone;birthday;note\nNew Client;0700 2;1990-02-28;Fine\nMAREN TOLLAND;0700900114;;Bun\nZoë Søndergård;;;\n',
    );
    expect(problems).toEqual([]);
    expect(added).toEqual([
      { name: 'New Client', phone: '0700 2', email: '', bornOn: '1990-02-28', note: 'Fine' },
    ]);
    expect(changed).toEqual([
      {
        before: KNOWN[0],
        after: { name: 'MAREN TOLLAND', phone: '0700900114', email: '', bornOn: '1988-02-28', note: 'Bun' },
      },
    ]);
    expect(same).toBe(1);
    expect(read('id,name,phone\na1,Maren Holt,0700 3').changed[0].after).toMatchObject({
      name: 'Maren Holt',
      phone: '0700 3',
      email: '',
      note: KNOWN[0].note,
    });
  });

  test.each([
    ['name,phone\nOne,0700 5\nONE,07005', /^name: “ONE” stands in row 2 already/],
    ['id,name\na1,Maren\na1,Maren Again', /stands in row 2 already/],
    ['id,name\nzz,Nobody', /^id: no client here has “zz”/],
    ['name,phone\nTwin Sedge,0700 1', /^name: 2 clients here are “Twin Sedge” with that phone/],
    ['name,phone\n,0700 5', /^Name: it is empty/],
    ['name,birthday\nOne,28.2.90', /^Birthday: write a day such as/],
    ['name,birthday\nOne,30.2.1990', /^Birthday: write a day such as/],
    ['name,email\nOne,at home', /^E-mail: write an address such as/],
    ['phone,note\n0700 5,2', /^No column is the name: choose which one is/],
    ['name,birthday\nOne,2030-01-01', /^Birthday: it lies in the future/],
    ['name,phone\nOne,call me', /^Phone: it holds something other/],
    ['name,note\nOne,a,b,c', /^It has 4 cells where the heading has 2/],
  ])('%j is named by its row', (text, problem) => {
    const { problems } = read(text);
    expect(problems.map((rowProblem) => rowProblem.problem)).toEqual([expect.stringMatching(problem)]);
    expect(problems[0].row).toBe(text.startsWith('phone') ? 1 : text.split('\n').length);
  });

  test('a table of another program is read by its headings, whatever else it has', () => {
    const { added, columns, samples, problems } = read(
      'Surname;First Name;Mobile;E-Mail Address;Shoe;Date of birth\nAlder;Ivo;+44 700 900 151;ivo@post.example;41;28.02.1990\nTolland;Maren;0044 700 900114;;;\n',
    );
    expect(problems).toEqual([]);
    expect(columns).toEqual({ 'last name': 0, 'first name': 1, phone: 2, email: 3, birthday: 5 });
    expect(samples[4]).toBe('41');
    // Maren's phone is written with the code of the country, and is the same: a change, not a second Maren.
    expect(added).toEqual([
      {
        name: 'Ivo Alder',
        phone: '+44 700 900 151',
        email: 'ivo@post.example',
        bornOn: '1990-02-28',
        note: '',
      },
    ]);
  });

  test('which column is which can be chosen; dates of figures are read as the house writes them', () => {
    const table = 'Who,What,When\nIvo Alder,Likes it cool,3/4/1990\n';
    expect(read(table).problems).toHaveLength(1);
    const chosen = { name: 0, note: 1, birthday: 2 };
    expect(read(table, chosen).added).toEqual([
      { name: 'Ivo Alder', phone: '', email: '', bornOn: '1990-04-03', note: 'Likes it cool' },
    ]);
    const american = readClientsCsv(table, KNOWN, { today: TODAY, dates: 'month-day', columns: chosen });
    expect(american.ok && american.value.added[0].bornOn).toBe('1990-03-04');
    // What can be no month is the day, whatever the house writes.
    expect(read('name,birthday\nIvo,2/28/1990').added[0].bornOn).toBe('1990-02-28');
  });

  test.each([
    ['', 'The table is empty.'],
    ['name,phone\n', /a heading and no clients/],
  ])('%j is no table of clients', (text, problem) => {
    expect(readClientsCsv(text, KNOWN, { today: TODAY, dates: 'day-month' })).toEqual({
      ok: false,
      problem: expect.stringMatching(problem),
    });
  });
});

test('the list of foils has a row for each, in the order of work, with figures as the house writes them', () => {
  const plan = startPlan();
  const { sheet } = createPatternEngine().compute(plan);
  const rows = parsed(
    foilsCsv(sheet, visitOf({ plan }).work.units, { separator: ';', decimalComma: true, measures: METRIC }),
    ';',
  );
  expect(rows).toHaveLength(sheet.foils.length + 1);
  expect(rows.slice(1).map(([, number]) => Number(number))).toEqual(sheet.foils.map((_, i) => i + 1));
  const [first] = sheet.foils.filter(({ order }) => order === 1);
  const cells = Object.fromEntries(rows[0].map((column, i) => [column, rows[1][i]]));
  expect(cells).toMatchObject({
    id: first.id,
    kind: 'foil',
    panel: 'Back',
    formula: 'A',
    'width mm': String(Math.round(first.widthMm * 10) / 10).replace('.', ','),
    'thickness mm': '4',
    mix: expect.stringMatching(/20 vol/),
    grams: expect.stringMatching(/^\d,\d$/),
  });
});
