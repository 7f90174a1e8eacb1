import { itemKey, weighedGrams, weighedOf, withWeighed } from './weighed';

const bowl = {
  label: 'A 1',
  items: {
    ok: true as const,
    total: 90,
    items: [
      { product: 'powder', name: 'Powder', grams: 30, powder: true },
      { product: 'dev-20', name: 'Developer', grams: 60, powder: false },
    ],
  },
};
const none = { weighed: [] };

test('a bowl is weighed thing by thing; weighing anew takes the place of what was', () => {
  expect(weighedOf(none, bowl)).toBe('none');
  const some = withWeighed({ mix: none, bowl: 'A 1', product: 'powder', grams: 30.2, by: 'scale' });
  expect(weighedOf(some, bowl)).toBe('some');
  expect(weighedGrams(some, bowl)).toEqual([30.2, null]);
  const again = withWeighed({
    mix: withWeighed({ mix: some, bowl: 'A 1', product: 'powder', grams: 29.8, by: 'hand' }),
    bowl: 'A 1',
    product: 'dev-20',
    grams: 60,
    by: 'scale',
  });
  expect(weighedOf(again, bowl)).toBe('all');
  expect(again.weighed).toEqual([
    { item: itemKey('A 1', 'powder'), grams: 29.8, by: 'hand' },
    { item: itemKey('A 1', 'dev-20'), grams: 60, by: 'scale' },
  ]);
});

test('what was weighed for another bowl says nothing of this one, and a bowl that cannot be mixed is not weighed', () => {
  expect(
    weighedOf(withWeighed({ mix: none, bowl: 'A 2', product: 'powder', grams: 30, by: 'scale' }), bowl),
  ).toBe('none');
  expect(weighedOf(none, { label: 'A 1', items: { ok: false, problem: 'no developer' } })).toBe('none');
});
