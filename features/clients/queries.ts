import 'server-only';
import { listClients, readClient, type ClientStory, type ClientSummary } from '@/data/clients';
import { requirePerson } from '../session/current';
import { isId, today } from '../shared';

export type { ClientStory, ClientSummary };

/** Clients of the signed-in person's salon whose name, phone or note holds the words. */
export async function findClients(search: string): Promise<ClientSummary[]> {
  return listClients(await requirePerson(), search.slice(0, 200), today());
}

/** One client's story; undefined when this salon has none of that id. */
export async function clientStory(clientId: string): Promise<ClientStory | undefined> {
  const person = await requirePerson();
  return isId(clientId) ? readClient(person, clientId, today()) : undefined;
}
