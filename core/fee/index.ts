export { priceOf, type FoilPrices, type Priced } from './estimate';
export {
  itemise,
  leftOut,
  MIX_CHARGES,
  mixingSessions,
  paidOf,
  receiptRows,
  receiptText,
  taxWithin,
  type AddOn,
  type Itemised,
  type LeftOut,
  type MixCharge,
  type Paid,
  type PricedVisit,
  type PriceLine,
  type ReceiptHead,
  type ReceiptRow,
  type VisitPrices,
} from './itemise';
export { foilsWithin, withFoils, type FoilsWithin } from './budget';
