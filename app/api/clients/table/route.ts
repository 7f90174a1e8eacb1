import { csvResponse } from '@/features/csv-response';
import { clientsTable } from '@/features/clients/queries';
import { inWords, route } from '@/features/http/route';

/** The clients of the salon as a table that spreadsheets open. */
export const GET = route(
  'exportClients',
  async (_request, _params, person) => csvResponse(await clientsTable(person), 'clients.csv'),
  { say: inWords },
);
