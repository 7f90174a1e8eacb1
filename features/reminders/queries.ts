import 'server-only';
import { outboxPlace } from '@/data/remind/outbox';
import { remindableNow, type Remindable } from '@/data/remind/remindable';
import { recentReminders, type Reminder } from '@/data/remind/reminders';
import { serverNow } from '@/data/now';
import { requirePerson } from '../session/current';

export { remindableNow };
export type { Remindable };

export interface Reminding {
  /** Appointments until this day are reminded of. */
  readonly until: string;
  /** They go out by themselves from this minute of the day; null: only by hand. */
  readonly fromMinute: number | null;
  readonly remindable: readonly Remindable[];
  /** Sent in the last two weeks, newest first. */
  readonly sent: readonly Reminder[];
  readonly connected: boolean;
}

/** The page of reminders. */
export async function loadReminding(): Promise<Reminding> {
  const person = await requirePerson();
  const [{ house, until, remindable }, sent] = await Promise.all([
    remindableNow(person),
    recentReminders(person, new Date(serverNow() - 14 * 86_400_000)),
  ]);
  return {
    until,
    fromMinute: house.reminders.fromMinute,
    remindable,
    sent: sent.filter(({ state }) => state === 'sent'),
    connected: outboxPlace() !== undefined,
  };
}
