import type { Result } from '../../core/units';

/** One verb of the command line. */
export interface Verb {
  readonly name: string;
  /** The call, without the program's name. */
  readonly usage: string;
  readonly summary: string;
  readonly help: string;
  /**
   * Computes what is to be printed and written; writes nothing itself, so bad input leaves nothing
   * half-written.
   */
  run(args: readonly string[]): Promise<VerbResult>;
}

export type VerbResult = Result<{ output: string; files?: Readonly<Record<string, string>> }>;

/** JSON as every verb prints it. */
export const printed = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
