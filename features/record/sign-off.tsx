'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { TextArea } from '@/ui/field';
import { useCalendar } from '../house/calendar';
import { useVisit } from '../visit/store';
import { addToRecord, signRecord } from './actions';

/**
 * Signing the record off; once that is done, what is added to it.
 * @param unsaved what was typed and not saved yet stands in the way
 */
export function SignOffPart({ unsaved }: { unsaved: boolean }) {
  const calendar = useCalendar();
  const { bundle, outcome, reload, flush } = useVisit();
  const { signed, addenda } = bundle.signOff;
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const run = async (ask: () => Promise<{ ok: boolean; problem?: string }>): Promise<boolean> => {
    setBusy(true);
    await flush();
    const answer = await ask().catch(() => ({
      ok: false,
      problem: 'No connection: nothing was signed or added. Try again when it is back.',
    }));
    setBusy(false);
    setProblem(answer.ok ? undefined : answer.problem);
    if (answer.ok) await reload();
    return answer.ok;
  };
  if (signed) {
    return (
      <section aria-label="Signed off" className="grid gap-3 border-t border-line pt-4">
        <p className="rounded-ui bg-leaf-pale p-3 text-base">
          <b>Signed off by {signed.by}</b>, {calendar.moment(signed.at)}. This visit can no longer be changed.
          Add corrections below.
        </p>
        {addenda.length > 0 && (
          <ol aria-label="Addenda" className="grid gap-2">
            {addenda.map(({ id, at, by, words }) => (
              <li key={id} className="border-l-2 border-leaf pl-3">
                <p className="whitespace-pre-line">{words}</p>
                <p className="text-sm text-ink-soft">
                  {by}, {calendar.moment(at)}
                </p>
              </li>
            ))}
          </ol>
        )}
        <Addendum busy={busy} onAdd={(words) => run(() => addToRecord(bundle.id, words))} />
        {problem && (
          <p role="alert" className="text-sm font-medium text-rowan">
            {problem}
          </p>
        )}
      </section>
    );
  }
  return (
    <section aria-label="Sign off" className="grid gap-2 border-t border-line pt-4">
      <h3 className="text-md font-bold">Sign off</h3>
      <p className="text-sm text-ink-soft">
        Afterwards the visit is locked: consultation, pattern, mix and record stay as they are, and a
        correction is an addendum with its day.
      </p>
      <Button
        server
        look="plain"
        disabled={busy || outcome === null || unsaved}
        onClick={() => void run(() => signRecord(bundle.id, outcome?.revision ?? 0))}
      >
        {unsaved && outcome ? 'Save the changes first' : 'Sign the record off'}
      </Button>
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
    </section>
  );
}

function Addendum({ busy, onAdd }: { busy: boolean; onAdd(words: string): Promise<boolean> }) {
  const [words, setWords] = useState('');
  return (
    <div className="grid gap-2">
      <TextArea
        label="Addendum"
        rows={2}
        maxLength={2000}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <Button
        server
        disabled={busy || words.trim() === ''}
        onClick={() => void onAdd(words).then((ok) => ok && setWords(''))}
      >
        Add to the record
      </Button>
    </div>
  );
}
