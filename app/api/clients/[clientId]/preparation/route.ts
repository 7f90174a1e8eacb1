import { preparationOf } from '@/features/diary/queries';
import { route } from '@/features/http/route';

const REFUSED = {
  'signed-out': [401, 'You are signed out.'],
  missing: [404, 'There is no such client in this salon.'],
} as const;

/**
 * What a client’s next visit needs; with ?timed also how long it takes, which is worked out for a moment. A request of its own and no server
 * action: those wait for each other, and nobody waits for this one.
 */
export const GET = route<{ clientId: string }>(async (request, { clientId }) => {
  const prepared = await preparationOf(clientId, new URL(request.url).searchParams.has('timed'));
  if (typeof prepared === 'string')
    return Response.json({ problem: REFUSED[prepared][1] }, { status: REFUSED[prepared][0] });
  return Response.json(prepared, { headers: { 'Cache-Control': 'no-store' } });
});
