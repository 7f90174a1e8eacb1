import fc from 'fast-check';
import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualFormula, type LiftFormula } from '../visit';
import { bottlesFor, bowlItems, colourItems, formulaNotes, recipeOf, type ItemsRead } from '.';

const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
const usual = usualFormula(shelf)!;
const lift = (part: Partial<LiftFormula> = {}): LiftFormula => ({ ...usual, ...part });

function items(read: ItemsRead) {
  if (!read.ok) throw new Error(read.problem);
  return Object.fromEntries(read.items.map(({ product, grams }) => [product, grams]));
}

describe('what goes into a bowl', () => {
  test('13 vol from the house’s 10 and 20: the two-part rule, in whole grams that add up', () => {
    expect(items(bowlItems(lift({ volumes: 13 }), 40, shelf))).toEqual({
      'moth-powder': 40,
      'moth-dev-10': 56,
      'moth-dev-20': 24,
    });
    expect(items(bowlItems(lift({ volumes: 20, ratio: 1.5 }), 30, shelf))).toEqual({
      'moth-powder': 30,
      'moth-dev-20': 45,
    });
  });

  test('water thins the developer: 30 g powder, 60 g of 20 vol, 6 g water come to 18.2 vol', () => {
    const formula = lift({
      additives: [
        { product: 'water', amount: 0.2, unit: 'g' },
        { product: 'rootling', amount: 0.1, unit: 'g' },
      ],
    });
    expect(items(bowlItems(formula, 30, shelf))).toEqual({
      'moth-powder': 30,
      'moth-dev-20': 60,
      water: 6,
      rootling: 3,
    });
    expect(recipeOf(formula, shelf)).toMatchObject({
      ok: true,
      recipe: { volumes: expect.closeTo((20 * 2) / 2.2, 9) },
    });
  });

  test('a strength outside the bottles is refused in words', () => {
    expect(bottlesFor(3, null, shelf)).toBe('3 vol cannot be made from 5 to 40 vol: it lies below');
    expect(bottlesFor(25, ['moth-dev-20'], shelf)).toBe(
      '25 vol cannot be made from 20 vol alone: it lies above',
    );
    expect(bottlesFor(25, ['gone'], shelf)).toBe('a developer that was chosen is not in the house any more');
    expect(bottlesFor(20, null, new Shelf(EMPTY_MIX, []))).toBe('the house has no developer');
  });

  test('what leaves the maker’s ranges is said', () => {
    expect(formulaNotes(lift({ ratio: 3.5, volumes: 4 }), shelf)).toEqual([
      '1:3.5 is outside 1:1 to 1:3, which Moth blue powder is made for',
      '4 vol is below 5 vol, the weakest for Moth blue powder',
    ]);
    expect(formulaNotes(lift(), shelf)).toEqual([]);
  });

  test('grams add up whatever the shades, bottles and additives are', () => {
    const shade = fc.constantFrom(...USUAL_RANGE.filter(({ kind }) => kind === 'shade').map(({ id }) => id));
    fc.assert(
      fc.property(
        fc.uniqueArray(shade, { minLength: 1, maxLength: 4 }),
        fc.array(fc.double({ min: 0.1, max: 5, noNaN: true }), { minLength: 4, maxLength: 4 }),
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (shades, parts, colour, volumes, ratio) => {
          const read = colourItems({
            parts: shades.map((own, i) => ({ shade: own, parts: parts[i] })),
            volumes,
            ratio,
            colour,
            shelf,
          });
          if (!read.ok) throw new Error(read.problem);
          const grams = (kind: string) =>
            read.items
              .filter(({ product }) => shelf.find(product)!.kind === kind)
              .reduce((sum, item) => sum + item.grams, 0);
          expect(grams('shade')).toBe(colour);
          expect(grams('developer')).toBe(Math.round(colour * ratio));
          expect(read.total).toBe(colour + Math.round(colour * ratio));
          const bottles = read.items.filter(({ product }) => shelf.find(product)!.kind === 'developer');
          const strength =
            bottles.reduce(
              (sum, { product, grams: value }) =>
                sum + value * (shelf.find(product) as { volumes: number }).volumes,
              0,
            ) / grams('developer');
          // Whole grams move the strength by less than half a gram between the bottles.
          if (grams('developer') > 0)
            expect(Math.abs(strength - volumes)).toBeLessThanOrEqual(10 / grams('developer') + 1e-9);
        },
      ),
    );
  });
});
