import fc from 'fast-check';
import { percentOf, volumesOf } from '../units';
import {
  blended,
  blendTo,
  bowlsFor,
  mixedGrams,
  netGrams,
  personalFactor,
  USED_SHARE,
  weighed,
  type BowlFoil,
  type BowlLimits,
} from '.';

describe('developer', () => {
  test('equal parts of 6 and 20 make 13; water weakens', () => {
    expect(
      blended([
        { volumes: 6, grams: 40 },
        { volumes: 20, grams: 40 },
      ]),
    ).toBe(13);
    expect(
      blended([
        { volumes: 20, grams: 60 },
        { volumes: 0, grams: 20 },
      ]),
    ).toBe(15);
    expect(blended([])).toBe(0);
  });

  test('120 g of 13 vol from 6 and 20: half of each; 25 from 20 and 40: three to one', () => {
    expect(blendTo(13, 120, [20, 6])).toEqual({
      ok: true,
      pours: [
        { volumes: 6, grams: 60 },
        { volumes: 20, grams: 60 },
      ],
    });
    expect(blendTo(25, 80, [20, 40])).toEqual({
      ok: true,
      pours: [
        { volumes: 20, grams: 60 },
        { volumes: 40, grams: 20 },
      ],
    });
  });

  test('outside its bottles, or of nothing, a blend is refused with a sentence', () => {
    expect(blendTo(30, 100, [6, 20])).toEqual({
      ok: false,
      problem: '30 vol cannot be made from 6 and 20 vol: it lies above both.',
    });
    expect(blendTo(5, 100, [6, 20])).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/below both/),
    });
    expect(blendTo(13, 0, [6, 20])).toMatchObject({ ok: false });
  });

  test('10 vol are 3%', () => {
    expect(percentOf(10)).toBeCloseTo(3, 12);
    expect(volumesOf(percentOf(25))).toBeCloseTo(25, 12);
  });

  test('two bottles give back the strength and the grams that were asked for', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 20 }),
        fc.integer({ min: 21, max: 40 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 300 }),
        (weak, strong, share, grams) => {
          const volumes = weak + (strong - weak) * share;
          const made = blendTo(volumes, grams, [weak, strong]);
          if (!made.ok) throw new Error(made.problem);
          expect(blended(made.pours)).toBeCloseTo(volumes, 9);
          expect(made.pours[0].grams + made.pours[1].grams).toBeCloseTo(grams, 9);
        },
      ),
    );
  });
});

describe('grams of a foil, 80 mm wide, hair of 300 mm', () => {
  /** Grams of medium hair at 170 hairs a cm². */
  const hair = (thicknessMm: number, picked: number, lengthMm = 300) =>
    80 * thicknessMm * 1.7 * picked * (Math.PI / 4) * 0.07 ** 2 * 1.3e-3 * lengthMm;
  test.each([
    ['slice of 4 mm', { widthMm: 80, share: 1, lengthMm: 300, hairGrams: hair(4, 1) }, 6.37],
    ['baby light of 2.5 mm', { widthMm: 80, share: 0.5, lengthMm: 300, hairGrams: hair(2.5, 0.25) }, 2.85],
    ['fine weave of 4 mm', { widthMm: 80, share: 0.5, lengthMm: 300, hairGrams: hair(4, 0.25) }, 2.94],
    [
      'teased, 14 mm, three quarters, from 60 mm',
      { widthMm: 80, share: 1, lengthMm: 240, hairGrams: hair(14, 0.75, 240) },
      6.4,
    ],
  ])('%s', (_words, painted, grams) => expect(netGrams(painted)).toBeCloseTo(grams, 1));

  test('at least 0.6 g; more of everything takes more', () => {
    expect(netGrams({ widthMm: 10, share: 0.2, lengthMm: 40, hairGrams: 0 })).toBe(0.6);
    const base = { widthMm: 60, share: 0.5, lengthMm: 200, hairGrams: 0.2 };
    for (const key of Object.keys(base) as (keyof typeof base)[])
      expect(netGrams({ ...base, [key]: base[key] * 1.5 })).toBeGreaterThan(netGrams(base));
  });

  test('one’s own use counts more the more visits it rests on', () => {
    expect(personalFactor([])).toBe(1);
    expect(personalFactor([1.4])).toBeCloseTo(1.2, 12);
    expect(personalFactor([1.3, 1.4, 1.5])).toBeCloseTo(1.3, 12);
    // The ten last ones only.
    expect(personalFactor([...Array<number>(20).fill(3), ...Array<number>(10).fill(1)])).toBe(1);
  });
});

