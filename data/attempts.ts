import { createHash } from 'node:crypto';
import { database } from './database';
import { rawRows } from './raw-rows';

/** How many tries within which time. */
const LIMITS = {
  /** By e-mail address, whoever tries; from a device that signed in with it before by that device. */
  'sign-in': { most: 6, seconds: 15 * 60 },
  /** By the address that the request comes from. */
  from: { most: 40, seconds: 15 * 60 },
  /** By person, at a station. */
  pin: { most: 5, seconds: 15 * 60 },
  /** By person who is asked for their own password again. */
  own: { most: 6, seconds: 15 * 60 },
  /** Addresses of clients' pages, by where the request comes from; a right one clears the count. */
  page: { most: 40, seconds: 15 * 60 },
  /** By page: what is written on it, and pictures. */
  'page-write': { most: 300, seconds: 15 * 60 },
  'page-photo': { most: 12, seconds: 60 * 60 },
} as const;
export type AttemptKind = keyof typeof LIMITS;

// Hashed, since what strangers type is not ours to keep.
const keyOf = (kind: AttemptKind, what: string) =>
  `${kind}:${createHash('sha256').update(what).digest('hex')}`;

/**
 * Takes a try, before it is known whether it is a right one: many at once cannot all pass.
 * @returns 0 where it is allowed; otherwise seconds until the next is
 */
export async function takeTry(kind: AttemptKind, what: string): Promise<number> {
  const { most, seconds } = LIMITS[kind];
  const [{ wait }] = await rawRows<{ wait: number }>(database(), 'select attempt_taken(?, ?, ?) as wait', [
    keyOf(kind, what),
    most,
    seconds,
  ]);
  return wait;
}

/** Forgets all tries after a right one. */
export async function forgetTries(kind: AttemptKind, what: string): Promise<void> {
  await database().raw('select attempt_cleared(?)', [keyOf(kind, what)]);
}

/** Gives one try back that was a right one, where others share the count. */
export async function returnTry(kind: AttemptKind, what: string): Promise<void> {
  await database().raw('select attempt_returned(?)', [keyOf(kind, what)]);
}
