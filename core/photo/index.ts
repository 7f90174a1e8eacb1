export {
  colourInPhoto,
  levelInPhoto,
  levelOfLightness,
  REFERENCES,
  type LevelEstimate,
  type Reference,
  type Rgb,
  type Swatch,
} from './level';
export { measured, scaleProblem, type PhotoScale, type Pixel } from './measure';
