import { serviceStream } from '@/features/chair/queries';
import { route } from '@/features/http/route';
import { isRevision } from '@/features/shared';

export const dynamic = 'force-dynamic';

/** What happens at a service, as it happens; ?after=N or Last-Event-ID says from where on. */
export const GET = route<{ visitId: string }>(
  async (request, { visitId }) => {
    const after = Number(
      request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after') ?? 0,
    );
    const stream = await serviceStream(visitId, isRevision(after) ? after : 0, request.signal);
    return (
      stream ??
      Response.json({ ok: false, problem: 'You are signed out, or there is no such visit.' }, { status: 401 })
    );
  },
  { listens: true },
);
