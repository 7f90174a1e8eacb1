import { workAtJobs } from './jobs';
import { enqueueDue, sendOne } from './remind/due';
import { errorFacts, watch } from './watch';

/** Before it is tried again, ms. */
const AGAIN_MS = 5000;
const kept = globalThis as typeof globalThis & { latticeBackground?: true };

/** Begins what this machine does by itself: it works at the queue as soon as the database is there. */
export function beginBackground(): void {
  if (kept.latticeBackground) return;
  kept.latticeBackground = true;
  const begin = () =>
    workAtJobs({
      'reminders-due': (_, jobs) =>
        enqueueDue((reminder) =>
          jobs.enqueue('reminder', reminder, `${reminder.appointmentId} ${reminder.about}`),
        ),
      reminder: sendOne,
    }).catch((error: unknown) => {
      watch().log.error(errorFacts(error), 'the queue cannot be worked at yet');
      setTimeout(() => void begin(), AGAIN_MS).unref();
    });
  void begin();
}
