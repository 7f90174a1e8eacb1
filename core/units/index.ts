export { capital } from './capital';
export {
  calendarOf,
  DATE_ORDERS,
  DAY_FIRST,
  HOUR_COUNTS,
  type Calendar,
  type CalendarWriting,
} from './calendar';
export { dayAfter, daysBetween, minuteOf, today } from './day';
export { bareLength, formatLength, MM_PER_INCH, parseLength, type LengthUnit } from './length';
export { formatLevel, LEVEL_MAX, LEVEL_MIN } from './level';
export {
  AMOUNT_UNITS,
  formatAmount,
  formatAmounts,
  GRAMS_PER_OUNCE,
  shareOut,
  type AmountUnit,
} from './mass';
export {
  celsiusOf,
  fahrenheitOf,
  formatStrength,
  percentOf,
  STRENGTH_UNITS,
  TEMPERATURE_UNITS,
  volumesOf,
  type StrengthUnit,
  type TemperatureUnit,
} from './strength';
export { parseLengths } from './lengths';
export { inMeasures, METRIC, type Measures } from './said';
export { minorPerUnit, moneyIn } from './money';
export { percent } from './percent';
export { phoneKey } from './phone';
export { silently, toEnd } from './steps';
export { messageOf, type Problem, type Result, type ValueResult } from './result';
export { byKey, entriesOf, isOneOf, keysOf } from './records';
