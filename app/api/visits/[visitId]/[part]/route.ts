import { jsonOf, route } from '@/features/http/route';
import { MOST_BYTES } from '@/features/limits';
import { saveVisitPart } from '@/features/visit/actions';

const STATUS = { stale: 409, missing: 404, invalid: 400, 'signed-out': 401 } as const;

/** Saves the consultation, plan or outcome of a visit: { baseRevision, editId, document } in, the new revision out. */
export const PUT = route<{ visitId: string; part: string }>(async (request, { visitId, part }) => {
  const answer = await saveVisitPart(visitId, part, await jsonOf(request, MOST_BYTES.document, 'The document'));
  return Response.json(answer, { status: answer.ok ? 200 : STATUS[answer.reason] });
});
