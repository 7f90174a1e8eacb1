import { respond } from '@/features/chair/answer';
import { serviceFor } from '@/features/chair/queries';
import { route } from '@/features/http/route';

/** The script of a service and everything that happened. */
export const GET = route<{ visitId: string }>('seeService', async (_, { visitId }, person) =>
  respond(await serviceFor(person, visitId)),
);
