'use client';

import { useActionState, useTransition } from 'react';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import type { FormState } from '../forms';
import { useCalendar } from '../house/calendar';
import { changePassword, changePin, endOneSession } from './actions';
import type { Person } from './queries';
import { sayDevice } from './words';
import { WorkingHoursForm, type SalonHours } from './working-hours';

/** One's own PIN, password and sessions. */
export function MePage({ me }: { me: Person & { sessionId: string; salon: SalonHours } }) {
  const calendar = useCalendar();
  const [pin, submitPin, pinBusy] = useActionState<FormState<'password' | 'pin'>, FormData>(changePin, {
    fields: { password: '', pin: '' },
    problems: {},
  });
  const [password, submitPassword, passwordBusy] = useActionState<FormState<'before' | 'after'>, FormData>(
    changePassword,
    { fields: { before: '', after: '' }, problems: {} },
  );
  const [, start] = useTransition();
  return (
    <div className="grid items-start gap-6 lg:grid-cols-2">
      <AskingForm name="pin" action={submitPin} className="card grid gap-3 p-5" noValidate>
        <h2 className="text-xl font-bold wide">PIN</h2>
        <p className="text-base text-ink-soft">
          {me.hasPin ? 'You have one.' : 'You have none yet.'} With a PIN you switch quickly at a shared
          station.
        </p>
        <TextField
          label="New PIN"
          name="pin"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          problem={pin.problems.pin}
          hint="4 to 8 figures; leave it empty to remove it."
        />
        <TextField
          label="Your password"
          name="password"
          type="password"
          autoComplete="current-password"
          problem={pin.problems.password}
        />
        <Said {...pin.said} />
        <Button server type="submit" look="primary" disabled={pinBusy}>
          Save PIN
        </Button>
      </AskingForm>
      <AskingForm name="password" action={submitPassword} className="card grid gap-3 p-5" noValidate>
        <h2 className="text-xl font-bold wide">Password</h2>
        <p className="text-base text-ink-soft">A new one ends your sessions everywhere else.</p>
        <TextField
          label="Password now"
          name="before"
          type="password"
          autoComplete="current-password"
          problem={password.problems.before}
        />
        <TextField
          label="New password"
          name="after"
          type="password"
          autoComplete="new-password"
          problem={password.problems.after}
          hint="At least 10 characters."
        />
        <Said {...password.said} />
        <Button server type="submit" look="primary" disabled={passwordBusy}>
          Save password
        </Button>
      </AskingForm>
      <section aria-label="Working hours" className="card grid gap-3 p-5 lg:col-span-2">
        <h2 className="text-xl font-bold wide">Working hours</h2>
        <p className="text-base text-ink-soft">The day and the week show when you can be booked.</p>
        <WorkingHoursForm personId={me.id} initial={me.hours} salon={me.salon} own />
      </section>
      <section aria-label="Sessions" className="card grid gap-2 p-5 lg:col-span-2">
        <h2 className="text-xl font-bold wide">Signed in</h2>
        <ul className="grid gap-1">
          {me.sessions.map(({ id, device, since, seen }) => (
            <li key={id} className="flex items-baseline gap-4">
              <span className="w-40 font-medium">{sayDevice(device)}</span>
              <span className="flex-1 text-ink-soft">
                since {calendar.moment(since)}, seen {calendar.moment(seen)}
              </span>
              {id === me.sessionId ? (
                <span className="text-sm text-ink-soft">this one</span>
              ) : (
                <button
                  type="button"
                  className="font-semibold text-leaf underline"
                  onClick={() =>
                    start(async () => {
                      await endOneSession(id, me.id);
                    })
                  }
                >
                  End
                </button>
              )}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

function Said({ ok, words }: Partial<NonNullable<FormState<string>['said']>>) {
  if (!words) return null;
  return (
    <p role={ok ? 'status' : 'alert'} className={ok ? 'text-leaf' : 'font-semibold text-rowan'}>
      {words}
    </p>
  );
}
