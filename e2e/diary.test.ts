import ICAL from 'ical.js';
import type { Page } from 'puppeteer-core';
import { later } from './later';
import {
  address,
  answers,
  at,
  fill,
  live,
  newVisit,
  openBrowser,
  press,
  see,
  axeFindings,
  signIn,
  type Session,
  dialogClosed,
} from './harness';

const DAY = 86_400_000;
/** A name of this run’s own: the day may hold another’s. */
const NAME = `Diary Sedge ${Date.now() % 100_000}`;
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

const isoDay = (ahead: number) => new Date(Date.now() + ahead * DAY).toISOString().slice(0, 10);
const goTo = async (day: string) => {
  await page.goto(`${address()}/day?on=${day}`);
  await page.waitForSelector('section[aria-label="The day"]');
  // Buttons answer once the page is live.
  await answers(page, 'section[aria-label="The day"] button');
};
const blocks = () =>
  page.$$eval(
    'section[aria-label="The day"] button.absolute.rounded-ui',
    (all, name) =>
      all
        .map((element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '))
        .filter((words) => words.startsWith(name)),
    NAME,
  );
const openBlock = async (name: string) => {
  await page.$$eval(
    'section[aria-label="The day"] button.absolute.rounded-ui',
    (all, words) => (all.find((element) => element.textContent!.includes(words)) as HTMLElement).click(),
    name,
  );
  await page.waitForSelector('[role=dialog]');
};
const closed = () => dialogClosed(page);
const choose = async (name: string) => {
  await fill(page, 'Client', name);
  await (await page.waitForSelector(`ul[aria-label="Clients found"] ::-p-text(${name})`))!.click();
  await page.waitForFunction(() =>
    /by the clock of|usual length/.test(document.querySelector('[role=dialog]')?.textContent ?? ''),
  );
};

test('booked with her alert test, moved, in her colourist’s calendar, late, begun, not come', async () => {
  await newVisit(page, NAME, null);
  const on = isoDay(10);
  await goTo(on);
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Book');
  await page.waitForSelector('[role=dialog]');
  await page.click('[role=dialog] button[type=submit]');
  await see(page, 'Client: choose one.');
  await choose(NAME);
  // As long as the clock of her pattern says, and no guess.
  const minutes = Number(
    await page.$eval(
      '[role=dialog] input[inputmode=numeric]:not([value*=":"])',
      (element) => (element as HTMLInputElement).value,
    ),
  );
  expect(minutes % 5).toBe(0);
  expect(minutes).toBeGreaterThan(120);
  await fill(page, 'Time', 'soon');
  await page.click('[role=dialog] button[type=submit]');
  await see(page, 'Time: write a time such as 9:30');
  await fill(page, 'Time', '9:30');
  await see(page, 'An alert test is missing or too old.');
  expect(
    await page.$eval('[role=switch][aria-label="Book an alert test too"]', (element) =>
      element.getAttribute('aria-checked'),
    ),
  ).toBe('true');
  expect(await axeFindings(page)).toEqual([]);
  await page.click('[role=dialog] button[type=submit]');
  await closed();
  await see(page, NAME);
  expect(await blocks()).toEqual([
    expect.stringMatching(new RegExp(`^${NAME} 09:30–\\d\\d:\\d\\d · Full foils$`)),
  ]);
  await goTo(isoDay(7));
  expect(await blocks()).toEqual([`${NAME} · Alert test`]);

  // At the same chair at the same time: said, and left to whoever books.
  await goTo(on);
  await press(page, 'Book Ottilie Marsh at 17:00');
  await choose(NAME);
  await fill(page, 'Time', '10:00');
  await page.waitForFunction(
    (name) =>
      new RegExp(`At the same chair then: .*${name} 09:30`).test(
        document.querySelector('[role=dialog]')?.textContent ?? '',
      ),
    {},
    NAME,
  );
  await press(page, 'Close');
  await see(page, 'Close without saving?');
  await press(page, 'Discard');
  await closed();

  // What is laid out for her; moved to a quarter past eleven.
  await openBlock(NAME);
  await page.waitForSelector('dl[aria-label=Preparation]');
  expect(
    await page.$eval('dl[aria-label=Preparation]', (element) => (element as HTMLElement).innerText),
  ).toMatch(
    /Last pattern[\s\S]*Fine weave, horizontal, 100 foils[\s\S]*Foils to cut[\s\S]*\d+\sof\s\d+\s×\s\d+\smm[\s\S]*Bowls[\s\S]*A 1: \d+ g/,
  );
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Close');
  await closed();
  // The same in the morning, for the whole day on one list.
  await press(page, 'To lay out');
  await page.waitForSelector('ol[aria-label="To lay out"] li');
  const mine = await page.$$eval(
    'ol[aria-label="To lay out"] li',
    (all, name) =>
      all.map((element) => (element as HTMLElement).innerText).filter((words) => words.includes(name)),
    NAME,
  );
  expect(mine).toEqual([
    expect.stringMatching(/^09:30[\s\S]*Fine weave, horizontal, 100 foils[\s\S]*Foils to cut[\s\S]*Bowls/),
  ]);
  // What is cut in all is what is cut for each.
  const [all, each] = await page.evaluate(() => {
    const sum = (words: string) =>
      [...words.matchAll(/(\d+)\sof\s\d+\s×\s\d+\smm| and (\d+) smaller/g)].reduce(
        (value, [, one, rest]) => value + Number(one ?? rest),
        0,
      );
    return [
      Number(/(\d+) foils to cut/.exec(document.body.innerText)![1]),
      [...document.querySelectorAll('ol[aria-label="To lay out"] dd')].reduce(
        (value, cell) => value + sum((cell as HTMLElement).innerText),
        0,
      ),
    ];
  });
  expect(all).toBe(each);
  expect(all).toBeGreaterThanOrEqual(100);
  expect(await axeFindings(page)).toEqual([]);
  await goTo(on);
  await openBlock(NAME);
  await press(page, 'Move or change');
  await fill(page, 'Time', '11:15');
  await press(page, 'Save');
  await closed();
  await page.waitForFunction(() =>
    document.querySelector('section[aria-label="The day"]')?.textContent?.includes('11:15–'),
  );

  // Another program reads the private address, until it is withdrawn.
  await press(page, 'Calendar …');
  await press(page, 'Make an address');
  const feed = await (await page.waitForSelector('code[aria-label="Calendar address"]'))!.evaluate(
    (element) => element.textContent!,
  );
  const calendar = await (await fetch(feed)).text();
  const event = new ICAL.Component(ICAL.parse(calendar) as never)
    .getAllSubcomponents('vevent')
    .map((component) => new ICAL.Event(component))
    .find(({ summary }) => summary === `${NAME}: full foils`)!;
  expect(event.sequence).toBe(1);
  expect(event.duration.toSeconds()).toBe(minutes * 60);
  const start = event.startDate.toJSDate();
  await press(page, 'Withdraw');
  await page.waitForFunction(async (from) => (await fetch(from)).status === 404, { polling: 200 }, feed);
  await press(page, 'Close');

  await closed();
  // Dragged an hour down and taken back; a drag that Escape ends moves nothing, and a drag opens nothing.
  const block = () =>
    page.evaluateHandle(
      (name) =>
        [...document.querySelectorAll('section[aria-label="The day"] button.absolute.rounded-ui')].find(
          (element) => element.textContent!.includes(name),
        ) as HTMLElement,
      NAME,
    );
  const drag = async (hours: number, end: () => Promise<void>) => {
    const { x, y } = (await (await block()).boundingBox())!;
    await page.mouse.move(x + 8, y + 20);
    await page.mouse.down();
    await page.mouse.move(x + 8, y + 20 + hours * 69, { steps: 6 });
    await end();
  };
  await page.waitForFunction(() => getComputedStyle(document.body).pointerEvents !== 'none');
  await drag(1, () => page.mouse.up());
  await see(page, `${NAME} moved to 12:15, Ottilie Marsh.`);
  expect(await page.$('[role=dialog]')).toBeNull();
  expect(await axeFindings(page)).toEqual([]);
  await page.waitForFunction(
    (name) =>
      [...document.querySelectorAll('section[aria-label="The day"] button')].some(
        (element) => element.textContent!.includes(name) && element.textContent!.includes('12:15–'),
      ),
    {},
    NAME,
  );
  await press(page, 'Undo');
  await see(page, `${NAME} is back at 11:15, Ottilie Marsh.`);
  await page.waitForFunction(
    (name) =>
      [...document.querySelectorAll('section[aria-label="The day"] button')].some(
        (element) => element.textContent!.includes(name) && element.textContent!.includes('11:15–'),
      ),
    {},
    NAME,
  );
  await press(page, 'Close');
  await drag(2, async () => {
    await page.keyboard.press('Escape');
    await page.mouse.up();
  });
  expect((await blocks())[0]).toContain('11:15–');
  expect(await page.$('[role=dialog]')).toBeNull();
  // A finger that moves at once scrolls; one that rests on it first lifts it.
  const finger = async (restsMs: number) => {
    const { x, y } = (await (await block()).boundingBox())!;
    await page.touchscreen.touchStart(x + 8, y + 20);
    await new Promise((resolve) => setTimeout(resolve, restsMs));
    for (let i = 1; i <= 6; i += 1) await page.touchscreen.touchMove(x + 8, y + 20 + (i * 69) / 6);
    await page.touchscreen.touchEnd();
  };
  await finger(0);
  expect((await blocks())[0]).toContain('11:15–');
  await finger(700);
  await see(page, `${NAME} moved to 12:15, Ottilie Marsh.`);
  await page.waitForFunction(
    (name) =>
      [...document.querySelectorAll('section[aria-label="The day"] button')].some(
        (element) => element.textContent!.includes(name) && element.textContent!.includes('12:15–'),
      ),
    {},
    NAME,
  );
  await press(page, 'Undo');
  await see(page, `${NAME} is back at 11:15, Ottilie Marsh.`);
  expect(await page.$('[role=dialog]')).toBeNull();
  // Cancelled by mistake: one press, and it is booked again.
  await page.waitForFunction(
    (name) =>
      [...document.querySelectorAll('section[aria-label="The day"] button')].some(
        (element) => element.textContent!.includes(name) && element.textContent!.includes('11:15–'),
      ),
    {},
    NAME,
  );
  await openBlock(NAME);
  await press(page, 'Cancel the appointment');
  await see(page, `${NAME}: cancelled.`);
  await press(page, 'Undo');
  await see(page, `${NAME}: booked again.`);
  await press(page, 'Close');

  // Twelve minutes after she should be here, she is late.
  later(start.getTime() + 12.5 * 60_000 - Date.now());
  await page.goto(`${address()}/day`);
  await see(page, `${NAME}, 12 min`);
  await goTo(on);
  await openBlock(NAME);
  await press(page, 'Did not come');
  await closed();
  await page.waitForFunction(() =>
    document.querySelector('section[aria-label="The day"]')?.textContent?.includes('did not come'),
  );
  await openBlock(NAME);
  await press(page, 'Book again');
  await closed();
  await page.waitForFunction(() =>
    document.querySelector('section[aria-label="The day"]')?.textContent?.includes('late, 12 min'),
  );
  await openBlock(NAME);
  await press(page, 'Begin the visit');
  await at(page, /\/visits\/[0-9a-f-]+\/consult$/);
  await live(page);
  const visit = page.url();
  await goTo(on);
  await openBlock(NAME);
  await press(page, 'Open the visit');
  await at(page, /\/consult$/);
  expect(page.url()).toBe(visit);
  expect(session.complaints.filter((complaint) => !complaint.includes('404'))).toEqual([]);
});

test('a week is booked, one of it moved by a finger, and another calendar reads all of it', async () => {
  later(0);
  const name = `Week Teasel ${Date.now() % 100_000}`;
  await newVisit(page, name, null);
  const days = [20, 21, 22].map(isoDay);
  const onDay = (time: string) =>
    page.waitForFunction(
      (own, from) =>
        [...document.querySelectorAll('section[aria-label="The day"] button')].some(
          (block) => block.textContent!.includes(own) && block.textContent!.includes(`${from}–`),
        ),
      {},
      name,
      time,
    );
  for (const day of days) {
    await goTo(day);
    await press(page, 'Book');
    await page.waitForSelector('[role=dialog]');
    await choose(name);
    await fill(page, 'Time', '10:00');
    // An alert test of their own for each would be more than a week.
    const test = await page
      .waitForSelector('[role=switch][aria-label="Book an alert test too"]', { timeout: 3000 })
      .catch(() => null);
    if ((await test?.evaluate((element) => element.getAttribute('aria-checked'))) === 'true')
      await test!.click();
    await page.click('[role=dialog] button[type=submit]');
    await closed();
    await onDay('10:00');
  }
  await goTo(days[1]);
  await onDay('10:00');
  const handle = await page.evaluateHandle(
    (own) =>
      [...document.querySelectorAll('section[aria-label="The day"] button.absolute.rounded-ui')].find(
        (block) => block.textContent!.includes(own),
      ) as HTMLElement,
    name,
  );
  await handle.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  const { x, y } = (await handle.boundingBox())!;
  await page.touchscreen.touchStart(x + 8, y + 20);
  await new Promise((resolve) => setTimeout(resolve, 700));
  for (let i = 1; i <= 6; i += 1) await page.touchscreen.touchMove(x + 8, y + 20 + (i * 69) / 6);
  await page.touchscreen.touchEnd();
  await see(page, `${name} moved to 11:00, Ottilie Marsh.`);
  await press(page, 'Close');

  await press(page, 'Calendar …');
  await press(page, 'Make an address');
  const feed = await (await page.waitForSelector('code[aria-label="Calendar address"]'))!.evaluate(
    (element) => element.textContent!,
  );
  const events = new ICAL.Component(ICAL.parse(await (await fetch(feed)).text()) as never)
    .getAllSubcomponents('vevent')
    .map((component) => new ICAL.Event(component))
    .filter(({ summary }) => summary.startsWith(name));
  const local = (event: ICAL.Event) => new Date(event.startDate.toJSDate()).toISOString().slice(0, 10);
  expect(events.map((event) => [local(event), event.sequence]).sort()).toEqual([
    [days[0], 0],
    [days[1], 1],
    [days[2], 0],
  ]);
  const [first, moved] = [...events].sort((a, b) => a.startDate.compare(b.startDate));
  expect(moved.startDate.toJSDate().getTime() - first.startDate.toJSDate().getTime()).toBe(DAY + 3_600_000);
  await press(page, 'Withdraw');
});
