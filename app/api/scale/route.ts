import { z } from 'zod';
import { eventStream } from '@/features/http/event-stream';
import { jsonOf, route } from '@/features/http/route';
import { MOST_BYTES } from '@/features/limits';
import { canHandle, handleScale, scaleAt, scaleNames } from '@/features/scale/scale';
import type { ScaleEvent } from '@/features/scale/line-driver';
import { endWithSession } from '@/features/session/queries';

/** What a scale says, as a stream of events: that of `?at=`, or the first; 404 where this house has none. */
export const GET = route(
  'useScale',
  async (request, _params, person) => {
    const scale = scaleAt(new URL(request.url).searchParams.get('at'));
    if (!scale)
      return Response.json({ ok: false, problem: 'No scale is connected to this house.' }, { status: 404 });
    return eventStream('scale', request.signal, async ({ write, close, until }) => {
      const send = (
        event: ScaleEvent | { kind: 'here'; at: string; names: readonly string[]; handled: boolean },
      ) => write(`data: ${JSON.stringify(event)}\n\n`);
      send({ kind: 'here', at: scale.name, names: scaleNames(), handled: canHandle(scale.name) });
      until(scale.listen(send));
      until(await endWithSession(person, close));
    });
  },
  { listens: true },
);

const at = z.string().max(40).nullable();
const command = z.discriminatedUnion('do', [
  z.object({ at, do: z.literal('tare') }),
  z.object({ at, do: z.literal('pour'), grams: z.number('grams: must be a number.').min(-2000).max(2000) }),
  z.object({ at, do: z.literal('clear') }),
]);

/** Tares a scale; a simulated one is poured on and cleared from here too. */
export const POST = route('useScale', async (request) => {
  const read = command.safeParse(await jsonOf(request, MOST_BYTES.document, 'The command'));
  if (!read.success)
    return Response.json(
      { ok: false, problem: 'do: must be tare, pour or clear, and at: the name of a scale, or null.' },
      { status: 400 },
    );
  const own = read.data;
  const ok =
    own.do === 'tare'
      ? (scaleAt(own.at)?.tare() ?? false)
      : await handleScale(own.do === 'pour' ? `POUR ${own.grams}` : 'CLEAR');
  return ok
    ? Response.json({ ok })
    : Response.json({ ok, problem: 'The scale does not answer. Weigh by hand meanwhile.' }, { status: 503 });
});
