export { cssColour, linearRgb, mixedHair, naturalHair, tonedHair, undercoatHair, type HairColour, type Tone } from './hair-colour';
