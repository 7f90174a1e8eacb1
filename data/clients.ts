import { phoneKey } from '../core/units';
import {
  growthIntervals,
  growthRate,
  regrowthByZone,
  type GrowthRate,
  type ZoneRegrowth,
} from '../core/growth';
import { growthVisits } from '../core/record';
import { asRow, clientRows, type Client, type ClientFields } from './client-fields';
import { openAnswers, type KeptAnswers } from './client-pages';
import { inSalon, type Actor, type Transaction } from './database';
import { insertOnce } from './made-once';
import { mergesInto, type Merge } from './merges';
import { safetyOf, type Safety } from './safety';
import { leaveTrail } from './trail';
import { visitFacts } from './visit-facts';
import { listVisits, type UnreadableVisit, type VisitSummary } from './visits';
import { rawRows } from './raw-rows';

/** A client as the list shows them: the facts that matter before a visit. */
export interface ClientSummary extends Client {
  /** Last visit that was recorded. */
  readonly lastRecordedOn: string | null;
  /** A visit that is planned and not yet recorded. */
  readonly openVisit: { readonly id: string; readonly heldOn: string } | null;
  readonly naturalLevel: number | null;
  readonly goalLevel: number | null;
  readonly nextOn: string | null;
  /** Estimate, mm with standard deviation; null before the first record. */
  readonly regrowthToday: {
    readonly mm: number;
    readonly sd: number;
    readonly measuredToday: boolean;
    readonly elsewhereMm: number | null;
  } | null;
  /** Found by this pattern, or by what was done with it, and not by name; null otherwise. */
  readonly foundBy: string | null;
}

export type { ClientFields };

export interface ClientStory {
  readonly client: ClientSummary;
  readonly visits: readonly VisitSummary[];
  /** Visits of which a document cannot be read. */
  readonly unreadable: readonly UnreadableVisit[];
  readonly growth: GrowthRate & { readonly measuredIntervals: number };
  readonly safety: Safety;
  /** Records that were merged into this one. */
  readonly merges: readonly Merge[];
  /** What they answered on their own page and nobody took over yet. */
  readonly answers: KeptAnswers | null;
}

/**
 * What stands for a head: the middle of the zones that the last visit took to the root; and the longest where
 * it left some alone.
 */
function middleOf(zones: readonly ZoneRegrowth[], today: string): ClientSummary['regrowthToday'] {
  const latest = zones.reduce(
    (last, { takenOn }) => (takenOn !== null && takenOn > last ? takenOn : last),
    '',
  );
  const taken = zones.filter(({ takenOn }) => takenOn === latest);
  const of = (taken.length > 0 ? taken : [...zones]).sort((a, b) => a.mm - b.mm);
  const zoneRegrowth = of[of.length >> 1];
  if (!zoneRegrowth) return null;
  const longest = Math.max(...zones.map(({ mm }) => mm));
  return {
    mm: zoneRegrowth.mm,
    sd: zoneRegrowth.sd,
    measuredToday: zoneRegrowth.from === 'measured' && zoneRegrowth.since === today,
    elsewhereMm: longest > zoneRegrowth.mm + APART_MM ? longest : null,
  };
}

/** Regrowth that is longer by so much elsewhere is worth a word, mm. */
const APART_MM = 8;

const MOST_FOUND = 60;
/** So many stand on a page where nothing is looked for. */
export const CLIENTS_A_PAGE = 100;
const MOST_WORDS = 8;

/** Which clients are listed. */
export interface ListOf {
  readonly archived?: boolean;
  /** Which page of all of them; the first is 0. */
  readonly page?: number;
}

/**
 * Clients whose name, phone or note holds the words typed, or words much like them, the likeliest first; then
 * those with a
 * pattern of that name, or something done in those words; all by name where nothing is typed. `today` is a
 * day, YYYY-MM-DD.
 */
