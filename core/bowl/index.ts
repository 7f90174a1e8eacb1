export { bowlsFor, weighed, type Bowl, type BowlFoil, type BowlLimits, type Bowls } from './bowls';
export { blended, blendTo, DEVELOPERS, percentOf, volumesOf, type Blend, type Pour } from './developer';
export { mixedGrams, netGrams, paintedOf, personalFactor, USED_SHARE, type Painted } from './grams';
