export { priceOf, withinBudget, type FoilPrices, type Priced, type WithinBudget } from './estimate';
export {
  itemise, leftOut, paidOf, receiptText, taxWithin, type AddOn, type Itemised, type LeftOut, type Paid, type PricedVisit, type PriceLine, type VisitPrices,
} from './itemise';
export { foilsWithin, type FoilsWithin } from './budget';
