'use server';

import type { Result } from '@/core/units';
import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { CLIENT_COLUMNS, readClientsCsv, type ClientColumns, type ClientsImport } from '@/core/formats';
import { allClients, archiveClient, changeClient, importClients, walkIn } from '@/data/client-changes';
import { eraseClient } from '@/data/client-record';
import { createClient, listClients, readClient } from '@/data/clients';
import { mergeClients, undoMerge } from '@/data/merges';
import type { SignedIn } from '@/data/sessions';
import { createVisit, type VisitWhat } from '@/data/visits';
import { fieldProblems, textsOf, type FormState } from '../forms';
import { loadHouse, salonToday } from '../house/queries';
import { megabytes, MOST_BYTES } from '../limits';
import { signedIn, signedInOrElsewhere } from '../session/signed-in';
import { isId, isRevision } from '../shared';
import { CLIENT_FIELDS, clientForm, type ClientField } from './fields';

export type ClientFormState = FormState<ClientField>;
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
export const addClient = signedInOrElsewhere(
  'addClient',
  async (person, _: ClientFormState, data: FormData): Promise<ClientFormState> => {
    const { fields, read } = await readFields(data);
    if (!read.success) return { fields, problems: fieldProblems(read.error) };
    const given = String(data.get('id') ?? '');
    const id = isId(given) ? given : undefined;
    if (data.get('walk-in') === 'yes')
      redirect(`/visits/${await walkIn(person, read.data, await salonToday(), id)}/consult`);
    redirect(`/clients/${await createClient(person, read.data, id)}`);
  },
);

/** Changes what is written down of a client; somebody else's newer change is never overwritten. */
export const editClient = signedInOrElsewhere(
  'editClient',
  async (
    person,
    clientId: string,
    baseRevision: number,
    _: ClientFormState,
    data: FormData,
  ): Promise<ClientFormState> => {
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
  },
);

/** Opens a visit today for a client and goes to its consultation. */
export const addVisit = signedInOrElsewhere('addVisit', (person, clientId: string) =>
  openToday(person, clientId, 'foils'),
);

/** The same for a toner or a treatment. */
export const addVisitWithoutFoils = signedInOrElsewhere('addVisitWithoutFoils', (person, clientId: string) =>
  openToday(person, clientId, 'no-foils'),
);

async function openToday(person: SignedIn, clientId: string, what: VisitWhat): Promise<void> {
  const visitId = isId(clientId) ? await createVisit(person, clientId, await salonToday(), what) : undefined;
  redirect(visitId ? `/visits/${visitId}/consult` : '/clients');
}

/** Archives a client, or restores them. */
export const putClientAway = signedIn(
  'putClientAway',
  async (person, clientId: string, away: boolean): Promise<Result> => {
    if (!isId(clientId) || !(await archiveClient(person, clientId, away === true))) return NO_CLIENT;
    revalidatePath('/clients');
    revalidatePath(`/clients/${clientId}`);
    return { ok: true };
  },
);

/** Clients to choose one to merge with, by what is typed. */
export const clientsToMerge = signedIn(
  'clientsToMerge',
  async (person, search: string, notId: string) => {
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
  },
  () => [],
);

/** Makes two records one: everything of `fromId` becomes `intoId`'s. */
export const mergeTwo = signedIn(
  'mergeTwo',
  async (person, fromId: string, intoId: string): Promise<Result> => {
    if (!isId(fromId) || !isId(intoId) || !(await mergeClients(person, fromId, intoId))) return NO_CLIENT;
    revalidatePath('/clients');
    return { ok: true };
  },
);

/** Takes a merge back: the other record stands again with what was its own. */
export const undoMergeOf = signedIn('undoMergeOf', async (person, mergeId: string): Promise<Result> => {
  const undone = isId(mergeId) ? await undoMerge(person, mergeId) : undefined;
  if (!undone?.ok)
    return {
      ok: false,
      problem: 'This merge was undone already, or another one came after it: that one goes first.',
    };
  revalidatePath('/clients');
  return { ok: true };
});

/** Erases a client for good, when their name was typed as it is written; only the owner may. */
export const eraseForGood = signedIn(
  'eraseForGood',
  async (owner, clientId: string, typedName: string): Promise<Result> => {
    const story = isId(clientId) ? await readClient(owner, clientId, await salonToday()) : undefined;
    if (!story) return NO_CLIENT;
    if (String(typedName).trim().normalize('NFC') !== story.client.name)
      return { ok: false, problem: `Write the name as it is written here: ${story.client.name}.` };
    if (!(await eraseClient(owner, clientId))) return NO_CLIENT;
    revalidatePath('/clients');
    return { ok: true };
  },
);

export type TablePreview = Result<{ readonly value: ClientsImport }>;

/** More text than this is no table of clients. */
const MOST_TAKEN = 5000;

const columnsSchema = z.partialRecord(z.enum(CLIENT_COLUMNS), z.int().min(0).max(999)).optional();

/**
 * What a table of clients would add and change; nothing is written.
 * @param columns which column holds what; by the headings without
 */
export const previewClients = signedIn(
  'previewClients',
  async (person, text: unknown, columns?: ClientColumns): Promise<TablePreview> => {
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
  },
);

/** Takes a table of clients over, as the preview showed it; what has changed since is refused. */
export const takeClients = signedIn(
  'takeClients',
  async (person, text: unknown, columns?: ClientColumns): Promise<Result> => {
    const preview = await previewClients(text, columns);
    if (!preview.ok) return preview;
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
        problem:
          'Somebody changed one of these clients meanwhile. Nothing was taken: choose the table again.',
      };
    revalidatePath('/clients');
    return { ok: true };
  },
);
