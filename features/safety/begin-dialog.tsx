'use client';

import clsx from 'clsx';
import { useState, useTransition } from 'react';
import type { Caution } from '@/core/caution';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { useVisit } from '../visit/store';
import { beginService, explainCaution } from './actions';
import { useCautions } from './use-cautions';
import { USUAL_REASONS } from './words';

/**
 * What stands before the first foil: each caution with what it asks, and the beginning once nothing is open.
 */
export function BeginDialog({ onDone }: { onDone(): void }) {
  const { bundle, flush, reload } = useVisit();
  const { cautions, open } = useCautions();
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const begun = bundle.begunAt !== null;
  const begin = () =>
    start(async () => {
      // The server decides by what is saved, so everything is saved first.
      await flush();
      const answer = await beginService(bundle.id);
      await reload();
      if (answer.ok) onDone();
      else setProblem(answer.problem);
    });
  return (
    <div className="grid gap-4">
      <p className="text-base text-ink-soft">
        Cautions are estimates of what matters. The product’s leaflet, local rules and your licensed judgement
        come first.
      </p>
      <ul className="grid gap-3">
        {cautions.map((caution) => (
          <CautionCard key={caution.key} caution={caution} open={open.includes(caution)} />
        ))}
        {cautions.length === 0 && <li className="text-ink-soft">Nothing asks for a reason.</li>}
      </ul>
      {problem && (
        <p role="alert" className="rounded-ui bg-rowan-pale p-3 font-semibold text-rowan">
          {problem}
        </p>
      )}
      {!begun && (
        <Button server look="primary" disabled={busy || open.length > 0} onClick={begin}>
          Begin the service
        </Button>
      )}
    </div>
  );
}

function CautionCard({ caution, open }: { caution: Caution; open: boolean }) {
  const { bundle } = useVisit();
  const stop = caution.weight === 'stop';
  const given = bundle.safety.reasons.filter((reason) => reason.caution === caution.key).at(-1);
  return (
    <li
      className={clsx(
        'grid gap-2 rounded-ui border p-3',
        stop ? 'border-rowan bg-rowan-pale' : open ? 'border-amber-bark' : 'border-line',
      )}
    >
      <div>
        <h3 className={clsx('text-md font-semibold', stop ? 'text-rowan' : open && 'text-amber-bark')}>
          {stop && 'Stop: '}
          {caution.seen}
        </h3>
        <p className="text-sm text-ink-soft">{caution.why}</p>
      </div>
      {caution.weight === 'reason' && given && (
        <p className="text-sm">
          <b>{given.givenBy}:</b> {given.reason}
        </p>
      )}
      {caution.weight === 'reason' && !given && <ReasonForm caution={caution} />}
    </li>
  );
}

function ReasonForm({ caution }: { caution: Caution }) {
  const { bundle, flush, reload } = useVisit();
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, start] = useTransition();
  const keep = () =>
    start(async () => {
      await flush();
      const answer = await explainCaution(bundle.id, caution.key, reason);
      setProblem(answer.ok ? undefined : answer.problem);
      await reload();
    });
  return (
    <form
      className="grid gap-2"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <div className="flex flex-wrap gap-2">
        {USUAL_REASONS[caution.key]?.map((usual) => (
          <Button key={usual} small onClick={() => setReason(usual)}>
            {usual}
          </Button>
        ))}
      </div>
      <div className="grid grid-cols-[1fr_auto] items-end gap-2">
        <TextField
          label={`Reason: ${caution.seen}`}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          problem={problem}
          maxLength={1000}
        />
        <Button server type="submit" disabled={busy}>
          Save
        </Button>
      </div>
    </form>
  );
}
