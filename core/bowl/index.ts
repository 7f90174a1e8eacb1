export { addedGrams, DROPS_FOR_GRAMS } from './added';
export { bowlsFor, OLD_BOWL_MINUTES, weighed, type Bowl, type BowlFoil, type BowlLimits } from './bowls';
export { blended, blendTo, DEVELOPERS } from './developer';
export { mixedGrams, netGrams, paintedShare, personalFactor, USED_SHARE } from './grams';
export {
  bottlesFor,
  bowlItems,
  colourItems,
  MIX_PARTS,
  recipeItems,
  type BowlItem,
  type ItemsRead,
  type MixPart,
} from './items';
export { leastMinutesOf, recipeOf, strengthOf, type Recipe } from './recipe';
export { endsWords, formulaNotes, formulaWords, mixKey, secondWords } from './words';
