'use client';

import clsx from 'clsx';
import { useRouter } from 'next/navigation';
import { KIND_WORDS, type DayHours, type PersonDay, type WeekDay } from '@/core/diary';
import { dayAfter } from '@/core/units';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { BackIcon } from '@/ui/icons';
import { Link } from '@/ui/link';
import { useCalendar } from '../house/calendar';
import { daysBetween, hoursAndMinutes } from '../shared';
import { closedWords } from './closed-words';
import type { DueInWeek, WeekFacts } from './queries';

/** Where nothing is open all week, the strips still have a length, minutes. */
const NO_HOURS: DayHours = { from: 9 * 60, to: 19 * 60 };

/** A length of time, `2 h 35`, `8 h`. */
const long = (minutes: number) => hoursAndMinutes(minutes).replace(/ h 00$/, ' h');

/** The hours that the strips run over: from the first that anybody works or is booked, to the last. */
function hoursOfStrips(days: readonly WeekDay[]): DayHours {
  const all = days.flatMap(({ open, people }) => [
    ...(open ? [open] : []),
    ...people.flatMap(({ booked }) => booked.map(({ from, minutes }) => ({ from, to: from + minutes }))),
  ]);
  if (all.length === 0) return NO_HOURS;
  return { from: Math.min(...all.map(({ from }) => from)), to: Math.max(...all.map(({ to }) => to)) };
}

/** A week at a glance: who works when, what is free, and who is due with the times that fit. */
export function WeekPage({ facts: { from, today, columns, days, due } }: { facts: WeekFacts }) {
  const calendar = useCalendar();
  const router = useRouter();
  const strips = hoursOfStrips(days);
  const go = (day: string) => router.push(day === today ? '/day/week' : `/day/week?on=${day}`);
  const free = days
    .flatMap(({ people }) => people.flatMap((person) => person.free))
    .reduce((sum, { minutes }) => sum + minutes, 0);
  const last = dayAfter(from, 6);
  const nameOf = (id: string) => columns.find(({ personId }) => personId === id)?.name ?? '';
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-3">
        <div>
          <h1 className="text-3xl leading-tight font-bold wide">
            {from <= today && today <= last ? 'This week' : 'Week'}
          </h1>
          <p className="text-ink-soft">
            {calendar.day(from)} to {calendar.day(last)} ·{' '}
            {free === 0 ? 'nothing free' : `${long(free)} free`}
          </p>
        </div>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <Button aria-label="The week before" onClick={() => go(dayAfter(from, -7))}>
            <BackIcon />
          </Button>
          <Button aria-label="The week after" onClick={() => go(dayAfter(from, 7))}>
            <span className="rotate-180">
              <BackIcon />
            </span>
          </Button>
          {!(from <= today && today <= last) && (
            <Button look="quiet" onClick={() => go(today)}>
              This week
            </Button>
          )}
          <Link
            href={from <= today && today <= last ? '/day' : `/day?on=${from}`}
            className={buttonLook('plain')}
          >
            Day
          </Link>
        </div>
      </div>
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <section aria-label="The week" className="card divide-y divide-line">
          <Scale strips={strips} />
          {days.map((day) => (
            <DayOfWeek key={day.on} day={day} today={today} strips={strips} nameOf={nameOf} />
          ))}
        </section>
        <section aria-label="Due" className="card p-4">
          <h2 className="text-lg font-bold wide">Due and not booked</h2>
          {due.length === 0 && (
            <p className="mt-1 text-sm text-ink-soft">Nobody up to the end of this week.</p>
          )}
          <ul className="mt-2 grid gap-3">
            {due.map((dueInWeek) => (
              <Due key={dueInWeek.clientId} own={dueInWeek} today={today} nameOf={nameOf} />
            ))}
          </ul>
        </section>
      </div>
    </>
  );
}

/** Hours over the strips: every third one. */
function Scale({ strips }: { strips: DayHours }) {
  const calendar = useCalendar();
  const hours = Array.from({ length: 8 }, (_, i) => 180 * i).filter(
    (minute) => minute >= strips.from && minute <= strips.to,
  );
  return (
    <div aria-hidden className="hidden gap-x-4 px-4 pt-2 pb-1 md:grid md:grid-cols-[8.5rem_minmax(0,1fr)]">
      <div className="col-start-2 grid grid-cols-[5.5rem_minmax(0,1fr)_15rem] gap-x-3">
        <span className="relative col-start-2 h-5">
          {hours.map((minute) => (
            <span
              key={minute}
              className="absolute -translate-x-1/2 text-xs text-ink-soft first:translate-x-0"
              style={{ left: `${(100 * (minute - strips.from)) / (strips.to - strips.from)}%` }}
            >
              {calendar.time(minute).replace(/^0/, '').replace(/:00/, '')}
            </span>
          ))}
        </span>
      </div>
    </div>
  );
}

