import { jsonOf, missing, route } from '@/features/http/route';
import { MOST_BYTES } from '@/features/limits';
import { saveVisitPart } from '@/features/visit/actions';
import { isVisitPart } from '@/features/visit/edits';
import { peekPart } from '@/features/visit/queries';

const STATUS = {
  stale: 409,
  signed: 409,
  missing: 404,
  invalid: 400,
  'signed-out': 401,
  'not-allowed': 403,
} as const;

/** One document of a visit as it is saved now: { revision, document }. */
export const GET = route<{ visitId: string; part: string }>(
  'seeVisit',
  async (_, { visitId, part }, person) => {
    const revised = isVisitPart(part) ? await peekPart(person, visitId, part) : undefined;
    if (!revised) throw missing('visit');
    return Response.json(revised, { headers: { 'Cache-Control': 'no-store' } });
  },
);

/**
 * Saves the consultation, plan or outcome of a visit: { baseRevision, editId, document } in, the new revision
 * out.
 */
export const PUT = route<{ visitId: string; part: string }>(
  'saveVisitPart',
  async (request, { visitId, part }) => {
    const answer = await saveVisitPart(
      visitId,
      part,
      await jsonOf(request, MOST_BYTES.document, 'The document'),
    );
    return Response.json(answer, { status: answer.ok ? 200 : STATUS[answer.reason] });
  },
);
