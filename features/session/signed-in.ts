import 'server-only';
import { redirect } from 'next/navigation';
import type { Problem } from '@/core/units';
import type { SignedIn } from '@/data/sessions';
import { currentPerson, requirePerson } from './current';
import { may, mayForOthers, notAllowed, type Act } from './who-may';

export type { SignedIn };

/** Why nothing was done: nobody is signed in, or whoever is may not. */
export interface Refusal extends Problem {
  readonly reason: 'signed-out' | 'not-allowed';
}

/** The one sentence for whoever is signed out, or whose station is locked. */
const SIGNED_OUT: Refusal = {
  ok: false,
  reason: 'signed-out',
  problem:
    'This station is locked or signed out. Unlock it with your PIN or password; your work is kept here.',
};

const refusalOf = (act: Act): Refusal => ({ ok: false, reason: 'not-allowed', problem: notAllowed(act) });

/** Who does something, or why nobody does. */
export async function whoMay(act: Act): Promise<SignedIn | Refusal> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  return may(person.role, act) ? person : refusalOf(act);
}

/**
 * A server action for whoever is signed in and may do it (who-may.ts).
 * @param act its own name
 * @param otherwise what it answers where nothing is done; the reason with its sentence where this is left out
 */
export function signedIn<Given extends unknown[], Answer>(
  act: Act,
  work: (person: SignedIn, ...given: Given) => Promise<Answer>,
): (...given: Given) => Promise<Answer | Refusal>;
export function signedIn<Given extends unknown[], Answer>(
  act: Act,
  work: (person: SignedIn, ...given: Given) => Promise<Answer>,
  otherwise: (refusal: Refusal) => Answer,
): (...given: Given) => Promise<Answer>;
export function signedIn<Given extends unknown[], Answer>(
  act: Act,
  work: (person: SignedIn, ...given: Given) => Promise<Answer>,
  otherwise?: (refusal: Refusal) => Answer,
) {
  return async (...given: Given): Promise<Answer | Refusal> => {
    const who = await whoMay(act);
    if ('ok' in who) return otherwise ? otherwise(who) : who;
    return work(who, ...given);
  };
}

/** The same for a form of a page that leads elsewhere: whoever is signed out goes to sign in. */
export function signedInOrElsewhere<Given extends unknown[], Answer>(
  act: Act,
  work: (person: SignedIn, ...given: Given) => Promise<Answer>,
): (...given: Given) => Promise<Answer> {
  return async (...given) => {
    const person = await requirePerson();
    if (!may(person.role, act)) redirect('/clients');
    return work(person, ...given);
  };
}

/** Why somebody may not do this for somebody else; undefined where they may, or where it is for themselves. */
export function refusedFor(act: Act, person: SignedIn, personId: string): Refusal | undefined {
  return personId === person.personId || mayForOthers(person.role, act) ? undefined : refusalOf(act);
}
