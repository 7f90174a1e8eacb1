import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { alarmsOf, inOrder, serviceState, type ServiceEvent, type ServiceScript } from '@/core/chair';
import { startPlan } from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
import { cutConnections } from '@/data/testing/cut-connections';
import { pass, served, tap, toTheEnd } from './at-the-chair';
import { advance, later, withClock } from './later';
import {
  address,
  axeFindings,
  begin,
  dialogClosed,
  live,
  newVisit,
  offline,
  openBrowser,
  openStep,
  press,
  see,
  signIn,
  type Session,
  put,
} from './harness';

const counted = (page: Page, foils: number) =>
  page.waitForFunction(
    (words) => document.querySelector('header')?.textContent!.includes(words),
    {},
    `${foils} of ${FOILS} foils`,
  );
const connection = (page: Page, words: string) =>
  page.waitForFunction(
    (text) => document.querySelector('[aria-label=Connection]')?.textContent?.includes(text),
    {},
    words,
  );

/**
 * The real moment, ms, at which a page comes to show so many foils: read in the page, since what drives it is
 * slower.
 */
const momentOf = (page: Page, foils: number) =>
  page.evaluate(
    (words) =>
      new Promise<number>((resolve) => {
        const look = () => {
          if (!document.querySelector('header')?.textContent?.includes(words)) return;
          observer.disconnect();
          resolve(performance.timeOrigin + performance.now());
        };
        const observer = new MutationObserver(look);
        observer.observe(document.body, { childList: true, subtree: true, characterData: true });
        look();
      }),
    `${foils} of ${FOILS} foils`,
  );

/** Waits until the server has everything. */
const sent = (page: Page) =>
  page.waitForFunction(() => document.querySelector('[aria-label=Connection]')?.textContent === 'Live', {
    timeout: 20_000,
  });

/** So many foils the visits have. */
const FOILS = 12;

/** A visit that has begun. */
async function begun(page: Page, name: string): Promise<string> {
  const visit = await newVisit(page, name, null);
  const plan = {
    ...startPlan(),
    panels: startPlan().panels.map((panel) => ({
      ...panel,
      spacing: { kind: 'constant' as const, dropoutMm: 74 },
    })),
  };
  expect(createPatternEngine().compute(plan).sheet.foils).toHaveLength(FOILS);
  await put(page, visit, 'plan', plan);
  await openStep(page, visit, 'record');
  await begin(page);
  return visit;
}

/** A picture of a foil's hair. */
async function picture(): Promise<string> {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'lattice-check-')), 'foil.png');
  writeFileSync(
    file,
    await sharp({ create: { width: 120, height: 90, channels: 3, background: '#c9a86a' } })
      .png()
      .toBuffer(),
  );
  return file;
}

let station: Session;
let tablet: Session;
beforeAll(async () => {
  later(0);
  station = await openBrowser(1280, 800, { keeps: true });
  tablet = await openBrowser(1024, 768);
  await withClock(station.page);
  await withClock(tablet.page);
  await signIn(station.page);
  await signIn(tablet.page, 'bram@fernhollow.example');
});
afterAll(async () => {
  later(0);
  await Promise.all([station?.close(), tablet?.close()]);
});

