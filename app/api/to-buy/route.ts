import { csvResponse } from '@/features/csv-response';
import { toBuyTable } from '@/features/products/queries';
import { inWords, route } from '@/features/http/route';

/**
 * What is to be bought before the bookings of the next week run out of it, as a table that spreadsheets open.
 */
export const GET = route(
  'seeProducts',
  async (_request, _params, person) => csvResponse(await toBuyTable(person), 'to-buy.csv'),
  { say: inWords },
);
