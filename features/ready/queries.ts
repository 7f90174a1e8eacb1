import 'server-only';
import { newestRun } from '@/data/ready';

/** Why requests cannot be served, in a sentence; null where they can. */
export async function notReady(): Promise<string | null> {
  const { is, wanted } = await newestRun();
  if (is === wanted) return null;
  return `The database is at ${is ?? 'no migration'}, and this version expects ${wanted}: run the setup of this version, or start the version that fits.`;
}
