'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import {
  CLIENT_COLUMNS,
  CLIENT_FIELDS,
  type ClientColumn,
  type ClientColumns,
  type ClientsImport,
} from '@/core/formats';
import { capital } from '@/core/units';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { Menu } from '@/ui/menu';
import { Select } from '@/ui/select';
import { download } from '../download';
import { RowProblems, SEPARATOR_WORDS } from '../row-problems';
import { megabytes, MOST_BYTES } from '../limits';
import { textOfFile } from '../text-of-file';
import { previewClients, takeClients } from './actions';

interface Looked {
  readonly text: string;
  readonly preview: ClientsImport;
}

/** Clients as a table: out for a spreadsheet, and in, looked at before anything is written. */
export function ClientTables() {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [looked, setLooked] = useState<Looked>();
  const [problem, setProblem] = useState<string>();
  const look = async (file: File) => {
    if (file.size > MOST_BYTES.table)
      return setProblem(
        `${file.name} has ${megabytes(file.size)}; a table of clients may have ${megabytes(MOST_BYTES.table)}.`,
      );
    const text = await textOfFile(file);
    const answer = await previewClients(text).catch(
      () => ({ ok: false, problem: 'No connection: the table was not read.' }) as const,
    );
    setProblem(answer.ok ? undefined : `${file.name}: ${answer.problem}`);
    if (answer.ok) setLooked({ text, preview: answer.value });
  };
  return (
    <>
      <Menu
        label="Clients as a table"
        trigger="Table …"
        className="h-10 rounded-ui border border-edge bg-field px-4 text-base font-semibold hover:border-ink"
        items={[
          { words: 'Export clients, CSV', choose: () => download('/api/clients/table') },
          { words: 'Import a table', hint: 'with a preview', choose: () => input.current?.click() },
        ]}
      />
      <input
        ref={input}
        type="file"
        aria-label="Table of clients"
        accept=".csv,.tsv,.txt,text/csv"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void look(file);
          event.target.value = '';
        }}
      />
      <Dialog
        open={problem !== undefined}
        onOpenChange={() => setProblem(undefined)}
        title="The table cannot be read"
      >
        <p role="alert" className="text-base">
          {problem}
        </p>
      </Dialog>
      <Dialog
        open={looked !== undefined}
        onOpenChange={(open) => !open && setLooked(undefined)}
        title="What the table would change"
        middle
      >
        {looked && (
          <Preview
            {...looked}
            onLooked={setLooked}
            onTaken={() => {
              setLooked(undefined);
              router.refresh();
            }}
          />
        )}
      </Dialog>
    </>
  );
}

const COLUMN_WORDS: Readonly<Record<ClientColumn, string>> = {
  name: 'Name',
  'first name': 'First name',
  'last name': 'Last name',
  phone: 'Phone',
  email: 'E-mail',
  birthday: 'Birthday',
  note: 'Note',
  id: 'Id of this salon',
};
const NONE = 'none';

/** Which column of the table is which: guessed by the headings, and chosen where that is wrong. */
function ColumnChoice({
  heading,
  samples,
  columns,
  onChoose,
}: Pick<ClientsImport, 'heading' | 'samples' | 'columns'> & { onChoose(columns: ClientColumns): void }) {
  const [shown, show] = useState(columns.name === undefined && columns['first name'] === undefined);
  const options = [
    { value: NONE, words: 'none' },
    ...heading.map((name, i) => ({
      value: String(i),
      words: `${name || `Column ${i + 1}`}${samples[i] ? `: ${samples[i].slice(0, 24)}` : ''}`,
    })),
  ];
  const left = heading.filter((name, i) => name !== '' && !Object.values(columns).includes(i));
  return (
    <details open={shown} onToggle={(event) => show(event.currentTarget.open)}>
      <summary className="cursor-pointer text-base font-semibold">
        Columns
        {left.length > 0 && (
          <span className="font-normal text-ink-soft">; not read: {left.map(capital).join(', ')}</span>
        )}
      </summary>
      <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-4">
        {CLIENT_COLUMNS.map((column) => (
          <Select
            key={column}
            label={COLUMN_WORDS[column]}
            value={String(columns[column] ?? NONE)}
            options={options}
            onChange={(at) =>
              onChoose(
                Object.fromEntries(
                  Object.entries({ ...columns, [column]: at === NONE ? undefined : Number(at) }).filter(
                    ([, own]) => own !== undefined,
                  ),
                ),
              )
            }
          />
        ))}
      </div>
    </details>
  );
}

function Preview({
  text,
  preview,
  onLooked,
  onTaken,
}: Looked & { onLooked(looked: Looked): void; onTaken(): void }) {
  const { added, changed, same, problems, separator, columns } = preview;
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const choose = async (next: ClientColumns) => {
    setBusy(true);
    const answer = await previewClients(text, next).catch(
      () => ({ ok: false, problem: 'No connection: the table was not read.' }) as const,
    );
    setBusy(false);
    setProblem(answer.ok ? undefined : answer.problem);
    if (answer.ok) onLooked({ text, preview: answer.value });
  };
  const take = async () => {
    setBusy(true);
    const answer = await takeClients(text, columns).catch(
      () => ({ ok: false, problem: 'No connection: nothing was taken. Try again when it is back.' }) as const,
    );
    setBusy(false);
    if (answer.ok) onTaken();
    else setProblem(answer.problem);
  };
  return (
    <div className="grid gap-4">
      <p className="text-base text-ink-soft">
        Read with {SEPARATOR_WORDS[separator] ?? separator} between columns. {added.length} added,{' '}
        {changed.length} changed, {same} as they are; clients that the table does not name stay.
      </p>
      <ColumnChoice {...preview} onChoose={(next) => void choose(next)} />
      <RowProblems problems={problems} />
      {added.length > 0 && (
        <section aria-label="Added">
          <h3 className="font-semibold">Added</h3>
          <ul className="grid max-h-48 gap-0.5 overflow-y-auto text-base">
            {added.map(({ name, phone }, i) => (
              <li key={i}>
                <b>{name}</b> <span className="text-ink-soft">{phone}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {changed.length > 0 && (
        <section aria-label="Changed">
          <h3 className="font-semibold">Changed</h3>
          <ul className="grid max-h-48 gap-0.5 overflow-y-auto text-base">
            {changed.map(({ before, after }) => (
              <li key={before.id}>
                <b>{before.name}:</b>{' '}
                <span className="text-ink-soft">
                  {CLIENT_FIELDS.filter((key) => before[key] !== after[key])
                    .map((key) => `${before[key] || 'none'} → ${after[key] || 'none'}`)
                    .join(', ')}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {problem && (
        <p role="alert" className="text-base font-semibold text-rowan">
          {problem}
        </p>
      )}
      <div className="flex justify-end">
        <Button
          look="primary"
          disabled={busy || problems.length > 0 || added.length + changed.length === 0}
          onClick={() => void take()}
        >
          Import the table
        </Button>
      </div>
    </div>
  );
}
