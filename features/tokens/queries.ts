import 'server-only';
import { notFound } from 'next/navigation';
import { listTokens, type ApiToken } from '@/data/api-tokens';
import { listPeople } from '@/data/people';
import { currentOwner, requirePerson } from '../session/current';

export type { ApiToken };

/** Tokens of the salon, and whom they can be made for; not found for anybody but the owner. */
export async function loadTokens(): Promise<{
  readonly tokens: readonly ApiToken[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly ownId: string;
}> {
  await requirePerson();
  const owner = await currentOwner();
  if (!owner) notFound();
  const [tokens, { people }] = await Promise.all([listTokens(owner), listPeople(owner)]);
  return {
    tokens,
    people: people.filter(({ active }) => active).map(({ id, name }) => ({ id, name })),
    ownId: owner.personId,
  };
}
