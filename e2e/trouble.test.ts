import {
  address,
  apart,
  at,
  begin,
  chapter,
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
  signInByHand,
  slide,
  type Session,
} from './harness';

let first: Session;
let second: Session;
beforeAll(async () => {
  [first, second] = [await openBrowser(), await openBrowser()];
});
afterAll(async () => {
  await first.close();
  await second.close();
});

const drop = ({ page }: Session, presses: number) => slide(page, 'Drop-out', presses);

describe('bad input', () => {
  test('sign-in names the field and keeps the address', async () => {
    const { page } = first;
    await page.goto(`${address()}/sign-in`);
    await page.type('input[name=email]', 'nobody');
    await press(page, 'Sign in');
    await see(page, 'E-mail: write an address such as name@salon.example.');
    await see(page, 'Password: it is empty.');
    expect(await page.$eval('input[name=email]', (input) => (input as HTMLInputElement).value)).toBe(
      'nobody',
    );
    await fill(page, 'E-mail', 'ottilie@fernhollow.example');
    await fill(page, 'Password', 'wrong');
    await press(page, 'Sign in');
    await see(page, 'Password: the e-mail address or the password is wrong.');
  });

  test('a client without a name or with an odd phone is not added, and nothing typed is lost', async () => {
    const { page } = first;
    await signInByHand(page);
    await press(page, 'New client');
    await fill(page, 'Phone', 'call me');
    await fill(page, 'Note', 'keeps what was typed');
    await press(page, 'Add client');
    await see(page, 'Name: it is empty.');
    await see(page, 'Phone: it holds something other than digits');
    expect(await page.$eval('textarea[name=note]', (area) => (area as HTMLTextAreaElement).value)).toBe(
      'keeps what was typed',
    );
    expect(new URL(page.url()).pathname).toBe('/clients');
  });

  test('a figure that cannot be read stays in its field with a sentence, and the plan keeps its value', async () => {
    const { page } = first;
    await newVisit(page, 'Odd Figures');
    await chapter(page, 'map');
    await fill(page, 'Crown', 'lots');
    await see(page, 'Crown: write a figure from 0 to 300 mm.');
    await fill(page, 'Crown', '301');
    await see(page, 'Crown: write a figure from 0 to 300 mm.');
    await chapter(page, 'head');
    await fill(page, 'Head circumference', '5500');
    await see(page, 'Head circumference: write a figure from 440 to 680 mm.');
    await page.reload();
    await see(page, 'Measured arcs');
    const value = await page.$eval(
      '::-p-aria([name="Head circumference"])',
      (input) => (input as HTMLInputElement).value,
    );
    expect(value).toBe('550');
  });

  test('the record names the field that is wrong', async () => {
    const { page } = first;
    await press(page, 'Record');
    await at(page, /\/record$/);
    await begin(page);
    await fill(page, 'Foils placed', 'many');
    await press(page, 'Record the visit');
    await see(page, 'Foils placed: must be a whole number.');
    await see(page, 'Not on record yet.');
  });

  test.each([
    ['not json', 400, 'The request body is not JSON.'],
    [
      '{"baseRevision":1,"editId":"2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f10","document":{"format":"x"}}',
      400,
      'format: must be "dappled-lattice/plan".',
    ],
    [
      '{"baseRevision":-1,"editId":"2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f10","document":{}}',
      400,
      'baseRevision',
    ],
  ])('a request body of %j is refused with a sentence', async (body, status, problem) => {
    const { page } = first;
    const path = `/api/visits/${new URL(page.url()).pathname.split('/')[2]}/plan`;
    const answer = await page.evaluate(
      async (to, text) => {
        const response = await fetch(to, { method: 'PUT', body: text });
        return { status: response.status, problem: ((await response.json()) as { problem: string }).problem };
      },
      path,
      body,
    );
    expect(answer.status).toBe(status);
    expect(answer.problem).toContain(problem);
  });

  test('an address that leads nowhere says so', async () => {
    const { page } = first;
    for (const path of [
      '/clients/none',
      `/clients/${crypto.randomUUID()}`,
      `/visits/${crypto.randomUUID()}/pattern`,
      '/nowhere',
    ]) {
      await page.goto(`${address()}${path}`);
      await see(page, 'Not in this salon');
    }
  });
});

