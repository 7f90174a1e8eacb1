'use server';

import type { Result } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { ensurePage, revokePages, settleAnswers } from '@/data/client-pages';
import { signedIn } from '../session/signed-in';
import { isId } from '../shared';

export type PageMade = Result<{ readonly path: string; readonly expiresAt: string }>;
const NO_CLIENT = { ok: false, problem: 'This salon has no such client.' } as const;

/** Opens a page for a client's own phone, or says where it is. */
export const openTheirPage = signedIn(
  'openTheirPage',
  async (person, clientId: string): Promise<PageMade> => {
    const page = isId(clientId) ? await ensurePage(person, clientId) : undefined;
    revalidatePath(`/clients/${clientId}`);
    return page ? { ok: true, path: page.path, expiresAt: page.expiresAt } : NO_CLIENT;
  },
);

/** Closes it: its address leads nowhere from now on. */
export const closeTheirPage = signedIn(
  'closeTheirPage',
  async (person, clientId: string): Promise<Result> => {
    if (!isId(clientId)) return NO_CLIENT;
    await revokePages(person, clientId);
    revalidatePath(`/clients/${clientId}`);
    return { ok: true };
  },
);

/**
 * Puts a client's answers away, once what was wanted of them is in the consultation.
 * @param taken what was taken over, in words
 */
export const settleTheirAnswers = signedIn(
  'settleTheirAnswers',
  async (person, clientId: string, answersId: string, taken: string): Promise<Result> => {
    if (!isId(clientId) || !isId(answersId)) return NO_CLIENT;
    const settled = await settleAnswers(person, clientId, answersId, String(taken).slice(0, 400));
    return settled ? { ok: true } : { ok: false, problem: 'Somebody put these answers away meanwhile.' };
  },
);
