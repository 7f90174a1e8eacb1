export { lightAt, lightOf, type Light } from './light';
export { lookAt, lookOn, placeOf, USUAL_STRANDS, wornHair, type Look, type WornHair } from './look';
export { brightnessOf, hairlineLight, type HairlineLight, type Unlit } from './measures';
export { makeStrands, type Strands } from './strands';
export { cameraOf, PIXEL_MM, seenFrom, type Surface } from './surface';
export { VIEWS, type View, type Way } from './ways';
