'use client';

import clsx from 'clsx';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { clockWords, KIND_WORDS, lanesOf, STANDING_WORDS, type Standing } from '@/core/diary';
import { dayAfter } from '@/core/units';
import { Button, buttonLook } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { BackIcon, PlusIcon } from '@/ui/icons';
import { daysBetween, sayDay, sayDistance } from '../shared';
import { AppointmentForm, type FirstBooking } from './appointment-form';
import { AppointmentCard } from './appointment-card';
import { CalendarAddress } from './calendar-address';
import type { DayFacts, ShownAppointment } from './queries';

/** Opening hours are not kept: the usual day, or what is booked where that is longer, minutes. */
const USUAL_DAY = { from: 9 * 60, to: 19 * 60 };
const PX_PER_MINUTE = 1.15;
const weekday = (on: string) => new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(new Date(`${on}T00:00:00Z`));

/** A day of the salon: a column per colourist, who is late, what is due and what is unfinished. */
export function DayPage({ facts }: { facts: DayFacts }) {
  const { on, today, appointments, due, unfinished } = facts;
  const router = useRouter();
  const [booking, setBooking] = useState<FirstBooking | undefined>(() => (facts.toBook ? { on, client: facts.toBook, kind: facts.toBook.kind } : undefined));
  const [opened, setOpened] = useState<string>();
  const [address, setAddress] = useState(false);
  const go = (day: string) => router.push(day === today ? '/day' : `/day?on=${day}`);
  const shown = appointments.find(({ id }) => id === opened);
  const late = appointments.filter(({ standing }) => standing === 'late');
  const come = appointments.filter(({ state }) => state === 'booked');
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-3">
        <div>
          <h1 className="text-3xl leading-tight font-bold wide">{on === today ? 'Today' : weekday(on)}</h1>
          <p className="text-ink-soft">{on === today ? `${weekday(on)}, ${sayDay(on)}` : `${sayDay(on)}, ${sayDistance(on, today)}`} · {come.length === 0 ? 'nothing booked' : `${come.length} ${come.length === 1 ? 'appointment' : 'appointments'}`}</p>
        </div>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <Button aria-label="The day before" onClick={() => go(dayAfter(on, -1))}><BackIcon /></Button>
          <input type="date" aria-label="Day" value={on} onChange={(event) => event.target.value && go(event.target.value)} className="h-10 rounded-ui border border-edge bg-field px-2 text-base hover:border-ink" />
          <Button aria-label="The day after" onClick={() => go(dayAfter(on, 1))}><span className="rotate-180"><BackIcon /></span></Button>
          {on !== today && <Button look="quiet" onClick={() => go(today)}>Today</Button>}
          <Button look="quiet" onClick={() => setAddress(true)}>Calendar …</Button>
          {come.length > 0 && <Link href={on === today ? '/day/preparation' : `/day/preparation?on=${on}`} className={buttonLook('quiet')}>To lay out</Link>}
          <Link href="/day/reminders" className={buttonLook('quiet')}>Reminders{facts.toRemind > 0 && ` (${facts.toRemind})`}</Link>
          <Button look="primary" onClick={() => setBooking({ on })}><PlusIcon /> Book</Button>
        </div>
      </div>
      {late.length > 0 && (
        <p role="status" className="mb-4 rounded-ui bg-amber-pale p-3 text-base font-semibold text-amber-bark">
          Late: {late.map(({ clientName, lateMinutes, phone }) => `${clientName}, ${lateMinutes} min${phone ? ` (${phone})` : ''}`).join('; ')}.
        </p>
      )}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_290px]">
        <Columns facts={facts} onOpen={setOpened} onBook={setBooking} />
        <aside className="grid gap-4">
          <section aria-label="Due" className="card p-4">
            <h2 className="text-lg font-bold wide">Due and not booked</h2>
            {due.length === 0 && <p className="mt-1 text-sm text-ink-soft">Nobody within two weeks.</p>}
            <ul className="mt-2 grid gap-2">
              {due.map(({ clientId, clientName, phone, nextOn, nextWhat }) => (
                <li key={clientId} className="flex items-center gap-2">
                  <div className="min-w-0 flex-1">
                    <Link href={`/clients/${clientId}`} className="block truncate font-semibold hover:underline">{clientName}</Link>
                    <p className={clsx('text-sm', nextOn < today ? 'font-semibold text-amber-bark' : 'text-ink-soft')}>{KIND_WORDS[nextWhat]}, {nextOn < today ? `${daysBetween(nextOn, today)} days over` : sayDay(nextOn)}</p>
                    {phone && <p className="text-sm text-ink-soft">{phone}</p>}
                  </div>
                  <Button small onClick={() => setBooking({ on: nextOn > today ? nextOn : on, client: { id: clientId, name: clientName, phone }, kind: nextWhat })} aria-label={`Book ${clientName}`}>Book</Button>
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="Unfinished records" className="card p-4">
            <h2 className="text-lg font-bold wide">Unfinished records</h2>
            {unfinished.length === 0 && <p className="mt-1 text-sm text-ink-soft">All signed off.</p>}
            <ul className="mt-2 grid gap-1">
              {unfinished.slice(0, 8).map(({ visitId, clientName, heldOn, recorded }) => (
                <li key={visitId}><Link href={`/visits/${visitId}/record`} className="flex items-baseline justify-between gap-2 text-base hover:underline"><b className="truncate">{clientName}</b><span className="shrink-0 text-sm text-ink-soft">{sayDay(heldOn).replace(/ \d{4}$/, '')}, {recorded ? 'to sign' : 'to record'}</span></Link></li>
              ))}
            </ul>
            {unfinished.length > 8 && <p className="mt-1 text-sm text-ink-soft">and {unfinished.length - 8} more of the last 30 days</p>}
          </section>
        </aside>
      </div>
      <Dialog open={booking !== undefined} onOpenChange={(open) => !open && setBooking(undefined)} title="Book" middle>
        {booking && <AppointmentForm facts={facts} first={booking} onDone={(day) => {
          setBooking(undefined);
          if (day !== on || facts.toBook) go(day);
          else router.refresh();
        }} />}
      </Dialog>
      <Dialog open={shown !== undefined} onOpenChange={(open) => !open && setOpened(undefined)} title={shown?.clientName ?? ''} middle>
        {shown && <AppointmentCard key={`${shown.id} ${shown.revision}`} facts={facts} appointment={shown} onDone={(day) => {
          setOpened(undefined);
          if (day && day !== on) go(day);
          else router.refresh();
        }} />}
      </Dialog>
      <Dialog open={address} onOpenChange={setAddress} title="Your own calendar"><CalendarAddress since={facts.feedSince} timeZone={facts.timeZone} /></Dialog>
    </>
  );
}

const TINTS: Record<Standing, string> = {
  later: 'border-edge bg-raised', late: 'border-amber-bark bg-amber-pale', running: 'border-leaf bg-leaf-pale', 'to-record': 'border-amber-bark bg-raised', 'to-sign': 'border-edge bg-raised', done: 'border-line bg-raised text-ink-soft', cancelled: 'border-line bg-transparent text-ink-soft line-through',
  'no-show': 'border-line bg-transparent text-ink-soft line-through', missed: 'border-amber-bark bg-raised',
};

interface ColumnsProps {
  facts: DayFacts;
  onOpen(id: string): void;
  onBook(first: FirstBooking): void;
}

function Columns({ facts: { on, columns, appointments, nowMinute }, onOpen, onBook }: ColumnsProps) {
  const from = Math.min(USUAL_DAY.from, ...appointments.map((own) => Math.floor(own.from / 60) * 60));
  const to = Math.max(USUAL_DAY.to, ...appointments.map((own) => Math.ceil((own.from + own.minutes) / 60) * 60));
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + 60 * i);
  const y = (minute: number) => (minute - from) * PX_PER_MINUTE;
  return (
    <section aria-label="The day" className="card overflow-x-auto p-3">
      <div className="grid min-w-[520px]" style={{ gridTemplateColumns: `44px repeat(${columns.length}, minmax(150px, 1fr))` }}>
        <span />
        {columns.map(({ personId, name }) => <h2 key={personId} className="border-l border-line px-2 pb-2 text-md font-bold">{name}</h2>)}
        <div className="relative" style={{ height: y(to) + 8 }} aria-hidden>
          {hours.map((hour) => <span key={hour} className="absolute right-2 -translate-y-1/2 text-sm text-ink-soft" style={{ top: y(hour) }}>{clockWords(hour).replace(/^0/, '')}</span>)}
        </div>
        {columns.map(({ personId, name }) => {
          const own = appointments.filter((one) => one.personId === personId);
          const lanes = lanesOf(own.map((one) => ({ from: one.from, minutes: Math.max(one.minutes, 20) })));
          return (
            <div key={personId} className="relative border-l border-line" style={{ height: y(to) + 8 }}>
              {hours.map((hour) => hour < to && (
                <button
                  key={hour} type="button" aria-label={`Book ${name} at ${clockWords(hour)}`} onClick={() => onBook({ on, personId, from: hour })}
                  className="absolute inset-x-0 border-t border-line hover:bg-leaf-pale" style={{ top: y(hour), height: 60 * PX_PER_MINUTE }}
                />
              ))}
              {nowMinute !== null && nowMinute >= from && nowMinute <= to && <span aria-hidden className="pointer-events-none absolute inset-x-0 z-10 border-t-2 border-rowan" style={{ top: y(nowMinute) }} />}
              {own.map((one, i) => <Block key={one.id} appointment={one} top={y(one.from)} lane={lanes[i]} onOpen={onOpen} />)}
            </div>
          );
        })}
      </div>
    </section>
  );
}

