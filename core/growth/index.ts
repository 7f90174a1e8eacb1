export { growthRate, regrowthAfter, type GrowthInterval, type GrowthRate } from './regrowth';
