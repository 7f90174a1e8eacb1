import { respond } from '@/features/chair/answer';
import { takeEvents } from '@/features/chair/queries';
import { jsonOf, route } from '@/features/http/route';
import { MOST_BYTES } from '@/features/limits';

/** Takes events of a device: { device, deviceNow, events } in, the same events as the server has them out. */
export const POST = route<{ visitId: string }>('doService', async (request, { visitId }, person) =>
  respond(
    await takeEvents(person, visitId, await jsonOf(request, MOST_BYTES.document, 'What is sent at once')),
  ),
);
