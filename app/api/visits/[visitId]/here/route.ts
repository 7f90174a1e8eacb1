import { jsonOf, route } from '@/features/http/route';
import { tellWhere } from '@/features/together/queries';

const MOST_BYTES = 2000;

/** Where somebody is in the visit that they have open: { station, step, panel }. */
export const POST = route<{ visitId: string }>('seeVisit', async (request, { visitId }, person) => {
  const answer = await tellWhere(person, visitId, await jsonOf(request, MOST_BYTES, 'The place'));
  return Response.json(answer, { status: answer.ok ? 200 : 400 });
});
