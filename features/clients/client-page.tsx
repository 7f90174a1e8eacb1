import { WEEKS_PER_MONTH } from '@/core/growth';
import { worstCondition } from '@/core/hair-map';
import { cssColour, naturalHair } from '@/core/lift';
import { formatLevel, inMeasures, type Calendar } from '@/core/units';
import { Button } from '@/ui/button';
import { buttonLook } from '@/ui/button-look';
import { Link } from '@/ui/link';
import { written } from '@/ui/written';
import { HairSwatch } from '@/ui/hair-swatch';
import { BackIcon, PlusIcon } from '@/ui/icons';
import { daysBetween, sayDistance } from '../shared';
import { MeasuresProvider } from '../house/measures';
import { addVisit } from './actions';
import { WarnIcon } from '@/ui/icons';
import { ageOn } from '@/core/caution';
import { PhotoSet } from '../photos/photo-set';
import { CONSENT_WORDS, RESULT_WORDS } from '../safety/words';
import { PageCard } from '../their-page/page-card';
import { ClientMenu } from './client-menu';
import type { ShownClient } from './queries';
import { Story } from './story';

/** One client: regrowth, goal and the visits, newest first. */
export function ClientPage({ story, calendar }: { story: ShownClient; calendar: Calendar }) {
  const { client, visits, today } = story;
  const about = [
    client.phone,
    client.email,
    client.bornOn && `${ageOn(client.bornOn, today)} years`,
    client.note,
  ].filter(Boolean);
  return (
    <MeasuresProvider measures={story.measures}>
      <Link href="/clients" className={`${buttonLook('quiet', true)} -ml-3`}>
        <BackIcon /> Clients
      </Link>
      <div className="mt-2 mb-6 flex flex-wrap items-end gap-x-6 gap-y-3">
        <div>
          <h1 className="text-3xl leading-tight font-bold wide">{client.name}</h1>
          <p className="text-ink-soft">{about.join(' · ') || 'No phone or note yet.'}</p>
          <FurtherNotes merges={story.merges} phone={client.phone} />
        </div>
        <div className="ml-auto flex gap-3">
          {client.openVisit && (
            <Link href={`/visits/${client.openVisit.id}/pattern`} className={buttonLook('primary')}>
              Open the visit
            </Link>
          )}
          <form action={addVisit.bind(null, client.id)}>
            <Button
              server
              type="submit"
              look={client.openVisit ? 'plain' : 'primary'}
              disabled={client.archived}
            >
              <PlusIcon /> New visit
            </Button>
          </form>
          <ClientMenu
            client={client}
            role={story.role}
            merge={story.merges.find(({ mergeId }) => mergeId !== null)}
          />
        </div>
      </div>
      {client.archived && (
        <p className="mb-4 rounded-ui bg-amber-pale p-3">
          Archived: not listed. Restore brings everything back as it was.
        </p>
      )}
      <Cautions story={story} />
      {story.unreadable.length > 0 && (
        <section
          aria-label="Visits that cannot be read"
          className="mb-5 rounded-ui bg-amber-pale p-3 text-amber-bark"
        >
          {story.unreadable.map(({ id, heldOn, problem }) => (
            <p key={id}>
              <b>Visit of {calendar.day(heldOn)}:</b> {problem} It is kept as it was written.
            </p>
          ))}
        </section>
      )}
      <div className="grid items-start gap-6 lg:grid-cols-[19rem_minmax(0,1fr)]">
        <div className="grid gap-6">
          <Facts story={story} today={today} calendar={calendar} />
          {!client.archived && <PageCard clientId={client.id} page={story.page} answered={story.answers} />}
        </div>
        {visits.length > 0 ? (
          <div className="grid gap-6">
            <Visits story={story} today={today} calendar={calendar} />
            <Story story={story} calendar={calendar} />
          </div>
        ) : (
          <p className="card p-8 text-center text-ink-soft">
            No visits yet. New visit opens today’s with its consultation.
          </p>
        )}
      </div>
      <section aria-label="Pictures" className="mt-6 grid gap-6 lg:grid-cols-2">
        <div className="card grid content-start gap-3 p-5">
          <h2 className="text-lg font-bold wide">What is wished for</h2>
          <PhotoSet clientId={client.id} visitId={null} kind="wish" />
        </div>
        <div className="card grid content-start gap-3 p-5">
          <h2 className="text-lg font-bold wide">Pictures of the hair</h2>
          <PhotoSet clientId={client.id} visitId={null} kind="hair" />
        </div>
      </section>
    </MeasuresProvider>
  );
}

