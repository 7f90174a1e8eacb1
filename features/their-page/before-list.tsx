'use client';

import { keysOf } from '@/core/units';
import { useState } from 'react';
import type { ClientAnswers } from '@/core/consult';
import { SERVICES, type HistoryEntry, type Service } from '@/core/visit';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { PlusIcon } from '@/ui/icons';
import { Select } from '@/ui/select';
import { Entry } from '../consult/chapters/entry';
import { useCalendar } from '../house/calendar';

const SERVICE_WORDS: Record<Service, string> = {
  lightener: 'Bleach or highlights',
  permanent: 'Permanent colour',
  demi: 'Semi-permanent colour',
  toner: 'Toner',
  metallic: 'Colour with metal salts',
  plant: 'Henna or plant colour',
  smoothing: 'Smoothing or relaxer',
  perm: 'Perm',
  other: 'Something else',
};
const WHERE_WORDS = { here: 'at this salon', elsewhere: 'at another salon', home: 'at home' } as const;
const SERVICE_OPTIONS = SERVICES.map((value) => ({ value, words: SERVICE_WORDS[value] }));
const WHERE_OPTIONS = keysOf(WHERE_WORDS).map((value) => ({
  value,
  words: WHERE_WORDS[value],
}));

interface BeforeListProps {
  history: ClientAnswers['history'];
  occasions: ClientAnswers['occasions'];
  today: string;
  onHistory(history: ClientAnswers['history']): void;
  onOccasions(occasions: ClientAnswers['occasions']): void;
}

/** What was done to the hair before, and what is coming up. */
export function BeforeList({ history, occasions, today, onHistory, onOccasions }: BeforeListProps) {
  const calendar = useCalendar();
  return (
    <>
      <ul className="grid gap-1">
        {history.map((entry, i) => (
          <Entry
            key={`${entry.on}${i}`}
            what={SERVICE_WORDS[entry.what]}
            onRemove={() => onHistory(history.filter((historyEntry) => historyEntry !== entry))}
          >
            <span className="flex-1">
              <b>{SERVICE_WORDS[entry.what]}</b>, {WHERE_WORDS[entry.where]}, {calendar.day(entry.on)}
            </span>
          </Entry>
        ))}
      </ul>
      <AddService today={today} onAdd={(entry) => onHistory([...history, entry])} />
      <h3 className="mt-2 font-semibold">Is something coming up?</h3>
      <ul className="grid gap-1">
        {occasions.map((occasion) => (
          <Entry
            key={`${occasion.what}${occasion.on}`}
            what={occasion.what}
            onRemove={() => onOccasions(occasions.filter((other) => other !== occasion))}
          >
            <span className="flex-1">
              <b>{occasion.what}</b>, {calendar.day(occasion.on)}
            </span>
          </Entry>
        ))}
      </ul>
      <AddOccasion onAdd={(own) => onOccasions([...occasions, own])} />
    </>
  );
}

function AddService({ today, onAdd }: { today: string; onAdd(entry: HistoryEntry): void }) {
  const [what, setWhat] = useState<Service>('lightener');
  const [where, setWhere] = useState<HistoryEntry['where']>('elsewhere');
  const [on, setOn] = useState('');
  const [problem, setProblem] = useState<string>();
  const add = () => {
    if (!/^\d{4}-\d\d-\d\d$/.test(on)) return setProblem('When: choose the day, as near as you know it.');
    if (on > today) return setProblem('When: that day lies in the future.');
    onAdd({ what, where, on, note: '' });
    setOn('');
    setProblem(undefined);
  };
  return (
    <div className="grid grid-cols-2 items-end gap-3">
      <div className="col-span-2">
        <Select label="What" value={what} options={SERVICE_OPTIONS} onChange={setWhat} />
      </div>
      <Select label="Where" value={where} options={WHERE_OPTIONS} onChange={setWhere} />
      <TextField
        label="About when"
        type="date"
        max={today}
        value={on}
        onChange={(event) => setOn(event.target.value)}
      />
      {problem && (
        <p role="alert" className="col-span-2 text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
      <Button className="col-span-2" onClick={add}>
        <PlusIcon /> Add
      </Button>
    </div>
  );
}

function AddOccasion({ onAdd }: { onAdd(occasion: { what: string; on: string }): void }) {
  const [what, setWhat] = useState('');
  const [on, setOn] = useState('');
  const [problem, setProblem] = useState<string>();
  const add = () => {
    if (what.trim() === '' || !/^\d{4}-\d\d-\d\d$/.test(on))
      return setProblem('Say what it is, and choose its day.');
    onAdd({ what: what.trim(), on });
    setWhat('');
    setOn('');
    setProblem(undefined);
  };
  return (
    <div className="grid grid-cols-2 items-end gap-3">
      <TextField
        label="What it is"
        placeholder="Wedding, holiday …"
        value={what}
        maxLength={80}
        onChange={(event) => setWhat(event.target.value)}
      />
      <TextField label="Day of it" type="date" value={on} onChange={(event) => setOn(event.target.value)} />
      {problem && (
        <p role="alert" className="col-span-2 text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
      <Button className="col-span-2" onClick={add}>
        <PlusIcon /> Add it
      </Button>
    </div>
  );
}
