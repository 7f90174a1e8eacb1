import { calendarFile } from '@/features/diary/calendar';
import { comingOf } from '@/features/diary/queries';
import { inWords, missing, route } from '@/features/http/route';

/** A client’s appointments to come, as a file for their calendar. */
export const GET = route<{ clientId: string }>(
  'seeDay',
  async (_, { clientId }, person) => {
    const coming = await comingOf(person, clientId);
    if (!coming) throw missing('client');
    return new Response(
      calendarFile(coming.appointments, {
        timeZone: coming.timeZone,
        name: 'Hair appointment',
        to: 'client',
      }),
      {
        headers: {
          'Content-Type': 'text/calendar; charset=utf-8',
          'Content-Disposition': 'attachment; filename="appointments.ics"',
          'Cache-Control': 'no-store',
        },
      },
    );
  },
  { say: inWords },
);
