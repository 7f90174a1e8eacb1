import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import axe from 'axe-core';
import { sealData } from 'iron-session';
import puppeteer, {
  TimeoutError,
  type Browser,
  type CDPSession,
  type ElementHandle,
  type Page,
  type Target,
} from 'puppeteer-core';
import type { Chapter } from '@/core/consult';
import { createClient } from '@/data/clients';
import { closeDatabase } from '@/data/database';
import { DEMO_PASSWORD } from '@/data/demo/people';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { sessionOf, signedIn } from '@/data/testing/actor';
import { createVisit } from '@/data/visits';
import { today } from '@/core/units';

const CHROMIUM =
  process.env.LATTICE_CHROMIUM ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((file) => existsSync(file))!;
const FLAGS = [
  '--headless',
  // Pages live for seconds here: what the last compiler and the collector take for them never comes back.
  '--js-flags=--no-turbofan --min-semi-space-size=32',
  '--no-sandbox',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--disable-gpu-rasterization',
  '--disable-gpu-compositing',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  // Pages of the browser's own that nobody looks at take their share of the cores.
  '--disable-features=PreloadTopChromeWebUI,WebUITabStrip,InitialWebUI',
  // A camera that shows a test picture.
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
];

/** Address of the built application; bin/test serves it. */
export function address(): string {
  const at = process.env.LATTICE_TEST_ADDRESS;
  if (!at) throw new Error('The browser tests need the built application: run bin/test.');
  return at;
}

export interface Session {
  readonly browser: Browser;
  readonly page: Page;
  /** What the page complained about: uncaught errors and console errors. */
  readonly complaints: string[];
  close(): Promise<void>;
}

/**
 * A browser of one's own with an empty profile.
 * @param solids whether it draws bodies (WebGL): without a graphics card that takes the cores from everything
 *   else
 * @param keeps whether it keeps the application and its pages for when there is no network: each new profile takes
 *   4 s of the cores for that
 */
export async function openBrowser(
  width = 1280,
  height = 800,
  { solids = false, keeps = false } = {},
): Promise<Session> {
  const userDataDir = mkdtempSync(path.join(tmpdir(), 'lattice-browser-'));
  const browser = await puppeteer.launch({
    executablePath: CHROMIUM,
    args: solids ? FLAGS : [...FLAGS, '--disable-3d-apis'],
    userDataDir,
  });
  const page = await browser.newPage();
  await page.setViewport({ width, height });
  page.setDefaultTimeout(120_000);
  lookNowAndThen(page);
  if (!keeps) await page.evaluateOnNewDocument('delete Navigator.prototype.serviceWorker');
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  // With the address, since “failed to load” alone says nothing of what.
  page.on(
    'console',
    (message) =>
      message.type() === 'error' &&
      complaints.push(`${message.text()} ${message.location().url ?? ''}`.trim()),
  );
  return {
    browser,
    page,
    complaints,
    close: async () => {
      await browser.close();
      rmSync(userDataDir, { recursive: true, force: true });
    },
  };
}

/**
 * Signs somebody in without the form: the page holds their session and stands on an address of the application
 * that draws nothing. The form is filled in where it is tested, {@link signInByHand}.
 */
export async function signIn(page: Page, email = 'ottilie@fernhollow.example'): Promise<void> {
  const secret = process.env.LATTICE_SESSION_SECRET;
  if (!secret) throw new Error('The browser tests need the server’s secret: run bin/test.');
  await page.setCookie({
    name: 'lattice',
    value: await sealData({ sessionId: await sessionOf(email) }, { password: secret }),
    url: address(),
    httpOnly: true,
    sameSite: 'Lax',
  });
  await page.goto(`${address()}/healthz`);
  emails.set(page, email);
}

export async function signInByHand(
  page: Page,
  email = 'ottilie@fernhollow.example',
  password = DEMO_PASSWORD,
): Promise<void> {
  await page.goto(`${address()}/sign-in`);
  await page.type('input[name=email]', email);
  await page.type('input[name=password]', password);
  await press(page, 'Sign in');
  await at(page, /\/clients$/);
  emails.set(page, email);
}

