'use client';

import { useState } from 'react';
import { offeredAnswers, withAnswers, type AnswerKey } from '@/core/consult';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { useCalendar } from '../house/calendar';
import { useMoney } from '../house/context';
import { settleTheirAnswers } from '../their-page/actions';
import { useVisit } from '../visit/store';

/**
 * What the client answered on their own page: theirs until somebody takes it over, and said above the
 * chapters.
 */
export function TheirAnswers() {
  const { bundle } = useVisit();
  const calendar = useCalendar();
  const offered = useOffered();
  const [open, setOpen] = useState(false);
  if (!bundle.answers || bundle.signOff.signed) return null;
  const firstName = bundle.client.name.split(/\s+/)[0];
  const grave = offered.filter((offeredAnswer) => offeredAnswer.grave);
  return (
    <aside
      aria-label="Answers of the client"
      className="mb-5 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-ui border border-leaf bg-leaf-pale px-4 py-3"
    >
      <p className="min-w-0 flex-1">
        <b>{firstName} answered at home</b>,{' '}
        {bundle.answers.sentAt
          ? `sent ${calendar.moment(bundle.answers.sentAt)}`
          : `not sent yet, last ${calendar.moment(bundle.answers.changedAt)}`}
        .{' '}
        {offered.length === 0
          ? 'All of it is in the consultation.'
          : `${offered.length} ${offered.length === 1 ? 'answer is' : 'answers are'} not in the consultation yet.`}
        {grave.length > 0 && (
          <span className="block font-semibold text-rowan">
            {grave.map(({ name, theirs }) => `${name}: ${theirs}`).join('. ')}.
          </span>
        )}
      </p>
      <Button look="primary" onClick={() => setOpen(true)}>
        Go through them
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title={`What ${firstName} answered`} middle>
        {open && <GoThrough onDone={() => setOpen(false)} />}
      </Dialog>
    </aside>
  );
}

function useOffered() {
  const { bundle, consult } = useVisit();
  const calendar = useCalendar();
  const money = useMoney();
  return bundle.answers
    ? offeredAnswers(bundle.answers.document, consult, { money, day: (on) => calendar.day(on) })
    : [];
}

function GoThrough({ onDone }: { onDone(): void }) {
  const { bundle, editConsult, reload } = useVisit();
  const offered = useOffered();
  const [left, setLeft] = useState<readonly AnswerKey[]>([]);
  const [problem, setProblem] = useState<string>();
  const taken = offered.filter(({ key }) => !left.includes(key));
  const { answers } = bundle;
  if (!answers) return null;
  const settle = async (words: string) => {
    const answer = await settleTheirAnswers(bundle.client.id, answers.id, words).catch(() => ({
      ok: false as const,
      problem: 'No network: the answers stay until it is back.',
    }));
    if (!answer.ok) return setProblem(answer.problem);
    await reload();
    onDone();
  };
  const takeOver = () => {
    editConsult(
      'what the client answered',
      (consult) =>
        withAnswers(
          consult,
          answers.document,
          taken.map(({ key }) => key),
        ),
      crypto.randomUUID(),
    );
    void settle(taken.map(({ name }) => name.toLowerCase()).join(', '));
  };
  return (
    <div className="grid gap-4">
      {offered.length === 0 ? (
        <p>All of it is in the consultation.</p>
      ) : (
        <ul className="grid divide-y divide-line">
          {offered.map(({ key, name, theirs, now, grave }) => (
            <li key={key}>
              <label className="grid min-h-11 grid-cols-[1.5rem_8.5rem_minmax(0,1fr)] items-baseline gap-x-3 py-2">
                <input
                  type="checkbox"
                  className="size-5 self-center accent-leaf"
                  checked={!left.includes(key)}
                  onChange={(event) =>
                    setLeft(event.target.checked ? left.filter((own) => own !== key) : [...left, key])
                  }
                />
                <span className="text-sm text-ink-soft">{name}</span>
                <span>
                  <b className={grave ? 'text-rowan' : ''}>{theirs}</b>
                  {now !== '–' && (
                    <span className="block text-sm text-ink-soft">in the consultation: {now}</span>
                  )}
                </span>
              </label>
            </li>
          ))}
        </ul>
      )}
      <p className="text-sm text-ink-soft">
        What the client says of their hair and their health is checked with them at the chair. Taking it over
        can be undone.
      </p>
      {problem && (
        <p role="alert" className="font-semibold text-rowan">
          {problem}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {offered.length > 0 && (
          <Button server look="primary" disabled={taken.length === 0} onClick={takeOver}>
            {taken.length === offered.length
              ? 'Take all over'
              : `Take ${taken.length} of ${offered.length} over`}
          </Button>
        )}
        <Button server onClick={() => void settle('')}>
          {offered.length > 0 ? 'Leave them all' : 'Done'}
        </Button>
      </div>
    </div>
  );
}
