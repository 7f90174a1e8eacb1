import { openApi } from '@/features/api/description';
import { openRoute } from '@/features/http/route';

/** What the API does, as OpenAPI 3.1; for everybody to read. */
export const GET = openRoute(async () =>
  Response.json(openApi(), { headers: { 'Cache-Control': 'public, max-age=300' } }),
);
