import type { Page } from 'puppeteer-core';
import { CHAPTERS } from '@/core/consult';
import {
  address,
  answers,
  axeFindings,
  live,
  newVisit,
  openBrowser,
  press,
  see,
  signIn,
  type Session,
} from './harness';

/**
 * Every page and every part of a visit, walked through once at a desk and once by finger: what axe-core finds,
 * what runs out of the page, what is too small for a finger, and what the browser complains about.
 */
const PAGES = [
  'clients',
  'day',
  'day/week',
  'day/reminders',
  'day/preparation',
  'house',
  'house/products',
  'house/learnt',
  'house/people',
  'house/tokens',
  'house/trail',
  'me',
  'chair',
] as const;
const STEPS = {
  consult: CHAPTERS,
  pattern: [],
  wear: [],
  mix: ['lift', 'tone', 'price'],
  clock: [],
  record: [],
};

let session: Session;
let page: Page;
afterEach(() => session.close());

async function open(width: number, height: number): Promise<void> {
  session = await openBrowser(width, height, { keeps: true });
  ({ page } = session);
}

/** Opens every page and every part of a visit, each as it stands when it answers. */
async function* stops(visit: string): AsyncGenerator<{ name: string; step: boolean }> {
  for (const route of PAGES) {
    await page.goto(`${address()}/${route}`);
    await answers(page, 'main button, main a');
    yield { name: route, step: false };
  }
  // A client with a history, and the record of their last visit.
  await page.goto(`${address()}/clients`);
  await (await page.waitForSelector('::-p-text(Maren Tolland)'))!.click();
  await page.waitForSelector('section[aria-label=Story]');
  yield { name: 'a client with visits', step: false };
  await (await page.waitForSelector('a[href$="/record"]'))!.click();
  await live(page);
  yield { name: 'a recorded visit', step: true };
  for (const [step, parts] of Object.entries(STEPS)) {
    await page.goto(`${address()}/visits/${visit}/${step}`);
    await live(page);
    yield { name: step, step: true };
    for (const part of parts) {
      await page.evaluate((hash) => (location.hash = hash), part);
      await page.waitForSelector(`[aria-current=true][href="#${part}"]`);
      yield { name: `${step}#${part}`, step: true };
    }
  }
}

/**
 * What lies off the page to the side, px, and whether the page itself scrolls. A phone zooms out of a page that
 * is too wide: its window grows with it, its layout does not.
 */
const spread = () =>
  page.evaluate(() => ({
    sideways: document.documentElement.scrollWidth - document.documentElement.clientWidth,
    down: document.documentElement.scrollHeight - window.innerHeight,
  }));

/**
 * Targets under 44 px, with the room around them that answers as well; links within text are as high as their
 * line.
 */
const small = () =>
  page.evaluate(() => {
    const out: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>(
      'button, a[href], input, select, textarea, summary, [role=slider]:not(g), [role=switch], [role=radio], [role=menuitem]',
    )) {
      const box = element.getBoundingClientRect();
      const style = getComputedStyle(element);
      if (
        box.width === 0 ||
        box.height === 0 ||
        style.visibility === 'hidden' ||
        element.closest('[aria-hidden=true]')
      )
        continue;
      if (element instanceof HTMLInputElement && ['file', 'hidden'].includes(element.type)) continue;
      if (element instanceof HTMLAnchorElement && style.display === 'inline') continue;
      const after = getComputedStyle(element, '::after');
      const reach = after.content !== 'none' && after.position === 'absolute' ? -parseFloat(after.top) : 0;
      const [width, height] = [box.width + 2 * Math.max(0, reach), box.height + 2 * Math.max(0, reach)];
      if (Math.min(width, height) < 43.5)
        out.push(
          `${element.tagName.toLowerCase()} ${(element.getAttribute('aria-label') ?? element.innerText).slice(0, 30)} ${Math.round(width)} × ${Math.round(height)}`,
        );
    }
    return out;
  });

/** Waits until a size is drawn: what moves with it has come to rest. */
async function sized(width: number, height: number, finger: boolean): Promise<void> {
  await page.setViewport({ width, height, hasTouch: finger, isMobile: finger });
  await page.waitForFunction((wanted) => document.documentElement.clientWidth === wanted, {}, width);
  await new Promise((resolve) => setTimeout(resolve, 250));
}

test('at a desk no page and no part has a finding of any grade, nor runs out at that size or at twice the size', async () => {
  await open(1280, 800);
  await signIn(page);
  const visit = await newVisit(page, 'Any Grade', null);
  const found: string[] = [];
  for await (const { name, step } of stops(visit)) {
    if (name === 'mix#tone') {
      for (const words of ['Add a toner', 'Root shadow', 'Add a recipe', 'Bleach wash'])
        await press(page, words);
      await see(page, 'Level 6');
    }
    found.push(...(await axeFindings(page, ['light', 'dim'])).map((axeFinding) => `${name}: ${axeFinding}`));
    const { sideways, down } = await spread();
    if (sideways > 0) found.push(`${name}: ${sideways} px off to the side`);
    if (step && down > 0) found.push(`${name}: the page itself scrolls by ${down} px`);
    // At twice the size there is half the room.
    await sized(640, 400, false);
    const wide = (await spread()).sideways;
    if (wide > 0) found.push(`${name}, at twice the size: ${wide} px off to the side`);
    await sized(1280, 800, false);
  }
  expect(found).toEqual([]);
  // One scale serves whoever asks first: that another has it is said on the screen.
  expect(session.complaints.filter((complaint) => !complaint.includes('/api/scale'))).toEqual([]);
});

test('on a phone and on a tablet nothing lies off the page, the header stays, and nothing is under 44 px', async () => {
  await open(390, 844);
  await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
  await signIn(page);
  const visit = await newVisit(page, 'Any Size', null);
  const found: string[] = [];
  for await (const { name, step } of stops(visit))
    for (const [width, height] of [
      [1024, 768],
      [390, 844],
    ]) {
      await sized(width, height, true);
      const { sideways, down } = await spread();
      const at = `${name}, ${width} × ${height}`;
      if (sideways > 0) found.push(`${at}: ${sideways} px off to the side`);
      if (step && down > 0) found.push(`${at}: the page itself scrolls by ${down} px`);
      found.push(...(await small()).map((own) => `${at}: ${own}`));
    }
  expect(found).toEqual([]);
});
