import { database } from './database';
import { migrationsIn, newestMigration } from './migrate';

/**
 * The newest migration that the database has, the one that this version expects, and whether the database has
 * had that one.
 */
export async function migrationsRun(): Promise<{
  readonly newest: string | null;
  readonly wanted: string;
  readonly has: boolean;
}> {
  const names = await migrationsIn(database());
  return { newest: names.at(-1) ?? null, wanted: newestMigration(), has: names.includes(newestMigration()) };
}
