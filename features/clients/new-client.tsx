'use client';

import { useActionState, useState } from 'react';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { TextArea, TextField } from '@/ui/field';
import { PlusIcon } from '@/ui/icons';
import { addClient, type NewClientState } from './actions';

/** The button for a new client and its form. */
export function NewClient({ name = '' }: { name?: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button look="primary" onClick={() => setOpen(true)}>
        <PlusIcon /> New client
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="New client">
        <NewClientForm name={name} />
      </Dialog>
    </>
  );
}

function NewClientForm({ name }: { name: string }) {
  const [state, submit, pending] = useActionState<NewClientState, FormData>(addClient, {
    fields: { name, phone: '', note: '' },
    problems: {},
  });
  return (
    <form action={submit} className="grid gap-4" noValidate>
      <TextField label="Name" name="name" defaultValue={state.fields.name} problem={state.problems.name} autoComplete="off" autoFocus />
      <TextField label="Phone" name="phone" type="tel" defaultValue={state.fields.phone} problem={state.problems.phone} autoComplete="off" />
      <TextArea
        label="Note" name="note" rows={3} defaultValue={state.fields.note} problem={state.problems.note}
        hint="What everyone at the chair should know."
      />
      <Button type="submit" look="primary" disabled={pending}>{pending ? 'Adding …' : 'Add client'}</Button>
    </form>
  );
}
