import { formatLevel } from './level';

test('levels are spoken in halves', () => {
  expect(formatLevel(6)).toBe('6');
  expect(formatLevel(8.5)).toBe('8½');
  expect(formatLevel(7.3)).toBe('7½');
  expect(formatLevel(11)).toBe('10');
  expect(formatLevel(0)).toBe('1');
});
