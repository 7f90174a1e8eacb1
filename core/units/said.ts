import { bareLength, formatLength, MM_PER_INCH, type LengthUnit } from './length';
import { formatAmount, type AmountUnit } from './mass';
import { formatStrength, formatTemperature, type StrengthUnit, type TemperatureUnit } from './strength';

/** In what a house says its figures. */
export interface Measures {
  readonly lengths: LengthUnit;
  readonly amounts: AmountUnit;
  readonly strengths: StrengthUnit;
  readonly temperatures: TemperatureUnit;
}

export const METRIC: Measures = { lengths: 'mm', amounts: 'g', strengths: 'vol', temperatures: 'C' };

const CM2_PER_SQUARE_INCH = (MM_PER_INCH / 10) ** 2;
const FIGURE = String.raw`(\d+(?:\.\d+)?)`;
/** Two figures with one unit: `15–20 vol`, `80 × 4 mm`, `5 to 40 vol`. */
const BETWEEN = String.raw`(\s?[–×]\s?| to | and | or )`;

/** Figures of one unit rewritten, single ones and two that share it. */
function rewritten(
  text: string,
  unit: string,
  say: (value: number) => string,
  bare: (value: number) => string,
): string {
  return text
    .replace(
      new RegExp(`${FIGURE}${BETWEEN}${FIGURE} ${unit}`, 'g'),
      (_, a: string, between: string, b: string) => `${bare(Number(a))}${between}${say(Number(b))}`,
    )
    .replace(new RegExp(`${FIGURE} ${unit}`, 'g'), (_, a: string) => say(Number(a)));
}

/**
 * A sentence of the core, which is written in millimetres, grams, volumes and degrees Celsius, as a house
 * says it. Words of
 * people are never passed through it.
 */
export function inMeasures(text: string, { lengths, amounts, strengths, temperatures }: Measures): string {
  let said = text;
  if (lengths === 'in')
    said = said.replace(
      new RegExp(`${FIGURE} cm²`, 'g'),
      (_, area: string) => `${Number((Number(area) / CM2_PER_SQUARE_INCH).toFixed(1))} in²`,
    );
  if (lengths !== 'mm')
    said = rewritten(
      said,
      'mm\\b(?!²)',
      (mm) => formatLength(mm, lengths),
      (mm) => bareLength(mm, lengths),
    );
  if (amounts === 'oz')
    said = rewritten(
      said,
      'g\\b(?!/)',
      (grams) => formatAmount(grams, 'oz'),
      (grams) => formatAmount(grams, 'oz').replace(/ oz$/, ''),
    );
  if (strengths === '%')
    said = rewritten(
      said,
      'vol\\b',
      (volumes) => formatStrength(volumes, '%'),
      (volumes) => formatStrength(volumes, '%').replace(/%$/, ''),
    );
  if (temperatures === 'F')
    said = rewritten(
      said,
      '°C',
      (celsius) => formatTemperature(celsius, 'F'),
      (celsius) => formatTemperature(celsius, 'F').replace(/ °F$/, ''),
    );
  return said;
}
