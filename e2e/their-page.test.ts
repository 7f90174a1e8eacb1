import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { ensurePage } from '@/data/client-pages';
import { listClients } from '@/data/clients';
import { readHouse, saveHouse } from '@/data/house';
import { readVisit } from '@/data/visits';
import { signedIn } from '@/data/testing/actor';
import {
  address,
  axeFindings,
  fill,
  live,
  newVisit,
  openBrowser,
  openStep,
  press,
  saved,
  see,
  signIn,
  type Session,
  waitForNamed,
} from './harness';

let salon: Session;
let phone: Session;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'lattice-phone-'));
  salon = await openBrowser();
  phone = await openBrowser(390, 844);
  await phone.page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
  await signIn(salon.page);
});
afterAll(async () => {
  await salon.close();
  await phone.close();
  rmSync(folder, { recursive: true, force: true });
});

const actor = () => signedIn('ottilie@fernhollow.example');
const choose = async (label: string, value: string) => {
  const select = await waitForNamed(phone.page, label, 'combobox');
  await select.select(value);
};
const pick = async (question: string, words: string) =>
  phone.page.evaluate(
    (group, option) => {
      const found = [...document.querySelectorAll(`[aria-label="${group}"] button`)].find(
        (element) => element.textContent === option,
      ) as HTMLElement;
      found.click();
    },
    question,
    words,
  );
const keptOnServer = () =>
  phone.page.waitForFunction(() =>
    ['Saved', 'Sent. You can still change it.'].includes(
      document.querySelector('footer [role=status]')?.textContent ?? '',
    ),
  );
const asked = (how: { readonly path: string; readonly method?: string; readonly body?: string }) =>
  phone.page.evaluate(async ({ path: to, method = 'GET', body }) => {
    const response = await fetch(to, {
      method,
      body,
      redirect: 'manual',
      ...(body !== undefined && { headers: { 'Content-Type': 'application/json' } }),
    });
    return {
      status: response.type === 'opaqueredirect' ? 302 : response.status,
      text: (await response.text()).slice(0, 2000),
    };
  }, how);

/** Addresses of all pages and routes, with true ids in them. */
function allPaths(ids: Readonly<Record<string, string>>): string[] {
  const root = path.join(import.meta.dirname, '..', 'app');
  const files = readdirSync(root, { recursive: true })
    .map(String)
    .filter((file) => /(^|\/)(page\.tsx|route\.ts)$/.test(file));
  const put = (part: string) =>
    /^\[(\.\.\.)?(\w+)\]$/.exec(part) ? (ids[/\w+/.exec(part.replace('...', ''))![0]] ?? 'x') : part;
  return files
    .map(
      (file) =>
        `/${path
          .dirname(file)
          .split('/')
          .filter((part) => !/^\(.*\)$|^\.$/.test(part))
          .map(put)
          .join('/')}`,
    )
    .sort();
}

/**
 * What anybody may open: signing in, the empty page of the chair, what says that the server lives, and the
 * page itself.
 */
const OPEN =
  /^\/(sign-in|chair$|join\/|reset\/|offline|healthz|readyz|metrics|p\/|api\/p\/)|^\/api\/v1\/openapi\.json/;

