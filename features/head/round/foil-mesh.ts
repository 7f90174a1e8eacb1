import { BufferAttribute, BufferGeometry, Color } from 'three';
import { addScaled, fromOpened, surfaceNormal, type Head, type OpenedPoint, type Vec3 } from '@/core/head';
import { BEND_MM, stitchShapes, type FoilPath, type PatternDrawing } from '@/core/pattern';
import { dimmed, Solid, type Rgb } from './solid';

const { hypot } = Math;

/**
 * A folded foil hangs from its upper edge over what is below: mm above the skin at the edge nearer the apex,
 * and at the other.
 */
const UPPER_MM = 1;
const LOWER_MM = 2.8;
/** Bare foil that is seen round the hair in it, share of the section's thickness. */
const RIM = 0.14;

const rgb = (hex: string): Rgb => {
  const { r, g, b } = new Color(hex);
  return [r, g, b];
};
const FOIL = rgb('#e9e7df');
const FOIL_SIDE = rgb('#a9aaa2');
const LIT = rgb('#ffffff');
const SUN = rgb('#f0b93a');
const DUSK = rgb('#6a4c86');

/**
 * A share of the section (0 at its first edge) and a position along it (in samples) as a point over the skin;
 * the point is used again.
 */
type Over = (position: number, share: number, above: number) => Vec3;

/**
 * Sections lying on the scalp: the folded foil with hair in it, and light where it is picked, in real
 * proportion.
 */
export function foilGeometry(
  { head, paths }: Pick<PatternDrawing, 'head' | 'paths'>,
  bark: Rgb,
  widths: readonly number[],
): BufferGeometry {
  const solid = new Solid();
  const hair = dimmed(bark, 0.5);
  paths.forEach((path, i) => {
    const over = overSkin(head, path);
    addSlab(solid, path, over, FOIL, FOIL_SIDE);
    addStrip(solid, path, over, RIM, 1 - RIM, 0.25, hair);
    addStitches(solid, path, over, widths[i]);
  });
  return solid.geometry(false);
}

/** Foils that are under the pointer or chosen: their rim bright, a little above the rest. */
export function brightGeometry(head: Head, paths: readonly FoilPath[]): BufferGeometry {
  const solid = new Solid();
  for (const path of paths) {
    const over = overSkin(head, path);
    addStrip(solid, path, over, -0.2, RIM + 0.06, 0.7, LIT);
    addStrip(solid, path, over, 1 - RIM - 0.06, 1.2, 0.7, LIT);
  }
  return solid.geometry(false);
}

/** Sections painted in the open air, and drop-outs that are treated: hair that lies free. */
export function freeGeometry(
  { head, painted, dropouts }: PatternDrawing,
  treatments: readonly string[],
): BufferGeometry {
  const solid = new Solid();
  for (const path of painted) addStrip(solid, path, overSkin(head, path), 0, 1, -0.6, dimmed(SUN, 0.8));
  dropouts.forEach((path, i) =>
    addStrip(
      solid,
      path,
      overSkin(head, path),
      0,
      1,
      -0.6,
      treatments[i] === 'lowlight' ? DUSK : dimmed(SUN, 0.45),
    ),
  );
  return solid.geometry(false);
}

/** Lines of the opened head (panel edges, the part) over the skin, their points joined two by two. */
export function lineGeometry(
  head: Head,
  lines: readonly (readonly OpenedPoint[])[],
  closed: boolean,
  aboveMm = 1.4,
): BufferGeometry {
  const out: number[] = [];
  for (const line of lines) {
    const points = line.map((point) => {
      const at = fromOpened(head, point);
      return addScaled(at, surfaceNormal(at, head.skull), aboveMm);
    });
    points.forEach((p, i) => {
      if (i + 1 === points.length && !closed) return;
      const q = points[(i + 1) % points.length];
      out.push(p.x, p.y, p.z, q.x, q.y, q.z);
    });
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(out), 3));
  return geometry;
}

