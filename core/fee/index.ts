export { priceOf, withinBudget, type FoilPrices, type Priced, type WithinBudget } from './estimate';
