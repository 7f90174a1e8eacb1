import { entriesOf, keysOf, recordOf } from '.';

test('a record is taken apart and put together again', () => {
  const record = recordOf(['a', 'b'], (key, index) => `${key}${index}`);
  expect(record).toEqual({ a: 'a0', b: 'b1' });
  expect(keysOf(record)).toEqual(['a', 'b']);
  expect(entriesOf(record)).toEqual([
    ['a', 'a0'],
    ['b', 'b1'],
  ]);
});