function DayOfWeek({
  day: { on, whyClosed, people },
  today,
  strips,
  nameOf,
}: {
  day: WeekDay;
  today: string;
  strips: DayHours;
  nameOf(personId: string): string;
}) {
  const calendar = useCalendar();
  const closed = closedWords(whyClosed, on, calendar);
  const shown = closed ? people.filter(({ booked }) => booked.length > 0) : people;
  return (
    <article
      aria-label={calendar.weekday(on)}
      className={clsx(
        'grid gap-x-4 gap-y-2 px-4 py-3 md:grid-cols-[8.5rem_minmax(0,1fr)]',
        on < today && 'text-ink-soft',
      )}
    >
      <Link
        href={on === today ? '/day' : `/day?on=${on}`}
        className="flex min-h-11 flex-col justify-center hover:underline"
      >
        <b className={clsx('text-md', on === today && 'text-leaf')}>
          {on === today ? 'Today' : calendar.nameOfDay(on)}
        </b>
        <span className="text-sm text-ink-soft">{calendar.day(on)}</span>
      </Link>
      <ul className="grid content-center gap-1.5">
        {closed && <li className="text-base text-ink-soft">{closed}</li>}
        {shown.map((personDay) => (
          <PersonStrip
            key={personDay.personId}
            own={personDay}
            over={on < today}
            strips={strips}
            name={nameOf(personDay.personId)}
          />
        ))}
      </ul>
    </article>
  );
}

/** A day of one colourist as a line: what is booked stands on it, and the words say what is free. */
function PersonStrip({
  own: { hours, booked, free },
  over,
  strips,
  name,
}: {
  own: PersonDay;
  over: boolean;
  strips: DayHours;
  name: string;
}) {
  const calendar = useCalendar();
  const at = (minute: number) => `${(100 * (minute - strips.from)) / (strips.to - strips.from)}%`;
  const wide = (minutes: number) => `${(100 * minutes) / (strips.to - strips.from)}%`;
  const total = free.reduce((sum, { minutes }) => sum + minutes, 0);
  const longest = free.reduce<(typeof free)[number] | undefined>(
    (most, one) => (most && most.minutes >= one.minutes ? most : one),
    undefined,
  );
  const words =
    hours === null
      ? 'off'
      : over
        ? ''
        : longest === undefined
          ? 'full'
          : total === longest.minutes
            ? `${long(total)} free from ${calendar.time(longest.from)}`
            : `${long(total)} free, ${long(longest.minutes)} of it from ${calendar.time(longest.from)}`;
  return (
    <li className="grid grid-cols-[5.5rem_minmax(0,1fr)] items-center gap-x-3 sm:grid-cols-[5.5rem_minmax(0,1fr)_15rem]">
      <span className="truncate text-sm font-semibold">{name.split(' ')[0]}</span>
      <span aria-hidden className="relative h-3.5">
        {hours && (
          <span
            className="absolute inset-y-[5px] rounded-full bg-line"
            style={{ left: at(hours.from), width: wide(hours.to - hours.from) }}
          />
        )}
        {booked.map(({ from, minutes }) => (
          <span
            key={from}
            className="absolute inset-y-0 rounded-[3px] bg-leaf"
            style={{ left: at(from), width: `max(3px, calc(${wide(minutes)} - 2px))` }}
          />
        ))}
      </span>
      <span className="text-sm text-ink-soft max-sm:col-start-2">
        {words}
        <span className="sr-only">
          {booked.length > 0 &&
            `; booked: ${booked.map(({ from, minutes }) => `${calendar.time(from)} to ${calendar.time(from + minutes)}`).join(', ')}`}
        </span>
      </span>
    </li>
  );
}

/** Somebody who is due, with the times that would fit: each opens their booking. */
function Due({
  own: { clientId, clientName, phone, nextOn, nextWhat, minutes, places },
  today,
  nameOf,
}: {
  own: DueInWeek;
  today: string;
  nameOf(personId: string): string;
}) {
  const calendar = useCalendar();
  const booking = (on: string) => `/day?on=${on}&book=${clientId}&kind=${nextWhat}`;
  return (
    <li>
      <Link
        href={`/clients/${clientId}`}
        className="block truncate font-semibold hover:underline pointer-coarse:min-h-11 pointer-coarse:pt-2.5"
      >
        {clientName}
      </Link>
      <p className={clsx('text-sm', nextOn < today ? 'font-semibold text-amber-bark' : 'text-ink-soft')}>
        {KIND_WORDS[nextWhat]},{' '}
        {nextOn < today ? `${daysBetween(nextOn, today)} days over` : calendar.day(nextOn)}; about{' '}
        {long(minutes)}
      </p>
      {phone && <p className="text-sm text-ink-soft">{phone}</p>}
      {places.length === 0 && <p className="text-sm">Nothing free is long enough this week.</p>}
      <ul className="mt-1 grid gap-1">
        {places.map(({ on, from, personId }) => (
          <li key={on}>
            <Link href={`${booking(on)}&at=${from}&with=${personId}`} className={buttonLook('plain', true)}>
              {calendar.weekday(on)}, {calendar.time(from)}, {nameOf(personId).split(' ')[0]}
            </Link>
          </li>
        ))}
      </ul>
    </li>
  );
}
