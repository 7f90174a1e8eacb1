'use client';

import { useState } from 'react';
import { differencesOf, type Import } from '@/core/formats';
import { Button } from '@/ui/button';
import { RowProblems, SEPARATOR_WORDS } from '../row-problems';
import { factsOf } from './facts';

interface ImportPreviewProps {
  preview: Import;
  busy: boolean;
  nameOf(id: string): string;
  /** @returns what is wrong */
  onTake(): Promise<string | undefined>;
}

/** What an imported table adds and changes, and the rows that cannot be taken, before anything is written. */
export function ImportPreview({ preview, busy, nameOf, onTake }: ImportPreviewProps) {
  const [problem, setProblem] = useState<string>();
  const { added, changed, same, problems, separator, decimalComma } = preview;
  const nothing = added.length + changed.length === 0;
  return (
    <div className="grid gap-4">
      <p className="text-base text-ink-soft">
        Read with {SEPARATOR_WORDS[separator] ?? separator} between columns and a decimal{' '}
        {decimalComma ? 'comma' : 'point'}. {added.length} added, {changed.length} changed, {same} as they
        are; products that the table does not name stay.
      </p>
      <RowProblems problems={problems} />
      {added.length > 0 && (
        <section aria-label="Added">
          <h3 className="font-semibold">Added</h3>
          <ul className="grid max-h-48 gap-0.5 overflow-y-auto text-base">
            {added.map((product) => (
              <li key={product.id}>
                <b>{product.name}</b> <span className="text-ink-soft">{factsOf(product, nameOf)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {changed.length > 0 && (
        <section aria-label="Changed">
          <h3 className="font-semibold">Changed</h3>
          <ul className="grid max-h-64 gap-0.5 overflow-y-auto text-base">
            {changed.map(({ before, after }) => (
              <li key={after.id}>
                <b>{after.name}:</b>{' '}
                <span className="text-ink-soft">
                  {differencesOf(before, after)
                    .map(({ where, mine, theirs }) => `${where} ${mine} → ${theirs}`)
                    .join(', ')}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {nothing && problems.length === 0 && <p className="text-base">The house has all of this already.</p>}
      {problem && (
        <p role="alert" className="text-base font-semibold text-rowan">
          {problem}
        </p>
      )}
      <div className="flex justify-end">
        <Button
          look="primary"
          disabled={busy || nothing || problems.length > 0}
          onClick={() => void onTake().then(setProblem)}
        >
          Import the table
        </Button>
      </div>
    </div>
  );
}
