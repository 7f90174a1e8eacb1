import {
  fill,
  foilCount,
  live,
  newVisit,
  openBrowser,
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

const panels = () =>
  session.page.$$eval('[data-panel-foils]', (all) =>
    all.map((element) => [element.getAttribute('data-panel-foils'), Number(element.textContent)] as const),
  );
const choose = async (trigger: string, item: string) => {
  await press(session.page, trigger);
  const found = (await session.page.waitForSelector(
    `::-p-xpath(//*[@role="menuitem"][.//*[normalize-space()="${item}"]])`,
  ))!;
  await found.click();
};
const pressFirst = async (words: string) => {
  const found = (await session.page.waitForSelector(`::-p-xpath(//button[normalize-space()="${words}"])`))!;
  await found.click();
};

test('a pattern from the library is laid on this head, and undone by name', async () => {
  const { page } = session;
  await newVisit(page, 'Library Head', 'pattern');
  await page.waitForSelector('#total-foils');
  const before = await foilCount(page);
  await press(page, 'Library …');
  await page.waitForFunction(() => document.querySelectorAll('[role=dialog] svg[role=img]').length >= 18, {
    timeout: 30_000,
  });
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Apply: Rim for hair worn up');
  await see(page, 'Front rim');
  expect(await foilCount(page)).toBeLessThanOrEqual(15);
  expect((await panels()).map(([id]) => id)).toEqual(['nape', 'sides', 'front']);
  await press(page, 'Undo: pattern Rim for hair worn up');
  expect(await foilCount(page)).toBe(before);
  await press(page, 'Redo: pattern Rim for hair worn up');
  await saved(page);
  await page.reload();
  await live(page);
  expect(await foilCount(page)).toBeLessThanOrEqual(15);
});

test('panels are added, copied, mirrored, moved by keyboard and removed', async () => {
  const { page } = session;
  await newVisit(page, 'Panel Head', 'pattern');
  await choose('More for Side, right', 'Remove');
  expect((await panels()).map(([id]) => id)).toEqual(['back', 'side-left']);
  await choose('More for Side, left', 'Mirror to the other side');
  const [, left, right] = await panels();
  expect(right[0]).toBe('side-right');
  expect(right[1]).toBe(left[1]);
  await choose('Add a panel', 'Face frame');
  await see(page, 'triangle at the face');
  const withFace = await panels();
  expect(withFace.find(([id]) => id === 'face')![1]).toBeGreaterThan(4);
  // What the face frame takes, the sides no longer have.
  expect(withFace.find(([id]) => id === 'side-left')![1]).toBeLessThan(left[1]);
  await choose('More for Back', 'Duplicate');
  await see(page, 'Back 2');
  await choose('More for Back 2', 'Remove');
  const back = (await page.waitForSelector('[data-panel-foils="back"]'))!;
  await back.evaluate((element) => (element.closest('button') as HTMLButtonElement).focus());
  await page.keyboard.down('Alt');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.up('Alt');
  await page.waitForFunction(
    () => document.querySelectorAll('[data-panel-foils]')[1].getAttribute('data-panel-foils') === 'back',
  );
  expect(await axeFindings(page)).toEqual([]);
  await saved(page);
});

test('a finding says what and why, and its mend is one press', async () => {
  const { page, complaints } = session;
  await newVisit(page, 'Back Only', 'pattern');
  for (const panel of ['Side, left', 'Side, right']) await press(page, `Foil the panel ${panel}`);
  await page.waitForFunction(() => /things? to look at/.test(document.body.innerText));
  const toggle = (await page.waitForSelector('button[aria-expanded="false"]::-p-text(to look at)'))!;
  await toggle.click();
  await see(page, 'of the hairline round the face.');
  expect(await axeFindings(page)).toEqual([]);
  await pressFirst('Add a fine weave there');
  await see(page, 'Rim');
  await page.waitForFunction(() => !document.body.innerText.includes('of the hairline round the face.'));
  await press(page, 'Undo: Add a fine weave there');
  await see(page, 'of the hairline round the face.');
  await saved(page);
  expect(complaints).toEqual([]);
});

test('one foil is changed by hand, and is as the recipe has it again', async () => {
  const { page } = session;
  await newVisit(page, 'By Hand', 'pattern');
  await page.waitForSelector('#total-foils');
  const before = await foilCount(page);
  const cell = (await page.$$('footer svg g[data-unit]'))[10];
  await cell.click();
  await press(page, 'Make it a slice');
  await see(page, ', by hand');
  await press(page, 'Back to the recipe');
  await page.waitForFunction(() => !document.body.innerText.includes(', by hand'));
  await press(page, 'Remove');
  await page.waitForFunction(
    (n) => Number(document.querySelector('#total-foils')!.textContent) === n,
    {},
    before - 1,
  );
  await saved(page);
  expect(await axeFindings(page)).toEqual([]);
});

test('enlarged, every foil carries its number; all of the head is one press away', async () => {
  const { page } = session;
  const numbers = () => page.$$eval('[aria-label^="Opened head with"] text', (all) => all.length);
  const before = await numbers();
  await press(page, 'Larger');
  await press(page, 'Larger');
  const foils = await foilCount(page);
  await page.waitForFunction(
    (n) => document.querySelectorAll('[aria-label^="Opened head with"] text').length >= n,
    {},
    foils,
  );
  await press(page, 'All');
  await page.waitForFunction(
    (n) => document.querySelectorAll('[aria-label^="Opened head with"] text').length === n,
    {},
    before,
  );
});

test('the dim theme and the left hand are kept on this device, and ? shows the shortcuts', async () => {
  const { page } = session;
  await choose('View and shortcuts', 'Dim theme');
  await choose('View and shortcuts', 'Left-handed');
  expect(await axeFindings(page)).toEqual([]);
  await page.reload();
  await live(page);
  expect(await page.evaluate(() => ({ ...document.documentElement.dataset }))).toMatchObject({
    theme: 'dim',
    hand: 'left',
  });
  const places = await page.evaluate(() =>
    ['nav[aria-label="Panels in working order"]', 'aside'].map(
      (own) => document.querySelector(own)!.getBoundingClientRect().left,
    ),
  );
  expect(places[0]).toBeGreaterThan(places[1]);
  await page.keyboard.press('?');
  await see(page, 'move a panel in the order of work');
  await page.keyboard.press('Escape');
  await choose('View and shortcuts', 'Day theme');
  await choose('View and shortcuts', 'Right-handed');
});

test('the plan is fitted to a number of foils: shown first, then taken, then undone', async () => {
  const { page } = session;
  await newVisit(page, 'Fitted Head', 'pattern');
  await page.waitForSelector('#total-foils');
  const before = await foilCount(page);
  await press(page, 'Fit to …');
  await fill(page, 'At most this many foils', '60');
  await press(page, 'Show how');
  await see(page, 'Lost:');
  expect(await foilCount(page)).toBe(before);
  expect(await axeFindings(page)).toEqual([]);
  await press(page, 'Apply');
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')!.textContent) <= 60);
  expect(await foilCount(page)).toBeGreaterThan(50);
  await press(page, 'Undo: fitted to 60 foils');
  expect(await foilCount(page)).toBe(before);
  await press(page, 'Fit to …');
  await fill(page, 'At most this many foils', '2');
  await press(page, 'Show how');
  await see(page, 'Even with its widest spacing this pattern takes');
  await press(page, 'Close');
  await saved(page);
});

test('a target is solved to a drop-out that is said', async () => {
  const { page } = session;
  const rule = await waitForNamed(page, 'Spacing rule');
  await rule!.evaluate((element) => {
    const select = element as HTMLSelectElement;
    select.value = 'count';
    select.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await see(page, 'Comes to a drop-out of');
  await saved(page);
});
