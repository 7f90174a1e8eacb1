import { peekVisit } from '@/features/visit/queries';
import { missing, route } from '@/features/http/route';

/** The visit as it is saved now. */
export const GET = route<{ visitId: string }>('seeVisit', async (_, { visitId }, person) => {
  const visit = await peekVisit(person, visitId);
  if (!visit) throw missing('visit');
  return Response.json(visit, { headers: { 'Cache-Control': 'no-store' } });
});
