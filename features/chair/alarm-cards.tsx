'use client';

import clsx from 'clsx';
import { useState } from 'react';
import type { Alarm } from '@/core/chair';
import { Button } from '@/ui/button';
import { WarnIcon } from '@/ui/icons';
import { useCalendar } from '../house/calendar';
import type { ServiceLink } from './service-link';
import type { Sounding } from './use-alarms';

/** So many are in sight; the others open with a press. */
const MOST = 2;

interface AlarmCardsProps {
  alarms: readonly Sounding[];
  links: readonly ServiceLink[];
  /** The service in sight: alarms of others carry their client’s name first. */
  visitId: string;
  onCheck(block: string): void;
  onPull(): void;
  onPastLimit(block: string): void;
}

/** The most urgent first. */
const URGENCY: Readonly<Record<Alarm['kind'], number>> = {
  over: 0,
  limit: 1,
  step: 2,
  again: 3,
  basin: 4,
  check: 5,
  bowl: 6,
  ready: 7,
};

/** What sounds, a line each with what can be done about it, the most urgent first. */
export function AlarmCards({ alarms, links, visitId, onCheck, onPull, onPastLimit }: AlarmCardsProps) {
  const calendar = useCalendar();
  const [open, setOpen] = useState(false);
  // What is past its limit is not said to be near it as well.
  const past = new Set(
    alarms.flatMap(({ kind, block, visitId: of }) => (kind === 'over' ? [`${of} ${block}`] : [])),
  );
  const soundings = alarms
    .filter(({ kind, block, visitId: of }) => kind !== 'limit' || !past.has(`${of} ${block}`))
    .sort((a, b) => URGENCY[a.kind] - URGENCY[b.kind] || a.due - b.due);
  if (soundings.length === 0) return null;
  const shown = open ? soundings : soundings.slice(0, MOST);
  const act = (of: string, body: Parameters<ServiceLink['act']>[0]) =>
    links.find((link) => link.visitId === of)?.act(body);
  return (
    <div role="alert">
      <ul aria-label="Alarms" className="grid max-h-[40dvh] gap-px overflow-y-auto">
        {shown.map(({ key, visitId: of, words, urgent, late, due, clientName, kind, block, mix }) => {
          const here = of === visitId;
          return (
            <li
              key={`${of} ${key}`}
              className={clsx(
                'flex min-h-[52px] items-center gap-3 border-b px-4 py-1',
                urgent
                  ? 'border-rowan bg-rowan text-[#fff]'
                  : 'border-amber-bark bg-amber-pale text-amber-bark',
              )}
            >
              <WarnIcon />
              <p className="min-w-0 flex-1 text-xl leading-tight font-bold">
                {!here && `${clientName}: `}
                {words}
                {late && (
                  <span className="text-base font-semibold">
                    {' '}
                    Late: it was due at {calendar.timeOf(due)}.
                  </span>
                )}
              </p>
              {here && kind === 'check' && block && (
                <Button className="h-[44px]" onClick={() => onCheck(block)}>
                  Check now
                </Button>
              )}
              {here && (kind === 'over' || kind === 'limit') && (
                <Button className="h-[44px]" onClick={onPull}>
                  Open and wipe
                </Button>
              )}
              {here && kind === 'over' && block && (
                <Button className="h-[44px]" onClick={() => onPastLimit(block)}>
                  Stays on, because …
                </Button>
              )}
              {here && kind === 'bowl' && mix !== undefined && (
                <Button className="h-[44px]" onClick={() => act(of, { kind: 'bowl', mix })}>
                  Fresh bowl mixed
                </Button>
              )}
              <Button className="h-[44px]" onClick={() => act(of, { kind: 'silenced', alarm: key })}>
                Heard
              </Button>
            </li>
          );
        })}
        {soundings.length > MOST && (
          <li className="bg-amber-pale px-4">
            <button
              type="button"
              className="h-[44px] text-md font-semibold text-amber-bark underline"
              onClick={() => setOpen(!open)}
            >
              {open ? 'Fewer' : `${soundings.length - MOST} more`}
            </button>
          </li>
        )}
      </ul>
    </div>
  );
}
