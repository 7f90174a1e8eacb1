import 'server-only';
import type { Measures } from '@/core/units';
import { cache } from 'react';
import { cautionsFor, type Caution, type CautionKey } from '@/core/caution';
import { exportClient } from '@/data/client-record';
import { clientsCsv } from '@/core/formats';
import { measuresOf } from '@/core/visit';
import { inThread } from '@/data/compute';
import { allClients } from '@/data/client-changes';
import { pageOfClient, type ClientPage } from '@/data/client-pages';
import { mergedInto } from '@/data/merges';
import type { SignedIn } from '@/data/sessions';
import {
  CLIENTS_A_PAGE,
  countClients,
  listClients,
  readClient,
  type ClientStory,
  type ClientSummary,
} from '@/data/clients';
import { loadHouse, salonToday } from '../house/queries';
import { requirePerson } from '../session/current';
import { wholeVisit } from '../visit/queries';
import { isId } from '../shared';
import type { Role } from '../session/who-may';

export type { ClientSummary };

/** A page of clients, and of how many. */
export interface ClientsPage {
  readonly clients: readonly ClientSummary[];
  /** From 0. */
  readonly page: number;
  readonly pages: number;
  /** All that there are; those found where words were typed. */
  readonly all: number;
}

/**
 * Clients of the signed-in person's salon, by words or all of them.
 * @param page from 0; one that there is not is the last
 */
export async function findClients(search: string, archived: boolean, page: number): Promise<ClientsPage> {
  const person = await requirePerson();
  const words = search.slice(0, 200);
  if (words.trim() !== '') {
    const found = await listClients(person, words, await salonToday(), { archived });
    return { clients: found, page: 0, pages: 1, all: found.length };
  }
  const all = await countClients(person, { archived });
  const pages = Math.max(1, Math.ceil(all / CLIENTS_A_PAGE));
  const shown = Math.min(pages - 1, page);
  return {
    clients: await listClients(person, '', await salonToday(), { archived, page: shown }),
    page: shown,
    pages,
    all,
  };
}

/** A client's story with what their page needs beside it. */
export interface ShownClient extends ClientStory {
  readonly role: Role;
  /** Cautions by what was asked last; what is looked at anew at each visit is left to the visit. */
  readonly cautions: readonly Caution[];
  readonly today: string;
  /** When the root line of the last recorded visit with foils shows, and the day of that visit. */
  readonly rootLine: { readonly on: string; readonly words: readonly string[] } | null;
  /** Figures are written with a decimal comma. */
  readonly decimalComma: boolean;
  /** In what the house says its figures. */
  readonly measures: Measures;
  /** The page for their own phone that is open. */
  readonly page: ClientPage | null;
}

const AT_THE_VISIT: readonly CautionKey[] = ['allergy-unasked', 'scalp-unseen', 'dye-unasked'];

/** One client's story; undefined when this salon has none of that id. */
export const clientStory = cache(async (clientId: string): Promise<ShownClient | undefined> => {
  const person = await requirePerson();
  const { document: house } = await loadHouse();
  const today = await salonToday();
  const story = isId(clientId) ? await readClient(person, clientId, today) : undefined;
  if (!story) return undefined;
  const [newest] = story.visits;
  const cautions = newest
    ? cautionsFor({
        consult: newest.consult,
        onRecord: story.safety,
        about: { onDay: today, bornOn: story.client.bornOn },
        limits: house.cautions,
      })
    : [];
  const rootLine = await rootLineOf(person, story);
  return {
    ...story,
    rootLine,
    role: person.role,
    cautions: cautions.filter(({ key }) => !AT_THE_VISIT.includes(key)),
    today,
    decimalComma: house.decimalComma,
    measures: measuresOf(house),
    page: (await pageOfClient(person, clientId)) ?? null,
  };
});

/** Visits without foils between say nothing of the line; further back than this nobody looks. */
const VISITS_BACK = 3;

/** Taken from what the visit computes, so that both say the same. */
async function rootLineOf(person: SignedIn, { visits }: ClientStory): Promise<ShownClient['rootLine']> {
  for (const { id, heldOn } of visits.filter(({ outcome }) => outcome !== null).slice(0, VISITS_BACK)) {
    const whole = await wholeVisit(person, id, []);
    if (!whole || whole.visit.plan.document.panels.length === 0) continue;
    const lines =
      (await inThread(person.salonId, 'next', whole.asked))?.reasons.filter(({ kind }) => kind === 'line') ??
      [];
    return lines.length > 0 ? { on: heldOn, words: lines.map(({ words }) => words) } : null;
  }
  return null;
}

/** Where a record that was merged into another went. */
export async function whereMerged(clientId: string): Promise<string | undefined> {
  const person = await requirePerson();
  return isId(clientId) ? mergedInto(person, clientId) : undefined;
}

/** Everything kept of a client, to be handed over. */
export async function clientRecord(
  person: SignedIn,
  clientId: string,
): Promise<Record<string, unknown> | undefined> {
  return isId(clientId) ? exportClient(person, clientId) : undefined;
}

/** The clients of the salon as a table that spreadsheets open. */
export async function clientsTable(person: SignedIn): Promise<string> {
  // Where figures have a comma, spreadsheets part columns by a semicolon.
  return clientsCsv(await allClients(person), (await loadHouse()).document.decimalComma ? ';' : ',');
}
