export { effortTo, levelOf } from './effort';
export { cssColour, linearRgb, mixedHair, naturalHair, tonedHair, undercoatHair, type HairColour, type Tone } from './hair-colour';
export { bowlStrength, dose, levelAfter, levelAfterAll, LIFT_FACTORS, readyAfter, type LiftOf } from './lift';
export { headFactor, readingProblem, type HeadFactor, type StrandReading } from './strand-test';
