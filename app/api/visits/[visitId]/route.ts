import { peekVisit } from '@/features/visit/queries';
import { route } from '@/features/http/route';

/** The visit as it is saved now. */
export const GET = route<{ visitId: string }>(async (_, { visitId }) => {
  const visit = await peekVisit(visitId);
  if (visit === 'signed-out') return Response.json({ problem: 'You are signed out.' }, { status: 401 });
  if (visit === 'missing')
    return Response.json({ problem: 'There is no such visit in this salon.' }, { status: 404 });
  return Response.json(visit, { headers: { 'Cache-Control': 'no-store' } });
});
