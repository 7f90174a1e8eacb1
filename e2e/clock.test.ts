import type { Page } from 'puppeteer-core';
import { address, newVisit, openBrowser, openStep, press, see, seriousFindings, signIn, type Session } from './harness';

let session: Session;
let page: Page;
beforeAll(async () => {
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(() => session.close());

const headline = () => page.$eval('section[aria-label="Time axis"] header [role=status]', (own) => (own as HTMLElement).innerText.replace(/\s+/g, ' '));
const searched = () => page.waitForFunction(() => /Proved|The best within the time/.test((document.querySelector('section[aria-label="Compared"]') as HTMLElement | null)?.innerText ?? ''), { timeout: 30_000 });

test('a full head is staged so that no foil stays on too long; fewer foils need fewer stages', async () => {
  const visit = await newVisit(page, 'Timed Wholly');
  await openStep(page, visit, 'clock');
  await searched();
  expect(await headline()).toMatch(/No foil stays on too long \d+ rinse stages; foiled after .*, rinsed after /);
  const stages = async () => Number(/(\d+) rinse/.exec(await headline())![1]);
  const full = await stages();
  expect(full).toBeGreaterThan(2);
  await see(page, 'too many foils for one time on');
  const steps = await page.$$eval('section[aria-label="Order of work"] li', (items) => items.map((own) => (own as HTMLElement).innerText.replace(/\s+/g, ' ')));
  expect(steps[0]).toMatch(/^0 Foil /);
  expect(steps.filter((words) => / Rinse /.test(words))).toHaveLength(full);
  // The minutes of the list never go back.
  const minutes = steps.map((words) => Number(words.split(' ')[0]));
  expect([...minutes].sort((a, b) => a - b)).toEqual(minutes);
  await press(page, 'Best order found');
  expect(await headline()).toMatch(/No foil stays on too long/);
  expect(await seriousFindings(page)).toEqual([]);

  // A stronger mix is ready sooner, and the clock follows at once.
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
