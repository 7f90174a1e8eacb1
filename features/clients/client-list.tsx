import { cssColour, naturalHair } from '@/core/lift';
import { calendarOf, formatLevel, inMeasures, type Calendar } from '@/core/units';
import { measuresOf, type House } from '@/core/visit';
import { HairSwatch } from '@/ui/hair-swatch';
import { Link } from '@/ui/link';
import { written } from '@/ui/written';
import { daysBetween, sayDistance } from '../shared';
import type { ClientSummary } from './queries';

/** Clients with the facts that matter before a visit. */
export function ClientList({
  clients,
  today,
  house,
}: {
  clients: readonly ClientSummary[];
  today: string;
  house: House;
}) {
  const say = (mm: number) =>
    written(inMeasures(`${Math.round(mm)} mm`, measuresOf(house)), house.decimalComma);
  return (
    <table className="stacks w-full border-separate border-spacing-x-0 border-spacing-y-2 text-left">
      <thead className="text-xs text-ink-soft">
        <tr>
          <th scope="col" className="px-4 font-medium">
            Client
          </th>
          <th scope="col" className="px-4 font-medium">
            Base → goal
          </th>
          <th scope="col" className="px-4 font-medium">
            Last visit
          </th>
          <th scope="col" className="px-4 text-right font-medium">
            Regrowth today, estimated
          </th>
          <th scope="col" className="px-4 font-medium">
            Next
          </th>
        </tr>
      </thead>
      <tbody>
        {clients.map((client) => (
          <tr
            key={client.id}
            className="group relative max-md:mb-2 max-md:rounded-ui max-md:border max-md:border-line max-md:bg-raised max-md:px-4 max-md:py-3 max-md:*:border-0! max-md:*:px-0! max-md:*:py-0.5!"
          >
            <th
              scope="row"
              className="rounded-l-ui border-y border-l border-line bg-raised px-4 py-3 group-hover:bg-leaf-pale"
            >
              <Link
                href={`/clients/${client.id}`}
                className="text-md font-semibold after:absolute after:inset-0"
              >
                {client.name}
              </Link>
              <p className="max-w-[22rem] truncate text-sm font-normal text-ink-soft">
                {client.foundBy ? (
                  <>
                    by its pattern: <b className="text-ink">{client.foundBy}</b>
                  </>
                ) : (
                  client.note || client.phone || ' '
                )}
              </p>
            </th>
            <td className="border-y border-line bg-raised px-4 group-hover:bg-leaf-pale">
              <Levels from={client.naturalLevel} to={client.goalLevel} />
            </td>
            <td className="border-y border-line bg-raised px-4 group-hover:bg-leaf-pale">
              {client.lastRecordedOn ? (
                sayDistance(client.lastRecordedOn, today)
              ) : (
                <span className="text-ink-soft">none yet</span>
              )}
            </td>
            <td className="border-y border-line bg-raised px-4 text-right group-hover:bg-leaf-pale">
              {client.regrowthToday ? (
                <>
                  <span className="text-md font-semibold">{say(client.regrowthToday.mm)}</span>{' '}
                  <span className="text-sm text-ink-soft">
                    ± {say(Math.max(1, client.regrowthToday.sd))}
                    <span className="md:sr-only"> grown, estimated</span>
                  </span>
                </>
              ) : (
                <span className="text-ink-soft">regrowth unknown</span>
              )}
            </td>
            <td className="rounded-r-ui border-y border-r border-line bg-raised px-4 group-hover:bg-leaf-pale">
              <Next client={client} today={today} calendar={calendarOf(house)} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Levels({ from, to }: { from: number | null; to: number | null }) {
  if (from === null || to === null) return <span className="text-ink-soft">not asked yet</span>;
  return (
    <span className="flex items-center gap-2 whitespace-nowrap">
      <HairSwatch colour={cssColour(naturalHair(from))} /> {formatLevel(from)} <span aria-hidden>→</span>
      <HairSwatch colour={cssColour(naturalHair(to))} /> {formatLevel(to)}
    </span>
  );
}

function Next({ client, today, calendar }: { client: ClientSummary; today: string; calendar: Calendar }) {
  if (client.openVisit) {
    return (
      <span className="font-semibold text-leaf">
        Visit open, {sayDistance(client.openVisit.heldOn, today)}
      </span>
    );
  }
  if (!client.nextOn) return <span className="text-ink-soft">nothing agreed</span>;
  const late = daysBetween(client.nextOn, today);
  if (late > 0)
    return <span className="font-semibold text-amber-bark">Overdue since {calendar.day(client.nextOn)}</span>;
  return <span>{sayDistance(client.nextOn, today)}</span>;
}