/** Waits until the page's path fits, and the step of a visit that it names is drawn. */
export async function at(page: Page, fits: RegExp): Promise<void> {
  await page.waitForFunction(
    (source) => {
      if (!new RegExp(source).test(location.pathname)) return false;
      const drawn = document.querySelector('nav[aria-label="Steps of the visit"] [aria-current=step]');
      return (
        drawn === null ||
        (drawn.getAttribute('href') === location.pathname &&
          document.querySelector('[data-opening]') === null)
      );
    },
    {},
    fits.source,
  );
}

type Step = 'consult' | 'pattern' | 'wear' | 'mix' | 'clock' | 'record';

/**
 * Opens a step of a visit and waits until it answers, not only shows: by its link where a page of this visit is
 * open, as whoever works there does, in a third of the time.
 */
export async function openStep(page: Page, visitId: string, step: Step): Promise<void> {
  const path = `/visits/${visitId}/${step}`;
  const opened = await page.evaluate((wanted) => {
    const link = [...document.querySelectorAll('nav[aria-label="Steps of the visit"] a')].find(
      (element) => element.getAttribute('href') === wanted,
    );
    if (!link || document.querySelector('[role=dialog]')) return false;
    (link as HTMLElement).click();
    return true;
  }, path);
  if (!opened) await page.goto(`${address()}${path}`);
  await at(page, new RegExp(`^${path}$`));
  await live(page);
}

export async function live(page: Page): Promise<void> {
  await page.waitForSelector('[data-live=true]:not(:has([data-opening]))');
}

/** Cuts the network of a page and of its service worker, or brings it back. */
export async function offline({ browser, page }: Session, off: boolean): Promise<void> {
  await page.setOfflineMode(off);
  for (const target of browser.targets()) {
    if (target.type() !== 'service_worker') continue;
    // One for each worker: what one of them cut, another does not bring back.
    const client = cutters.get(target) ?? (await target.createCDPSession());
    cutters.set(target, client);
    await client.send('Network.enable');
    await client.send('Network.emulateNetworkConditions', {
      offline: off,
      latency: 0,
      downloadThroughput: -1,
      uploadThroughput: -1,
    });
  }
}

const cutters = new WeakMap<Target, CDPSession>();

/** Does something while the network of a page is cut. */
export async function apart(session: Session, work: () => Promise<void>): Promise<void> {
  await offline(session, true);
  await work();
  await offline(session, false);
}

/** Waits until the application and some pages are kept on the device. */
export async function keptOnDevice(page: Page, paths: readonly string[]): Promise<void> {
  await page.waitForFunction(
    async (wanted) => {
      if (!navigator.serviceWorker.controller) return false;
      const names = (await caches.keys()).filter((name) => name.startsWith('lattice-pages-'));
      const kept = (
        await Promise.all(
          names.map(async (name) =>
            (await (await caches.open(name)).keys()).map(({ url }) => new URL(url).pathname),
          ),
        )
      ).flat();
      return wanted.every((path) => kept.includes(path));
    },
    {},
    paths,
  );
}

/**
 * Waits until what fits the selector answers, not only shows: on pages that say nothing of it themselves.
 * React is asked, as it asks itself before it lets an event through.
 */
export async function answers(page: Page, selector: string): Promise<void> {
  await page.waitForFunction(
    (own) => {
      interface Fiber {
        alternate: Fiber | null;
        flags: number;
        return: Fiber | null;
      }
      /** Placement and Hydrating: React has drawn it, and not taken it over yet; a press is lost then. */
      const NOT_YET = 2 | 4096;
      const element = document.querySelector(own);
      const key = Object.keys(element ?? {}).find((name) => name.startsWith('__reactFiber'));
      if (!element || !key) return false;
      for (
        let fiber = (element as unknown as Record<string, Fiber>)[key] as Fiber | null;
        fiber;
        fiber = fiber.return
      )
        if (fiber.alternate === null && fiber.flags & NOT_YET) return false;
      return true;
    },
    {},
    selector,
  );
}