test('a client answers on their phone, the colourist takes it over, and nothing else is reachable from there', async () => {
  const visit = await newVisit(salon.page, 'Sorrel Whin', null);
  const { client } = (await readVisit(await actor(), visit))!;
  await salon.page.goto(`${address()}/clients/${client.id}`);
  await press(salon.page, 'Open a page for them');
  const at = await (await salon.page.waitForSelector('[data-address]'))!.evaluate(
    (element) => element.textContent!,
  );
  expect(at).toMatch(new RegExp(`^${address()}/p/[\\w-]{32}$`));

  const { page } = phone;
  await page.goto(at);
  await see(page, 'Hello Sorrel');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await axeFindings(page)).toEqual([]);
  await choose('How bright', '4');
  await pick('Tone', 'Cool');
  await fill(page, 'In your own words', 'Lighter <script>alert(1)</script> in front.');
  await choose('Tied up', '0.75');
  await choose('Half up', '0.5');
  await see(page, 'tied up and half up together are more than all of the time');
  await choose('Half up', '0.25');
  await choose('Washes a week', '3');
  await fill(page, 'Budget, EUR', '150');
  await choose('What', 'plant');
  await choose('Where', 'home');
  await page.$eval('input[type=date]', (input) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, '2025-05-01');
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await press(page, 'Add');
  await see(page, 'Henna or plant colour, at home');
  await pick('Have you ever reacted to hair colour?', 'Yes');
  await see(page, 'Please ring the salon before you come');

  const picture = path.join(folder, 'wish.jpg');
  await sharp({ create: { width: 300, height: 400, channels: 3, background: '#c8a060' } })
    .jpeg()
    .toFile(picture);
  const [input] = await page.$$('input[type=file]');
  await input.uploadFile(picture);
  await page.waitForFunction(() =>
    [...document.querySelectorAll('img')].some((element) => element.complete && element.naturalWidth > 0),
  );
  await press(page, 'Read and sign: Reminders');
  await press(page, 'Sign');
  await page.waitForFunction(() => document.body.innerText.includes('Signed'));
  await press(page, 'Send to the salon');
  await see(page, 'Sent. You can still change it.');
  // After a reload all of it is there.
  await page.reload();
  await see(page, 'Henna or plant colour, at home');
  await keptOnServer();

  // What is wrong is said in a sentence, and nothing of it is kept.
  const secret = new URL(at).pathname.slice(3);
  const answers = `/api/p/${secret}/answers`;
  expect(await asked({ path: answers, method: 'PUT', body: 'not json' })).toMatchObject({
    status: 400,
    text: expect.stringContaining('is not JSON'),
  });
  expect(
    await asked({
      path: answers,
      method: 'PUT',
      body: '{"base":{"version":1},"document":{"version":1,"wish":{"tone":"<b>"}},"sent":false}',
    }),
  ).toMatchObject({ status: 400, text: expect.stringContaining('must be one of warm') });
  expect(
    await asked({
      path: `/api/p/${secret}/consents`,
      method: 'POST',
      body: '{"kind":"guardian","signedName":"X"}',
    }),
  ).toMatchObject({ status: 400 });
  const big = await page.evaluate(async (to) => {
    const form = new FormData();
    form.set('file', new File([new Uint8Array(50_000_000)], 'big.jpg', { type: 'image/jpeg' }));
    return fetch(to, { method: 'POST', body: form }).then(
      async (response) => [response.status, ((await response.json()) as { problem: string }).problem],
      () => [413, 'The picture is larger'],
    );
  }, `/api/p/${secret}/photos`);
  expect(big).toEqual([413, expect.stringContaining('The picture is larger')]);

  // With the page's address and nothing else, every other page and route is closed.
  const ids = {
    clientId: client.id,
    visitId: visit,
    step: 'consult',
    part: 'plan',
    form: 'visit.json',
    photoId: crypto.randomUUID(),
    size: 'small',
    secret,
    path: 'clients',
    token: 'x',
  };
  const reached: string[] = [];
  for (const to of allPaths(ids)) {
    if (OPEN.test(to)) continue;
    for (const method of ['GET', 'POST', 'PUT', 'DELETE']) {
      const { status, text } = await asked({ path: to, method, ...(method !== 'GET' && { body: '{}' }) });
      const closed =
        [302, 307, 400, 401, 403, 404, 405].includes(status) || /sign-in|Not in this salon/.test(text);
      if (!closed || text.includes('Sorrel')) reached.push(`${method} ${to}: ${status}`);
    }
  }
  expect(reached).toEqual([]);
  expect((await asked({ path: `/api/p/${'x'.repeat(32)}/photos/${crypto.randomUUID()}` })).status).toBe(404);

  // The colourist: theirs until it is taken over.
  expect((await readVisit(await actor(), visit))!.consult.document).toMatchObject({
    tone: null,
    history: [],
  });
  await openStep(salon.page, visit, 'consult');
  await see(salon.page, 'Sorrel answered at home');
  await see(salon.page, 'Reaction to colour: had one.');
  await press(salon.page, 'Go through them');
  await see(salon.page, '“Lighter <script>alert(1)</script> in front.”'.slice(1, -1));
  expect(await axeFindings(salon.page)).toEqual([]);
  await press(salon.page, 'Take all over');
  await salon.page.waitForFunction(
    () => document.querySelector('[aria-label="Answers of the client"]') === null,
  );
  await saved(salon.page);
  const { consult, safety } = (await readVisit(await actor(), visit))!;
  expect(consult.document).toMatchObject({
    brightness: 4,
    tone: 'cool',
    wornUpShare: 0.75,
    wornHalfUpShare: 0.25,
    washesPerWeek: 3,
    budgetMinor: 15_000,
    history: [{ what: 'plant', where: 'home', on: '2025-05-01' }],
    health: { allergy: 'known' },
    notes: '“Lighter <script>alert(1)</script> in front.”',
  });
  expect(safety.consents).toMatchObject([
    { kind: 'reminders', signedName: 'Sorrel Whin', takenBy: 'the client' },
  ]);
  await salon.page.goto(`${address()}/clients/${client.id}`);
  await salon.page.waitForFunction(() =>
    [...document.querySelectorAll('img')].some(
      (element) => element.src.includes('/api/photos/') && element.naturalWidth > 0,
    ),
  );

  // Closed: what is written there afterwards stays on the phone, with a sentence.
  await press(salon.page, 'Close it');
  await see(salon.page, 'Open a page for them');
  await pick('Contrast', 'Strong');
  await see(page, 'This page is not open any more');
  await page.reload();
  await see(page, 'Ask the salon for a new one.');
  expect(await page.$('footer')).toBeNull();
});

