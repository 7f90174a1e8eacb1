'use client';

import { useState } from 'react';
import { WEEKDAYS, type DayHours, type DaysOff, type WeekBeginning, type WeekHours } from '@/core/diary';
import { dayAfter, type Calendar } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Switch } from '@/ui/switch';
import { readTime } from './read-time';

/** A Monday: days are named by it. */
const A_MONDAY = '2024-01-01';
const USUAL_DAY: DayHours = { from: 9 * 60, to: 18 * 60 };

/** Weekdays in the order of the house: the number of each, Monday 0. */
const inOrder = (begins: WeekBeginning) =>
  WEEKDAYS.map((_, i) => (WEEKDAYS.indexOf(begins) + i) % WEEKDAYS.length);

interface WeekHoursFieldsProps {
  week: WeekHours;
  calendar: Calendar;
  begins: WeekBeginning;
  /** What a day without hours is called: closed, off. */
  without: string;
  onChange(week: WeekHours): void;
}

/** Hours of each weekday: a switch, and from when to when. */
export function WeekHoursFields({ week, calendar, begins, without, onChange }: WeekHoursFieldsProps) {
  const set = (i: number, hours: DayHours | null) =>
    onChange(week.map((dayHours, at) => (at === i ? hours : dayHours)));
  return (
    <ul className="grid gap-1.5">
      {inOrder(begins).map((i) => {
        const name = calendar.nameOfDay(dayAfter(A_MONDAY, i));
        const hours = week[i];
        return (
          <li key={i} className="grid min-h-11 grid-cols-[6.5rem_auto_minmax(0,1fr)] items-center gap-3">
            <span className="text-base">{name}</span>
            <Switch
              label={name}
              on={hours !== null}
              onChange={(on) => set(i, on ? (week.find((dayHours) => dayHours !== null) ?? USUAL_DAY) : null)}
            />
            {hours ? (
              <span className="flex items-center gap-2">
                <TimeField
                  label={`${name} from`}
                  minute={hours.from}
                  calendar={calendar}
                  fits={(minute) => minute < hours.to}
                  onChange={(from) => set(i, { ...hours, from })}
                />
                <span className="text-ink-soft">to</span>
                <TimeField
                  label={`${name} to`}
                  minute={hours.to}
                  calendar={calendar}
                  fits={(minute) => minute > hours.from}
                  onChange={(to) => set(i, { ...hours, to })}
                />
              </span>
            ) : (
              <span className="text-ink-soft">{without}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

interface TimeFieldProps {
  label: string;
  minute: number;
  calendar: Calendar;
  fits(minute: number): boolean;
  onChange(minute: number): void;
}

/** A time of the day that is typed. What is no time, or does not fit, goes back to what it was. */
function TimeField({ label, minute, calendar, fits, onChange }: TimeFieldProps) {
  const [typed, setTyped] = useState<string>();
  const read = typed === undefined ? minute : readTime(typed);
  const ok = !Number.isNaN(read) && fits(read);
  return (
    <input
      aria-label={label}
      aria-invalid={!ok || undefined}
      inputMode="numeric"
      value={typed ?? calendar.time(minute)}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = readTime(event.target.value);
        if (!Number.isNaN(next) && fits(next)) onChange(next);
      }}
      onBlur={() => setTyped(undefined)}
      className={`h-10 w-24 rounded-ui border bg-field px-2.5 text-base pointer-coarse:h-11 ${ok ? 'border-edge hover:border-ink' : 'border-rowan'}`}
    />
  );
}

interface DaysOffFieldsProps {
  daysOff: readonly DaysOff[];
  /** What a stretch is called that has no name yet. */
  what: string;
  /** The first day that a new stretch may be. */
  today: string;
  calendar: Calendar;
  onChange(daysOff: readonly DaysOff[]): void;
}

/** Days off by name, soonest first; what is over is left out of sight. */
export function DaysOffFields({ daysOff, what, today, calendar, onChange }: DaysOffFieldsProps) {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [words, setWords] = useState('');
  const last = to === '' ? from : to;
  const problem = from !== '' && last < from ? 'Last day: it lies before the first.' : undefined;
  const add = () => {
    onChange(
      [...daysOff, { from, to: last, words: words.trim() || what }].sort((a, b) =>
        a.from.localeCompare(b.from),
      ),
    );
    setFrom('');
    setTo('');
    setWords('');
  };
  const coming = daysOff.filter((off) => off.to >= today);
  return (
    <div className="grid gap-3">
      <ul className="grid gap-1">
        {coming.map((off) => (
          <li
            key={`${off.from} ${off.to} ${off.words}`}
            className="flex min-h-11 items-center justify-between gap-3"
          >
            <span>
              <b>{off.words}</b>, {calendar.day(off.from)}
              {off.to !== off.from && ` to ${calendar.day(off.to)}`}
            </span>
            <Button
              small
              look="quiet"
              aria-label={`Remove ${off.words}, ${calendar.day(off.from)}`}
              onClick={() => onChange(daysOff.filter((one) => one !== off))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <div className="grid items-end gap-3 sm:grid-cols-2">
        <TextField
          label="First day"
          type="date"
          value={from}
          min={today}
          onChange={(event) => setFrom(event.target.value)}
        />
        <TextField
          label="Last day"
          type="date"
          value={to}
          min={from || today}
          onChange={(event) => setTo(event.target.value)}
        />
        <TextField
          label="Called"
          value={words}
          placeholder={what}
          maxLength={60}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button disabled={from === '' || problem !== undefined} onClick={add}>
          Add days off
        </Button>
      </div>
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
    </div>
  );
}
