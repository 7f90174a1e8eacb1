'use client';

import { useState, useTransition } from 'react';
import type { Result } from '@/core/units';
import { CONSENT_KINDS, type ConsentKind } from '@/core/visit';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { TextField } from '@/ui/field';
import { useCalendar } from '../house/calendar';
import { useVisit } from '../visit/store';
import { takeConsent, takeConsentBack } from './actions';
import { SignaturePad, SignatureDrawing, type Strokes } from './signature';
import { CONSENT_WORDS } from './words';

/** The client's consents, and signing a new one on this screen. */
export function Consents() {
  const calendar = useCalendar();
  const { bundle, reload } = useVisit();
  const [signing, sign] = useState<ConsentKind>();
  const [problem, setProblem] = useState<string>();
  const [, start] = useTransition();
  const run = (work: () => Promise<Result>, then: () => void = () => undefined) =>
    start(async () => {
      const answer = await work();
      setProblem(answer.ok ? undefined : answer.problem);
      if (answer.ok) then();
      await reload();
    });
  return (
    <div className="grid gap-3">
      <ul className="grid gap-1">
        {bundle.safety.consents.map(({ id, kind, signedName, signature, givenAt, withdrawnAt }) => (
          <li
            key={id}
            className="flex items-center gap-3 rounded-ui border border-line bg-raised px-3 py-1.5"
          >
            <span className="w-24 text-sm text-ink-soft">{calendar.dayOf(givenAt)}</span>
            <b className={withdrawnAt ? 'line-through' : ''}>{CONSENT_WORDS[kind].name}</b>
            <span className="flex-1 text-sm text-ink-soft">
              signed {signedName}
              {withdrawnAt && `, withdrawn ${calendar.dayOf(withdrawnAt)}`}
            </span>
            {signature.length > 0 && <SignatureDrawing strokes={signature} />}
            {!withdrawnAt && (
              <Button
                server
                small
                look="quiet"
                aria-label={`Withdraw: ${CONSENT_WORDS[kind].name}`}
                onClick={() => run(() => takeConsentBack(id))}
              >
                Withdraw
              </Button>
            )}
          </li>
        ))}
      </ul>
      <div className="flex gap-2">
        {CONSENT_KINDS.map((kind) => (
          <Button key={kind} small onClick={() => sign(kind)}>
            Sign: {CONSENT_WORDS[kind].name.toLowerCase()}
          </Button>
        ))}
      </div>
      {problem && !signing && (
        <p role="alert" className="text-sm font-semibold text-rowan">
          {problem}
        </p>
      )}
      <Dialog
        open={signing !== undefined}
        onOpenChange={() => sign(undefined)}
        title={signing ? CONSENT_WORDS[signing].name : ''}
        middle
      >
        {signing && (
          <SignForm
            kind={signing}
            problem={problem}
            onSign={(fields) =>
              run(
                () => takeConsent(bundle.client.id, { kind: signing, ...fields }),
                () => sign(undefined),
              )
            }
          />
        )}
      </Dialog>
    </div>
  );
}

function SignForm({
  kind,
  problem,
  onSign,
}: {
  kind: ConsentKind;
  problem?: string;
  onSign(fields: { signedName: string; signature: Strokes }): void;
}) {
  const { bundle } = useVisit();
  const [name, setName] = useState(kind === 'guardian' ? '' : bundle.client.name);
  const [strokes, setStrokes] = useState<Strokes>([]);
  return (
    <AskingForm
      name="consent"
      className="grid gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onSign({ signedName: name, signature: strokes });
      }}
    >
      <p className="text-md">{CONSENT_WORDS[kind].words}</p>
      <TextField
        label="Name of who signs"
        value={name}
        onChange={(event) => setName(event.target.value)}
        problem={problem}
        autoComplete="off"
      />
      <SignaturePad strokes={strokes} onChange={setStrokes} />
      <p className="text-sm text-ink-soft">Without a pen the typed name stands as the signature.</p>
      <Button server type="submit" look="primary">
        Sign
      </Button>
    </AskingForm>
  );
}
