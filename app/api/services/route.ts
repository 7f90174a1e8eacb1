import { respond } from '@/features/chair/answer';
import { runningServices } from '@/features/chair/queries';
import { route } from '@/features/http/route';

/** Services under way in the salon. */
export const GET = route(async () => respond(await runningServices()));
