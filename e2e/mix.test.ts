import { execFileSync } from 'node:child_process';
import { writeFileSync, mkdtempSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import {
  address,
  fill,
  live,
  newVisit,
  openBrowser,
  press,
  saved,
  see,
  signIn,
  type Session,
  waitForNamed,
} from './harness';

let session: Session;
let page: Page;
beforeAll(async () => {
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(() => session.close());

/** Handles the simulated scale, as a hand at the table would. */
function handle(line: string): Promise<void> {
  const at = process.env.LATTICE_SCALE_CONTROL;
  if (!at) throw new Error('The browser tests need the simulated scale: run bin/test.');
  const [host, port] = at.split(':');
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), host, () => socket.write(`${line}\n`));
    socket.on('data', (answer) => {
      socket.destroy();
      if (String(answer).startsWith('OK')) resolve();
      else reject(new Error(`The scale answered ${String(answer)}`));
    });
    socket.on('error', reject);
  });
}

async function sheet(visit: string, name: 'bowls' | 'lift' | 'tone' | 'price'): Promise<void> {
  await page.goto(`${address()}/visits/${visit}/mix#${name}`);
  await live(page);
  await page.waitForSelector(`nav[aria-label="Mix"] a[href="#${name}"][aria-current="true"]`);
}

const choose = async (label: string, value: string) =>
  (await waitForNamed(page, label, 'combobox')).select(value);
const textOf = (selector: string) =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '));
const waitText = (selector: string, source: RegExp) =>
  page.waitForFunction(
    (at, text) =>
      new RegExp(text).test(
        (document.querySelector(at) as HTMLElement | null)?.innerText.replace(/\s+/g, ' ') ?? '',
      ),
    {},
    selector,
    source.source,
  );

/** Reading that the dialog shows, once it is settled at about so many grams. */
const settled = (grams: number) =>
  page.waitForFunction(
    (wanted) => {
      const dialog = document.querySelector('[role=dialog]');
      const shown = Number(dialog?.querySelector('output')?.textContent);
      return Math.abs(shown - wanted) < 0.4 && !dialog!.textContent!.includes('settling');
    },
    {},
    grams,
  );

/** Tares once the reading stands still. */
async function tared(): Promise<void> {
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[role=dialog] button')].some(
      (element) => element.textContent === 'Tare' && !(element as HTMLButtonElement).disabled,
    ),
  );
  await press(page, 'Tare');
  await settled(0);
}

/** Words of the printed card. */
async function card(visit: string): Promise<string> {
  const bytes = await page.evaluate(
    async (at) => [...new Uint8Array(await (await fetch(at)).arrayBuffer())],
    `/visits/${visit}/sheet/mix.pdf`,
  );
  const { pages, text } = JSON.parse(
    execFileSync(process.execPath, [path.join(import.meta.dirname, 'pdf-text.mjs')], {
      input: Buffer.from(bytes),
      encoding: 'utf8',
    }),
  );
  expect(pages).toBe(1);
  return (text as string).replace(/\s+/g, ' ');
}

