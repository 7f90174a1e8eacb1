import type { Page } from 'puppeteer-core';
import { dayAfter, minuteOf, today } from '@/core/units';
import { book } from '@/data/appointments';
import { createClient } from '@/data/clients';
import { closeDatabase } from '@/data/database';
import { readHouse, saveHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { addConsent } from '@/data/safety';
import { signedIn } from '@/data/testing/actor';
import {
  address,
  answers,
  at,
  chapter,
  fill,
  newVisit,
  openBrowser,
  openStep,
  press,
  see,
  axeFindings,
  signIn,
  type Session,
  dialogClosed,
} from './harness';
import { later } from './later';

const FIRST = `Texted${Date.now() % 100_000}`;
const NAME = `${FIRST} Sedge`;
let session: Session;
let page: Page;
beforeAll(async () => {
  later(0);
  session = await openBrowser();
  page = session.page;
  await signIn(page);
});
afterAll(async () => {
  await fault('off');
  await session?.close();
});

const outbox = (path: string, body?: unknown) =>
  fetch(
    `http://${process.env.LATTICE_OUTBOX}${path}`,
    body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) },
  );
const fault = (name: string) => outbox('/fault', { fault: name });
/** What the outbox has taken for her. */
const taken = async () =>
  ((await (await outbox('/messages')).json()) as { to: string; words: string }[])
    .filter(({ words }) => words.includes(FIRST))
    .map(({ words }) => words);
