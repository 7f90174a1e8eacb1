import type { ClientAnswers } from '@/core/consult';
import type { CalendarWriting } from '@/core/units';
import type { ConsentKind } from '@/core/visit';

/** What a client signs for by themselves; a guardian signs at the salon. */
export const OWN_CONSENTS = ['service', 'photo', 'reminders'] as const satisfies readonly ConsentKind[];

/** What the page on a client's own phone shows. */
export interface TheirPage {
  readonly salonName: string;
  readonly clientName: string;
  readonly expiresOn: string;
  /** YYYY-MM-DD */
  readonly today: string;
  readonly next: { readonly words: string; readonly minutes: number } | null;
  /** The price that was agreed, and when. */
  readonly agreed: string | null;
  /** After the last visit. */
  readonly after: { readonly on: string; readonly words: readonly string[] } | null;
  readonly answers: ClientAnswers;
  readonly sentAt: string | null;
  readonly consented: readonly ConsentKind[];
  readonly photoIds: readonly string[];
  readonly currency: string;
  readonly written: { readonly calendar: CalendarWriting; readonly timeZone: string };
}
