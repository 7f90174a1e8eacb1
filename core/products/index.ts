export {
  KIND_WORDS, PRODUCT_KINDS, productsOf, rangeProblems, USE_WORDS, USES,
  type Additive, type DepositLine, type Developer, type FoilProduct, type Lightener, type Product, type ProductKind, type RatioRange, type ShadeProduct, type Stocked, type StrengthRange,
  type TreatmentProduct, type Use,
} from './product';
export { Shelf } from './shelf';
export { USUAL_RANGE } from './usual-range';
