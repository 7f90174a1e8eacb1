import { inMeasures, METRIC, type Measures } from '.';

const OTHER: Measures = { lengths: 'in', amounts: 'oz', strengths: '%', temperatures: 'F' };

test.each([
  ['Moth blue powder, 20 vol, 1 : 2', 'Moth blue powder, 6%, 1 : 2'],
  [
    '20 vol cannot be made from 5 to 40 vol: it lies above',
    '6% cannot be made from 1.5 to 12%: it lies above',
  ],
  ['25 mm off the scalp, feathered over 13 mm', '1" off the scalp, feathered over 1/2"'],
  ['80 × 4 mm', '3 1/8" × 5/32"'],
  ['it takes 100 g, a bowl holds 90 g', 'it takes 3.53 oz, a bowl holds 3.17 oz'],
  [
    '50 °C is planned; this house allows 45 °C at most',
    '122 °F is planned; this house allows 113 °F at most',
  ],
  ['level 9 after 15 min, 170 hairs', 'level 9 after 15 min, 170 hairs'],
])('%s', (text, said) => {
  expect(inMeasures(text, OTHER)).toBe(said);
  expect(inMeasures(text, METRIC)).toBe(text);
});
