import { unitWith } from './testing';
import { endsSentence, reachWords, startWords } from './words';

test.each([
  [{}, 'from the scalp, not on it'],
  [{ startMm: 38.4 }, '38 mm off the scalp'],
  [{ startMm: 38, featherMm: 20 }, '38 mm off the scalp, feathered over 20 mm'],
  [
    { startMm: 38, edgesMm: 10, teasing: 1 },
    '38 mm off the scalp, 10 mm further out at the edges, teased, 1 push',
  ],
  [{ teasing: 3 }, 'from the scalp, not on it, teased, 3 pushes'],
])('a start of %j is said as “%s”', (part, words) => expect(startWords(unitWith(part))).toBe(words));

test.each([
  ['nothing', { reachMm: [300, 300] }, 'nothing is painted'],
  [
    'the regrowth',
    { reach: 'regrowth', reachMm: [0, 26] },
    'the regrowth only, to 26 mm; keep off the light hair',
  ],
  [
    'regrowth nobody measured',
    { reach: 'regrowth', reachMm: [0, 300] },
    'the regrowth only, not measured yet',
  ],
  ['all of it', {}, 'to the ends'],
  ['all of its surface', { surface: true }, 'to the ends, on the surface'],
  ['tips', { kind: 'tip-out', reachMm: [220, 300] }, 'the tips, from 220 mm'],
  ['a stretch', { reach: 'stretch', reachMm: [0, 180] }, 'only to 180 mm, ends left out'],
  ['up to light ends', { reachMm: [0, 180], endsOutMm: 120 }, 'only to 180 mm, light ends out'],
] as const)('what is painted on %s is said', (_name, part, words) =>
  expect(reachWords(unitWith(part))).toBe(words),
);

test('the ends’ own mix is said where they have one and some of them lie in the foil', () => {
  expect(endsSentence({ endsMm: 80, endsMix: '10 vol, 1 : 2' })).toBe('last 80 mm: 10 vol, 1 : 2');
  expect(endsSentence({ endsMm: 0, endsMix: '10 vol, 1 : 2' })).toBeNull();
  expect(endsSentence({ endsMm: 80, endsMix: null })).toBeNull();
});
