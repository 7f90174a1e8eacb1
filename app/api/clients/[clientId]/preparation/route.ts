import { preparationOf } from '@/features/diary/queries';
import { missing, route } from '@/features/http/route';

/**
 * What a client’s next visit needs; with ?timed also how long it takes, which is worked out for a moment. A
 * request of its own and no server
 * action: those wait for each other, and nobody waits for this one.
 */
export const GET = route<{ clientId: string }>('seeDay', async (request, { clientId }, person) => {
  const prepared = await preparationOf(person, clientId, new URL(request.url).searchParams.has('timed'));
  if (!prepared) throw missing('client');
  return Response.json(prepared, { headers: { 'Cache-Control': 'no-store' } });
});
