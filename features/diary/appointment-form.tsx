'use client';

import { useEffect, useId, useMemo, useState } from 'react';
import {
  APPOINTMENT_KINDS,
  clashesWith,
  isOutside,
  KIND_WORDS,
  nearestOpenDay,
  openOn,
  whyClosed,
  workedOn,
  type AppointmentKind,
} from '@/core/diary';
import { dayAfter, type Result } from '@/core/units';
import { AskingForm } from '@/ui/asking-form';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Select } from '@/ui/select';
import { Switch } from '@/ui/switch';
import { useCalendar } from '../house/calendar';
import { closedWords } from './closed-words';
import { bookAppointment, moveAppointment, searchClients } from './actions';
import type { DayFacts, Preparation, ShownAppointment } from './queries';
import { readTime } from '../house/read-time';

interface Named {
  readonly id: string;
  readonly name: string;
  readonly phone: string;
}

/** What is known of a booking before it is made. */
export interface FirstBooking {
  readonly on: string;
  readonly from?: number;
  readonly personId?: string;
  readonly client?: Named;
  readonly kind?: AppointmentKind;
}

interface AppointmentFormProps {
  facts: DayFacts;
  first: FirstBooking;
  /** The appointment that is changed; a new one without. */
  own?: ShownAppointment;
  onDone(on: string): void;
}

/** An alert test lies so many days before: over the 48 hours of most leaflets. */
const TEST_DAYS = 3;

/** Books an appointment, or changes one: who, when, what for, and how long by the clock of their pattern. */
export function AppointmentForm({ facts, first, own, onDone }: AppointmentFormProps) {
  const calendar = useCalendar();
  const [client, setClient] = useState<Named | undefined>(first.client);
  const [on, setOn] = useState(first.on);
  const [time, setTime] = useState(calendar.time(first.from ?? 600));
  const [personId, setPerson] = useState(first.personId ?? facts.columns[0]?.personId ?? '');
  const [kind, setKind] = useState<AppointmentKind>(first.kind ?? 'full');
  const [typedMinutes, setMinutes] = useState<string | undefined>(own && String(own.minutes));
  const [note, setNote] = useState(own?.note ?? '');
  const [redoOf, setRedoOf] = useState('');
  const [test, setTest] = useState<boolean>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  // Sent again after an answer that was lost, it is one booking.
  const [ids] = useState(() => ({ visit: crypto.randomUUID(), test: crypto.randomUUID() }));
  const prepared = usePreparation(client?.id, true);
  const from = readTime(time);
  const minutes = typedMinutes ?? (prepared ? String(prepared.minutes[kind]) : '');
  const outside = outsideWords();
  const testMissing = Boolean(prepared?.alertTestMissing) && kind !== 'consult' && kind !== 'alert-test';
  const withTest = !own && testMissing && (test ?? dayAfter(on, -TEST_DAYS) >= facts.today);
  const clash = useMemo(() => {
    const others = facts.appointments.filter(
      (one) => one.personId === personId && one.state === 'booked' && one.id !== own?.id && one.on === on,
    );
    return on === facts.on && from >= 0
      ? clashesWith({ from, minutes: Number(minutes) || 0 }, others).map((i) => others[i])
      : [];
  }, [facts, personId, own?.id, on, from, minutes]);

  /** Why nobody is booked then as a rule; it is said, not forbidden. */
  function outsideWords(): string | undefined {
    if (on === '' || Number.isNaN(Date.parse(on))) return undefined;
    const closed = closedWords(whyClosed(on, facts.opening), on, calendar);
    if (closed)
      return `${closed}. The nearest open day is ${calendar.weekday(nearestOpenDay(on, facts.opening, facts.today))}.`;
    const column = facts.columns.find((one) => one.personId === personId);
    if (!column) return undefined;
    const hours = workedOn(on, facts.opening, column.working);
    const open = openOn(on, facts.opening)!;
    if (!hours) return `${column.name} does not work that day.`;
    if (Number.isNaN(from) || !isOutside({ from, minutes: Number(minutes) || 0 }, hours)) return undefined;
    const who =
      hours.from === open.from && hours.to === open.to ? 'The salon is open' : `${column.name} works`;
    return `Outside the hours: ${who} from ${calendar.time(hours.from)} to ${calendar.time(hours.to)} that day.`;
  }

  const send = async (): Promise<Result> => {
    const slot = {
      personId,
      on,
      from: Number.isNaN(from) ? -1 : from,
      minutes: /^\d+$/.test(minutes.trim()) ? Number(minutes) : Number.NaN,
      kind,
      note,
    };
    if (own) return moveAppointment(own.id, own.revision, slot);
    if (!client) return { ok: false, problem: 'Client: choose one.' };
    return bookAppointment({
      ...slot,
      id: ids.visit,
      clientId: client.id,
      redoOf: redoOf || null,
      alertTest: withTest ? { id: ids.test, on: dayAfter(on, -TEST_DAYS), from: slot.from } : null,
    });
  };
  return (
    <AskingForm
      name="appointment"
      className="grid gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setBusy(true);
        void send()
          .catch((): Result => ({
            ok: false,
            problem: 'No connection: nothing was booked. Try again when it is back.',
          }))
          .then((answer) => {
            setBusy(false);
            if (answer.ok) onDone(on);
            else setProblem(answer.problem);
          });
      }}
    >
      {!own && <ClientChoice client={client} onChoose={setClient} />}
      <div className="grid gap-4 sm:grid-cols-2">
        <Select
          label="What for"
          value={kind}
          options={APPOINTMENT_KINDS.map((value) => ({ value, words: KIND_WORDS[value] }))}
          onChange={(next) => {
            setKind(next);
            if (!own) setMinutes(undefined);
          }}
        />
        <Select
          label="Colourist"
          value={personId}
          options={facts.columns.map((column) => ({ value: column.personId, words: column.name }))}
          onChange={setPerson}
        />
      </div>
      {kind === 'redo' && !own && (
        <Select
          label="Visit that is put right"
          value={redoOf}
          options={[
            { value: '', words: prepared ? 'Choose' : 'Choose the client first' },
            ...(prepared?.visits ?? []).map(({ id, on: held, pattern }) => ({
              value: id,
              words: `${calendar.day(held)}, ${pattern}`,
            })),
          ]}
          onChange={setRedoOf}
        />
      )}
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label="Day" type="date" value={on} onChange={(event) => setOn(event.target.value)} />
        <TextField
          label="Time"
          inputMode="numeric"
          value={time}
          onChange={(event) => setTime(event.target.value)}
          onBlur={() => from >= 0 && setTime(calendar.time(from))}
        />
        <TextField
          label="Minutes"
          inputMode="numeric"
          value={minutes}
          hint={own || !client ? undefined : prepared ? lengthWords(prepared, kind) : 'working it out …'}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </div>
      <TextField
        label="Note"
        value={note}
        maxLength={500}
        onChange={(event) => setNote(event.target.value)}
      />
      {testMissing && !own && (
        <div className="flex items-start justify-between gap-4 rounded-ui bg-amber-pale p-3 text-base">
          <span>
            An alert test is missing or too old. Book one {TEST_DAYS} days before,{' '}
            {calendar.day(dayAfter(on, -TEST_DAYS))} at {Number.isNaN(from) ? '…' : calendar.time(from)}, 10
            min{dayAfter(on, -TEST_DAYS) < facts.today ? ': that day is over, choose a later visit' : ''}.
          </span>
          <Switch label="Book an alert test too" on={withTest} onChange={setTest} />
        </div>
      )}
      {outside && (
        <p role="status" className="rounded-ui bg-amber-pale p-3 text-base">
          {outside}
        </p>
      )}
      {clash.length > 0 && (
        <p role="status" className="rounded-ui bg-amber-pale p-3 text-base">
          At the same chair then:{' '}
          {clash
            .map(
              (one) =>
                `${one.clientName} ${calendar.time(one.from)}–${calendar.time(one.from + one.minutes)}`,
            )
            .join(', ')}
          . Both can be booked, if an assistant is there.
        </p>
      )}
      {problem && (
        <p role="alert" className="text-sm font-medium text-rowan">
          {problem}
        </p>
      )}
      <Button server type="submit" look="primary" disabled={busy}>
        {busy ? 'One moment …' : own ? 'Save' : 'Book'}
      </Button>
    </AskingForm>
  );
}

