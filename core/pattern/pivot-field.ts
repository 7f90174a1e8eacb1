import type { Field } from './field';
import { levelField } from './level-field';
import { planeField, type PlaneField } from './plane-field';
import type { SectionedPanel } from './sectioning';

const { max, min } = Math;

/** Nodes this far outside the panel are still looked at, mm on the average head. */
const MARGIN_MM = 18;

/**
 * Partings that turn from one angle to another, or to the line of the part. Each of the two is a family that
 * never crosses itself, with
 * its own s at every point; the field is s of the first where the panel begins, of the second where it ends,
 * and between them both in
 * shares that change evenly. Its level lines cannot cross. They are narrower where the turn brings them
 * together.
 */
export function pivotField(
  panel: SectionedPanel,
  fromDeg: number,
  to: { readonly deg: number; readonly part: boolean },
): Field {
  const { frame, depths } = panel;
  const { grid, head } = frame;
  const first = planeField(panel, fromDeg);
  const last = to.part ? alongPart(panel) : oriented(planeField(panel, to.deg), first, panel);
  const both = new Map<number, readonly [number, number]>();
  let low = Infinity;
  let high = -Infinity;
  for (let i = 0; i < depths.length; i += 1) {
    const point = grid.points[i];
    if (!point || !(depths[i] > -MARGIN_MM * head.k)) continue;
    const a = sOf(first, point);
    const b = last(i);
    if (a === undefined || b === undefined) continue;
    both.set(i, [a, b]);
    if (!(depths[i] > 0)) continue;
    low = min(low, (a + b) / 2);
    high = max(high, (a + b) / 2);
  }
  const share = (s: number) => min(1, max(0, (s - low) / max(1e-6, high - low)));
  const levels = new Float64Array(depths.length).fill(Number.NaN);
  for (const [i, [a, b]] of both) {
    const f = share((a + b) / 2);
    levels[i] = a * (1 - f) + b * f;
  }
  return { ...levelField(panel, levels, 1, true), angleAt: (s) => fromDeg + (to.deg - fromDeg) * share(s) };
}

const sOf = (field: PlaneField, point: Parameters<PlaneField['partingsThrough']>[0]): number | undefined =>
  field.partingsThrough(point)[0];

/** s by node along the part: 0 at the panel's centre, growing towards the part. */
function alongPart({ frame, centre }: SectionedPanel): (node: number) => number | undefined {
  const { distance } = frame.partDistance();
  const { grid } = frame;
  let nearest = -1;
  let least = Infinity;
  grid.points.forEach((point, i) => {
    if (!point) return;
    const off = (point.x - centre.x) ** 2 + (point.y - centre.y) ** 2 + (point.z - centre.z) ** 2;
    if (off < least) {
      least = off;
      nearest = i;
    }
  });
  const at = Math.abs(distance[nearest]);
  return (node) => (Number.isNaN(distance[node]) ? undefined : at - Math.abs(distance[node]));
}

/** s by node of a second family, counted the same way as the first. */
function oriented(
  field: PlaneField,
  first: PlaneField,
  { frame: { grid }, depths }: SectionedPanel,
): (node: number) => number | undefined {
  let same = 0;
  for (let i = 0; i < depths.length; i += 7) {
    const point = grid.points[i];
    if (!(depths[i] > 0) || !point) continue;
    const [a, b] = [sOf(first, point), sOf(field, point)];
    if (a !== undefined && b !== undefined) same += a * b;
  }
  const sign = same < 0 ? -1 : 1;
  return (node) => {
    const s = sOf(field, grid.points[node]!);
    return s === undefined ? undefined : sign * s;
  };
}
