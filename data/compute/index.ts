import { createHash } from 'node:crypto';
import path from 'node:path';
import Piscina from 'piscina';
import { Remembered } from '../../core/pattern';
import { NotNow } from '../unavailable';
import { watch } from '../watch';
import type { Asked, Sent, SentKey, Tasks } from './thread';

/**
 * What takes long is computed beside the requests, in threads: for each salon one thing after the other, with
 * an end to how long it takes, so
 * that no pattern and no salon holds up the others.
 */
const THREADS = 2;
/** Longer where the machine is slow or has much else to do: LATTICE_COMPUTE_SECONDS. */
const MOST_MS = 1000 * (Number(process.env.LATTICE_COMPUTE_SECONDS) || 20);
/** So much of one salon waits at most. */
const MOST_WAITING = 24;
/** A thread that had nothing to do for so long goes, ms. */
const IDLE_MS = 120_000;

const TOO_LONG =
  'This pattern takes too long to work out: it has too many panels or outlines. Take some away and try again.';
const TOO_MUCH = 'This salon asks for too much at once. Try again in a moment.';

/**
 * Answers that are small and asked for again and again, by what was asked: the same asks have the same
 * answers.
 */
const REMEMBERED: ReadonlySet<keyof Tasks> = new Set(['next']);
const MOST_REMEMBERED = 200;

interface Kept {
  readonly pool: Piscina;
  readonly waiting: Map<string, { last: Promise<unknown>; many: number }>;
  /** Nothing in one until it is worked out. */
  readonly answers: Remembered<{ answer?: unknown }>;
}

// Kept across hot reloads, where modules are loaded anew but threads stay.
const kept = globalThis as typeof globalThis & { latticeCompute?: Kept };

function threads(): Kept {
  kept.latticeCompute ??= {
    pool: new Piscina({
      filename: path.join(process.cwd(), 'data', 'compute', 'thread.ts'),
      execArgv: ['--import', 'tsx'],
      // One is always warm: a service that ends waits for it.
      minThreads: 1,
      maxThreads: THREADS,
      idleTimeout: IDLE_MS,
    }),
    waiting: new Map(),
    answers: new Remembered(MOST_REMEMBERED),
  };
  return kept.latticeCompute;
}

const keyOf = (kind: keyof Tasks, given: unknown) =>
  createHash('sha256').update(kind).update(JSON.stringify(given)).digest('base64');

/**
 * Computes something in a thread, after what the salon has asked for before.
 * @throws NotNow with a sentence where it takes too long, or too much of the salon waits already
 */
export async function inThread<K extends keyof Tasks>(
  salonId: string,
  kind: K,
  given: Parameters<Tasks[K]>[0],
  mostMs = MOST_MS,
): Promise<ReturnType<Tasks[K]>> {
  const { pool, waiting, answers } = threads();
  const known = REMEMBERED.has(kind) ? answers.get(keyOf(kind, given), () => ({})) : undefined;
  if (known && 'answer' in known) return known.answer as ReturnType<Tasks[K]>;
  const own = waiting.get(salonId) ?? { last: Promise.resolve(), many: 0 };
  if (own.many >= MOST_WAITING) throw new NotNow(TOO_MUCH);
  own.many += 1;
  watch().computing.inc();
  waiting.set(salonId, own);
  const run = own.last.then(async () => {
    const ends = watch().computed.startTimer({ task: kind });
    try {
      const answer = (await pool.run({ kind, given }, { signal: AbortSignal.timeout(mostMs) })) as ReturnType<
        Tasks[K]
      >;
      ends({ came: 'done' });
      if (known) known.answer = answer;
      return answer;
    } catch (error) {
      ends({ came: 'ended' });
      throw error instanceof Error && error.name === 'AbortError' ? new NotNow(TOO_LONG) : error;
    }
  });
  own.last = run.catch(() => undefined);
  try {
    return await run;
  } finally {
    watch().computing.dec();
    own.many -= 1;
    if (own.many === 0) waiting.delete(salonId);
  }
}

/** What is asked for of a computed visit. See {@link inThread}. */
export async function computedOf<K extends SentKey>(
  salonId: string,
  asked: Asked,
  keys: readonly K[],
): Promise<Pick<Sent, K>> {
  if (keys.length === 0) return {} as Pick<Sent, K>;
  return inThread(salonId, 'computed', { documents: asked.documents, facts: asked.facts, keys });
}

/** Ends the threads (tests). */
export async function closeThreads(): Promise<void> {
  await kept.latticeCompute?.pool.destroy();
  kept.latticeCompute = undefined;
}
