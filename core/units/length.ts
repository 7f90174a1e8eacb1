import type { Result } from './result';

/** Millimetres in one inch (exact by international definition). */
export const MM_PER_INCH = 25.4;

export type LengthUnit = 'mm' | 'cm' | 'in';

export type ParsedLength = Result<{ mm: number }>;

const FACTORS: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
};

/**
 * Reads a length as it is spoken at the station: `6`, `6mm`, `0.6 cm`, `1/4"`, `1 1/2 in`, `0,5 cm`.
 *
 * @param text what was typed
 * @param house unit taken when none is typed
 * @returns the length in mm, or a sentence saying what could not be read. Never throws.
 */
export function parseLength(text: string, house: LengthUnit = 'mm'): ParsedLength {
  const cleaned = text.trim().toLowerCase().replace(',', '.');
  const match = /^(-?)(?:(\d+(?:\.\d+)?)\s+)?(\d+(?:\.\d+)?|\.\d+)(?:\s*\/\s*(\d+))?\s*([a-z"″]*)$/.exec(
    cleaned,
  );
  const unit = match?.[5] === '' ? house : (match?.[5] ?? '');
  const factor = FACTORS[unit];
  if (!match || factor === undefined || (match[2] !== undefined && match[4] === undefined)) {
    return { ok: false, problem: `“${text.trim()}” is not a length. Write it like 6 mm, 0.6 cm or 1/4".` };
  }
  const divisor = match[4] === undefined ? 1 : Number(match[4]);
  if (divisor === 0) return { ok: false, problem: `“${text.trim()}” divides by zero.` };
  const value = Number(match[2] ?? 0) + Number(match[3]) / divisor;
  return { ok: true, mm: (match[1] ? -1 : 1) * value * factor };
}

/**
 * A length for display: tenths of a millimetre, half tenths of a centimetre; inches in sixteenths, below a
 * quarter in
 * thirty-seconds and below an eighth in sixty-fourths, so that 1 and 2 mm differ and no length becomes
 * nought.
 */
export function formatLength(mm: number, unit: LengthUnit = 'mm'): string {
  if (unit === 'mm') return `${trim(mm, 1)} mm`;
  if (unit === 'cm') return `${trim(mm / 10, 2)} cm`;
  return `${formatInches(mm / MM_PER_INCH)}"`;
}

/** A length without its unit, where that stands beside it; inches keep their mark. */
export const bareLength = (mm: number, unit: LengthUnit = 'mm'): string =>
  formatLength(mm, unit).replace(/ (mm|cm)$/, '');

function trim(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}

function formatInches(inches: number): string {
  const size = Math.abs(inches);
  let bottom = size < 1 / 8 ? 64 : size < 1 / 4 ? 32 : 16;
  const parts = size > 0 ? Math.max(1, Math.round(size * bottom)) : 0;
  const sign = inches < 0 && parts > 0 ? '-' : '';
  const whole = Math.floor(parts / bottom);
  let top = parts % bottom;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return `${sign}${whole}`;
  return `${sign}${whole > 0 ? `${whole} ` : ''}${top}/${bottom}`;
}
