export { effortTo, levelOf } from './effort';
export {
  colourDifference,
  cssColour,
  levelOfLightness,
  lightnessOf,
  hairOfRgb,
  linearRgb,
  mixedHair,
  naturalHair,
  tonedHair,
  undercoatHair,
  type HairColour,
  type Tone,
} from './hair-colour';
export {
  bowlStrength,
  dose,
  levelAfter,
  levelAfterAll,
  LIFT_FACTORS,
  onThisHead,
  readyAfter,
  USUAL_WARM_CELSIUS,
  warmedMinutes,
  warmthFactor,
  type LiftOf,
} from './lift';
export {
  EIGHT_IN_TEN,
  headFactor,
  readingProblem,
  weighReading,
  type HeadFactor,
  type StrandReading,
} from './strand-test';
export { bandWarning, rootColour, type RootRule } from './root-colour';
export {
  DEPOSITS,
  fadedHair,
  needsNoToner,
  shadeOf,
  toned,
  TONER_WASHES,
  tonerGrams,
  tonerLeft,
  tonerOf,
  type DepositTone,
  type Part,
  type Toned,
  type Wish,
} from './toner';
export { undercoatAt, undercoatsBetween, type Undercoat } from './undercoat';
