import { openRoute } from '@/features/http/route';

export const dynamic = 'force-dynamic';

/** Whether this process answers. */
export const GET = openRoute(async () =>
  Response.json({ ok: true }, { headers: { 'Cache-Control': 'no-store' } }),
);
