import { clientRecord } from '@/features/clients/queries';
import { route } from '@/features/http/route';

const REFUSED = {
  'signed-out': [401, 'You are signed out.'],
  'not-allowed': [403, 'Only a colourist or the owner can export a record.'],
  missing: [404, 'There is no such client in this salon.'],
} as const;

/** Everything that is kept of one client, as one file. */
export const GET = route<{ clientId: string }>(async (_, { clientId }) => {
  const record = await clientRecord(clientId);
  if (typeof record === 'string')
    return Response.json({ problem: REFUSED[record][1] }, { status: REFUSED[record][0] });
  return new Response(`${JSON.stringify(record, null, 1)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="client-${clientId}.json"`,
      'Cache-Control': 'no-store',
    },
  });
});
