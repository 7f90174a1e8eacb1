import 'server-only';
import { parseWith } from '@/core/formats';
import { clientOfVisit, tellVisit } from '@/data/presence';
import { serverNow } from '@/data/now';
import { listenTo, type Present } from '@/data/signals';
import { eventStream } from '../http/event-stream';
import { endWithSession } from '../session/queries';
import type { SignedIn } from '../session/signed-in';
import { isId } from '../shared';
import { hereSchema, type Where } from './where';

/** Whoever was not heard of for so long is gone, ms: everybody is heard of every ten seconds. */
const SILENT_MS = 25_000;

/**
 * What others do with a visit, as server-sent events: `you` with the name of this station, `people` with
 * everybody else who has it open,
 * `saved` with a document and its revision, `facts` when something beside the documents changed, `missed`
 * when something may have been.
 */
export async function visitStream(
  person: SignedIn,
  visitId: string,
  where: Where,
  signal: AbortSignal,
): Promise<Response | null> {
  if (!isId(visitId)) return null;
  const station = crypto.randomUUID();
  let here: Present = { station, name: person.personName, ...where };
  const clientId = await clientOfVisit(person, visitId);
  if (clientId === undefined) return null;
  return eventStream('visit', signal, async ({ write, close, until }) => {
    const people = new Map<string, { readonly present: Present; readonly heardAt: number }>();
    let told = '';
    const event = (name: string, data: unknown) => write(`event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);
    const tellPeople = () => {
      const list = JSON.stringify([...people.values()].map(({ present }) => present));
      if (list !== told) event('people', JSON.parse(list));
      told = list;
    };
    const tell = (visitSignal: Parameters<typeof tellVisit>[2]) =>
      void tellVisit(person, visitId, visitSignal).catch(close);
    const heard = (present: Present) => {
      if (present.station === station) here = present;
      else people.set(present.station, { present, heardAt: serverNow() });
      tellPeople();
    };
    write('retry: 1000\n');
    event('you', station);
    until(() => tell({ gone: station }));
    until(
      await endWithSession(person, close, () => {
        for (const [other, { heardAt }] of people)
          if (serverNow() - heardAt > SILENT_MS) people.delete(other);
        tellPeople();
        event('now', serverNow());
        tell({ here });
      }),
    );
    until(await listenTo('client', clientId, () => event('facts', null)));
    until(
      await listenTo('visit', visitId, (said) => {
        if (said === null) event('missed', null);
        else if ('saved' in said) event('saved', said.saved);
        else if ('gone' in said) {
          people.delete(said.gone);
          tellPeople();
        } else {
          heard(said.here);
          if (said.asks && said.here.station !== station) tell({ here });
        }
      }),
    );
    // Now that this page listens: whoever is there answers.
    tell({ here, asks: true });
  });
}

/** Somebody went elsewhere in a visit that they have open. @returns what is wrong, in a sentence */
export async function tellWhere(
  person: SignedIn,
  visitId: string,
  body: unknown,
): Promise<{ readonly ok: boolean; readonly problem?: string }> {
  if (!isId(visitId)) return { ok: false, problem: 'There is no such visit in this salon.' };
  const read = parseWith(hereSchema, body);
  if (!read.ok) return read;
  const told = await tellVisit(person, visitId, { here: { ...read.value, name: person.personName } });
  return told ? { ok: true } : { ok: false, problem: 'There is no such visit in this salon.' };
}
