import type { WhyNot } from '@/core/diary';
import type { Calendar } from '@/core/units';

/** Why a salon is closed on a day, in words; undefined where it is open. */
export function closedWords(
  why: WhyNot,
  on: string,
  calendar: Pick<Calendar, 'nameOfDay'>,
): string | undefined {
  if (why === null) return undefined;
  return why.kind === 'weekday' ? `Closed on ${calendar.nameOfDay(on)}s` : `Closed: ${why.words}`;
}
