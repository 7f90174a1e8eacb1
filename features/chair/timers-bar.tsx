'use client';

import clsx from 'clsx';
import { timersOf, type ServiceScript, type ServiceState } from '@/core/chair';
import { useCalendar } from '../house/calendar';
import { until } from './words';

/** Timers of foils, panels and bowls: read at arm’s length. */
export function TimersBar({
  script,
  state,
  now,
}: {
  script: ServiceScript;
  state: ServiceState;
  now: number;
}) {
  const calendar = useCalendar();
  const { oldest, nextCheck, nextLimit, ready, bowls } = timersOf(script, state, now);
  const left = oldest ? oldest.limitMinutes - oldest.minutes : Infinity;
  return (
    <section aria-label="Timers" className="border-b border-line bg-raised">
      <dl className="grid auto-cols-fr grid-flow-col divide-x divide-line">
        <Timer
          name="Oldest foil"
          value={oldest ? `${Math.floor(oldest.minutes)} min` : 'none on'}
          more={oldest ? `${oldest.name}, limit ${Math.round(oldest.limitMinutes)}` : ''}
          tone={left <= 0 ? 'danger' : left <= 5 ? 'caution' : 'plain'}
        />
        <Timer
          name="Next check"
          value={nextCheck ? until(nextCheck.due, now) : '–'}
          more={nextCheck ? `${nextCheck.name}, ${calendar.timeOf(nextCheck.due)}` : ''}
          tone={nextCheck && nextCheck.due <= now ? 'caution' : 'plain'}
        />
        <Timer
          name="Ready"
          value={ready.count > 0 ? `${ready.count} ${ready.count === 1 ? 'foil' : 'foils'}` : 'none yet'}
          more={ready.names.join(', ')}
          tone={ready.count > 0 ? 'good' : 'plain'}
        />
        <Timer
          name="Next limit"
          value={nextLimit ? until(nextLimit.due, now) : '–'}
          more={nextLimit ? `${nextLimit.name}, ${calendar.timeOf(nextLimit.due)}` : ''}
          tone={nextLimit && nextLimit.due <= now ? 'danger' : 'plain'}
        />
        {bowls.map(({ mix, minutes, usefulMinutes }) => (
          <Timer
            key={mix}
            name={`Bowl ${mix}`}
            value={`${Math.floor(minutes)} min`}
            more={`useful to ${usefulMinutes}`}
            tone={minutes >= usefulMinutes ? 'caution' : 'plain'}
          />
        ))}
      </dl>
    </section>
  );
}

const TONES = {
  plain: '',
  good: 'text-leaf',
  caution: 'bg-amber-pale text-amber-bark',
  danger: 'bg-rowan-pale text-rowan',
} as const;

function Timer({
  name,
  value,
  more,
  tone,
}: {
  name: string;
  value: string;
  more: string;
  tone: keyof typeof TONES;
}) {
  return (
    <div className={clsx('min-w-0 px-4 py-1.5', TONES[tone])}>
      <dt className="text-sm text-ink-soft">{name}</dt>
      <dd className="text-2xl leading-8 font-bold whitespace-nowrap">{value}</dd>
      <dd className="truncate text-sm narrow">{more || ' '}</dd>
    </div>
  );
}
