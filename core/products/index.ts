export {
  isStocked, KIND_WORDS, PRODUCT_KINDS, productsOf, rangeProblems, RECIPE_USES, RECIPE_WORDS, USE_WORDS, USES,
  type Additive, type DepositLine, type Developer, type FoilProduct, type HouseRecipe, type Lightener, type Product, type ProductKind, type RatioRange, type RecipePart, type RecipeUse, type ShadeProduct,
  type Stocked, type StockedProduct, type StrengthRange, type TreatmentProduct, type Use,
} from './product';
export { Shelf } from './shelf';
export { USUAL_RANGE } from './usual-range';
