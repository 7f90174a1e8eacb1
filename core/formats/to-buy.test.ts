import Papa from 'papaparse';
import { isStocked, USUAL_RANGE } from '../products';
import { METRIC } from '../units';
import { toBuyCsv } from './to-buy-csv';

const need = (id: string, needed: number, short: number, packs: number) => ({
  product: USUAL_RANGE.filter(isStocked).find((stockedProduct) => stockedProduct.id === id)!,
  needed,
  short,
  packs,
  costMinor: 0,
});
const rows = (amounts: 'g' | 'oz') =>
  Papa.parse<Record<string, string>>(
    toBuyCsv([need('moth-dev-20', 4000, 200, 1), need('foil-120', 900, 140, 1)], {
      separator: ',',
      decimalComma: false,
      minorPerUnit: 100,
      measures: { ...METRIC, amounts },
    }),
    { header: true, skipEmptyLines: true },
  ).data;

test('what is to be bought, with its unit: grams or ounces, foil in sheets', () => {
  expect(rows('g')).toMatchObject([
    {
      unit: 'g',
      needed: '4000',
      'in stock': '3800',
      missing: '200',
      'pack holds': '1000',
      packs: '1',
      cost: '7.9',
    },
    { unit: 'sheets', needed: '900', missing: '140' },
  ]);
  // 4000 g at 28.3495 g to the ounce.
  expect(rows('oz')).toMatchObject([
    {
      unit: 'oz',
      needed: '141.096',
      'in stock': '134.041',
      missing: '7.055',
      'pack holds': '35.274',
      packs: '1',
      cost: '7.9',
    },
    { unit: 'sheets', needed: '900', missing: '140' },
  ]);
});