test('answers that come while the visit is open are there by themselves, and can be left', async () => {
  const visit = await newVisit(salon.page, 'Tansy Rook', null);
  const { client } = (await readVisit(await actor(), visit))!;
  await salon.page.goto(`${address()}/clients/${client.id}`);
  await press(salon.page, 'Open a page for them');
  const at = await (await salon.page.waitForSelector('[data-address]'))!.evaluate(
    (element) => element.textContent!,
  );
  await openStep(salon.page, visit, 'consult');
  await live(salon.page);
  await phone.page.goto(at);
  await see(phone.page, 'Hello Tansy');
  await choose('How bright', '5');
  await press(phone.page, 'Send to the salon');
  await see(salon.page, 'Tansy answered at home');
  await press(salon.page, 'Go through them');
  await press(salon.page, 'Leave them all');
  await salon.page.waitForFunction(
    () => document.querySelector('[aria-label="Answers of the client"]') === null,
  );
  expect((await readVisit(await actor(), visit))!.consult.document.brightness).toBe(3);
});

test('after a visit the page says what to mind, in the words of the house, and when to come again', async () => {
  const owner = await actor();
  const before = await readHouse(owner);
  await saveHouse(owner, before.revision, {
    ...before.document,
    aftercare: 'Wash it after two days.\nNo chlorine for a week.',
  });
  try {
    const recorded = (await listClients(owner, '', '2026-12-01')).find(
      ({ lastRecordedOn }) => lastRecordedOn !== null,
    )!;
    const { path: to } = (await ensurePage(owner, recorded.id))!;
    await phone.page.goto(`${address()}${to}`);
    await see(phone.page, 'After your visit of');
    for (const words of ['Wash it after two days.', 'No chlorine for a week.']) await see(phone.page, words);
    expect(await axeFindings(phone.page)).toEqual([]);
  } finally {
    const { revision } = await readHouse(owner);
    await saveHouse(owner, revision, before.document);
  }
});
