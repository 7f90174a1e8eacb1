import { entriesOf, keysOf, byKey } from '.';

test('a record is taken apart and put together again', () => {
  const record = byKey(['a', 'b'], (key, index) => `${key}${index}`);
  expect(record).toEqual({ a: 'a0', b: 'b1' });
  expect(keysOf(record)).toEqual(['a', 'b']);
  expect(entriesOf(record)).toEqual([
    ['a', 'a0'],
    ['b', 'b1'],
  ]);
});
