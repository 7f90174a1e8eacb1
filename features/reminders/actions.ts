'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { serverNow } from '@/data/now';
import { queueReminder, settleReminder } from '@/data/reminders';
import { currentPerson } from '../session/current';
import { isId } from '../shared';
import { handOver, outboxPlace } from './outbox';
import { remindableNow } from './queries';

export type SendAnswer = { readonly ok: true; readonly sent: number; readonly problems: readonly string[] } | { readonly ok: false; readonly problem: string };

const wantedSchema = z.array(z.strictObject({ clientId: z.string().refine(isId), appointmentId: z.string().refine(isId).nullable(), about: z.string().max(16) })).min(1).max(200);

/** Sends reminders: those of the list as it is now, in its words, each once. What does not go through is kept and said. */
export async function sendReminders(wanted: unknown): Promise<SendAnswer> {
  const person = await currentPerson();
  if (!person) return { ok: false, problem: 'This station is locked or signed out. Go on with your PIN or password.' };
  const read = wantedSchema.safeParse(wanted);
  if (!read.success) return { ok: false, problem: 'Choose whom to remind.' };
  const outbox = outboxPlace();
  if (!outbox) return { ok: false, problem: 'No outbox is connected: nothing was sent.' };
  const { remindable } = await remindableNow(person);
  const problems: string[] = [];
  let sent = 0;
  for (const [i, { clientId, appointmentId, about }] of read.data.entries()) {
    const own = remindable.find((one) => one.clientId === clientId && one.appointmentId === appointmentId && one.about === about);
    if (!own) {
      problems.push('An appointment was moved or cancelled meanwhile: look at the list again.');
      continue;
    }
    const queued = await queueReminder(person, own);
    if (!queued.ok) {
      problems.push(queued.problem);
      continue;
    }
    const handed = await handOver(outbox, queued.reminder);
    await settleReminder(person, queued.reminder.id, handed.taken ? null : handed.problem, new Date(serverNow()));
    if (handed.taken) sent += 1;
    else problems.push(`${own.clientName}: ${handed.problem}`);
    if (!handed.taken && !handed.answered) {
      const left = read.data.length - i - 1;
      if (left > 0) problems.push(`The other ${left} ${left === 1 ? 'was' : 'were'} not tried.`);
      break;
    }
  }
  revalidatePath('/day/reminders');
  return { ok: true, sent, problems };
}
