'use server';

import { revalidatePath } from 'next/cache';
import { ensurePage, revokePages, settleAnswers } from '@/data/client-pages';
import { currentPerson } from '../session/current';
import { isId } from '../shared';

export type PageMade =
  | { readonly ok: true; readonly path: string; readonly expiresAt: string }
  | { readonly ok: false; readonly problem: string };
export type Done = { readonly ok: true } | { readonly ok: false; readonly problem: string };

const SIGNED_OUT = {
  ok: false,
  problem: 'This station is locked or signed out. Unlock it with your PIN or password.',
} as const;
const NO_CLIENT = { ok: false, problem: 'This salon has no such client.' } as const;

/** Opens a page for a client's own phone, or says where it is. */
export async function openTheirPage(clientId: string): Promise<PageMade> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  const page = isId(clientId) ? await ensurePage(person, clientId) : undefined;
  revalidatePath(`/clients/${clientId}`);
  return page ? { ok: true, path: page.path, expiresAt: page.expiresAt } : NO_CLIENT;
}

/** Closes it: its address leads nowhere from now on. */
export async function closeTheirPage(clientId: string): Promise<Done> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (!isId(clientId)) return NO_CLIENT;
  await revokePages(person, clientId);
  revalidatePath(`/clients/${clientId}`);
  return { ok: true };
}

/** Puts a client's answers away, once what was wanted of them is in the consultation. @param taken what was taken over, in words */
export async function settleTheirAnswers(clientId: string, answersId: string, taken: string): Promise<Done> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (!isId(clientId) || !isId(answersId)) return NO_CLIENT;
  const settled = await settleAnswers(person, clientId, answersId, String(taken).slice(0, 400));
  return settled ? { ok: true } : { ok: false, problem: 'Somebody put these answers away meanwhile.' };
}
