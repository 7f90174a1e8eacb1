'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { openSession, revokeSession } from '@/data/sessions';
import { currentPerson } from './current';
import { sealedCookie } from './cookie';

export interface SignInState {
  readonly email: string;
  readonly problems: { readonly email?: string; readonly password?: string };
}

const form = z.object({
  email: z.string().trim().regex(/^[^\s@]+@[^\s@]+$/, 'E-mail: write an address such as name@salon.example.').max(200),
  password: z.string().min(1, 'Password: it is empty.').max(200, 'Password: it is longer than 200 characters.'),
});

/** Signs in and goes to the clients; otherwise says which field is wrong and keeps the address. */
export async function signIn(_: SignInState, data: FormData): Promise<SignInState> {
  const email = String(data.get('email') ?? '');
  const read = form.safeParse({ email, password: String(data.get('password') ?? '') });
  if (!read.success) {
    const problems = Object.fromEntries(read.error.issues.map((issue) => [issue.path[0], issue.message]).reverse());
    return { email, problems };
  }
  const sessionId = await openSession(read.data.email, read.data.password);
  if (!sessionId) {
    return { email, problems: { password: 'Password: this e-mail address and password do not belong together.' } };
  }
  const cookie = await sealedCookie();
  cookie.sessionId = sessionId;
  await cookie.save();
  redirect('/clients');
}

/** Ends the session in the database and forgets the cookie. */
export async function signOut(): Promise<void> {
  const person = await currentPerson();
  if (person) await revokeSession(person);
  (await sealedCookie()).destroy();
  redirect('/sign-in');
}
