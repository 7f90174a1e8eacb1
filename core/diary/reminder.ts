import { daysBetween, isOneOf } from '../units';
import type { Slot } from './types';

/** What stands in a reminder's words for what is filled in, with what it says. */
const REMINDER_FIELDS = ['name', 'day', 'time', 'colourist', 'salon', 'page'] as const;
type ReminderField = (typeof REMINDER_FIELDS)[number];

/** Reminders are of an appointment, or of a visit that is due and not booked. */
export type ReminderKind = 'appointment' | 'due';

/**
 * The usual words. What is done to their hair is nobody's business who looks over their shoulder: it is not
 * named.
 */
export const USUAL_REMINDER_WORDS: Readonly<Record<ReminderKind, string>> = {
  appointment:
    'Hello {name}, we look forward to seeing you on {day} at {time}, with {colourist}. Tell us beforehand what you wish for: {page} If anything has changed, please ring us. {salon}',
  due: 'Hello {name}, your next visit was planned for about {day}. Ring us and we find a time. {salon}',
};

/** What may stand in the words of a kind: a visit that is not booked has no time and no colourist. */
const ALLOWED: Readonly<Record<ReminderKind, readonly ReminderField[]>> = {
  appointment: REMINDER_FIELDS,
  due: ['name', 'day', 'salon', 'page'],
};

/** What is wrong with the words of a reminder; undefined where nothing is. */
export function reminderProblem(kind: ReminderKind, words: string): string | undefined {
  const allowed = ALLOWED[kind];
  for (const [whole, inside] of words.matchAll(/\{([^{}]*)\}/g)) {
    if (!isOneOf(allowed, inside))
      return `cannot fill in ${whole}: it knows ${allowed.map((field) => `{${field}}`).join(', ')}`;
  }
  if (/[{}]/.test(words.replace(/\{[^{}]*\}/g, ''))) return 'has a brace that is not closed or not opened';
  if (kind === 'appointment' && !(words.includes('{day}') && words.includes('{time}')))
    return 'must say {day} and {time}: a reminder of nothing reminds nobody';
  return undefined;
}

/** Fills in the words of a reminder. A name is called by its first word. */
export function fillReminder(words: string, facts: Readonly<Partial<Record<ReminderField, string>>>): string {
  return words.replace(/\{(\w+)\}/g, (whole, field: string) => {
    const value = isOneOf(REMINDER_FIELDS, field) ? facts[field] : undefined;
    if (value === undefined) return whole;
    return field === 'name' ? value.trim().split(/\s+/)[0] : value;
  });
}

/** Where the address of the client's own page goes: it is made when the reminder goes out, and not before. */
export const PAGE_FIELD = '{page}';

/** The words with the address of the client's own page in them. */
export const withPage = (words: string, address: string): string => words.replaceAll(PAGE_FIELD, address);

/**
 * Characters of the 7-bit alphabet of text messages (3GPP TS 23.038), and those of its extension, which count
 * twice.
 */
const BASIC = new Set(
  '@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !"#¤%&\'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà',
);
const EXTENDED = new Set('^{}\\[~]|€');

/**
 * How many text messages the words take: 160 characters in one or 153 in each of several; 70 and 67 with any
 * character outside the 7-bit alphabet.
 */
export function textsNeeded(words: string): number {
  const all = [...words];
  if (all.every((own) => BASIC.has(own) || EXTENDED.has(own))) {
    const size = all.reduce((sum, own) => sum + (EXTENDED.has(own) ? 2 : 1), 0);
    return size <= 160 ? 1 : Math.ceil(size / 153);
  }
  return words.length <= 70 ? 1 : Math.ceil(words.length / 67);
}

/** Whether a phone number can be texted: seven to fifteen digits (ITU-T E.164 has at most fifteen). */
export const canBeTexted = (phone: string): boolean => /^\d{7,15}$/.test(phone.replace(/\D/g, ''));

/** How a reminder stands: to be sent, sent, not gone through, or why it cannot be sent. */
export type ReminderStanding = 'to-send' | 'sent' | 'failed' | 'underway' | 'no-phone' | 'no-consent';

interface ReminderFacts {
  readonly phone: string;
  readonly consent: boolean;
  /** The reminder of this very time that is kept; null where there is none. */
  readonly kept: 'queued' | 'sent' | 'failed' | null;
}

/** How a reminder stands. What was sent stays sent, whatever is withdrawn later. */
export function reminderStanding({ phone, consent, kept }: ReminderFacts): ReminderStanding {
  if (kept === 'sent') return 'sent';
  if (!canBeTexted(phone)) return 'no-phone';
  if (!consent) return 'no-consent';
  if (kept === null) return 'to-send';
  return kept === 'failed' ? 'failed' : 'underway';
}

/** Nobody is texted later in the day than this, minute of the day. */
const LATEST_MINUTE = 21 * 60;
/** Nor when the appointment is as near as this, minutes. */
const TOO_NEAR_MIN = 60;

/**
 * Whether the reminder of an appointment goes out by itself now: so many days before it, or nearer, from the
 * minute that the
 * house has set until nine in the evening.
 * @param fromMinute minute of the day; null: nothing goes out by itself
 */
export function goesOutNow(
  { on, from }: Pick<Slot, 'on' | 'from'>,
  { daysBefore, fromMinute }: { readonly daysBefore: number; readonly fromMinute: number | null },
  day: string,
  minute: number,
): boolean {
  if (fromMinute === null || minute < fromMinute || minute >= LATEST_MINUTE) return false;
  const ahead = daysBetween(day, on);
  return ahead <= daysBefore && (ahead > 0 || (ahead === 0 && from - minute >= TOO_NEAR_MIN));
}
