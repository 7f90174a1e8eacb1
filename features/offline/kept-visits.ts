'use client';

import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { VISIT_PARTS, type VisitBundle } from '../visit/types';

interface Schema extends DBSchema {
  visits: {
    key: string;
    value: { readonly id: string; readonly keptAt: number; readonly bundle: VisitBundle };
  };
}

const DAYS_KEPT = 4;

const open = (): Promise<IDBPDatabase<Schema>> =>
  openDB<Schema>('lattice-visits', 1, {
    upgrade: (db) => void db.createObjectStore('visits', { keyPath: 'id' }),
  });

/**
 * Does something with what this device keeps; where it keeps nothing, or may not, the answer is `otherwise`.
 */
async function withKept<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>, otherwise: T): Promise<T> {
  if (!('indexedDB' in globalThis)) return otherwise;
  try {
    const db = await open();
    try {
      return await work(db);
    } finally {
      db.close();
    }
  } catch {
    return otherwise;
  }
}

/** Keeps a visit as the server has it. */
export const keepVisit = (bundle: VisitBundle): Promise<void> =>
  withKept(
    async (db) => void (await db.put('visits', { id: bundle.id, keptAt: Date.now(), bundle })),
    undefined,
  );

/** The visits that this device keeps, newest first. */
export const keptVisits = (): Promise<readonly VisitBundle[]> =>
  withKept(
    async (db) => (await db.getAll('visits')).sort((a, b) => b.keptAt - a.keptAt).map(({ bundle }) => bundle),
    [],
  );

/**
 * Forgets all visits, or those that nobody opened for days. Edits that were not sent are kept apart, and
 * stay.
 */
export const forgetVisits = (all: boolean): Promise<void> =>
  withKept(async (db) => {
    const before = Date.now() - DAYS_KEPT * 86_400_000;
    for (const { id, keptAt } of await db.getAll('visits'))
      if (all || keptAt < before) await db.delete('visits', id);
  }, undefined);

/**
 * A visit as a page brings it, or as this device keeps it where that is newer: a page that is kept may be
 * older than what was saved since.
 */
export async function newestOf(page: VisitBundle): Promise<VisitBundle> {
  const kept = await withKept(async (db) => (await db.get('visits', page.id))?.bundle, undefined);
  return kept ? newer(page, kept) : page;
}

/** The newer version of each document, and the facts beside them of whichever was read later. */
export function newer(page: VisitBundle, kept: VisitBundle): VisitBundle {
  const facts = kept.readAt > page.readAt ? kept : page;
  const documents = Object.fromEntries(
    VISIT_PARTS.map((part) => [
      part,
      (kept[part]?.revision ?? 0) > (page[part]?.revision ?? 0) ? kept[part] : page[part],
    ]),
  );
  return { ...facts, ...documents };
}
