export { cssColour, linearRgb, naturalHair, type HairColour } from './hair-colour';
