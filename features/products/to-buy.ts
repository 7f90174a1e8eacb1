import 'server-only';
import { toBuyCsv } from '@/core/formats';
import { neededFor, type Need } from '@/core/mix';
import { dayAfter } from '@/core/units';
import { listAppointments } from '@/data/appointments';
import { readClient } from '@/data/clients';
import { readHouse } from '@/data/house';
import { readProducts } from '@/data/products';
import type { SignedIn } from '@/data/sessions';
import { minorPerUnit } from '../house/money';
import { currentPerson } from '../session/current';
import { today } from '../shared';
import { wholeVisit } from '../visit/queries';

/** Bookings are looked at so many days ahead. */
export const BUY_AHEAD_DAYS = 7;

/** What runs out before the bookings of the next days are done: each client's open visit, else the last one again. */
export async function loadToBuy(person: SignedIn): Promise<readonly Need[]> {
  const { timeZone } = (await readHouse(person)).document;
  const day = today(timeZone);
  const booked = (await listAppointments(person, day, dayAfter(day, BUY_AHEAD_DAYS), timeZone)).filter(({ state }) => state === 'booked');
  const visits: (readonly Need[])[] = [];
  for (const { clientId, visitId } of booked) {
    const newest = visitId ?? (await readClient(person, clientId, day))?.visits[0]?.id;
    const whole = newest ? await wholeVisit(person, newest) : undefined;
    // What was recorded already was taken already, unless it comes again.
    if (whole && !(visitId && whole.visit.outcome)) visits.push(whole.computed.needs);
  }
  return neededFor(visits, (await readProducts(person)).document.products).filter(({ short }) => short > 0);
}

/** The same as a table, written as the house writes figures; undefined when nobody is signed in. */
export async function toBuyTable(): Promise<string | undefined> {
  const person = await currentPerson();
  if (!person) return undefined;
  const [needs, { document: house }] = await Promise.all([loadToBuy(person), readHouse(person)]);
  const { decimalComma, prices } = house;
  return toBuyCsv(needs, { separator: decimalComma ? ';' : ',', decimalComma, minorPerUnit: minorPerUnit(prices.currency) });
}
