import { signedIn } from '@/data/testing/actor';
import { readVisit } from '@/data/visits';
import {
  at,
  chapter,
  foilCount,
  live,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  axeFindings,
  signIn,
  type Session,
  put,
} from './harness';

let session: Session;
let visit: string;
beforeAll(async () => {
  session = await openBrowser(1280, 800, { solids: true });
  await signIn(session.page);
  visit = await newVisit(session.page, 'Worn Head');
});
afterAll(() => session.close());

/** Waits until the large picture shows what was asked for last, and everything was looked at. */
const drawn = () => session.page.waitForSelector('[data-way][data-done=true]');
const looked = () => session.page.waitForSelector('[data-complete=true]');
const findings = () =>
  session.page.$$eval('[data-finding]', (all) =>
    all.map((element) => ({
      key: element.getAttribute('data-finding')!,
      fine: element.getAttribute('data-fine') === 'true',
      words: element.querySelector('button')!.textContent!,
    })),
  );
const wordsOf = async (key: string) => (await findings()).find((finding) => finding.key === key)?.words;
const worn = async (words: string) => {
  for (const radio of await session.page.$$('[role=radio]'))
    if ((await radio.evaluate((element) => element.firstElementChild?.textContent)) === words)
      await radio.click();
};
const pressIn = async (within: string, words: RegExp) => {
  for (const button of await session.page.$$(`${within} button`)) {
    if (words.test((await button.evaluate((element) => element.textContent)) ?? '')) {
      await button.click();
      return;
    }
  }
  throw new Error(`No button ${words} in ${within}.`);
};
/** What the large picture shows, as a few numbers: the mean of its opaque pixels. */
const meanOf = (label: RegExp) =>
  session.page.$$eval(
    'canvas[data-drawn]',
    (all, source) => {
      const element = all.find((canvas) =>
        new RegExp(source).test(canvas.getAttribute('aria-label') ?? ''),
      ) as HTMLCanvasElement;
      const { data } = element.getContext('2d')!.getImageData(0, 0, element.width, element.height);
      let sum = 0;
      let count = 0;
      for (let i = 0; i < data.length; i += 4) {
        if (data[i + 3] === 0) continue;
        sum += data[i] + data[i + 1] + data[i + 2];
        count += 3;
      }
      return count === 0 ? 0 : sum / count;
    },
    label.source,
  );

test('the part is dragged: the picture and what is said of it change', async () => {
  const { page } = session;
  await chapter(page, 'worn');
  const sides = await page.waitForSelector('[aria-label="Side of the part"] [role=radio]');
  await sides!.click();
  await see(page, 'part 22 mm left');
  await saved(page);
  await openStep(page, visit, 'wear');
  await looked();
  expect(await axeFindings(page)).toEqual([]);
  const told = await findings();
  expect(told.map(({ key }) => key)).toEqual(
    expect.arrayContaining(['brightness', 'unlit', 'stripe', 'part', 'root-line', 'under', 'crown']),
  );
  expect(told.some(({ key }) => key === 'moved')).toBe(false);

  // What each panel's foils earn adds up to what is seen.
  const earned = await page.$eval('section[aria-label="What the foils add"]', (element) => ({
    all: Number(/: ([\d.]+) in all/.exec(element.textContent!)![1]),
    panels: [...element.querySelectorAll('tbody tr td:nth-child(3)')].map((cell) => Number(cell.textContent)),
  }));
  expect(Math.abs(earned.panels.reduce((a, b) => a + b, 0) - earned.all)).toBeLessThan(0.2);

  await pressIn('[aria-label="Look from"]', /^Top$/);
  await drawn();
  const before = await meanOf(/^Hair, down, top/);
  const grip = (await page.waitForSelector('[aria-label="Move the part"]'))!;
  const from = Number(await grip.evaluate((element) => element.getAttribute('aria-valuenow')));
  const { x, y } = await grip.clickablePoint();
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 1; step <= 6; step += 1) await page.mouse.move(x + 8 * step, y);
  await page.mouse.up();
  expect(Number(await grip.evaluate((element) => element.getAttribute('aria-valuenow')))).toBeGreaterThan(
    from + 20,
  );
  await page.waitForSelector('[data-finding=moved]');
  await looked();
  expect(await wordsOf('moved')).toMatch(
    /^(Fine|Check)\.Moved \d+ mm to the right, \d+% beside the part is light; \d+% where it is\./,
  );
  await drawn();
  expect(await meanOf(/^Hair, down, top/)).not.toBe(before);
});

