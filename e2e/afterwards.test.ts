import { execFileSync } from 'node:child_process';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { recordOf, serviceState } from '@/core/chair';
import { EMPTY_MIX, startPlan } from '@/core/formats';
import { lightenerWith, tonerFor } from '@/core/mix/testing';
import { USUAL_RANGE } from '@/core/products';
import { withProducts } from '@/core/visit';
import { createPatternEngine, type Plan } from '@/core/pattern';
import { pass, served, stateOf } from './at-the-chair';
import { later, withClock } from './later';
import {
  address,
  begin,
  live,
  newVisit,
  openBrowser,
  openStep,
  see,
  axeFindings,
  signIn,
  type Session,
  dialogClosed,
  waitForNamed,
  put,
  sendPart,
} from './harness';

/** Three places, each with minutes of its own. */
const TONERS = [
  tonerFor('long', 20, { lengths: ['mids', 'ends'] }),
  tonerFor('roots', 10, { lengths: ['roots'] }),
  tonerFor('side', 5, { side: 'left' }),
];

function fewFoils(): Plan {
  const plan = startPlan();
  const own = {
    ...plan,
    panels: plan.panels
      .map((panel) => ({ ...panel, spacing: { kind: 'constant' as const, dropoutMm: 60 } }))
      .slice(0, 2),
  };
  return own;
}

let station: Session;
let tablet: Session;
beforeAll(async () => {
  later(0);
  station = await openBrowser();
  tablet = await openBrowser();
  for (const { page } of [station, tablet]) {
    await page.setViewport({ width: 1024, height: 768, hasTouch: true });
    await withClock(page);
  }
  await signIn(station.page);
  await signIn(tablet.page, 'bram@fernhollow.example');
});
afterAll(async () => {
  later(0);
  await Promise.all([station?.close(), tablet?.close()]);
});