test('mixes from the scale through a fault, fits lift from a strand, composes a toner of three parts, keeps to a budget, and prints the same figures', async () => {
  const visit = await newVisit(page, 'Mixed Entirely', 'mix');

  // 13 vol from two bottles.
  await fill(page, 'Strength, typed', '13 vol');
  await page.keyboard.press('Enter');
  await waitText('section[aria-label="Bowls"]', /Moth developer 10 vol.*Moth developer 20 vol/);
  const first = await textOf('li[aria-label="Bowl A 1"]');
  const [, powder, weak, strong] =
    /(\d+) g Moth blue powder (\d+) g Moth developer 10 vol (\d+) g Moth developer 20 vol/
      .exec(first)!
      .map(Number);
  expect(weak + strong).toBe(2 * powder);
  expect((10 * weak + 20 * strong) / (weak + strong)).toBeCloseTo(13, 0);

  // Powder from the scale, settled; then it is unplugged in the middle.
  await handle('FAULT off');
  await handle('CLEAR');
  await (await page.waitForSelector('li[aria-label="Bowl A 1"] button'))!.click();
  await tared();
  await handle(`POUR ${powder}`);
  await settled(powder);
  await see(page, 'Right');
  await press(page, 'Use this weight');
  await waitText('[role=dialog] ol', new RegExp(`Moth blue powder ${powder} g \\d+(\\.\\d)? g`));
  await handle('FAULT unplugged');
  await see(
    page,
    'The scale does not answer. Look at its plug; weigh by hand meanwhile, nothing entered is lost.',
  );
  await waitText('[role=dialog] ol', new RegExp(`Moth blue powder ${powder} g \\d+(\\.\\d)? g`));
  await fill(page, 'By hand: Moth developer 10 vol', String(weak));
  await press(page, 'Save');
  await waitText('[role=dialog] ol', new RegExp(`Moth developer 10 vol ${weak} g ${weak} g`));
  // Plugged in again it weighs on by itself.
  await handle('FAULT off');
  await page.waitForFunction(() => document.querySelector('[role=dialog] output'));
  await tared();
  await handle(`POUR ${strong}`);
  await settled(strong);
  await press(page, 'Use this weight');
  await see(page, 'Everything is weighed.');
  await press(page, 'Done');
  await waitText('li[aria-label="Bowl A 1"]', /Weighed/);
  await saved(page);

  // A strand read slower than usual moves the ready times.
  await sheet(visit, 'lift');
  const ready = async () =>
    Number(/Ready after about (\d+) min/.exec(await textOf('section[aria-label="Lift curve"]'))![1]);
  const before = await ready();
  await fill(page, 'Read after', '15');
  await choose('Level read', '6.5');
  await press(page, 'Add the reading');
  await see(page, 'times as fast as usual');
  await waitText(
    'section[aria-label="Lift curve"]',
    new RegExp(`Ready after about (?!${before} )\\d+ min|not expected`),
  );
  const curve = await textOf('section[aria-label="Lift curve"]');
  const after = /Ready after about (\d+) min/.exec(curve)?.[1];
  if (after !== undefined) expect(Number(after)).toBeGreaterThan(before);
  expect(await textOf('section[aria-label="Strand tests"]')).toMatch(
    /lifts 0\.\d\d times as fast as usual \(0\.\d\d–\d\.\d\d\), from 1 reading/,
  );

  // A toner of three parts.
  await sheet(visit, 'tone');
  await press(page, 'Add a toner');
  await choose('Shade 1', 'sedge-8-violet');
  await press(page, 'Add a shade');
  await choose('Shade 2', 'sedge-8-pearl');
  await press(page, 'Add a shade');
  await choose('Shade 3', 'sedge-clear');
  await fill(page, 'Parts of shade 1', '2');
  await fill(page, 'In all', '75');
  await waitText(
    'article[aria-label="Toner 1"]',
    /13 g Sedge 8 violet 6 g Sedge 8 pearl 6 g Sedge clear 50 g Moth developer 5 vol/,
  );
  expect(await textOf('article[aria-label="Toner 1"]')).toMatch(/Just right|Under-toned|Over-toned/);
  await saved(page);

  // A budget below the estimate: fitted, then agreed.
  await sheet(visit, 'price');
  const total = async () => Number((await textOf('#price-total')).replace(/[^\d.]/g, ''));
  const price = await total();
  const budget = Math.floor(price * 0.8);
  await press(page, 'Fit to a budget');
  await fill(page, 'At most this amount', String(budget));
  await press(page, 'Show how');
  await (await waitForNamed(page, 'Apply')).click();
  await page.waitForFunction(
    (most) => Number(document.querySelector('#price-total')!.textContent!.replace(/[^\d.]/g, '')) <= most,
    {},
    budget,
  );
  const agreed = await total();
  expect(agreed).toBeGreaterThan(budget * 0.6);
  await (await page.waitForSelector('::-p-xpath(//button[starts-with(., "Agree on")])'))!.click();
  await see(page, 'Agreed on');
  await choose('What', 'deposit');
  await fill(page, 'Amount', '50');
  await press(page, 'Add payment');
  await waitText('section[aria-label="Agreed and paid"]', new RegExp(`owed €${(agreed - 50).toFixed(2)}`));
  await waitText(
    'pre',
    new RegExp(`Total +€${agreed.toFixed(2)}.*Deposit +€50.00.*Owed +€${(agreed - 50).toFixed(2)}`),
  );
  await saved(page);

  // The card says what the screen says.
  await sheet(visit, 'bowls');
  const bowls = await page.$$eval('section[aria-label="Bowls"] ol li[aria-label^="Bowl"] ul', (lists) =>
    lists.map((list) =>
      [...list.children]
        .map((element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '))
        .join(' · '),
    ),
  );
  const words = await card(visit);
  expect(bowls.length).toBeGreaterThan(0);
  for (const bowl of bowls) expect(words).toContain(bowl);
  expect(words).toContain(
    '13 g Sedge 8 violet · 6 g Sedge 8 pearl · 6 g Sedge clear · 50 g Moth developer 5 vol',
  );
  expect(words).toContain(`agreed €${agreed.toFixed(2)}`);
  await sheet(visit, 'lift');
  const shown = /Ready after about (\d+) min, between (\d+) and (\d+ min|never)/.exec(
    await textOf('section[aria-label="Lift curve"]'),
  );
  if (shown) expect(words).toContain(`${shown[1]} (${shown[2]}–${shown[3].replace(' min', '')})`);
  else expect(words).toContain('not expected');
  // And all of it is there after a reload.
  await sheet(visit, 'bowls');
  await waitText('section[aria-label="Bowls"]', /Moth developer 10 vol/);
});

test('a suggestion is taken for the panels that share a formula; undo takes it back', async () => {
  const visit = await newVisit(page, 'Suggested Strength', null);
  await sheet(visit, 'lift');
  await see(page, 'Other strengths, by the schools of this house');
  const idea = await textOf('section[aria-label="Suggested strengths"] li');
  const [, volumes, now] = /: (\d+) vol instead of (\d+)/.exec(idea)!;
  expect(volumes).not.toBe(now);
  await press(page, 'Apply');
  await sheet(visit, 'bowls');
  await waitText('section[aria-label="Formulas"]', new RegExp(`Strength`));
  const strengths = () =>
    page.$$eval('input[aria-label="Strength, typed"]', (inputs) =>
      inputs.map((input) => (input as HTMLInputElement).value),
    );
  expect(await strengths()).toContain(`${volumes} vol`);
});

test('a strength that is too strong where it lies stops the beginning; a weaker one does not', async () => {
  await newVisit(page, 'Too Strong', 'mix');
  await fill(page, 'Strength, typed', '40 vol');
  await page.keyboard.press('Enter');
  await see(page, 'Stop: 40 vol within 20 mm of the scalp');
  await fill(page, 'Strength, typed', '30 vol');
  await page.keyboard.press('Enter');
  await see(page, 'Over 20 vol at the hairline');
  await page.waitForFunction(() => !document.body.innerText.includes('40 vol within'));
  // Impossible figures stay in the field with a sentence; the strength stays.
  await fill(page, 'Strength, typed', 'strong');
  await page.keyboard.press('Enter');
  await see(page, '“strong” cannot be used for strength here.');
  await fill(page, 'Wanted, strength', '25');
  await see(page, '25 vol cannot be made from 6 and 20 vol: it lies above both.');
});

test('products: a table goes out, comes back changed with a preview, and rows that are wrong are named', async () => {
  await page.goto(`${address()}/house/products`);
  await see(page, 'Moth blue powder');
  const table = await page.evaluate(async () => (await fetch('/api/products')).text());
  expect(table).toContain('moth-powder');
  const folder = mkdtempSync(path.join(tmpdir(), 'lattice-csv-'));
  const upload = async (name: string, text: string) => {
    const file = path.join(folder, name);
    writeFileSync(file, text);
    await (
      (await page.$('input[type=file]')) as unknown as { uploadFile(file: string): Promise<void> }
    ).uploadFile(file);
  };
  await upload(
    'wrong.csv',
    'kind;id;name;stock\ndeveloper;moth-dev-20;Moth developer 20 vol;-5\nshade;fern-9;Fern 9;10\n',
  );
  await see(page, '2 rows have problems');
  await see(page, 'Row 2: stock: must be a number from 0 to 1000000 g.');
  expect(
    await page.$eval(
      '::-p-aria([name="Import the table"])',
      (element) => (element as HTMLButtonElement).disabled,
    ),
  ).toBe(true);
  await page.keyboard.press('Escape');
  await upload('none.csv', 'a|b\n1|2\n');
  await see(page, 'none.csv: The first row must name the columns');
  await upload(
    'stock.csv',
    'kind;id;name;stock;pack price\ndeveloper;moth-dev-30;Moth developer 30 vol;1234,5;8,1\n',
  );
  await see(page, 'stock 1600 → 1234.5');
  await press(page, 'Import the table');
  await see(page, '0 added, 1 changed.');
  await page.reload();
  await see(page, '1234.5 g');
  await see(page, '€8.10 for 1000 g');
});
