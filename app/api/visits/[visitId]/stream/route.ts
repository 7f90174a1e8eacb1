import { missing, route } from '@/features/http/route';
import { visitStream } from '@/features/together/queries';
import { whereSchema } from '@/features/together/where';

export const dynamic = 'force-dynamic';

/** What others do with the visit, as it happens; ?step= and ?panel= say where whoever listens is. */
export const GET = route<{ visitId: string }>(
  'seeVisit',
  async (request, { visitId }, person) => {
    const { searchParams } = new URL(request.url);
    const where = whereSchema.safeParse({
      step: searchParams.get('step') ?? '',
      panel: searchParams.get('panel') ?? '',
    });
    if (!where.success)
      return Response.json({ ok: false, problem: where.error.issues[0].message }, { status: 400 });
    const stream = await visitStream(person, visitId, where.data, request.signal);
    if (!stream) throw missing('visit');
    return stream;
  },
  { listens: true },
);
