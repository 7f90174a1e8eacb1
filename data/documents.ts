import type { Result, ValueResult } from '../core/units';

/** A stored document that this version cannot read; the row is left as it is. */
export class UnreadableDocument extends Error {
  override readonly name = 'UnreadableDocument';

  constructor(
    what: string,
    readonly problem: string,
  ) {
    super(`The stored ${what} cannot be read: ${problem}`);
  }
}

/**
 * A document from a JSON column. What is stored was checked when it was written, so a failure is a fault of
 * ours.
 * @throws UnreadableDocument
 */
export function stored<T>(what: string, parsed: ValueResult<T>): T {
  if (parsed.ok) return parsed.value;
  throw new UnreadableDocument(what, parsed.problem);
}

/** What is read, or the reason why it cannot be: one bad row must not take a whole page with it. */
export function readOrProblem<T>(read: () => T): Result<{ readonly value: T }> {
  try {
    return { ok: true, value: read() };
  } catch (error) {
    if (error instanceof UnreadableDocument) return { ok: false, problem: error.message };
    throw error;
  }
}
