'use server';

import { revalidatePath } from 'next/cache';
import { forgetLearnt } from '@/data/learnt';
import { currentPerson } from '../session/current';
import { isId } from '../shared';

/** Forgets what was learnt of somebody: of oneself, or as the owner of anybody. */
export async function forget(personId: string): Promise<{ readonly ok: true } | { readonly ok: false; readonly problem: string }> {
  const person = await currentPerson();
  if (!person) return { ok: false, problem: 'You are signed out. Sign in again.' };
  if (person.role !== 'owner' && person.personId !== personId) return { ok: false, problem: 'Only the owner has what is learnt of others forgotten.' };
  if (!isId(personId) || !(await forgetLearnt(person, personId))) return { ok: false, problem: 'Nobody of that name works here.' };
  revalidatePath('/house/learnt');
  return { ok: true };
}
