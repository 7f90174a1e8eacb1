import { renameSync, writeFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { MINUTE } from '@/core/chair';

/** Hours pass here without being waited for: the server and every page are told how much later it is. */
let added = 0;
const pages: Page[] = [];
const clockFile = () => {
  const file = process.env.LATTICE_CLOCK;
  if (!file) throw new Error('The test of the chair needs the server’s stand-in clock: run bin/test.');
  return file;
};

/** Sets how much later it is at the server, ms. */
export function later(ms: number): void {
  added = ms;
  // Renamed, not written over: a server that read it half-written would take its clock to have been put back.
  const file = clockFile();
  writeFileSync(`${file}.next`, String(ms));
  renameSync(`${file}.next`, file);
}

export async function withClock(page: Page): Promise<void> {
  // The runner of scripts names inner classes by a helper of its own, which a page does not have.
  await page.evaluateOnNewDocument('globalThis.__name = (own) => own');
  await page.evaluateOnNewDocument(() => {
    const own = globalThis as unknown as { added: number; Date: DateConstructor };
    const Real = Date;
    own.added = Number(localStorage.getItem('test-added') ?? 0);
    // What is done next comes as much later as the clock says.
    const { get } = Object.getOwnPropertyDescriptor(Event.prototype, 'timeStamp')!;
    Object.defineProperty(Event.prototype, 'timeStamp', {
      get(this: Event) {
        return (get!.call(this) as number) + own.added;
      },
    });
    own.Date = class extends Real {
      constructor(...given: []) {
        if (given.length === 0) super(Real.now() + own.added);
        else super(...given);
      }
      static override now() {
        return Real.now() + own.added;
      }
    } as unknown as DateConstructor;
  });
  pages.push(page);
}

export async function advance(minutes: number): Promise<void> {
  later(added + minutes * MINUTE);
  for (const page of pages) {
    await page.evaluate((ms) => {
      (globalThis as unknown as { added: number }).added = ms;
      localStorage.setItem('test-added', String(ms));
      // An answer that was under way over the jump would be taken for a wrong clock: it asks anew.
      window.dispatchEvent(new Event('online'));
      // Somebody was at the station over these hours: it does not lock itself.
      window.dispatchEvent(new Event('pointermove'));
    }, added);
  }
}
