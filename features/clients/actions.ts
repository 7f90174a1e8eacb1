'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { CLIENT_COLUMNS, readClientsCsv, type ClientColumns, type ClientsImport } from '@/core/formats';
import { allClients, archiveClient, changeClient, importClients, walkIn } from '@/data/client-changes';
import { eraseClient } from '@/data/client-record';
import { createClient, listClients, readClient } from '@/data/clients';
import { mergeClients, undoMerge } from '@/data/merges';
import { createVisit, type VisitWhat } from '@/data/visits';
import { fieldProblems, textsOf, type FormState } from '../forms';
import { loadHouse, salonToday } from '../house/queries';
import { megabytes, MOST_BYTES } from '../limits';
import { currentOwner, currentPerson, requirePerson } from '../session/current';
import { isId, isRevision } from '../shared';
import { CLIENT_FIELDS, clientForm, type ClientField } from './fields';

export type ClientFormState = FormState<ClientField>;
export type Done = { readonly ok: true } | { readonly ok: false; readonly problem: string };

const SIGNED_OUT = { ok: false, problem: 'You are signed out. Sign in again.' } as const;
const NO_CLIENT = {
  ok: false,
  problem: 'This salon has no such client; somebody may have archived or merged them.',
} as const;

async function readFields(data: FormData) {
  const fields = textsOf(data, CLIENT_FIELDS);
  const read = clientForm(await salonToday()).safeParse(fields);
  return { fields, read };
}

/** Adds a client and opens their page; as a walk-in, with a visit of today, and opens its consultation. */
export async function addClient(_: ClientFormState, data: FormData): Promise<ClientFormState> {
  const person = await requirePerson();
  const { fields, read } = await readFields(data);
  if (!read.success) return { fields, problems: fieldProblems(read.error) };
  const given = String(data.get('id') ?? '');
  const id = isId(given) ? given : undefined;
  if (data.get('walk-in') === 'yes')
    redirect(`/visits/${await walkIn(person, read.data, await salonToday(), id)}/consult`);
  redirect(`/clients/${await createClient(person, read.data, id)}`);
}

/** Changes what is written down of a client; somebody else's newer change is never overwritten. */
export async function editClient(
  clientId: string,
  baseRevision: number,
  _: ClientFormState,
  data: FormData,
): Promise<ClientFormState> {
  const person = await requirePerson();
  const { fields, read } = await readFields(data);
  if (!read.success) return { fields, problems: fieldProblems(read.error) };
  const saved =
    isId(clientId) && isRevision(baseRevision)
      ? await changeClient(person, clientId, baseRevision, read.data)
      : ({ ok: false, reason: 'missing' } as const);
  if (!saved.ok) {
    const words =
      saved.reason === 'stale'
        ? 'Somebody changed this client meanwhile. Nothing was overwritten: what you typed stays here; load the page again to see theirs.'
        : NO_CLIENT.problem;
    return { fields, problems: {}, said: { ok: false, words } };
  }
  revalidatePath(`/clients/${clientId}`);
  return { fields, problems: {}, said: { ok: true, words: 'Saved.' } };
}

/** Opens a visit today for a client and goes to its consultation. */
export async function addVisit(clientId: string): Promise<void> {
  await openToday(clientId, 'foils');
}

/** The same for a toner or a treatment. */
export async function addVisitWithoutFoils(clientId: string): Promise<void> {
  await openToday(clientId, 'no-foils');
}

async function openToday(clientId: string, what: VisitWhat): Promise<never> {
  const person = await requirePerson();
  const visitId = isId(clientId) ? await createVisit(person, clientId, await salonToday(), what) : undefined;
  redirect(visitId ? `/visits/${visitId}/consult` : '/clients');
}

/** Archives a client, or restores them. */
export async function putClientAway(clientId: string, away: boolean): Promise<Done> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (!isId(clientId) || !(await archiveClient(person, clientId, away === true))) return NO_CLIENT;
  revalidatePath('/clients');
  revalidatePath(`/clients/${clientId}`);
  return { ok: true };
}

/** Clients to choose one to merge with, by what is typed. */
export async function clientsToMerge(
  search: string,
  notId: string,
): Promise<{ id: string; name: string; phone: string; visits: string }[]> {
  const person = await currentPerson();
  if (!person || person.role === 'assistant') return [];
  const found = await listClients(person, String(search).slice(0, 200), await salonToday());
  return found
    .filter(({ id }) => id !== notId)
    .slice(0, 8)
    .map(({ id, name, phone, lastRecordedOn }) => ({
      id,
      name,
      phone,
      visits: lastRecordedOn ?? 'no recorded visit',
    }));
}

