import fc from 'fast-check';
import { EMPTY_CONSULT, parseConsult } from '../formats';
import { swapSide, ZONES } from '../head';
import {
  ATTRIBUTES,
  changesSince,
  copySide,
  fill,
  greyShareOf,
  paint,
  sayChanges,
  sayIn,
  sidesAgree,
  valueIn,
} from '.';

const zone = fc.constantFrom(...ZONES);

test('a zone says what was painted there, every other zone what held before', () => {
  const painted = paint(EMPTY_CONSULT, 'natural', ['temple-l'], 4);
  expect(valueIn(painted, 'natural', 'temple-l')).toBe(4);
  for (const other of ZONES.filter((name) => name !== 'temple-l'))
    expect(valueIn(painted, 'natural', other)).toBe(EMPTY_CONSULT.naturalLevel);
});

test('with both sides a stroke reaches its mirror, without it does not', () => {
  const one = paint(EMPTY_CONSULT, 'grey', ['temple-l', 'crown'], 0.4);
  expect([valueIn(one, 'grey', 'temple-l'), valueIn(one, 'grey', 'temple-r')]).toEqual([0.4, undefined]);
  const both = paint(EMPTY_CONSULT, 'grey', ['temple-l', 'crown'], 0.4, true);
  expect([valueIn(both, 'grey', 'temple-r'), valueIn(both, 'grey', 'crown')]).toEqual([0.4, 0.4]);
});

test('taking everything away leaves the map as it was, whatever was painted and in which order', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(zone, fc.constantFrom(0.1, 0.5, 1)), { maxLength: 12 }), (strokes) => {
      const painted = strokes.reduce(
        (before, [at, share]) => paint(before, 'grey', [at], share),
        EMPTY_CONSULT,
      );
      expect(fill(painted, 'grey', undefined)).toEqual(EMPTY_CONSULT);
    }),
  );
});

test('a copied side agrees with the other in every attribute, and copying back changes nothing', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(zone, fc.integer({ min: 2, max: 19 })), { maxLength: 10 }), (strokes) => {
      const painted = strokes.reduce(
        (before, [at, halves], i) =>
          i % 3 === 0
            ? paint(before, 'regrowth', [at], halves)
            : i % 3 === 1
              ? paint(before, 'ends', [at], halves / 2)
              : paint(before, 'length', [at], halves * 20),
        EMPTY_CONSULT,
      );
      const copied = copySide(painted, 'l');
      expect(sidesAgree(copied)).toBe(true);
      for (const at of ZONES.filter((name) => name.endsWith('-l')))
        for (const key of ATTRIBUTES) expect(sayIn(copied, key, swapSide(at))).toBe(sayIn(painted, key, at));
      expect(copySide(copied, 'r')).toEqual(copied);
    }),
  );
});

test('what changed since last time is said once for zones that changed alike; regrowth is no change', () => {
  const before = paint(EMPTY_CONSULT, 'grey', ['temple-l', 'temple-r'], 0.1);
  const now = paint(
    paint(paint(before, 'grey', ['temple-l', 'temple-r'], 0.3), 'regrowth', ['crown'], 22),
    'strand',
    ['nape-l'],
    'fine',
  );
  expect(sayChanges(changesSince(before, now))).toEqual([
    'Grey 10% → 30%: temple, left; temple, right',
    'Strand medium → fine: nape, left',
  ]);
  expect(changesSince(now, now)).toEqual([]);
});

test('a value like the whole head’s is no exception', () => {
  const exception = paint(EMPTY_CONSULT, 'length', ['nape-l'], 120);
  expect(exception.hair.byZone['nape-l']).toEqual({ lengthMm: 120 });
  expect(paint(exception, 'length', ['nape-l'], EMPTY_CONSULT.hair.lengthMm).hair.byZone).toEqual({});
});

test('grey is the mean of where it was seen', () => {
  expect(greyShareOf(EMPTY_CONSULT)).toBeNull();
  expect(
    greyShareOf(paint(paint(EMPTY_CONSULT, 'grey', ['crown'], 0.2), 'grey', ['nape-l'], 0.6)),
  ).toBeCloseTo(0.4, 9);
});

test.each([
  [
    'regrowth longer than the hair',
    paint(EMPTY_CONSULT, 'regrowth', ['temple-r'], 310),
    'regrowthMm.temple-r: regrowth of 310 mm is longer than the hair there, 300 mm.',
  ],
  [
    'regrowth longer than the zone’s own hair',
    paint(paint(EMPTY_CONSULT, 'length', ['nape-r'], 20), 'regrowth', ['nape-r'], 25),
    'regrowthMm.nape-r: regrowth of 25 mm is longer than the hair there, 20 mm.',
  ],
  [
    'a band beyond the ends',
    paint(EMPTY_CONSULT, 'band', ['crown'], { level: 5, fromMm: 100, toMm: 320 }),
    'map.crown.band: the band ends 320 mm from the scalp, and the hair there is 300 mm long.',
  ],
  [
    'a band that ends before it begins',
    paint(EMPTY_CONSULT, 'band', ['crown'], { level: 5, fromMm: 100, toMm: 80 }),
    'map.crown.band: must end further from the scalp than it begins.',
  ],
  [
    'an impossible level',
    paint(EMPTY_CONSULT, 'ends', ['crown'], 12),
    'map.crown.endsLevel: must be a number from 1 to 10.',
  ],
  [
    'more than all of the time',
    { ...EMPTY_CONSULT, wornUpShare: 0.7, wornHalfUpShare: 0.4 },
    'wornHalfUpShare: tied up and half up together are more than all of the time.',
  ],
])('%s is refused with its place', (_, consult, problem) =>
  expect(parseConsult(consult)).toEqual({ ok: false, problem }),
);
