import fc from 'fast-check';
import {
  foilsWithin,
  itemise,
  leftOut,
  mixingSessions,
  paidOf,
  receiptRows,
  receiptText,
  taxWithin,
  type PricedVisit,
  type VisitPrices,
} from '.';

const prices: VisitPrices = {
  way: 'flat',
  baseMinor: 9000,
  includedFoils: 20,
  perFoilMinor: 150,
  perHourMinor: 6000,
  mixBy: 'bowl',
  includedBowls: 1,
  extraBowlMinor: 1800,
  includedGrams: 100,
  tenGramsMinor: 250,
  includedToners: 1,
  extraTonerMinor: 2200,
  rootMinor: 2500,
  longFromMm: 550,
  longPercent: 25,
  thickFromPerCm2: 230,
  thickPercent: 50,
  taxPercent: 20,
  addOns: [{ id: 'cut', name: 'Cut', minor: 4500 }],
};
const visit: PricedVisit = {
  foils: 48,
  foilingMinutes: 60,
  bowls: 3,
  sessions: 2,
  mixGrams: 164,
  toners: 2,
  root: true,
  recipes: [],
  lengthMm: 300,
  densityPerCm2: 170,
  addOns: [],
  materialsMinor: 1234,
};
const amounts = (own: Partial<PricedVisit> = {}, at: Partial<VisitPrices> = {}) =>
  Object.fromEntries(
    itemise({ ...visit, ...own }, { ...prices, ...at }).lines.map(({ key, minor }) => [key, minor]),
  );

test('flat: base, further foils, extra bowls and toners, root colour, each on its line', () => {
  expect(amounts()).toEqual({ base: 9000, foils: 28 * 150, bowls: 2 * 1800, toners: 2200, root: 2500 });
  expect(itemise(visit, prices).totalMinor).toBe(21_500);
  expect(amounts({ foils: 20, bowls: 1, toners: 1, root: false })).toEqual({ base: 9000 });
});

test('long and thick hair count on the foil service; very long and thick can be near twice', () => {
  expect(amounts({ lengthMm: 550 }).long).toBe(Math.round(13_200 * 0.25));
  expect(amounts({ lengthMm: 600, densityPerCm2: 240 })).toMatchObject({ long: 3300, thick: 6600 });
  expect(amounts({ lengthMm: 549 }).long).toBeUndefined();
});

test('by the hour: time and materials instead of foils and bowls', () => {
  expect(amounts({ foilingMinutes: 91 }, { way: 'hourly' })).toEqual({
    base: 9000,
    time: 9100,
    materials: 1234,
    toners: 2200,
    root: 2500,
  });
});

test('by mixing and by gram: what is included, and what is more', () => {
  expect(amounts({}, { mixBy: 'session' }).bowls).toBe(1800);
  // 164 g, 100 of them in the base, 64 at 2.50 for ten.
  expect(amounts({}, { mixBy: 'gram' }).bowls).toBe(1600);
  expect(
    itemise({ ...visit, mixGrams: 163.2 }, { ...prices, mixBy: 'gram' }).lines.find(
      ({ key }) => key === 'bowls',
    )?.words,
  ).toBe('64 g of mix more');
  // Open side by side they are one mixing; ten minutes and more apart they are two.
  expect(mixingSessions([0, 0, 4, 36, 36, 60])).toBe(3);
});

test('recipes of the house are charged by what they cost, several of one together', () => {
  const recipes = [
    { name: 'Bleach wash', minor: 1800 },
    { name: 'Bleach wash', minor: 1800 },
    { name: 'Deep treatment', minor: 1500 },
  ];
  expect(itemise({ ...visit, recipes }, prices).lines.filter(({ key }) => key.startsWith('recipe'))).toEqual([
    { key: 'recipe Bleach wash', words: '2 × Bleach wash', minor: 3600 },
    { key: 'recipe Deep treatment', words: 'Deep treatment', minor: 1500 },
  ]);
});

test('two clients to the last unit: yen without minor digits, dinars with three', () => {
  // ¥18,000 base, 30 further foils at ¥250, two bowls at ¥3,000, a toner at ¥4,500: ¥36,000, of which a tenth
  // is within.
  const yen = {
    ...prices,
    baseMinor: 18_000,
    perFoilMinor: 250,
    extraBowlMinor: 3000,
    extraTonerMinor: 4500,
    rootMinor: 0,
    taxPercent: 10,
  };
  expect(itemise({ ...visit, foils: 50, root: false }, yen)).toMatchObject({
    totalMinor: 36_000,
    taxMinor: 3273,
  });
  // 32.500 + 28 × 0.450 + 64 g at 0.375 for ten (2.400) + 6.250 + 4.125 = 57.875; 5 % within are 2.756.
  const dinar = {
    ...prices,
    baseMinor: 32_500,
    perFoilMinor: 450,
    mixBy: 'gram' as const,
    tenGramsMinor: 375,
    extraTonerMinor: 6250,
    rootMinor: 4125,
    taxPercent: 5,
  };
  expect(itemise(visit, dinar)).toMatchObject({ totalMinor: 57_875, taxMinor: 2756 });
});

test('add-ons by name; one that the house has no more costs nothing', () => {
  expect(amounts({ addOns: ['cut', 'gone'] })['add-on cut']).toBe(4500);
  // A toner alone is no extra of anything.
  expect(itemise({ ...visit, foils: 0, toners: 1, root: false, bowls: 0 }, prices).lines).toEqual([
    { key: 'toners', words: '1 toner', minor: 2200 },
  ]);
  expect(itemise({ ...visit, foils: 0, toners: 0, root: false, bowls: 0 }, prices)).toEqual({
    lines: [],
    totalMinor: 0,
    taxMinor: 0,
  });
});

