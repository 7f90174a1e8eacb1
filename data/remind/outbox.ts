import { z } from 'zod';

/** Where texts are handed over. Only this machine's own address is taken: nothing leaves it. */
const place = z
  .string()
  .regex(
    /^(127\.0\.0\.1|localhost):\d{1,5}$/,
    'must be 127.0.0.1:port: texts are handed to an outbox on this machine and to no other',
  );

/**
 * The outbox of this installation, host:port; undefined where there is none.
 * @throws Error for an address elsewhere
 */
export function outboxPlace(text = process.env.LATTICE_OUTBOX): string | undefined {
  if (!text) return undefined;
  const read = place.safeParse(text);
  if (!read.success) throw new Error(`LATTICE_OUTBOX ${read.error.issues[0].message}.`);
  return read.data;
}

export type HandedOver =
  { readonly taken: true } | { readonly taken: false; readonly answered: boolean; readonly problem: string };

const ANSWER_MS = 4000;
const problemSchema = z.object({ problem: z.string().max(200) });

/**
 * Hands a text to the outbox. One that was handed over before under the same id is taken once, so that it can
 * be tried again
 * whenever no answer came.
 * @returns why it was not taken, and whether the outbox answered at all
 */
export async function handOver(
  at: string,
  { id, phone, words }: { readonly id: string; readonly phone: string; readonly words: string },
  waitMs = ANSWER_MS,
): Promise<HandedOver> {
  let answer: Response;
  try {
    answer = await fetch(`http://${at}/messages`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, to: phone, words }),
      signal: AbortSignal.timeout(waitMs),
    });
  } catch (error) {
    // fetch throws errors alone; one that ran out of time is a DOMException, which not every realm takes for an Error.
    const late = (error as Error).name === 'TimeoutError';
    return {
      taken: false,
      answered: false,
      problem: late
        ? 'The outbox gave no answer in time. Try again: it takes a text once.'
        : 'The outbox cannot be reached. Try again later: it takes a text once.',
    };
  }
  if (answer.ok) return { taken: true };
  const read = problemSchema.safeParse(await answer.json().catch(() => null));
  return {
    taken: false,
    answered: true,
    problem: read.success
      ? `The outbox refused it: ${read.data.problem}`
      : `The outbox refused it (${answer.status}).`,
  };
}
