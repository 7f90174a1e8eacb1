'use server';

import type { ValueResult } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { parseWorkingHours } from '@/core/formats';
import {
  changePerson,
  endSession,
  invite,
  join,
  makeResetLink,
  resetPassword,
  revokeLink,
  setPassword,
  setPin,
  setWorkingHours,
} from '@/data/people';
import type { Role } from '@/data/sessions';
import { fieldProblems, textsOf, type FormState } from '../forms';
import { refusedFor, signedIn } from '../session/signed-in';
import { mayForOthers } from '../session/who-may';
import { isId } from '../shared';

const done = { ok: true, value: undefined } as const;
const isRole = (role: string): role is Role => ['owner', 'colourist', 'assistant'].includes(role);

/** Changes a person's role, or whether they work here. */
export const changeSomebody = signedIn(
  'changeSomebody',
  async (
    owner,
    personId: string,
    change: { role?: string; active?: boolean },
  ): Promise<ValueResult<undefined>> => {
    const { role, active } = change;
    if (
      !isId(personId) ||
      (role !== undefined && !isRole(role)) ||
      (active !== undefined && typeof active !== 'boolean')
    )
      return { ok: false, problem: 'There is no such person or role.' };
    const changed = await changePerson(owner, personId, { role, active });
    revalidatePath('/house/people');
    return changed.ok ? done : changed;
  },
);

/** Sets when somebody works: one's own hours, or as the owner anybody's. */
export const saveWorkingHours = signedIn(
  'saveWorkingHours',
  async (person, personId: string, hours: unknown): Promise<ValueResult<undefined>> => {
    const refused = refusedFor('saveWorkingHours', person, personId);
    if (refused) return refused;
    if (!isId(personId)) return { ok: false, problem: 'Nobody of that name works in this salon.' };
    const read = parseWorkingHours(hours);
    if (!read.ok) return read;
    const saved = await setWorkingHours(person, personId, read.value);
    for (const path of ['/me', '/house/people', '/day', '/day/week']) revalidatePath(path);
    return saved.ok ? done : saved;
  },
);

/** Makes an invitation. @returns the path to hand over, said once */
export const inviteSomebody = signedIn(
  'inviteSomebody',
  async (owner, role: string): Promise<ValueResult<string>> => {
    if (!isRole(role)) return { ok: false, problem: 'There is no such role.' };
    const token = await invite(owner, role);
    revalidatePath('/house/people');
    return { ok: true, value: `/join/${token}` };
  },
);

/** Makes a link with which a person sets a new password. @returns the path to hand over, said once */
export const resetLinkFor = signedIn(
  'resetLinkFor',
  async (owner, personId: string): Promise<ValueResult<string>> => {
    const token = isId(personId) ? await makeResetLink(owner, personId) : undefined;
    if (!token) return { ok: false, problem: 'Nobody of that name works in this salon.' };
    revalidatePath('/house/people');
    return { ok: true, value: `/reset/${token}` };
  },
);

/** Takes back a link that was not used yet. */
export const takeLinkBack = signedIn(
  'takeLinkBack',
  async (owner, linkId: string): Promise<ValueResult<undefined>> => {
    const gone = isId(linkId) && (await revokeLink(owner, linkId));
    revalidatePath('/house/people');
    return gone ? done : { ok: false, problem: 'This link was used or withdrawn already.' };
  },
);

/** Ends a session: one's own, or the owner anybody's in the salon. */
export const endOneSession = signedIn(
  'endOneSession',
  async (person, sessionId: string, ofPerson: string): Promise<ValueResult<undefined>> => {
    const refused = refusedFor('endOneSession', person, ofPerson);
    if (refused) return refused;
    const ended =
      isId(sessionId) &&
      (await endSession(
        person,
        sessionId,
        mayForOthers(person.role, 'endOneSession') ? undefined : person.personId,
      ));
    revalidatePath('/me');
    revalidatePath('/house/people');
    return ended ? done : { ok: false, problem: 'This session has ended already.' };
  },
);

