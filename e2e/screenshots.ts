import path from 'node:path';
import {
  at,
  begin,
  chapter,
  openBrowser,
  openStep,
  press,
  signInByHand,
  visitByHand,
  waitForNamed,
} from './harness';
import { advance, later, withClock } from './later';

/**
 * Takes one picture of each main view from the demo data into docs/screenshots/.
 * bin/start must be running; where it is not on the usual port, its address follows: `npm run screenshots --
 * http://127.0.0.1:4700`.
 */
process.env.LATTICE_TEST_ADDRESS ??= process.argv[2] ?? 'http://127.0.0.1:4600';

const folder = path.join(import.meta.dirname, '..', 'docs', 'screenshots');
const { page, close } = await openBrowser(1280, 800, { solids: true, keeps: true });
const shoot = async (name: string) => {
  // A stream of the visit is open all the time: pictures and typefaces are waited for, not the network.
  await page.evaluate(() => document.fonts.ready.then(() => new Promise((done) => setTimeout(done, 800))));
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  console.log(`docs/screenshots/${name}.png`);
};

await signInByHand(page);
await shoot('clients');
await press(page, 'Maren Tolland');
await at(page, /\/clients\/[0-9a-f-]+$/);
await shoot('client');
await press(page, 'Open the visit');
await at(page, /\/pattern$/);
await page.waitForFunction(() => performance.getEntriesByName('hair first drawn').length > 0);
await page.waitForSelector('[data-small-wear=true] canvas[data-drawn]', { timeout: 30_000 });
await shoot('pattern');
await press(page, 'Round head, large');
await press(page, 'Left');
await shoot('pattern-round');
await press(page, 'Opened head, large');
await press(page, 'Library …');
await page.waitForFunction(() => document.querySelectorAll('[role=dialog] svg[role=img]').length >= 18, {
  timeout: 30_000,
});
await shoot('library');
await press(page, 'Close');
await press(page, 'Wear');
await at(page, /\/wear$/);
await page.waitForSelector('[data-complete=true]', { timeout: 90_000 });
await shoot('wear');
await page.click('[data-finding=unlit] button');
await page.waitForSelector('[data-way=tied][data-done=true]', { timeout: 30_000 });
await shoot('wear-tied');
await press(page, 'Consult');
await at(page, /\/consult$/);
await shoot('consult');
await press(page, 'Mix');
await at(page, /\/mix$/);
await page.waitForSelector('li[aria-label="Bowl A 1"]');
await shoot('mix');
for (const [hash, name, selector] of [
  ['tone', 'tone', 'article[aria-label="Toner 1"]'],
  ['price', 'price', '#price-total'],
] as const) {
  await page.click(`nav[aria-label="Mix"] a[href="#${hash}"]`);
  await page.waitForSelector(selector);
  await shoot(name);
}
await press(page, 'Clock');
await at(page, /\/clock$/);
await page.waitForSelector('[role=radiogroup][aria-label=Plans]', { timeout: 30_000 });
await shoot('clock');
await press(page, 'Record');
await at(page, /\/record$/);
await shoot('record');
await page.goto(`${process.env.LATTICE_TEST_ADDRESS}/day`);
await shoot('day');
await page.goto(`${process.env.LATTICE_TEST_ADDRESS}/day/week`);
await shoot('week');
await page.goto(`${process.env.LATTICE_TEST_ADDRESS}/clients`);
await press(page, 'Maren Tolland');
await at(page, /\/clients\/[0-9a-f-]+$/);
await press(page, 'Open a page for them');
const theirs = await (await page.waitForSelector('[data-address]'))!.evaluate(
  (element) => element.textContent!,
);
await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true, deviceScaleFactor: 2 });
await page.goto(theirs);
await (await waitForNamed(page, 'How bright', 'combobox')).select('4');
await press(page, 'Cool');
await shoot('their-page');
await page.setViewport({ width: 1280, height: 800 });
await page.goto(`${process.env.LATTICE_TEST_ADDRESS}/clients`);
await press(page, 'Amara Thistlewood');
await press(page, 'Open the visit');
await at(page, /\/pattern$/);
await press(page, 'Consult');
await at(page, /\/consult$/);
await chapter(page, 'safety');
await shoot('cautions');
await page.goto(`${process.env.LATTICE_TEST_ADDRESS}/clients`);
await press(page, 'Corwin Ostrander');
await at(page, /\/clients\/[0-9a-f-]+$/);
await page.click('ol[aria-label^="Visits"] a');
await at(page, /\/record$/);
await press(page, 'Consult');
await at(page, /\/consult$/);
await chapter(page, 'map');
await press(page, 'Grey');
await shoot('hair-map');

// At the chair: a service a quarter of an hour in.
const visit = await visitByHand(page, 'Ada Fellbrook');
await openStep(page, visit, 'record');
await begin(page);
const timed = process.env.LATTICE_CLOCK !== undefined;
if (timed) {
  later(0);
  await withClock(page);
}
await page.goto(`${process.env.LATTICE_TEST_ADDRESS}/chair?visit=${visit}`);
await page.waitForFunction(() => document.body.innerText.includes('The clock runs from the first foil on'));
const tap = async () => {
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await page.keyboard.press('Space');
};
const picture = async (name: string) => {
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  console.log(`docs/screenshots/${name}.png`);
};
await tap();
for (let i = 0; i < 13; i += 1) {
  if (timed) await advance(62 / 60);
  await tap();
}
for (const heard of await page.$$('[aria-label=Alarms] button'))
  if ((await heard.evaluate((element) => element.textContent)) === 'Heard') await heard.click();
if (timed) await advance(0.4);
await picture('chair');
if (timed) later(0);
await close();
