import type { z } from 'zod';

/** What parsing at an edge gives: the trusted value, or one sentence for a person. */
export type Parsed<T> = { ok: true; value: T } | { ok: false; problem: string };

/** Where in a document a problem lies, as one would say it: `panels[1].thicknessMm`. */
export function pathOf(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part)),
    '',
  );
}

/** The first problem of a failed parse as a sentence that names the field. */
export function sentenceOf(error: z.ZodError): string {
  const issue = error.issues[0];
  const where = pathOf(issue.path);
  const what = issue.message.replace(/^Invalid input: /, '').replace(/\.?$/, '.');
  return where ? `${where}: ${what}` : what;
}

/** Parses with a schema; the failure is a sentence and no exception. */
export function parseWith<T>(schema: z.ZodType<T>, value: unknown): Parsed<T> {
  const result = schema.safeParse(value);
  return result.success ? { ok: true, value: result.data } : { ok: false, problem: sentenceOf(result.error) };
}
