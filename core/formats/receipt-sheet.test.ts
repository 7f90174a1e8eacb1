import { itemise, receiptRows, receiptText, type ReceiptRow } from '../fee';
import { receiptSheet } from './receipt-sheet';

const head = {
  salon: 'Fernhollow',
  client: 'Nell Ashdown',
  on: '25 Nov 2026',
  money: (minor: number) => (minor / 100).toFixed(2),
};
const words = (rows: readonly ReceiptRow[]) =>
  receiptSheet(head, rows).shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.words] : []));
const row = (minor: number): ReceiptRow => ({ words: `Line ${minor}`, minor });

test('the page says what the text says, with the same figures', () => {
  const estimate: ReturnType<typeof itemise> = {
    lines: [
      { words: 'Foils', minor: 15_000 },
      { words: 'Toner', minor: 2500 },
    ] as never,
    totalMinor: 17_500,
  } as never;
  const rows = receiptRows({
    estimate,
    agreedMinor: 17_000,
    payments: [
      { what: 'deposit', minor: 5000 },
      { what: 'payment', minor: 12_000 },
      { what: 'tip', minor: 500 },
    ],
    taxPercent: 20,
  });
  expect(rows.map(({ words: own, minor }) => [own, minor])).toEqual([
    ['Foils', 15_000],
    ['Toner', 2500],
    ['Agreed, less', -500],
    ['Total', 17_000],
    ['within it 20% tax', 2833],
    ['Deposit', 5000],
    ['Paid', 12_000],
    ['Owed', 0],
    ['Tip, thank you', 500],
  ]);
  const said = words(rows);
  for (const { words: own, minor } of rows)
    expect(said).toEqual(expect.arrayContaining([own, head.money(minor)]));
  expect(said).toEqual(expect.arrayContaining(['Fernhollow', 'Nell Ashdown, 25 Nov 2026']));
  expect(receiptText(head, rows)).toContain('Total              170.00');
});

test('however many lines there are, they stay on the page and add up', () => {
  const lines = Array.from({ length: 60 }, (_, i) => row(100 + i));
  const sum = lines.reduce((all, { minor }) => all + minor, 0);
  const sheet = receiptSheet(head, [
    ...lines,
    { words: 'Total', minor: sum, total: true },
    { words: 'Owed', minor: sum },
  ]);
  const texts = sheet.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape] : []));
  expect(Math.max(...texts.map(({ y }) => y))).toBeLessThan(sheet.heightMm - 10);
  const figures = texts
    .filter(({ anchor, words: own }) => anchor === 'end' && own !== 'Receipt')
    .map(({ words: own }) => Number(own));
  expect(figures.slice(0, -2).reduce((all, figure) => all + figure, 0)).toBeCloseTo(sum / 100, 6);
  expect(figures.slice(-2)).toEqual([sum / 100, sum / 100]);
});

test('long names are cut, not run over the figures', () => {
  const sheet = receiptSheet({ ...head, client: 'N'.repeat(200) }, [{ words: 'W'.repeat(200), minor: 1 }]);
  expect(sheet.shapes.every((shape) => shape.kind !== 'text' || shape.words.length < 80)).toBe(true);
});
