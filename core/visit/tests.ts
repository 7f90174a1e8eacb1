/**
 * What a test was made with and what was seen; a strand test's level at a minute calibrates lift for this
 * head.
 */
export interface TestDocument {
  version: 1;
  product: string;
  /** Strength of the developer, volumes. */
  volume: number | null;
  /** Minute at which it was read, and the levels before and then. */
  minutes: number | null;
  fromLevel: number | null;
  level: number | null;
  note: string;
}

/** A test of the client's skin or hair. */
export interface HairTest {
  readonly kind: 'alert' | 'strand';
  /** Day on which it was put on, YYYY-MM-DD. */
  readonly onDay: string;
  /** clear or reaction (alert); passed or failed (strand); null while it is not read yet. */
  readonly result: 'clear' | 'reaction' | 'passed' | 'failed' | null;
}

/** A test with what was written down of it. */
export interface WrittenTest extends HairTest {
  readonly document: Pick<TestDocument, 'volume' | 'minutes' | 'fromLevel' | 'level'>;
}

/** What a client signs for. */
export const CONSENT_KINDS = ['photo', 'service', 'guardian', 'reminders'] as const;
export type ConsentKind = (typeof CONSENT_KINDS)[number];

/** A strand test as it was written down: what of it was not read is null. */
export interface RecordedTest {
  readonly onDay: string;
  readonly volumes: number | null;
  readonly minutes: number | null;
  readonly from: number | null;
  readonly level: number | null;
}

/**
 * The strand tests of a client's record as the lift takes them.
 * @param onDay day of the visit: later tests say nothing of it yet
 */
export function recordedTests(tests: readonly WrittenTest[], onDay: string): RecordedTest[] {
  return tests
    .filter((test) => test.kind === 'strand' && test.onDay <= onDay)
    .map((test) => ({
      onDay: test.onDay,
      volumes: test.document.volume,
      minutes: test.document.minutes,
      from: test.document.fromLevel,
      level: test.document.level,
    }));
}
