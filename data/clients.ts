import { growthRate, regrowthAfter, type GrowthRate } from '../core/growth';
import { inSalon, type Actor, type Transaction } from './database';
import { growthIntervals, listVisits, type VisitSummary } from './visits';

export interface Client {
  readonly id: string;
  readonly name: string;
  readonly phone: string;
  readonly note: string;
}

/** A client as the list shows her: the facts that matter before a visit. */
export interface ClientSummary extends Client {
  /** Last visit that was recorded. */
  readonly lastRecordedOn: string | null;
  /** A visit that is planned and not yet recorded. */
  readonly openVisit: { readonly id: string; readonly heldOn: string } | null;
  readonly naturalLevel: number | null;
  readonly goalLevel: number | null;
  readonly nextOn: string | null;
  /** Estimate, mm with standard deviation; null before the first record. */
  readonly regrowthToday: { readonly mm: number; readonly sd: number } | null;
}

export interface ClientStory {
  readonly client: ClientSummary;
  readonly visits: readonly VisitSummary[];
  readonly growth: GrowthRate & { readonly measuredIntervals: number };
}

const DAY_MS = 86_400_000;
const weeksBetween = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / DAY_MS / 7;

const MOST_FOUND = 100;
const MOST_LISTED = 300;
const MOST_WORDS = 8;

/**
 * Clients whose name, phone or note holds the words typed, or words much like them, the likeliest first; all by name
 * where nothing is typed. `today` is a day, YYYY-MM-DD.
 */
export function listClients(actor: Actor, search: string, today: string): Promise<ClientSummary[]> {
  const words = search.toLowerCase().normalize('NFC').trim().split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
  return inSalon(actor.salonId, async (trx) => {
    const clients = trx('client').select<Client[]>('id', 'name', 'phone', 'note');
    if (words.length === 0) return summaries(trx, await clients.orderByRaw('lower(name)').limit(MOST_LISTED), today);
    const found: { client_id: string }[] = (await trx.raw('select client_id from find_clients(?, ?) order by rank', [words, MOST_FOUND])).rows;
    const byId = new Map((await clients.whereIn('id', found.map(({ client_id }) => client_id))).map((client) => [client.id, client]));
    return summaries(trx, found.flatMap(({ client_id }) => byId.get(client_id) ?? []), today);
  });
}

/** One client with her visits, newest first; undefined when this salon has no such client. */
export function readClient(actor: Actor, clientId: string, today: string): Promise<ClientStory | undefined> {
  return inSalon(actor.salonId, async (trx) => {
    const client: Client | undefined = await trx('client').select('id', 'name', 'phone', 'note').where({ id: clientId }).first();
    if (!client) return undefined;
    const [summary] = await summaries(trx, [client], today);
    const visits = await listVisits(trx, [clientId]);
    const intervals = growthIntervals(visits);
    return { client: summary, visits, growth: { ...growthRate(intervals), measuredIntervals: intervals.length } };
  });
}

export function createClient(actor: Actor, fields: Omit<Client, 'id'>): Promise<string> {
  return inSalon(actor.salonId, async (trx) => {
    const [row] = await trx('client')
      .insert({ ...fields, salon_id: actor.salonId, created_by: actor.personId })
      .returning('id');
    return row.id as string;
  });
}

async function summaries(trx: Transaction, clients: readonly Client[], today: string): Promise<ClientSummary[]> {
  const visits = await listVisits(trx, clients.map((client) => client.id));
  const byClient = grouped(visits);
  return clients.map((client) => {
    const own = byClient.get(client.id) ?? [];
    const recorded = own.find((visit) => visit.outcome !== null);
    const open = own.find((visit) => visit.outcome === null);
    const rate = growthRate(growthIntervals(own));
    return {
      ...client,
      lastRecordedOn: recorded?.heldOn ?? null,
      openVisit: open ? { id: open.id, heldOn: open.heldOn } : null,
      naturalLevel: own[0]?.consult.naturalLevel ?? null,
      goalLevel: own[0]?.consult.goalLevel ?? null,
      nextOn: recorded?.outcome?.nextOn ?? null,
      regrowthToday: recorded ? regrowthAfter(Math.max(0, weeksBetween(recorded.heldOn, today)), rate) : null,
    };
  });
}

function grouped(visits: readonly VisitSummary[]): Map<string, VisitSummary[]> {
  const groups = new Map<string, VisitSummary[]>();
  for (const visit of visits) groups.set(visit.clientId, [...(groups.get(visit.clientId) ?? []), visit]);
  return groups;
}
