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
  const painted = paint({ consult: EMPTY_CONSULT, key: 'natural', zones: ['temple-l'], value: 4 });
  expect(valueIn(painted, 'natural', 'temple-l')).toBe(4);
  for (const other of ZONES.filter((name) => name !== 'temple-l'))
    expect(valueIn(painted, 'natural', other)).toBe(EMPTY_CONSULT.naturalLevel);
});

test('with both sides a stroke reaches its mirror, without it does not', () => {
  const one = paint({ consult: EMPTY_CONSULT, key: 'grey', zones: ['temple-l', 'crown'], value: 0.4 });
  expect([valueIn(one, 'grey', 'temple-l'), valueIn(one, 'grey', 'temple-r')]).toEqual([0.4, undefined]);
  const both = paint({
    consult: EMPTY_CONSULT,
    key: 'grey',
    zones: ['temple-l', 'crown'],
    value: 0.4,
    bothSides: true,
  });
  expect([valueIn(both, 'grey', 'temple-r'), valueIn(both, 'grey', 'crown')]).toEqual([0.4, 0.4]);
});

test('taking everything away leaves the map as it was, whatever was painted and in which order', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(zone, fc.constantFrom(0.1, 0.5, 1)), { maxLength: 12 }), (strokes) => {
      const painted = strokes.reduce(
        (before, [at, share]) => paint({ consult: before, key: 'grey', zones: [at], value: share }),
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
            ? paint({ consult: before, key: 'regrowth', zones: [at], value: halves })
            : i % 3 === 1
              ? paint({ consult: before, key: 'ends', zones: [at], value: halves / 2 })
              : paint({ consult: before, key: 'length', zones: [at], value: halves * 20 }),
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
  const before = paint({ consult: EMPTY_CONSULT, key: 'grey', zones: ['temple-l', 'temple-r'], value: 0.1 });
  const greyer = paint({ consult: before, key: 'grey', zones: ['temple-l', 'temple-r'], value: 0.3 });
  const grown = paint({ consult: greyer, key: 'regrowth', zones: ['crown'], value: 22 });
  const now = paint({ consult: grown, key: 'strand', zones: ['nape-l'], value: 'fine' });
  expect(sayChanges(changesSince(before, now))).toEqual([
    'Grey 10% → 30%: temple, left; temple, right',
    'Strand medium → fine: nape, left',
  ]);
  expect(changesSince(now, now)).toEqual([]);
});

test('a value like the whole head’s is no exception', () => {
  const exception = paint({ consult: EMPTY_CONSULT, key: 'length', zones: ['nape-l'], value: 120 });
  expect(exception.hair.byZone['nape-l']).toEqual({ lengthMm: 120 });
  expect(
    paint({ consult: exception, key: 'length', zones: ['nape-l'], value: EMPTY_CONSULT.hair.lengthMm }).hair
      .byZone,
  ).toEqual({});
});

test('grey is the mean of where it was seen', () => {
  expect(greyShareOf(EMPTY_CONSULT)).toBeNull();
  const consult = paint({ consult: EMPTY_CONSULT, key: 'grey', zones: ['crown'], value: 0.2 });
  expect(greyShareOf(paint({ consult, key: 'grey', zones: ['nape-l'], value: 0.6 }))).toBeCloseTo(0.4, 9);
});

test.each([
  [
    'regrowth longer than the hair',
    paint({ consult: EMPTY_CONSULT, key: 'regrowth', zones: ['temple-r'], value: 310 }),
    'regrowthMm.temple-r: regrowth of 310 mm is longer than the hair there, 300 mm.',
  ],
  [
    'regrowth longer than the zone’s own hair',
    paint({
      consult: paint({ consult: EMPTY_CONSULT, key: 'length', zones: ['nape-r'], value: 20 }),
      key: 'regrowth',
      zones: ['nape-r'],
      value: 25,
    }),
    'regrowthMm.nape-r: regrowth of 25 mm is longer than the hair there, 20 mm.',
  ],
  [
    'a band beyond the ends',
    paint({
      consult: EMPTY_CONSULT,
      key: 'band',
      zones: ['crown'],
      value: { level: 5, fromMm: 100, toMm: 320 },
    }),
    'map.crown.band: the band ends 320 mm from the scalp, and the hair there is 300 mm long.',
  ],
  [
    'a band that ends before it begins',
    paint({
      consult: EMPTY_CONSULT,
      key: 'band',
      zones: ['crown'],
      value: { level: 5, fromMm: 100, toMm: 80 },
    }),
    'map.crown.band: must end further from the scalp than it begins.',
  ],
  [
    'an impossible level',
    paint({ consult: EMPTY_CONSULT, key: 'ends', zones: ['crown'], value: 12 }),
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
