import { createHash } from 'node:crypto';
import { database } from './database';

/** How many wrong tries within which time. */
const LIMITS = {
  /** By e-mail address, whoever tries. */
  'sign-in': { most: 6, seconds: 15 * 60 },
  /** By the address that the request comes from. */
  from: { most: 40, seconds: 15 * 60 },
  /** By person, at a station. */
  pin: { most: 5, seconds: 15 * 60 },
} as const;
export type AttemptKind = keyof typeof LIMITS;

// Hashed, since what strangers type is not ours to keep.
const keyOf = (kind: AttemptKind, what: string) => `${kind}:${createHash('sha256').update(what).digest('hex')}`;

/** Seconds until another try is allowed; 0 when it is now. */
export async function secondsToWait(kind: AttemptKind, what: string): Promise<number> {
  const { most, seconds } = LIMITS[kind];
  const { rows } = await database().raw('select attempt_wait(?, ?, ?) as wait', [keyOf(kind, what), most, seconds]);
  return rows[0].wait;
}

/** Counts a wrong try. */
export async function countFailure(kind: AttemptKind, what: string): Promise<void> {
  await database().raw('select attempt_failed(?)', [keyOf(kind, what)]);
}

/** Forgets wrong tries after a right one. */
export async function forgetFailures(kind: AttemptKind, what: string): Promise<void> {
  await database().raw('select attempt_cleared(?)', [keyOf(kind, what)]);
}
