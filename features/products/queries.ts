import 'server-only';
import { neededFor, type Need } from '@/core/mix';
import { dayAfter, minorPerUnit } from '@/core/units';
import { listAppointments } from '@/data/appointments';
import { readClient } from '@/data/clients';
import type { SignedIn } from '@/data/sessions';
import type { StockMove } from '@/data/stock';
import { today } from '../shared';
import { wholeVisit } from '../visit/queries';
import { productsCsv, toBuyCsv, type Products, type TableStyle } from '@/core/formats';
import { measuresOf, type House } from '@/core/visit';
import { readHouse } from '@/data/house';
import { readProducts } from '@/data/products';
import type { Revised } from '@/data/revised';
import { requirePerson } from '../session/current';
import { may } from '../session/who-may';

export type { StockMove };

/**
 * The products of the signed-in person's salon, whether they may change them, and what is to be bought for
 * the bookings of the next days.
 */
export async function loadProducts(): Promise<
  Revised<Products> & { mayChange: boolean; toBuy: readonly Need[] }
> {
  const person = await requirePerson();
  const [products, toBuy] = await Promise.all([readProducts(person), loadToBuy(person)]);
  return { ...products, mayChange: may(person.role, 'saveRange'), toBuy };
}

/** How a house writes its tables. */
const styleOf = (house: House): TableStyle => ({
  separator: house.decimalComma ? ';' : ',',
  decimalComma: house.decimalComma,
  minorPerUnit: minorPerUnit(house.prices.currency),
  measures: measuresOf(house),
});

/** The products as a table, written as the house writes figures. */
export async function productsTable(person: SignedIn): Promise<string> {
  const [{ document }, { document: house }] = await Promise.all([readProducts(person), readHouse(person)]);
  return productsCsv(document.products, styleOf(house));
}

/** Bookings are looked at so many days ahead. */
const BUY_AHEAD_DAYS = 7;

/**
 * What runs out before the bookings of the next days are done: each client's open visit, else the last one
 * again.
 */
async function loadToBuy(person: SignedIn): Promise<readonly Need[]> {
  const { timeZone } = (await readHouse(person)).document;
  const day = today(timeZone);
  const booked = (
    await listAppointments({ actor: person, from: day, to: dayAfter(day, BUY_AHEAD_DAYS), timeZone })
  ).filter(({ state }) => state === 'booked');
  const visits: (readonly Need[])[] = [];
  for (const { clientId, visitId } of booked) {
    const newest = visitId ?? (await readClient(person, clientId, day))?.visits[0]?.id;
    const whole = newest ? await wholeVisit(person, newest, ['needs']) : undefined;
    // What was recorded already was taken already, unless it comes again.
    if (whole && !(visitId && whole.visit.outcome)) visits.push(whole.computed.needs);
  }
  return neededFor(visits, (await readProducts(person)).document.products).filter(({ short }) => short > 0);
}

/** The same as a table, written as the house writes figures. */
export async function toBuyTable(person: SignedIn): Promise<string> {
  const [needs, { document: house }] = await Promise.all([loadToBuy(person), readHouse(person)]);
  return toBuyCsv(needs, styleOf(house));
}
