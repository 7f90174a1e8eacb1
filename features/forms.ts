import type { z } from 'zod';
import { soundText } from '@/core/formats';
import { byKey } from '@/core/units';

/** The first problem of each field of a form, as a sentence. */
export function fieldProblems<F extends string>(error: z.ZodError): Partial<Record<F, string>> {
  return Object.fromEntries(error.issues.map((issue) => [issue.path[0], issue.message]).reverse()) as Partial<
    Record<F, string>
  >;
}

/** What a form's submit came to, with what was typed kept. */
export interface FormState<F extends string> {
  readonly fields: Readonly<Record<F, string>>;
  readonly problems: Partial<Record<F, string>>;
  /** Said above the form: done, or why not. */
  readonly said?: { readonly ok: boolean; readonly words: string };
}

/**
 * The texts of a form's fields. No browser sends the character zero or half a pair, and no database keeps
 * them: they are taken out.
 */
export function textsOf<F extends string>(data: FormData, names: readonly F[]): Record<F, string> {
  return byKey(names, (name) => soundText(String(data.get(name) ?? '')));
}
