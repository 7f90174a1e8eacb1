'use client';

import clsx from 'clsx';
import {
  KIND_WORDS,
  lanesOf,
  openOn,
  STANDING_WORDS,
  workedOn,
  type DayHours,
  type Lane,
  type Standing,
} from '@/core/diary';
import { useCalendar } from '../house/calendar';
import type { FirstBooking } from './appointment-form';
import { useBlockDrag, type Place } from './block-drag';
import type { DayFacts, ShownAppointment } from './queries';

/** A closed day that somebody looks at all the same, minutes. */
const CLOSED_DAY: DayHours = { from: 9 * 60, to: 19 * 60 };
const PX_PER_MINUTE = 1.15;

const TINTS: Record<Standing, string> = {
  later: 'border-edge bg-raised',
  late: 'border-amber-bark bg-amber-pale',
  running: 'border-leaf bg-leaf-pale',
  'to-record': 'border-amber-bark bg-raised',
  'to-sign': 'border-edge bg-raised',
  done: 'border-line bg-raised text-ink-soft',
  cancelled: 'border-line bg-transparent text-ink-soft line-through',
  'no-show': 'border-line bg-transparent text-ink-soft line-through',
  missed: 'border-amber-bark bg-raised',
};

interface ColumnsProps {
  facts: DayFacts;
  onOpen(id: string): void;
  onBook(first: FirstBooking): void;
  onMove(appointment: ShownAppointment, to: Place): void;
}

/**
 * The day as a column per colourist. Appointments are opened by a press, and moved by a drag as long as they
 * have not begun.
 */
export function DayColumns({
  facts: { on, opening, columns, appointments, nowMinute },
  onOpen,
  onBook,
  onMove,
}: ColumnsProps) {
  const calendar = useCalendar();
  // Opening hours, or what is booked where that is longer.
  const open = openOn(on, opening) ?? CLOSED_DAY;
  const from = Math.min(
    Math.floor(open.from / 60) * 60,
    ...appointments.map((appointment) => Math.floor(appointment.from / 60) * 60),
  );
  const to = Math.max(
    Math.ceil(open.to / 60) * 60,
    ...appointments.map((appointment) => Math.ceil((appointment.from + appointment.minutes) / 60) * 60),
  );
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + 60 * i);
  const y = (minute: number) => (minute - from) * PX_PER_MINUTE;
  return (
    <section aria-label="The day" className="card overflow-x-auto p-3">
      <div
        className="grid min-w-[520px]"
        style={{ gridTemplateColumns: `44px repeat(${columns.length}, minmax(150px, 1fr))` }}
      >
        <span />
        {columns.map(({ personId, name, working }) => (
          <h2 key={personId} className="border-l border-line px-2 pb-2 text-md font-bold">
            {name}
            {!workedOn(on, opening, working) && (
              <span className="text-sm font-medium text-ink-soft"> · off</span>
            )}
          </h2>
        ))}
        <div className="relative" style={{ height: y(to) + 8 }} aria-hidden>
          {hours.map((hour) => (
            <span
              key={hour}
              className="absolute right-2 -translate-y-1/2 text-sm text-ink-soft"
              style={{ top: y(hour) }}
            >
              {calendar.time(hour).replace(/^0/, '')}
            </span>
          ))}
        </div>
        {columns.map(({ personId, name, working }) => {
          const own = appointments.filter((one) => one.personId === personId);
          const lanes = lanesOf(own.map((one) => ({ from: one.from, minutes: Math.max(one.minutes, 20) })));
          return (
            <div
              key={personId}
              data-person={personId}
              className="relative border-l border-line"
              style={{ height: y(to) + 8 }}
            >
              {hours.map(
                (hour) =>
                  hour < to && (
                    <button
                      key={hour}
                      type="button"
                      aria-label={`Book ${name} at ${calendar.time(hour)}`}
                      onClick={() => onBook({ on, personId, from: hour })}
                      className="absolute inset-x-0 border-t border-line hover:bg-leaf-pale"
                      style={{ top: y(hour), height: 60 * PX_PER_MINUTE }}
                    />
                  ),
              )}
              {offWork(workedOn(on, opening, working), { from, to }).map((off) => (
                <span
                  key={off.from}
                  aria-hidden
                  className="pointer-events-none absolute inset-x-0 bg-[repeating-linear-gradient(135deg,var(--color-line)_0_1px,transparent_1px_7px)]"
                  style={{ top: y(off.from), height: y(off.to) - y(off.from) }}
                />
              ))}
              {nowMinute !== null && nowMinute >= from && nowMinute <= to && (
                <span
                  aria-hidden
                  className="pointer-events-none absolute inset-x-0 z-10 border-t-2 border-rowan"
                  style={{ top: y(nowMinute) }}
                />
              )}
              {own.map((one, i) => (
                <Block
                  key={one.id}
                  appointment={one}
                  top={y(one.from)}
                  lane={lanes[i]}
                  onOpen={onOpen}
                  onMove={onMove}
                />
              ))}
            </div>
          );
        })}
      </div>
    </section>
  );
}

