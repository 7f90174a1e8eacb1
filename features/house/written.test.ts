import { written } from '@/ui/written';

test.each([
  ['12.5 mm', '12,5 mm'],
  ['€1,250.50', '€1.250,50'],
  ['3–4 mm. Then', '3–4 mm. Then'],
  ['level 8½', 'level 8½'],
  ['± 0.7', '± 0,7'],
])('%s with a comma is %s', (text, comma) => {
  expect(written(text, true)).toBe(comma);
  expect(written(text, false)).toBe(text);
});
