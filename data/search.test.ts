import { createClient, listClients } from './clients';
import type { Actor } from './database';
import { signedIn } from './testing/actor';
import { scratchWithDemo, type Scratch } from './testing/scratch';

const TODAY = '2026-11-25';
let scratch: Scratch;
let first: Actor;
let second: Actor;
const names = async (search: string, who = first) =>
  (await listClients(who, search, TODAY)).map(({ name }) => name);

beforeAll(async () => {
  scratch = await scratchWithDemo(TODAY);
  first = await signedIn('ottilie@fernhollow.example');
  second = await signedIn('leocadia@osieryard.example');
  for (const [name, phone, note] of [
    ['Josephine Aldermoor', '0700 900 123', 'asks for 100 % cover'],
    ['Ivo Abroad', '+44 700 900 151', ''],
    ['Åsa Lindqvist-Øye', '', ''],
    ['王小明', '', 'long, worn up'],
    ['Jo Quill', '', 'under_score'],
  ])
    await createClient(first, {
      name,
      phone,
      email: name.startsWith('Josephine') ? 'josephine@post.example' : '',
      note,
      bornOn: null,
    });
  await createClient(second, {
    name: 'Josephine Elsewhere',
    phone: '0700 900 123',
    email: '',
    note: '',
    bornOn: null,
  });
});
afterAll(() => scratch.drop());

test.each([
  ['any part of a name', 'dermo', 'Josephine Aldermoor'],
  ['a slip of the finger', 'josefine', 'Josephine Aldermoor'],
  ['letters changed over', 'aldremoor', 'Josephine Aldermoor'],
  ['several words in any order', 'aldermoor jose', 'Josephine Aldermoor'],
  ['a phone number however it is spaced', '0700900123', 'Josephine Aldermoor'],
  ['a phone number with the code of the country', '+44 (0)700 900123', 'Josephine Aldermoor'],
  ['the same with noughts', '0044 700 900 123', 'Josephine Aldermoor'],
  ['one that is kept with the code, without it', '0700 900151', 'Ivo Abroad'],
  ['an e-mail address', 'josephine@post', 'Josephine Aldermoor'],
  ['letters with marks', 'lindqvist-øye', 'Åsa Lindqvist-Øye'],
  ['another script', '王小明', '王小明'],
  ['the beginning of a name, two letters', 'jo', 'Jo Quill'],
  ['a percent sign as itself', '100 %', 'Josephine Aldermoor'],
  ['an underscore as itself', 'under_score', 'Jo Quill'],
])('found by %s', async (_, search, name) => expect(await names(search)).toContain(name));

test('what begins with the words comes first', async () =>
  expect((await names('josephine'))[0]).toBe('Josephine Aldermoor'));

test('another salon’s client is found by no words, nor by the function called under the application’s role', async () => {
  for (const search of ['elsewhere', 'josephine', '0700900123', 'jo'])
    expect(await names(search)).not.toContain('Josephine Elsewhere');
  expect(await names('aldermoor', second)).toEqual([]);
  const { rows } = await scratch.app.raw("select * from find_clients(array['josephine'], 10, false)");
  expect(rows).toEqual([]);
});

test.each([
  ['zzzzqqq', []],
  ["'; drop table client; --", []],
  ['\\', []],
  ['_', []],
  ['%', ['Josephine Aldermoor']],
  ['x'.repeat(500), []],
])('%j is looked for as it is written', async (search, found) => expect(await names(search)).toEqual(found));

test('nothing typed lists everybody by name', async () => {
  const all = await names('');
  expect(all.length).toBeGreaterThan(8);
  expect(all).toContain('Jo Quill');
});
