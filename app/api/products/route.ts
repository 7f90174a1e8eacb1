import { csvResponse } from '@/features/csv-response';
import { productsTable } from '@/features/products/queries';
import { inWords, route } from '@/features/http/route';

/** The products of the house as a table that spreadsheets open. */
export const GET = route(
  'seeProducts',
  async (_request, _params, person) => csvResponse(await productsTable(person), 'products.csv'),
  { say: inWords },
);
