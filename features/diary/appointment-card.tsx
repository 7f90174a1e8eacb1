'use client';

import { useState } from 'react';
import { KIND_WORDS, STANDING_WORDS, type AppointmentState } from '@/core/diary';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { Link } from '@/ui/link';
import { useCalendar } from '../house/calendar';
import { hoursAndMinutes } from '../shared';
import { openAppointment } from './actions';
import { AppointmentForm, usePreparation } from './appointment-form';
import { Laid } from './laid';
import type { DayFacts, ShownAppointment } from './queries';

interface AppointmentCardProps {
  facts: DayFacts;
  appointment: ShownAppointment;
  /** @param on the day that it was moved to; null where it stays */
  onDone(on: string | null): void;
  onMark(state: AppointmentState): void;
}

/** One appointment: what is laid out for it, and what may become of it. */
export function AppointmentCard({ facts, appointment, onDone, onMark }: AppointmentCardProps) {
  const calendar = useCalendar();
  const { id, clientId, on, from, minutes, kind, state, note, phone, standing, redoOf, visitId } =
    appointment;
  const [moving, setMoving] = useState(false);
  const prepared = usePreparation(clientId, false);
  if (moving)
    return (
      <AppointmentForm
        facts={facts}
        own={appointment}
        first={{
          on,
          from,
          personId: appointment.personId,
          kind,
          client: { id: clientId, name: appointment.clientName, phone },
        }}
        onDone={onDone}
      />
    );
  return (
    <div className="grid gap-4">
      <p className="text-lg">
        <b>
          {calendar.time(from)}–{calendar.time(from + minutes)}
        </b>
        , {calendar.day(on)} · {KIND_WORDS[kind]}
        {redoOf && ` of ${calendar.day(redoOf)}`} · {hoursAndMinutes(minutes)}
        {STANDING_WORDS[standing] && (
          <>
            {' '}
            · <b>{STANDING_WORDS[standing]}</b>
          </>
        )}
        {phone && <span className="block text-base text-ink-soft">{phone}</span>}
        {note && <span className="block text-base">{note}</span>}
      </p>
      <div className="flex flex-wrap gap-2">
        {state === 'booked' && (
          <form action={openAppointment.bind(null, id)}>
            <Button server type="submit" look="primary">
              {visitId ? 'Open the visit' : 'Begin the visit'}
            </Button>
          </form>
        )}
        <Link href={`/clients/${clientId}`} className={buttonLook('plain')}>
          Client
        </Link>
        {state === 'booked' ? (
          <>
            <Button onClick={() => setMoving(true)}>Move or change</Button>
            <Button server look="quiet" onClick={() => onMark('cancelled')}>
              Cancel the appointment
            </Button>
            {on <= facts.today && (
              <Button server look="quiet" onClick={() => onMark('no-show')}>
                Did not come
              </Button>
            )}
          </>
        ) : (
          <Button server onClick={() => onMark('booked')}>
            Book again
          </Button>
        )}
        <a href={`/api/clients/${clientId}/calendar`} className={buttonLook('quiet')}>
          Calendar file
        </a>
      </div>
      {/* Below the buttons: what comes a moment later must not move them from under the finger. */}
      {prepared ? (
        <Laid prepared={prepared} />
      ) : (
        <p className="text-sm text-ink-soft">Working out what to lay out …</p>
      )}
    </div>
  );
}
