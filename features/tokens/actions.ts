'use server';

import type { Result } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { makeToken, revokeToken } from '@/data/api-tokens';
import { isScope } from '../api/scopes';
import { signedIn } from '../session/signed-in';
import { isId } from '../shared';

export type TokenMade = Result<{ readonly secret: string }>;

const wanted = z.object({
  name: z
    .string()
    .trim()
    .min(1, 'Name: say which tool it is for.')
    .max(80, 'Name: it is longer than 80 characters.'),
  scopes: z
    .array(z.string().refine(isScope, 'There is no such scope.'))
    .min(1, 'Choose what the tool may do.')
    .max(20),
  personId: z.string().refine(isId, 'Choose in whose name it works.'),
});

/** Makes a token. @returns its secret, shown once */
export const makeApiToken = signedIn('makeApiToken', async (owner, input: unknown): Promise<TokenMade> => {
  const read = wanted.safeParse(input);
  if (!read.success) return { ok: false, problem: read.error.issues[0].message };
  const secret = await makeToken(owner, { ...read.data, scopes: [...new Set(read.data.scopes)] });
  revalidatePath('/house/tokens');
  return secret ? { ok: true, secret } : { ok: false, problem: 'Nobody of that name works in this salon.' };
});

/** Withdraws a token: it opens nothing from now on. */
export const withdrawToken = signedIn('withdrawToken', async (owner, tokenId: string): Promise<Result> => {
  const gone = isId(tokenId) && (await revokeToken(owner, tokenId));
  revalidatePath('/house/tokens');
  return gone ? { ok: true } : { ok: false, problem: 'This token was withdrawn already.' };
});