/** Goes to a chapter of the consultation that is open. */
export async function chapter(page: Page, key: Chapter): Promise<void> {
  await (await page.waitForSelector(`nav[aria-label="Consultation"] a[href="#${key}"]`))!.click();
  await page.waitForSelector(`nav[aria-label="Consultation"] a[href="#${key}"][aria-current="true"]`);
}

/**
 * Gives the usual reason for each caution that asks one, and begins the service; the record's step is open.
 */
export async function begin(page: Page): Promise<void> {
  await press(page, 'Before you begin');
  await page.waitForSelector('[role=dialog]');
  const reasons = () => page.$$eval('[role=dialog] li form', (forms) => forms.length);
  for (let left = await reasons(); left > 0; left = await reasons()) {
    await page.click('[role=dialog] li form button[type=button]');
    await page.click('[role=dialog] li form button[type=submit]');
    await page.waitForFunction(
      (before) => document.querySelectorAll('[role=dialog] li form').length < before,
      {},
      left,
    );
  }
  await press(page, 'Begin the service');
  // A page that is drawn anew under the hand loses a press; while the server answers, the button takes none.
  const waits = async () => {
    const button = await named(page, 'Begin the service', 'button');
    return button !== null && !(await button.evaluate((element) => (element as HTMLButtonElement).disabled));
  };
  for (let tries = 0; tries < 3; tries += 1) {
    const gone = await page.waitForSelector('[role=dialog]', { hidden: true, timeout: 15_000 }).then(
      () => true,
      () => false,
    );
    if (gone) return;
    if (await waits()) await press(page, 'Begin the service');
  }
  await dialogClosed(page);
}

/**
 * Waits until no dialog is open, and its entry of the history is gone: going back to where it was would take
 * a press that comes at once with it.
 */
export async function dialogClosed(page: Page): Promise<void> {
  await page.waitForFunction(
    () =>
      document.querySelector('[role=dialog]') === null &&
      ['spent', undefined].includes((history.state as { dialog?: string } | null)?.dialog),
  );
}

/** Who is signed in on a page. */
const emails = new WeakMap<Page, string>();

/**
 * Adds a client and a visit with them, and opens a step of it, if one is given; returns the visit's id. The
 * pages do the same in visit.test.ts.
 */
export async function newVisit(page: Page, name: string, step: Step | null = 'consult'): Promise<string> {
  const actor = await signedIn(emails.get(page)!);
  const clientId = await createClient(actor, { name, phone: '', email: '', note: '', bornOn: null });
  const { document } = await readHouse(actor);
  const visitId = (await createVisit(actor, clientId, today(document.timeZone, new Date(serverNow()))))!;
  if (step) await openStep(page, visitId, step);
  return visitId;
}

/** Saves a part of a visit as the pages do; what came of it. */
export async function sendPart(
  page: Page,
  visit: string,
  part: 'consult' | 'plan' | 'mix',
  document: unknown,
): Promise<{ status: number; answer: unknown }> {
  return page.evaluate(
    async (id, which, text) => {
      const before = (await (await fetch(`/api/visits/${id}`)).json()) as Record<
        string,
        { revision: number }
      >;
      const response = await fetch(`/api/visits/${id}/${which}`, {
        method: 'PUT',
        body: JSON.stringify({
          baseRevision: before[which].revision,
          editId: crypto.randomUUID(),
          document: JSON.parse(text),
        }),
      });
      return { status: response.status, answer: (await response.json()) as unknown };
    },
    visit,
    part,
    JSON.stringify(document),
  );
}

/** Saves a part of a visit, which must be taken. */
export async function put(page: Page, visit: string, part: 'consult' | 'plan' | 'mix', document: unknown) {
  const { status, answer } = await sendPart(page, visit, part, document);
  if (status !== 200) throw new Error(`${part}: ${status} ${JSON.stringify(answer)}`);
}

if (typeof afterAll === 'function') afterAll(closeDatabase);

