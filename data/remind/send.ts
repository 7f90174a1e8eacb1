import { serverNow } from '../now';
import type { Author } from '../trail';
import { handOver, type HandedOver } from './outbox';
import type { Remindable } from './remindable';
import { queueReminder, settleReminder } from './reminders';

/** What became of a reminder: handed over, refused by what is kept of the client, or not taken by the outbox. */
export type Sent = HandedOver | { readonly taken: false; readonly answered: true; readonly refused: true; readonly problem: string };

/** Keeps a reminder, hands it to the outbox, and keeps what became of it. Sent twice at once, it is taken once: its id goes with it. */
export async function sendReminder(sender: Author, own: Remindable, outbox: string): Promise<Sent> {
  const queued = await queueReminder(sender, own);
  if (!queued.ok) return { taken: false, answered: true, refused: true, problem: queued.problem };
  const handed = await handOver(outbox, queued.reminder);
  await settleReminder(sender, queued.reminder.id, handed.taken ? null : handed.problem, new Date(serverNow()));
  return handed;
}