const lists = (label: string) =>
  page.$$eval(
    `section[aria-label="${label}"] li`,
    (all, name) =>
      all
        .map((element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '))
        .filter((words) => words.startsWith(name)),
    NAME,
  );
const hers = (label: string) =>
  page.$$eval(
    `section[aria-label="${label}"] li a`,
    (all, name) => all.find((element) => element.textContent === name)!.getAttribute('href')!,
    NAME,
  );
const reminders = async () => {
  await page.goto(`${address()}/day/reminders`);
  await page.waitForSelector('section[aria-label="To send"]');
  await answers(page, 'main button');
};
/** Only hers are chosen: others stay as they are. */
const onlyHers = () =>
  page.$$eval(
    'section[aria-label="To send"] [role=switch]',
    (all, name) => {
      for (const element of all as HTMLElement[])
        if (
          (element.getAttribute('aria-checked') === 'true') !==
          element.getAttribute('aria-label')!.includes(name)
        )
          element.click();
    },
    NAME,
  );
const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
const moveTo = async (time: string) => {
  await page.goto(`${address()}/day?on=${tomorrow}`);
  await answers(page, 'section[aria-label="The day"] button');
  await page.$$eval(
    'section[aria-label="The day"] button.absolute.rounded-ui',
    (all, words) => (all.find((element) => element.textContent!.includes(words)) as HTMLElement).click(),
    NAME,
  );
  await press(page, 'Move or change');
  await fill(page, 'Time', time);
  await press(page, 'Save');
  await dialogClosed(page);
};

test('texted only with her consent, once, again when it is moved, and through an outbox that fails', async () => {
  const visitId = await newVisit(page, NAME, null);
  await page.goto(`${address()}/day?on=${tomorrow}`);
  await answers(page, 'section[aria-label="The day"] button');
  await press(page, 'Book');
  await fill(page, 'Client', NAME);
  await (await page.waitForSelector(`ul[aria-label="Clients found"] ::-p-text(${NAME})`))!.click();
  await page.waitForFunction(() =>
    /by the clock of|usual length/.test(document.querySelector('[role=dialog]')?.textContent ?? ''),
  );
  await fill(page, 'Time', '9:30');
  await page.click('[role=dialog] button[type=submit]');
  await dialogClosed(page);

  // Without a phone, then without her consent: said, and not to be sent.
  await reminders();
  expect(await lists('To send')).toEqual([]);
  expect(await lists('No phone that can be texted')).toEqual([expect.stringMatching(/09:30, full foils$/)]);
  await page.click(
    `section[aria-label="No phone that can be texted"] a[href="${await hers('No phone that can be texted')}"]`,
  );
  await at(page, /\/clients\/[0-9a-f-]+$/);
  await answers(page, 'main button');
  await press(page, `More for ${NAME}`);
  await press(page, 'Name, phone, e-mail, birthday, note');
  await fill(page, 'Phone', '0700 900 333');
  await press(page, 'Save');
  await see(page, '0700 900 333');
  await reminders();
  expect(await lists('Have not agreed to be texted')).toEqual([expect.stringContaining('0700 900 333')]);
  await openStep(page, visitId, 'consult');
  await chapter(page, 'safety');
  await press(page, 'Sign: reminders');
  await press(page, 'Sign');
  await see(page, `signed ${NAME}`);

  await reminders();
  expect(await lists('To send')).toEqual([
    expect.stringMatching(
      new RegExp(
        `^${NAME} · .* 0700 900 333 Hello ${FIRST}, we look forward to seeing you on .* at 09:30, with Ottilie Marsh\\. .* Fernhollow Colour Rooms( 2 texts long)?$`,
      ),
    ),
  ]);
  expect(await axeFindings(page)).toEqual([]);
  await onlyHers();
  // The outbox takes nothing; then its answer is lost on the way; it comes once all the same.
  await fault('refuses');
  await press(page, 'Send 1 reminder');
  await see(page, `${NAME}: The outbox refused it: The outbox takes no messages at the moment.`);
  expect(await taken()).toEqual([]);
  expect(await axeFindings(page)).toEqual([]);
  await fault('lost');
  await press(page, 'Send 1 reminder');
  await see(page, 'The outbox cannot be reached. Try again later: it takes a text once.');
  await fault('off');
  await press(page, 'Send 1 reminder');
  await see(page, '1 reminder was handed to the outbox.');
  expect(await taken()).toEqual([expect.stringContaining('at 09:30')]);
  await page.waitForSelector('section[aria-label="Sent"] li');
  expect(await lists('To send')).toEqual([]);
  expect(await lists('Sent')).toHaveLength(1);

  // Moved: what she was told is no longer so.
  await moveTo('11:15');
  await reminders();
  expect(await lists('To send')).toEqual([
    expect.stringContaining('Moved since they were reminded of another time.'),
  ]);
  await onlyHers();
  await press(page, 'Send 1 reminder');
  await see(page, '1 reminder was handed to the outbox.');
  expect((await taken()).map((words) => /at (\d\d:\d\d)/.exec(words)![1])).toEqual(['09:30', '11:15']);
});

test('goes out by itself when the house says so', async () => {
  const by = await signedIn('ottilie@fernhollow.example');
  const { document, revision } = await readHouse(by);
  const now = minuteOf(new Date(serverNow()), document.timeZone);
  // At night nobody is texted: the hours until noon are added to the server's clock.
  later(now < 780 || now > 1200 ? 60_000 * ((780 - now + 1440) % 1440) : 0);
  const clientId = await createClient(by, {
    name: `Itself${NAME}`,
    phone: '0700 900 444',
    email: '',
    note: '',
    bornOn: null,
  });
  await addConsent(by, clientId, {
    kind: 'reminders',
    words: 'May text me.',
    signedName: 'Itself',
    signature: [],
  });
  const on = dayAfter(today(document.timeZone, new Date(serverNow())), 1);
  await book(
    by,
    [{ clientId, personId: by.personId, on, from: 600, minutes: 60, kind: 'toner', note: '', redoOf: null }],
    document.timeZone,
  );
  await saveHouse(by, revision, {
    ...document,
    reminders: { ...document.reminders, daysBefore: 1, fromMinute: 420 },
  });
  try {
    const sent = async () =>
      ((await (await outbox('/messages')).json()) as { words: string }[]).filter(({ words }) =>
        words.includes(`Itself${FIRST}`),
      ).length;
    for (let i = 0; i < 100 && (await sent()) === 0; i += 1)
      await new Promise((resolve) => setTimeout(resolve, 1000));
    expect(await sent()).toBe(1);
    await page.goto(`${address()}/day/reminders`);
    await see(page, 'Those of appointments go out by themselves from 07:00.');
    await see(page, 'by itself');
    expect(await axeFindings(page)).toEqual([]);
  } finally {
    await saveHouse(by, revision + 1, document);
    later(0);
    await closeDatabase();
  }
});

test('words that cannot be filled in are refused before they are kept', async () => {
  await page.goto(`${address()}/house`);
  await answers(page, 'form');
  await fill(page, 'Of an appointment', 'See you on {date}');
  await see(page, 'It cannot fill in {date}: it knows {name}, {day}');
  await press(page, 'Save for the house');
  // Under the field, and beside the button where it was refused.
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll('[role=alert]')].filter((element) =>
        element.textContent!.includes('cannot fill in {date}'),
      ).length === 2,
  );
  expect(
    (await readHouse(await signedIn('ottilie@fernhollow.example'))).document.reminders.appointment,
  ).toContain('we look forward to seeing you');
});
