import { execFileSync } from 'node:child_process';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { CHAPTERS } from '@/core/consult';
import { readHouse, saveHouse } from '@/data/house';
import { signedIn } from '@/data/testing/actor';
import type { House } from '@/core/visit';
import {
  address,
  begin,
  chapter,
  live,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  signIn,
  type Session,
  dialogClosed,
  waitForNamed,
} from './harness';

/**
 * Every screen of a house that says inches, ounces, per cent and degrees Fahrenheit, months first and hours
 * twice to twelve.
 */
let session: Session;
let page: Page;
let before: House;
const EMAIL = 'ottilie@fernhollow.example';
async function setHouse(change: (house: House) => House): Promise<void> {
  const actor = await signedIn(EMAIL);
  const { revision, document } = await readHouse(actor);
  before ??= document;
  if (!(await saveHouse(actor, revision, change(document))).ok)
    throw new Error('The house could not be set.');
}
beforeAll(async () => {
  session = await openBrowser();
  ({ page } = session);
  await signIn(page);
});
afterAll(() => session.close());

/** Figures in the other system, and units that stand alone beside a field. */
const METRIC = String.raw`\d\s?(mm|cm|vol|g|°C)(?![\w²/])|^(mm|vol|g|°C)$`;
/** Days before months, and hours to 24; 12:40 of 20 min are minutes and seconds. */
const DAY_FIRST = String.raw`\b\d{1,2} (Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)\b`;
const HOURS_TO_24 = String.raw`\b\d\d:\d\d\b(?! ?[AaPp][Mm]| of)`;

/**
 * What of a page is still said in millimetres, grams, volumes or degrees Celsius: texts, names and
 * placeholders.
 */
const offenders = () =>
  page.evaluate((source) => {
    const wrong = new RegExp(source);
    const out = new Set<string>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const { parentElement, textContent } = node;
      // What people wrote, and what a scale or a table holds, is as it was written.
      if (!parentElement || parentElement.closest('script, style, textarea, [data-as-written]')) continue;
      const text = (textContent ?? '').trim();
      if (wrong.test(text)) out.add(text.slice(0, 120));
    }
    for (const element of document.querySelectorAll(
      '[aria-label], [placeholder], [title], [aria-valuetext]',
    )) {
      if (element.closest('[data-as-written]')) continue;
      for (const name of ['aria-label', 'placeholder', 'title', 'aria-valuetext']) {
        const text = element.getAttribute(name) ?? '';
        if (wrong.test(text)) out.add(`${name}: ${text.slice(0, 120)}`);
      }
    }
    return [...out];
  }, [METRIC, DAY_FIRST, HOURS_TO_24].join('|'));

test.each([
  [1280, 800],
  [390, 844],
])('at %i × %i, every screen, field and card follows the house', async (width, height) => {
  await page.setViewport({ width, height, isMobile: width < 500, hasTouch: width < 500 });
  await setHouse((house) => ({
    ...house,
    units: 'in',
    measures: { amounts: 'oz', strengths: '%', temperatures: 'F' },
    calendar: { ...house.calendar, dates: 'month-day', hours: '12' },
  }));
  try {
    expect(await screens(width < 500)).toEqual({});
  } finally {
    await setHouse(() => before);
  }
});

/** Words of a printed sheet. */
async function printed(at: string): Promise<string> {
  const bytes = await page.evaluate(
    async (own) => [...new Uint8Array(await (await fetch(own)).arrayBuffer())],
    at,
  );
  return JSON.parse(
    execFileSync(process.execPath, [path.join(import.meta.dirname, 'pdf-text.mjs')], {
      input: Buffer.from(bytes),
      encoding: 'utf8',
    }),
  ).text as string;
}

/** Metric figures in a text that is no page, but for the names of products, which are their makers'. */
const misfits = (text: string) =>
  [
    ...text
      .replace(/Moth developer \d+ vol|Foil \d+ × \d+ mm/g, '')
      .matchAll(/.{0,20}\d\s?(mm|cm|vol|g|°C)(?![\w²/])/g),
  ].map(([own]) => own);

