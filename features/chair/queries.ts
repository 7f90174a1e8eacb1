import 'server-only';
import { parseEventBatch } from '@/core/formats';
import type { Measures } from '@/core/units';
import { measuresOf, type House } from '@/core/visit';
import { readHouse } from '@/data/house';
import {
  appendEvents,
  liveServices,
  openService,
  readEvents,
  timeOfService,
  type LiveService,
  type OpenedService,
  type Reached,
  type TakenEvent,
} from '@/data/services';
import { listenTo } from '@/data/signals';
import { serverNow } from '@/data/now';
import { eventStream } from '../http/event-stream';
import { endWithSession } from '../session/queries';
import type { SignedIn } from '../session/signed-in';
import { isId } from '../shared';
import type { DeviceFacts } from './types';

export type { LiveService, OpenedService, TakenEvent };

const NO_VISIT = { ok: false, reason: 'missing', problem: 'There is no such visit in this salon.' } as const;

export type Answer<T> =
  Reached<T> | { readonly ok: false; readonly reason: 'invalid'; readonly problem: string };

/** Services under way in the salon, with who is at this device. */
export async function runningServices(
  person: SignedIn,
): Promise<Answer<DeviceFacts & { readonly services: readonly LiveService[] }>> {
  return {
    ok: true,
    value: {
      services: await liveServices(person),
      person: person.personName,
      salonId: person.salonId,
      serverNow: serverNow(),
    },
  };
}

/** A service with its script and everything that happened. */
export async function serviceFor(
  person: SignedIn,
  visitId: string,
): Promise<
  Answer<
    OpenedService &
      DeviceFacts & {
        readonly tapAnywhere: boolean;
        readonly measures: Measures;
        readonly written: Pick<House, 'calendar' | 'timeZone'>;
      }
  >
> {
  if (!isId(visitId)) return NO_VISIT;
  const [opened, house] = await Promise.all([openService(person, visitId), readHouse(person)]);
  if (!opened.ok) return opened;
  const { chair, units, measures, calendar, timeZone } = house.document;
  return {
    ok: true,
    value: {
      ...opened.value,
      person: person.personName,
      salonId: person.salonId,
      tapAnywhere: chair.tapAnywhere,
      measures: measuresOf({ units, measures }),
      written: { calendar, timeZone },
    },
  };
}

/** Takes events of a device. */
export async function takeEvents(
  person: SignedIn,
  visitId: string,
  batch: unknown,
): Promise<Answer<{ readonly events: readonly TakenEvent[]; readonly serverNow: number }>> {
  if (!isId(visitId)) return NO_VISIT;
  const read = parseEventBatch(batch);
  return read.ok
    ? appendEvents(person, visitId, read.value)
    : { ok: false, reason: 'invalid', problem: read.problem };
}

/**
 * What happens at a service from a position on, as server-sent events: `happened` with each event and its
 * position as id, `now`
 * with the server's time now and then. Ends when the session does.
 */
export async function serviceStream(
  person: SignedIn,
  visitId: string,
  after: number,
  signal: AbortSignal,
): Promise<Response | null> {
  if (!isId(visitId)) return null;
  return eventStream('service', signal, async ({ isOpen, write, close, until }) => {
    let sent = after;
    let wanted = false;
    let reading = false;
    // By how much the service's time is ahead of the server's: asked again only when an event shows that it
    // is.
    let ahead = 0;
    const measure = () =>
      timeOfService(person, visitId).then((now) => void (ahead = now - serverNow()), close);
    let told = 0;
    const pulse = () => {
      // The clock was put back since: the service's time goes on.
      ahead += Math.max(0, told - serverNow() - ahead);
      told = serverNow() + ahead;
      write(`event: now\ndata: ${told}\n\n`);
    };
    const push = async () => {
      wanted = true;
      if (reading) return;
      reading = true;
      try {
        while (wanted && isOpen()) {
          wanted = false;
          for (const event of await readEvents(person, visitId, sent)) {
            sent = event.position;
            if (event.at > serverNow() + ahead + 1) await measure();
            write(`id: ${sent}\nevent: happened\ndata: ${JSON.stringify(event)}\n\n`);
          }
        }
      } catch {
        // The database is away: the device asks again and loses nothing.
        close();
      } finally {
        reading = false;
      }
    };
    write('retry: 1000\n');
    await measure();
    pulse();
    until(await endWithSession(person, close, pulse));
    until(await listenTo('service', visitId, () => void push()));
    await push();
  });
}
