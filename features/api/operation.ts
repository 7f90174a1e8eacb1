import { z } from 'zod';
import type { Scope } from './scopes';

/** Who asks. */
export interface Asker {
  readonly salonId: string;
  readonly salonName: string;
  readonly personId: string;
  readonly role: 'owner' | 'colourist' | 'assistant';
  readonly via: string;
}

/** What an operation answers: a body, and where it has revisions, the one that it is. */
export interface Answered {
  readonly body: unknown;
  readonly revision?: number;
  /** 201 where something was made by it, 200 where it was there. */
  readonly made?: boolean;
}

/** An operation as it is described, checked and done. */
export interface Operation {
  readonly id: string;
  readonly method: 'GET' | 'POST' | 'PUT';
  /** Segments in braces are ids. */
  readonly path: string;
  readonly summary: string;
  readonly description?: string;
  readonly scope: Scope;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** The body is read by its own format, which takes older versions: it is not checked against `body`. */
  readonly anyVersion?: boolean;
  readonly answer: z.ZodType;
  /** It answers with an ETag; with `If-None-Match` a GET of the same revision is answered 304. */
  readonly revised?: boolean;
  /** It changes what has a revision: `If-Match` says which one it follows. */
  readonly follows?: boolean;
  /** It makes something: 201. */
  readonly makes?: boolean;
  run(asker: Asker, asked: Asked): Promise<Answered>;
}

export interface Asked {
  readonly ids: readonly string[];
  readonly query: Readonly<Record<string, unknown>>;
  readonly body: unknown;
  /** Revision that a change follows; 0 where nothing is there yet. */
  readonly base: number;
  /** Of the request, so that one that is sent again is the same. */
  readonly editId: string;
}

type Infer<T, Else> = T extends z.ZodType ? z.infer<T> : Else;

/** Types what is asked by what is declared. */
export function operation<
  Q extends z.ZodObject | undefined = undefined,
  B extends z.ZodType | undefined = undefined,
>(
  own: Omit<Operation, 'run' | 'query' | 'body'> & {
    readonly query?: Q;
    readonly body?: B;
    run(
      asker: Asker,
      asked: Omit<Asked, 'query' | 'body'> & {
        readonly query: Infer<Q, Record<string, never>>;
        readonly body: Infer<B, undefined>;
      },
    ): Promise<Answered>;
  },
): Operation {
  return own as unknown as Operation;
}

/** A request that is not done, with its status and a sentence (RFC 9457). */
export class ApiProblem extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 412 | 413 | 422 | 428 | 429,
    message: string,
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(message);
  }
}

export const problemSchema = z
  .object({
    type: z.literal('about:blank'),
    title: z.string(),
    status: z.int(),
    detail: z.string().describe('What is wrong, in a sentence'),
  })
  .meta({ id: 'Problem', description: 'RFC 9457' });
