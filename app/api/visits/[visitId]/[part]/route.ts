import { saveVisitPart } from '@/features/visit/actions';

const MOST_BYTES = 1_000_000;
const STATUS = { stale: 409, missing: 404, invalid: 400, 'signed-out': 401 } as const;

/** Saves the consultation, plan or outcome of a visit: { baseRevision, editId, document } in, the new revision out. */
export async function PUT(request: Request, { params }: { params: Promise<{ visitId: string; part: string }> }) {
  const { visitId, part } = await params;
  const text = await request.text();
  if (text.length > MOST_BYTES) {
    return Response.json({ ok: false, reason: 'invalid', problem: 'The document is larger than a megabyte.' }, { status: 413 });
  }
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return Response.json({ ok: false, reason: 'invalid', problem: 'The request body is not JSON.' }, { status: 400 });
  }
  const answer = await saveVisitPart(visitId, part, body);
  return Response.json(answer, { status: answer.ok ? 200 : STATUS[answer.reason] });
}
