'use client';

import { useActionState } from 'react';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { TextField } from '@/ui/field';
import { Link } from '@/ui/link';
import type { FormState } from '../forms';
import { joinSalon, takePasswordLink, type JoinFields } from './actions';

/** Name, address and password of somebody who was invited. */
export function JoinForm({ token, email }: { token: string; email: string }) {
  const [{ fields, problems, said }, submit, pending] = useActionState<FormState<JoinFields>, FormData>(
    joinSalon,
    { fields: { name: '', email, password: '' }, problems: {} },
  );
  if (said) return <Said {...said} />;
  return (
    <form action={submit} className="card grid gap-4 p-6" noValidate>
      <input type="hidden" name="token" value={token} />
      <TextField
        label="Name"
        name="name"
        defaultValue={fields.name}
        problem={problems.name}
        autoComplete="name"
      />
      <TextField
        label="E-mail"
        name="email"
        type="email"
        defaultValue={fields.email}
        problem={problems.email}
        autoComplete="username"
      />
      <TextField
        label="Password"
        name="password"
        type="password"
        problem={problems.password}
        hint="At least 10 characters."
        autoComplete="new-password"
      />
      <Button server type="submit" look="primary" disabled={pending}>
        Join
      </Button>
    </form>
  );
}

/** A new password by a link. */
export function ResetForm({ token }: { token: string }) {
  const [{ problems, said }, submit, pending] = useActionState<FormState<'password'>, FormData>(
    takePasswordLink,
    { fields: { password: '' }, problems: {} },
  );
  if (said) return <Said {...said} />;
  return (
    <form action={submit} className="card grid gap-4 p-6" noValidate>
      <input type="hidden" name="token" value={token} />
      <TextField
        label="New password"
        name="password"
        type="password"
        problem={problems.password}
        hint="At least 10 characters."
        autoComplete="new-password"
      />
      <Button server type="submit" look="primary" disabled={pending}>
        Save password
      </Button>
    </form>
  );
}

/** What a link came to, and the way to the sign-in. */
export function Said({ ok, words }: { ok: boolean; words: string }) {
  return (
    <div className="card grid gap-4 p-6">
      <p role={ok ? 'status' : 'alert'} className={ok ? '' : 'font-semibold text-rowan'}>
        {words}
      </p>
      <Link href="/sign-in" className={buttonLook(ok ? 'primary' : 'plain')}>
        To sign-in
      </Link>
    </div>
  );
}
