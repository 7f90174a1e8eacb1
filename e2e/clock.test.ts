import type { Page } from 'puppeteer-core';
import {
  address,
  newVisit,
  openBrowser,
  press,
  saved,
  see,
  axeFindings,
  signIn,
  type Session,
} from './harness';

let session: Session;
let page: Page;
beforeAll(async () => {
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(() => session.close());

const HEADLINE = 'section[aria-label="Time axis"] header [role=status]';
/** What stands over the time axis, once it has been worked out. */
async function headline(): Promise<string> {
  await page.waitForFunction(
    (at) => !/Working it out/.test(document.querySelector(at)?.textContent ?? 'Working it out'),
    {},
    HEADLINE,
  );
  return page.$eval(HEADLINE, (element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '));
}
const rinsed = (said: string) => {
  const [, hours = '0', minutes = '0'] = /rinsed after (?:(\d+) h ?)?(?:(\d+)(?: min)?)?,/.exec(said)!;
  return 60 * Number(hours) + Number(minutes);
};
const steps = () =>
  page.$$eval('section[aria-label="Order of work"] li', (items) =>
    items.map((item) => (item as HTMLElement).innerText.replace(/\s+/g, ' ')),
  );
/** What the plan that is followed says of itself. */
const followed = () =>
  page.$eval('[role=radiogroup][aria-label=Plans] [aria-checked=true]', (element) =>
    element.getAttribute('aria-label')!,
  );
/** Waits until the headline says something else. */
const moved = (before: string) =>
  page.waitForFunction(
    (at, own) => {
      const said = (document.querySelector(at) as HTMLElement).innerText.replace(/\s+/g, ' ');
      return said !== own && !said.includes('Working it out');
    },
    {},
    HEADLINE,
    before,
  );

test('a full head: foils are opened as they are ready, nothing stays on too long; another plan, and a slower mix', async () => {
  const visit = await newVisit(page, 'Timed Wholly', 'clock');
  const usual = await headline();
  const [, times, pulled] =
    /No foil stays on too long (Once|2 times) at the basin, (\d+) foils opened before; foiled after .*, rinsed after /.exec(
      usual,
    )!;
  expect(Number(pulled)).toBeGreaterThan(20);
  // The step list, the plan and the headline agree.
  const all = await steps();
  expect(all[0]).toMatch(/^0 Foil /);
  expect(all.filter((words) => / Rinse /.test(words))).toHaveLength(times === 'Once' ? 1 : 2);
  expect(all.some((words) => /Open and wipe foils 1–/.test(words))).toBe(true);
  const starts = all.map((words) => Number(words.split(' ')[0]));
  expect([...starts].sort((a, b) => a - b)).toEqual(starts);
  expect(await followed()).toContain(`pulled ${pulled}`);
  expect(rinsed(usual)).toBeLessThan(200);
  expect(await axeFindings(page)).toEqual([]);

  // One rinse at the end: what is past the limit is said, and has to be answered for before one begins.
  await (await page.waitForSelector('[role=radio][aria-label*="first foil"]'))!.click();
  await moved(usual);
  expect(await headline()).toMatch(/foils stay on too long, by up to \d+ min/);
  await see(page, 'Before you begin: 5 open');
  await press(page, '1');
  await see(page, 'Before you begin: 4 open');
  expect(await headline()).toMatch(/No foil stays on too long Once at the basin/);
  const once = await headline();

  // What if every foil takes longer: the change is said in figures.
  await press(page, 'What if');
  await (await page.waitForSelector('aside [role=slider]'))!.focus();
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowRight');
  await page.waitForFunction(
    () =>
      (document.querySelector('input[aria-label="If a foil takes, typed"]') as HTMLInputElement | null)
        ?.value === '130% of the usual time',
  );
  await page.waitForFunction(() =>
    /Rinsed \d+ min later/.test((document.querySelector('[aria-label=Change]') as HTMLElement).innerText),
  );
  expect(rinsed(await headline())).toBeGreaterThan(rinsed(once));

  // A weaker mix is ready later, and the clock follows at once.
  const before = await headline();
  await page.goto(`${address()}/visits/${visit}/mix#bowls`);
  const strength = (await page.waitForSelector('[data-live=true] input[aria-label="Strength, typed"]'))!;
  await strength.click({ count: 3 });
  await strength.type('10 vol');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() =>
    (document.querySelector('section[aria-label="Bowls"]') as HTMLElement).innerText.includes(
      'Moth developer 10 vol',
    ),
  );
  await press(page, 'Clock');
  expect(await headline()).not.toBe(before);
  expect(session.complaints).toEqual([]);
});

test('a second person opens foils; what is kept by hand stays, through a reload', async () => {
  await newVisit(page, 'Helped Along', 'clock');
  const alone = await headline();
  await press(page, 'What if');
  await press(page, 'Mixes, pulls');
  await see(page, 'half a minute each');
  await moved(alone);
  await press(page, 'Plan');
  await see(page, 'Second person: open and wipe');
  expect(rinsed(await headline())).toBeLessThan(rinsed(alone) - 20);
  expect(await axeFindings(page)).toEqual([]);

  // A panel is kept at its place: the rest is solved around it.
  await (await page.waitForSelector('section[aria-label="Order of work"] li button[aria-pressed]'))!.click();
  await page.waitForSelector('section[aria-label="Order of work"] li button[aria-pressed=true]');
  await saved(page);
  await page.reload();
  await headline();
  expect(
    await page.$$eval(
      'section[aria-label="Order of work"] li button[aria-pressed=true]',
      (elements) => elements.length,
    ),
  ).toBe(1);
  await see(page, 'Second person: open and wipe');
  expect(session.complaints).toEqual([]);
});
