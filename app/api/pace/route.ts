import { ownPace } from '@/features/learn/queries';

/** The pace of whoever is signed in, hundredths of the usual, with the foils that it rests on. */
export async function GET() {
  const pace = await ownPace();
  return pace ? Response.json(pace, { headers: { 'Cache-Control': 'no-store' } }) : Response.json({ problem: 'You are signed out.' }, { status: 401 });
}
