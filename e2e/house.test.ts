import {
  chapter,
  address,
  answers,
  at,
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
  waitForNamed,
} from './harness';

let session: Session;
beforeAll(async () => {
  session = await openBrowser();
  await signIn(session.page);
});
afterAll(() => session.close());

const pressWords = async (words: string) =>
  (await session.page.waitForSelector(`::-p-xpath(//button[normalize-space()="${words}"])`))!.click();
const rule = 'Sections thicker than see-through for their gather';

test('what the owner sets holds for every visit: units, a rule switched off, the time there is', async () => {
  const { page, complaints } = session;
  const visitId = await newVisit(page, 'House Rules', 'pattern');
  await fill(page, 'Thickness, typed', '8 mm');
  await page.keyboard.press('Enter');
  await (await page.waitForSelector('button[aria-expanded="false"]::-p-text(to look at)'))!.click();
  await see(page, 'thicker than see-through');
  await saved(page);

  await page.goto(`${address()}/house`);
  await see(page, 'Set once for the whole salon');
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'inch');
  await press(page, rule);
  await fill(page, 'Time for the foils', 'an hour');
  await see(page, 'Time for the foils: write a figure from 10 to 600 min.');
  await fill(page, 'Time for the foils', '60');
  await press(page, 'Save for the house');
  await see(page, 'Saved for the whole salon.');

  await openStep(page, visitId, 'pattern');
  await see(page, 'fine weave, 5/16" + 3/16"');
  await (await page.waitForSelector('button[aria-expanded="false"]::-p-text(to look at)'))!.click();
  await see(page, 'there are 60 min');
  expect(await page.evaluate(() => document.body.innerText.includes('thicker than see-through'))).toBe(false);

  // Back to what it was, for the other tests.
  await page.goto(`${address()}/house`);
  await press(page, 'mm');
  await press(page, rule);
  await fill(page, 'Time for the foils', '');
  await press(page, 'Save for the house');
  await see(page, 'Saved for the whole salon.');
  expect(complaints).toEqual([]);
});

test('only the owner changes the house', async () => {
  const other = await openBrowser();
  try {
    await signIn(other.page, 'bram@fernhollow.example');
    await other.page.goto(`${address()}/house`);
    await see(other.page, 'Only the owner can change this.');
    expect(await other.page.$('::-p-aria([name="Save for the house"])')).toBeNull();
  } finally {
    await other.close();
  }
});

test('a pattern is kept under a name, shared, versioned, taken for one panel, and archived', async () => {
  const { page, complaints } = session;
  await newVisit(page, 'Keeper', 'pattern');
  await page.waitForSelector('#total-foils');
  const name = `Kept ${Date.now() % 100_000}`;
  await press(page, 'Library …');
  await press(page, 'Of this house');
  await fill(page, 'Name', name);
  await fill(page, 'What it is for', 'Every day');
  await pressWords('Save');
  await see(page, name);
  await press(page, 'Close');

  await fill(page, 'Drop-out, typed', '12');
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')!.textContent) < 95);
  const fewer = await foilCount(page);
  await press(page, 'Library …');
  await press(page, 'Of this house');
  await page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('option')].some(
        (option) => option.textContent === `as version 2 of ${wanted}`,
      ),
    {},
    name,
  );
  const choice = await waitForNamed(page, 'Save the present pattern');
  await choice.evaluate((element, wanted) => {
    const select = element as HTMLSelectElement;
    select.value = [...select.options].find(
      (option) => option.textContent === `as version 2 of ${wanted}`,
    )!.value;
    select.dispatchEvent(new Event('change', { bubbles: true }));
  }, name);
  await pressWords('Save');
  await waitForNamed(page, `Version of ${name}`);
  expect(await axeFindings(page)).toEqual([]);
  // The first version is still there, and is taken with its own drop-outs.
  const version = await waitForNamed(page, `Version of ${name}`);
  await version.evaluate((element) => {
    const select = element as HTMLSelectElement;
    select.value = '1';
    select.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await press(page, `Apply: ${name}`);
  await page.waitForFunction(
    (n) => Number(document.querySelector('#total-foils')!.textContent) > n,
    {},
    fewer,
  );

  // A colleague in the same salon sees it.
  const other = await openBrowser();
  try {
    await signIn(other.page, 'bram@fernhollow.example');
    await newVisit(other.page, 'Colleague', 'pattern');
    await press(other.page, 'Library …');
    await press(other.page, 'Of this house');
    await see(other.page, name);
    await press(other.page, `For one panel, Back: ${name}`);
    await other.page.waitForFunction(
      (wanted) => document.querySelector(`button[aria-label="Undo: recipe of ${wanted}, Back"]`),
      {},
      name,
    );
    await saved(other.page);
  } finally {
    await other.close();
  }

  await press(page, 'Library …');
  await press(page, 'Of this house');
  await press(page, `Archive: ${name}`);
  await see(page, `${name} is archived.`);
  await pressWords('Restore');
  await waitForNamed(page, `Archive: ${name}`);
  await press(page, 'Close');
  await saved(page);
  expect(complaints).toEqual([]);
});