/** The service as the server has it, once it is so. */
async function stateWhen(
  page: Page,
  visit: string,
  fits: (state: Awaited<ReturnType<typeof stateOf>>) => boolean,
) {
  for (let tries = 0; tries < 100; tries += 1) {
    const state = await stateOf(page, visit);
    if (fits(state)) return state;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('The server never had it so.');
}
const sent = (page: Page) =>
  page.waitForFunction(() => document.querySelector('[aria-label=Connection]')?.textContent === 'Live');

/** Touches the button of this name; the large action is touched no sooner than a hand would again. */
async function touch(page: Page, name: string): Promise<void> {
  await (await waitForNamed(page, name, 'button')).tap();
}
/** Reaches the button of this name by Tab alone, and presses it. */
async function key(page: Page, name: string): Promise<void> {
  const wanted = await waitForNamed(page, name, 'button');
  for (let tries = 0; tries < 120; tries += 1) {
    if (await wanted.evaluate((element) => element === document.activeElement))
      return page.keyboard.press('Enter');
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab never came to ${name}.`);
}

async function act(page: Page, name: string, minutes = 1): Promise<void> {
  await pass(page, minutes);
  await touch(page, name);
}

/** The one large action. */
const ACTION = 'section[aria-label=Now] > button:last-of-type';

/** Does what the large action says until it says something else. */
async function through(page: Page, until: string): Promise<void> {
  for (let tries = 0; tries < 60; tries += 1) {
    const words = await page.$eval(ACTION, (element) => element.textContent ?? '');
    if (words === until) return;
    if (words === 'Wait') await pass(page, 2);
    else {
      await pass(page, words === 'The last panel runs clear' ? 12 : 0);
      await page.tap(ACTION);
    }
    await new Promise((resolve) => setTimeout(resolve, 300));
  }
  throw new Error(`It never said ${until}.`);
}

/** Buttons that are smaller than a finger, by their words. */
const small = (page: Page) =>
  page.$$eval('button, a, select, input:not([type=file]), label:has(input[type=file])', (all) =>
    all.flatMap((element) => {
      const { width, height } = element.getBoundingClientRect();
      return width > 0 && height > 0 && height < 44
        ? [`${element.getAttribute('aria-label') ?? element.textContent}: ${Math.round(height)}`]
        : [];
    }),
  );

test('from the foils to the finish on a tablet: everything that is decided at the basin is called, timed and recorded', async () => {
  const { page, complaints } = station;
  const visit = await newVisit(page, 'Afterwards Wholly', null);
  const plan = fewFoils();
  const foils = createPatternEngine().compute(plan).sheet.foils.length;
  expect(foils).toBeGreaterThan(4);
  await put(page, visit, 'plan', plan);
  await put(page, visit, 'mix', withProducts({ ...EMPTY_MIX, toners: TONERS }, USUAL_RANGE));
  await openStep(page, visit, 'record');
  await begin(page);
  for (const own of [page, tablet.page]) {
    await own.goto(`${address()}/chair?visit=${visit}`);
    await live(own);
  }
  await act(page, 'Start', 0);
  for (let i = 1; i <= foils; i += 1) await act(page, `Foil ${i} placed`);
  await sent(page);

  // A foil is opened and wiped, another is checked: five minutes more for what is on, with the reason.
  await touch(page, 'More');
  expect(await small(page)).toEqual([]);
  await touch(page, 'More minutes …');
  expect(await axeFindings(page)).toEqual([]);
  await touch(page, 'Not there yet');
  await touch(page, 'Check');
  await touch(page, 'Level 8 seen');
  expect(await small(page)).toEqual([]);
  await touch(page, 'Rinse');
  await dialogClosed(page);
  const box = (await (await page.waitForSelector(ACTION))!.boundingBox())!;
  expect(box.height).toBeGreaterThanOrEqual(64);
  expect(box.y + box.height).toBeLessThanOrEqual(768);
  await through(page, 'Wash and treat: begun');
  await act(page, 'Wash and treat: begun', 0);
  await act(page, 'Wash and treat: done', 8);
  await see(page, 'Mid-lengths and ends');

  // At the basin: the ends are stuck. A bleach wash is added there, and the second device shows it.
  await touch(page, 'Add a step');
  expect(await small(page)).toEqual([]);
  await touch(page, 'Bleach wash, ends');
  await touch(page, 'Add it next');
  await see(tablet.page, 'Bleach wash, ends');
  await act(page, 'Bleach wash on', 0);

  // The network goes. What is done meanwhile is kept, and sent when it is back.
  await page.setOfflineMode(true);
  await act(page, 'Bleach wash: done', 12);
  await touch(page, 'Add a step');
  await touch(page, 'Rinse');
  await touch(page, 'Add it next');
  await act(page, 'Rinse: begun', 0);
  await act(page, 'Rinse: done', 3);
  // Three places: the longest first, each so that all are done together.
  await act(page, 'Toner on', 0);
  await see(page, 'Next: Toner, at');
  expect(await axeFindings(page)).toEqual([]);
  await page.setOfflineMode(false);
  await sent(page);
  await act(page, 'Toner on', 10.1);
  await act(page, 'Toner on', 5);
  await pass(page, 4.9);
  await see(page, 'Rinse the colour');
  await act(page, 'Rinse the colour: begun', 0);
  const toned = (
    await stateWhen(page, visit, ({ steps }) =>
      steps.some(({ step, begunAt }) => step.id === 'rinse' && begunAt !== null),
    )
  ).steps.filter(({ step }) => step.kind === 'toner');
  // Done together, each after its own minutes; the taps themselves take a moment.
  expect(new Set(toned.map(({ doneAt }) => doneAt)).size).toBe(1);
  toned.forEach(({ begunAt, doneAt }, i) =>
    expect(Math.abs((doneAt! - begunAt!) / 60_000 - [20, 10, 5][i])).toBeLessThan(2),
  );
  await act(page, 'Rinse the colour: done', 5);

  // The second device takes the step: a root tap on the first 40 mm, beside which everything goes on.
  await sent(page);
  await touch(tablet.page, 'Add a step');
  await touch(tablet.page, 'Root tap, roots, first 40 mm behind the front hairline');
  await see(tablet.page, 'first 40 mm behind the front hairline');
  await touch(tablet.page, 'Add it next');
  await sent(tablet.page);
  await act(page, 'Root tap on', 0);
  await act(page, 'Root tap: done', 10);
  await act(page, 'Dry: begun', 0);
  await act(page, 'Dry: done', 25);

  // A spot, on dry hair.
  await see(page, 'Everything is done');
  await touch(page, 'Add a step');
  await touch(page, 'Spot repair, one spot');
  await touch(page, 'Add it next');
  await act(page, 'Spot repair on', 0);
  await act(page, 'Spot repair: done', 5);
  await act(page, 'Finish', 0);
  await see(page, 'Recorded');
  await stateWhen(page, visit, ({ finishedAt }) => finishedAt !== null);

  const { script, events } = await served(page, visit);
  expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
  const record = recordOf(script, serviceState(script, events));
  expect(record.placed).toBe(foils);
  for (const words of [
    /Bleach wash, ends \(added\) 1\d min: 11 g Moth blue powder, 11 g Moth developer 20 vol, 11 g Rill plain shampoo, 10 g Water/,
    /Toner, mid-lengths and ends \d+ min: 13 g Sedge 9 violet/,
    /Toner, roots 1?\d min: /,
    /Toner, left side \d min: /,
    /Root tap, roots, first 40 mm behind the front hairline \(added\) 1\d min: /,
    /Spot repair, one spot \(added\) \d min: .*, on dry hair/,
    new RegExp(`5 min more for ${foils} foils: Not there yet\\.`),
  ])
    expect(record.summary).toMatch(words);

  // The record says it all.
  await openStep(page, visit, 'record');
  const done = await page.$eval('textarea', (element) => (element as HTMLTextAreaElement).value);
  for (const words of ['Bleach wash, ends', 'Root tap', 'Spot repair', 'on dry hair'])
    expect(done).toContain(words);
  // So does the printed card by which it is repeated.
  const pdf = await page.evaluate(
    async (id) => [...new Uint8Array(await (await fetch(`/visits/${id}/sheet/again.pdf`)).arrayBuffer())],
    visit,
  );
  const print = execFileSync(process.execPath, [path.join(import.meta.dirname, 'pdf-text.mjs')], {
    input: Buffer.from(pdf),
    encoding: 'utf8',
  });
  for (const words of ['Bleach wash, ends', 'Root tap, roots, first 40 mm', 'Spot repair, one spot'])
    expect((JSON.parse(print) as { text: string }).text.replace(/\s+/g, ' ')).toContain(words);
  expect(
    complaints.filter(
      (complaint) =>
        !complaint.includes('ERR_INTERNET_DISCONNECTED') && !complaint.includes('Failed to fetch'),
    ),
  ).toEqual([]);
});

test('Mix stays open during a service for what was not used: a toner that is added there arrives at the chair; all of it by keyboard', async () => {
  const { page } = station;
  const visit = await newVisit(page, 'Mixed Meanwhile', null);
  await put(page, visit, 'plan', fewFoils());
  await put(page, visit, 'mix', withProducts({ ...EMPTY_MIX, toners: TONERS.slice(0, 1) }, USUAL_RANGE));
  await openStep(page, visit, 'record');
  await begin(page);
  await page.goto(`${address()}/chair?visit=${visit}`);
  await live(page);
  await key(page, 'Start');
  await pass(page, 1);
  await key(page, 'Foil 1 placed');
  await sent(page);
  await openStep(tablet.page, visit, 'mix');
  await see(tablet.page, 'Formula A was used');
  // Formula A is on the head: it is refused in a sentence. A second toner is not.
  const { mix } = await tablet.page.evaluate(
    async (id) =>
      (await fetch(`/api/visits/${id}`)).json() as Promise<{ mix: { document: typeof EMPTY_MIX } }>,
    visit,
  );
  const stronger = lightenerWith({ volumes: 30 });
  expect(
    await sendPart(
      tablet.page,
      visit,
      'mix',
      withProducts({ ...mix.document, formulas: { A: stronger } }, USUAL_RANGE),
    ),
  ).toMatchObject({ answer: { problem: expect.stringContaining('Formula A was used') } });
  await put(tablet.page, visit, 'mix', withProducts({ ...mix.document, toners: TONERS }, USUAL_RANGE));
  await key(page, 'More');
  await key(page, 'Steps after the foils');
  await see(page, 'Toner, left side');
  // Another strength from here on is decided at the chair.
  await page.keyboard.press('Escape');
  await key(page, 'More');
  await key(page, 'Another strength …');
  await key(page, '30 vol');
  await key(page, 'Lifts slower than thought');
  await pass(page, 0);
  await key(page, 'Bowl A mixed');
  await sent(page);
  const state = await stateWhen(page, visit, ({ bowls }) => bowls.length > 1);
  const units = state.blocks.flatMap((block) => block.units);
  expect(units.map(({ unit }) => unit.mix.match(/\d+ vol/)![0])).toEqual([
    '20 vol',
    ...units.slice(1).map(() => '30 vol'),
  ]);
});
