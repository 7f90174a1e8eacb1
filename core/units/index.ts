export { capital } from './capital';
export { dayAfter, daysBetween, today } from './day';
export { bareLength, formatLength, MM_PER_INCH, parseLength, type LengthUnit, type ParsedLength } from './length';
export { formatLevel, LEVEL_MAX, LEVEL_MIN } from './level';
export { formatAmount, GRAMS_PER_OUNCE, shareOut, type AmountUnit } from './mass';
export { parseLengths } from './lengths';
