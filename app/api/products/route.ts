import { productsTable } from '@/features/products/queries';

/** The products of the house as a table that spreadsheets open. */
export async function GET() {
  const table = await productsTable();
  if (table === undefined) return new Response('You are signed out. Sign in again.', { status: 401 });
  // A mark at the start tells spreadsheets that it is UTF-8.
  return new Response(`\uFEFF${table}`, { headers: { 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': 'attachment; filename="products.csv"', 'Cache-Control': 'no-store' } });
}
