'use client';

import { useActionState, useState } from 'react';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { PlusIcon } from '@/ui/icons';
import { addClient, type ClientFormState } from './actions';
import { ClientInputs } from './client-inputs';

/** The buttons for a new client and for one who walks in, and their form. */
export function NewClient({ name = '' }: { name?: string }) {
  const [open, setOpen] = useState<'client' | 'walk-in'>();
  return (
    <>
      <Button onClick={() => setOpen('walk-in')}>Walk-in</Button>
      <Button look="primary" onClick={() => setOpen('client')}>
        <PlusIcon /> New client
      </Button>
      <Dialog
        open={open !== undefined}
        onOpenChange={(next) => !next && setOpen(undefined)}
        title={open === 'walk-in' ? 'Walk-in' : 'New client'}
      >
        <NewClientForm name={name} walkIn={open === 'walk-in'} />
      </Dialog>
    </>
  );
}

function NewClientForm({ name, walkIn }: { name: string; walkIn: boolean }) {
  // Sent twice, it is one client.
  const [id] = useState(() => crypto.randomUUID());
  const [state, submit, pending] = useActionState<ClientFormState, FormData>(addClient, {
    fields: { name, phone: '', email: '', bornOn: '', note: '' },
    problems: {},
  });
  return (
    <AskingForm name="new-client" action={submit} className="grid gap-4" noValidate>
      <input type="hidden" name="id" value={id} />
      {walkIn && <input type="hidden" name="walk-in" value="yes" />}
      <ClientInputs {...state} />
      <Button server type="submit" look="primary" disabled={pending}>
        {pending ? 'Adding …' : walkIn ? 'Add and open a visit' : 'Add client'}
      </Button>
    </AskingForm>
  );
}
