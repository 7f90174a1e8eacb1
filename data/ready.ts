import { database } from './database';
import { newestMigration } from './migrate';

/** The newest migration that the database has, and the one that this version expects. */
export async function newestRun(): Promise<{ readonly is: string | null; readonly wanted: string }> {
  const row = await database()('knex_migrations').orderBy('id', 'desc').select('name').first();
  return { is: row?.name ?? null, wanted: newestMigration() };
}
