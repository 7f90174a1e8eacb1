export { traceLevel, traceOutlines, type Outline } from './contour';
export { COARSE, distanceRaster, type DistanceRaster } from './distance';
export { earToEar, frontToNape } from './fit';
export {
  HAIRLINE_SHAPES,
  hairlineKnots,
  hairlineProblem,
  type HairlineShape,
  type HairlineSide,
} from './hairline';
export {
  makeHead,
  mirrorHead,
  mirrorHeadSpec,
  USUAL_CROWN,
  type CrownSpec,
  type Head,
  type HeadSpec,
  type ScalpPlace,
} from './head';
export { moveLandmark } from './landmark-move';
export { fromOpened, openedHairline, openedPart, sagittalPoint, toOpened, type OpenedPoint } from './opened';
export { skullHit, type Ray } from './ray';
export { makeRoots, type Roots } from './roots';
export {
  CROWN_RADIUS_MM,
  HAIRLINE_BAND_MM,
  landmarks,
  makeScalp,
  finerGrid,
  makeScalpGrid,
  sampleRaster,
  scalpAreas,
  surfaceDistance,
  zoneNear,
  type ScalpGrid,
} from './scalp';
export {
  directionAt,
  evenScale,
  gauge,
  gaugeOn,
  gaugeWithGradient,
  SKULL,
  surfaceAlong,
  surfaceNormal,
  type SkullScale,
} from './skull';
export * from './vector';
export {
  familyName,
  isFaceZone,
  isHairlineZone,
  swapSide,
  familyOf,
  ZONE_FAMILIES,
  zoneName,
  ZONES,
  zonesOf,
  type Zone,
  type ZoneFamily,
} from './zones';
export { offsetWords, partWords } from './part-words';
export { zoneOutlines } from './zone-outlines';
