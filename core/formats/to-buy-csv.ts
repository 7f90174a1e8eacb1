import type { Need } from '../mix';
import { csvTable, textCell } from './csv-table';
import type { TableStyle } from './products-csv';

const COLUMNS = ['product', 'short name', 'barcode', 'needed', 'in stock', 'missing', 'packs', 'pack holds', 'cost'] as const;

/** What is to be bought as a table that spreadsheets open: grams (sheets of foil), and money in the house's currency. */
export function toBuyCsv(needs: readonly Need[], { separator, decimalComma, minorPerUnit }: TableStyle): string {
  const figure = (value: number) => (decimalComma ? String(value).replace('.', ',') : String(value));
  const rows = needs.map(({ product, needed, short, packs }) => [
    textCell(product.name), textCell(product.id), textCell(product.barcode ?? ''), figure(needed), figure(product.stock), figure(short), figure(packs), figure(product.pack), figure((packs * product.packMinor) / minorPerUnit),
  ]);
  return csvTable(COLUMNS, rows, separator);
}
