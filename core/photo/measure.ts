/** A point of a picture, in its pixels. */
export interface Pixel {
  readonly x: number;
  readonly y: number;
}

/** Two points of the picture and how far they are apart in truth. */
export interface PhotoScale {
  readonly from: Pixel;
  readonly to: Pixel;
  readonly mm: number;
}

const apart = (a: Pixel, b: Pixel) => Math.hypot(a.x - b.x, a.y - b.y);

/** Points closer than this cannot carry a scale: a pixel's slip would change it by more than a twentieth. */
const LEAST_PX = 20;
/** How far off a click is, in pixels of the picture as shown: a working assumption. */
const CLICK_PX = 1.5;

/** Why these points carry no scale; undefined when they do. */
export function scaleProblem({ from, to, mm }: PhotoScale): string | undefined {
  if (!(mm >= 1 && mm <= 500)) return 'The known distance must be from 1 to 500 mm.';
  if (apart(from, to) < LEAST_PX)
    return 'The two points lie too close together: choose two that are further apart, or enlarge the picture.';
  return undefined;
}

/**
 * Length of a line drawn on a picture, mm, with the standard deviation that comes of clicking.
 * It holds where line and scale lie at the same distance from the camera.
 * @param shownPerPixel screen pixels per pixel of the picture, so that the click's error is known
 */
export function measured(
  scale: PhotoScale,
  line: { from: Pixel; to: Pixel },
  shownPerPixel = 1,
): { mm: number; sd: number } {
  const long = apart(scale.from, scale.to);
  const length = apart(line.from, line.to);
  const mm = (length / long) * scale.mm;
  const click = (CLICK_PX / shownPerPixel) * Math.SQRT2;
  const perPx = scale.mm / long;
  return { mm, sd: Math.hypot(click * perPx, mm * (click / long)) };
}
