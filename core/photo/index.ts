export { levelInPhoto, levelOfLightness, REFERENCES, type LevelEstimate, type Reference, type Rgb } from './level';
export { measured, scaleProblem, type PhotoScale, type Pixel } from './measure';