function overSkin(head: Head, { packed, count }: FoilPath): Over {
  // Every second sample and the last: a section bends little in a centimetre.
  const kept: number[] = [];
  for (let j = 0; j < count - 1; j += 2) kept.push(j);
  kept.push(count - 1);
  // Nine figures a sample: both edges and the normal; then how far each edge is lifted.
  const at = new Float64Array(11 * kept.length);
  kept.forEach((j, i) => {
    const [bx, by, ax, ay] = [packed[6 * j + 2], packed[6 * j + 3], packed[6 * j + 4], packed[6 * j + 5]];
    const before = fromOpened(head, { x: bx, y: by });
    const after = fromOpened(head, { x: ax, y: ay });
    const normal = surfaceNormal(before, head.skull);
    // Which edge is the lower one; a section that runs down the head has none.
    const fall =
      ((hypot(ax, ay) - hypot(bx, by)) / (hypot(bx - ax, by - ay) || 1)) * ((LOWER_MM - UPPER_MM) / 2);
    const middle = (UPPER_MM + LOWER_MM) / 2;
    at.set(
      [
        before.x,
        before.y,
        before.z,
        after.x,
        after.y,
        after.z,
        normal.x,
        normal.y,
        normal.z,
        middle - fall,
        middle + fall,
      ],
      11 * i,
    );
  });
  const last = kept.length - 1;
  const point = { x: 0, y: 0, z: 0 };
  return (position, share, above) => {
    const i = position >= kept[last - 1] ? last - 1 : Math.max(0, Math.floor(position / 2));
    const f = (position - kept[i]) / (kept[i + 1] - kept[i]);
    const read = (k: number) => at[11 * i + k] * (1 - f) + at[11 * i + 11 + k] * f;
    const lifted = above + read(9) + (read(10) - read(9)) * share;
    point.x = read(0) + (read(3) - read(0)) * share + read(6) * lifted;
    point.y = read(1) + (read(4) - read(1)) * share + read(7) * lifted;
    point.z = read(2) + (read(5) - read(2)) * share + read(8) * lifted;
    return point;
  };
}

/**
 * Light from above, baked into the corners: foils are many and are not lit one by one. Higher up is lighter.
 */
function corner(solid: Solid, { x, y, z }: Vec3, [r, g, b]: Rgb): number {
  const light = 0.62 + 0.38 * Math.min(1, Math.max(0, (y + 90) / 180));
  return solid.corner(x, y, z, [r * light, g * light, b * light]);
}

/** The folded foil: its upper side and the walls of its fold. */
function addSlab(solid: Solid, path: FoilPath, over: Over, top: Rgb, side: Rgb): void {
  addStrip(solid, path, over, 0, 1, 0, top);
  for (const share of [0, 1]) {
    eachSample(path.count, (j, begins) => {
      const high = corner(solid, over(j, share, 0), side);
      const low = corner(solid, over(j, share, -LOWER_MM), side);
      if (begins) return;
      if (share === 0) solid.quad(high - 2, low - 2, high, low);
      else solid.quad(low - 2, high - 2, low, high);
    });
  }
}

/** Every second sample of a path and its last. */
function eachSample(count: number, at: (j: number, begins: boolean) => void): void {
  for (let j = 0; j < count - 1; j += 2) at(j, j === 0);
  at(count - 1, false);
}

function addStrip(
  solid: Solid,
  { count }: FoilPath,
  over: Over,
  from: number,
  to: number,
  above: number,
  colour: Rgb,
): void {
  eachSample(count, (j, begins) => {
    const a = corner(solid, over(j, from, above), colour);
    const b = corner(solid, over(j, to, above), colour);
    if (!begins) solid.quad(a - 2, b - 2, a, b);
  });
}

function addStitches(solid: Solid, path: FoilPath, over: Over, widthMm: number): void {
  const perMm = (path.count - 1) / widthMm;
  const inside = (share: number) => RIM + (1 - 2 * RIM) * share;
  for (const shape of stitchShapes(path.gather, widthMm, BEND_MM)) {
    shape.forEach(({ alongMm, from, to }, i) => {
      const a = corner(solid, over(alongMm * perMm, inside(from), 0.5), SUN);
      const b = corner(solid, over(alongMm * perMm, inside(to), 0.5), SUN);
      if (i > 0) solid.quad(a - 2, b - 2, a, b);
    });
  }
}
