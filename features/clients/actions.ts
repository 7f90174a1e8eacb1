'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { createClient } from '@/data/clients';
import { createVisit } from '@/data/visits';
import { requirePerson } from '../session/current';
import { isId, today } from '../shared';

export interface ClientFields {
  readonly name: string;
  readonly phone: string;
  readonly note: string;
}

export interface NewClientState {
  readonly fields: ClientFields;
  readonly problems: Partial<Record<keyof ClientFields, string>>;
}

const form = z.object({
  name: z.string().trim().min(1, 'Name: it is empty.').max(120, 'Name: it is longer than 120 characters.'),
  phone: z
    .string()
    .trim()
    .max(40, 'Phone: it is longer than 40 characters.')
    .regex(/^[\d\s()+/.-]*$/, 'Phone: it holds something other than digits, spaces and + ( ) / . -'),
  note: z.string().trim().max(2000, 'Note: it is longer than 2000 characters.'),
});

/** Adds a client and opens her page; otherwise says which field is wrong and keeps what was typed. */
export async function addClient(_: NewClientState, data: FormData): Promise<NewClientState> {
  const person = await requirePerson();
  const text = (name: string) => String(data.get(name) ?? '');
  const fields = { name: text('name'), phone: text('phone'), note: text('note') };
  const read = form.safeParse(fields);
  if (!read.success) {
    return { fields, problems: Object.fromEntries(read.error.issues.map((issue) => [issue.path[0], issue.message]).reverse()) };
  }
  const id = await createClient(person, read.data);
  redirect(`/clients/${id}`);
}

/** Opens a visit today for a client and goes to its consultation. */
export async function addVisit(clientId: string): Promise<void> {
  const person = await requirePerson();
  const visitId = isId(clientId) ? await createVisit(person, clientId, today()) : undefined;
  if (!visitId) redirect('/clients');
  redirect(`/visits/${visitId}/consult`);
}
