'use client';

import clsx from 'clsx';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { clashesWith, isOutside, KIND_WORDS, whyClosed, workedOn, type AppointmentState } from '@/core/diary';
import { dayAfter, type Result } from '@/core/units';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { Dialog } from '@/ui/dialog';
import { BackIcon, PlusIcon } from '@/ui/icons';
import { Link } from '@/ui/link';
import { useCalendar } from '../house/calendar';
import { daysBetween, sayDistance } from '../shared';
import { markAppointment, moveAppointment } from './actions';
import { AppointmentForm, type FirstBooking } from './appointment-form';
import { AppointmentCard } from './appointment-card';
import type { Place } from './block-drag';
import { CalendarAddress } from './calendar-address';
import { closedWords } from './closed-words';
import { DayColumns } from './day-columns';
import type { DayFacts, ShownAppointment } from './queries';

const MARKED: Readonly<Record<AppointmentState, string>> = {
  booked: 'booked again',
  cancelled: 'cancelled',
  'no-show': 'did not come',
};

/** What became of an appointment, and how that is undone. */
interface Moved {
  readonly words: string;
  readonly problem?: boolean;
  readonly undo?: () => void;
}

/** A day of the salon: a column per colourist, who is late, what is due and what is unfinished. */
export function DayPage({ facts }: { facts: DayFacts }) {
  const calendar = useCalendar();
  const { on, today, appointments, due, unfinished, reminded } = facts;
  const router = useRouter();
  const [booking, setBooking] = useState<FirstBooking | undefined>(() =>
    facts.toBook
      ? {
          on,
          client: facts.toBook,
          kind: facts.toBook.kind,
          from: facts.toBook.from,
          personId: facts.toBook.personId,
        }
      : undefined,
  );
  const [opened, setOpened] = useState<string>();
  const [address, setAddress] = useState(false);
  const [moved, setMoved] = useState<Moved>();
  const move = async (shownAppointment: ShownAppointment, to: Place, back = false) => {
    const { minutes, kind, note, clientName } = shownAppointment;
    const answer = await moveAppointment(shownAppointment.id, shownAppointment.revision, {
      from: to.from,
      personId: to.personId,
      on,
      minutes,
      kind,
      note,
    }).catch((): Result => ({ ok: false, problem: 'No connection: nothing was moved.' }));
    const column = facts.columns.find(({ personId }) => personId === to.personId);
    const name = column?.name ?? '';
    if (!answer.ok) setMoved({ words: answer.problem, problem: true });
    else {
      // Two at one chair are said, not forbidden: an assistant may be there.
      const others = appointments.filter(
        (one) => one.id !== shownAppointment.id && one.personId === to.personId && one.state === 'booked',
      );
      const clash = clashesWith({ from: to.from, minutes }, others).map((i) => others[i].clientName);
      setMoved({
        words: `${clientName} ${back ? 'is back at' : 'moved to'} ${calendar.time(to.from)}, ${name}.${clash.length > 0 ? ` At the same chair then: ${clash.join(', ')}.` : ''}${column && isOutside({ from: to.from, minutes }, workedOn(on, facts.opening, column.working)) ? ' That is outside their hours.' : ''}`,
        ...(!back && {
          undo: () =>
            void move(
              { ...shownAppointment, revision: shownAppointment.revision + 1 },
              shownAppointment,
              true,
            ),
        }),
      });
    }
    router.refresh();
  };
  const mark = async (shownAppointment: ShownAppointment, state: AppointmentState, back = false) => {
    const answer = await markAppointment(shownAppointment.id, shownAppointment.revision, state).catch(
      (): Result => ({
        ok: false,
        problem: 'No connection: nothing was changed.',
      }),
    );
    if (!answer.ok) setMoved({ words: answer.problem, problem: true });
    else
      setMoved({
        words: `${shownAppointment.clientName}: ${MARKED[state]}.`,
        ...(!back && {
          undo: () =>
            void mark(
              { ...shownAppointment, revision: shownAppointment.revision + 1 },
              shownAppointment.state,
              true,
            ),
        }),
      });
    router.refresh();
  };
  const go = (day: string) => router.push(day === today ? '/day' : `/day?on=${day}`);
  const shown = appointments.find(({ id }) => id === opened);
  const late = appointments.filter(({ standing }) => standing === 'late');
  const closed = closedWords(whyClosed(on, facts.opening), on, calendar);
  const come = appointments.filter(({ state }) => state === 'booked');
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-3">
        <div>
          <h1 className="text-3xl leading-tight font-bold wide">
            {on === today ? 'Today' : calendar.nameOfDay(on)}
          </h1>
          <p className="text-ink-soft">
            {on === today
              ? `${calendar.nameOfDay(on)}, ${calendar.day(on)}`
              : `${calendar.day(on)}, ${sayDistance(on, today)}`}{' '}
            · {closed && `${closed} · `}
            {come.length === 0
              ? 'nothing booked'
              : `${come.length} ${come.length === 1 ? 'appointment' : 'appointments'}`}
          </p>
        </div>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <Button aria-label="The day before" onClick={() => go(dayAfter(on, -1))}>
            <BackIcon />
          </Button>
          <input
            type="date"
            aria-label="Day"
            value={on}
            onChange={(event) => event.target.value && go(event.target.value)}
            className="h-10 rounded-ui border border-edge bg-field px-2 text-base hover:border-ink"
          />
          <Button aria-label="The day after" onClick={() => go(dayAfter(on, 1))}>
            <span className="rotate-180">
              <BackIcon />
            </span>
          </Button>
          {on !== today && (
            <Button look="quiet" onClick={() => go(today)}>
              Today
            </Button>
          )}
          <Link href={on === today ? '/day/week' : `/day/week?on=${on}`} className={buttonLook('quiet')}>
            Week
          </Link>
          <Button look="quiet" onClick={() => setAddress(true)}>
            Calendar …
          </Button>
          {come.length > 0 && (
            <Link
              href={on === today ? '/day/preparation' : `/day/preparation?on=${on}`}
              className={buttonLook('quiet')}
            >
              To lay out
            </Link>
          )}
          <Link href="/day/reminders" className={buttonLook('quiet')}>
            Reminders{facts.toRemind > 0 && ` (${facts.toRemind})`}
          </Link>
          <Button look="primary" onClick={() => setBooking({ on })}>
            <PlusIcon /> Book
          </Button>
        </div>
      </div>
      {late.length > 0 && (
        <p
          role="status"
          className="mb-4 rounded-ui bg-amber-pale p-3 text-base font-semibold text-amber-bark"
        >
          Late:{' '}
          {late
            .map(
              ({ clientName, lateMinutes, phone }) =>
                `${clientName}, ${lateMinutes} min${phone ? ` (${phone})` : ''}`,
            )
            .join('; ')}
          .
        </p>
      )}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_18.5rem]">
        <DayColumns
          facts={facts}
          onOpen={setOpened}
          onBook={setBooking}
          onMove={(shownAppointment, to) => void move(shownAppointment, to)}
        />
        <aside className="grid gap-4">
          <section aria-label="Due" className="card p-4">
            <h2 className="text-lg font-bold wide">Due and not booked</h2>
            {due.length === 0 && <p className="mt-1 text-sm text-ink-soft">Nobody within two weeks.</p>}
            <ul className="mt-2 grid gap-2">
              {due.map(({ clientId, clientName, phone, nextOn, nextWhat }) => (
                <li key={clientId} className="flex items-center gap-2">
                  <div className="min-w-0 flex-1">
                    <Link
                      href={`/clients/${clientId}`}
                      className="block truncate font-semibold hover:underline pointer-coarse:min-h-11 pointer-coarse:pt-2.5"
                    >
                      {clientName}
                    </Link>
                    <p
                      className={clsx(
                        'text-sm',
                        nextOn < today ? 'font-semibold text-amber-bark' : 'text-ink-soft',
                      )}
                    >
                      {KIND_WORDS[nextWhat]},{' '}
                      {nextOn < today ? `${daysBetween(nextOn, today)} days over` : calendar.day(nextOn)}
                    </p>
                    {(phone || reminded.includes(clientId)) && (
                      <p className="text-sm text-ink-soft">
                        {[phone, reminded.includes(clientId) && 'reminded'].filter(Boolean).join(' · ')}
                      </p>
                    )}
                  </div>
                  <Button
                    small
                    onClick={() =>
                      setBooking({
                        on: nextOn > today ? nextOn : on,
                        client: { id: clientId, name: clientName, phone },
                        kind: nextWhat,
                      })
                    }
                    aria-label={`Book ${clientName}`}
                  >
                    Book
                  </Button>
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="Unfinished records" className="card p-4">
            <h2 className="text-lg font-bold wide">Unfinished records</h2>
            {unfinished.length === 0 && <p className="mt-1 text-sm text-ink-soft">All signed off.</p>}
            <ul className="mt-2 grid gap-1">
              {unfinished.slice(0, 8).map(({ visitId, clientName, heldOn, recorded }) => (
                <li key={visitId}>
                  <Link
                    href={`/visits/${visitId}/record`}
                    className="flex items-baseline justify-between gap-2 text-base hover:underline"
                  >
                    <b className="truncate">{clientName}</b>
                    <span className="shrink-0 text-sm text-ink-soft">
                      {calendar.day(heldOn).replace(/ \d{4}$/, '')}, {recorded ? 'to sign' : 'to record'}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
            {unfinished.length > 8 && (
              <p className="mt-1 text-sm text-ink-soft">
                and {unfinished.length - 8} more of the last 30 days
              </p>
            )}
          </section>
        </aside>
      </div>
      {moved && (
        <div
          role={moved.problem ? 'alert' : 'status'}
          className="fixed bottom-5 left-1/2 z-40 flex -translate-x-1/2 items-center gap-3 rounded-ui border border-edge bg-raised px-4 py-2 shadow-lg"
        >
          <span className={clsx('text-base font-semibold', moved.problem && 'text-rowan')}>
            {moved.words}
          </span>
          {moved.undo && (
            <Button server small onClick={moved.undo}>
              Undo
            </Button>
          )}
          <Button small look="quiet" onClick={() => setMoved(undefined)}>
            Close
          </Button>
        </div>
      )}
      <Dialog
        open={booking !== undefined}
        onOpenChange={(open) => !open && setBooking(undefined)}
        title="Book"
        middle
      >
        {booking && (
          <AppointmentForm
            facts={facts}
            first={booking}
            onDone={(day) => {
              setBooking(undefined);
              if (day !== on || facts.toBook) go(day);
              else router.refresh();
            }}
          />
        )}
      </Dialog>
      <Dialog
        open={shown !== undefined}
        onOpenChange={(open) => !open && setOpened(undefined)}
        title={shown?.clientName ?? ''}
        middle
      >
        {shown && (
          <AppointmentCard
            key={`${shown.id} ${shown.revision}`}
            facts={facts}
            appointment={shown}
            onMark={(state) => {
              setOpened(undefined);
              void mark(shown, state);
            }}
            onDone={(day) => {
              setOpened(undefined);
              if (day && day !== on) go(day);
              else router.refresh();
            }}
          />
        )}
      </Dialog>
      <Dialog open={address} onOpenChange={setAddress} title="Your own calendar">
        <CalendarAddress since={facts.feedSince} />
      </Dialog>
    </>
  );
}
