import type { Need } from '../mix';
import { figureIn } from './csv-measures';
import { csvTable, textCell } from './csv-table';
import { amountUnitOf, type TableStyle } from './table-style';

const COLUMNS = [
  'product',
  'short name',
  'barcode',
  'unit',
  'needed',
  'in stock',
  'missing',
  'packs',
  'pack holds',
  'cost',
] as const;

/**
 * What is to be bought as a table that spreadsheets open: in grams or ounces (foil in sheets), and money in
 * the house's currency.
 */
export function toBuyCsv(
  needs: readonly Need[],
  { separator, decimalComma, minorPerUnit, measures }: TableStyle,
): string {
  const figure = (value: number) => (decimalComma ? String(value).replace('.', ',') : String(value));
  const rows = needs.map(({ product, needed, short, packs }) => {
    const unit = amountUnitOf(product, measures);
    const amount = (value: number) => figure(unit === 'oz' ? figureIn(value, 'amounts', measures) : value);
    return [
      textCell(product.name),
      textCell(product.id),
      textCell(product.barcode ?? ''),
      unit,
      amount(needed),
      amount(product.stock),
      amount(short),
      figure(packs),
      amount(product.pack),
      figure((packs * product.packMinor) / minorPerUnit),
    ];
  });
  return csvTable(COLUMNS, rows, separator);
}
