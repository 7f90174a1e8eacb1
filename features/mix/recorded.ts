import type { RecordedTest } from '@/core/mix';
import type { Safety } from '../safety/queries';

/** The strand tests of a client's record as the lift takes them. @param onDay day of the visit: later tests say nothing of it yet */
export function recordedTests({ tests }: Pick<Safety, 'tests'>, onDay: string): (RecordedTest & { readonly onDay: string })[] {
  return tests
    .filter((own) => own.kind === 'strand' && own.onDay <= onDay)
    .map((own) => ({ onDay: own.onDay, volumes: own.document.volume, minutes: own.document.minutes, from: own.document.fromLevel, level: own.document.level }));
}
