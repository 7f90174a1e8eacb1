import 'server-only';
import { cautionsFor, regrowthOnly } from '@/core/caution';
import { servedBy } from '@/core/chair';
import { checksOf } from '@/core/check';
import { itemise } from '@/core/fee';
import { foilsCsv, limitsOf, mixCard, stationSheet, timeThereIs, type StationSheet } from '@/core/formats';
import { brokenZonesOf } from '@/core/hair-map';
import { cautionFactsOf, pricedVisit } from '@/core/mix';
import { againSheet, repeatLines } from '@/core/record';
import { formatLevel } from '@/core/units';
import { moneyIn } from '../house/money';
import { serviceFor } from '../chair/queries';
import { currentPerson } from '../session/current';
import { sayDay } from '../shared';
import { wholeVisit } from '../visit/queries';

export type SheetRead = StationSheet | 'signed-out' | 'missing';

/** A visit as it is saved, with all that is computed of it; a reason where there is none. */
async function loadAll(visitId: string) {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  const whole = await wholeVisit(person, visitId);
  if (!whole) return 'missing';
  const { visit, house, consult, mixed } = whole;
  const money = moneyIn(house.prices.currency);
  const price = itemise(pricedVisit(whole, mixed), house.prices).totalMinor;
  const shared = {
    client: visit.client.name, date: sayDay(visit.heldOn), colourist: visit.personName, base: formatLevel(consult.naturalLevel), goal: formatLevel(consult.goalLevel), price: price > 0 ? money(price) : null,
  };
  return { ...whole, price, money, shared };
}

/** The sheet for the station. */
export async function loadSheet(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId);
  if (typeof all === 'string') return all;
  const { consult, plan, computed, house, price, money, shared, mixed } = all;
  const { formulas } = cautionFactsOf(all, mixed);
  const facts = { regrowthMm: consult.regrowthMm, regrowthOnly: regrowthOnly(formulas), brokenZones: brokenZonesOf(consult), priceMinor: price, budgetMinor: consult.budgetMinor, sayMoney: money };
  const findings = checksOf(plan, computed, { ...limitsOf(house), minutes: timeThereIs(house, consult.minutesAtMost) }, house.rulesOff, facts);
  return stationSheet(plan, computed, { ...shared, brightness: consult.brightness, units: house.units, cautions: findings.slice(0, 4).map(({ seen }) => seen) });
}

/** How the pattern is found again on the same head. */
export async function loadAgain(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId);
  if (typeof all === 'string') return all;
  const { plan, computed, house, shared, consult, visit, mix, mixed } = all;
  const record = visit.outcome?.document ?? null;
  const opened = record ? await serviceFor(visitId) : undefined;
  const served = opened?.ok ? servedBy(opened.value.script, opened.value.events) : null;
  return againSheet(plan, computed, { ...shared, units: house.units, regrowthMm: consult.regrowthMm, zones: record?.zones ?? null, repeat: repeatLines({ mix, mixed, served, record }) });
}

/** The card for the mixing table. */
export async function loadCard(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId);
  if (typeof all === 'string') return all;
  const { consult, mix, mixed, visit, house, money, shared } = all;
  const cautions = cautionsFor(consult, visit.safety, { onDay: visit.heldOn, bornOn: visit.client.bornOn }, house.cautions, cautionFactsOf(all, mixed));
  const { agreed } = mix.money;
  return mixCard(mix, mixed, { ...shared, agreed: agreed && money(agreed.minor), cautions: cautions.map(({ weight, seen }) => (weight === 'stop' ? `Stop: ${seen}` : seen)) });
}

/** The foils of a visit's pattern as a table that spreadsheets open. */
export async function loadFoils(visitId: string): Promise<{ readonly table: string } | 'signed-out' | 'missing'> {
  const all = await loadAll(visitId);
  if (typeof all === 'string') return all;
  const { decimalComma } = all.house;
  return { table: foilsCsv(all.plan, all.computed.sheet, { separator: decimalComma ? ';' : ',', decimalComma }) };
}

/** A whole visit, or its pattern alone, as a document. */
export async function loadDocument(visitId: string, form: 'visit.json' | 'pattern.json'): Promise<{ readonly document: object } | 'signed-out' | 'missing'> {
  const all = await loadAll(visitId);
  if (typeof all === 'string') return all;
  const { visit, plan, consult, mix } = all;
  if (form === 'pattern.json') return { document: plan };
  const { signed, addenda } = visit.signOff;
  return {
    document: {
      format: 'dappled-lattice/visit', version: 1, id: visit.id, heldOn: visit.heldOn, client: { id: visit.client.id, name: visit.client.name }, colourist: visit.personName, begunAt: visit.begunAt, consult, plan, mix,
      record: visit.outcome?.document ?? null, signed, addenda: addenda.map(({ at, by, words }) => ({ at, by, words })),
    },
  };
}
