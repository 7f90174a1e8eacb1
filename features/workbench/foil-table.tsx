'use client';

import { useState, type RefObject } from 'react';
import { readFoilsCsv, type FoilsImport } from '@/core/formats';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { RowProblems, SEPARATOR_WORDS } from '../row-problems';
import { textOfFile } from '../text-of-file';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

/**
 * A table of foils is taken into the pattern: a preview first, then one edit that can be undone.
 * @param input what a file is chosen with
 */
export function FoilTable({ input }: { input: RefObject<HTMLInputElement | null> }) {
  const { plan, computed, editPlan } = useVisit();
  const { work } = useComputed();
  const [text, setText] = useState<string>();
  const read = text === undefined ? undefined : readFoilsCsv(text, plan, computed.sheet, work.units);
  return (
    <>
      <input
        ref={input}
        type="file"
        aria-label="Table of foils"
        accept=".csv,.tsv,.txt,text/csv"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void textOfFile(file).then(setText);
          event.target.value = '';
        }}
      />
      <Dialog
        open={read !== undefined}
        onOpenChange={() => setText(undefined)}
        title={read?.ok === false ? 'The table cannot be read' : 'What the table would change'}
        middle
      >
        {read &&
          (read.ok ? (
            <Preview
              {...read.value}
              onTake={() => {
                editPlan(`table of foils, ${read.value.changes.length} changed`, () => read.value.plan);
                setText(undefined);
              }}
            />
          ) : (
            <p role="alert" className="text-base">
              {read.problem}
            </p>
          ))}
      </Dialog>
    </>
  );
}

function Preview({ changes, same, problems, separator, onTake }: FoilsImport & { onTake(): void }) {
  return (
    <div className="grid gap-4">
      <p className="text-base text-ink-soft">
        Read with {SEPARATOR_WORDS[separator] ?? separator} between columns. {changes.length} changed, {same}{' '}
        as they are; foils that the table does not name stay.
      </p>
      <RowProblems problems={problems} />
      {changes.length > 0 && (
        <section aria-label="Changed">
          <h3 className="font-semibold">Changed</h3>
          <ul className="grid max-h-64 gap-0.5 overflow-y-auto text-base">
            {changes.map(({ id, order, words }) => (
              <li key={id}>
                <b>{order}</b> <span className="text-ink-soft">{id}</span> {words.join(', ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="flex justify-end">
        <Button look="primary" disabled={problems.length > 0 || changes.length === 0} onClick={onTake}>
          Import the table
        </Button>
      </div>
    </div>
  );
}
