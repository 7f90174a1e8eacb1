'use client';

import { useState, useTransition } from 'react';
import type { Opening, WeekBeginning, WorkingHours } from '@/core/diary';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { Switch } from '@/ui/switch';
import { useCalendar } from '../house/calendar';
import { DaysOffFields, WeekHoursFields } from '../house/week-hours';
import { saveWorkingHours } from './actions';

/** What of the salon working hours go by. */
export interface SalonHours {
  readonly opening: Opening;
  readonly weekBegins: WeekBeginning;
  /** Today where the salon is. */
  readonly today: string;
}

interface WorkingHoursFormProps {
  personId: string;
  initial: WorkingHours;
  salon: SalonHours;
  /** Whether they are those of whoever sets them. */
  own?: boolean;
  onSaved?(): void;
}

/** When somebody works: as the salon is open, or a week of their own, and the days on which they do not. */
export function WorkingHoursForm({ personId, initial, salon, own = false, onSaved }: WorkingHoursFormProps) {
  const calendar = useCalendar();
  const [hours, setHours] = useState(initial);
  const [said, setSaid] = useState<{ ok: boolean; words: string }>();
  const [busy, start] = useTransition();
  const set = (part: Partial<WorkingHours>) => {
    setHours((before) => ({ ...before, ...part }));
    setSaid(undefined);
  };
  const whose = own ? 'Hours of your own' : 'Hours of their own';
  return (
    <AskingForm
      name={`hours ${personId}`}
      className="grid gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => {
          const answer = await saveWorkingHours(personId, hours);
          setSaid(answer.ok ? { ok: true, words: 'Saved.' } : { ok: false, words: answer.problem });
          if (answer.ok) onSaved?.();
        });
      }}
    >
      <div className="flex min-h-11 items-center justify-between gap-4">
        <span className="text-base">{whose}, not those of the salon</span>
        <Switch
          label={whose}
          on={hours.week !== null}
          onChange={(on) => set({ week: on ? salon.opening.week : null })}
        />
      </div>
      {hours.week && (
        <WeekHoursFields
          week={hours.week}
          calendar={calendar}
          begins={salon.weekBegins}
          without="off"
          onChange={(week) => set({ week })}
        />
      )}
      <h3 className="text-md font-bold">Days off</h3>
      <DaysOffFields
        daysOff={hours.off}
        what="Off"
        today={salon.today}
        calendar={calendar}
        onChange={(off) => set({ off })}
      />
      {said && (
        <p
          role={said.ok ? 'status' : 'alert'}
          className={said.ok ? 'text-base text-ink-soft' : 'font-semibold text-rowan'}
        >
          {said.words}
        </p>
      )}
      <Button server type="submit" look="primary" disabled={busy}>
        Save hours
      </Button>
    </AskingForm>
  );
}
