import type { CDPSession, Page } from 'puppeteer-core';
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
 * Every page and every part of a visit, walked through once, at a desk and by finger: what axe-core finds,
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
afterAll(() => session?.close());

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

/** Fingers instead of a mouse, or the mouse again: by the browser itself, since a new viewport loads the page anew. */
async function byFinger(client: CDPSession, finger: boolean): Promise<void> {
  await client.send('Emulation.setTouchEmulationEnabled', {
    enabled: finger,
    maxTouchPoints: finger ? 5 : 1,
  });
  await page.waitForFunction((wanted) => matchMedia('(pointer: coarse)').matches === wanted, {}, finger);
}

/** Waits until a size is drawn: what moves with it has come to rest. */
async function sized(client: CDPSession, width: number, height: number, mobile: boolean): Promise<void> {
  await client.send('Emulation.setDeviceMetricsOverride', { width, height, mobile, deviceScaleFactor: 1 });
  await page.waitForFunction((wanted) => document.documentElement.clientWidth === wanted, {}, width);
  await new Promise((resolve) => setTimeout(resolve, 250));
}

test('no page and no part has a finding of any grade, runs out at any size, or has anything under 44 px for a finger', async () => {
  session = await openBrowser(1280, 800, { keeps: true });
  ({ page } = session);
  await signIn(page);
  const client = await page.createCDPSession();
  const visit = await newVisit(page, 'Any Grade', null);
  const found: string[] = [];
  const fits = async (at: string, step: boolean) => {
    const { sideways, down } = await spread();
    if (sideways > 0) found.push(`${at}: ${sideways} px off to the side`);
    if (step && down > 0) found.push(`${at}: the page itself scrolls by ${down} px`);
  };
  for await (const { name, step } of stops(visit)) {
    if (name === 'mix#tone') {
      for (const words of ['Add a toner', 'Root shadow', 'Add a recipe', 'Bleach wash'])
        await press(page, words);
      await see(page, 'Level 6');
    }
    found.push(...(await axeFindings(page, ['light', 'dim'])).map((axeFinding) => `${name}: ${axeFinding}`));
    await fits(name, step);
    // At twice the size there is half the room.
    await sized(client, 640, 400, false);
    await fits(`${name}, at twice the size`, false);
    await byFinger(client, true);
    for (const [width, height] of [
      [1024, 768],
      [390, 844],
    ]) {
      await sized(client, width, height, true);
      const at = `${name}, ${width} × ${height}`;
      await fits(at, step);
      found.push(...(await small()).map((own) => `${at}: ${own}`));
    }
    await byFinger(client, false);
    await sized(client, 1280, 800, false);
  }
  expect(found).toEqual([]);
  // One scale serves whoever asks first: that another has it is said on the screen.
  expect(session.complaints.filter((complaint) => !complaint.includes('/api/scale'))).toEqual([]);
});
