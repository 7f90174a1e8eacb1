import { parseLength, type LengthUnit } from './length';

/**
 * Reads several lengths in a row: `2, 2, 5`, `2; 2; 5` or `2 2 5`, in any unit.
 * @param decimalComma whether a comma without a space after it belongs to a figure
 * @returns undefined where one of them is no length, or there is none
 */
export function parseLengths(
  text: string,
  unit: LengthUnit = 'mm',
  decimalComma = false,
): number[] | undefined {
  // A unit or a fraction stays with its figure: 1 1/2", 2 mm.
  const joined = text
    .trim()
    .replace(/(\d)\s+(mm|cm|in)\b/gi, '$1$2')
    .replace(/(\d)\s+(\d+\/\d+)/g, '$1 $2');
  const parts = joined
    .split(decimalComma ? /;\s*|,\s+|\s+(?!\d+\/)/ : /[;,]\s*|\s+(?!\d+\/)/)
    .filter((part) => part !== '' && part !== '…');
  const read = parts.map((part) => parseLength(part, unit));
  const mm = read.flatMap((parsedLength) => (parsedLength.ok ? [parsedLength.mm] : []));
  return mm.length === 0 || mm.length < read.length ? undefined : mm;
}
