/** Something that cannot be had or done, with a sentence for the person who asked. */
export interface Problem {
  readonly ok: false;
  readonly problem: string;
}

/** What was asked for, under its names, or why there is none; `Result` alone where something is only done. */
export type Result<Given extends object = object> = ({ readonly ok: true } & Given) | Problem;

/** The same for one value that has no name but its own. */
export type ValueResult<T> = Result<{ readonly value: T }>;

/** What was thrown, in its own words; anything can be. */
export const messageOf = (thrown: unknown): string =>
  thrown instanceof Error ? thrown.message : String(thrown);
