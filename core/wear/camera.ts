import { directionOf, type Side } from './ways';

const { ceil, cos, floor, sin, PI } = Math;

type Axis = readonly [number, number, number];

/** Half the width of what is looked at, how far up it goes and how far down, average head, mm. */
const BOX = { half: 150, up: 132, down: 290 } as const;

/** Looks at a head from one side, without perspective: where a point falls in the picture. */
export interface Camera {
  readonly right: Axis;
  readonly up: Axis;
  /** Towards the onlooker. */
  readonly toward: Axis;
  /** Edge of a pixel, mm. */
  readonly pixelMm: number;
  readonly columns: number;
  readonly rows: number;
  /** mm from the left edge to the head's centre, and from the upper edge to it. */
  readonly leftMm: number;
  readonly upMm: number;
}

/** Right, up and towards the onlooker, as unit vectors of the head's axes. */
export function axesOf(side: Side): readonly [Axis, Axis, Axis] {
  const { azimuthDeg, heightDeg } = directionOf(side);
  const azimuth = (azimuthDeg * PI) / 180;
  const height = (heightDeg * PI) / 180;
  const toward: Axis = [sin(azimuth) * cos(height), sin(height), cos(azimuth) * cos(height)];
  const right: Axis = [cos(azimuth), 0, -sin(azimuth)];
  const up: Axis = [
    toward[1] * right[2] - toward[2] * right[1],
    toward[2] * right[0] - toward[0] * right[2],
    toward[0] * right[1] - toward[1] * right[0],
  ];
  return [right, up, toward];
}

/** @param k size of the head against the average one */
export function cameraOf(view: Side, k: number, pixelMm: number): Camera {
  const [right, up, toward] = axesOf(view);
  return {
    right,
    up,
    toward,
    pixelMm,
    columns: ceil((2 * BOX.half * k) / pixelMm),
    rows: ceil(((BOX.up + BOX.down) * k) / pixelMm),
    leftMm: BOX.half * k,
    upMm: BOX.up * k,
  };
}

/** Pixel of a point, row · columns + column; −1 beside the picture. */
export function pixelOf(
  { right, up, pixelMm, columns, rows, leftMm, upMm }: Camera,
  x: number,
  y: number,
  z: number,
): number {
  const column = floor((x * right[0] + y * right[1] + z * right[2] + leftMm) / pixelMm);
  const row = floor((upMm - (x * up[0] + y * up[1] + z * up[2])) / pixelMm);
  return column < 0 || row < 0 || column >= columns || row >= rows ? -1 : row * columns + column;
}
