import type { ElementHandle, Page } from 'puppeteer-core';
import {
  address,
  answers,
  axeFindings,
  live,
  newVisit,
  openBrowser,
  signIn,
  type Session,
  dialogClosed,
} from './harness';

/**
 * What opens a dialog: where, and what is pressed for it, one after the other; and what has the focus
 * afterwards.
 */
const DIALOGS: readonly { route: string; presses: readonly string[]; back?: string }[] = [
  { route: 'clients', presses: ['New client'] },
  { route: 'clients', presses: ['Walk-in'] },
  { route: 'client', presses: ['More for Any Grade', 'Name, phone'], back: 'More for Any Grade' },
  { route: 'client', presses: ['More for Any Grade', 'Merge with'], back: 'More for Any Grade' },
  { route: 'client', presses: ['More for Any Grade', 'Erase for good'], back: 'More for Any Grade' },
  { route: 'day', presses: ['Book'] },
  { route: 'day', presses: ['Calendar …'] },
  { route: 'house/products', presses: ['Add a product', 'Lightener'], back: 'Add a product' },
  { route: 'house/people', presses: ['More for Ottilie', 'Working hours'], back: 'More for Ottilie' },
  { route: 'visit/consult', presses: ['Before you begin'] },
  { route: 'visit/consult#worn', presses: ['Before you begin'] },
  { route: 'visit/pattern', presses: ['Library …'] },
  { route: 'visit/pattern', presses: ['Fit to …'] },
  { route: 'visit/wear', presses: ['Show the client'] },
  { route: 'visit/mix#price', presses: ['Fit to a budget'] },
];

let session: Session;
let page: Page;
let visit: string;
let client: string;

beforeAll(async () => {
  session = await openBrowser();
  ({ page } = session);
  await signIn(page);
  visit = await newVisit(page, 'Any Grade');
  client = await page.$eval('header a[href^="/clients/"]', (element) =>
    element.getAttribute('href')!.slice(1),
  );
});
afterAll(() => session.close());

const open = async (route: string) => {
  await page.goto('about:blank');
  await page.goto(
    `${address()}/${route === 'client' ? client : route.replace(/^visit\//, `visits/${visit}/`)}`,
  );
  if (route.startsWith('visit/')) await live(page);
  else await answers(page, 'main button, main a');
};

/** Presses what stands on the page and begins with these words. */
async function pressed(words: string): Promise<void> {
  const found = await page.waitForFunction(
    (start) => {
      const name = (element: HTMLElement) => (element.getAttribute('aria-label') ?? element.innerText).trim();
      return [...document.querySelectorAll<HTMLElement>('button, [role=menuitem]')].find(
        (element) => element.offsetParent !== null && name(element).startsWith(start),
      );
    },
    {},
    words,
  );
  await (found as ElementHandle<HTMLElement>).click();
}

test.each(DIALOGS)(
  '$route, $presses: no finding; the focus begins in it and goes back',
  async ({ route, presses, back = presses.at(-1)! }) => {
    await open(route);
    for (const words of presses) await pressed(words);
    await page.waitForSelector('[role=dialog]');
    expect(await axeFindings(page, ['light', 'dim'])).toEqual([]);
    const fields =
      ':is(input:not([type=hidden], [type=file]), select, textarea, [role=radio], [role=switch])';
    expect(
      await page.evaluate((own) => {
        const dialog = document.querySelector('[role=dialog]')!;
        return dialog.querySelector(own)
          ? document.activeElement!.matches(own)
          : dialog.contains(document.activeElement);
      }, fields),
    ).toBe(true);
    await page.keyboard.press('Escape');
    await dialogClosed(page);
    const now = await page.evaluate(() =>
      (
        document.activeElement?.getAttribute('aria-label') ??
        (document.activeElement as HTMLElement).innerText
      ).trim(),
    );
    expect(now.slice(0, back.length)).toBe(back);
  },
);
