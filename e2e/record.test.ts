import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import type { ElementHandle, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { later } from './later';
import {
  address,
  at,
  begin,
  chapter,
  field,
  fill,
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
  dialogClosed,
  sendPart,
} from './harness';
import type { GrowthVisit } from '@/core/growth';
import type { Consult, Outcome } from '@/core/visit';
import { growthOf } from '@/core/visit/computed/growth';
import { signedIn } from '@/data/testing/actor';
import { readVisit } from '@/data/visits';

const WEEK = 7 * 86_400_000;
let session: Session;
let page: Page;
beforeAll(async () => {
  later(0);
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(async () => {
  later(0);
  await session?.close();
});

async function picture(): Promise<string> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-pose-')), 'front.png');
  await sharp({ create: { width: 160, height: 120, channels: 3, background: '#7a5a3c' } })
    .png()
    .toFile(file);
  return file;
}
const bundle = (visit: string) =>
  page.evaluate(
    async (id) =>
      (await (await fetch(`/api/visits/${id}`, { cache: 'no-store' })).json()) as {
        heldOn: string;
        client: { id: string };
        outcome: { document: Outcome } | null;
        history: GrowthVisit[];
        consult: { document: Consult };
      },
    visit,
  );
/** Growth as every step reckons it. */
const growthAt = ({ history, heldOn, consult }: Awaited<ReturnType<typeof bundle>>) =>
  growthOf({ history, heldOn, regrowthMm: consult.document.regrowthMm });
const recordedAs = (visit: string) =>
  page.waitForFunction(
    async (id) =>
      ((await (await fetch(`/api/visits/${id}`, { cache: 'no-store' })).json()) as { outcome: object | null })
        .outcome !== null,
    { polling: 300 },
    visit,
  );
/** What the growth of these intervals comes to, mm a week: the average head, corrected by each reading. */
function rateOf(intervals: readonly (readonly [weeks: number, mm: number])[]): number {
  const variance = (weeks: number) => 1 + (0.05 * 2.875 * weeks) ** 2;
  const sum = intervals.reduce((all, [weeks, mm]) => all + (weeks * mm) / variance(weeks), 2.875 / 0.46 ** 2);
  return sum / intervals.reduce((all, [weeks]) => all + weeks ** 2 / variance(weeks), 1 / 0.46 ** 2);
}
async function another(client: string): Promise<string> {
  await page.goto(`${address()}/clients/${client}`);
  await press(page, 'New visit');
  await at(page, /\/consult$/);
  await live(page);
  return new URL(page.url()).pathname.split('/')[2];
}
async function measured(mm: number, except: Record<string, number> = {}): Promise<void> {
  await chapter(page, 'map');
  await fill(page, 'Regrowth to paint', String(mm));
  await press(page, 'Whole head');
  for (const [family, own] of Object.entries(except)) await fill(page, family, String(own));
  await saved(page);
}

test('three visits months apart, different zones treated: regrowth, rate, retouch plan and next date as worked by hand', async () => {
  // The first: everything.
  const first = await newVisit(page, 'Threefold Sedge', 'record');
  await begin(page);
  await press(page, 'Record the visit');
  await recordedAs(first);
  const { client } = await bundle(first);

  // Eight weeks on 24 mm have grown; only the sides are done.
  later(8 * WEEK);
  const second = await another(client.id);
  // What is read in Consult is reckoned with in Record at once, without a reload.
  const reasons = async () => {
    await press(page, 'Record');
    await at(page, /\/record$/);
    const words = await (await page.waitForSelector('ul[aria-label="Why then"]'))!.evaluate(
      (element) => element.textContent,
    );
    await press(page, 'Consult');
    await at(page, /\/consult$/);
    return words;
  };
  await page.evaluate(() => Object.assign(window, { sameDocument: true }));
  const unread = await reasons();
  await measured(40);
  const read = await reasons();
  expect(read).not.toBe(unread);
  expect(await page.evaluate(() => 'sameDocument' in window)).toBe(true);
  await measured(24);
  await openStep(page, second, 'pattern');
  await press(page, 'Foil the panel Back');
  await saved(page);
  const sides = await foilCount(page);
  await openStep(page, second, 'record');
  await begin(page);
  await fill(page, 'What they said', 'Brighter at the temples, please.');
  await press(page, 'Everything else is good');
  await press(page, 'Before, Front: take');
  await (
    (await page.waitForSelector('[role=dialog] input[type=file]')) as ElementHandle<HTMLInputElement>
  ).uploadFile(await picture());
  await dialogClosed(page);
  await page.waitForSelector('button[aria-label="Before, Front: take again"]');
  await press(page, 'Record the visit');
  await recordedAs(second);
  const { zones } = (await bundle(second)).outcome!.document;
  expect(Object.keys(zones!)).toEqual(
    expect.arrayContaining(['temple-l', 'temple-r', 'front-l', 'lower-side-r']),
  );
  expect(zones!['occipital-l']).toBeUndefined();

  // Another eight weeks: the sides 25 mm, the rest sixteen weeks’ 49.
  later(16 * WEEK);
  const third = await another(client.id);
  const now = await bundle(third);
  const { heldOn } = now;
  const { expected } = growthAt(now);
  const before = rateOf([[8, 24]]);
  expect(expected['temple-l']!.mm).toBeCloseTo(8 * before, 6);
  // Measured at 24 in the second visit, and grown on.
  expect(expected['occipital-l']!.mm).toBeCloseTo(24 + 8 * before, 6);
  const touched = Object.entries({
    'front-hairline': 'Front hairline',
    temple: 'Temple',
    'ear-hairline': 'Ear hairline',
    front: 'Front',
    top: 'Top',
    crown: 'Crown',
    'upper-side': 'Upper side',
    'lower-side': 'Lower side',
  })
    .filter(([family]) => Object.keys(zones!).some((zone) => zone === family || zone === `${family}-l`))
    .map(([, name]) => name);
  await measured(49, Object.fromEntries(touched.map((name) => [name, 25])));

  // The old pattern on today’s head: the back was left alone, and shows its older regrowth.
  await openStep(page, third, 'pattern');
  await press(page, 'Library …');
  await press(page, 'From the record');
  await see(page, `${sides} foils placed`);
  const panels = () =>
    page.$$eval('table[aria-label="Panels since then"] tbody tr', (rows) =>
      rows.map((row) => (row as HTMLElement).innerText.replace(/\s+/g, ' ')),
    );
  expect(await panels()).toEqual([
    expect.stringMatching(/^Back 0 was not foiled$/),
    expect.stringMatching(/^Side, left \d+ 25 mm grown$/),
    expect.stringMatching(/^Side, right \d+ 25 mm grown$/),
  ]);
  await see(page, 'Left alone last time, and longer now:');
  expect(await page.$eval('[role=dialog]', (element) => (element as HTMLElement).innerText)).toMatch(
    /occipital, left.*\(49 mm\)/s,
  );
  await press(page, 'Fewer: growing out');
  await page.waitForFunction(
    (most) =>
      Number(
        /(\d+) foils \(now/.exec((document.querySelector('[role=dialog]') as HTMLElement).innerText)?.[1],
      ) < most,
    {},
    sides,
  );
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Repeat exactly');
  await page.$$eval('[role=dialog] button', (all) =>
    all.find((element) => element.textContent!.startsWith('Replace'))!.click(),
  );
  await dialogClosed(page);
  await press(page, 'Foil the panel Back');
  expect(await foilCount(page)).toBeGreaterThan(sides);
  await saved(page);

  // The same pose again, framed by the last one through the camera, and wiped from one to the other.
  await openStep(page, third, 'record');
  await press(page, 'Before, Front: take');
  await page.waitForSelector('[role=dialog] img[alt="The earlier picture"]');
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[role=dialog] button')].some(
      (element) => element.textContent === 'Take picture' && !(element as HTMLButtonElement).disabled,
    ),
  );
  await page.$$eval('[role=dialog] button', (all) =>
    all.find((element) => element.textContent === 'Take picture')!.click(),
  );
  await dialogClosed(page);
  await press(page, 'Compare Front');
  await page.waitForSelector('[role=slider][aria-label="Wipe: last visit and this one"]');
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await dialogClosed(page);

  // The record, with the next date as it is reckoned: the same weeks as Wear and Consult say.
  await openStep(page, third, 'consult');
  await chapter(page, 'upkeep');
  await press(page, '26 weeks');
  await saved(page);
  await openStep(page, third, 'record');
  await begin(page);
  const rate = rateOf([
    [8, 24],
    [8, 25],
    [16, 49],
  ]);
  const rootLine = () =>
    page.$$eval('ul[aria-label="Why then"] li', (all) =>
      all
        .map((element) => element.textContent!.replace(/^[^:]*: /, ''))
        .find((words) => words.includes('root line'))!,
    );
  const line = await rootLine();
  const [, weeks, soonest, latest, mm] =
    /^The root line shows .+ after about (\d+) weeks \((\d+)–(\d+)\), at about (\d+) mm of growth\.$/
      .exec(line)!
      .map(Number);
  expect(Math.abs(weeks - mm / rate)).toBeLessThan(0.7);
  expect(Math.abs(soonest - (0.75 * mm) / rate)).toBeLessThan(1);
  expect(Math.abs(latest - (1.25 * mm) / rate)).toBeLessThan(1);
  await press(page, 'Apply');
  const next = await (await field(page, 'Next visit')).evaluate((input) => input.value);
  expect(Math.abs((Date.parse(next) - Date.parse(heldOn)) / WEEK - weeks)).toBeLessThan(0.6);
  const sameOnWear = async (words: string) => {
    await openStep(page, third, 'wear');
    await page.waitForFunction(
      (own) =>
        (document.querySelector('[data-finding=root-line]') as HTMLElement | null)?.innerText.includes(own),
      {},
      words,
    );
  };
  await sameOnWear(line);
  await openStep(page, third, 'consult');
  await chapter(page, 'upkeep');
  await see(page, line);
  await openStep(page, third, 'record');
  await press(page, 'Apply');
  await page.select('select[aria-label="Level, Temple"]', '8.5');
  await page.select('select[aria-label="Tone, Temple"]', 'cool');
  await fill(page, 'Left at the root, Nape, mm', '4');
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Record the visit');
  await recordedAs(third);
  expect((await bundle(third)).outcome!.document).toMatchObject({
    nextOn: next,
    nextWhat: 'full',
    zones: { 'temple-l': { level: 8.5, tone: 'cool', leftMm: 0 }, 'nape-r': { leftMm: 4, measured: true } },
  });

  // As it was recorded, the line is the same on the record, on Wear and on the client's page.
  await openStep(page, third, 'record');
  const recordedLine = await rootLine();
  await sameOnWear(recordedLine);
  await page.goto(`${address()}/clients/${client.id}`);
  await see(page, recordedLine);

  // The story: the rate, and lines that part where the sides were done alone.
  await see(page, `${(rate * (365.25 / 12 / 7)).toFixed(1)} mm a month`);
  await see(page, 'from 3 measured intervals');
  await page.waitForSelector('section[aria-label=Story] [role=img][aria-label^="Regrowth by zone"]');
  expect(
    await page.$eval('section[aria-label=Story] [role=img][aria-label^="Regrowth by zone"]', (element) =>
      element.getAttribute('aria-label'),
    ),
  ).toMatch(/49 mm on/);
  // How far the goal is, by zone and by visit: level 8 was reached at the first visit.
  expect(await page.$eval('ol[aria-label=Targets]', (element) => (element as HTMLElement).innerText)).toMatch(
    /The goal level 8\s+Reached on \d+ \w+ \d{4}\.\s+2 of 2 zones/,
  );
  expect(await axeFindings(page)).toEqual([]);

  // How it is found again, on screen and as one page of print.
  await openStep(page, third, 'record');
  await press(page, 'Find again …');
  await see(page, 'Both sides: first parting on the hairline at the nape');
  // Beside the partings what an exact repeat needs.
  expect(
    await page.$eval('ul[aria-label="To repeat it"]', (element) => (element as HTMLElement).innerText),
  ).toMatch(
    /^A: .+, 20 vol, 1 : 2; \d+ foils, about \d+ g\.\s+Wash and treat: 30 g Rill mask; as the hair is, 8 min\.\s+Level 8 reached\./,
  );
  const pdf = await page.evaluate(
    async (id) => [...new Uint8Array(await (await fetch(`/visits/${id}/sheet/again.pdf`)).arrayBuffer())],
    third,
  );
  const print = JSON.parse(
    execFileSync(process.execPath, [path.join(import.meta.dirname, 'pdf-text.mjs')], {
      input: Buffer.from(pdf),
      encoding: 'utf8',
    }),
  ) as { pages: number; text: string };
  expect(print.pages).toBe(1);
  expect(print.text.replace(/\s+/g, ' ')).toMatch(
    /To find again: Threefold Sedge.*first parting on the hairline at the nape.*Level 8 reached.*temple 25 mm, 0 mm left/,
  );
  await page.keyboard.press('Escape');
  await dialogClosed(page);

  // Signed off, nothing changes any more; what is to be put right stands beside it.
  await press(page, 'Sign the record off');
  await see(page, 'Signed off by Ottilie Marsh');
  expect(await page.$('::-p-aria([name="Save the changes"])')).toBeNull();
  const { plan } = (await readVisit(await signedIn('ottilie@fernhollow.example'), third))!;
  expect(await sendPart(page, third, 'plan', { ...plan.document, name: 'Changed' })).toMatchObject({
    answer: { problem: expect.stringContaining('This visit is signed off and no longer changes') },
  });
  await (await field(page, 'Addendum')).type('The nape was left at 5 mm.');
  await press(page, 'Add to the record');
  await page.waitForFunction(() =>
    (document.querySelector('[aria-label=Addenda]') as HTMLElement | null)?.innerText.includes(
      'left at 5 mm',
    ),
  );
  await page.reload();
  await see(page, 'The nape was left at 5 mm.');
  expect(await axeFindings(page)).toEqual([]);
  expect(session.complaints.filter((complaint) => !complaint.includes('409'))).toEqual([]);
});