describe('two people on one visit', () => {
  test('a stale edit is kept as a draft with its differences, and can be taken over', async () => {
    await signInByHand(second.page, 'bram@fernhollow.example');
    const visit = await newVisit(first.page, 'Two At Once', null);
    for (const { page } of [first, second]) await openStep(page, visit, 'pattern');
    await apart(second, async () => {
      await drop(first, 2);
      await saved(first.page);
      await drop(second, 7);
    });
    await see(second.page, 'You and somebody else changed the same thing in the pattern.');
    await see(second.page, 'Back, drop-out: yours 12 mm, saved 7 mm');
    expect(await axeFindings(second.page)).toEqual([]);
    const theirs = await foilCount(first.page);
    await second.page.waitForFunction(
      (n) => document.querySelector('#total-foils')?.textContent === String(n),
      {},
      theirs,
    );

    // Still there after a reload; then taken over and saved.
    await second.page.reload();
    await live(second.page);
    await see(second.page, 'Back, drop-out: yours 12 mm, saved 7 mm');
    await press(second.page, 'Apply mine');
    await see(second.page, '4 + 12 mm');
    await saved(second.page);
    expect(await foilCount(second.page)).toBeLessThan(theirs);
    await second.page.reload();
    await see(second.page, '4 + 12 mm');
    expect(await second.page.$('[aria-label="Your draft"]')).toBeNull();

    // The first sees it by itself.
    await see(first.page, '4 + 12 mm');
  });
});

test('two people on one hair map: the later one is kept as a draft with its zones, and nothing is overwritten', async () => {
  const visit = await newVisit(first.page, 'Map For Two', null);
  for (const { page } of [first, second]) {
    await openStep(page, visit, 'consult');
    await chapter(page, 'map');
  }
  await apart(second, async () => {
    await fill(first.page, 'Temple', '14');
    await saved(first.page);
    await fill(second.page, 'Temple', '20');
  });
  await see(second.page, 'You and somebody else changed the same thing in the consultation.');
  await see(second.page, 'regrowth, temple, left: yours 20 mm, saved 14 mm');
  await second.page.waitForFunction(
    () =>
      document.querySelector('[data-zone="temple-l"]')?.getAttribute('aria-label') === 'Temple, left: 14 mm',
  );
  await press(second.page, 'Apply mine');
  await second.page.waitForFunction(
    () =>
      document.querySelector('[data-zone="temple-l"]')?.getAttribute('aria-label') === 'Temple, left: 20 mm',
  );
  await saved(second.page);
  await first.page.waitForFunction(
    () =>
      document.querySelector('[data-zone="temple-r"]')?.getAttribute('aria-label') === 'Temple, right: 20 mm',
  );
});

test('a change that both made is taken over panel by panel', async () => {
  const visit = await newVisit(first.page, 'Panel By Panel', null);
  for (const { page } of [first, second]) await openStep(page, visit, 'pattern');
  await apart(second, async () => {
    await press(first.page, 'Foil the panel Side, right');
    await drop(first, 2);
    await saved(first.page);
    await drop(second, 7);
  });
  await see(second.page, 'You and somebody else changed the same thing in the pattern.');
  // What only the other changed is taken over already, and nothing is asked about it.
  expect(await second.page.$eval('[data-panel-foils="side-right"]', (element) => element.textContent)).toBe(
    '–',
  );
  expect(
    await second.page.$$eval('[aria-label="Panel by panel"] button', (all) =>
      all.map((element) => element.textContent),
    ),
  ).toEqual(['Apply Back, as you have it']);
  await press(second.page, 'Apply Back, as you have it');
  await see(second.page, '4 + 12 mm');
  await second.page.waitForFunction(() => document.querySelector('[aria-label="Your draft"]') === null);
  await saved(second.page);
  expect(await second.page.$eval('[data-panel-foils="side-right"]', (element) => element.textContent)).toBe(
    '–',
  );
});

describe('a lost connection', () => {
  test('work goes on, survives a closed window, and is saved once when the network is back', async () => {
    const { page } = first;
    const visit = await newVisit(page, 'Bad Cellar', 'pattern');
    await page.setOfflineMode(true);
    await drop(first, 4);
    await page.waitForFunction(() =>
      [...document.querySelectorAll('header [role=status]')].some((e) =>
        e.textContent?.startsWith('Not saved yet'),
      ),
    );
    const edited = await foilCount(page);
    await page.goto('about:blank');
    await page.setOfflineMode(false);
    await openStep(page, visit, 'pattern');
    await see(page, '4 + 9 mm');
    await saved(page);
    expect(await foilCount(page)).toBe(edited);
    await page.reload();
    await page.waitForSelector('#total-foils');
    expect(await foilCount(page)).toBe(edited);
    expect(await page.$('[aria-label="Your draft"]')).toBeNull();
  });
});
