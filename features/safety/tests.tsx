'use client';

import { useState, useTransition } from 'react';
import { EMPTY_TEST } from '@/core/formats';
import { formatLevel, type Result } from '@/core/units';
import type { TestDocument } from '@/core/visit';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { NumberField } from '@/ui/number-field';
import { Segmented } from '@/ui/segmented';
import { LevelSlider } from '../consult/level-slider';
import { readFigure, readWhole } from '../consult/read-figures';
import { useCalendar } from '../house/calendar';
import { useVisit } from '../visit/store';
import { recordTest, setTestResult } from './actions';
import type { KeptTest } from './queries';
import { RESULT_WORDS } from './words';

const KINDS = [
  { value: 'alert', words: 'Alert test' },
  { value: 'strand', words: 'Strand test' },
] as const;
const RESULTS = {
  alert: [
    { value: 'waiting', words: 'Not read yet' },
    { value: 'clear', words: 'Clear' },
    { value: 'reaction', words: 'Reaction' },
  ],
  strand: [
    { value: 'waiting', words: 'Not read yet' },
    { value: 'passed', words: 'Passed' },
    { value: 'failed', words: 'Failed' },
  ],
} as const;

/** The client's tests, newest first, and a way to write one down. */
export function Tests() {
  const calendar = useCalendar();
  const { bundle, reload } = useVisit();
  const [problem, setProblem] = useState<string>();
  const [, start] = useTransition();
  const run = (work: () => Promise<Result>) =>
    start(async () => {
      const answer = await work();
      setProblem(answer.ok ? undefined : answer.problem);
      await reload();
    });
  return (
    <div className="grid gap-3">
      <ul className="grid gap-1">
        {bundle.safety.tests.map((test) => (
          <li
            key={test.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 rounded-ui border border-line bg-raised px-3 py-1.5"
          >
            <span className="w-24 text-sm text-ink-soft">{calendar.day(test.onDay)}</span>
            <b>{test.kind === 'alert' ? 'Alert test' : 'Strand test'}</b>
            <span className="flex-1 text-sm text-ink-soft">{sayTest(test)}</span>
            {test.result ? (
              <b
                className={
                  test.result === 'reaction' || test.result === 'failed' ? 'text-rowan' : 'text-leaf'
                }
              >
                {RESULT_WORDS[test.result]}
              </b>
            ) : (
              RESULTS[test.kind].slice(1).map(({ value, words }) => (
                <Button key={value} server small onClick={() => run(() => setTestResult(test.id, value))}>
                  {words}
                </Button>
              ))
            )}
          </li>
        ))}
        {bundle.safety.tests.length === 0 && <li className="text-ink-soft">No test on record.</li>}
      </ul>
      {problem && (
        <p role="alert" className="text-sm font-semibold text-rowan">
          {problem}
        </p>
      )}
      <NewTest
        key={bundle.safety.tests.length}
        onAdd={(fields) => run(() => recordTest(bundle.client.id, fields))}
      />
    </div>
  );
}

function sayTest({ document, notedBy }: KeptTest): string {
  const { product, volume, minutes, fromLevel, level, note } = document;
  return [
    product,
    volume !== null && `${volume} vol`,
    minutes !== null && `${minutes} min`,
    level !== null &&
      (fromLevel !== null
        ? `level ${formatLevel(fromLevel)} → ${formatLevel(level)}`
        : `level ${formatLevel(level)}`),
    note,
    notedBy,
  ]
    .filter(Boolean)
    .join(' · ');
}

function NewTest({
  onAdd,
}: {
  onAdd(fields: {
    kind: 'alert' | 'strand';
    onDay: string;
    result: string | null;
    document: TestDocument;
  }): void;
}) {
  const { bundle, consult } = useVisit();
  const [kind, setKind] = useState<'alert' | 'strand'>('alert');
  const [onDay, setOnDay] = useState(bundle.heldOn);
  const [result, setResult] = useState<string>('waiting');
  const [document, setDocument] = useState<TestDocument>(EMPTY_TEST);
  const set = (part: Partial<TestDocument>) => setDocument((before) => ({ ...before, ...part }));
  return (
    <div className="grid grid-cols-2 items-end gap-x-4 gap-y-3 rounded-ui border border-line p-3">
      <Segmented
        label="Kind of test"
        value={kind}
        options={KINDS}
        onChange={(next) => {
          setKind(next);
          setResult('waiting');
        }}
      />
      <TextField
        label="Put on"
        type="date"
        max={bundle.heldOn}
        value={onDay}
        onChange={(event) => setOnDay(event.target.value)}
      />
      <TextField
        label="Product or mix"
        value={document.product}
        maxLength={120}
        onChange={(event) => set({ product: event.target.value })}
      />
      <Segmented label="Result" value={result} options={RESULTS[kind]} onChange={setResult} />
      {kind === 'strand' && (
        <>
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label="Developer"
              unit="vol"
              min={0}
              max={40}
              value={document.volume ?? undefined}
              parse={readFigure}
              onChange={(volume) => set({ volume: volume ?? null })}
            />
            <NumberField
              label="Read after"
              unit="min"
              min={1}
              max={180}
              value={document.minutes ?? undefined}
              parse={readWhole}
              onChange={(minutes) => set({ minutes: minutes ?? null })}
            />
          </div>
          <LevelSlider
            label="Level reached in the test"
            value={document.level ?? consult.naturalLevel}
            onChange={(level) => set({ level, fromLevel: consult.naturalLevel })}
          />
        </>
      )}
      <TextField
        label="What else was seen"
        value={document.note}
        maxLength={500}
        onChange={(event) => set({ note: event.target.value })}
      />
      <Button
        server
        onClick={() => onAdd({ kind, onDay, result: result === 'waiting' ? null : result, document })}
      >
        Save the test
      </Button>
    </div>
  );
}
