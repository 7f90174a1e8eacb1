import 'server-only';
import { newestRun } from '@/data/ready';

export { unavailable } from '@/data/unavailable';
export { errorFacts, routeOf, watch } from '@/data/watch';

/** Why requests cannot be served, in a sentence; null where they can. */
export async function isReady(): Promise<string | null> {
  const { is, wanted } = await newestRun();
  return is === wanted ? null : `The database is at ${is ?? 'no migration'}, and this version expects ${wanted}: run the setup of this version, or start the version that fits.`;
}