test('a service, through an offline stretch, a reload, a restart and on two devices: nothing lost, no alarm missed', async () => {
  const { page } = station;
  const visit = await begun(page, 'Served Wholly');
  await page.goto(`${address()}/chair?visit=${visit}`);
  await live(page);
  await see(page, `${FOILS} foils A, in`);
  await page.waitForFunction(
    async () => (await caches.match('/chair', { ignoreSearch: true })) !== undefined,
  );
  const place = () => tap(page, 62 / 60);
  await tap(page);
  await see(page, 'Foil 1');
  for (let i = 1; i <= 2; i += 1) {
    await place();
    await counted(page, i);
  }
  expect(await axeFindings(page)).toEqual([]);

  // The same tap twice is one foil.
  await pass(page, 1);
  await page.evaluate(() => {
    const action = [...document.querySelectorAll<HTMLElement>('section[aria-label=Now] button')].at(-1)!;
    action.click();
    action.click();
  });
  await see(page, 'That was a double tap');
  await counted(page, 3);

  // The assistant’s screen has it at once; how fast that is, npm run bench:services measures.
  await tablet.page.goto(`${address()}/chair?visit=${visit}`);
  await live(tablet.page);
  await counted(tablet.page, 3);
  const seen = momentOf(tablet.page, 4);
  const done = momentOf(page, 4);
  await place();
  expect((await seen) - (await done)).toBeLessThan(5000);

  // Without a network it goes on, and opens again.
  await connection(page, 'Live');
  await offline(station, true);
  for (let i = 5; i <= 6; i += 1) {
    await place();
    await counted(page, i);
  }
  await connection(page, 'No network');
  await connection(page, 'kept on this device');
  await page.reload();
  await counted(page, 6);
  await place();
  await counted(page, 7);
  // Both finish the same foil: the earlier counts, and it is said.
  await tablet.page.bringToFront();
  await tablet.page.keyboard.press('PageDown');
  await counted(tablet.page, 5);
  await page.bringToFront();
  await offline(station, false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await connection(page, 'Live');
  await counted(tablet.page, 7);
  await see(page, 'was closed twice: Ottilie Marsh');
  await see(tablet.page, 'was closed twice: Ottilie Marsh');

  // The server is killed in the middle of a foil.
  process.kill(Number.parseInt(readFileSync(process.env.LATTICE_TEST_WEB_PID!, 'utf8')), 'SIGKILL');
  await place();
  await counted(page, 8);
  await connection(page, 'Live');
  await connection(tablet.page, 'Live');
  await counted(tablet.page, 8);

  // Nobody looks for nineteen minutes: what fell due is raised, and says that it is late.
  await advance(19);
  await page.waitForFunction(() =>
    /Late: it was due/.test(
      (document.querySelector('[aria-label=Alarms]') as HTMLElement | null)?.innerText ?? '',
    ),
  );
  await press(page, 'Check now');
  await press(page, 'Level 7.5 seen');
  await (
    (await page.waitForSelector('[role=dialog] input[type=file]')) as ElementHandle<HTMLInputElement>
  ).uploadFile(await picture());
  await see(page, 'Photo kept.');
  await press(page, '3 min more');
  await dialogClosed(page);

  // The step is handed over, and taken on the other screen.
  await press(page, 'More');
  await press(page, 'Hand over');
  await press(tablet.page, 'Take the step');
  await see(page, 'Bram Vale-Osei has the step');
  await pass(page, 0);
  await page.keyboard.press('Space');
  await counted(page, 8);
  await press(page, 'Take over');
  await page.waitForFunction(() => !document.body.innerText.includes('has the step on another screen'));

  // And so on to the end, as Chair says.
  await toTheEnd(page, async (words) => {
    if (!/Foil \d|Paint/.test(words)) return false;
    await place();
    return true;
  });
  await sent(page);

  const { script, events } = await served(page, visit);
  expect(events.map(({ position }) => position)).toEqual(events.map((_, i) => i + 1));
  expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
  for (const device of new Set(events.map((event) => event.device))) {
    const values = events.filter((event) => event.device === device).map(({ at }) => at);
    expect([...values].sort((a, b) => a - b)).toEqual(values);
  }
  const closings = events.flatMap(({ body }) => (body.kind === 'closed' ? [body.foil] : []));
  expect(new Set(closings)).toEqual(new Set(script.units.map(({ id }) => id)));
  expect(closings).toHaveLength(FOILS + 1);
  expect(missed(script, events)).toEqual([]);

  const state = serviceState(script, events);
  expect(state.conflicts).toHaveLength(1);
  expect(state.blocks.every(({ standing }) => standing === 'rinsed')).toBe(true);
  // The record is written, and stands beside the plan.
  await openStep(page, visit, 'record');
  await see(page, `On record: ${FOILS} foils`);
  expect(await page.$eval('textarea', (element) => element.value)).toMatch(
    /^12 foils placed of 12 planned\./,
  );
  await page.waitForSelector('table[aria-label="Planned against done"]');
  expect(await page.$$eval('table[aria-label="Planned against done"] tbody tr', (rows) => rows.length)).toBe(
    FOILS,
  );
  expect(
    await page.$eval('table[aria-label=Mixes] tbody', (element) =>
      (element as HTMLElement).innerText.replace(/\s+/g, ' '),
    ),
  ).toMatch(/^A .+ 20 vol, 1 : \d.* 12 foils \d+ of \d+ \d+ g – \d+ min$/);
  expect(await axeFindings(page)).toEqual([]);
  // And it is learnt from: pace by who closed the foil, estimates beside what came of them.
  await page.goto(`${address()}/house/learnt`);
  await page.waitForFunction(
    () =>
      Number(
        /(\d+)%\s+of the usual time, from (\d+) foils/.exec(
          (document.querySelector('section[aria-label="Ottilie Marsh"]') as HTMLElement | null)?.innerText ??
            '',
        )?.[2] ?? 0,
      ) >= 8,
  );
  expect(
    await page.$eval(
      'section[aria-label="How good the estimates were"]',
      (element) => (element as HTMLElement).innerText,
    ),
  ).toMatch(/Level[\s\S]*estimates?, off by[\s\S]*Minutes to the last rinse[\s\S]*off by \d/);
  expect(
    await page.$eval('table[aria-label="Speed of lighteners"] tbody', (element) =>
      (element as HTMLElement).innerText.replace(/\s+/g, ' '),
    ),
  ).toMatch(/^Moth blue powder 1\.00 \d\.\d\d \d\.\d\d–\d\.\d\d \d+ checks?, \d+ services?/);
  expect(await axeFindings(page)).toEqual([]);
  expect(tablet.complaints.filter((complaint) => !/ERR_|Failed to load resource/.test(complaint))).toEqual(
    [],
  );
});

/** Alarms that fell due while they held, and that no device raised. */
function missed(script: ServiceScript, events: readonly ServiceEvent[]): string[] {
  const ordered = inOrder(events);
  const { raised } = serviceState(script, ordered);
  const out = new Set<string>();
  ordered.forEach((_, i) => {
    const next = ordered[i + 1];
    if (!next) return;
    // What is due in the same moment as something happens may be over before it is raised.
    for (const { key, due } of alarmsOf(script, serviceState(script, ordered.slice(0, i + 1))))
      if (due <= next.at - 1500 && !raised.has(key)) out.add(key);
  });
  return [...out];
}

test('two clients’ timers on one screen, alarms of both; rinse all now with what happened', async () => {
  const { page } = station;
  const first = await begun(page, 'Minded First');
  const second = await begun(page, 'Minded Second');
  await page.evaluateOnNewDocument(() => {
    const felt = { notes: 0, shakes: 0, awake: 0 };
    const { createOscillator } = AudioContext.prototype;
    AudioContext.prototype.createOscillator = function () {
      felt.notes += 1;
      return createOscillator.call(this);
    };
    Object.assign(navigator, { vibrate: () => (felt.shakes += 1) });
    Object.defineProperty(navigator, 'wakeLock', {
      value: {
        request: async () => ({ release: async () => void (felt.awake -= 1), kept: (felt.awake += 1) }),
      },
    });
    Object.assign(globalThis, { felt });
  });
  for (const visit of [first, second]) {
    await page.goto(`${address()}/chair?visit=${visit}`);
    await live(page);
    await see(page, `${FOILS} foils A, in`);
    await tap(page);
    await see(page, 'Foil 1');
    await tap(page, 1);
    await counted(page, 1);
  }
  await page.waitForSelector('nav[aria-label="Other clients"]');
  const strip = () =>
    page.$eval('nav[aria-label="Other clients"]', (element) => (element as HTMLElement).innerText);
  expect(await strip()).toContain('Minded First');
  await advance(43);
  await page.waitForFunction(() =>
    /Minded First: .*reaches the maker’s limit in 2 min/.test(
      document.querySelector('[aria-label=Alarms]')?.textContent ?? '',
    ),
  );
  // It sounds, it shakes, and the screen stays awake.
  await page.waitForFunction(() => {
    const { felt } = globalThis as unknown as { felt: { notes: number; shakes: number; awake: number } };
    return felt.notes >= 3 && felt.shakes > 0 && felt.awake === 1;
  });
  await press(page, 'Rinse all now');
  await press(page, 'Burning or stinging');
  await see(page, 'At the basin');
  await sent(page);
  const { events } = await served(page, second);
  expect(events.map(({ body }) => body)).toContainEqual(
    expect.objectContaining({ kind: 'rinse-begun', incident: 'Burning or stinging' }),
  );
  // Taken back, it never went to the basin.
  await press(page, 'Undo');
  await see(page, 'Undone: the rinse.');
  for (const button of await page.$$('nav[aria-label="Other clients"] button')) {
    if (!(await button.evaluate((element) => element.textContent!)).includes('Minded First')) continue;
    await button.click();
    break;
  }
  await page.waitForFunction(() => document.querySelector('h1')?.textContent === 'Minded First');
});

test('a database that goes away in the middle of a foil loses nothing', async () => {
  const { page } = station;
  const visit = await begun(page, 'Cut Off');
  await page.goto(`${address()}/chair?visit=${visit}`);
  await live(page);
  await see(page, `${FOILS} foils A, in`);
  await connection(page, 'Live');
  await cutConnections();
  await tap(page);
  await see(page, 'Foil 1');
  await cutConnections();
  await tap(page, 1);
  await counted(page, 1);
  await sent(page);
  const { events } = await served(page, visit);
  expect(events.map(({ body }) => body.kind)).toEqual(['started', 'closed']);
});

test.each([
  ['not json', 'The request body is not JSON.'],
  [
    '{"device":"d","deviceNow":0,"events":[{"id":"x","at":0,"body":{"kind":"closed","foil":"a"}}]}',
    'events[0].id: must be an id',
  ],
  [
    '{"device":"d","deviceNow":0,"events":[{"id":"2b0c9c1e-8a55-4c57-9f3a-0d9b2f6f3f10","at":0,"body":{"kind":"danced"}}]}',
    'kind is not one that a service knows',
  ],
])('events such as %j are refused with a sentence', async (body, problem) => {
  const answer = await station.page.evaluate(async (text) => {
    const response = await fetch('/api/services/00000000-0000-4000-8000-000000000000/events', {
      method: 'POST',
      body: text,
    });
    return { status: response.status, problem: ((await response.json()) as { problem: string }).problem };
  }, body);
  expect(answer.status).toBe(400);
  expect(answer.problem).toContain(problem);
});
