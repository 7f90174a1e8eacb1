import { calendarFile } from '@/features/diary/calendar';
import { feedAppointments } from '@/features/diary/queries';
import { openRoute } from '@/features/http/route';

/**
 * A colourist’s appointments for their own calendar, by the secret in the address: /api/calendar/SECRET or
 * SECRET.ics.
 */
export const GET = openRoute<{ secret: string }>(async (_, { secret }) => {
  const feed = await feedAppointments(secret.replace(/\.ics$/, ''));
  if (!feed) return new Response('This calendar address does not work, or no longer.', { status: 404 });
  return new Response(
    calendarFile(feed.appointments, { timeZone: feed.timeZone, name: feed.salonName, to: 'colourist' }),
    { headers: { 'Content-Type': 'text/calendar; charset=utf-8', 'Cache-Control': 'private, no-store' } },
  );
});
