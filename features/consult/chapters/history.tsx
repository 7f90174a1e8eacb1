'use client';

import { keysOf } from '@/core/units';
import { useState } from 'react';
import { SERVICES, type HistoryEntry, type Service } from '@/core/visit';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { PlusIcon } from '@/ui/icons';
import { Select } from '@/ui/select';
import { useCalendar } from '../../house/calendar';
import { sayDistance } from '../../shared';
import { useComputed } from '../../visit/computed';
import { useVisit } from '../../visit/store';
import { Choice, Questions } from '../question';
import { useAnswers } from '../use-answers';
import { Entry } from './entry';

const SERVICE_WORDS: Record<Service, string> = {
  lightener: 'Lightener',
  permanent: 'Permanent colour',
  demi: 'Demi colour',
  toner: 'Toner',
  metallic: 'Metal-salt dye',
  plant: 'Plant dye',
  smoothing: 'Smoothing',
  perm: 'Perm',
  other: 'Something else',
};
const WHERE_WORDS = { here: 'Here', elsewhere: 'Elsewhere', home: 'At home' } as const;
const SERVICE_OPTIONS = SERVICES.map((value) => ({ value, words: SERVICE_WORDS[value] }));
const WHERE_OPTIONS = keysOf(WHERE_WORDS).map((value) => ({
  value,
  words: WHERE_WORDS[value],
}));
const EXTENSIONS = [
  { value: 'none', words: 'None' },
  { value: 'worn', words: 'Worn now' },
  { value: 'planned', words: 'To be added' },
] as const;

/** What was done before, what is coming up, and extensions. */
export function HistoryChapter() {
  const calendar = useCalendar();
  const { consult, set } = useAnswers();
  const { bundle } = useVisit();
  const { growth } = useComputed();
  const measured = Object.values(consult.regrowthMm).sort((a, b) => a - b);
  const grown = measured[measured.length >> 1];
  return (
    <div className="grid gap-6">
      <Questions title="What was done, where, when">
        {bundle.previous && (
          <p className="text-base text-ink-soft">
            On record here: {calendar.day(bundle.previous.heldOn)},{' '}
            {sayDistance(bundle.previous.heldOn, bundle.heldOn)}. Trust the record over memory.
          </p>
        )}
        {grown !== undefined && (
          <p className="text-base text-ink-soft">
            By the regrowth: {grown} mm at this client’s rate are about{' '}
            {Math.round(grown / growth.rate.mmPerWeek)} weeks.
          </p>
        )}
        <ul className="grid gap-1">
          {consult.history.map((entry, i) => (
            <Entry
              key={`${entry.on}${i}`}
              what={`${SERVICE_WORDS[entry.what]} of ${calendar.day(entry.on)}`}
              onRemove={() =>
                set('history', { history: consult.history.filter((historyEntry) => historyEntry !== entry) })
              }
            >
              <span className="w-28 text-sm text-ink-soft">{calendar.day(entry.on)}</span>
              <span className="flex-1">
                <b>{SERVICE_WORDS[entry.what]}</b>, {WHERE_WORDS[entry.where].toLowerCase()}
                {entry.note && <span className="text-ink-soft"> · {entry.note}</span>}
              </span>
            </Entry>
          ))}
        </ul>
        <AddHistory
          heldOn={bundle.heldOn}
          onAdd={(entry) =>
            set('history', { history: [...consult.history, entry].sort((a, b) => (a.on < b.on ? 1 : -1)) })
          }
        />
      </Questions>
      <Questions title="Occasions">
        <ul className="grid gap-1">
          {consult.occasions.map((occasion, i) => (
            <Entry
              key={`${occasion.what}${i}`}
              what={occasion.what}
              onRemove={() =>
                set('occasions', { occasions: consult.occasions.filter((other) => other !== occasion) })
              }
            >
              <span className="flex-1">
                <b>{occasion.what}</b>{' '}
                <span className="text-ink-soft">
                  {calendar.day(occasion.on)}, {sayDistance(occasion.on, bundle.heldOn)}
                </span>
              </span>
            </Entry>
          ))}
        </ul>
        <AddOccasion
          onAdd={(occasion) => set('occasions', { occasions: [...consult.occasions, occasion] })}
        />
      </Questions>
      <Questions title="Extensions">
        <Choice
          label="Extensions"
          value={consult.extensions}
          options={EXTENSIONS}
          onChange={(extensions) => set('extensions', { extensions })}
        />
      </Questions>
    </div>
  );
}

function AddHistory({ heldOn, onAdd }: { heldOn: string; onAdd(entry: HistoryEntry): void }) {
  const [what, setWhat] = useState<Service>('permanent');
  const [where, setWhere] = useState<HistoryEntry['where']>('elsewhere');
  const [on, setOn] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string>();
  const add = () => {
    if (!/^\d{4}-\d\d-\d\d$/.test(on)) return setProblem('When: choose the day, as near as it is known.');
    if (on > heldOn) return setProblem('When: it lies in the future.');
    if (on < '1980-01-01') return setProblem('When: that is too long ago to matter.');
    onAdd({ what, where, on, note: note.trim() });
    setOn('');
    setNote('');
    setProblem(undefined);
  };
  return (
    <div className="grid grid-cols-[1.2fr_1fr_1fr_1.3fr_auto] items-end gap-2 max-xl:grid-cols-2">
      <Select label="What" value={what} options={SERVICE_OPTIONS} onChange={setWhat} />
      <Select label="Where" value={where} options={WHERE_OPTIONS} onChange={setWhere} />
      <TextField
        label="When"
        type="date"
        max={heldOn}
        value={on}
        onChange={(event) => setOn(event.target.value)}
        problem={problem}
      />
      <TextField
        label="Note on it"
        value={note}
        maxLength={300}
        onChange={(event) => setNote(event.target.value)}
      />
      <Button className="h-10" onClick={add}>
        <PlusIcon /> Add
      </Button>
    </div>
  );
}

function AddOccasion({ onAdd }: { onAdd(occasion: { what: string; on: string }): void }) {
  const [what, setWhat] = useState('');
  const [on, setOn] = useState('');
  const [problem, setProblem] = useState<{ what?: string; on?: string }>({});
  const add = () => {
    const problems = {
      what: what.trim() === '' ? 'Occasion: say what it is.' : undefined,
      on: /^\d{4}-\d\d-\d\d$/.test(on) ? undefined : 'Its day: choose it.',
    };
    setProblem(problems);
    if (problems.what || problems.on) return;
    onAdd({ what: what.trim(), on });
    setWhat('');
    setOn('');
  };
  return (
    <div className="grid grid-cols-[1fr_140px_auto] items-end gap-2">
      <TextField
        label="Occasion"
        value={what}
        maxLength={80}
        onChange={(event) => setWhat(event.target.value)}
        problem={problem.what}
      />
      <TextField
        label="Its day"
        type="date"
        value={on}
        onChange={(event) => setOn(event.target.value)}
        problem={problem.on}
      />
      <Button className="h-10" onClick={add}>
        <PlusIcon /> Add occasion
      </Button>
    </div>
  );
}
