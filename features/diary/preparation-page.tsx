import { KIND_WORDS } from '@/core/diary';
import type { Calendar } from '@/core/units';
import { BackIcon } from '@/ui/icons';
import { Link } from '@/ui/link';
import { Laid, ToCut } from './laid';
import { PrintButton } from './print-button';
import type { DayPreparation } from './queries';

/**
 * What is laid out in the morning: for each visit of a day, and the foils to cut for all of them. One list to
 * print.
 */
export function PreparationPage({
  facts: { on, today, visits, toCut },
  calendar,
}: {
  facts: DayPreparation;
  calendar: Calendar;
}) {
  const foils = toCut.reduce((sum, { count }) => sum + count, 0);
  return (
    <>
      <div className="mb-5 flex flex-wrap items-end gap-x-4 gap-y-3">
        <div>
          <Link
            href={on === today ? '/day' : `/day?on=${on}`}
            className="inline-flex items-center gap-1 text-base font-semibold hover:underline pointer-coarse:min-h-11 print:hidden"
          >
            <BackIcon /> Day
          </Link>
          <h1 className="text-3xl leading-tight font-bold wide">To lay out</h1>
          <p className="text-ink-soft">
            {calendar.weekday(on)}, {visits.length} {visits.length === 1 ? 'appointment' : 'appointments'}. By
            the pattern of the last visit, or of the open one; amounts are estimates.
          </p>
        </div>
        <div className="ml-auto print:hidden">
          <PrintButton />
        </div>
      </div>
      {foils > 0 && (
        <p className="mb-5 rounded-ui bg-leaf-pale p-3 text-base">
          <b>{foils} foils to cut:</b> <ToCut toCut={toCut} most={12} />.
        </p>
      )}
      {visits.length === 0 && (
        <p className="card p-8 text-center text-ink-soft">Nothing is booked on {calendar.day(on)}.</p>
      )}
      <ol aria-label="To lay out" className="grid gap-4 lg:grid-cols-2 print:grid-cols-2">
        {visits.map(
          ({ appointment: { id, clientId, clientName, from, kind, personName, note }, prepared }) => (
            <li key={id} className="card grid content-start gap-2 p-4 break-inside-avoid">
              <p className="text-lg">
                <b>{calendar.time(from)}</b>{' '}
                <Link href={`/clients/${clientId}`} className="font-bold hover:underline">
                  {clientName}
                </Link>{' '}
                <span className="text-base text-ink-soft">
                  {KIND_WORDS[kind].toLowerCase()}, {personName}
                </span>
              </p>
              {note && (
                <p data-as-written className="text-base">
                  {note}
                </p>
              )}
              <Laid prepared={prepared} />
            </li>
          ),
        )}
      </ol>
    </>
  );
}
