import type { Parsed } from '../core/formats';

/** A document from a JSON column; what is stored was checked when it was written, so a failure is a fault of ours. */
export function stored<T>(what: string, parsed: Parsed<T>): T {
  if (parsed.ok) return parsed.value;
  throw new Error(`The stored ${what} cannot be read: ${parsed.problem}`);
}
