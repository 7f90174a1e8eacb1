import type { Page } from 'puppeteer-core';
import { readHouse, saveHouse } from '@/data/house';
import { setWorkingHours } from '@/data/people';
import { signedIn } from '@/data/testing/actor';
import { USUAL_WORKING_HOURS } from '@/core/diary';
import {
  address,
  answers,
  axeFindings,
  dialogClosed,
  fill,
  openBrowser,
  press,
  see,
  signIn,
  type Session,
  waitForNamed,
} from './harness';

/** Opening hours, days off, and the week that goes by them. */
const DAY = 86_400_000;
const EMAIL = 'ottilie@fernhollow.example';
let session: Session;
let page: Page;
beforeAll(async () => {
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(async () => {
  await session?.close();
  const owner = await signedIn(EMAIL);
  await setWorkingHours(owner, owner.personId, USUAL_WORKING_HOURS);
  const { revision, document } = await readHouse(owner);
  await saveHouse(owner, revision, { ...document, opening: { ...document.opening, closed: [] } });
});

/** A day so many weeks after this one: 1 for Monday. The Tuesday of a week comes before its Thursday on any day. */
function weekdayAhead(weekday: number, weeks: number): string {
  const now = Date.now();
  const sinceMonday = (new Date(now).getUTCDay() + 6) % 7;
  return new Date(now + (7 * weeks + weekday - 1 - sinceMonday) * DAY).toISOString().slice(0, 10);
}
const open = async (path: string) => {
  await page.goto(`${address()}${path}`);
  await answers(page, 'main button');
};
const setDate = async (label: string, day: string) => {
  await waitForNamed(page, label);
  await page.evaluate(
    (words, value) => {
      const id = [...document.querySelectorAll('label')].find(
        (element) => element.textContent === words,
      )!.htmlFor;
      const input = document.getElementById(id) as HTMLInputElement;
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, value);
      input.dispatchEvent(new Event('input', { bubbles: true }));
    },
    label,
    day,
  );
};

test('closed days and days off stand in the day, in a booking and in the week', async () => {
  const [off, closed] = [weekdayAhead(2, 3), weekdayAhead(4, 3)];
  // The salon: closed on a Thursday. What is not a stretch of days is refused before it is added.
  await open('/house');
  await setDate('First day', closed);
  await setDate('Last day', off);
  await see(page, 'Last day: it lies before the first.');
  await setDate('Last day', closed);
  await fill(page, 'Called', 'Works on the floor');
  await press(page, 'Add days off');
  await press(page, 'Save for the house');
  await see(page, 'Saved for the whole salon.');
  // One’s own: a Tuesday off, and late on all others.
  await open('/me');
  await press(page, 'Hours of your own');
  await fill(page, 'Tuesday from', '11:30');
  await setDate('First day', off);
  await fill(page, 'Called', 'Course');
  await press(page, 'Add days off');
  await press(page, 'Save hours');
  await see(page, 'Saved.');
  expect(await axeFindings(page)).toEqual([]);

  await open(`/day?on=${off}`);
  await see(page, 'Ottilie Marsh · off');
  await press(page, 'Book Ottilie Marsh at 10:00');
  await see(page, 'Ottilie Marsh does not work that day.');
  await setDate('Day', closed);
  await see(page, 'Closed: Works on the floor. The nearest open day is');
  await setDate('Day', weekdayAhead(2, 4));
  await see(page, 'Outside the hours: Ottilie Marsh works from 11:30 to 19:00 that day.');
  await fill(page, 'Time', '12:00');
  await page.waitForFunction(() => !document.body.innerText.includes('Outside the hours'));
  await press(page, 'Close');
  await press(page, 'Discard');
  await dialogClosed(page);

  await open(`/day/week?on=${closed}`);
  const day = (words: string) =>
    page.$$eval(
      'section[aria-label="The week"] article',
      (all, own) => all.map((one) => (one as HTMLElement).innerText).find((text) => text.includes(own)) ?? '',
      words,
    );
  expect(await day('Thursday')).toMatch(/Closed: Works on the floor/);
  expect(await day('Sunday')).toMatch(/Closed on Sundays/);
  expect(await day('Tuesday')).toMatch(/Ottilie\s+off[\s\S]*Bram\s+8 h 30 free from 09:30/);
  expect(await axeFindings(page)).toEqual([]);
});

test('who is due is offered times that are free, and a press opens their booking there', async () => {
  await open(`/day/week?on=${weekdayAhead(3, 1)}`);
  const offer = (await page.waitForSelector('section[aria-label=Due] li li a'))!;
  const words = (await offer.evaluate((element) => (element as HTMLElement).innerText)).trim();
  const [, time, who] = /(\d\d:\d\d), (\S+)$/.exec(words)!;
  const client = await offer.evaluate(
    (element) => element.closest('ul')!.closest('li')!.querySelector('a')!.textContent,
  );
  await offer.click();
  await page.waitForSelector('[role=dialog]');
  const dialog = await page.$eval('[role=dialog]', (element) => (element as HTMLElement).innerText);
  expect(dialog).toContain(client);
  expect(dialog).toContain(who);
  const values = await page.$$eval('[role=dialog] input', (all) =>
    all.map((element) => (element as HTMLInputElement).value),
  );
  expect(values).toContain(time);
  expect(dialog).not.toMatch(/Outside the hours|does not work that day|Closed/);
});
