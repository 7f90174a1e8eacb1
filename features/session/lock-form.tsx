'use client';

import { useActionState, useState } from 'react';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { forgetDevice } from '../offline/forget';
import { signOut, unlockStation, type UnlockState } from './actions';
import type { StationPerson } from './queries';

/** Who goes on at this station: a person, then their PIN, or their password where they have none. */
export function LockForm({
  people,
  ownId,
  to,
}: {
  people: readonly StationPerson[];
  ownId: string;
  to: string;
}) {
  const [chosen, choose] = useState(ownId);
  const person = people.find(({ id }) => id === chosen) ?? people[0];
  return (
    <div className="grid gap-4">
      <ul aria-label="Who is working here" className="grid grid-cols-2 gap-2">
        {people.map(({ id, name, role }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={id === person.id}
              onClick={() => choose(id)}
              className={`h-full w-full rounded-ui border px-3 py-2 text-left ${id === person.id ? 'border-leaf bg-leaf-pale' : 'border-edge bg-raised hover:border-ink'}`}
            >
              <span className="block text-md font-semibold">{name}</span>
              <span className="text-sm text-ink-soft">{id === ownId ? `${role}, was here last` : role}</span>
            </button>
          </li>
        ))}
      </ul>
      <Unlock key={person.id} person={person} to={to} />
      <form action={() => forgetDevice().then(signOut)}>
        <Button server type="submit" look="quiet" small>
          Sign out of this station
        </Button>
      </form>
    </div>
  );
}

function Unlock({ person, to }: { person: StationPerson; to: string }) {
  const [state, submit, pending] = useActionState<UnlockState, FormData>(unlockStation, {});
  return (
    <form action={submit} className="card grid gap-4 p-5" noValidate>
      <input type="hidden" name="person" value={person.id} />
      <input type="hidden" name="to" value={to} />
      <TextField
        label={person.hasPin ? `PIN of ${person.name}` : `Password of ${person.name}`}
        name="secret"
        type="password"
        autoFocus
        autoComplete="off"
        inputMode={person.hasPin ? 'numeric' : undefined}
        problem={state.problem}
        hint={person.hasPin ? 'Your password works as well.' : 'A PIN can be set under your name, top right.'}
      />
      <Button server type="submit" look="primary" disabled={pending}>
        {pending ? 'Unlocking …' : 'Unlock'}
      </Button>
    </form>
  );
}
