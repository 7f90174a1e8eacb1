import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { parsePlan, visitSchema } from '@/core/formats';
import {
  address,
  fill,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  axeFindings,
  signIn,
  type Session,
  dialogClosed,
} from './harness';

const folder = mkdtempSync(path.join(tmpdir(), 'lattice-tables-'));
let session: Session;
let page: Page;
beforeAll(async () => {
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(() => session?.close());

const fetched = (at: string) =>
  page.evaluate(async (from) => {
    const answer = await fetch(from);
    return { status: answer.status, type: answer.headers.get('content-type'), text: await answer.text() };
  }, at);
async function choose(text: string | Buffer): Promise<void> {
  const file = path.join(folder, 'clients.csv');
  writeFileSync(file, text);
  await page.goto(`${address()}/clients`);
  // Live once its menu answers.
  await press(page, 'Clients as a table');
  await see(page, 'Import a table');
  await page.keyboard.press('Escape');
  await (
    (await page.waitForSelector('input[aria-label="Table of clients"]')) as ElementHandle<HTMLInputElement>
  ).uploadFile(file);
}

test('clients go out as a table, and a table comes in once it was looked at; a wrong row takes nothing', async () => {
  const name = `Tabled Sedge ${Date.now() % 100_000}`;
  const { text, type } = await fetched('/api/clients/table');
  expect(type).toBe('text/csv; charset=utf-8');
  expect(text.split('\r\n')[0]).toBe('id,name,phone,email,birthday,note');
  const maren = text.split('\r\n').find((line) => line.includes('Maren Tolland'))!;

  await choose(`name;phone;birthday\n${name};0700 900 555;1990-02-30\n`);
  await see(page, 'One row has a problem');
  await see(page, 'Birthday: write a day such as 1990-02-28.');
  expect(
    await page.$$eval(
      '[role=dialog] button',
      (all) =>
        (all.find((element) => element.textContent === 'Import the table') as HTMLButtonElement).disabled,
    ),
  ).toBe(true);
  // Of another program: what is read is named, and a column that no heading tells is chosen.
  await choose(`Who,Shoe,Handy\n${name} Other,39,0700 900 556\n`);
  await see(page, 'No column is the name: choose which one is.');
  await see(page, 'not read: Who, Shoe, Handy');
  await page.select(`::-p-aria([name="Name"])`, '0');
  await see(page, '1 added, 0 changed, 0 as they are');
  await page.select(`::-p-aria([name="Phone"])`, '2');
  await see(page, 'not read: Shoe');
  expect(await axeFindings(page)).toEqual([]);

  // In the older code of western spreadsheets, with a note of Maren’s changed.
  const [id] = maren.split(',');
  await choose(
    Buffer.from(
      `id;name;phone;note\n;${name} Søn;0700 900 555;née\n${id};Maren Tolland;0700 900 114;Ties it up on most working days.\n`,
      'latin1',
    ),
  );
  await see(page, '1 added, 0 changed, 1 as they are');
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Import the table');
  await dialogClosed(page);
  await see(page, `${name} Søn`);
  expect((await fetched('/api/clients/table')).text).toContain(`${name} Søn,0700 900 555,,,née`);
});

test('a pattern goes to another salon as one file, and comes in from one', async () => {
  await newVisit(page, 'Given Sedge', 'pattern');
  await press(page, 'Library …');
  await press(page, 'Of this house');
  const name = `Given ${Date.now() % 100_000}`;
  await fill(page, 'Name', name);
  await press(page, 'Save');
  await page.evaluate(() => {
    const { createObjectURL } = URL;
    URL.createObjectURL = (blob: Blob) => {
      void blob.text().then((text) => Object.assign(window, { given: text }));
      return createObjectURL(blob);
    };
  });
  await press(page, `As a file: ${name}`);
  const given = await page
    .waitForFunction(() => (window as unknown as { given?: string }).given)
    .then((handle) => handle.jsonValue() as Promise<string>);
  expect(given).toMatch(/^<svg[\s\S]*100 foils/);
  const take = async (file: string, text: string) => {
    const at = path.join(folder, file);
    writeFileSync(at, text);
    await (
      (await page.waitForSelector('[role=dialog] input[type=file]')) as ElementHandle<HTMLInputElement>
    ).uploadFile(at);
  };
  await take('other.svg', given.replaceAll(name, `${name} again`));
  await page.waitForSelector(`[aria-label="As a file: ${name} again"]`);
  await take('broken.svg', '<svg></svg>');
  await see(page, 'broken.svg: there is no pattern of Dappled Lattice in it.');
  expect(await axeFindings(page)).toEqual([]);
});

test('the foils of a pattern and everything of the salon go out as files; only who may has them', async () => {
  const visit = await newVisit(page, 'Listed Sedge', null);
  const foils = await fetched(`/visits/${visit}/sheet/foils.csv`);
  expect(foils.text.trim().split('\r\n')).toHaveLength(101);
  // Documents fit their schemas; the pattern is one that the command line reads.
  const whole = visitSchema.parse(JSON.parse((await fetched(`/visits/${visit}/sheet/visit.json`)).text));
  expect(whole).toMatchObject({
    id: visit,
    client: { name: 'Listed Sedge' },
    colourist: 'Ottilie Marsh',
    record: null,
    signed: null,
  });
  const pattern = parsePlan(JSON.parse((await fetched(`/visits/${visit}/sheet/pattern.json`)).text));
  expect(pattern).toMatchObject({ ok: true, value: { name: whole.plan.name } });
  const archive = await page.evaluate(async () => {
    const answer = await fetch('/api/archive');
    return { status: answer.status, start: [...new Uint8Array(await answer.arrayBuffer()).slice(0, 2)] };
  });
  expect(archive).toEqual({ status: 200, start: [0x50, 0x4b] });
  // The list in again, changed at a spreadsheet: looked at, taken, undone as one step.
  await openStep(page, visit, 'pattern');
  const give = async (name: string, text: string) => {
    writeFileSync(path.join(folder, name), text);
    await (
      (await page.waitForSelector('input[aria-label="Table of foils"]')) as ElementHandle<HTMLInputElement>
    ).uploadFile(path.join(folder, name));
    await page.waitForSelector('[role=dialog]');
  };
  await give('wrong.csv', 'id,width mm\nback/3/1,1\nnobody,2\n');
  await see(page, 'Row 3: id: this pattern has no foil “nobody”.');
  expect(
    await page.$$eval('[role=dialog] button[disabled]', (all) => all.map((element) => element.textContent)),
  ).toEqual(['Import the table']);
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Close');
  await dialogClosed(page);
  await give('right.csv', foils.text.replace(/\r\n$/, 'yes\r\n'));
  await see(page, '1 changed, 99 as they are');
  await see(page, 'left out');
  await press(page, 'Import the table');
  await page.waitForFunction(() => document.querySelector('#total-foils')?.textContent === '99');
  await saved(page);
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await page.waitForFunction(() => document.querySelector('#total-foils')?.textContent === '100');
  await page.deleteCookie(...(await page.cookies()));
  await signIn(page, 'suki@fernhollow.example');
  expect((await fetched('/api/archive')).status).toBe(403);
  expect((await fetched('/api/clients/table')).status).toBe(403);
});
