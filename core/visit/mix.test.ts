import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { usualFormula, withProducts, type LiftFormula } from '.';

const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;
const lift = (part: Partial<LiftFormula> = {}): LiftFormula => ({ ...usual, ...part });

test('those used are kept as they were; later changes of the house do not reach them', () => {
  const mix = withProducts({ ...EMPTY_MIX, formulas: { A: lift() } }, USUAL_RANGE);
  expect(mix.products.map(({ id }) => id)).toEqual(['moth-powder']);
  const slower = USUAL_RANGE.map((product) =>
    product.id === 'moth-powder' ? { ...product, speed: 0.5 } : product,
  );
  expect(new Shelf(mix, slower).lightener('moth-powder')!.speed).toBe(1);
  expect(withProducts(mix, slower)).toBe(mix);
  expect(withProducts({ ...mix, formulas: {} }, slower).products).toEqual([]);
});
