export { bowlsFor, weighed, type Bowl, type BowlFoil, type BowlLimits, type Bowls } from './bowls';
export { blended, blendTo, DEVELOPERS, percentOf, volumesOf, type Blend, type Pour } from './developer';
export { mixedGrams, netGrams, paintedShare, personalFactor, USED_SHARE, type Painted } from './grams';
export { bottlesFor, bowlItems, colourItems, endsWords, formulaNotes, formulaWords, leastMinutesOf, pouredItems, recipeOf, strengthOf, type BowlItem, type ItemsRead, type Recipe, type RecipeRead } from './recipe';
