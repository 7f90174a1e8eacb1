import { goesOutNow } from '../../core/diary';
import { minuteOf, today } from '../../core/units';
import { database } from '../database';
import { readHouse } from '../house';
import type { JobData } from '../jobs';
import { serverNow } from '../now';
import { errorFacts, watch } from '../watch';
import { outboxPlace } from './outbox';
import { remindableNow, sameReminder, type Remindable } from './remindable';
import { sendReminder } from './send';
import { rawRows } from '../raw-rows';

/** Enqueues one reminder. */
export type Enqueue = (reminder: JobData['reminder']) => Promise<unknown>;

/**
 * Looks, in every salon, for reminders whose time has come, and has each sent. Nothing of them but ids is
 * kept in the queue.
 */
export async function enqueueDue(enqueue: Enqueue): Promise<void> {
  if (!outboxPlace()) return;
  const salons = await rawRows<{ salon_id: string; salon_name: string }>(
    database(),
    'select salon_id, salon_name from salons_here()',
  );
  for (const { salon_id: salonId, salon_name: salonName } of salons) {
    // What cannot be read of one salon holds no other up.
    await enqueueFor({ salonId, salonName }, enqueue).catch((error: unknown) =>
      watch().log.error({ salon: salonId, ...errorFacts(error) }, 'reminders'),
    );
  }
}

async function enqueueFor(
  salon: { readonly salonId: string; readonly salonName: string },
  enqueue: Enqueue,
): Promise<void> {
  // Most houses send by hand: nothing is looked up for those.
  if ((await readHouse(salon)).document.reminders.fromMinute === null) return;
  const { remindable, house } = await remindableNow(salon);
  const now = new Date(serverNow());
  const goesOut = ({ standing, slot }: Remindable) =>
    standing === 'to-send' &&
    slot !== null &&
    goesOutNow(slot, house.reminders, today(house.timeZone, now), minuteOf(now, house.timeZone));
  for (const { clientId, appointmentId, about } of remindable.filter(goesOut))
    await enqueue({ ...salon, clientId, appointmentId: appointmentId!, about });
}

/**
 * Sends one reminder, in the words of now. One whose appointment was moved or cancelled, or whose client took
 * their consent back, is let be.
 * @throws Error where the outbox did not take it: the queue tries again
 */
export async function sendOne({ salonId, salonName, ...of }: JobData['reminder']): Promise<void> {
  const outbox = outboxPlace();
  if (!outbox) return;
  const { remindable } = await remindableNow({ salonId, salonName });
  const own = sameReminder(remindable, of);
  if (!own || own.standing === 'sent') return;
  const sent = await sendReminder({ salonId, personId: null }, own, outbox);
  if (!sent.taken && !('refused' in sent)) throw new Error(sent.problem);
}
