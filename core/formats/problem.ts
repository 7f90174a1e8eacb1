import type { ValueResult } from '../units';
import type { z } from 'zod';
import { pathOf } from './path-of';
import { unsound } from './sound';

export { pathOf };

/** The first problem of a failed parse as a sentence that names the field. */
export function sentenceOf(error: z.ZodError): string {
  const issue = error.issues[0];
  const where = pathOf(issue.path);
  const what = issue.message.replace(/^Invalid input: /, '').replace(/\.?$/, '.');
  return where ? `${where}: ${what}` : what;
}

/** Parses with a schema; the failure is a sentence and no exception. */
export function parseWith<T>(schema: z.ZodType<T>, value: unknown): ValueResult<T> {
  const problem = unsound(value);
  if (problem !== undefined) return { ok: false, problem };
  const result = schema.safeParse(value);
  return result.success ? { ok: true, value: result.data } : { ok: false, problem: sentenceOf(result.error) };
}
