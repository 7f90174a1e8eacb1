'use client';

import clsx from 'clsx';
import { useState } from 'react';
import type { Caution } from '@/core/caution';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { Dialog } from '@/ui/dialog';
import { WarnIcon } from '@/ui/icons';
import { useVisit } from '../visit/store';
import { BeginDialog } from './begin-dialog';
import { useCautions } from './use-cautions';

/** The cautions of the visit, on every step; a press shows what each asks. */
export function CautionBar() {
  const { bundle } = useVisit();
  const { cautions, open } = useCautions();
  const [shown, show] = useState(false);
  const stops = open.filter(({ weight }) => weight === 'stop');
  const begun = bundle.begunAt !== null;
  if (cautions.length === 0) return null;
  return (
    <section
      aria-label="Cautions"
      className={clsx(
        'private flex min-h-10 shrink-0 items-center gap-3 border-b border-line px-4 py-1',
        stops.length > 0 ? 'bg-rowan-pale' : 'bg-amber-pale',
      )}
    >
      <span className={stops.length > 0 ? 'text-rowan' : 'text-amber-bark'}>
        <WarnIcon />
      </span>
      <ul className="flex min-w-0 flex-1 flex-wrap gap-x-5 gap-y-0.5 text-sm">
        {cautions.slice(0, 4).map((caution) => (
          <li key={caution.key}>
            <CautionLine caution={caution} open={open.includes(caution)} />
          </li>
        ))}
        {cautions.length > 4 && <li className="text-ink-soft">and {cautions.length - 4} more</li>}
      </ul>
      <Button small look={begun ? 'plain' : open.length > 0 ? 'plain' : 'primary'} onClick={() => show(true)}>
        {begun ? 'Cautions' : open.length > 0 ? `Before you begin: ${open.length} open` : 'Begin the service'}
      </Button>
      <Dialog open={shown} onOpenChange={show} title={begun ? 'Cautions' : 'Before you begin'} middle>
        <BeginDialog onDone={() => show(false)} />
      </Dialog>
    </section>
  );
}

/** One caution in a line; a stop says so in words, not by colour alone. */
export function CautionLine({ caution: { weight, seen }, open }: { caution: Caution; open: boolean }) {
  const said = useSaid();
  return (
    <span
      className={
        weight === 'stop' ? 'font-bold text-rowan' : open ? 'font-semibold text-amber-bark' : 'text-ink-soft'
      }
    >
      {weight === 'stop' && 'Stop: '}
      {said(seen)}
      {weight === 'reason' && !open && ' Reason given.'}
    </span>
  );
}
