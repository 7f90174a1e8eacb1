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
import { withFoils } from './budget';

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

test('what can be left out, by what it saves', () => {
  const whole = {
    ...visit,
    recipes: [
      { name: 'Bleach wash', minor: 1700 },
      { name: 'Soap cap', minor: 1000 },
    ],
    addOns: ['blow', 'cut', 'gone'],
  };
  const at = {
    ...prices,
    addOns: [
      { id: 'cut', name: 'Cut', minor: 4500 },
      { id: 'blow', name: 'Blow-dry', minor: 900 },
    ],
  };
  const said = (own: Partial<PricedVisit>, and: Partial<VisitPrices> = {}) =>
    leftOut({ ...whole, ...own }, { ...at, ...and }).map(({ words, savesMinor }) => `${words} ${savesMinor}`);
  const all = [
    'Without cut 4500',
    'Without root colour 2500',
    'One toner less 2200',
    'One bowl less 1800',
    'Without bleach wash 1700',
    'Ten foils fewer 1500',
    'Without soap cap 1000',
    'Without blow-dry 900',
  ];
  expect(said({})).toEqual(all);
  const less = (...gone: string[]) => all.filter((line) => !gone.some((words) => line.startsWith(words)));
  expect(said({ root: false })).toEqual(less('Without root'));
  // What the base includes saves nothing, and what is not there cannot be left out.
  expect([said({ toners: 1 }), said({ toners: 0 })]).toEqual([less('One toner'), less('One toner')]);
  expect([said({ bowls: 1 }), said({ bowls: 0 })]).toEqual([less('One bowl'), less('One bowl')]);
  expect(said({}, { mixBy: 'gram' })).toEqual(less('One bowl'));
  // Ten foils, and no fewer, can be ten fewer.
  const none = { toners: 0, bowls: 0, root: false, recipes: [], addOns: [] };
  expect(said({ ...none, foils: 9 }, { includedFoils: 0 })).toEqual([]);
  expect(said({ ...none, foils: 10 }, { includedFoils: 0 })).toEqual(['Ten foils fewer 10500']);
  // By the hour they save their share of the time: 12.5 of 60 min.
  expect(said(none, { way: 'hourly' })).toEqual(['Ten foils fewer 1250']);
});

test('an add-on is charged by its own price; one extra bowl is said as one; thick hair counts from its bound', () => {
  const at = { ...prices, addOns: [...prices.addOns, { id: 'blow', name: 'Blow-dry', minor: 900 }] };
  const { lines } = itemise({ ...visit, bowls: 2, densityPerCm2: 230, addOns: ['blow'] }, at);
  expect(lines.filter(({ key }) => ['add-on blow', 'bowls', 'thick'].includes(key))).toEqual([
    { key: 'thick', words: 'Thick hair, 50%', minor: 6600 },
    { key: 'bowls', words: '1 extra bowl', minor: 1800 },
    { key: 'add-on blow', words: 'Blow-dry', minor: 900 },
  ]);
});

test('bowls of one go are within ten minutes of the first, in whatever order they are named', () => {
  expect(mixingSessions([60, 0, 36, 4, 0, 36])).toBe(3);
  expect([mixingSessions([0, 10]), mixingSessions([0, 11]), mixingSessions([0, 8, 16])]).toEqual([1, 2, 2]);
});

test('a receipt: what was agreed as estimated is no line, what came after the deposit is, tips stand below', () => {
  const estimate = itemise({ ...visit, foils: 20, bowls: 1, toners: 1, root: false }, prices);
  const rows = (agreedMinor: number | null, taxPercent = 20) =>
    receiptRows({
      estimate,
      agreedMinor,
      taxPercent,
      payments: [
        { what: 'deposit', minor: 2000 },
        { what: 'payment', minor: 4000 },
        { what: 'payment', minor: 1000 },
        { what: 'tip', minor: 500 },
      ],
    }).map(({ words, minor }) => `${words} ${minor}`);
  const paid = ['Deposit 2000', 'Paid 5000', 'Owed 2000', 'Tip, thank you 500'];
  const done = 'Foil service, up to 20 foils 9000';
  expect(rows(null)).toEqual([done, 'Total 9000', 'within it 20% tax 1500', ...paid]);
  expect(rows(9000, 0)).toEqual([done, 'Total 9000', ...paid]);
  expect(receiptRows({ estimate, agreedMinor: null, taxPercent: 0, payments: [] })).toEqual([
    { words: 'Foil service, up to 20 foils', minor: 9000 },
    { words: 'Total', minor: 9000, total: true },
    { words: 'Owed', minor: 9000 },
  ]);
  expect(rows(9500, 0)).toEqual([
    done,
    'Agreed, more 500',
    'Total 9500',
    'Deposit 2000',
    'Paid 5000',
    'Owed 2500',
    'Tip, thank you 500',
  ]);
});

test('with another number of foils, time, bowls, grams and materials go with them', () => {
  expect(withFoils(visit, 24)).toEqual({
    ...visit,
    foils: 24,
    foilingMinutes: 30,
    bowls: 2,
    sessions: 1,
    mixGrams: 82,
    materialsMinor: 617,
  });
  const without = { ...visit, foils: 0 };
  expect(withFoils(without, 10)).toEqual({ ...without, foils: 10 });
});

test('a budget that is met to the last unit is met', () => {
  const least = 9000 + 2200 + 2500;
  expect(foilsWithin(least, visit, prices)).toEqual({ ok: true, foils: 16, all: false });
  expect(foilsWithin(least - 1, visit, prices)).toEqual({ ok: false, leastMinor: least });
  const most = itemise(withFoils(visit, 400), prices).totalMinor;
  expect(foilsWithin(most, visit, prices)).toEqual({ ok: true, foils: 400, all: true });
  expect(foilsWithin(most - 1, visit, prices)).toMatchObject({ ok: true, foils: 399, all: false });
});
