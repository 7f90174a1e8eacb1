import { csvResponse } from '@/features/csv-response';
import { productsTable } from '@/features/products/queries';

/** The products of the house as a table that spreadsheets open. */
export async function GET() {
  const table = await productsTable();
  if (table === undefined) return new Response('You are signed out. Sign in again.', { status: 401 });
  return csvResponse(table, 'products.csv');
}