/** What each screen still says in metric units; on a phone, of those that are laid out another way there. */
async function screens(narrow: boolean): Promise<Record<string, string[]>> {
  const visit = await newVisit(page, 'Other Measures', null);
  const found: Record<string, string[]> = {};
  const look = async (name: string) => {
    const own = await offenders();
    if (own.length > 0) found[name] = own;
  };
  await openStep(page, visit, 'consult');
  for (const key of CHAPTERS) {
    await chapter(page, key);
    await look(`consult ${key}`);
  }
  await openStep(page, visit, 'pattern');
  await look('pattern');
  await press(page, 'All totals');
  await page.waitForSelector('::-p-text(Hair picked)');
  await look('all totals');
  await page.keyboard.press('Escape');
  if (narrow) {
    for (const sheet of ['Panels', 'Recipe']) {
      await press(page, sheet);
      await page.waitForSelector('[role=dialog]');
      await look(sheet);
      await page.keyboard.press('Escape');
      await dialogClosed(page);
    }
    await press(page, 'Panels');
    for (const step of ['wear', 'mix', 'clock', 'record'] as const) {
      await openStep(page, visit, step);
      await look(step);
    }
    return found;
  }
  await press(page, 'Library …');
  await see(page, 'Suggested for this visit');
  await look('library');
  await page.keyboard.press('Escape');
  await openStep(page, visit, 'wear');
  await look('wear');
  await press(page, 'Show the client');
  await see(page, 'For the client');
  await look('show the client');
  await page.keyboard.press('Escape');
  await openStep(page, visit, 'mix');
  await press(page, 'Target, additives, ends, again, warmth');
  for (const name of ['Another mix on the ends of A', 'Second application of A', 'Warmth on formula A'])
    await (await waitForNamed(page, name)).click();
  await saved(page);
  await look('mix bowls');
  await page.goto(`${address()}/visits/${visit}/mix#tone`);
  await live(page);
  await press(page, 'Add a toner');
  await press(page, 'Root shadow');
  await saved(page);
  await look('mix tone');
  for (const sheet of ['lift', 'price']) {
    await page.goto(`${address()}/visits/${visit}/mix#${sheet}`);
    await live(page);
    await look(`mix ${sheet}`);
  }
  for (const form of ['mix.pdf', 'pattern.pdf', 'again.pdf']) {
    const own = misfits(await printed(`/visits/${visit}/sheet/${form}`));
    if (own.length > 0) found[form] = own;
  }
  for (const at of [`/visits/${visit}/sheet/foils.csv`, '/api/products', '/api/to-buy']) {
    const [head, ...rows] = (await page.evaluate(async (own) => (await fetch(own)).text(), at)).split('\r\n');
    // The heading names no metric unit; where a row has a unit of its own, it is ounces or sheets.
    const own = [
      ...misfits(rows.join('\n')),
      ...(/ (mm|cm|g|°C)\b|grams/.test(head) ? [head] : []),
      ...rows.filter((row) => row.endsWith(',g')),
    ];
    if (own.length > 0) found[at] = own;
  }
  await openStep(page, visit, 'clock');
  await see(page, 'Step by step');
  await look('clock');
  await openStep(page, visit, 'record');
  await begin(page);
  await look('record');
  await press(page, 'Find again …');
  await page.waitForSelector('[role=dialog]');
  await look('find again');
  await page.keyboard.press('Escape');
  await page.goto(`${address()}/chair?visit=${visit}`);
  await live(page);
  await look('chair, start');
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await press(page, 'Start');
  await page.waitForSelector('[aria-label=Mix]');
  await look('chair, foil');
  // With a foil on the head: every sheet of the chair.
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await page.keyboard.press('Space');
  await see(page, 'Foil 2');
  for (const sheet of [
    'Check',
    'Rinse all now',
    'More',
    'Skip this foil',
    'Steps after the foils',
    'More minutes …',
    'Second application …',
    'Another strength …',
    'Another panel next',
    'Open foils',
  ]) {
    if (!['Check', 'Rinse all now', 'More'].includes(sheet)) await press(page, 'More');
    await press(page, sheet);
    await page.waitForSelector('[role=dialog]');
    await look(`chair, ${sheet}`);
    if (sheet === 'Steps after the foils') {
      await press(page, 'Add a step');
      await see(page, 'Something else');
      await look('chair, add a step');
    }
    await page.keyboard.press('Escape');
    await dialogClosed(page);
  }
  await page.goto(`${address()}/house`);
  await see(page, 'Save for the house');
  await look('house');
  await page.goto(`${address()}/house/products`);
  await see(page, 'Lighteners');
  await look('products');
  for (const at of [
    'day',
    'day/week',
    'day/preparation',
    'day/reminders',
    'house/learnt',
    'house/people',
    'house/trail',
    'me',
    'clients',
  ]) {
    await page.goto(`${address()}/${at}`);
    await page.waitForSelector('main h1');
    await look(at);
  }
  await (await page.waitForSelector('::-p-text(Maren Tolland)'))!.click();
  await see(page, 'Root line, estimated');
  await look('client');
  return found;
}
