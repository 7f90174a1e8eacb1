import { serviceStream } from '@/features/chair/queries';
import { missing, route } from '@/features/http/route';
import { isRevision } from '@/features/shared';

export const dynamic = 'force-dynamic';

/** What happens at a service, as it happens; ?after=N or Last-Event-ID says from where on. */
export const GET = route<{ visitId: string }>(
  'seeService',
  async (request, { visitId }, person) => {
    const after = Number(
      request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after') ?? 0,
    );
    const stream = await serviceStream(person, visitId, isRevision(after) ? after : 0, request.signal);
    if (!stream) throw missing('visit');
    return stream;
  },
  { listens: true },
);