/** The same through the pages: for scripts that look at an application whose database they do not know. */
export async function visitByHand(page: Page, name: string): Promise<string> {
  await page.goto(`${address()}/clients`);
  await press(page, 'New client');
  await fill(page, 'Name', name);
  await press(page, 'Add client');
  await at(page, /\/clients\/[0-9a-f-]+$/);
  await press(page, 'New visit');
  await at(page, /\/consult$/);
  await live(page);
  return new URL(page.url()).pathname.split('/')[2];
}

/**
 * So often a page is looked at while something is waited for, ms: at every frame it would be busy with being
 * looked at.
 */
const LOOK_MS = 60;

function lookNowAndThen(page: Page): void {
  const wait = page.waitForFunction.bind(page);
  page.waitForFunction = ((own: never, options: object = {}, ...rest: never[]) =>
    wait(own, { polling: LOOK_MS, ...options }, ...rest)) as unknown as typeof page.waitForFunction;
}

/**
 * What the page calls by this name, as a screen reader would say it, or null; of a role, where one is given. The
 * browser works out every name on the page for such a question, in some 50 ms: what simply has these words, or this
 * label, is found without it.
 */
export async function named(
  page: Page,
  name: string,
  role?: string,
): Promise<ElementHandle<HTMLElement> | null> {
  const plainly = await page.evaluateHandle(plainlyNamed, name, role ?? null);
  const found = plainly.asElement() as ElementHandle<HTMLElement> | null;
  if (found) return found;
  const query = `::-p-aria([name="${name}"]${role ? `[role="${role}"]` : ''})`;
  return page.$(query) as Promise<ElementHandle<HTMLElement> | null>;
}

/** Runs in the page: the first control that is shown and has this label or these words as its only name. */
function plainlyNamed(name: string, role: string | null): HTMLElement | null {
  const plain = (text: string | null | undefined) => (text ?? '').replace(/\s+/g, ' ').trim();
  const roles: Record<string, string> = {
    a: 'link',
    button: 'button',
    input: 'textbox',
    textarea: 'textbox',
  };
  for (const element of document.querySelectorAll<HTMLElement>(
    'button, a[href], input, textarea, [aria-label]',
  )) {
    if (role && (element.getAttribute('role') ?? roles[element.localName]) !== role) continue;
    // Names that are put together from elsewhere are the browser's to work out.
    if (element.hasAttribute('aria-labelledby')) continue;
    const label = element.getAttribute('aria-label');
    const fields = (element as HTMLInputElement).labels;
    const [only] = fields ?? [];
    const own = label ?? (fields?.length === 1 ? only.textContent : element.textContent);
    if (plain(own) !== name || element.closest('[aria-hidden=true], [inert]')) continue;
    if (element.checkVisibility({ visibilityProperty: true })) return element;
  }
  return null;
}

/**
 * Waits for what has this name. The browser works out every name on the page for each such question, so it is
 * asked only once the words stand somewhere, and then less and less often.
 */
export async function waitForNamed(
  page: Page,
  name: string,
  role?: string,
  timeoutMs = 120_000,
): Promise<ElementHandle<HTMLElement>> {
  const until = Date.now() + timeoutMs;
  for (let pauseMs = LOOK_MS; ; pauseMs = Math.min(pauseMs * 1.5, 500)) {
    await page
      .waitForFunction(
        (words) => {
          const plain = (text: string | null) => (text ?? '').replace(/\s+/g, ' ');
          if (plain(document.body.textContent).includes(words)) return true;
          return [...document.querySelectorAll('[aria-label]')].some(
            (element) => plain(element.getAttribute('aria-label')) === words,
          );
        },
        { timeout: 500 },
        name,
      )
      .catch((problem: unknown) => {
        // Names that are put together from several places are found by asking all the same.
        if (!(problem instanceof TimeoutError)) throw problem;
      });
    const found = await named(page, name, role).catch((problem: unknown) => {
      // Another page was opened meanwhile: its names are asked for next.
      if (problem instanceof Error && /context|frame|navigat|target/i.test(problem.message)) return null;
      throw problem;
    });
    if (found) return found;
    if (Date.now() > until) throw new Error(`Nothing on ${page.url()} is called “${name}”.`);
    await new Promise((resolve) => setTimeout(resolve, pauseMs));
  }
}

