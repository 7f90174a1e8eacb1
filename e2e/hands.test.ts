import type { Page } from 'puppeteer-core';
import {
  at,
  address,
  chapter,
  fill,
  live,
  newVisit,
  openBrowser,
  press,
  saved,
  see,
  signIn,
  type Session,
  dialogClosed,
  waitForNamed,
} from './harness';

/** The whole visit at three sizes: by mouse at a desk, by finger on a tablet, and on a phone. */
const SIZES = [
  { name: '1280 × 800, mouse', width: 1280, height: 800, touch: false },
  { name: '1024 × 768, touch', width: 1024, height: 768, touch: true },
  { name: '390 × 844, phone', width: 390, height: 844, touch: true },
] as const;
let session: Session;
let page: Page;

async function open(size: (typeof SIZES)[number]): Promise<void> {
  session = await openBrowser(size.width, size.height);
  ({ page } = session);
  await page.setViewport({
    width: size.width,
    height: size.height,
    hasTouch: size.touch,
    isMobile: size.width < 500,
  });
  await signIn(page);
  await page.goto(`${address()}/clients`);
}
afterEach(() => session.close());

/**
 * Begins the service from its dialog, and goes on to the first foil at the chair.
 * @param act how a button or link is pressed
 */
async function toFirstFoil(act: (words: string) => Promise<void>): Promise<void> {
  await act('Begin the service');
  await dialogClosed(page);
  await act('Chair');
  await see(page, 'The clock runs from the first foil on');
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await act('Start');
  await see(page, 'Foil 1');
}

test('on a phone, a new client is foiled within forty actions', async () => {
  await open(SIZES[2]);
  let actions = 0;
  const act = async (words: string) => {
    actions += 1;
    await press(page, words);
  };
  const choose = async (label: string, words: string) => {
    actions += 1;
    const list = await waitForNamed(page, label);
    await (await list.waitForSelector(`::-p-text(${words})`))!.click();
  };
  await act('New client');
  await fill(page, 'Name', 'Forty Actions');
  actions += 1;
  await act('Add client');
  await at(page, /\/clients\/[0-9a-f-]+$/);
  await act('New visit');
  await live(page);
  await chapter(page, 'safety');
  actions += 1;
  for (const [label, words] of [
    ['Allergic reaction to colour', 'None known'],
    ['Metal-salt or plant dyes', 'None'],
    ['Scalp', 'Sound'],
    ['A wet strand, pulled gently', 'Springs back'],
  ])
    await choose(label, words);
  await saved(page);
  await act('Pattern');
  await at(page, /\/pattern$/);
  await act('Panels');
  await act('Library …');
  await act('Suggested for this visit');
  const apply = (await page.waitForSelector('[role=dialog] ::-p-text(Apply this suggestion)'))!;
  actions += 1;
  await apply.click();
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')?.textContent) > 0);
  if (await page.$('[role=dialog]')) await act('Close');
  await saved(page);
  const open_ = (await page.waitForSelector('[aria-label=Cautions] button'))!;
  actions += 1;
  await open_.click();
  await page.waitForSelector('[role=dialog]');
  for (let left = await page.$$eval('[role=dialog] li form', (forms) => forms.length); left > 0; left -= 1) {
    await page.click('[role=dialog] li form button[type=button]');
    await page.click('[role=dialog] li form button[type=submit]');
    actions += 2;
    await page.waitForFunction(
      (before) => document.querySelectorAll('[role=dialog] li form').length < before,
      {},
      left,
    );
  }
  await toFirstFoil(act);
  expect(actions).toBeLessThanOrEqual(40);
});

