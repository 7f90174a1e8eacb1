export { cssColour, naturalHair, type HairColour } from './hair-colour';