/** What of a day is not worked. */
function offWork(hours: DayHours | null, day: DayHours): DayHours[] {
  if (!hours) return [day];
  return [
    { from: day.from, to: hours.from },
    { from: hours.to, to: day.to },
  ].filter(({ from, to }) => from < to);
}

interface BlockProps extends Pick<ColumnsProps, 'onOpen' | 'onMove'> {
  appointment: ShownAppointment;
  top: number;
  lane: Lane;
}

function Block({ appointment, top, lane, onOpen, onMove }: BlockProps) {
  const calendar = useCalendar();
  const { id, clientName, kind, from, minutes, personId, state, begun, standing, lateMinutes, redoOf } =
    appointment;
  const { dragging, element, handlers } = useBlockDrag({
    from,
    personId,
    pxPerMinute: PX_PER_MINUTE,
    enabled: state === 'booked' && !begun,
    onDrop: (to) => onMove(appointment, to),
  });
  const shown = dragging?.from ?? from;
  const words = standing === 'late' ? `late, ${lateMinutes} min` : STANDING_WORDS[standing];
  const height = Math.max(minutes, 20) * PX_PER_MINUTE - 2;
  return (
    <button
      ref={element}
      type="button"
      onClick={() => onOpen(id)}
      {...handlers}
      style={{
        top,
        height,
        left: `calc(${(100 * lane.lane) / lane.of}% + 3px)`,
        width: `calc(${100 / lane.of}% - 6px)`,
        ...(dragging && {
          transform: `translate(${dragging.dx}px, ${(dragging.from - from) * PX_PER_MINUTE}px)`,
        }),
      }}
      className={clsx(
        'absolute flex flex-col items-stretch justify-start overflow-hidden rounded-ui border-l-4 border-y border-r px-2 text-left leading-tight select-none hover:border-ink',
        dragging ? 'z-20 cursor-grabbing shadow-lg' : 'z-[5]',
        height > 34 ? 'py-1' : 'py-0',
        TINTS[standing],
      )}
    >
      <span className={clsx('shrink-0 truncate font-semibold', height > 34 ? 'text-base' : 'text-sm')}>
        {clientName}
        {height <= 34 && (
          <span className="font-normal"> · {dragging ? calendar.time(shown) : KIND_WORDS[kind]}</span>
        )}
      </span>
      {height > 34 && (
        <span className="shrink-0 truncate text-sm">
          {calendar.time(shown)}–{calendar.time(shown + minutes)} · {KIND_WORDS[kind]}
          {redoOf && ` of ${calendar.day(redoOf)}`}
        </span>
      )}
      {words && height > 50 && <span className="shrink-0 truncate text-sm font-semibold">{words}</span>}
    </button>
  );
}
