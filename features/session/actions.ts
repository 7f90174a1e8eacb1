'use server';

import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { lockSession, openSession, revokeSession, takeStation } from '@/data/sessions';
import { fieldProblems, textsOf } from '../forms';
import { askedFrom, waitWords } from '../http/asked-from';
import { isId } from '../shared';
import { deviceOf, rememberDevice, sealedCookie } from './cookie';
import { currentPerson, personAtStation } from './current';
import { placeAfter } from './place-after';

export interface SignInState {
  readonly email: string;
  readonly problems: { readonly email?: string; readonly password?: string };
}

const form = z.object({
  email: z
    .string()
    .trim()
    .regex(/^[^\s@]+@[^\s@]+$/, 'E-mail: write an address such as name@salon.example.')
    .max(200),
  password: z
    .string()
    .min(1, 'Password: it is empty.')
    .max(200, 'Password: it is longer than 200 characters.'),
});

/** Signs in and goes to the clients; otherwise says which field is wrong and keeps the address. */
export async function signIn(_: SignInState, data: FormData): Promise<SignInState> {
  const email = String(data.get('email') ?? '');
  const read = form.safeParse({ email, password: String(data.get('password') ?? '') });
  if (!read.success) return { email, problems: fieldProblems(read.error) };
  const opened = await openSession(read.data.email, read.data.password, {
    ...(await station()),
    known: await deviceOf(read.data.email),
  });
  if (!opened)
    return { email, problems: { password: 'Password: the e-mail address or the password is wrong.' } };
  if ('waitSeconds' in opened) {
    return {
      email,
      problems: {
        password: `Too many wrong tries. Wait ${waitWords(opened.waitSeconds)}, or ask the owner for a reset link.`,
      },
    };
  }
  await keep(opened.sessionId);
  await rememberDevice(read.data.email);
  redirect('/clients');
}

/** Ends the session in the database and forgets the cookie. */
export async function signOut(): Promise<void> {
  const person = await personAtStation();
  if (person) await revokeSession(person);
  (await sealedCookie()).destroy();
  redirect('/sign-in');
}

/** Locks the station; somebody of the salon unlocks it by PIN or password. */
export async function lockStation(): Promise<void> {
  const person = await currentPerson();
  if (person) await lockSession(person);
}

export interface UnlockState {
  readonly problem?: string;
}

/** Unlocks the station, or hands it to another person of the salon, and goes on where it was. */
export async function unlockStation(_: UnlockState, data: FormData): Promise<UnlockState> {
  const at = await personAtStation();
  if (!at) redirect('/sign-in');
  const { person: personId, to, secret: typed } = textsOf(data, ['person', 'to', 'secret']);
  const secret = typed.trim();
  if (secret === '') return { problem: 'Write your PIN or password.' };
  const opened =
    isId(personId) && secret.length <= 200
      ? await takeStation(at, personId, secret, (await station()).device)
      : undefined;
  if (!opened) return { problem: 'Wrong PIN or password.' };
  if ('waitSeconds' in opened)
    return {
      problem: `Too many wrong tries. Wait ${waitWords(opened.waitSeconds)}, or sign in with e-mail and password.`,
    };
  await keep(opened.sessionId);
  redirect(placeAfter(to));
}

async function keep(sessionId: string): Promise<void> {
  const cookie = await sealedCookie();
  cookie.sessionId = sessionId;
  await cookie.save();
}

async function station() {
  return { from: await askedFrom(), device: (await headers()).get('user-agent') ?? '' };
}
