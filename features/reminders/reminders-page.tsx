'use client';

import clsx from 'clsx';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { withPage } from '@/core/diary';
import { Button } from '@/ui/button';
import { BackIcon } from '@/ui/icons';
import { Link } from '@/ui/link';
import { Switch } from '@/ui/switch';
import { useCalendar } from '../house/calendar';
import { sendReminders, type SendAnswer } from './actions';
import type { Remindable, Reminding } from './queries';

const keyOf = ({ clientId, appointmentId, about }: Remindable) =>
  `${clientId} ${appointmentId ?? ''} ${about}`;
/** The address itself is the client’s alone. */
const shownWords = (words: string) => withPage(words, '(link to their page)');

const CANNOT = [
  {
    standing: 'no-consent',
    words: 'Have not agreed to be texted',
    hint: 'Consent to reminders is signed at the visit, under Consult, Safety.',
  },
  {
    standing: 'no-phone',
    words: 'No phone that can be texted',
    hint: 'Change the phone on the client’s page.',
  },
] as const;
const isOpen = ({ standing }: Remindable) =>
  standing === 'to-send' || standing === 'failed' || standing === 'underway';

/**
 * Reminders: whom, in which words, and what became of them. Those of appointments are chosen at first; those
 * of due visits are not.
 */
