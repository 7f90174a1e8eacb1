import type { Page } from 'puppeteer-core';
import { MINUTE, serviceState, type ServiceEvent, type ServiceScript } from '@/core/chair';
import { followed } from '@/core/chair/testing';
import { serverNow } from '@/data/now';
import { advance } from './later';

/** A service as the server has it. */
interface Served {
  readonly script: ServiceScript;
  readonly events: readonly (ServiceEvent & { readonly position: number })[];
}

export const served = (page: Page, visit: string): Promise<Served> =>
  page.evaluate(
    async (id) => (await fetch(`/api/services/${id}`, { cache: 'no-store' })).json() as Promise<Served>,
    visit,
  );

/**
 * Goes on from where a service stands to its end, as Chair says, on a device that is not looked at: hours go by
 * and everything is sent at once. What the screen shows on the way is looked at in chair.test.ts.
 */
export async function doneElsewhere(page: Page, visit: string) {
  const { script, events } = await served(page, visit);
  const from = serverNow();
  const all = followed(script, { from, after: events });
  await advance((all.now - from) / MINUTE);
  const status = await page.evaluate(
    async (id, batch) =>
      (await fetch(`/api/services/${id}/events`, { method: 'POST', body: JSON.stringify(batch) })).status,
    visit,
    {
      device: 'another device',
      deviceNow: all.now,
      events: all.events.slice(events.length).map(({ at, body }) => ({ id: crypto.randomUUID(), at, body })),
    },
  );
  if (status !== 200) throw new Error(`The events were answered with ${status}.`);
  return all;
}

export async function stateOf(page: Page, visit: string) {
  const { script, events } = await served(page, visit);
  return serviceState(script, events);
}

/** What is to be done now, in the words of the screen. */
export async function saidNow(page: Page): Promise<string> {
  const now = (await page.waitForSelector('section[aria-label=Now]'))!;
  return now.evaluate((element) => (element as HTMLElement).innerText.replace(/\s+/g, ' '));
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

/**
 * Does something at the chair and waits until the screen says the next thing: read too soon, time would be spent
 * on the last one twice.
 */
async function acted(page: Page, act: () => Promise<void>): Promise<void> {
  // Times run on by themselves.
  const words = async () => (await saidNow(page)).replace(/\d+:\d\d|\d+ (s|min)\b/g, '');
  const before = await words();
  await act();
  for (let tries = 0; tries < 20 && (await words()) === before; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
}

/** Does what the large action says, minutes after the last. */
export async function tap(page: Page, minutes = 0): Promise<void> {
  await pass(page, minutes);
  await acted(page, () => page.keyboard.press('Space'));
}

/**
 * Goes on as Chair says until the service is recorded.
 * @param turn answers what a test looks at more closely, and says whether it did
 */
export async function toTheEnd(page: Page, turn: (words: string) => Promise<boolean>): Promise<void> {
  for (let guard = 0; guard < 220; guard += 1) {
    for (const button of await page.$$('[aria-label=Alarms] button'))
      if ((await button.evaluate((element) => element.textContent)) === 'Heard') {
        await button.evaluate((element) => (element as HTMLElement).click());
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
