import 'server-only';
import { PassThrough, Readable } from 'node:stream';
import { cache } from 'react';
import { calendarOf, type Calendar } from '@/core/units';
import type { House } from '@/core/visit';
import { writeArchive } from '@/data/archive/write';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import type { KeptTechnique } from '@/data/techniques';
import type { Revised } from '@/data/revised';
import { requirePerson } from '../session/current';
import type { SignedIn } from '../session/signed-in';
import { may } from '../session/who-may';
import { today } from '../shared';

export type { KeptTechnique };

/** What the signed-in person's salon has set, and whether they may change it; read once per request. */
export const loadHouse = cache(async (): Promise<Revised<House> & { mayChange: boolean }> => {
  const person = await requirePerson();
  return { ...(await readHouse(person)), mayChange: may(person.role, 'saveHouseSettings') };
});

/** Days and times as the house writes them; for what the server draws. */
export const salonCalendar = async (): Promise<Calendar> => calendarOf((await loadHouse()).document);

/** Today where the salon is, YYYY-MM-DD. */
export async function salonToday(): Promise<string> {
  return today((await loadHouse()).document.timeZone, new Date(serverNow()));
}

/**
 * Everything of the signed-in owner's salon, written while it is sent; a failure breaks the file off, and no
 * reader takes half of one.
 */
export async function salonArchive(
  person: SignedIn,
): Promise<{ readonly stream: ReadableStream<Uint8Array>; readonly name: string }> {
  const out = new PassThrough();
  writeArchive(person.salonId, out).catch((error: Error) => out.destroy(error));
  return {
    stream: Readable.toWeb(out) as ReadableStream<Uint8Array>,
    name: `salon-${await salonToday()}.zip`,
  };
}
