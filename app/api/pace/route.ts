import { ownPace } from '@/features/learn/queries';
import { route } from '@/features/http/route';

/** The pace of whoever is signed in, hundredths of the usual, with the foils that it rests on. */
export const GET = route(async () => {
  const pace = await ownPace();
  return pace
    ? Response.json(pace, { headers: { 'Cache-Control': 'no-store' } })
    : Response.json({ problem: 'You are signed out.' }, { status: 401 });
});
