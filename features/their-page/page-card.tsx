'use client';

import { useState, useTransition } from 'react';
import { Button } from '@/ui/button';
import { useCalendar } from '../house/calendar';
import { closeTheirPage, openTheirPage } from './actions';

interface PageCardProps {
  clientId: string;
  /** The page that is open. */
  page: { readonly path: string; readonly expiresAt: string } | null;
  /** When they last answered, and whether they said that they are done. */
  answered: { readonly changedAt: string; readonly sentAt: string | null } | null;
}

/** The page for the client's own phone: its address to hand over, and what came of it. */
export function PageCard({ clientId, page, answered }: PageCardProps) {
  const calendar = useCalendar();
  const [busy, start] = useTransition();
  const [problem, setProblem] = useState<string>();
  const [copied, setCopied] = useState(false);
  const run = (work: () => Promise<{ ok: boolean; problem?: string }>) =>
    start(async () => {
      const answer = await work();
      setProblem(answer.ok ? undefined : answer.problem);
    });
  const address = () => `${location.origin}${page?.path ?? ''}`;
  const copy = () =>
    navigator.clipboard.writeText(address()).then(
      () => setCopied(true),
      () => setProblem('It could not be copied: select the address and copy it by hand.'),
    );
  return (
    <section aria-label="Page for their phone" className="card grid gap-3 p-5">
      <h2 className="text-lg font-bold wide">Page for their phone</h2>
      {answered && (
        <p className="text-base">
          <b>
            {answered.sentAt
              ? `Answered, sent ${calendar.moment(answered.sentAt)}.`
              : `They are answering, last ${calendar.moment(answered.changedAt)}.`}
          </b>{' '}
          Their answers wait in the consultation of the next visit that is opened.
        </p>
      )}
      {page ? (
        <>
          <p className="text-sm text-ink-soft">
            A private address: whoever has it can answer for this client, and sees nothing else. Open until{' '}
            {calendar.dayOf(page.expiresAt)}.
          </p>
          <p
            className="rounded-ui border border-line bg-field px-3 py-2 text-sm break-all select-all"
            data-address
            suppressHydrationWarning
          >
            {typeof location === 'undefined' ? page.path : address()}
          </p>
          <div className="flex flex-wrap items-center gap-2">
            <Button onClick={() => void copy()}>{copied ? 'Copied' : 'Copy the address'}</Button>
            <a
              href={page.path}
              target="_blank"
              rel="noreferrer"
              className="px-2 font-semibold text-leaf underline"
            >
              Look at it
            </a>
            <Button server look="quiet" disabled={busy} onClick={() => run(() => closeTheirPage(clientId))}>
              Close it
            </Button>
          </div>
        </>
      ) : (
        <>
          <p className="text-sm text-ink-soft">
            The client answers the consultation at home, adds pictures, and signs. Reminders can carry its
            address ({'{page}'} in House).
          </p>
          <div>
            <Button server disabled={busy} onClick={() => run(() => openTheirPage(clientId))}>
              Open a page for them
            </Button>
          </div>
        </>
      )}
      {problem && (
        <p role="alert" className="text-sm font-semibold text-rowan">
          {problem}
        </p>
      )}
    </section>
  );
}
