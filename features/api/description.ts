import 'server-only';
import { z } from 'zod';
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi';
import { MOST_A_MINUTE } from './answer';
import { problemSchema, type Operation } from './operation';
import { OPERATIONS } from './queries';
import { SCOPES } from './scopes';

const PROBLEMS: Readonly<Record<number, string>> = {
  401: 'No token, or one that opens nothing',
  403: 'The token’s scopes or its person’s role do not reach so far',
  404: 'Not in this salon',
  429: `More than ${MOST_A_MINUTE} requests in a minute`,
};
const FOLLOWS: Readonly<Record<number, string>> = {
  412: 'Changed since; nothing was overwritten',
  428: 'If-Match is missing',
};

/** The API as OpenAPI 3.1 describes it, from the same operations and schemas that answer. */
export function openApi(): object {
  const paths: Record<string, Record<string, ZodOpenApiOperationObject>> = {};
  for (const operation of OPERATIONS)
    (paths[operation.path] ??= {})[operation.method.toLowerCase()] = described(operation);
  return createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Dappled Lattice',
      version: '1',
      description:
        'For a salon’s own tools. The owner makes tokens under House, Tokens. Documents are those of docs/formats; a change names the revision that it follows, and one that comes too late overwrites nothing.',
    },
    servers: [{ url: '/api/v1' }],
    security: [{ token: [] }],
    components: {
      securitySchemes: {
        token: {
          type: 'http',
          scheme: 'bearer',
          description: `Scopes: ${Object.entries(SCOPES)
            .map(([scope, words]) => `${scope} (${words})`)
            .join(', ')}`,
        },
      },
    },
    paths: paths as ZodOpenApiPathsObject,
  });
}

function described(operation: Operation): ZodOpenApiOperationObject {
  const ids = [...operation.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name);
  const statuses = {
    ...PROBLEMS,
    ...((operation.body || operation.query) && { 422: 'What was sent cannot be used' }),
    ...(operation.body && { 400: 'The body is not JSON', 413: 'The body is larger than a megabyte' }),
    ...(operation.follows && FOLLOWS),
    ...(operation.anyVersion && { 409: 'Not in this state of the visit' }),
  };
  const etag = operation.revised
    ? { headers: z.object({ ETag: z.string().describe('The revision, such as "3"') }) }
    : {};
  const good = {
    description: operation.makes ? 'Made' : 'Done',
    ...etag,
    content: { 'application/json': { schema: operation.answer } },
  };
  return {
    operationId: operation.id,
    summary: operation.summary,
    ...(operation.description && { description: operation.description }),
    security: [{ token: [operation.scope] }],
    requestParams: {
      ...(ids.length > 0 && { path: z.object(Object.fromEntries(ids.map((name) => [name, z.uuid()]))) }),
      ...(operation.query && { query: operation.query }),
      header: z.object({
        ...(operation.follows && {
          'If-Match': z.string().optional().describe('ETag of the revision that this follows'),
        }),
        ...(operation.revised &&
          operation.method === 'GET' && {
            'If-None-Match': z.string().optional().describe('Answered 304 where it is still this revision'),
          }),
        ...(operation.anyVersion && {
          'Idempotency-Key': z
            .uuid()
            .optional()
            .describe('The same request sent again with the same key is taken once'),
        }),
      }),
    },
    ...(operation.body && {
      requestBody: { required: true, content: { 'application/json': { schema: operation.body } } },
    }),
    responses: {
      200: operation.makes ? { ...good, description: 'Was there already' } : good,
      ...(operation.makes && { 201: good }),
      ...(operation.revised && operation.method === 'GET' && { 304: { description: 'Still this revision' } }),
      ...Object.fromEntries(
        Object.entries(statuses).map(([status, description]) => [
          status,
          { description, content: { 'application/problem+json': { schema: problemSchema } } },
        ]),
      ),
    },
  };
}
