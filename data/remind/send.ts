import { PAGE_FIELD, withPage } from '../../core/diary';
import { dayAfter } from '../../core/units';
import { ensurePage } from '../client-pages';
import { serverNow } from '../now';
import type { Author } from '../trail';
import { publicAddress } from './address';
import { handOver, type HandedOver } from './outbox';
import type { Remindable } from './remindable';
import { queueReminder, settleReminder } from './reminders';

/**
 * What became of a reminder: handed over, refused by what is kept of the client, or not taken by the outbox.
 */
export type Sent =
  | HandedOver
  | { readonly taken: false; readonly answered: true; readonly refused: true; readonly problem: string };

/**
 * Keeps a reminder, hands it to the outbox, and keeps what became of it. Sent twice at once, it is taken
 * once: its id goes with it.
 */
export async function sendReminder(sender: Author, remindable: Remindable, outbox: string): Promise<Sent> {
  const queued = await queueReminder(sender, remindable);
  if (!queued.ok) return { taken: false, answered: true, refused: true, problem: queued.problem };
  const words = await withTheirPage(sender, remindable, queued.reminder.words);
  const handed: HandedOver =
    words === undefined
      ? {
          taken: false,
          answered: true,
          problem:
            'Its words have a link to the client’s page, and LATTICE_ADDRESS does not say where clients reach it.',
        }
      : await handOver(outbox, { ...queued.reminder, words });
  await settleReminder(
    sender,
    queued.reminder.id,
    handed.taken ? null : handed.problem,
    new Date(serverNow()),
  );
  return handed;
}

/** So long after the appointment a page stays open: what is to be minded afterwards stands there. */
const DAYS_AFTER = 60;

/**
 * The words with the address of the client's page, which is opened for it; its secret stands in the text
 * alone. undefined where no address is known
 */
async function withTheirPage(
  sender: Author,
  { clientId, slot }: Remindable,
  words: string,
): Promise<string | undefined> {
  if (!words.includes(PAGE_FIELD)) return words;
  const address = publicAddress();
  if (address === undefined) return undefined;
  const page = await ensurePage(
    sender,
    clientId,
    slot === null ? undefined : new Date(dayAfter(slot.on, DAYS_AFTER)),
  );
  return page && withPage(words, `${address}${page.path}`);
}
