export * from './ways';
export { CUTS, USUAL_CUT, USUAL_SHAPE, type Cut, type Shape } from './cut';
export {
  FACE_DEG,
  hairlineLight,
  placeOf,
  unlitWithin,
  type HairlineLight,
  type Unlit,
} from './hairline-light';
export {
  lightAt,
  lightOf,
  NO_LETTERS,
  type Layer,
  type Light,
  type LightFacts,
  type RootShadow,
} from './light';
export { brightnessOf, litOf } from './lit';
export { lightOn, lookAt, lookOf, type Look, type UnlitPlace } from './look';
export { LineReader, oldLineOf, rootLinesOf, type HairLine } from './lines';
export { stripeOf } from './stripe';
export { seenFrom, type Surface } from './surface';
export { makeStrands, type Strands } from './strands';
export { hairRoots, layHair, USUAL_STRANDS, type HairRoots, type WornHair } from './worn';
export { cameraOf, type Camera } from './camera';
export { findingsOf, type Finding } from './findings';
export { mended, mendWords, type WearMend } from './mends';
export { BUST, FIBRE, LAMPS, LIGHTING, SHOULDER, STOPS, type Lamp } from './lamps';
export { pictureOf, type Picture } from './picture';
export { MOST_PER_MM, ribbonColours, ribbonsOf, type Ribbons } from './ribbons';
export { type Fibres } from './fibres';
export { basesOf, NO_SWATCHES, paletteOf, type Colouring, type HairFacts, type Swatches } from './shade';
export { downOf, TIED, WearStudio } from './studio';
export { bareOf, subjectOf, type WearSubject } from './subject';
export { worthOfFoils, type Worth, type WornShare } from './worth';
export { partLightOf, partStrip, partSteps, partTolerance, type PartTolerance } from './part-tolerance';
