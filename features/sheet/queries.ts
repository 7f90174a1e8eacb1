import 'server-only';
import { servedBy } from '@/core/chair';
import { receiptRows } from '@/core/fee';
import { foilsCsv, receiptSheet, type StationSheet } from '@/core/formats';
import { repeatLines } from '@/core/record';
import { calendarOf, formatLevel, inMeasures, moneyIn } from '@/core/units';
import { measuresOf } from '@/core/visit';
import { inThread } from '@/data/compute';
import type { SentKey } from '@/data/compute/thread';
import { serviceFor } from '../chair/queries';
import { wholeVisit } from '../visit/queries';
import type { SignedIn } from '../session/signed-in';

export type SheetRead = StationSheet | undefined;

/** A visit as it is saved, with all that is computed of it; undefined where there is none. */
async function loadAll<K extends SentKey>(person: SignedIn, visitId: string, keys: readonly K[]) {
  const whole = await wholeVisit(person, visitId, [...keys, 'consult', 'estimate']);
  if (!whole) return undefined;
  const {
    visit,
    house,
    computed: { consult, estimate },
  } = whole;
  const money = moneyIn(house.prices.currency);
  const shared = {
    client: visit.client.name,
    date: calendarOf(house).day(visit.heldOn),
    colourist: visit.personName,
    base: formatLevel(consult.naturalLevel),
    goal: formatLevel(consult.goalLevel),
    price: estimate.totalMinor > 0 ? money(estimate.totalMinor) : null,
  };
  const measures = measuresOf(house);
  return { ...whole, salonId: person.salonId, money, shared, measures };
}

/** The sheet for the station. */
export async function loadSheet(person: SignedIn, visitId: string): Promise<SheetRead> {
  const all = await loadAll(person, visitId, []);
  if (!all) return undefined;
  const { asked, house, shared, measures, salonId } = all;
  return inThread(salonId, 'stationSheet', { ...asked, house, words: { ...shared, measures } });
}

/** How the pattern is found again on the same head. */
export async function loadAgain(person: SignedIn, visitId: string): Promise<SheetRead> {
  const all = await loadAll(person, visitId, ['mix', 'work', 'after']);
  if (!all) return undefined;
  const {
    asked,
    computed: { consult, mix, work, after },
    shared,
    measures,
    visit,
    salonId,
  } = all;
  const record = visit.outcome?.document ?? null;
  const opened = record ? await serviceFor(person, visitId) : undefined;
  const served = opened?.ok ? servedBy(opened.value.script, opened.value.events) : null;
  const repeat = repeatLines({ mix, work, after, served, record, say: (text) => inMeasures(text, measures) });
  return inThread(salonId, 'againSheet', {
    ...asked,
    words: { ...shared, measures, regrowthMm: consult.regrowthMm, zones: record?.zones ?? null, repeat },
  });
}

/** The card for the mixing table. */
export async function loadCard(person: SignedIn, visitId: string): Promise<SheetRead> {
  const all = await loadAll(person, visitId, ['mix']);
  if (!all) return undefined;
  const {
    asked,
    computed: { mix },
    money,
    shared,
    measures,
    salonId,
  } = all;
  const { agreed } = mix.money;
  return inThread(salonId, 'mixCard', {
    ...asked,
    words: { ...shared, measures, agreed: agreed && money(agreed.minor) },
  });
}

/** The receipt, as it stands now. */
export async function loadReceipt(person: SignedIn, visitId: string): Promise<SheetRead> {
  const all = await loadAll(person, visitId, ['mix']);
  if (!all) return undefined;
  const {
    visit,
    house,
    computed: { mix, estimate },
    money,
    shared,
  } = all;
  const { agreed, payments } = mix.money;
  return receiptSheet(
    { salon: visit.salonName, client: shared.client, on: shared.date, money },
    receiptRows({
      estimate,
      agreedMinor: agreed?.minor ?? null,
      payments,
      taxPercent: house.prices.taxPercent,
    }),
  );
}

/** Everything that product is put on at a visit as a table that spreadsheets open. */
export async function loadFoils(
  person: SignedIn,
  visitId: string,
): Promise<{ readonly table: string } | undefined> {
  const all = await loadAll(person, visitId, ['sheet', 'work']);
  if (!all) return undefined;
  const {
    measures,
    house: { decimalComma },
  } = all;
  return {
    table: foilsCsv(all.computed.sheet, all.computed.work.units, {
      separator: decimalComma ? ';' : ',',
      decimalComma,
      measures,
    }),
  };
}

/** A whole visit, or its pattern alone, as a document. */
export async function loadDocument(
  person: SignedIn,
  visitId: string,
  form: 'visit.json' | 'pattern.json',
): Promise<{ readonly document: object } | undefined> {
  const all = await loadAll(person, visitId, ['plan', 'mix']);
  if (!all) return undefined;
  const {
    visit,
    computed: { plan, consult, mix },
  } = all;
  if (form === 'pattern.json') return { document: plan };
  const { signed, addenda } = visit.signOff;
  return {
    document: {
      format: 'dappled-lattice/visit',
      version: 1,
      id: visit.id,
      heldOn: visit.heldOn,
      client: { id: visit.client.id, name: visit.client.name },
      colourist: visit.personName,
      begunAt: visit.begunAt,
      consult,
      plan,
      mix,
      record: visit.outcome?.document ?? null,
      signed,
      addenda: addenda.map(({ at, by, words }) => ({ at, by, words })),
    },
  };
}
