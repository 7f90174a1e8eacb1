import type { Calendar } from '@/core/units';
import { Link } from '@/ui/link';
import type { Act, TrailEntry } from './queries';

const ACT_WORDS: Record<Act, string> = {
  'client-added': 'added the client',
  'client-changed': 'changed what is written down',
  'client-archived': 'archived the client',
  'client-restored': 'restored the client',
  'client-merged': 'merged two records',
  'client-unmerged': 'undid a merge',
  'client-exported': 'exported the record',
  'client-erased': 'erased the client',
  'visit-opened': 'opened a visit',
  'visit-begun': 'began the service',
  consult: 'edited the consultation',
  plan: 'edited the pattern',
  mix: 'edited the mix',
  outcome: 'edited the record',
  'signed-off': 'signed the record off',
  addendum: 'added to a signed record',
  booked: 'booked an appointment',
  'booking-changed': 'changed an appointment',
  reminded: 'sent a reminder',
  'page-made': 'made a page for the client’s phone',
  'page-revoked': 'withdrew the page for the client’s phone',
  'answers-sent': 'answered on their own page',
  'answers-settled': 'took over what the client answered',
  'feed-made': 'made a calendar address',
  'feed-revoked': 'withdrew a calendar address',
  'learnt-reset': 'had what was learnt of somebody forgotten',
  'photo-added': 'added a photo',
  'photo-changed': 'marked a photo',
  'photo-archived': 'archived a photo',
  'photo-restored': 'restored a photo',
  'photo-removed': 'deleted a photo',
  'test-added': 'wrote down a test',
  'test-read': 'read a test',
  'consent-given': 'took a consent',
  'consent-withdrawn': 'withdrew a consent',
  'reason-given': 'gave a reason',
  'person-invited': 'made an invitation',
  'person-joined': 'joined',
  'person-changed': 'changed somebody’s role',
  'hours-set': 'set working hours',
  'link-made': 'made a reset link',
  'password-set': 'set a password',
  'pin-set': 'set a PIN',
  house: 'changed the settings of the house',
  products: 'changed the products',
  'token-made': 'made a token',
  'token-revoked': 'withdrew a token',
};
const SHOWN = 8;

/** Who did what, newest first. */
export function TrailList({
  entries,
  calendar,
  ofClient,
}: {
  entries: readonly TrailEntry[];
  calendar: Calendar;
  ofClient: boolean;
}) {
  if (entries.length === 0) return <p className="card p-8 text-center text-ink-soft">Nothing here yet.</p>;
  return (
    <ol aria-label="Trail, newest first" className="card divide-y divide-line">
      {entries.map((entry, i) => (
        <li key={`${entry.at}${i}`} className="grid gap-x-5 px-5 py-3 sm:grid-cols-[9.5rem_minmax(0,1fr)]">
          <p className="text-sm text-ink-soft">{calendar.moment(entry.at)}</p>
          <div className="grid gap-1">
            <p>
              <b>{entry.personName ?? 'The server'}</b>
              {entry.via && ` by the tool “${entry.via}”`} {ACT_WORDS[entry.act]}
              {entry.visitOn && (
                <>
                  , visit of{' '}
                  <Link className="underline" href={`/visits/${entry.visitId}/pattern`}>
                    {calendar.day(entry.visitOn)}
                  </Link>
                </>
              )}
              {!ofClient && entry.clientId && (
                <>
                  :{' '}
                  {entry.clientName ? (
                    <Link className="underline" href={`/clients/${entry.clientId}`}>
                      {entry.clientName}
                    </Link>
                  ) : (
                    <span className="text-ink-soft">a client who was erased</span>
                  )}
                </>
              )}
            </p>
            {entry.words && (
              <p data-as-written className="text-sm text-ink-soft">
                {entry.words}
              </p>
            )}
            {entry.erased && (
              <p className="text-sm text-ink-soft">What it said was erased with the client.</p>
            )}
            {entry.changes.length > 0 && (
              <ul data-as-written className="text-sm text-ink-soft">
                {entry.changes.slice(0, SHOWN).map(({ where, from, to }) => (
                  <li key={where}>
                    {where}: {from} → <span className="text-ink">{to}</span>
                  </li>
                ))}
                {entry.changes.length + entry.more > SHOWN && (
                  <li>and {entry.changes.length + entry.more - SHOWN} more</li>
                )}
              </ul>
            )}
          </div>
        </li>
      ))}
    </ol>
  );
}
