import { route } from '@/features/http/route';
import { nearPages } from '@/features/offline/queries';

/** Pages that a device keeps for when there is no network. */
export const GET = route('seeDay', async (_request, _params, person) => {
  const pages = await nearPages(person);
  return Response.json({ pages }, { headers: { 'Cache-Control': 'no-store' } });
});
