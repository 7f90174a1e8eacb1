import 'server-only';
import { pathOf, unsound } from '@/core/formats';
import type { z } from 'zod';
import { jsonOf, Refused } from '../http/route';
import { MOST_BYTES } from '../limits';
import { isId } from '../shared';
import { ApiProblem, type Asked, type Operation } from './operation';
import { holderOf, OPERATIONS, UnreadableDocument } from './queries';

/** Requests that one token may make in a minute. */
export const MOST_A_MINUTE = 600;
const TITLES: Readonly<Record<number, string>> = {
  400: 'Bad request',
  401: 'No token',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Conflict',
  412: 'Changed meanwhile',
  413: 'Too large',
  422: 'Cannot be used',
  428: 'Revision missing',
  429: 'Too many requests',
  500: 'Failed',
  503: 'Not now',
};

/** A refusal as RFC 9457 has it. */
function problem(status: number, detail: string, headers: Readonly<Record<string, string>> = {}): Response {
  return Response.json(
    { type: 'about:blank', title: TITLES[status] ?? 'Refused', status, detail },
    {
      status,
      headers: {
        'Content-Type': 'application/problem+json',
        'Cache-Control': 'no-store',
        ...(status === 413 && { Connection: 'close' }),
        ...headers,
      },
    },
  );
}
export const sayRefused = ({ status, message }: Refused): Response => problem(status, message);

/** Answers a request of a tool: the token first, then what it may do, then what it asks. */
export async function answerApi(request: Request, segments: readonly string[]): Promise<Response> {
  try {
    return await answered(request, segments);
  } catch (error) {
    if (error instanceof UnreadableDocument) return problem(409, error.message);
    if (error instanceof ApiProblem) return problem(error.status, error.message, error.headers);
    throw error;
  }
}

async function answered(request: Request, segments: readonly string[]): Promise<Response> {
  const secret = /^Bearer (\S+)$/i.exec(request.headers.get('authorization') ?? '')?.[1];
  const holder = secret === undefined ? undefined : await holderOf(secret);
  if (!holder) {
    throw new ApiProblem(
      401,
      secret === undefined
        ? 'Authorization: bring a token, as Bearer lattice_….'
        : 'Authorization: this token opens nothing, or no longer.',
      { 'WWW-Authenticate': 'Bearer' },
    );
  }
  if (holder.requests > MOST_A_MINUTE)
    throw new ApiProblem(429, `This token has asked more than ${MOST_A_MINUTE} times in a minute.`, {
      'Retry-After': '60',
    });
  const there = OPERATIONS.flatMap((operation) => {
    const ids = idsIn(operation.path, segments);
    return ids ? [{ own: operation, ids }] : [];
  });
  if (there.length === 0)
    throw new ApiProblem(404, 'There is nothing at this address; openapi.json says what there is.');
  const found = there.find(({ own }) => own.method === request.method);
  if (!found)
    return problem(405, `This address takes ${there.map(({ own }) => own.method).join(' and ')}.`, {
      Allow: there.map(({ own }) => own.method).join(', '),
    });
  const { own, ids } = found;
  if (!holder.scopes.includes(own.scope))
    throw new ApiProblem(403, `This token may not: it lacks ${own.scope}.`);
  const { body, revision, made } = await own.run(holder, await askedOf(request, own, ids));
  const etag = own.revised && revision !== undefined ? `"${revision}"` : undefined;
  const headers = { 'Cache-Control': 'no-store', ...(etag && { ETag: etag }) };
  if (
    etag &&
    own.method === 'GET' &&
    request.headers
      .get('if-none-match')
      ?.split(',')
      .some((one) => one.trim().replace(/^W\//, '') === etag)
  )
    return new Response(null, { status: 304, headers });
  return Response.json(body, { status: own.makes && made ? 201 : 200, headers });
}

/** The ids that stand at a path's braces; undefined where the path is another. */
function idsIn(path: string, segments: readonly string[]): string[] | undefined {
  const own = path.slice(1).split('/');
  if (own.length !== segments.length) return undefined;
  const ids: string[] = [];
  for (const [i, part] of own.entries()) {
    if (!part.startsWith('{')) {
      if (part !== segments[i]) return undefined;
    } else if (isId(segments[i])) ids.push(segments[i]);
    else return undefined;
  }
  return ids;
}

async function askedOf(request: Request, operation: Operation, ids: readonly string[]): Promise<Asked> {
  const base = operation.follows ? baseOf(request.headers) : 0;
  const query = operation.query ? checked(operation.query, queryOf(request)) : {};
  const raw = operation.body ? await jsonOf(request, MOST_BYTES.document, 'The document') : undefined;
  const body = operation.body && !operation.anyVersion ? checked(operation.body, raw) : raw;
  const key = request.headers.get('idempotency-key') ?? '';
  if (key !== '' && !isId(key)) throw new ApiProblem(422, 'Idempotency-Key: must be a UUID.');
  return { ids, query, body, base, editId: key || crypto.randomUUID() };
}

function queryOf(request: Request): Record<string, string> {
  const query: Record<string, string> = {};
  for (const [name, value] of new URL(request.url).searchParams) {
    if (name in query) throw new ApiProblem(422, `${name}: stands there twice.`);
    query[name] = value;
  }
  return query;
}

/** The revision that a change follows: `If-Match: "3"`, or `If-None-Match: *` where nothing is there yet. */
function baseOf(headers: Headers): number {
  if (headers.get('if-none-match')?.trim() === '*') return 0;
  const match = headers.get('if-match');
  if (match === null)
    throw new ApiProblem(
      428,
      'If-Match: say which revision this follows, as the ETag says it; If-None-Match: * where nothing is there yet.',
    );
  const revision = /^"(\d{1,10})"$/.exec(match.trim())?.[1];
  if (revision === undefined || Number(revision) >= 2 ** 31)
    throw new ApiProblem(412, 'If-Match: must be an ETag of this, such as "3".');
  return Number(revision);
}

function checked<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const wrong = unsound(value);
  if (wrong !== undefined) throw new ApiProblem(422, wrong);
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new ApiProblem(422, `${pathOf(issue.path) || 'The request'}: ${issue.message.replace(/\.$/, '')}.`);
}
