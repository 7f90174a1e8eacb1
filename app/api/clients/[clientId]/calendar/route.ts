import { calendarFile } from '@/features/diary/calendar';
import { comingOf } from '@/features/diary/queries';
import { route } from '@/features/http/route';

const REFUSED = {
  'signed-out': [401, 'You are signed out.'],
  missing: [404, 'There is no such client in this salon.'],
} as const;

/** A client’s appointments to come, as a file for their calendar. */
export const GET = route<{ clientId: string }>(async (_, { clientId }) => {
  const coming = await comingOf(clientId);
  if (typeof coming === 'string') return new Response(REFUSED[coming][1], { status: REFUSED[coming][0] });
  return new Response(
    calendarFile(coming.appointments, { timeZone: coming.timeZone, name: 'Hair appointment', to: 'client' }),
    {
      headers: {
        'Content-Type': 'text/calendar; charset=utf-8',
        'Content-Disposition': 'attachment; filename="appointments.ics"',
        'Cache-Control': 'no-store',
      },
    },
  );
});
