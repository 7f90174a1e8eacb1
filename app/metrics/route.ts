import { metricsFor } from '@/features/http/metrics';
import { Refused, openRoute } from '@/features/http/route';

export const dynamic = 'force-dynamic';

/**
 * Figures of this process as Prometheus reads them: for this machine, or for whoever has
 * LATTICE_METRICS_TOKEN.
 */
export const GET = openRoute(async (request) => {
  const metrics = await metricsFor(request.headers);
  if (!metrics) throw new Refused(404, 'There is nothing here.');
  return new Response(metrics.text, {
    headers: { 'Content-Type': metrics.type, 'Cache-Control': 'no-store' },
  });
});
