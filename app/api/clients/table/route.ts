import { csvResponse } from '@/features/csv-response';
import { clientsTable } from '@/features/clients/queries';
import { route } from '@/features/http/route';

/** The clients of the salon as a table that spreadsheets open. */
export const GET = route(async () => {
  const table = await clientsTable();
  if (table === 'signed-out') return new Response('You are signed out. Sign in again.', { status: 401 });
  if (table === 'not-allowed')
    return new Response('Only a colourist or the owner can export clients.', { status: 403 });
  return csvResponse(table, 'clients.csv');
});