test('tied up, the unlit temple is looked at, leads to its panel, and is mended', async () => {
  const { page } = session;
  // Rows a finger apart on the right: its temple is what they leave dark.
  const { plan } = (await readVisit(await signedIn('ottilie@fernhollow.example'), visit))!;
  await put(page, visit, 'plan', {
    ...plan.document,
    panels: plan.document.panels.map((panel) =>
      panel.id === 'side-right' ? { ...panel, spacing: { kind: 'constant', dropoutMm: 18 } } : panel,
    ),
  });
  await openStep(page, visit, 'wear');
  await looked();
  const unlit = (await findings()).filter(({ key, fine }) => key === 'unlit' && !fine);
  const temple = unlit.find(({ words }) => /temple, right/.test(words));
  expect(temple?.words ?? unlit.map(({ words }) => words).join(' ')).toMatch(
    /Tied back, \d+ mm of the hairline are dark: temple, right\./,
  );
  await pressIn('[data-finding=unlit]', /temple, right/);
  await page.waitForSelector('[data-way=tied]');
  await drawn();
  expect(
    await page.$eval('[role=radio][aria-checked=true]', (element) => element.firstElementChild!.textContent),
  ).toBe('Tied back');

  await page.$$eval('[data-finding=unlit]', (all) => {
    const element = all.find((item) => /temple, right/.test(item.textContent ?? ''))!;
    [...element.querySelectorAll('button')]
      .find((button) => /^Panel: /.test(button.textContent ?? ''))!
      .click();
  });
  await at(page, /\/pattern$/);
  await page.waitForSelector('#total-foils');
  await see(page, 'Side, right');
  const before = await foilCount(page);
  await page.waitForSelector('[data-small-wear=true] canvas[data-drawn]');

  await openStep(page, visit, 'wear');
  await looked();
  await page.$$eval('[data-finding=unlit]', (all) => {
    const element = all.find((item) => /temple, right/.test(item.textContent ?? ''))!;
    [...element.querySelectorAll('button')]
      .find((button) => button.textContent === 'Add a fine weave there')!
      .click();
  });
  await page.waitForFunction(
    () =>
      ![...document.querySelectorAll('[data-finding=unlit]')].some((item) =>
        /temple, right/.test(item.textContent ?? ''),
      ),
  );
  await press(page, 'Pattern');
  await page.waitForSelector('#total-foils');
  await see(page, 'Rim, right');
  await page.waitForFunction(
    (then) => Number(document.querySelector('#total-foils')?.textContent) !== then,
    {},
    before,
  );
  await saved(page);
});

test('week 0 is compared with week 12, by a wiper and side by side', async () => {
  const { page } = session;
  await openStep(page, visit, 'wear');
  await worn('Down');
  await pressIn('[aria-label="Before and after"]', /12 weeks/);
  await see(page, 'about 35 mm at the client’s own rate');
  await page.select('select', 'today');
  const wiper = (await page.waitForSelector('[aria-label="Wipe between Today and after 12 weeks"]'))!;
  await drawn();
  await wiper.focus();
  await page.keyboard.press('ArrowLeft');
  expect(await wiper.evaluate((element) => element.getAttribute('aria-valuenow'))).toBe('45');
  // Grown out, there is less light to be seen.
  expect(await meanOf(/^Hair, down, back, after 12 weeks/)).toBeLessThan(
    await meanOf(/^Today, down, back, today/),
  );
  // Salon light is warmer: the same picture, other colours.
  const byDay = await meanOf(/^Hair, down, back, after 12 weeks/);
  await pressIn('[aria-label=Light]', /^Salon light$/);
  await page.waitForSelector('[data-done=false]');
  await drawn();
  expect(await meanOf(/^Hair, down, back, after 12 weeks/)).not.toBe(byDay);
  await press(page, 'Side by side');
  await page.waitForFunction(() => document.querySelectorAll('[data-way] canvas[data-drawn]').length === 2);
  // Before the visit, beside it; and a picture for the client, as a file of each kind.
  await pressIn('[aria-label="Before and after"]', /^before$/);
  await page.waitForSelector(
    '[aria-label="Wipe between Before the visit and this pattern"], [aria-label^="Before the visit, down"]',
  );
  await press(page, 'Show the client');
  await page.waitForSelector('[data-shown=true]');
  const pdf = await page.evaluate(async (at) => {
    const canvas = document.querySelector('[data-shown] canvas') as HTMLCanvasElement;
    const png = await new Promise<Blob>((resolve) => canvas.toBlob((blob) => resolve(blob!), 'image/png'));
    const answer = await fetch(at, { method: 'POST', body: png });
    const bytes = new Uint8Array(await answer.arrayBuffer());
    const refused = await fetch(at, { method: 'POST', body: 'no picture' });
    return {
      status: answer.status,
      begins: String.fromCharCode(...bytes.slice(0, 5)),
      size: [canvas.width, canvas.height],
      png: png.size,
      refused: [refused.status, await refused.text()],
    };
  }, `/visits/${visit}/sheet/estimate.pdf`);
  expect(pdf).toMatchObject({
    status: 200,
    begins: '%PDF-',
    size: [1080, 1920],
    refused: [400, 'What was sent is no picture: a PNG is wanted.'],
  });
  expect(pdf.png).toBeGreaterThan(100_000);
  await press(page, 'Close');
  await press(page, 'Turn by hand');
  await page.waitForSelector('[data-turn="180 12"]');
  await page.focus('[data-turn]');
  await page.keyboard.press('ArrowRight');
  await page.waitForSelector('[data-turn="170 12"], [data-turn="-170 12"]');
  // The hand rests: what was computed for that side takes the place of what was drawn.
  await page.waitForSelector('[data-turn] canvas[data-drawn]');
  await live(page);
  // The refusal above is the only one.
  expect(session.complaints.filter((complaint) => !/400 .*estimate\.pdf$/.test(complaint))).toEqual([]);
});
