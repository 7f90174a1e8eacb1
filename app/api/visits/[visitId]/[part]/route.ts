import { jsonOf, route } from '@/features/http/route';
import { MOST_BYTES } from '@/features/limits';
import { saveVisitPart } from '@/features/visit/actions';
import { isVisitPart } from '@/features/visit/edits';
import { peekPart } from '@/features/visit/queries';

const STATUS = { stale: 409, signed: 409, missing: 404, invalid: 400, 'signed-out': 401 } as const;

/** One document of a visit as it is saved now: { revision, document }. */
export const GET = route<{ visitId: string; part: string }>(async (_, { visitId, part }) => {
  const own = isVisitPart(part) ? await peekPart(visitId, part) : 'missing';
  if (own === 'signed-out') return Response.json({ problem: 'You are signed out.' }, { status: 401 });
  if (own === 'missing')
    return Response.json({ problem: 'There is no such visit in this salon.' }, { status: 404 });
  return Response.json(own, { headers: { 'Cache-Control': 'no-store' } });
});

/** Saves the consultation, plan or outcome of a visit: { baseRevision, editId, document } in, the new revision out. */
export const PUT = route<{ visitId: string; part: string }>(async (request, { visitId, part }) => {
  const answer = await saveVisitPart(
    visitId,
    part,
    await jsonOf(request, MOST_BYTES.document, 'The document'),
  );
  return Response.json(answer, { status: answer.ok ? 200 : STATUS[answer.reason] });
});
