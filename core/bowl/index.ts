export { addedGrams, DROPS_FOR_GRAMS, type AddedRead } from './added';
export {
  bowlsFor,
  OLD_BOWL_MINUTES,
  weighed,
  type Bowl,
  type BowlFoil,
  type BowlLimits,
  type Bowls,
} from './bowls';
export { blended, blendTo, DEVELOPERS, type Blend, type Pour } from './developer';
export { mixedGrams, netGrams, paintedShare, personalFactor, USED_SHARE, type Painted } from './grams';
export {
  bottlesFor,
  bowlItems,
  colourItems,
  MIX_PARTS,
  naturalShade,
  pouredItems,
  recipeItems,
  type BowlItem,
  type ItemsRead,
  type MixPart,
  type PartsMixed,
} from './items';
export {
  leastMinutesOf,
  lightenersOf,
  recipeOf,
  strengthOf,
  type Recipe,
  type RecipeRead,
  type SharedLightener,
} from './recipe';
export { levelOfShades } from './shades';
export { endsWords, formulaNotes, formulaWords, mixKey, secondWords } from './words';
