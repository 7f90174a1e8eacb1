import type { PhotoSize } from '../photo-store';
import type { Transaction } from '../database';
import { rawRows } from '../raw-rows';

/** Tables of a salon in the order in which their rows can go in, each with what its rows are ordered by. */
export const ARCHIVED = [
  ['salon', 'id'],
  ['person', 'id'],
  ['house', 'salon_id'],
  ['product_range', 'salon_id'],
  ['technique', 'id'],
  ['technique_version', 'technique_id, number'],
  // Records that were merged point at those that stayed.
  ['client', 'merged_into is not null, id'],
  ['client_merge', 'id'],
  ['visit', 'id'],
  ['plan', 'visit_id'],
  ['mix', 'visit_id'],
  ['outcome', 'visit_id'],
  ['addendum', 'id'],
  ['draft', 'id'],
  ['service', 'visit_id'],
  ['service_event', 'visit_id, position'],
  ['hair_test', 'id'],
  ['consent', 'id'],
  ['caution_reason', 'visit_id, caution'],
  ['photo', 'id'],
  ['client_answer', 'id'],
  ['appointment', 'id'],
  ['reminder', 'id'],
  ['learnt_since', 'product'],
  ['stock', 'product'],
  ['stock_move', 'id'],
  ['trail', 'id'],
] as const;
export type ArchivedTable = (typeof ARCHIVED)[number][0];

/**
 * Left out: what opens doors (sessions, links, calendar addresses, tokens), counts of wrong tries, and what
 * is made of other tables.
 */
export const LEFT_OUT = [
  'session',
  'access_link',
  'calendar_feed',
  'client_page',
  'api_token',
  'attempt',
  'client_word',
  'photo_bytes',
] as const;

/**
 * Columns that stay behind: secrets, where an installation keeps its photos, and whether it was a demo here.
 */
const SECRET: Readonly<Partial<Record<ArchivedTable, readonly string[]>>> = {
  salon: ['demo'],
  person: ['password_hash', 'pin_hash'],
  photo: ['stored_in'],
};

/**
 * Columns of a table that are written down: not those that are secret, nor those that the database makes
 * itself.
 */
export async function columnsOf(trx: Transaction, table: ArchivedTable): Promise<string[]> {
  const rows = await rawRows<{ column_name: string }>(
    trx,
    "select column_name from information_schema.columns where table_schema = 'public' and table_name = ? and is_generated = 'NEVER' order by column_name",
    [table],
  );
  return rows.map(({ column_name }) => column_name).filter((name) => !SECRET[table]?.includes(name));
}

export const PHOTO_PATH = /^photos\/([0-9a-f-]{36})\/(full|small)\.jpg$/;
/** Whose picture lies at a path of an archive, and which size of it; undefined for any other path. */
export function photoAt(path: string): { readonly photoId: string; readonly size: PhotoSize } | undefined {
  const [, photoId, size] = PHOTO_PATH.exec(path) ?? [];
  return photoId ? { photoId, size: size === 'full' ? 'full' : 'small' } : undefined;
}
export const photoPath = (id: string, size: string) => `photos/${id}/${size}.jpg`;
export const tablePath = (table: string) => `tables/${table}.jsonl`;
export const MANIFEST_PATH = 'manifest.json';
