import 'server-only';
import { exportClient } from '@/data/client-record';
import { mergedInto } from '@/data/client-changes';
import { listClients, readClient, type ClientStory, type ClientSummary } from '@/data/clients';
import { salonToday } from '../house/queries';
import { currentPerson, requirePerson } from '../session/current';
import { isId } from '../shared';

export type { ClientStory, ClientSummary };

/** Clients of the signed-in person's salon, by words or all of them. */
export async function findClients(search: string, archived: boolean): Promise<ClientSummary[]> {
  return listClients(await requirePerson(), search.slice(0, 200), await salonToday(), { archived });
}

/** One client's story; undefined when this salon has none of that id. */
export async function clientStory(clientId: string): Promise<(ClientStory & { role: string }) | undefined> {
  const person = await requirePerson();
  const story = isId(clientId) ? await readClient(person, clientId, await salonToday()) : undefined;
  return story && { ...story, role: person.role };
}

/** Where a record that was merged into another went. */
export async function whereMerged(clientId: string): Promise<string | undefined> {
  const person = await requirePerson();
  return isId(clientId) ? mergedInto(person, clientId) : undefined;
}

/** Everything kept of a client, to be handed over. */
export async function clientRecord(clientId: string): Promise<Record<string, unknown> | 'signed-out' | 'missing' | 'not-allowed'> {
  const person = await currentPerson();
  if (!person) return 'signed-out';
  if (person.role === 'assistant') return 'not-allowed';
  return (isId(clientId) ? await exportClient(person, clientId) : undefined) ?? 'missing';
}
