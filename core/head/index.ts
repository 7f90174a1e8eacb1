export { traceOutlines, type Outline } from './contour';
export { HAIRLINE_SHAPES, hairlineCurve, type HairlineShape } from './hairline';
export { makeHead, mirrorHead, type Head, type HeadSpec, type ScalpPlace } from './head';
export { fromOpened, openedHairline, openedPart, toOpened, type OpenedPoint } from './opened';
export { landmarks, makeScalp, makeScalpGrid, scalpAreas, surfaceDistance, type Scalp, type ScalpGrid } from './scalp';
export { gauge, gaugeWithGradient, SKULL, surfaceAlong, surfaceNormal } from './skull';
export * from './vector';
export { familyName, ZONE_FAMILIES, zoneName, ZONES, zonesOf, type Zone, type ZoneFamily } from './zones';
export { zoneOutlines, type ZoneOutline } from './zone-outlines';
