import { respond } from '@/features/chair/answer';
import { runningServices } from '@/features/chair/queries';
import { route } from '@/features/http/route';

/** Services under way in the salon. */
export const GET = route('seeService', async (_request, _params, person) =>
  respond(await runningServices(person)),
);
