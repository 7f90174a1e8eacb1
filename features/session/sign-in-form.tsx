'use client';

import { useActionState, useState } from 'react';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { signIn, type SignInState } from './actions';

interface Demo {
  accounts: { salonName: string; personName: string; role: string; email: string }[];
  password: string;
}

/** E-mail and password; with the demo data loaded, its accounts to choose from. */
export function SignInForm({ demo }: { demo: Demo | null }) {
  const [state, submit, pending] = useActionState<SignInState, FormData>(signIn, { email: '', problems: {} });
  const [email, setEmail] = useState(state.email);
  const [password, setPassword] = useState('');
  const salons = [...new Set(demo?.accounts.map((account) => account.salonName))];

  return (
    <div className="grid gap-6">
      <form action={submit} className="card grid gap-4 p-6" noValidate>
        <TextField
          label="E-mail"
          name="email"
          type="email"
          autoComplete="username"
          value={email}
          onChange={(event) => setEmail(event.target.value)}
          problem={state.problems.email}
        />
        <TextField
          label="Password"
          name="password"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          problem={state.problems.password}
        />
        <Button server type="submit" look="primary" disabled={pending}>
          {pending ? 'Signing in …' : 'Sign in'}
        </Button>
      </form>

      {demo && (
        <section aria-labelledby="demo" className="card p-6">
          <h2 id="demo" className="text-base font-semibold">
            Demo accounts
          </h2>
          <p className="mb-3 text-sm text-ink-soft">
            Password for each: <code className="font-semibold text-ink">{demo.password}</code>
          </p>
          {salons.map((salon) => (
            <div key={salon} className="mt-3">
              <h3 className="mb-1 text-xs font-semibold text-ink-soft">{salon}</h3>
              <ul className="grid gap-1">
                {demo.accounts
                  .filter((account) => account.salonName === salon)
                  .map((account) => (
                    <li key={account.email}>
                      <button
                        type="button"
                        onClick={() => {
                          setEmail(account.email);
                          setPassword(demo.password);
                        }}
                        className="flex w-full items-baseline justify-between gap-3 rounded-ui px-2 py-2 text-left hover:bg-leaf-pale"
                      >
                        <span className="font-medium">
                          {account.personName}, {account.role}
                        </span>
                        <span className="text-sm text-ink-soft">{account.email}</span>
                      </button>
                    </li>
                  ))}
              </ul>
            </div>
          ))}
        </section>
      )}
    </div>
  );
}
