import type { ReceiptHead, ReceiptRow } from '../fee';
import { cut } from './sheet-text';
import { printedText, type PrintedText, type Shape } from './shapes';
import type { StationSheet } from './station-sheet';

/** A5, upright, mm (ISO 216). */
const PAGE = { width: 148, height: 210, margin: 14 };
const SOFT = '#55635b';
const LINE = '#b9c2b8';
const STEP = 6.5;
const SIZE = 3.8;
/** Room for the figure beside a line. */
const FIGURE_MM = 34;

/** The receipt for the client on one page. Lines that find no place on it are added up in one. */
export function receiptSheet(
  { salon, client, on, money }: ReceiptHead,
  rows: readonly ReceiptRow[],
): StationSheet {
  const shapes: Shape[] = [];
  const right = PAGE.width - PAGE.margin;
  const text = (text: PrintedText) => shapes.push(printedText(text));
  const rule = (y: number) =>
    shapes.push({ kind: 'path', d: `M${PAGE.margin} ${y}H${right}`, stroke: LINE, width: 0.25 });
  text({
    x: PAGE.margin,
    y: 22,
    size: 6,
    words: cut(salon, 6, right - PAGE.margin, 700),
    weight: 700,
  });
  text({
    x: PAGE.margin,
    y: 29,
    size: SIZE,
    words: cut(`${client}, ${on}`, SIZE, right - PAGE.margin - 30),
    fill: SOFT,
  });
  text({ x: right, y: 29, size: SIZE, words: 'Receipt', fill: SOFT, anchor: 'end' });
  rule(33);
  let y = 35;
  for (const { words, minor, total } of fitting(rows)) {
    if (total) rule(y + 2);
    y += total ? STEP + 2 : STEP;
    const weight = total ? 700 : 400;
    text({
      x: PAGE.margin,
      y,
      size: SIZE,
      words: cut(words, SIZE, right - PAGE.margin - FIGURE_MM, weight),
      weight,
    });
    text({ x: right, y, size: SIZE, words: money(minor), weight, anchor: 'end' });
  }
  return { widthMm: PAGE.width, heightMm: PAGE.height, title: `Receipt, ${client}, ${on}`, shapes };
}

const MOST_ROWS = Math.floor((PAGE.height - PAGE.margin - 40) / STEP);

/** The rows that fit: of too many single lines the last ones before the total become one. */
function fitting(rows: readonly ReceiptRow[]): readonly ReceiptRow[] {
  const over = rows.length - MOST_ROWS;
  if (over <= 0) return rows;
  const at = rows.findIndex(({ total }) => total);
  const [kept, joined, rest] = [rows.slice(0, at - over - 1), rows.slice(at - over - 1, at), rows.slice(at)];
  return [
    ...kept,
    { words: `${joined.length} more`, minor: joined.reduce((sum, { minor }) => sum + minor, 0) },
    ...rest,
  ];
}