/** Makes two records one: everything of `fromId` becomes `intoId`'s. */
export async function mergeTwo(fromId: string, intoId: string): Promise<Done> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role === 'assistant')
    return { ok: false, problem: 'Only a colourist or the owner can merge records.' };
  if (!isId(fromId) || !isId(intoId) || !(await mergeClients(person, fromId, intoId))) return NO_CLIENT;
  revalidatePath('/clients');
  return { ok: true };
}

/** Takes a merge back: the other record stands again with what was its own. */
export async function undoMergeOf(mergeId: string): Promise<Done> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role === 'assistant')
    return { ok: false, problem: 'Only a colourist or the owner can undo a merge.' };
  const undone = isId(mergeId) ? await undoMerge(person, mergeId) : undefined;
  if (!undone?.ok)
    return {
      ok: false,
      problem: 'This merge was undone already, or another one came after it: that one goes first.',
    };
  revalidatePath('/clients');
  return { ok: true };
}

/** Erases a client for good, when their name was typed as it is written; only the owner may. */
export async function eraseForGood(clientId: string, typedName: string): Promise<Done> {
  const owner = await currentOwner();
  if (!owner) return { ok: false, problem: 'Only the owner can erase a client.' };
  const story = isId(clientId) ? await readClient(owner, clientId, await salonToday()) : undefined;
  if (!story) return NO_CLIENT;
  if (String(typedName).trim().normalize('NFC') !== story.client.name)
    return { ok: false, problem: `Write the name as it is written here: ${story.client.name}.` };
  if (!(await eraseClient(owner, clientId))) return NO_CLIENT;
  revalidatePath('/clients');
  return { ok: true };
}

export type TablePreview =
  { readonly ok: true; readonly value: ClientsImport } | { readonly ok: false; readonly problem: string };

/** More text than this is no table of clients. */
const MOST_TAKEN = 5000;

const columnsSchema = z.partialRecord(z.enum(CLIENT_COLUMNS), z.int().min(0).max(999)).optional();

/** What a table of clients would add and change; nothing is written. @param columns which column holds what; by the headings without */
export async function previewClients(text: unknown, columns?: ClientColumns): Promise<TablePreview> {
  const person = await currentPerson();
  if (!person) return SIGNED_OUT;
  if (person.role === 'assistant')
    return { ok: false, problem: 'Only a colourist or the owner can import clients.' };
  if (typeof text !== 'string' || text.length > MOST_BYTES.table)
    return {
      ok: false,
      problem: `The table is larger than ${megabytes(MOST_BYTES.table)}: is it the right file?`,
    };
  const chosen = columnsSchema.safeParse(columns);
  if (!chosen.success) return { ok: false, problem: 'Columns: choose them from the table.' };
  const { calendar } = (await loadHouse()).document;
  const read = readClientsCsv(text, await allClients(person), {
    today: await salonToday(),
    dates: calendar.dates,
    columns: chosen.data,
  });
  if (read.ok && read.value.added.length + read.value.changed.length > MOST_TAKEN)
    return {
      ok: false,
      problem: `The table adds and changes more than ${MOST_TAKEN} clients: import it in parts.`,
    };
  return read;
}

/** Takes a table of clients over, as the preview showed it; what has changed since is refused. */
export async function takeClients(text: unknown, columns?: ClientColumns): Promise<Done> {
  const person = await currentPerson();
  const preview = await previewClients(text, columns);
  if (!person || !preview.ok) return preview.ok ? SIGNED_OUT : preview;
  const { added, changed, problems } = preview.value;
  if (problems.length > 0)
    return { ok: false, problem: `Row ${problems[0].row}: ${problems[0].problem} Nothing was taken.` };
  const saved = await importClients(
    person,
    added,
    changed.map(({ before, after }) => ({ id: before.id, revision: before.revision, fields: after })),
  );
  if (!saved.ok)
    return {
      ok: false,
      problem: 'Somebody changed one of these clients meanwhile. Nothing was taken: choose the table again.',
    };
  revalidatePath('/clients');
  return { ok: true };
}
