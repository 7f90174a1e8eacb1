import { openRoute } from '@/features/http/route';
import { notReady } from '@/features/ready/queries';

export const dynamic = 'force-dynamic';

/**
 * Whether requests can be served: the database answers, and is as this version expects it; 503 with a
 * sentence where not.
 */
export const GET = openRoute(async () => {
  const problem = await notReady();
  return Response.json(
    { ok: problem === null, ...(problem !== null && { problem }) },
    { status: problem === null ? 200 : 503, headers: { 'Cache-Control': 'no-store' } },
  );
});
