import { route } from '@/features/http/route';
import { nearPages } from '@/features/offline/queries';

/** Pages that a device keeps for when there is no network. */
export const GET = route(async () => {
  const pages = await nearPages();
  if (!pages) return Response.json({ problem: 'You are signed out.' }, { status: 401 });
  return Response.json({ pages }, { headers: { 'Cache-Control': 'no-store' } });
});
