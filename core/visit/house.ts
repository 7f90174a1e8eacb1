import type { CheckLimits, Rule } from '../check/check';
import type { VisitPrices } from '../fee';
import type { Opening, WeekBeginning } from '../diary';
import type { FoilStock } from '../pattern';
import type { Schools } from '../school';
import type {
  AmountUnit,
  CalendarWriting,
  LengthUnit,
  Measures,
  StrengthUnit,
  TemperatureUnit,
} from '../units';
import type { HouseClock } from './clock';

/** What a salon sets once for all its visits. */
export interface House {
  version: 1;
  /** Unit in which lengths are said and read. */
  units: LengthUnit;
  /** In what amounts, strengths and temperatures are said and read. */
  measures: { amounts: AmountUnit; strengths: StrengthUnit; temperatures: TemperatureUnit };
  decimalComma: boolean;
  /** As the time zone database names it. */
  timeZone: string;
  /** How days and times are written, and which day a week begins with. */
  calendar: CalendarWriting & { weekBegins: WeekBeginning };
  /** When the salon is open. */
  opening: Opening;
  lockMinutes: number;
  /** What cautions go by; the leaflet and local rules come first. */
  cautions: {
    alertHours: number;
    alertDays: number;
    strongVolumes: number;
    scalpMm: number;
    warmestCelsius: number;
    age: number;
  };
  foil: FoilStock;
  prices: VisitPrices & { currency: string };
  /** What a client should take care of after a visit, in the words of the house; empty says nothing. */
  aftercare: string;
  reminders: { daysBefore: number; fromMinute: number | null; appointment: string; due: string };
  /** Time for the foils of a visit, minutes; null where none is set. */
  slotMinutes: number | null;
  /** Pattern checks that this house does not want. */
  rulesOff: Rule[];
  limits: Omit<CheckLimits, 'minutes'>;
  clock: HouseClock;
  /** At the chair a tap anywhere does what the large button does. */
  chair: { tapAnywhere: boolean };
  schools: Schools;
}

/**
 * Time for the foils of a visit, minutes: the house's or the client's, whichever is less; null where neither
 * is set.
 */
export function timeThereIs(
  { slotMinutes }: Pick<House, 'slotMinutes'>,
  minutesAtMost: number | null,
): number | null {
  if (slotMinutes === null || minutesAtMost === null) return slotMinutes ?? minutesAtMost;
  return Math.min(slotMinutes, minutesAtMost);
}

/** The checks' limits of a house. */
export function limitsOf({ limits, slotMinutes }: Pick<House, 'limits' | 'slotMinutes'>): CheckLimits {
  return { ...limits, minutes: slotMinutes };
}

/** In what a house says its figures: lengths have a setting of their own. */
export const measuresOf = ({ units, measures }: Pick<House, 'units' | 'measures'>): Measures => ({
  lengths: units,
  ...measures,
});
