import type { RecordedTest } from './visit';

/** A strand test as a record keeps it. */
interface KeptStrandTest {
  readonly kind: string;
  readonly onDay: string;
  readonly document: { readonly volume: number | null; readonly minutes: number | null; readonly fromLevel: number | null; readonly level: number | null };
}

/** The strand tests of a client's record as the lift takes them. @param onDay day of the visit: later tests say nothing of it yet */
export function recordedTests(tests: readonly KeptStrandTest[], onDay: string): (RecordedTest & { readonly onDay: string })[] {
  return tests
    .filter((own) => own.kind === 'strand' && own.onDay <= onDay)
    .map((own) => ({ onDay: own.onDay, volumes: own.document.volume, minutes: own.document.minutes, from: own.document.fromLevel, level: own.document.level }));
}
