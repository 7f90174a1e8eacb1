export {
  itemise,
  leftOut,
  MIX_CHARGES,
  mixingSessions,
  paidOf,
  receiptRows,
  receiptText,
  taxWithin,
  type Itemised,
  type PricedVisit,
  type ReceiptHead,
  type ReceiptRow,
  type VisitPrices,
} from './itemise';
export { foilsWithin, withFoils } from './budget';
