'use client';

import { useMemo } from 'react';
import { findAgain, linesOf, listWords, repeatLines } from '@/core/record';
import { buttonLook } from '@/ui/button-look';
import { Dialog } from '@/ui/dialog';
import { useSaid } from '@/ui/measures';
import { useUnits } from '../house/context';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';
import { useServed } from './planned-done';

/**
 * How the pattern is found again on this head: measured from the hairline, panel by panel, to read and to
 * print.
 */
export function FindAgainDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Find the pattern again" wide>
      {open && <Guide />}
    </Dialog>
  );
}

function Guide() {
  const { bundle, plan, computed, mix, outcome } = useVisit();
  const { work, after } = useComputed();
  const served = useServed() ?? null;
  const { unit } = useUnits();
  const say = useSaid();
  const guides = useMemo(() => findAgain(plan, computed, work, unit), [plan, computed, work, unit]);
  const repeat = useMemo(
    () => repeatLines({ mix, work, after, served, record: outcome?.document ?? null, say }),
    [mix, work, after, served, outcome, say],
  );
  return (
    <>
      <div className="mb-4 flex items-center justify-between gap-4">
        <p className="text-base text-ink-soft">
          Lengths over the skin: from the hairline straight up towards the top of the head, and across from
          the middle line.
        </p>
        <a
          href={`/visits/${bundle.id}/sheet/again.pdf`}
          target="_blank"
          rel="noreferrer"
          className={`${buttonLook('plain')} shrink-0`}
        >
          Print, PDF
        </a>
      </div>
      {guides.length === 0 && <p className="text-ink-soft">The pattern has no foils.</p>}
      <ol aria-label="Panels in the order of work" className="grid gap-3 md:grid-cols-2">
        {guides.map((guide) => (
          <li key={guide.panel} className="card p-4">
            <p className="flex items-baseline justify-between gap-3">
              <b className="text-lg">
                {guide.place}. {guide.name}
              </b>
              <span className="text-base font-semibold">
                {guide.foils} foils, {guide.sequence}
              </span>
            </p>
            {linesOf(guide).map((line, i) => (
              <p
                key={line}
                className={`mt-1 text-base ${i === linesOf(guide).length - 1 ? 'text-ink-soft' : ''}`}
              >
                {line}
              </p>
            ))}
            <details className="mt-2 text-sm">
              <summary className="cursor-pointer font-semibold">Foils and their widths</summary>
              <p className="mt-1 text-ink-soft">{listWords(guide, unit)}</p>
            </details>
          </li>
        ))}
      </ol>
      {repeat.length > 0 && (
        <ul aria-label="To repeat it" className="mt-4 grid gap-1 border-t border-line pt-3 text-base">
          {repeat.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </>
  );
}
