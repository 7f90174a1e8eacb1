'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { useCalendar } from '../house/calendar';
import { makeCalendar, withdrawCalendar } from './actions';

/**
 * A private address that one's own calendar reads the appointments from; shown once, withdrawn at any time.
 */
export function CalendarAddress({ since }: { since: string | null }) {
  const calendar = useCalendar();
  const [address, setAddress] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const make = () =>
    void makeCalendar().then(
      (answer) =>
        answer.ok
          ? setAddress(`${location.origin}/api/calendar/${answer.secret}.ics`)
          : setProblem(answer.problem),
      () => setProblem('No connection: nothing was made.'),
    );
  const withdraw = () =>
    void withdrawCalendar().then(
      (answer) => (answer.ok ? setAddress(undefined) : setProblem(answer.problem)),
      () => setProblem('No connection: the address still works.'),
    );
  return (
    <div className="grid gap-3">
      <p className="text-base">
        Your calendar reads your appointments from a private address. Anyone who has it sees your clients’
        names: keep it to yourself.
      </p>
      {address && (
        <div className="rounded-ui bg-leaf-pale p-3">
          <p className="text-sm font-semibold">Shown once; copy it now.</p>
          <code aria-label="Calendar address" className="text-sm break-all">
            {address}
          </code>
        </div>
      )}
      {!address && (
        <p className="text-sm text-ink-soft">
          {since
            ? `One works since ${calendar.moment(since)}. A new one takes its place.`
            : 'There is none yet.'}
        </p>
      )}
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
      <div className="flex gap-2">
        <Button server look="primary" onClick={make}>
          {since || address ? 'Make a new address' : 'Make an address'}
        </Button>
        {(since || address) && (
          <Button server onClick={withdraw}>
            Withdraw
          </Button>
        )}
      </div>
    </div>
  );
}