test('by finger a slider moves by a pull and not by a swipe, a panel opens its foils, and Back closes what is open', async () => {
  await open(SIZES[1]);
  await newVisit(page, 'By Finger');
  const level = async () =>
    Number(await page.$eval('[role=slider]', (element) => element.getAttribute('aria-valuenow')));
  const track = (await page.waitForSelector('[role=slider]'))!;
  const box = await track.evaluate((element) => {
    const { left, top, width, height } = element.parentElement!.parentElement!.getBoundingClientRect();
    return { left, top, width, height };
  });
  const swipe = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
    const touch = await page.touchscreen.touchStart(from.x, from.y);
    for (let i = 1; i <= 6; i += 1)
      await touch.move(from.x + ((to.x - from.x) * i) / 6, from.y + ((to.y - from.y) * i) / 6);
    await touch.end();
  };
  const before = await level();
  const beside = { x: box.left + box.width * 0.9, y: box.top + box.height / 2 };
  await page.touchscreen.tap(beside.x, beside.y);
  await swipe(beside, { x: beside.x, y: beside.y + 120 });
  expect(await level()).toBe(before);
  await swipe(beside, { x: beside.x - box.width / 2, y: beside.y });
  await page.waitForFunction(
    (was) => Number(document.querySelector('[role=slider]')!.getAttribute('aria-valuenow')) < was,
    {},
    before,
  );

  await press(page, 'Pattern');
  await at(page, /\/pattern$/);
  await page.waitForSelector('footer[aria-label="Foils in the order of work"] svg');
  const panel = (await page.waitForSelector('footer button[aria-haspopup=dialog]'))!;
  // While the page is drawn again under it a tap may be lost: a person taps once more.
  const third = '[aria-label^="Foils of"] button[aria-label^="Foil 3,"]';
  for (let tries = 0; tries < 3; tries += 1) {
    await panel.tap();
    if (await page.waitForSelector(third, { timeout: 10_000 }).catch(() => null)) break;
  }
  await (await page.waitForSelector(third))!.tap();
  await page.waitForSelector('[aria-label="Change this foil"]');
  await press(page, 'Library …');
  await page.waitForSelector('[role=dialog]');
  await page.goBack();
  await dialogClosed(page);
  expect(new URL(page.url()).pathname).toMatch(/\/pattern$/);
});

test('what was chosen, and the steps back, survive a reload; a changed form asks before it is left', async () => {
  await open(SIZES[0]);
  await newVisit(page, 'Reloaded Visit', 'pattern');
  await at(page, /\/pattern$/);
  await fill(page, 'Drop-out, typed', '9');
  await page.keyboard.press('Enter');
  await saved(page);
  const label = await page.$eval('header button[aria-label^="Undo"]', (element) =>
    element.getAttribute('aria-label'),
  );
  expect(label).toMatch(/^Undo: .*9 mm/);
  await press(page, 'Round head, large');
  await page.reload();
  await live(page);
  await waitForNamed(page, label!);
  await waitForNamed(page, 'Opened head, large');
  await press(page, label!);
  await saved(page);

  await press(page, 'Opened head, large');
  // Arrow keys go from foil to foil; each says its measures.
  await (await page.waitForSelector('[role=listbox][aria-label="Foils, by arrow keys"]'))!.focus();
  await page.keyboard.press('ArrowRight');
  await page.waitForFunction(() =>
    /row 1, .*: \d+ mm × [\d.]+ mm, .* stitches, \d+% picked/.test(
      document.querySelector('[role=option][aria-selected=true]')?.textContent ?? '',
    ),
  );

  await page.goto(`${address()}/house`);
  await fill(page, 'Tolerance', '24');
  await press(page, 'Clients');
  await see(page, 'Leave without saving?');
  await press(page, 'Stay');
  expect(new URL(page.url()).pathname).toBe('/house');
  await press(page, 'Clients');
  await press(page, 'Leave');
  await at(page, /\/clients$/);
});

test('a finger that rests on a foil of the list lights it on the head, as a mouse over it does', async () => {
  await open(SIZES[1]);
  const visit = await newVisit(page, 'Rests On It');
  await page.goto(`${address()}/visits/${visit}/pattern`);
  await live(page);
  await (await page.waitForSelector('button[aria-label^="Rows of"]'))!.tap();
  const foil = (await page.waitForSelector('button[aria-label^="Row 2, foil "]'))!;
  await foil.evaluate((element) => element.scrollIntoView({ block: 'center' }));
  /** Foils that stand out on the head. */
  const bright = () => page.$$eval('svg path[stroke="var(--color-white)"]', (all) => all.length);
  const before = await bright();
  const { x, y, width, height } = (await foil.boundingBox())!;
  await page.touchscreen.touchStart(x + width / 2, y + height / 2);
  await page.waitForFunction((element) => element.classList.contains('bg-field'), {}, foil);
  expect(await bright()).toBeGreaterThan(before);
  await page.touchscreen.touchEnd();
  // Let go again, it was a press: that foil is chosen.
  await page.waitForFunction((element) => element.classList.contains('bg-leaf'), {}, foil);
});

