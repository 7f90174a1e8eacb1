'use client';

import clsx from 'clsx';
import { Button } from '@/ui/button';
import { WarnIcon } from '@/ui/icons';
import type { ServiceLink } from './service-link';
import type { Sounding } from './use-alarms';
import { clockTime } from './words';

const MOST = 3;

interface AlarmCardsProps {
  alarms: readonly Sounding[];
  links: readonly ServiceLink[];
  /** The service in sight: alarms of others carry their client’s name first. */
  visitId: string;
  onCheck(block: string): void;
  onPastLimit(block: string): void;
}

/** What sounds, in words: each is heard with one press. */
export function AlarmCards({ alarms, links, visitId, onCheck, onPastLimit }: AlarmCardsProps) {
  if (alarms.length === 0) return null;
  return (
    <ul aria-label="Alarms" role="alert" className="grid gap-px">
      {alarms.slice(0, MOST).map((own) => {
        const { key, visitId: of, words, urgent, late, due, clientName, kind, block } = own;
        return (
          <li key={`${of} ${key}`} className={clsx('flex items-center gap-4 border-b px-4 py-2.5', urgent ? 'border-rowan bg-rowan text-[#fff]' : 'border-amber-bark bg-amber-pale text-amber-bark')}>
            <WarnIcon />
            <p className="min-w-0 flex-1 text-2xl leading-tight font-bold">
              {of !== visitId && `${clientName}: `}{words}{late && <span className="text-lg font-semibold"> Late: it was due at {clockTime(due)}.</span>}
            </p>
            {kind === 'check' && block && of === visitId && <Button onClick={() => onCheck(block)}>Check now</Button>}
            {kind === 'over' && block && of === visitId && <Button onClick={() => onPastLimit(block)}>Stays on, because …</Button>}
            <Button onClick={() => links.find((link) => link.visitId === of)?.act({ kind: 'silenced', alarm: key })}>Heard</Button>
          </li>
        );
      })}
      {alarms.length > MOST && <li className="bg-amber-pale px-4 py-1 text-md font-semibold text-amber-bark">{alarms.length - MOST} more</li>}
    </ul>
  );
}
