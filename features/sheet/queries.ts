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
import { currentPerson } from '../session/current';
import { wholeVisit } from '../visit/queries';

export type SheetRead = StationSheet | 'signed-out' | 'missing';

/** A visit as it is saved, with all that is computed of it; a reason where there is none. */
async function loadAll<K extends SentKey>(visitId: string, keys: readonly K[]) {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  const whole = await wholeVisit(person, visitId, [...keys, 'consult', 'estimate']);
  if (!whole) return 'missing';
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
export async function loadSheet(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId, []);
  if (typeof all === 'string') return all;
  const { asked, house, shared, measures, salonId } = all;
  return inThread(salonId, 'stationSheet', { ...asked, house, words: { ...shared, measures } });
}

/** How the pattern is found again on the same head. */
export async function loadAgain(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId, ['mix', 'work', 'after']);
  if (typeof all === 'string') return all;
  const {
    asked,
    computed: { consult, mix, work, after },
    shared,
    measures,
    visit,
    salonId,
  } = all;
  const record = visit.outcome?.document ?? null;
  const opened = record ? await serviceFor(visitId) : undefined;
  const served = opened?.ok ? servedBy(opened.value.script, opened.value.events) : null;
  const repeat = repeatLines({ mix, work, after, served, record, say: (text) => inMeasures(text, measures) });
  return inThread(salonId, 'againSheet', {
    ...asked,
    words: { ...shared, measures, regrowthMm: consult.regrowthMm, zones: record?.zones ?? null, repeat },
  });
}

/** The card for the mixing table. */
export async function loadCard(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId, ['mix']);
  if (typeof all === 'string') return all;
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
export async function loadReceipt(visitId: string): Promise<SheetRead> {
  const all = await loadAll(visitId, ['mix']);
  if (typeof all === 'string') return all;
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
  visitId: string,
): Promise<{ readonly table: string } | 'signed-out' | 'missing'> {
  const all = await loadAll(visitId, ['sheet', 'work']);
  if (typeof all === 'string') return all;
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
  visitId: string,
  form: 'visit.json' | 'pattern.json',
): Promise<{ readonly document: object } | 'signed-out' | 'missing'> {
  const all = await loadAll(visitId, ['plan', 'mix']);
  if (typeof all === 'string') return all;
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
