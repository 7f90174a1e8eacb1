import { ownPace } from '@/features/learn/queries';
import { route } from '@/features/http/route';

/** The pace of whoever is signed in, hundredths of the usual, with the foils that it rests on. */
export const GET = route('seeService', async (_request, _params, person) =>
  Response.json(await ownPace(person), { headers: { 'Cache-Control': 'no-store' } }),
);
