import { clientRecord } from '@/features/clients/queries';
import { missing, route } from '@/features/http/route';

/** Everything that is kept of one client, as one file. */
export const GET = route<{ clientId: string }>('exportRecord', async (_, { clientId }, person) => {
  const record = await clientRecord(person, clientId);
  if (!record) throw missing('client');
  return new Response(`${JSON.stringify(record, null, 1)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="client-${clientId}.json"`,
      'Cache-Control': 'no-store',
    },
  });
});
