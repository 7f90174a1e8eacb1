import 'server-only';
import { dayAfter } from '@/core/units';
import { listAppointments } from '@/data/appointments';
import { readHouse } from '@/data/house';
import { serverNow } from '@/data/now';
import { today } from '../shared';
import type { SignedIn } from '../session/signed-in';

const DAYS_AHEAD = 2;

/**
 * Pages of today and the next two days, for a device to keep: the day, its clients and their visits.
 */
export async function nearPages(person: SignedIn): Promise<readonly string[]> {
  const { timeZone } = (await readHouse(person)).document;
  const day = today(timeZone, new Date(serverNow()));
  const booked = await listAppointments({
    actor: person,
    from: day,
    to: dayAfter(day, DAYS_AHEAD),
    timeZone,
  });
  const near = booked.filter(({ state }) => state === 'booked');
  const visits = near.flatMap(({ visitId }) => (visitId === null ? [] : [`/visits/${visitId}/consult`]));
  const days = Array.from({ length: DAYS_AHEAD + 1 }, (_, i) =>
    i === 0 ? '/day' : `/day?on=${dayAfter(day, i)}`,
  );
  return [
    ...new Set([
      ...days,
      '/chair',
      '/clients',
      ...visits,
      ...near.map(({ clientId }) => `/clients/${clientId}`),
    ]),
  ];
}
