import { levelLines, regrowthLines, targetProgress, type Target, type TargetProgress } from '@/core/growth';
import { conditionLines } from '@/core/hair-map';
import { zoneName } from '@/core/head';
import { cssColour, naturalHair } from '@/core/lift';
import { growthVisits, levelsByZone } from '@/core/record';
import { formatLevel, type Calendar } from '@/core/units';
import { HairSwatch } from '@/ui/hair-swatch';
import type { ShownClient } from './queries';
import { StoryChart } from './story-chart';

/** How regrowth, level and condition went from visit to visit, and how far each target is. */
export function Story({
  story: { visits, growth, today, client },
  calendar,
}: {
  story: ShownClient;
  calendar: Calendar;
}) {
  const recorded = visits.filter(({ outcome }) => outcome !== null).reverse();
  if (recorded.length === 0) return null;
  const levels = recorded.map(({ heldOn, outcome }) => ({
    on: heldOn,
    reached: outcome!.levelReached,
    levels: levelsByZone(outcome!),
  }));
  const seen = conditionLines(visits.map(({ heldOn, consult }) => ({ on: heldOn, consult })));
  const { goalLevel: goal, naturalLevel: natural } = client;
  const { goals, weeksBetween } = visits[0].consult;
  const targets: Target[] = goals.flatMap(({ words, level, byOn }) =>
    level === null ? [] : [{ words, level, byOn }],
  );
  if (goal !== null && !targets.some(({ level }) => level === goal))
    targets.push({ words: 'The goal', level: goal, byOn: null });
  const nextOn = client.nextOn !== null && client.nextOn > today ? client.nextOn : today;
  return (
    <section aria-label="Story" className="card grid gap-5 p-5">
      <div className="grid gap-6 lg:grid-cols-2">
        <StoryChart
          title="Regrowth by zone"
          lines={regrowthLines(growthVisits(visits), growth, today)}
          unit="mm"
          today={today}
          empty="Known after the first recorded visit."
        />
        <StoryChart
          title="Level by zone"
          lines={levelLines(levels)}
          unit="level"
          today={today}
          goal={goal ?? undefined}
          empty="No level on record yet."
        />
      </div>
      {natural !== null && targets.length > 0 && (
        <div className="border-t border-line pt-4">
          <h2 className="text-md font-bold">Targets, one by one</h2>
          <ol aria-label="Targets" className="mt-2 grid gap-4">
            {targetProgress(targets, levels, { natural, nextOn, weeksBetween }).map((progress, i) => (
              <TargetLine key={i} number={i + 1} own={progress} calendar={calendar} />
            ))}
          </ol>
        </div>
      )}
      {seen.length > 0 && (
        <div className="grid gap-6 border-t border-line pt-4 lg:grid-cols-2">
          <StoryChart
            title="Condition by zone, as it was seen"
            lines={seen}
            unit="condition"
            today={today}
            empty=""
          />
        </div>
      )}
    </section>
  );
}

const NAMED = 5;

function TargetLine({ number, own, calendar }: { number: number; own: TargetProgress; calendar: Calendar }) {
  const { words, level, byOn, byVisit, behind, inTime } = own;
  const known = byVisit.filter(({ zones }) => zones > 0);
  const there = known.at(-1)?.there ?? 0;
  const names = [...new Set(behind.map((zone) => zoneName(zone).toLowerCase()))];
  return (
    <li className="grid grid-cols-[20px_44px_minmax(0,1fr)_auto] items-start gap-x-3">
      <span className="text-lg leading-7 font-semibold text-leaf">{number}</span>
      <HairSwatch colour={cssColour(naturalHair(level))} width={40} height={28} />
      <div>
        <p className="text-base">
          <b>{words}</b>{' '}
          <span className="text-ink-soft">
            level {formatLevel(level)}
            {byOn && `, wished for by ${calendar.day(byOn)}`}
          </span>
        </p>
        <p className="text-base">
          {progressWords(own, calendar)}
          {inTime === false && <b className="text-amber-bark"> Later than they wish: tell them.</b>}
        </p>
        {names.length > 0 && (
          <p className="text-sm text-ink-soft">
            Not there yet:{' '}
            {there === 0
              ? 'everywhere'
              : `${names.slice(0, NAMED).join('; ')}${names.length > NAMED ? ` and ${names.length - NAMED} more` : ''}`}
            .
          </p>
        )}
      </div>
      {known.length > 0 && <Steps steps={known} calendar={calendar} />}
    </li>
  );
}

function progressWords({ way, reachedOn, sessions, expectedOn }: TargetProgress, calendar: Calendar): string {
  if (reachedOn) return `Reached on ${calendar.day(reachedOn)}.`;
  if (way === 'darker')
    return 'On the way back to darker hair: depth, a glaze and growth bring it, not lift.';
  const { missing, visits, gain, steps } = sessions!;
  const from =
    steps > 0
      ? `their own ${steps} ${steps === 1 ? 'step' : 'steps'} and the usual`
      : 'the usual until they have steps of their own';
  // A zone or a visit slipped back: the level itself was there before.
  if (visits === 0) return 'Reached before, and not at the last visit.';
  return `${formatLevel(Math.round(missing * 2) / 2)} ${missing > 1 ? 'levels' : 'level'} missing: about ${visits} more ${visits === 1 ? 'visit' : 'visits'} at ${gain.toFixed(1)} levels each (${from})${expectedOn ? `, about ${calendar.day(expectedOn)}` : ''}. An estimate; nothing is forced.`;
}

/** Zones that were there, visit by visit, as bars. */
function Steps({ steps, calendar }: { steps: TargetProgress['byVisit']; calendar: Calendar }) {
  const last = steps.at(-1)!;
  const words = steps
    .map(({ on, there, zones }) => `${there} of ${zones} zones on ${calendar.day(on)}`)
    .join(', ');
  return (
    <div className="text-right">
      <span role="img" aria-label={words} title={words} className="flex h-7 items-end justify-end gap-[3px]">
        {steps.slice(-8).map(({ on, there, zones }) => (
          <span key={on} className="relative block h-full w-2.5 rounded-[2px] bg-line">
            <span
              className="absolute inset-x-0 bottom-0 rounded-[2px] bg-leaf"
              style={{ height: `${(100 * there) / zones}%` }}
            />
          </span>
        ))}
      </span>
      <span className="text-sm text-ink-soft">
        {last.there} of {last.zones} zones
      </span>
    </div>
  );
}