test('suggestions give their reasons, and are only taken when they are taken', async () => {
  const { page } = session;
  const visitId = await newVisit(page, 'Suggested');
  await chapter(page, 'worn');
  const slider = await waitForNamed(page, 'Tied up', 'slider');
  await slider.focus();
  for (let i = 0; i < 7; i += 1) await page.keyboard.press('ArrowRight');
  await see(page, '70% of the time');
  await chapter(page, 'upkeep');
  await fill(page, 'Time for the foils', '70');
  await saved(page);
  await openStep(page, visitId, 'pattern');
  const before = await foilCount(page);
  await press(page, 'Library …');
  await press(page, 'Suggested for this visit');
  await page.waitForSelector('[aria-label="Suggestions"]');
  await see(page, 'tied up 70% of the time: the hairline band carries the look');
  expect(await foilCount(page)).toBe(before);
  expect(await axeFindings(page)).toEqual([]);
  const taken = await page.$eval('button[aria-label^="Apply this suggestion"]', (element) =>
    element.getAttribute('aria-label')!,
  );
  const shown = Number(await page.$eval('[aria-label="Suggestions"] li b', (element) => element.textContent));
  await press(page, taken);
  await page.waitForFunction(
    (n) => Number(document.querySelector('#total-foils')!.textContent) === n,
    {},
    shown,
  );
  await saved(page);
  await page.reload();
  await live(page);
  expect(await foilCount(page)).toBe(shown);
  await press(page, 'Consult');
  await at(page, /consult$/);
});

test('a token is made, shown once, used, and withdrawn', async () => {
  const { page, complaints } = session;
  complaints.length = 0;
  await page.goto(`${address()}/house/tokens`);
  await answers(page, 'form');
  await press(page, 'Make the token');
  await see(page, 'Name: say which tool it is for.');
  await fill(page, 'Name', 'Window screen');
  await press(page, 'Make the token');
  await see(page, 'Window screen: shown once, copy it now.');
  expect(await axeFindings(page)).toEqual([]);
  const secret = await page.$eval('input[readonly]', (element) => (element as HTMLInputElement).value);
  const ask = (path: string) =>
    fetch(`${address()}/api/v1${path}`, { headers: { Authorization: `Bearer ${secret}` } }).then(
      ({ status }) => status,
    );
  expect([await ask('/people'), await ask('/clients')]).toEqual([200, 403]);
  await page.reload();
  await answers(page, 'form');
  await see(page, 'last used');
  expect(await page.content()).not.toContain(secret);
  await press(page, 'Withdraw Window screen');
  // The list says so, not the button: a button that takes no press for a moment has no name to be found by
  // either.
  await page.waitForFunction(
    () =>
      ![...document.querySelectorAll('[aria-label=Tokens] li')].some((element) =>
        element.textContent!.includes('Window screen'),
      ),
  );
  expect(await ask('/people')).toBe(401);
  expect(complaints).toEqual([]);
});
