import { differencesOf } from '../core/formats';
import { inSalon, type Actor, type Transaction } from './database';
import { announce } from './signals';

/** Everything that is written into the trail. */
export type Act =
  | 'client-added'
  | 'client-changed'
  | 'client-archived'
  | 'client-restored'
  | 'client-merged'
  | 'client-unmerged'
  | 'client-exported'
  | 'client-erased'
  | 'visit-opened'
  | 'visit-begun'
  | 'consult'
  | 'plan'
  | 'mix'
  | 'outcome'
  | 'signed-off'
  | 'addendum'
  | 'booked'
  | 'booking-changed'
  | 'reminded'
  | 'feed-made'
  | 'feed-revoked'
  | 'learnt-reset'
  | 'photo-added'
  | 'photo-changed'
  | 'photo-archived'
  | 'photo-restored'
  | 'photo-removed'
  | 'test-added'
  | 'test-read'
  | 'consent-given'
  | 'consent-withdrawn'
  | 'reason-given'
  | 'person-invited'
  | 'person-joined'
  | 'person-changed'
  | 'hours-set'
  | 'link-made'
  | 'password-set'
  | 'pin-set'
  | 'house'
  | 'products'
  | 'token-made'
  | 'token-revoked'
  | 'page-made'
  | 'page-revoked'
  | 'answers-sent'
  | 'answers-settled';

/** What changed, as it is said: where, from, to. */
export interface Change {
  readonly where: string;
  readonly from: string;
  readonly to: string;
}

export interface TrailEntry {
  readonly at: string;
  readonly personName: string | null;
  readonly act: Act;
  readonly clientId: string | null;
  readonly clientName: string | null;
  readonly visitId: string | null;
  readonly visitOn: string | null;
  /** A sentence's worth of what it was about. */
  readonly words: string;
  /** The tool that did it in the person's name; null where the person did. */
  readonly via: string | null;
  readonly changes: readonly Change[];
  /** More changes than are kept of one act. */
  readonly more: number;
  /** Words that were erased with the client. */
  readonly erased: boolean;
}

interface Row {
  at: Date;
  act: Act;
  details: { words?: string; via?: string; changes?: Change[]; more?: number; erased?: boolean };
  client_id: string | null;
  visit_id: string | null;
  person_name: string | null;
  client_name: string | null;
  held_on: string | null;
}

interface About {
  readonly clientId?: string;
  readonly visitId?: string;
  readonly words?: string;
  readonly changes?: readonly Change[];
}

/**
 * Who did it: a person, or nobody where the server did it by itself; and by which tool, where one did it in
 * their name.
 */
export interface Author {
  readonly salonId: string;
  readonly personId: string | null;
  readonly via?: string;
}

const MOST_CHANGES = 40;

/** Writes who did what, in the transaction that does it: both are there or neither. */
export async function leaveTrail(
  trx: Transaction,
  actor: Author,
  act: Act,
  about: About = {},
): Promise<void> {
  const changes = about.changes ?? [];
  const details = {
    ...(about.words && { words: about.words }),
    ...(actor.via && { via: actor.via }),
    ...(changes.length > 0 && { changes: changes.slice(0, MOST_CHANGES) }),
    ...(changes.length > MOST_CHANGES && { more: changes.length - MOST_CHANGES }),
  };
  await trx('trail').insert({
    salon_id: actor.salonId,
    person_id: actor.personId,
    client_id: about.clientId ?? null,
    visit_id: about.visitId ?? null,
    act,
    details: JSON.stringify(details),
  });
  // Whoever has a visit of the client open reads anew what stands beside its documents.
  if (about.clientId && !NOT_ANNOUNCED.has(act)) await announce(trx, { topic: 'client', id: about.clientId });
}

/** Acts of which the edit itself is announced, and of clients whom nobody can have open yet. */
const NOT_ANNOUNCED: ReadonlySet<Act> = new Set(['consult', 'plan', 'mix', 'outcome', 'client-added']);

/** What differs between two versions of a document, as the trail keeps it. */
export function changesBetween(before: unknown, after: unknown): Change[] {
  return differencesOf(before, after).map(({ where, mine, theirs }) => ({ where, from: mine, to: theirs }));
}

/** Edits of one person at one document within this time are read as one. */
const TOGETHER_MS = 10 * 60_000;

/**
 * The trail, newest first: of one client, or of the salon. Edits that follow each other within ten minutes
 * are one entry,
 * with what they changed in the end.
 */
export function readTrail(
  actor: Actor,
  of: { clientId?: string; before?: string } = {},
  most = 200,
): Promise<TrailEntry[]> {
  return inSalon(actor.salonId, async (trx) => {
    const rows: Row[] = await trx('trail as t')
      .leftJoin('person as p', 'p.id', 't.person_id')
      .leftJoin('client as c', 'c.id', 't.client_id')
      .leftJoin('visit as v', 'v.id', 't.visit_id')
      .modify((query) => {
        if (of.clientId)
          query.where(
            (queryBuilder) =>
              void queryBuilder
                .where('t.client_id', of.clientId!)
                .orWhereIn('t.client_id', trx('client').where({ merged_into: of.clientId }).select('id')),
          );
        if (of.before) query.where('t.at', '<', of.before);
      })
      .orderBy('t.id', 'desc')
      .limit(most)
      .select(
        't.at',
        't.act',
        't.details',
        't.client_id',
        't.visit_id',
        'p.name as person_name',
        'c.name as client_name',
        'v.held_on',
      );
    return joined(
      rows.map((row): TrailEntry => ({
        at: row.at.toISOString(),
        personName: row.person_name,
        act: row.act,
        clientId: row.client_id,
        clientName: row.client_name,
        visitId: row.visit_id,
        visitOn: row.held_on,
        words: row.details.words ?? '',
        via: row.details.via ?? null,
        changes: row.details.changes ?? [],
        more: row.details.more ?? 0,
        erased: row.details.erased === true,
      })),
    );
  });
}

/** Edits that belong together as one. @param entries newest first */
export function joined(entries: readonly TrailEntry[]): TrailEntry[] {
  const out: TrailEntry[] = [];
  for (const entry of entries) {
    const later = out.at(-1);
    const same =
      later &&
      isEdit(entry.act) &&
      entry.act === later.act &&
      entry.personName === later.personName &&
      entry.via === later.via &&
      entry.visitId === later.visitId &&
      Date.parse(later.at) - Date.parse(entry.at) < TOGETHER_MS;
    if (same)
      out[out.length - 1] = {
        ...later,
        changes: chained(entry.changes, later.changes),
        more: later.more + entry.more,
      };
    else out.push(entry);
  }
  return out;
}

const isEdit = (act: Act) => act === 'consult' || act === 'plan' || act === 'mix' || act === 'outcome';

/** First from to last to, by place; what came back to where it was is no change. */
function chained(earlier: readonly Change[], later: readonly Change[]): Change[] {
  const byPlace = new Map(earlier.map((change) => [change.where, change]));
  for (const change of later)
    byPlace.set(change.where, { ...change, from: byPlace.get(change.where)?.from ?? change.from });
  return [...byPlace.values()].filter(({ from, to }) => from !== to);
}