/** Presses the button or link whose words or label are these. */
export async function press(page: Page, words: string): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    const found = await waitForNamed(page, words);
    try {
      // Out from under a line that stays at the top or the bottom, as a person would scroll.
      await found.evaluate((element) => {
        const { left, top, width, height } = element.getBoundingClientRect();
        const hit = document.elementFromPoint(left + width / 2, top + height / 2);
        if (hit && !element.contains(hit) && !hit.contains(element))
          element.scrollIntoView({ block: 'center' });
      });
      return await found.click();
    } catch (error) {
      // It was drawn again between finding and pressing: a person would press the new one.
      if (tries === 3 || !(error instanceof Error && /detached|not clickable/.test(error.message)))
        throw error;
    }
  }
}

/** The field with this label. */
export async function field(page: Page, label: string): Promise<ElementHandle<HTMLInputElement>> {
  return (await waitForNamed(page, label)) as ElementHandle<HTMLInputElement>;
}

export async function fill(page: Page, label: string, text: string): Promise<void> {
  const input = await field(page, label);
  await input.click({ count: 3 });
  await page.keyboard.press('Backspace');
  await input.type(text);
}

/** Moves a slider by its keys. */
export async function slide(page: Page, name: string, presses: number): Promise<void> {
  const thumb = await waitForNamed(page, name, 'slider');
  await thumb.focus();
  for (let i = 0; i < presses; i += 1) await page.keyboard.press('ArrowRight');
}

/** Waits until the words stand somewhere on the page. */
export async function see(page: Page, words: string): Promise<void> {
  await page.waitForFunction((text) => document.body.innerText.includes(text), {}, words);
}

/** Waits until everything edited is saved. */
export async function saved(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    [...document.querySelectorAll('header [role=status]')].some((e) => e.textContent === 'Saved'),
  );
}

/** Number of foils that the page shows as its total. */
export async function foilCount(page: Page): Promise<number> {
  const text = await page.$eval('#total-foils', (element) => element.textContent);
  return Number(text);
}

interface AxeFinding {
  readonly id: string;
  readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
}
interface AxeWindow {
  readonly axe?: { run(within: Node, options: object): Promise<{ violations: AxeFinding[] }> };
}

/**
 * Findings of axe-core of any grade on the page as it stands, or in the dialog that is open on it.
 * @param themes in every other than the first only what goes by colour; every-page and assist ask for both
 */
export async function axeFindings(
  page: Page,
  themes: readonly ('light' | 'dim')[] = ['light'],
): Promise<string[]> {
  // The title streams in after the page's body.
  await page.waitForFunction(() => document.title !== '');
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async (wanted) => {
    const { axe: runner } = window as unknown as Required<AxeWindow>;
    const within = document.querySelector('[role=dialog]') ?? document;
    const root = document.documentElement;
    const chosen = root.dataset.theme;
    const found: string[] = [];
    for (const theme of wanted) {
      root.dataset.theme = theme;
      // A colour on its way from one to the other is neither.
      await Promise.all(
        document
          .getAnimations()
          .filter((animation) => animation.effect?.getComputedTiming().endTime !== Infinity)
          .map((animation) => animation.finished.catch(() => undefined)),
      );
      const { violations } = await runner.run(within, {
        resultTypes: ['violations'],
        selectors: false,
        // Style sheets are not fetched again only to look for pages that forbid to be turned.
        preload: false,
        ...(theme !== wanted[0] && { runOnly: ['color-contrast', 'link-in-text-block'] }),
      });
      found.push(
        ...violations.map(
          ({ id, nodes }) =>
            `${theme} ${id}: ${nodes
              .slice(0, 3)
              .map((node) => `${node.html.slice(0, 160)} ${node.failureSummary}`)
              .join(' | ')}`,
        ),
      );
    }
    root.dataset.theme = chosen;
    return found;
  }, themes);
}
