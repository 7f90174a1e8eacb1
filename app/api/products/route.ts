import { csvResponse } from '@/features/csv-response';
import { productsTable } from '@/features/products/queries';
import { route } from '@/features/http/route';

/** The products of the house as a table that spreadsheets open. */
export const GET = route(async () => {
  const table = await productsTable();
  if (table === undefined) return new Response('You are signed out. Sign in again.', { status: 401 });
  return csvResponse(table, 'products.csv');
});
