import { csvResponse } from '@/features/csv-response';
import { toBuyTable } from '@/features/products/queries';
import { route } from '@/features/http/route';

/** What is to be bought before the bookings of the next week run out of it, as a table that spreadsheets open. */
export const GET = route(async () => {
  const table = await toBuyTable();
  if (table === undefined) return new Response('You are signed out. Sign in again.', { status: 401 });
  return csvResponse(table, 'to-buy.csv');
});
