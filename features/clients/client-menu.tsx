'use client';

import { useRouter } from 'next/navigation';
import { useActionState, useEffect, useState, useTransition } from 'react';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import { MoreIcon } from '@/ui/icons';
import { Menu } from '@/ui/menu';
import {
  addVisitWithoutFoils,
  clientsToMerge,
  editClient,
  eraseForGood,
  mergeTwo,
  putClientAway,
  undoMergeOf,
  type ClientFormState,
} from './actions';
import { may, type Role } from '../session/who-may';
import { ClientInputs } from './client-inputs';
import type { ClientSummary, ShownClient } from './queries';

type Open = 'edit' | 'merge' | 'erase';

/** What can be done with a client's record. */
export function ClientMenu({
  client,
  role,
  merge,
}: {
  client: ClientSummary;
  role: Role;
  merge: ShownClient['merges'][number] | undefined;
}) {
  const router = useRouter();
  const [open, setOpen] = useState<Open>();
  const [problem, setProblem] = useState<string>();
  const undo = async (mergeId: string) => {
    const answer = await undoMergeOf(mergeId).catch(
      () => ({ ok: false, problem: 'No connection: nothing was changed.' }) as const,
    );
    if (answer.ok) router.refresh();
    else setProblem(answer.problem);
  };
  const close = () => setOpen(undefined);
  return (
    <>
      <Menu
        label={`More for ${client.name}`}
        trigger={<MoreIcon />}
        className="grid size-11 place-items-center rounded-ui border border-edge bg-raised hover:border-ink"
        items={[
          ...(client.archived
            ? []
            : [
                {
                  words: 'Visit without foils',
                  hint: 'toner, treatment',
                  choose: () => void addVisitWithoutFoils(client.id),
                },
              ]),
          { words: 'Name, phone, e-mail, birthday, note', choose: () => setOpen('edit') },
          ...(!may(role, 'mergeTwo')
            ? []
            : [
                {
                  words: 'Merge with another record',
                  hint: 'two records of one person',
                  choose: () => setOpen('merge'),
                },
                ...(merge?.mergeId
                  ? [
                      {
                        words: 'Undo the merge',
                        hint: `“${merge.name}” becomes a record of its own again`,
                        choose: () => void undo(merge.mergeId!),
                      },
                    ]
                  : []),
                {
                  words: 'Export the whole record',
                  hint: 'one file to hand over',
                  choose: () =>
                    Object.assign(document.createElement('a'), {
                      href: `/clients/${client.id}/record.json`,
                      download: '',
                    }).click(),
                },
              ]),
          ...(role === 'owner'
            ? [
                {
                  words: 'Trail',
                  hint: 'who did what',
                  choose: () => router.push(`/clients/${client.id}/trail`),
                },
              ]
            : []),
          client.archived
            ? { words: 'Restore', choose: () => void putClientAway(client.id, false) }
            : {
                words: 'Archive',
                hint: 'not listed, nothing lost',
                choose: () => void putClientAway(client.id, true),
              },
          ...(may(role, 'eraseForGood')
            ? [
                {
                  words: 'Erase for good',
                  hint: 'at the client’s request',
                  danger: true,
                  choose: () => setOpen('erase'),
                },
              ]
            : []),
        ]}
      />
      <Dialog open={open === 'edit'} onOpenChange={close} title="What is written down">
        <EditForm client={client} onDone={close} />
      </Dialog>
      <Dialog open={open === 'merge'} onOpenChange={close} title="Merge two records">
        <MergeForm client={client} />
      </Dialog>
      <Dialog
        open={problem !== undefined}
        onOpenChange={() => setProblem(undefined)}
        title="The merge was not undone"
      >
        <p role="alert">{problem}</p>
      </Dialog>
      <Dialog open={open === 'erase'} onOpenChange={close} title="Erase for good">
        <EraseForm client={client} />
      </Dialog>
    </>
  );
}

function EditForm({ client, onDone }: { client: ClientSummary; onDone(): void }) {
  const [state, submit, pending] = useActionState<ClientFormState, FormData>(
    editClient.bind(null, client.id, client.revision),
    {
      fields: {
        name: client.name,
        phone: client.phone,
        email: client.email,
        bornOn: client.bornOn ?? '',
        note: client.note,
      },
      problems: {},
    },
  );
  const done = state.said?.ok === true;
  useEffect(() => {
    if (done) onDone();
  }, [done, onDone]);
  return (
    <AskingForm name="client" action={submit} className="grid gap-4" noValidate>
      <ClientInputs {...state} />
      {state.said && !state.said.ok && (
        <p role="alert" className="font-semibold text-rowan">
          {state.said.words}
        </p>
      )}
      <Button server type="submit" look="primary" disabled={pending}>
        Save
      </Button>
    </AskingForm>
  );
}

function MergeForm({ client }: { client: ClientSummary }) {
  const router = useRouter();
  const [search, setSearch] = useState(client.name.split(' ').at(-1) ?? '');
  const [found, setFound] = useState<Awaited<ReturnType<typeof clientsToMerge>>>();
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(
      () => void clientsToMerge(search, client.id).then((next) => !stale && setFound(next)),
      150,
    );
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [search, client.id]);
  const merge = (fromId: string) =>
    start(async () => {
      const answer = await mergeTwo(fromId, client.id);
      if (answer.ok) router.refresh();
      setProblem(answer.ok ? undefined : answer.problem);
      if (answer.ok) setFound((all) => all?.filter(({ id }) => id !== fromId));
    });
  return (
    <div className="grid gap-4">
      <p>
        Visits, photos, tests and consents of the other record become {client.name}’s. What is written down
        here stays; a missing phone, e-mail or birthday is taken over, and notes are kept word for word. It
        can be undone.
      </p>
      <TextField
        label="The other record"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
        autoComplete="off"
      />
      <ul className="grid gap-2">
        {found?.map(({ id, name, phone, visits }) => (
          <li
            key={id}
            className="flex items-center justify-between gap-3 rounded-ui border border-line px-3 py-2"
          >
            <span>
              <b>{name}</b>{' '}
              <span className="text-sm text-ink-soft">{[phone, visits].filter(Boolean).join(' · ')}</span>
            </span>
            <Button
              server
              small
              disabled={busy}
              onClick={() => merge(id)}
            >{`Merge into ${client.name}`}</Button>
          </li>
        ))}
        {found?.length === 0 && <li className="text-ink-soft">Nobody else is found by this.</li>}
      </ul>
      {problem && (
        <p role="alert" className="font-semibold text-rowan">
          {problem}
        </p>
      )}
    </div>
  );
}

function EraseForm({ client }: { client: ClientSummary }) {
  const router = useRouter();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const erase = () =>
    start(async () => {
      const answer = await eraseForGood(client.id, typed);
      if (answer.ok) router.push('/clients');
      else setProblem(answer.problem);
    });
  return (
    <form
      className="grid gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        erase();
      }}
    >
      <p>
        All visits, photos, tests and consents of {client.name} go, and so do their words in the trail. That
        they were erased, when and by whom, stays. This cannot be undone; export the record first if they want
        it.
      </p>
      <TextField
        label="Their name, as it is written here"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        problem={problem}
        autoComplete="off"
      />
      <Button server type="submit" disabled={busy} className="border-rowan text-rowan">
        Erase the record
      </Button>
    </form>
  );
}