function Block({ appointment, top, lane, onOpen }: { appointment: ShownAppointment; top: number; lane: { lane: number; of: number }; onOpen(id: string): void }) {
  const { id, clientName, kind, from, minutes, standing, lateMinutes, redoOf } = appointment;
  const words = standing === 'late' ? `late, ${lateMinutes} min` : STANDING_WORDS[standing];
  const height = Math.max(minutes, 20) * PX_PER_MINUTE - 2;
  return (
    <button
      type="button" onClick={() => onOpen(id)} style={{ top, height, left: `calc(${(100 * lane.lane) / lane.of}% + 3px)`, width: `calc(${100 / lane.of}% - 6px)` }}
      className={clsx('absolute z-[5] flex flex-col items-stretch justify-start overflow-hidden rounded-ui border-l-4 border-y border-r px-2 text-left leading-tight hover:border-ink', height > 34 ? 'py-1' : 'py-0', TINTS[standing])}
    >
      <span className={clsx('shrink-0 truncate font-semibold', height > 34 ? 'text-base' : 'text-sm')}>{clientName}{height <= 34 && <span className="font-normal"> · {KIND_WORDS[kind]}</span>}</span>
      {height > 34 && <span className="shrink-0 truncate text-sm">{clockWords(from)}–{clockWords(from + minutes)} · {KIND_WORDS[kind]}{redoOf && ` of ${sayDay(redoOf)}`}</span>}
      {words && height > 50 && <span className="shrink-0 truncate text-sm font-semibold">{words}</span>}
    </button>
  );
}

