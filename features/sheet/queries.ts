import 'server-only';
import { priceOf } from '@/core/fee';
import { checksOf } from '@/core/check';
import { limitsOf, stationSheet, timeThereIs, type StationSheet } from '@/core/formats';
import { brokenZonesOf } from '@/core/hair-map';
import { createPatternEngine } from '@/core/pattern';
import { formatLevel } from '@/core/units';
import { readHouse } from '@/data/house';
import { readVisit } from '@/data/visits';
import { moneyIn } from '../house/money';
import { currentPerson } from '../session/current';
import { isId, sayDay } from '../shared';

/** The sheet for the station of a visit as it is saved; a reason where there is none. */
export async function loadSheet(visitId: string): Promise<StationSheet | 'signed-out' | 'missing'> {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  const visit = isId(visitId) ? await readVisit(person, visitId) : undefined;
  if (!visit) return 'missing';
  const { document: house } = await readHouse(person);
  const consult = visit.consult.document;
  const plan = { ...visit.plan.document, head: consult.head, hair: consult.hair };
  const computed = createPatternEngine().compute(plan);
  const { totals } = computed.sheet;
  const limits = { ...limitsOf(house), minutes: timeThereIs(house, consult.minutesAtMost) };
  const price = priceOf(totals, house.prices);
  const money = moneyIn(house.prices.currency);
  const facts = { regrowthMm: consult.regrowthMm, brokenZones: brokenZonesOf(consult), priceMinor: price, budgetMinor: consult.budgetMinor, sayMoney: money };
  const findings = checksOf(plan, computed, limits, house.rulesOff, facts);
  return stationSheet(plan, computed, {
    client: visit.client.name, date: sayDay(visit.heldOn), colourist: visit.personName, base: formatLevel(consult.naturalLevel), goal: formatLevel(consult.goalLevel),
    brightness: consult.brightness, units: house.units, price: totals.foils > 0 ? money(price) : null,
    cautions: findings.slice(0, 4).map(({ seen }) => seen),
  });
}
