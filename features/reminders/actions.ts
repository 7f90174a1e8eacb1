'use server';

import type { Result } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { outboxPlace } from '@/data/remind/outbox';
import { remindableNow, sameReminder } from '@/data/remind/remindable';
import { sendReminder } from '@/data/remind/send';
import { signedIn } from '../session/signed-in';
import { isId } from '../shared';

export type SendAnswer = Result<{ readonly sent: number; readonly problems: readonly string[] }>;

const wantedSchema = z
  .array(
    z.strictObject({
      clientId: z.string().refine(isId),
      appointmentId: z.string().refine(isId).nullable(),
      about: z.string().max(16),
    }),
  )
  .min(1)
  .max(200);

/**
 * Sends reminders: those of the list as it is now, in its words, each once. What does not go through is kept
 * and said.
 */
export const sendReminders = signedIn(
  'sendReminders',
  async (person, wanted: unknown): Promise<SendAnswer> => {
    const read = wantedSchema.safeParse(wanted);
    if (!read.success) return { ok: false, problem: 'Choose whom to remind.' };
    const outbox = outboxPlace();
    if (!outbox) return { ok: false, problem: 'No outbox is connected: nothing was sent.' };
    const { remindable } = await remindableNow(person);
    const problems: string[] = [];
    let sent = 0;
    for (const [i, of] of read.data.entries()) {
      const own = sameReminder(remindable, of);
      if (!own) {
        problems.push('An appointment was moved or cancelled meanwhile: look at the list again.');
        continue;
      }
      const handed = await sendReminder(person, own, outbox);
      if (handed.taken) sent += 1;
      else problems.push('refused' in handed ? handed.problem : `${own.clientName}: ${handed.problem}`);
      if (!handed.taken && !handed.answered) {
        const left = read.data.length - i - 1;
        if (left > 0) problems.push(`The other ${left} ${left === 1 ? 'was' : 'were'} not tried.`);
        break;
      }
    }
    revalidatePath('/day/reminders');
    return { ok: true, sent, problems };
  },
);