test('by keyboard alone, from a new client to the first foil', async () => {
  await open(SIZES[0]);
  const key = page.keyboard;
  const focused = () =>
    page.evaluate(() => {
      const element = document.activeElement as HTMLElement;
      return {
        name: (element.getAttribute('aria-label') ?? element.innerText).trim(),
        group: element.closest('[role=radiogroup], [role=group]')?.getAttribute('aria-label') ?? '',
      };
    });
  /** Tab after tab, until the focus is on what begins with these words, or in the group of that name. */
  const tabTo = async (words: string, group = false) => {
    for (let presses = 0; presses < 300; presses += 1) {
      const now = await focused();
      if (group ? now.group === words : now.name.startsWith(words)) return;
      await key.press('Tab');
    }
    throw new Error(`Tab does not reach “${words}”.`);
  };
  const act = async (words: string) => {
    await tabTo(words);
    await key.press('Enter');
  };
  const choose = async (label: string, words: string) => {
    await tabTo(label, true);
    for (let presses = 0; (await focused()).name !== words; presses += 1) {
      if (presses > 8) throw new Error(`“${label}” has no “${words}” for the arrow keys.`);
      await key.press('ArrowRight');
    }
    await key.press('Space');
  };
  /** Its first field takes the focus; keys before that go elsewhere. */
  const dialogHasFocus = () =>
    page.waitForFunction(() => document.querySelector('[role=dialog]')?.contains(document.activeElement));
  await page.waitForSelector('main table');
  await act('New client');
  await dialogHasFocus();
  await key.type('Keys Only');
  await key.press('Enter');
  await at(page, /\/clients\/[0-9a-f-]+$/);
  await waitForNamed(page, 'New visit');
  await act('New visit');
  await live(page);
  await act('Tests and cautions');
  await page.waitForSelector(
    '[role=radiogroup][aria-label="Allergic reaction to colour"], [role=group][aria-label="Allergic reaction to colour"]',
  );
  for (const [label, words] of [
    ['Allergic reaction to colour', 'None known'],
    ['Metal-salt or plant dyes', 'None'],
    ['Scalp', 'Sound'],
    ['A wet strand, pulled gently', 'Springs back'],
  ])
    await choose(label, words);
  await saved(page);
  await act('Pattern');
  await at(page, /\/pattern$/);
  await live(page);
  await act('Library …');
  await dialogHasFocus();
  await choose('Shelf', 'Suggested for this visit');
  await page.waitForSelector('::-p-text(Apply this suggestion)');
  await act('Apply this suggestion');
  await page.waitForFunction(() => Number(document.querySelector('#total-foils')?.textContent) > 0);
  await key.press('Escape');
  await dialogClosed(page);
  await saved(page);
  await act('Before you begin');
  await dialogHasFocus();
  const reasons = () => page.$$eval('[role=dialog] li form', (forms) => forms.length);
  for (let left = await reasons(); left > 0; left = await reasons()) {
    // The first reason that is offered, and its own button.
    await page.waitForFunction(
      (before) => document.querySelectorAll('[role=dialog] li form').length === before,
      {},
      left,
    );
    while (
      !(await page.evaluate(() =>
        document.activeElement!.matches('[role=dialog] li form button[type=button]'),
      ))
    )
      await key.press('Tab');
    await key.press('Enter');
    while (
      !(await page.evaluate(() =>
        document.activeElement!.matches('[role=dialog] li form button[type=submit]'),
      ))
    )
      await key.press('Tab');
    await key.press('Enter');
    await page.waitForFunction(
      (before) => document.querySelectorAll('[role=dialog] li form').length < before,
      {},
      left,
    );
  }
  await toFirstFoil(act);
});

test('what was typed is back after the page went down with it, and gone once the form was closed', async () => {
  await open(SIZES[0]);
  page.on('dialog', (dialog) => void dialog.accept());
  const typed = async () => {
    await page.waitForSelector('main table');
    await press(page, 'New client');
    await page.waitForSelector('[role=dialog]');
    return page.$eval('[role=dialog] input[name=name]', (element) => (element as HTMLInputElement).value);
  };
  expect(await typed()).toBe('');
  await fill(page, 'Name', 'Typed Halfway');
  await new Promise((resolve) => setTimeout(resolve, 100));
  await page.reload();
  expect(await typed()).toBe('Typed Halfway');
  await see(page, 'What you had typed here is back');
  await page.keyboard.press('Escape');
  await press(page, 'Discard');
  await dialogClosed(page);
  expect(await typed()).toBe('');
});