export function RemindersPage({
  facts: { remindable, sent, until, connected, fromMinute },
}: {
  facts: Reminding;
}) {
  const calendar = useCalendar();
  const router = useRouter();
  const [turned, turn] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const [said, say] = useState<SendAnswer>();
  const open = remindable.filter(isOpen);
  const isChosen = (current: Remindable) => (current.kind === 'appointment') !== turned.has(keyOf(current));
  const chosen = open.filter(isChosen);
  const flip = (current: Remindable) =>
    turn((before) => {
      const next = new Set(before);
      if (!next.delete(keyOf(current))) next.add(keyOf(current));
      return next;
    });
  const send = async () => {
    setBusy(true);
    const answer = await sendReminders(
      chosen.map(({ clientId, appointmentId, about }) => ({ clientId, appointmentId, about })),
    ).catch((): SendAnswer => ({
      ok: false,
      problem:
        'No connection: what was sent is not known. Look again when it is back; trying again sends nothing twice.',
    }));
    setBusy(false);
    say(answer);
    router.refresh();
  };
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-3">
        <div>
          <Link
            href="/day"
            className="inline-flex items-center gap-1 text-base font-semibold hover:underline pointer-coarse:min-h-11"
          >
            <BackIcon /> Day
          </Link>
          <h1 className="text-3xl leading-tight font-bold wide">Reminders</h1>
          <p className="text-ink-soft">
            Appointments until {calendar.weekday(until)}, and visits that are due and not booked.
          </p>
        </div>
        <div className="ml-auto flex items-center gap-3">
          <Button
            server
            look="primary"
            disabled={busy || !connected || chosen.length === 0}
            onClick={() => void send()}
          >
            {busy
              ? 'Sending …'
              : chosen.length === 0
                ? 'Nothing to send'
                : `Send ${chosen.length} ${chosen.length === 1 ? 'reminder' : 'reminders'}`}
          </Button>
        </div>
      </div>
      <p className="mb-4 text-base text-ink-soft">
        {connected
          ? 'Texts go to the simulated outbox of this machine and to nobody’s phone.'
          : 'No outbox is connected: nothing can be sent.'}{' '}
        {fromMinute !== null &&
          `Those of appointments go out by themselves from ${calendar.time(fromMinute)}. `}
        Words and time are set under House.
      </p>
      {said && (said.ok ? said.problems.length > 0 : true) && (
        <div role="alert" className="mb-4 rounded-ui bg-rowan-pale p-3 text-base">
          {said.ok ? (
            <>
              {said.sent > 0 && <p>{said.sent} sent.</p>}
              <ul>
                {said.problems.map((words, i) => (
                  <li key={i} className="font-semibold text-rowan">
                    {words}
                  </li>
                ))}
              </ul>
            </>
          ) : (
            <b className="text-rowan">{said.problem}</b>
          )}
        </div>
      )}
      {said?.ok && said.problems.length === 0 && (
        <p role="status" className="mb-4 rounded-ui bg-leaf-pale p-3 text-base font-semibold">
          {said.sent} {said.sent === 1 ? 'reminder was' : 'reminders were'} handed to the outbox.
        </p>
      )}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_21.5rem]">
        <section aria-label="To send" className="card p-4">
          <h2 className="text-lg font-bold wide">To send</h2>
          {open.length === 0 && (
            <p className="mt-1 text-base text-ink-soft">Everyone who can be reminded has been.</p>
          )}
          <ul className="mt-2 grid gap-3">
            {open.map((own) => (
              <li
                key={keyOf(own)}
                className="grid grid-cols-[auto_minmax(0,1fr)] gap-4 border-t border-line pt-3 first:border-t-0 first:pt-0"
              >
                <Switch
                  label={`Remind ${own.clientName}, ${own.what}`}
                  on={isChosen(own)}
                  onChange={() => flip(own)}
                />
                <div>
                  <p className="text-base">
                    <Link href={`/clients/${own.clientId}`} className="font-bold hover:underline">
                      {own.clientName}
                    </Link>{' '}
                    · {own.what} · <span className="text-ink-soft">{own.phone}</span>
                  </p>
                  {own.movedSince && (
                    <p className="text-sm font-semibold text-amber-bark">
                      Moved since they were reminded of another time.
                    </p>
                  )}
                  {own.standing === 'failed' && (
                    <p className="text-sm font-semibold text-rowan">{own.problem}</p>
                  )}
                  {own.standing === 'underway' && (
                    <p className="text-sm font-semibold text-amber-bark">
                      It was interrupted on its way. Sent again, it still arrives only once.
                    </p>
                  )}
                  <p
                    className={clsx(
                      'mt-1 rounded-ui bg-ground px-3 py-2 text-base',
                      !isChosen(own) && 'text-ink-soft',
                    )}
                  >
                    {shownWords(own.words)}
                  </p>
                  {own.texts > 1 && <p className="mt-0.5 text-sm text-ink-soft">{own.texts} texts long</p>}
                </div>
              </li>
            ))}
          </ul>
        </section>
        <aside className="grid gap-4">
          {CANNOT.map(({ standing, words, hint }) => {
            const cannot = remindable.filter((other) => other.standing === standing);
            return (
              cannot.length > 0 && (
                <section key={standing} aria-label={words} className="card p-4">
                  <h2 className="text-lg font-bold wide">{words}</h2>
                  <p className="mt-1 text-sm text-ink-soft">{hint}</p>
                  <ul className="mt-2 grid gap-2">
                    {cannot.map((own) => (
                      <li key={keyOf(own)}>
                        <Link href={`/clients/${own.clientId}`} className="font-semibold hover:underline">
                          {own.clientName}
                        </Link>
                        {own.phone && <span className="text-sm text-ink-soft"> {own.phone}</span>}
                        <p className="text-sm">{own.what}</p>
                      </li>
                    ))}
                  </ul>
                </section>
              )
            );
          })}
          <section aria-label="Sent" className="card p-4">
            <h2 className="text-lg font-bold wide">Sent in two weeks</h2>
            {sent.length === 0 && <p className="mt-1 text-sm text-ink-soft">None.</p>}
            <ul className="mt-2 grid max-h-[420px] gap-2 overflow-y-auto">
              {sent.map(({ id, clientId, clientName, sentAt, words, by }) => (
                <li key={id}>
                  <Link href={`/clients/${clientId}`} className="font-semibold hover:underline">
                    {clientName}
                  </Link>
                  <p className="text-sm text-ink-soft">
                    {calendar.moment(sentAt!)}, {by ?? 'by itself'}
                  </p>
                  <p className="text-sm" data-as-written>
                    {shownWords(words)}
                  </p>
                </li>
              ))}
            </ul>
          </section>
        </aside>
      </div>
    </>
  );
}
