import 'server-only';
import { megabytes } from '../limits';
import { whoMay, type SignedIn } from '../session/signed-in';
import type { Act } from '../session/who-may';
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

/** What this salon has none of: `client`, `visit`. */
export const missing = (what: string): Refused =>
  new Refused(404, `There is no such ${what} in this salon.`, 'missing');

const ELSEWHERE = 'This came from a page of another site and was refused.';

type Handler<P> = (request: Request, params: P) => Promise<Response>;
/** Whoever asks is signed in, and may. */
type PersonsHandler<P> = (request: Request, params: P, person: SignedIn) => Promise<Response>;

const refusal = ({ status, message, reason }: Refused) =>
  Response.json(
    { ok: false, reason, problem: message },
    { status, headers: { 'Cache-Control': 'no-store', ...(status === 413 && { Connection: 'close' }) } },
  );

interface OpenDoor {
  /** How a refusal is written. */
  readonly say?: (refused: Refused) => Response;
}

interface Door extends OpenDoor {
  /** What it answers goes on for as long as somebody listens. */
  readonly listens?: boolean;
}

/** A refusal in plain words: for what a person opens or downloads. */
export const inWords = ({ status, message }: Refused): Response =>
  new Response(message, { status, headers: { 'Cache-Control': 'no-store' } });

/**
 * A route handler as all of them are: what writes or streams comes from a page of our own, whoever asks is signed
 * in and may (session/who-may.ts) before anything of the request is read, what goes wrong is said in a sentence,
 * and each request is counted and written down under an id of its own.
 */
export function route<P = Record<never, never>>(act: Act, handle: PersonsHandler<P>, door: Door = {}) {
  return answering<P>(async (request, params) => {
    const writes = request.method !== 'GET' && request.method !== 'HEAD';
    if (writes || door.listens) ownPagesOnly(request.headers);
    const who = await whoMay(act);
    if ('ok' in who) throw new Refused(who.reason === 'signed-out' ? 401 : 403, who.problem, who.reason);
    return handle(request, await params, who);
  }, door.say);
}

/** The same for what nobody signs in for: the handler asks for a token or a secret, or shows nothing of a salon. */
export function openRoute<P = Record<never, never>>(handle: Handler<P>, { say }: OpenDoor = {}) {
  return answering<P>(async (request, params) => handle(request, await params), say);
}

function answering<P>(
  handle: (request: Request, params: Promise<P>) => Promise<Response>,
  say: (refused: Refused) => Response = refusal,
) {
  return async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    const from = performance.now();
    const id = crypto.randomUUID().slice(0, 8);
    const about = { request: id, method: request.method, route: routeOf(new URL(request.url).pathname) };
    const answer = await answered(() => handle(request, params), say).catch((error: unknown) => {
      // How the framework goes elsewhere, or says that there is nothing.
      if (String((error as { digest?: unknown }).digest ?? '').startsWith('NEXT_')) throw error;
      watch().log.error({ ...about, ...errorFacts(error) }, 'failed');
      return say(
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

async function answered(
  handle: () => Promise<Response>,
  say: (refused: Refused) => Response,
): Promise<Response> {
  try {
    return await handle();
  } catch (error) {
    if (error instanceof Refused) return say(error);
    const problem = unavailable(error);
    if (problem === undefined) throw error;
    return say(new Refused(503, problem, 'unavailable'));
  }
}

/**
 * Browsers say where a request comes from; programs that say nothing bring no cookie of somebody else’s
 * along.
 * @throws Refused
 */
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

/** The form of a request with files. @param what its file is, for the sentence: `The picture` */
export async function formOf(request: Request, most: number, what: string): Promise<FormData> {
  const bytes = await bytesOf(request, most, what);
  try {
    return await new Response(bytes, {
      headers: { 'Content-Type': request.headers.get('content-type') ?? '' },
    }).formData();
  } catch {
    throw new Refused(400, `The request holds no ${what.replace(/^The /, '')}.`, 'invalid');
  }
}
