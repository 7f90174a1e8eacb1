export {
  colourInPhoto,
  levelInPhoto,
  levelOfLightness,
  REFERENCES,
  type Reference,
  type Rgb,
  type Swatch,
} from './level';
export { measured, scaleProblem } from './measure';
