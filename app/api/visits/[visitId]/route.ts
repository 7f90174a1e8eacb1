import { peekVisit } from '@/features/visit/queries';

/** The visit as it is saved now. */
export async function GET(_: Request, { params }: { params: Promise<{ visitId: string }> }) {
  const visit = await peekVisit((await params).visitId);
  if (visit === 'signed-out') return Response.json({ problem: 'You are signed out.' }, { status: 401 });
  if (visit === 'missing') return Response.json({ problem: 'There is no such visit in this salon.' }, { status: 404 });
  return Response.json(visit, { headers: { 'Cache-Control': 'no-store' } });
}