test.each([
  [12_000, 20, 2000],
  [21_500, 20, 3583],
  [100, 0, 0],
  [1, 20, 0],
])('tax within %d at %d %% is %d', (minor, percent, tax) => expect(taxWithin(minor, percent)).toBe(tax));

const anyVisit = fc.record({
  foils: fc.integer({ min: 0, max: 200 }),
  foilingMinutes: fc.double({ min: 0, max: 300, noNaN: true }),
  bowls: fc.integer({ min: 0, max: 9 }),
  sessions: fc.integer({ min: 0, max: 9 }),
  mixGrams: fc.double({ min: 0, max: 600, noNaN: true }),
  recipes: fc.constantFrom([], [{ name: 'Bleach wash', minor: 1800 }]),
  toners: fc.integer({ min: 0, max: 5 }),
  root: fc.boolean(),
  lengthMm: fc.integer({ min: 50, max: 900 }),
  densityPerCm2: fc.integer({ min: 80, max: 300 }),
  addOns: fc.constantFrom<string[]>([], ['cut']),
  materialsMinor: fc.integer({ min: 0, max: 9000 }),
});
const anyPrices = fc
  .record({
    way: fc.constantFrom('flat' as const, 'hourly' as const),
    mixBy: fc.constantFrom('bowl' as const, 'session' as const, 'gram' as const),
    taxPercent: fc.constantFrom(0, 7.7, 19, 20),
    perFoilMinor: fc.integer({ min: 1, max: 400 }),
  })
  .map((own) => ({ ...prices, ...own }));

test('money is whole, lines add up, tax is within, and what is left out saves just that', () => {
  fc.assert(
    fc.property(anyVisit, anyPrices, (own, at) => {
      const { lines, totalMinor, taxMinor } = itemise(own, at);
      expect(lines.reduce((sum, { minor }) => sum + minor, 0)).toBe(totalMinor);
      expect([...lines.map(({ minor }) => minor), totalMinor, taxMinor].every(Number.isInteger)).toBe(true);
      expect(taxMinor).toBeGreaterThanOrEqual(0);
      expect(taxMinor).toBeLessThanOrEqual(totalMinor);
      for (const { key, savesMinor } of leftOut(own, at)) {
        if (key === 'toners')
          expect(itemise({ ...own, toners: own.toners - 1 }, at).totalMinor).toBe(totalMinor - savesMinor);
        expect(savesMinor).toBeGreaterThan(0);
      }
    }),
  );
});

test('a budget buys as many foils as it pays for and not one more', () => {
  expect(foilsWithin(21_500, visit, prices)).toMatchObject({ ok: true, foils: 48 });
  expect(foilsWithin(21_499, visit, prices)).toMatchObject({ ok: true, foils: 47 });
  expect(foilsWithin(5000, visit, prices)).toEqual({ ok: false, leastMinor: 9000 + 2200 + 2500 });
  expect(foilsWithin(1_000_000, visit, prices)).toMatchObject({ all: true });
  fc.assert(
    fc.property(fc.integer({ min: 14_000, max: 60_000 }), anyPrices, (budget, at) => {
      const found = foilsWithin(budget, visit, at);
      if (!found.ok || found.all) return;
      const share = (foils: number) => ({
        ...visit,
        foils,
        foilingMinutes: (60 * foils) / 48,
        bowls: Math.ceil((3 * foils) / 48 - 1e-9),
        sessions: Math.ceil((2 * foils) / 48 - 1e-9),
        mixGrams: (164 * foils) / 48,
        materialsMinor: Math.round((1234 * foils) / 48),
      });
      expect(itemise(share(found.foils), at).totalMinor).toBeLessThanOrEqual(budget);
      expect(itemise(share(found.foils + 1), at).totalMinor).toBeGreaterThan(budget);
    }),
  );
});

test('deposit, payments, tip and what is owed; a tip pays for nothing', () => {
  expect(
    paidOf(20_000, [
      { what: 'deposit', minor: 5000 },
      { what: 'tip', minor: 1000 },
      { what: 'payment', minor: 10_000 },
    ]),
  ).toEqual({ depositMinor: 5000, paidMinor: 15_000, tipMinor: 1000, owedMinor: 5000, changeMinor: 0 });
  expect(paidOf(100, [{ what: 'payment', minor: 150 }])).toMatchObject({ owedMinor: 0, changeMinor: 50 });
});

test('a receipt says every line, what was agreed, the tax within, and what is owed', () => {
  const estimate = itemise(visit, prices);
  const payments = [{ what: 'deposit' as const, minor: 5000 }];
  const text = receiptText(
    { salon: 'Fernhollow', client: 'Nell', on: '25 Nov 2026', money: (minor) => (minor / 100).toFixed(2) },
    receiptRows({ estimate, agreedMinor: 20_000, payments, taxPercent: 20 }),
  );
  expect(text).toBe(
    [
      'Fernhollow',
      'Nell, 25 Nov 2026',
      '',
      'Foil service, up to 20 foils   90.00',
      '28 further foils               42.00',
      '2 extra bowls                  36.00',
      '1 extra toner                  22.00',
      'Root colour                    25.00',
      'Agreed, less                  -15.00',
      'Total                         200.00',
      'within it 20% tax              33.33',
      'Deposit                        50.00',
      'Owed                          150.00',
      '',
    ].join('\n'),
  );
});
