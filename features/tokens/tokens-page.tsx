'use client';

import { useState, useTransition } from 'react';
import { capital, keysOf } from '@/core/units';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { SCOPES, type Scope } from '../api/scopes';
import { useCalendar } from '../house/calendar';
import { makeApiToken, withdrawToken } from './actions';
import type { ApiToken } from './queries';

const ALL = keysOf(SCOPES);

interface TokensPageProps {
  tokens: readonly ApiToken[];
  people: readonly { readonly id: string; readonly name: string }[];
  ownId: string;
}

/**
 * Tokens with which the salon's own tools read and write: made for a purpose, shown once, withdrawn at any
 * time.
 */
export function TokensPage({ tokens, people, ownId }: TokensPageProps) {
  const calendar = useCalendar();
  const [name, setName] = useState('');
  const [personId, setPersonId] = useState(ownId);
  const [scopes, setScopes] = useState<readonly Scope[]>(['appointments:read']);
  const [made, setMade] = useState<{ name: string; secret: string }>();
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const make = () =>
    start(async () => {
      const answer = await makeApiToken({ name, personId, scopes });
      setProblem(answer.ok ? undefined : answer.problem);
      if (!answer.ok) return;
      setMade({ name: name.trim(), secret: answer.secret });
      setName('');
    });
  const withdraw = (id: string) =>
    start(async () => {
      const answer = await withdrawToken(id);
      setProblem(answer.ok ? undefined : answer.problem);
    });
  return (
    <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <AskingForm
        name="token"
        className="card grid gap-4 p-5"
        onSubmit={(event) => {
          event.preventDefault();
          make();
        }}
      >
        <h2 className="text-xl font-bold wide">New token</h2>
        <p className="text-base text-ink-soft">
          A token lets another program of the salon read and write here, such as a website that books. What it
          can do is described at{' '}
          <a href="/api/v1/openapi.json" target="_blank" className="font-semibold text-leaf underline">
            /api/v1/openapi.json
          </a>
          .
        </p>
        <TextField
          label="Name"
          value={name}
          maxLength={80}
          hint="Which program it is for: the trail names it."
          onChange={(event) => setName(event.target.value)}
        />
        <Select
          label="Works in the name of"
          value={personId}
          options={people.map(({ id, name: words }) => ({ value: id, words }))}
          onChange={setPersonId}
        />
        <fieldset className="grid gap-1">
          <legend className="mb-1 text-sm font-semibold">It may</legend>
          {ALL.map((scope) => (
            <div key={scope} className="flex min-h-11 items-center justify-between gap-4">
              <span className="text-base">{capital(SCOPES[scope])}</span>
              <Switch
                label={capital(SCOPES[scope])}
                on={scopes.includes(scope)}
                onChange={(on) =>
                  setScopes(on ? [...scopes, scope] : scopes.filter((other) => other !== scope))
                }
              />
            </div>
          ))}
        </fieldset>
        {problem && (
          <p role="alert" className="font-semibold text-rowan">
            {problem}
          </p>
        )}
        <Button server type="submit" look="primary" disabled={busy}>
          Make the token
        </Button>
      </AskingForm>
      <section aria-label="Tokens" className="card p-5">
        {made && (
          <div role="status" className="mb-4 grid gap-2 rounded-ui bg-leaf-pale p-3">
            <p className="font-semibold">{made.name}: shown once, copy it now.</p>
            <input
              readOnly
              aria-label={`Token for ${made.name}`}
              value={made.secret}
              onFocus={(event) => event.target.select()}
              className="h-11 rounded-ui border border-edge bg-field px-3 text-sm"
            />
          </div>
        )}
        <h2 className="text-xl font-bold wide">Tokens that work</h2>
        {tokens.length === 0 && <p className="mt-2 text-base text-ink-soft">None.</p>}
        <ul className="divide-y divide-line">
          {tokens.map((token) => (
            <li key={token.id} className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-4 py-3">
              <div>
                <p className="text-md font-semibold">{token.name}</p>
                <p className="text-sm text-ink-soft">
                  As {token.personName}, since {calendar.moment(token.createdAt)},{' '}
                  {token.usedAt ? `last used ${calendar.moment(token.usedAt)}` : 'never used'}
                </p>
                <p className="text-sm">{token.scopes.join(', ')}</p>
              </div>
              <Button
                small
                onClick={() => withdraw(token.id)}
                disabled={busy}
                aria-label={`Withdraw ${token.name}`}
              >
                Withdraw
              </Button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