/** What the records that were merged into this one said beside it. */
function FurtherNotes({ merges, phone }: { merges: ShownClient['merges']; phone: string }) {
  return merges.map(({ clientId, name, phone: other, furtherNote }) => {
    const words = [other === phone ? '' : other, furtherNote].filter(Boolean).join(' · ');
    return (
      words && (
        <p key={clientId} className="max-w-[70ch] text-ink-soft">
          <b>From the record “{name}”:</b> {words}
        </p>
      )
    );
  });
}

/** What must be known before anything is planned on them. */
function Cautions({ story: { cautions } }: { story: ShownClient }) {
  if (cautions.length === 0) return null;
  const stop = cautions.some(({ weight }) => weight === 'stop');
  return (
    <section
      aria-label="Cautions"
      className={`mb-5 flex gap-3 rounded-ui p-3 ${stop ? 'bg-rowan-pale' : 'bg-amber-pale'}`}
    >
      <span className={stop ? 'text-rowan' : 'text-amber-bark'}>
        <WarnIcon />
      </span>
      <ul className="grid gap-0.5">
        {cautions.map(({ key, weight, seen }) => (
          <li
            key={key}
            className={
              weight === 'stop'
                ? 'font-bold text-rowan'
                : weight === 'reason'
                  ? 'font-semibold text-amber-bark'
                  : ''
            }
          >
            {weight === 'stop' && 'Stop: '}
            {seen}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Facts({ story, today, calendar }: { story: ShownClient; today: string; calendar: Calendar }) {
  const { client, growth, safety, visits } = story;
  const goals = visits[0]?.consult.goals ?? [];
  const say = (figure: string) => written(inMeasures(figure, story.measures), story.decimalComma);
  const consents = safety.consents.filter(({ withdrawnAt }) => withdrawnAt === null);
  const late = client.nextOn ? daysBetween(client.nextOn, today) : 0;
  return (
    <dl className="card divide-y divide-line">
      <Fact
        name={client.regrowthToday?.measuredToday ? 'Regrowth, measured today' : 'Regrowth today, estimated'}
      >
        {client.regrowthToday && client.lastRecordedOn ? (
          <>
            <Figure>{say(`${Math.round(client.regrowthToday.mm)} mm`)}</Figure>
            <Small>
              ± {say(`${Math.max(1, Math.round(client.regrowthToday.sd))} mm`)}, last visit{' '}
              {sayDistance(client.lastRecordedOn, today)}.
              {client.regrowthToday.elsewhereMm !== null &&
                ` Up to ${say(`${Math.round(client.regrowthToday.elsewhereMm)} mm`)} where it was left alone.`}
              {!client.regrowthToday.measuredToday && ' Measure it.'}
            </Small>
          </>
        ) : (
          <Small>Known after the first recorded visit.</Small>
        )}
      </Fact>
      <Fact name="Growth">
        <Figure>{say(`${(growth.mmPerWeek * WEEKS_PER_MONTH).toFixed(1)} mm`)} a month</Figure>
        <Small>
          {growth.measuredIntervals > 0
            ? `± ${say((growth.sd * WEEKS_PER_MONTH).toFixed(1))}, from ${growth.measuredIntervals} measured interval${growth.measuredIntervals > 1 ? 's' : ''}`
            : 'The average, until regrowth has been measured at a visit.'}
        </Small>
      </Fact>
      <Fact name="Base and goal">
        {client.naturalLevel !== null && client.goalLevel !== null ? (
          <p className="flex items-center gap-2 text-lg font-semibold">
            <HairSwatch colour={cssColour(naturalHair(client.naturalLevel))} width={36} height={26} />{' '}
            {formatLevel(client.naturalLevel)}
            <span aria-hidden>→</span>
            <HairSwatch colour={cssColour(naturalHair(client.goalLevel))} width={36} height={26} />{' '}
            {formatLevel(client.goalLevel)}
          </p>
        ) : (
          <Small>Asked at the first consultation.</Small>
        )}
      </Fact>
      <Fact name="Next visit">
        {client.nextOn ? (
          <>
            <Figure>{calendar.day(client.nextOn)}</Figure>
            {late > 0 ? (
              <p className="text-sm font-semibold text-amber-bark">Overdue by {late} days</p>
            ) : (
              <Small>{sayDistance(client.nextOn, today)}</Small>
            )}
          </>
        ) : (
          <Small>Nothing agreed.</Small>
        )}
      </Fact>
      {story.rootLine && (
        <Fact name="Root line, estimated">
          {story.rootLine.words.map((words) => (
            <p key={words} className="text-base">
              {say(words)}
            </p>
          ))}
          <Small>Counted from {calendar.day(story.rootLine.on)}.</Small>
        </Fact>
      )}
      {goals.length > 0 && visits.every(({ outcome }) => outcome === null) && (
        <Fact name="Goals, visit by visit">
          <ol className="grid list-inside list-decimal gap-0.5 text-base">
            {goals.map(({ words }) => (
              <li key={words}>{words}</li>
            ))}
          </ol>
        </Fact>
      )}
      <Fact name="Tests">
        {safety.tests.length === 0 ? (
          <Small>None on record.</Small>
        ) : (
          safety.tests.slice(0, 3).map(({ id, kind, onDay, result }) => (
            <p key={id} className="text-base">
              {kind === 'alert' ? 'Alert test' : 'Strand test'}, {calendar.day(onDay)}:{' '}
              <b className={result === 'reaction' || result === 'failed' ? 'text-rowan' : ''}>
                {result ? RESULT_WORDS[result] : 'not read yet'}
              </b>
            </p>
          ))
        )}
      </Fact>
      <Fact name="Consents">
        {consents.length === 0 ? (
          <Small>None signed.</Small>
        ) : (
          <p className="text-base">
            {[...new Set(consents.map(({ kind }) => CONSENT_WORDS[kind].name))].join(', ')}
          </p>
        )}
      </Fact>
    </dl>
  );
}

function Visits({ story, today, calendar }: { story: ShownClient; today: string; calendar: Calendar }) {
  return (
    <ol aria-label="Visits, newest first" className="grid gap-3">
      {story.visits.map((visit) => (
        <li
          key={visit.id}
          className="card group relative grid grid-cols-[120px_1fr_auto] gap-x-5 p-4 hover:bg-leaf-pale"
        >
          <div>
            <p className="font-semibold">{calendar.day(visit.heldOn)}</p>
            <p className="text-sm text-ink-soft">{sayDistance(visit.heldOn, today)}</p>
          </div>
          <div>
            <Link
              href={`/visits/${visit.id}/${visit.outcome ? 'record' : 'pattern'}`}
              className="text-md font-semibold after:absolute after:inset-0"
            >
              {visit.planName}
            </Link>
            <p className="text-sm text-ink-soft" data-as-written>
              {visit.outcome ? visit.outcome.done : visit.consult.notes || 'Planned, not yet recorded.'}
            </p>
            <Aside visit={visit} />
          </div>
          <div className="text-right">
            {visit.outcome ? (
              <>
                <p className="flex items-center justify-end gap-2 font-semibold">
                  reached {formatLevel(visit.outcome.levelReached)}
                  <HairSwatch colour={cssColour(naturalHair(visit.outcome.levelReached))} />
                </p>
                <p className="text-sm text-ink-soft">
                  {visit.outcome.foilsPlaced} foils · {visit.personName}
                </p>
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

/** What they said, and the worst that was seen of the hair's condition. */
function Aside({ visit: { outcome, consult } }: { visit: ShownClient['visits'][number] }) {
  const worst = worstCondition(consult);
  const words = [outcome?.said && `“${outcome.said}”`, worst && `Hair ${worst.words}`].filter(Boolean);
  return words.length > 0 && <p className="text-sm">{words.join(' · ')}</p>;
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="px-4 py-3">
      <dt className="mb-1 text-sm text-ink-soft">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

const Figure = ({ children }: { children: React.ReactNode }) => (
  <p className="text-xl font-semibold">{children}</p>
);
const Small = ({ children }: { children: React.ReactNode }) => (
  <p className="text-sm text-ink-soft">{children}</p>
);
