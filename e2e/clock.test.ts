import type { Page } from 'puppeteer-core';
import { address, newVisit, openBrowser, openStep, press, saved, see, seriousFindings, signIn, type Session } from './harness';

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
  await page.waitForFunction((at) => !/Working it out/.test(document.querySelector(at)?.textContent ?? 'Working it out'), {}, HEADLINE);
  return page.$eval(HEADLINE, (own) => (own as HTMLElement).innerText.replace(/\s+/g, ' '));
}
const rinsed = (said: string) => {
  const [, hours = '0', minutes = '0'] = /rinsed after (?:(\d+) h ?)?(?:(\d+)(?: min)?)?,/.exec(said)!;
  return 60 * Number(hours) + Number(minutes);
};
/** Waits until the search is over and no newer one begins. */
const searched = async () => {
  await page.evaluate(() => void ((window as unknown as { settled: number }).settled = 0));
  await page.waitForFunction(() => {
    const own = window as unknown as { settled: number };
    const over = /Proved|The best within the time/.test((document.querySelector('section[aria-label="Compared"]') as HTMLElement | null)?.innerText ?? '');
    own.settled = over && !document.body.innerText.includes('Working it out') ? own.settled + 1 : 0;
    return own.settled > 20;
  }, { timeout: 30_000 });
};

test('a full head is staged so that no foil stays on too long; a slower mix moves it', async () => {
  const visit = await newVisit(page, 'Timed Wholly');
  await openStep(page, visit, 'clock');
  await searched();
  expect(await headline()).toMatch(/No foil stays on too long \d+ times at the basin(, \d+ rinses)?; foiled after .*, rinsed after /);
  const [, visits, rinses = visits] = /(\d+) times at the basin(?:, (\d+) rinses)?/.exec(await headline())!;
  expect(Number(visits)).toBeGreaterThan(2);
  await see(page, 'too many foils for one time on');
  const steps = await page.$$eval('section[aria-label="Order of work"] li', (items) => items.map((own) => (own as HTMLElement).innerText.replace(/\s+/g, ' ')));
  expect(steps[0]).toMatch(/^0 Foil /);
  expect(steps.filter((words) => / Rinse /.test(words))).toHaveLength(Number(rinses));
  // The minutes of the list never go back.
  const starts = steps.map((words) => Number(words.split(' ')[0]));
  expect([...starts].sort((a, b) => a - b)).toEqual(starts);
  expect(await seriousFindings(page)).toEqual([]);
  await press(page, 'Best order found');
  expect(await headline()).toMatch(/No foil stays on too long/);

  // What if every foil takes longer: the whole moves.
  await press(page, 'Your order');
  await searched();
  const usual = await headline();
  await press(page, 'What if');
  await (await page.waitForSelector('aside [role=slider]'))!.focus();
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowRight');
  await see(page, '130 % of the usual time');
  await page.waitForFunction((before) => (document.querySelector('section[aria-label="Time axis"] header [role=status]') as HTMLElement).innerText.replace(/\s+/g, ' ') !== before, {}, usual);
  await press(page, 'Plan');
  await searched();
  expect(rinsed(await headline())).toBeGreaterThan(rinsed(usual));

  // A weaker mix is ready later, and the clock follows at once.
  const before = await headline();
  await page.goto(`${address()}/visits/${visit}/mix#bowls`);
  const strength = (await page.waitForSelector('[data-live=true] input[aria-label="Strength, typed"]'))!;
  await strength.click({ count: 3 });
  await strength.type('10 vol');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => (document.querySelector('section[aria-label="Bowls"]') as HTMLElement).innerText.includes('Moth developer 10 vol'));
  await press(page, 'Clock');
  await searched();
  expect(await headline()).not.toBe(before);
  expect(session.complaints).toEqual([]);
});

test('a second pair of hands opens foils; what is kept by hand stays, through a reload', async () => {
  const visit = await newVisit(page, 'Helped Along');
  await openStep(page, visit, 'clock');
  await press(page, 'Best order found');
  await searched();
  const alone = await headline();
  await press(page, 'What if');
  await press(page, 'Mixes, pulls');
  await see(page, 'half a minute each');
  await press(page, 'Plan');
  await searched();
  await see(page, 'Second person pulls');
  expect(rinsed(await headline())).toBeLessThan(rinsed(alone));
  expect(await seriousFindings(page)).toEqual([]);

  // The panel that comes last is kept first: the rest is solved around it.
  const foiled = () => page.$$eval('section[aria-label="Order of work"] li', (items) => items.map((own) => (own as HTMLElement).innerText.replace(/\s+/g, ' ')).filter((words) => / Foil /.test(words)));
  const first = (await foiled())[0];
  await (await page.waitForSelector('section[aria-label="Order of work"] li button[aria-pressed]'))!.click();
  await page.waitForSelector('section[aria-label="Order of work"] li button[aria-pressed=true]');
  await searched();
  expect((await foiled())[0]).toBe(first.replace('Keep', 'Kept'));
  await saved(page);
  await page.reload();
  await searched();
  expect(await page.$$eval('section[aria-label="Order of work"] li button[aria-pressed=true]', (own) => own.length)).toBe(1);
  await see(page, 'Second person pulls');
  expect(session.complaints).toEqual([]);
});
