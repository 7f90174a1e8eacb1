import { pointOnHairline } from './hairline-light';
import { pixelOf } from './camera';
import type { Head } from '../head';
import type { Surface } from './surface';

const { abs, sqrt } = Math;

/** Half the width of the strip by which a part is judged, mm. */
const PART_HALF_MM = 15;
/** Radius of the crown as it is seen, average head, mm. */
const CROWN_MM = 42;

export type Region = (pixel: number) => boolean;

/** Pixels of the view from above within 15 mm of the part, from the front hairline to the crown. */
export function partRegion(head: Head, { camera, view }: Surface, partMm: number): Region {
  if (view !== 'top') throw new RangeError('The part is judged from above.');
  const { columns, pixelMm, leftMm } = camera;
  const front = pointOnHairline(head, 0);
  const first = Math.floor(pixelOf(camera, front.x, front.y, front.z) / columns);
  const last = Math.floor(pixelOf(camera, head.crown.x, head.crown.y, head.crown.z) / columns);
  return (pixel) => {
    const row = Math.floor(pixel / columns);
    // From above, the client's left is on the left of the picture.
    const x = leftMm - ((pixel % columns) + 0.5) * pixelMm;
    return row >= first && row <= last && abs(x - partMm) <= PART_HALF_MM;
  };
}

/** Pixels about the crown, from behind or above. */
export function crownRegion(head: Head, { camera }: Surface): Region {
  const { columns, pixelMm } = camera;
  const middle = pixelOf(camera, head.crown.x, head.crown.y, head.crown.z);
  const [row, column] = [Math.floor(middle / columns), middle % columns];
  const radius = (CROWN_MM * head.k) / pixelMm;
  return (pixel) =>
    sqrt((Math.floor(pixel / columns) - row) ** 2 + ((pixel % columns) - column) ** 2) <= radius;
}

/**
 * Pixels below the height of the occipital bone that lie on the head, from any side: the underneath, where
 * the top is clipped up.
 */
export function underRegion(head: Head, { camera }: Surface): Region {
  const { columns, pixelMm, upMm } = camera;
  const [from, to] = [-15 * head.k, -110 * head.k].map((y) => (upMm - y) / pixelMm);
  return (pixel) => {
    const row = Math.floor(pixel / columns);
    return row >= from && row <= to;
  };
}
