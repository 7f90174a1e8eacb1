import 'server-only';
import { megabytes } from '../limits';
import { currentPerson } from '../session/current';
import { errorFacts, routeOf, unavailable, watch } from './queries';

/** A request that is answered with a status and a sentence, and nothing else. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly reason = 'refused',
  ) {
    super(message);
  }
}

const SIGNED_OUT =
  'This station is locked or signed out. What you did is kept on this device; unlock it with your PIN or password.';
const ELSEWHERE = 'This came from a page of another site and was refused.';

export type Handler<P> = (request: Request, params: P) => Promise<Response>;

const refusal = ({ status, message, reason }: Refused) =>
  Response.json(
    { ok: false, reason, problem: message },
    { status, headers: { 'Cache-Control': 'no-store', ...(status === 413 && { Connection: 'close' }) } },
  );

interface Door {
  /** What it answers goes on for as long as somebody listens. */
  readonly listens?: boolean;
  /** Whoever asks brings a token and no cookie, and the handler asks for it before anything else. */
  readonly tokens?: boolean;
  /** How a refusal is written. */
  readonly say?: (refused: Refused) => Response;
}

/**
 * A route handler as all of them are: what writes or streams comes from a page of our own, whoever writes is signed in before anything of
 * the request is read, what goes wrong is said in a sentence, and each request is counted and written down under an id of its own.
 */
export function route<P = Record<never, never>>(handle: Handler<P>, door: Door = {}) {
  return async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    const from = performance.now();
    const id = crypto.randomUUID().slice(0, 8);
    const about = { request: id, method: request.method, route: routeOf(new URL(request.url).pathname) };
    const answer = await answered(request, params, handle, door).catch((error: unknown) => {
      // How the framework goes elsewhere, or says that there is nothing.
      if (String((error as { digest?: unknown }).digest ?? '').startsWith('NEXT_')) throw error;
      watch().log.error({ ...about, ...errorFacts(error) }, 'failed');
      return (door.say ?? refusal)(
        new Refused(
          500,
          `Something went wrong on the server. Whoever runs it can find it in the log under ${id}.`,
          'failed',
        ),
      );
    });
    const seconds = (performance.now() - from) / 1000;
    watch().requests.observe({ method: about.method, route: about.route, status: answer.status }, seconds);
    watch().log.info({ ...about, status: answer.status, ms: Math.round(1000 * seconds) }, 'request');
    answer.headers.set('X-Request-Id', id);
    return answer;
  };
}

async function answered<P>(
  request: Request,
  params: Promise<P>,
  handle: Handler<P>,
  { listens, tokens, say = refusal }: Door,
): Promise<Response> {
  const writes = request.method !== 'GET' && request.method !== 'HEAD';
  try {
    if (!tokens) {
      if (writes || listens) ownPagesOnly(request.headers);
      if (writes && !(await currentPerson())) throw new Refused(401, SIGNED_OUT, 'signed-out');
    }
    return await handle(request, await params);
  } catch (error) {
    if (error instanceof Refused) return say(error);
    const problem = unavailable(error);
    if (problem === undefined) throw error;
    return say(new Refused(503, problem, 'unavailable'));
  }
}

/** Browsers say where a request comes from; programs that say nothing bring no cookie of somebody else’s along. @throws Refused */
function ownPagesOnly(headers: Headers): void {
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') throw new Refused(403, ELSEWHERE);
  const origin = headers.get('origin');
  const host = headers.get('x-forwarded-host') ?? headers.get('host');
  if (origin !== null && (!URL.canParse(origin) || new URL(origin).host !== host))
    throw new Refused(403, ELSEWHERE);
}

/**
 * The body of a request, never more of it than is allowed.
 * @param what it is, for the sentence: `The document`
 * @throws Refused where it is larger
 */
export async function bytesOf(
  request: Request,
  most: number,
  what: string,
): Promise<Uint8Array<ArrayBuffer>> {
  const tooLarge = () =>
    new Refused(413, `${what} is larger than ${most >= 2e6 ? megabytes(most) : 'a megabyte'}.`, 'invalid');
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge();
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of request.body ?? []) {
    length += part.length;
    if (length > most) throw tooLarge();
    parts.push(part);
  }
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** The body of a request as JSON. @throws Refused where it is none, or larger than is allowed */
export async function jsonOf(request: Request, most: number, what: string): Promise<unknown> {
  const bytes = await bytesOf(request, most, what);
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new Refused(400, 'The request body is not JSON.', 'invalid');
  }
}