describe('bowls', () => {
  const limits: BowlLimits = { mostGrams: 90, usefulMinutes: 35, ratioOf: () => 2 };
  const work = (
    count: number,
    net: number,
    seconds: number,
    panelOf = (_i: number) => 'back',
    formulaOf = (_i: number) => 'A',
  ): BowlFoil[] =>
    Array.from({ length: count }, (_, i) => ({
      panel: panelOf(i),
      formula: formulaOf(i),
      net,
      fromMinutes: (i * seconds) / 60,
      toMinutes: ((i + 1) * seconds) / 60,
    }));
  const bowls = (foils: readonly BowlFoil[]) => {
    const made = bowlsFor(foils, limits);
    if (!made.ok) throw new Error(made.problem);
    return made.bowls;
  };

  test.each([
    ['30 foils of 2.7 g at 60 s', work(30, 2.7, 60), [30], [[30, 60]]],
    [
      '40 of 2.5 g at 60 s',
      work(40, 2.5, 60),
      [20, 20],
      [
        [20, 40],
        [20, 40],
      ],
    ],
    [
      '70 of 2.7 g at 62 s',
      work(70, 2.7, 62),
      [24, 23, 23],
      [
        [25, 50],
        [25, 50],
        [25, 50],
      ],
    ],
  ])('%s', (_words, foils, counts, weighings) => {
    const made = bowls(foils);
    expect(made.map((bowl) => bowl.foils)).toEqual(counts);
    expect(made.map(({ powder, developer }) => [powder, developer])).toEqual(weighings);
  });

  test('never over what a bowl holds: 72 g are 24 + 48, not 25 + 50', () => {
    const made = bowlsFor(work(24, 2.7, 60), { ...limits, mostGrams: 72 });
    if (!made.ok) throw new Error(made.problem);
    expect(
      made.bowls.map(({ mixed, powder, developer }) => [Math.round(mixed * 10) / 10, powder, developer]),
    ).toEqual([[72, 24, 48]]);
    // Where it holds more, powder is weighed in fives.
    expect(weighed(72, 2, { mostGrams: 90 })).toEqual({ powder: 25, developer: 50 });
  });

  test('the hairline uses up the old bowl where the house does so: one bowl instead of two', () => {
    const old = (fromOld: boolean) =>
      work(40, 1.5, 60).map((foil, i) => (i < 34 ? foil : { ...foil, fromOld }));
    expect(bowls(old(false)).map(({ foils }) => foils)).toEqual([20, 20]);
    expect(bowls(old(true)).map(({ foils }) => foils)).toEqual([40]);
  });

  test('formulas that take turns each have a bowl open, not one for every turn', () => {
    expect(
      bowls(work(24, 2, 60, undefined, (i) => (i % 2 === 0 ? 'A' : 'B'))).map(({ formula, foils, which }) => [
        formula,
        foils,
        which[1],
      ]),
    ).toEqual([
      ['A', 12, 2],
      ['B', 12, 3],
    ]);
  });

  test('one formula after the other has its own bowl, rather begun where a panel begins', () => {
    expect(
      bowls(work(12, 2, 60, undefined, (i) => (i < 5 ? 'A' : 'B'))).map(({ formula, foils }) => [
        formula,
        foils,
      ]),
    ).toEqual([
      ['A', 5],
      ['B', 7],
    ]);
    expect(bowls(work(40, 2.5, 60, (i) => (i < 21 ? 'back' : 'side'))).map(({ foils }) => foils)).toEqual([
      21, 19,
    ]);
  });

  test('a foil that no bowl can serve, and a ratio of nothing, are said', () => {
    expect(bowlsFor(work(3, 90, 60), limits)).toEqual({
      ok: false,
      problem: 'Foil 1 does not fit into one bowl: it takes 100 g, a bowl holds 90 g.',
    });
    expect(bowlsFor(work(1, 2, 60 * 40), limits)).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/longer than a bowl is used/),
    });
    expect(() => weighed(40, -1)).toThrow('A ratio must be 0 or more');
    // Direct colour takes no developer.
    expect(weighed(38, 0)).toEqual({ powder: 40, developer: 0 });
    expect(bowls([])).toEqual([]);
  });

  test('what is mixed is enough, no bowl is used too long or overfilled, all foils are served once', () => {
    const foil = fc.record({
      net: fc.double({ min: 0.6, max: 8, noNaN: true }),
      seconds: fc.integer({ min: 40, max: 150 }),
      panel: fc.constantFrom('back', 'side'),
      formula: fc.constantFrom('A', 'B'),
    });
    fc.assert(
      fc.property(fc.array(foil, { minLength: 1, maxLength: 60 }), (rows) => {
        let at = 0;
        const foils = rows.map(({ net, seconds, panel, formula }) => ({
          net,
          panel,
          formula,
          fromMinutes: at,
          toMinutes: (at += seconds / 60),
        }));
        const made = bowls(foils);
        expect(made.flatMap(({ which }) => which).sort((a, b) => a - b)).toEqual(foils.map((_, i) => i));
        const net = foils.reduce((sum, own) => sum + own.net, 0);
        expect(made.reduce((sum, bowl) => sum + bowl.mixed, 0)).toBeGreaterThanOrEqual(
          net / USED_SHARE - 1e-9,
        );
        for (const bowl of made) {
          expect(bowl.toMinutes - bowl.fromMinutes).toBeLessThanOrEqual(35 + 1e-9);
          expect(bowl.mixed).toBeLessThanOrEqual(90 + 1e-9);
          expect(bowl.powder + bowl.developer).toBeGreaterThanOrEqual(mixedGrams(bowl.net) - 1e-9);
          expect(bowl.powder + bowl.developer).toBeLessThanOrEqual(90 + 1e-9);
          expect(bowl.developer).toBe(2 * bowl.powder);
          for (const i of bowl.which) expect(foils[i].formula).toBe(bowl.formula);
        }
      }),
      { numRuns: 60 },
    );
  });
});
