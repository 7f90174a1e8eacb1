import {
  celsiusOf,
  fahrenheitOf,
  GRAMS_PER_OUNCE,
  METRIC,
  MM_PER_INCH,
  percentOf,
  volumesOf,
  type Measures,
} from '../units';

/**
 * A column whose figures a house may say in another unit, with the name that it has in each; the first is the
 * metric one.
 */
export interface MeasuredColumn {
  readonly quantity: keyof Measures;
  readonly names: Readonly<Record<string, string>>;
}

/** `thickness` is written as `thickness mm`, `thickness cm` or `thickness in`. */
export const lengthColumn = (name: string, metric = `${name} mm`): MeasuredColumn => ({
  quantity: 'lengths',
  names: { mm: metric, cm: `${name} cm`, in: `${name} in` },
});
export const amountColumn = (metric: string, ounces: string): MeasuredColumn => ({
  quantity: 'amounts',
  names: { g: metric, oz: ounces },
});
export const strengthColumn = (metric: string, percent: string): MeasuredColumn => ({
  quantity: 'strengths',
  names: { vol: metric, '%': percent },
});
export const temperatureColumn = (metric: string, fahrenheit: string): MeasuredColumn => ({
  quantity: 'temperatures',
  names: { C: metric, F: fahrenheit },
});

const UNITS: Readonly<
  Partial<
    Record<string, { readonly to: (metric: number) => number; readonly from: (figure: number) => number }>
  >
> = {
  cm: { to: (mm) => mm / 10, from: (cm) => cm * 10 },
  in: { to: (mm) => mm / MM_PER_INCH, from: (inches) => inches * MM_PER_INCH },
  oz: { to: (grams) => grams / GRAMS_PER_OUNCE, from: (ounces) => ounces * GRAMS_PER_OUNCE },
  '%': { to: percentOf, from: volumesOf },
  F: { to: fahrenheitOf, from: celsiusOf },
};

/**
 * A table's figures keep three digits after the point, so that a tenth of a metric unit comes back as it
 * went.
 */
const thousandth = (value: number) => Math.round(value * 1000) / 1000;
const tenth = (value: number) => Math.round(value * 10) / 10;

/** Unit in which a house writes a quantity; powder by the scoop is grams in a table. */
const unitOf = (quantity: keyof Measures, measures: Measures): string =>
  measures[quantity] in UNITS ? measures[quantity] : METRIC[quantity];

/** What a column is called in the tables of a house. */
export const columnName = (
  column: string,
  measured: MeasuredColumn | undefined,
  measures: Measures,
): string => measured?.names[unitOf(measured.quantity, measures)] ?? column;

/** A metric figure as the tables of a house write it. */
export function figureIn(value: number, quantity: keyof Measures | undefined, measures: Measures): number {
  const unit = quantity && UNITS[unitOf(quantity, measures)];
  return unit ? thousandth(unit.to(value)) : value;
}

/** A figure that was written in a unit, metric again, to the tenth. */
export function metricOf(figure: number, unit: string): number {
  const own = UNITS[unit];
  return own ? tenth(own.from(figure)) : figure;
}
