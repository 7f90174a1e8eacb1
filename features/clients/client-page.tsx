import Link from 'next/link';
import { cssColour, naturalHair } from '@/core/lift';
import { formatLevel } from '@/core/units';
import { Button, buttonLook } from '@/ui/button';
import { HairSwatch } from '@/ui/hair-swatch';
import { BackIcon, PlusIcon } from '@/ui/icons';
import { daysBetween, sayDay, sayDistance } from '../shared';
import { addVisit } from './actions';
import type { ClientStory } from './queries';

const WEEKS_PER_MONTH = 365.25 / 12 / 7;

/** One client: regrowth, goal and the visits, newest first. */
export function ClientPage({ story, today }: { story: ClientStory; today: string }) {
  const { client, visits } = story;
  return (
    <>
      <Link href="/clients" className={`${buttonLook('quiet', true)} -ml-3`}><BackIcon /> Clients</Link>
      <div className="mt-2 mb-6 flex flex-wrap items-end gap-x-6 gap-y-3">
        <div>
          <h1 className="text-3xl leading-tight font-bold wide">{client.name}</h1>
          <p className="text-ink-soft">{[client.phone, client.note].filter(Boolean).join(' · ') || 'No phone or note yet.'}</p>
        </div>
        <div className="ml-auto flex gap-3">
          {client.openVisit && (
            <Link href={`/visits/${client.openVisit.id}/pattern`} className={buttonLook('primary')}>
              Open the visit
            </Link>
          )}
          <form action={addVisit.bind(null, client.id)}>
            <Button type="submit" look={client.openVisit ? 'plain' : 'primary'}><PlusIcon /> New visit</Button>
          </form>
        </div>
      </div>
      <div className="grid items-start gap-6 lg:grid-cols-[300px_1fr]">
        <Facts story={story} today={today} />
        {visits.length > 0 ? <Visits story={story} today={today} /> : (
          <p className="card p-8 text-center text-ink-soft">No visits yet. New visit opens today’s with its consultation.</p>
        )}
      </div>
    </>
  );
}

function Facts({ story, today }: { story: ClientStory; today: string }) {
  const { client, growth } = story;
  const late = client.nextOn ? daysBetween(client.nextOn, today) : 0;
  return (
    <dl className="card divide-y divide-line">
      <Fact name="Regrowth today, estimated">
        {client.regrowthToday && client.lastRecordedOn ? (
          <>
            <Figure>{Math.round(client.regrowthToday.mm)} mm</Figure>
            <Small>
              ± {Math.max(1, Math.round(client.regrowthToday.sd))} mm, last visit {sayDistance(client.lastRecordedOn, today)}. Measure it.
            </Small>
          </>
        ) : (
          <Small>Known after the first recorded visit.</Small>
        )}
      </Fact>
      <Fact name="Growth">
        <Figure>{(growth.mmPerWeek * WEEKS_PER_MONTH).toFixed(1)} mm a month</Figure>
        <Small>
          {growth.measuredIntervals > 0
            ? `± ${(growth.sd * WEEKS_PER_MONTH).toFixed(1)}, from ${growth.measuredIntervals} measured interval${growth.measuredIntervals > 1 ? 's' : ''}`
            : 'The average, until regrowth has been measured at a visit.'}
        </Small>
      </Fact>
      <Fact name="Base and goal">
        {client.naturalLevel !== null && client.goalLevel !== null ? (
          <p className="flex items-center gap-2 text-lg font-semibold">
            <HairSwatch colour={cssColour(naturalHair(client.naturalLevel))} width={36} height={26} /> {formatLevel(client.naturalLevel)}
            <span aria-hidden>→</span>
            <HairSwatch colour={cssColour(naturalHair(client.goalLevel))} width={36} height={26} /> {formatLevel(client.goalLevel)}
          </p>
        ) : (
          <Small>Asked at the first consultation.</Small>
        )}
      </Fact>
      <Fact name="Next visit">
        {client.nextOn ? (
          <>
            <Figure>{sayDay(client.nextOn)}</Figure>
            {late > 0 ? <p className="text-sm font-semibold text-amber-bark">Overdue by {late} days</p> : <Small>{sayDistance(client.nextOn, today)}</Small>}
          </>
        ) : (
          <Small>Nothing agreed.</Small>
        )}
      </Fact>
    </dl>
  );
}

function Visits({ story, today }: { story: ClientStory; today: string }) {
  return (
    <ol aria-label="Visits, newest first" className="grid gap-3">
      {story.visits.map((visit) => (
        <li key={visit.id} className="card group relative grid grid-cols-[120px_1fr_auto] gap-x-5 p-4 hover:bg-leaf-pale">
          <div>
            <p className="font-semibold">{sayDay(visit.heldOn)}</p>
            <p className="text-sm text-ink-soft">{sayDistance(visit.heldOn, today)}</p>
          </div>
          <div>
            <Link
              href={`/visits/${visit.id}/${visit.outcome ? 'record' : 'pattern'}`}
              className="text-md font-semibold after:absolute after:inset-0"
            >
              {visit.planName}
            </Link>
            <p className="text-sm text-ink-soft">
              {visit.outcome ? visit.outcome.done : visit.consult.notes || 'Planned, not yet recorded.'}
            </p>
          </div>
          <div className="text-right">
            {visit.outcome ? (
              <>
                <p className="flex items-center justify-end gap-2 font-semibold">
                  reached {formatLevel(visit.outcome.levelReached)}
                  <HairSwatch colour={cssColour(naturalHair(visit.outcome.levelReached))} />
                </p>
                <p className="text-sm text-ink-soft">{visit.outcome.foilsPlaced} foils · {visit.personName}</p>
              </>
            ) : (
              <>
                <p className="font-semibold text-leaf">Open</p>
                <p className="text-sm text-ink-soft">{visit.personName}</p>
              </>
            )}
          </div>
        </li>
      ))}
    </ol>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="px-4 py-3">
      <dt className="mb-1 text-sm text-ink-soft">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

const Figure = ({ children }: { children: React.ReactNode }) => <p className="text-xl font-semibold">{children}</p>;
const Small = ({ children }: { children: React.ReactNode }) => <p className="text-sm text-ink-soft">{children}</p>;
