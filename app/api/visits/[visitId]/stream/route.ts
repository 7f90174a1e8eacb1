import { route } from '@/features/http/route';
import { visitStream } from '@/features/together/queries';
import { whereSchema } from '@/features/together/where';

export const dynamic = 'force-dynamic';

/** What others do with the visit, as it happens; ?step= and ?panel= say where whoever listens is. */
export const GET = route<{ visitId: string }>(
  async (request, { visitId }) => {
    const { searchParams } = new URL(request.url);
    const where = whereSchema.safeParse({
      step: searchParams.get('step') ?? '',
      panel: searchParams.get('panel') ?? '',
    });
    if (!where.success)
      return Response.json({ ok: false, problem: where.error.issues[0].message }, { status: 400 });
    const stream = await visitStream(visitId, where.data, request.signal);
    return (
      stream ??
      Response.json({ ok: false, problem: 'You are signed out, or there is no such visit.' }, { status: 401 })
    );
  },
  { listens: true },
);
