import 'server-only';
import { migrationsRun } from '@/data/ready';

/**
 * Why requests cannot be served, in a sentence; null where they can. A newer database serves this version
 * until it is replaced.
 */
export async function notReady(): Promise<string | null> {
  const { newest, wanted, has } = await migrationsRun();
  return has
    ? null
    : `The database is at ${newest ?? 'no migration'}, and this version expects ${wanted}: run the setup of this version.`;
}