const newPassword = z
  .string()
  .min(10, 'Password: at least 10 characters.')
  .max(200, 'Password: it is longer than 200 characters.');

/** Sets one's own PIN; an empty one takes it away. */
export const changePin = signedIn(
  'changePin',
  async (
    person,
    _: FormState<'password' | 'pin'>,
    data: FormData,
  ): Promise<FormState<'password' | 'pin'>> => {
    const typed = textsOf(data, ['password', 'pin']);
    const fields = { password: '', pin: '' };
    const pin = typed.pin.trim();
    if (pin !== '' && !/^\d{4,8}$/.test(pin))
      return { fields, problems: { pin: 'PIN: 4 to 8 figures, or nothing to remove it.' } };
    const changed = await setPin(person, typed.password, pin === '' ? null : pin);
    revalidatePath('/me');
    return changed.ok
      ? {
          fields,
          problems: {},
          said: { ok: true, words: pin === '' ? 'Your PIN is removed.' : 'Your PIN is set.' },
        }
      : { fields, problems: { password: changed.problem } };
  },
  ({ problem }) => ({ fields: { password: '', pin: '' }, problems: {}, said: { ok: false, words: problem } }),
);

type PasswordFields = 'before' | 'after';

/** Sets one's own password. */
export const changePassword = signedIn(
  'changePassword',
  async (person, _: FormState<PasswordFields>, data: FormData): Promise<FormState<PasswordFields>> => {
    const typed = textsOf(data, ['before', 'after']);
    const fields = { before: '', after: '' };
    const read = newPassword.safeParse(typed.after);
    if (!read.success) return { fields, problems: { after: read.error.issues[0].message } };
    const changed = await setPassword(person, typed.before, read.data);
    return changed.ok
      ? {
          fields,
          problems: {},
          said: { ok: true, words: 'Your password is set; your other sessions have ended.' },
        }
      : { fields, problems: { before: changed.problem } };
  },
  ({ problem }) => ({ fields: { before: '', after: '' }, problems: {}, said: { ok: false, words: problem } }),
);

export type JoinFields = 'name' | 'email' | 'password';
const joining = z.object({
  name: z.string().trim().min(1, 'Name: it is empty.').max(120, 'Name: it is longer than 120 characters.'),
  email: z
    .string()
    .trim()
    .regex(/^[^\s@]+@[^\s@]+$/, 'E-mail: write an address such as name@salon.example.')
    .max(200, 'E-mail: it is longer than 200 characters.'),
  password: newPassword,
});

/** Joins a salon by an invitation; what is said then, the link’s own page says. */
export async function joinSalon(_: FormState<JoinFields>, data: FormData): Promise<FormState<JoinFields>> {
  const { token, ...typed } = textsOf(data, ['token', 'name', 'email', 'password']);
  const fields = { ...typed, password: '' };
  const read = joining.safeParse(typed);
  if (!read.success) return { fields, problems: fieldProblems(read.error) };
  const joined = await join(token, read.data);
  if (joined.ok) redirect(`/join/${token}?done=1`);
  return joined.problem.startsWith('E-mail')
    ? { fields, problems: { email: joined.problem } }
    : { fields, problems: {}, said: { ok: false, words: joined.problem } };
}

/** Sets a new password by a link; what is said then, the link’s own page says. */
export async function takePasswordLink(
  _: FormState<'password'>,
  data: FormData,
): Promise<FormState<'password'>> {
  const fields = { password: '' };
  const { token, password } = textsOf(data, ['token', 'password']);
  const read = newPassword.safeParse(password);
  if (!read.success) return { fields, problems: { password: read.error.issues[0].message } };
  const set = await resetPassword(token, read.data);
  if (set.ok) redirect(`/reset/${token}?done=1`);
  return { fields, problems: {}, said: { ok: false, words: set.problem } };
}
