'use client';

import { useState } from 'react';
import type { ConsentKind } from '@/core/visit';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { CONSENT_WORDS } from '../safety/words';
import { OWN_CONSENTS } from './types';

interface OwnConsentsProps {
  secret: string;
  name: string;
  consented: readonly ConsentKind[];
}

/**
 * What the client may sign at home, with their typed name. At the salon it is signed by pen, and withdrawn
 * whenever they say so.
 */
export function OwnConsents({ secret, name, consented }: OwnConsentsProps) {
  const [given, setGiven] = useState(consented);
  const [signing, setSigning] = useState<ConsentKind>();
  const [signedName, setSignedName] = useState(name);
  const [problem, setProblem] = useState<string>();
  const sign = async (kind: ConsentKind) => {
    try {
      const response = await fetch(`/api/p/${secret}/consents`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ kind, signedName }),
      });
      const answer = (await response.json()) as { ok: boolean; problem?: string };
      setProblem(answer.ok ? undefined : answer.problem);
      if (!answer.ok) return;
      setGiven((before) => [...before, kind]);
      setSigning(undefined);
    } catch {
      setProblem('No network: try again when it is back.');
    }
  };
  return (
    <ul className="grid gap-3">
      {OWN_CONSENTS.map((kind) => (
        <li key={kind} className="grid gap-2 border-t border-line pt-3 first:border-t-0 first:pt-0">
          <div className="flex items-center justify-between gap-3">
            <b>{CONSENT_WORDS[kind].name}</b>
            {given.includes(kind) ? (
              <span className="font-semibold text-leaf">Signed</span>
            ) : (
              signing !== kind && (
                <Button
                  small
                  aria-label={`Read and sign: ${CONSENT_WORDS[kind].name}`}
                  onClick={() => setSigning(kind)}
                >
                  Read and sign
                </Button>
              )
            )}
          </div>
          {signing === kind && (
            <div className="grid gap-3">
              <p>{CONSENT_WORDS[kind].words}</p>
              <TextField
                label="Your full name"
                value={signedName}
                autoComplete="name"
                onChange={(event) => setSignedName(event.target.value)}
                problem={problem}
              />
              <div className="flex gap-2">
                <Button look="primary" onClick={() => void sign(kind)}>
                  Sign
                </Button>
                <Button look="quiet" onClick={() => setSigning(undefined)}>
                  Not now
                </Button>
              </div>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