export function listClients(
  actor: Actor,
  search: string,
  today: string,
  { archived = false, page = 0 }: ListOf = {},
): Promise<ClientSummary[]> {
  const phone = phoneKey(search);
  const words = phone
    ? [phone]
    : search.toLowerCase().normalize('NFC').trim().split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
  return inSalon(actor.salonId, async (trx) => {
    if (words.length === 0) {
      const all = await clientRows(trx, (query) =>
        (archived ? query.whereNotNull('archived_at') : query.whereNull('archived_at'))
          .orderByRaw('lower(name), id')
          .limit(CLIENTS_A_PAGE)
          .offset(page * CLIENTS_A_PAGE),
      );
      return summaries(trx, all, today);
    }
    const found = await rawRows<{ client_id: string }>(
      trx,
      'select client_id from find_clients(?, ?, ?) order by rank',
      [words, MOST_FOUND, archived],
    );
    // A list that is full already needs no more; patterns are looked for where names leave room.
    const full = archived || found.length >= MOST_FOUND;
    const byPattern = full
      ? []
      : await rawRows<{ client_id: string; pattern: string }>(
          trx,
          'select client_id, pattern from find_by_pattern(?, ?)',
          [words, MOST_FOUND],
        );
    const patterns = new Map(byPattern.map(({ client_id, pattern }) => [client_id, pattern]));
    const ids = [...new Set([...found, ...byPattern].map(({ client_id }) => client_id))].slice(0, MOST_FOUND);
    const byId = new Map(
      (await clientRows(trx, (query) => query.whereIn('id', ids))).map((client) => [client.id, client]),
    );
    const named = new Set(found.map(({ client_id }) => client_id));
    return summaries(
      trx,
      ids.flatMap((id) => byId.get(id) ?? []),
      today,
      (id) => (named.has(id) ? null : (patterns.get(id) ?? null)),
    );
  });
}

/** How many clients a salon has. */
export function countClients(
  actor: Actor,
  { archived = false }: Pick<ListOf, 'archived'> = {},
): Promise<number> {
  return inSalon(actor.salonId, async (trx) =>
    Number(
      (await trx('client')
        .whereNull('merged_into')
        [archived ? 'whereNotNull' : 'whereNull']('archived_at')
        .count()
        .first())!.count,
    ),
  );
}

/** One client with their visits, newest first; undefined when this salon has no such client. */
export function readClient(actor: Actor, clientId: string, today: string): Promise<ClientStory | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const [client] = await clientRows(trx, (query) => query.where({ id: clientId }));
    if (!client) return undefined;
    const [summary] = await summaries(trx, [client], today);
    const { visits, unreadable } = await listVisits(trx, [clientId]);
    const intervals = growthIntervals(growthVisits(visits));
    return {
      client: summary,
      visits,
      unreadable,
      growth: { ...growthRate(intervals), measuredIntervals: intervals.length },
      safety: await safetyOf(trx, clientId, null),
      merges: await mergesInto(trx, clientId, client.note),
      answers: await openAnswers(trx, clientId),
    };
  });
}

/**
 * Adds a client; once, however often it is asked for with one id.
 * @param id as the device gave it
 * @returns their id
 */
export function createClient(actor: Actor, fields: ClientFields, id?: string): Promise<string> {
  return inSalon(actor.salonId, (trx) => insertClient(trx, actor, fields, id));
}

/** Adds a client within a transaction. */
export async function insertClient(
  trx: Transaction,
  actor: Actor,
  fields: ClientFields,
  id?: string,
): Promise<string> {
  const row = await insertOnce(
    trx,
    'client',
    { ...asRow(fields), salon_id: actor.salonId, created_by: actor.personId },
    id,
  );
  if (row.made) await leaveTrail(trx, actor, 'client-added', { clientId: row.id, words: fields.name });
  return row.id;
}

async function summaries(
  trx: Transaction,
  clients: readonly Client[],
  today: string,
  foundBy: (id: string) => string | null = () => null,
): Promise<ClientSummary[]> {
  const byClient = await visitFacts(
    trx,
    clients.map((client) => client.id),
  );
  return clients.map((client) => {
    const own = byClient.get(client.id) ?? [];
    const recorded = own.find((visit) => visit.outcome !== null);
    const open = own.find((visit) => visit.outcome === null);
    const grown = growthVisits(own);
    const rate = growthRate(growthIntervals(grown));
    return {
      ...client,
      foundBy: foundBy(client.id),
      lastRecordedOn: recorded?.heldOn ?? null,
      openVisit: open ? { id: open.id, heldOn: open.heldOn } : null,
      naturalLevel: own[0]?.consult.naturalLevel ?? null,
      goalLevel: own[0]?.consult.goalLevel ?? null,
      nextOn: recorded?.outcome?.nextOn ?? null,
      regrowthToday: middleOf(Object.values(regrowthByZone(grown, rate, today)), today),
    };
  });
}
