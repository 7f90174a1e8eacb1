import type { Product } from '../products';
import type { Measures } from '../units';

/** How a house writes its tables. */
export interface TableStyle {
  readonly separator: ',' | ';' | '\t';
  readonly decimalComma: boolean;
  /** Minor units in one unit of the currency. */
  readonly minorPerUnit: number;
  readonly measures: Measures;
}

/** In what a product's amounts stand in a table: foil is counted in sheets. */
export const amountUnitOf = (
  { kind }: Pick<Product, 'kind'>,
  { amounts }: Measures,
): 'g' | 'oz' | 'sheets' => (kind === 'foil' ? 'sheets' : amounts === 'oz' ? 'oz' : 'g');
