import { MINUTE } from '@/core/chair';

/** How long until, or since: `in 6 min`, `now`, `4 min ago`. */
export function until(at: number, now: number): string {
  const minutes = Math.round((at - now) / MINUTE);
  return minutes > 0 ? `in ${minutes} min` : minutes === 0 ? 'now' : `${-minutes} min ago`;
}

/** Seconds as they are counted: `0:34`, `2:05`. */
export function seconds(ms: number): string {
  const whole = Math.max(0, Math.floor(ms / 1000));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

export const USUAL_NOTES = [
  'Client asked for a pause',
  'Product swelling',
  'Scalp felt warm',
  'Foil slipped',
  'Hair drier than thought',
  'Bleed at the root',
] as const;
export const USUAL_SKIPS = ['Too short', 'Light enough', 'Fragile', 'Client’s wish'] as const;
export const USUAL_INCIDENTS = [
  'Burning or stinging',
  'Client unwell',
  'Hair feels stretchy',
  'Fire alarm or leaving the house',
] as const;
export const USUAL_REASONS = [
  'Stuck, watched by the minute',
  'Opened and cooled',
  'Client agreed to go on',
] as const;
export const USUAL_ENDS = [
  'Client unwell',
  'Client had to leave',
  'Stopped, hair not sound enough',
  'Begun for the wrong client',
] as const;
export const USUAL_MORE = [
  'Not there yet',
  'Hair is sound',
  'Started late',
  'Client agreed to go on',
] as const;
export const USUAL_AGAIN = [
  'Stuck at yellow',
  'Product has dried',
  'Goal is lighter',
  'Weak and long, as planned',
] as const;
export const USUAL_STRENGTHS = [
  'Lifts slower than thought',
  'Lifts faster than thought',
  'Late, catch up at the front',
  'Near the hairline',
] as const;
export const USUAL_STEP_SKIPS = [
  'No toner needed',
  'Already light enough',
  'No time',
  'Client’s wish',
] as const;
