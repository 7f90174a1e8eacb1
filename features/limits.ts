/** How much is taken at once, bytes. next.config.ts holds the framework to the same figures. */
export const MOST_BYTES = {
  /** A document of a visit, or events of a service. */
  document: 1_000_000,
  /** The picture for the client, made on a screen. */
  estimate: 8_000_000,
  /** A table of clients. */
  table: 4_000_000,
  /** A form with all that it carries: a table, and what is written round it. */
  form: 5_000_000,
} as const;

/** A size as it is said: `4 MB`. */
export const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;
