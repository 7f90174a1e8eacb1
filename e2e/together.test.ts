import { readVisit } from '@/data/visits';
import { signedIn } from '@/data/testing/actor';
import {
  apart,
  axeFindings,
  chapter,
  fill,
  foilCount,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  signIn,
  slide,
  type Session,
} from './harness';

let first: Session;
let second: Session;
beforeAll(async () => {
  [first, second] = [await openBrowser(), await openBrowser()];
  await signIn(first.page);
  await signIn(second.page, 'bram@fernhollow.example');
});
afterAll(async () => {
  await first.close();
  await second.close();
});

const drop = ({ page }: Session, presses: number) => slide(page, 'Drop-out', presses);
/** One step, however slow the machine: presses that come slowly are steps of their own. */
const typeDropOut = async ({ page }: Session, text: string) => {
  await fill(page, 'Drop-out, typed', text);
  await page.keyboard.press('Enter');
};
const both = async (name: string, step: 'pattern' | 'consult' | 'mix') => {
  const visit = await newVisit(first.page, name, null);
  for (const { page } of [first, second]) await openStep(page, visit, step);
  return visit;
};
/** Waits until a page says who else is there. */
const hears = ({ page }: Session, words: string) =>
  page.waitForFunction(
    (own) =>
      document.querySelector('header [title^="Also here:"]')?.getAttribute('title') === `Also here: ${own}`,
    {},
    words,
  );

test('two on one visit see who is there and where, and that the other has gone', async () => {
  const visit = await both('Seen Together', 'pattern');
  await hears(first, 'Bram Vale-Osei in Pattern, Back');
  await hears(second, 'Ottilie Marsh in Pattern, Back');
  await press(second.page, 'Mix');
  await hears(first, 'Bram Vale-Osei in Mix');
  await openStep(second.page, visit, 'wear');
  await hears(first, 'Bram Vale-Osei in Wear');
  await first.page.click('header [title^="Also here:"]');
  await see(first.page, 'What they change appears here by itself.');
  expect(await axeFindings(first.page)).toEqual([]);
  await first.page.keyboard.press('Escape');
  await second.page.goto('about:blank');
  await first.page.waitForFunction(() => document.querySelector('header [title^="Also here:"]') === null);
});

test('what one changes is there for the other within a second; a step back undoes one’s own work only', async () => {
  const visit = await both('Within A Second', 'pattern');
  await hears(first, 'Bram Vale-Osei in Pattern, Back');
  // Both work at once, on different figures of one panel.
  await Promise.all([typeDropOut(second, '9'), slide(first.page, 'Thickness', 2)]);
  for (const { page } of [first, second]) await see(page, '5 + 9 mm');
  for (const { page } of [first, second]) await saved(page);
  expect(await foilCount(first.page)).toBe(await foilCount(second.page));

  const times: number[] = [];
  for (let i = 0; i < 5; i += 1) {
    const there = second.page.waitForFunction(
      (foils) => document.querySelector('#total-foils')?.textContent !== String(foils),
      { polling: 20 },
      await foilCount(second.page),
    );
    await drop(first, 2);
    const from = Date.now();
    await there;
    times.push(Date.now() - from);
    await saved(first.page);
  }
  console.log(`an edit is seen by the other after ${times.join(', ')} ms`);
  expect(times.sort((a, b) => a - b)[2]).toBeLessThan(WITHIN_MS);

  await press(second.page, 'Undo: drop-out 5 mm → 9 mm, Back');
  await saved(second.page);
  const { plan } = (await readVisit(await signedIn('ottilie@fernhollow.example'), visit))!;
  expect(plan.document.panels[0].thicknessMm).toBe(5);
  for (const { page } of [first, second]) expect(await page.$('[aria-label="Your draft"]')).toBeNull();
});

/** The middle of five, on a machine that draws two browsers without a graphics card beside other tests. */
const WITHIN_MS = 1000;

test('notes and wishes of two come together; where both wrote the same field, both are kept', async () => {
  const visit = await both('Both Write', 'consult');
  await apart(second, async () => {
    await chapter(first.page, 'map');
    await fill(first.page, 'Temple', '14');
    await saved(first.page);
    await chapter(second.page, 'map');
    await fill(second.page, 'Crown', '20');
  });
  await second.page.waitForFunction(
    () =>
      document.querySelector('[data-zone="temple-l"]')?.getAttribute('aria-label') === 'Temple, left: 14 mm',
  );
  await saved(second.page);
  await first.page.waitForFunction(
    () => document.querySelector('[data-zone="crown"]')?.getAttribute('aria-label') === 'Crown: 20 mm',
  );
  expect(await second.page.$('[aria-label="Your draft"]')).toBeNull();

  await apart(second, async () => {
    await fill(first.page, 'Crown', '22');
    await saved(first.page);
    await fill(second.page, 'Crown', '25');
  });
  await see(second.page, 'You and somebody else changed the same thing in the consultation.');
  await see(second.page, 'regrowth, crown: yours 25 mm, saved 22 mm');
  const { consult } = (await readVisit(await signedIn('bram@fernhollow.example'), visit))!;
  expect(consult.document.regrowthMm.crown).toBe(22);
});
