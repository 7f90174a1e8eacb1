import type { Page } from 'puppeteer-core';
import { serviceState, type ServiceEvent, type ServiceScript } from '@/core/chair';
import { advance } from './later';

/** A service as the server has it. */
export interface Served {
  readonly script: ServiceScript;
  readonly events: readonly (ServiceEvent & { readonly position: number })[];
}

export const served = (page: Page, visit: string): Promise<Served> =>
  page.evaluate(
    async (id) => (await fetch(`/api/services/${id}`, { cache: 'no-store' })).json() as Promise<Served>,
    visit,
  );

export async function stateOf(page: Page, visit: string) {
  const { script, events } = await served(page, visit);
  return serviceState(script, events);
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

/** What is to be done now, in the words of the screen. */
export async function saidNow(page: Page): Promise<string> {
  const now = (await page.waitForSelector('section[aria-label=Now]'))!;
  return now.evaluate((own) => (own as HTMLElement).innerText.replace(/\s+/g, ' '));
}

/** Waits until nothing is under way to the server: it would be told by the time after a jump. */
export const settled = (page: Page) =>
  page.waitForFunction(
    () => !/^(Live|Opening).*kept/.test(document.querySelector('[aria-label=Connection]')?.textContent ?? ''),
  );

/** In so long the chair looks once whether something fell due, ms; a little more for a slow machine. */
const PULSE_MS = 1100;

/**
 * Lets minutes pass, and at least the moment that parts a tap from a double one. What fell due meanwhile is
 * raised before a hand does the next thing: nobody is as quick as a clock that jumps.
 */
export async function pass(page: Page, minutes: number): Promise<void> {
  await settled(page);
  await advance(Math.max(minutes, 1 / 60));
  if (minutes > 0) await new Promise((resolve) => setTimeout(resolve, PULSE_MS));
}

/** Does what the large action says, minutes after the last; the screen says the next thing then. */
export async function tap(page: Page, minutes = 0): Promise<void> {
  await pass(page, minutes);
  // Times run on by themselves.
  const words = async () => (await saidNow(page)).replace(/\d+:\d\d|\d+ (s|min)\b/g, '');
  const before = await words();
  await page.keyboard.press('Space');
  for (let tries = 0; tries < 20 && (await words()) === before; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
}

/**
 * Goes on as Chair says until the service is recorded.
 * @param turn answers what a test looks at more closely, and says whether it did
 */
export async function toTheEnd(page: Page, turn: (words: string) => Promise<boolean>): Promise<void> {
  for (let guard = 0; guard < 220; guard += 1) {
    for (const button of await page.$$('[aria-label=Alarms] button'))
      if ((await button.evaluate((own) => own.textContent)) === 'Heard') {
        await button.evaluate((own) => (own as HTMLElement).click());
        break;
      }
    const words = await saidNow(page);
    if (words.includes('Recorded')) return;
    if (await turn(words)) continue;
    if (/Nothing to foil until then/.test(words)) await pass(page, 1);
    else if (/Fresh bowl/.test(words)) await tap(page, 3);
    else if (/The last panel runs clear/.test(words)) await tap(page, 9);
    else if (/: done$/.test(words)) await tap(page, 10);
    else await tap(page);
  }
  throw new Error(`The service never ended: ${await saidNow(page)}`);
}