const lengthWords = ({ pattern, minutes }: Preparation, kind: AppointmentKind) =>
  pattern !== null && ['full', 'face', 'redo'].includes(kind)
    ? `by the clock of “${pattern}”: ${minutes[kind]}`
    : 'usual length';

/**
 * What their next visit needs, asked when a client is chosen; undefined until it is known.
 * @param timed how long it takes, too
 */
export function usePreparation(clientId: string | undefined, timed: boolean): Preparation | undefined {
  const [known, setKnown] = useState<{ clientId: string; prepared: Preparation }>();
  useEffect(() => {
    if (!clientId) return;
    const over = new AbortController();
    fetch(`/api/clients/${clientId}/preparation${timed ? '?timed' : ''}`, {
      cache: 'no-store',
      signal: over.signal,
    })
      .then(
        async (answer) => answer.ok && setKnown({ clientId, prepared: (await answer.json()) as Preparation }),
      )
      // Gone on to another client, or no connection: it stays unknown, and everything else goes on.
      .catch(() => undefined);
    return () => over.abort();
  }, [clientId, timed]);
  return known && known.clientId === clientId ? known.prepared : undefined;
}

function ClientChoice({
  client,
  onChoose,
}: {
  client: Named | undefined;
  onChoose(client: Named | undefined): void;
}) {
  const [words, setWords] = useState('');
  const [found, setFound] = useState<readonly Named[]>([]);
  const id = useId();
  useEffect(() => {
    if (words.trim() === '') return;
    let gone = false;
    const wait = setTimeout(
      () =>
        void searchClients(words).then(
          (all) => !gone && setFound(all),
          () => undefined,
        ),
      200,
    );
    return () => {
      gone = true;
      clearTimeout(wait);
    };
  }, [words]);
  if (client)
    return (
      <p className="flex items-center justify-between gap-3 text-lg">
        <b>{client.name}</b>
        <Button small look="quiet" onClick={() => onChoose(undefined)}>
          Another client
        </Button>
      </p>
    );
  return (
    <div>
      <TextField
        id={id}
        label="Client"
        value={words}
        autoComplete="off"
        placeholder="Name, phone or note"
        onChange={(event) => setWords(event.target.value)}
      />
      {words.trim() !== '' && (
        <ul
          aria-label="Clients found"
          className="mt-1 max-h-[168px] overflow-y-auto rounded-ui border border-line"
        >
          {found.length === 0 && (
            <li className="p-2 text-sm text-ink-soft">
              No client of that name. Add them under Clients first.
            </li>
          )}
          {found.map((named) => (
            <li key={named.id}>
              <button
                type="button"
                onClick={() => onChoose(named)}
                className="flex w-full justify-between gap-3 px-3 py-2 text-left text-base hover:bg-leaf-pale"
              >
                <b>{named.name}</b>
                <span className="text-ink-soft">{named.phone}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
