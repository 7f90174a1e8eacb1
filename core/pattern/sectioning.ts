import {
  finerGrid,
  fromOpened,
  normalize,
  sampleRaster,
  surfaceAlong,
  traceOutlines,
  vec,
  addScaled,
  type Outline,
} from '../head';
import type { Sectioned } from './field';
import { onGrid, type Frame } from './frame';
import { divideAt, followsPart, panelRegion } from './place';
import type { Region } from './region';
import { nodeArea, regionDepths } from './region-raster';
import type { Panel, Side } from './types';

// Taken once: these run in the hot loops.
const { max, min } = Math;

/**
 * One side of a panel, sectioned off in a frame: what it has of the head once earlier panels have taken
 * theirs.
 */
export interface SectionedPanel extends Sectioned {
  readonly areaMm2: number;
  /** Hair of the panel's place that an earlier panel had taken, by its place in the chain, mm². */
  readonly taken: readonly number[];
  readonly outlines: readonly Outline[];
}

/** A panel that takes hair before another one, with the sides of it that can matter. */
export interface Claim {
  readonly panel: Panel;
  readonly side: Side | 'across';
}

/**
 * Panels in the order in which they take their hair: those named in the plan's sectioning first, then the
 * order of work.
 */
export function sectioningOrder(panels: readonly Panel[], sectioning: readonly string[]): Panel[] {
  const rank = new Map(sectioning.map((id, i) => [id, i]));
  return panels
    .map((panel, i) => ({ panel, key: rank.get(panel.id) ?? sectioning.length + i }))
    .sort((a, b) => a.key - b.key)
    .map(({ panel }) => panel)
    .filter((panel) => !panel.muted || panel.reserves === true);
}

/**
 * What is taken before one side of a panel. A panel of the other side only matters where the two dividing
 * lines leave
 * room for an overlap; a second panel of the same place finds nothing left to take.
 */
export function claimsBefore(
  panel: Panel,
  side: 'left' | 'across',
  order: readonly Panel[],
  frame: Frame,
): Claim[] {
  const divided = divideAt(panel, frame);
  const claims: Claim[] = [];
  const places = new Set<string>();
  const claim = (earlier: Panel, of: Claim['side']) => {
    const place = JSON.stringify(claimedPlace(earlier, of));
    if (!places.has(place)) claims.push({ panel: earlier, side: of });
    places.add(place);
  };
  for (const earlier of order) {
    if (earlier.id === panel.id) break;
    const divide = divideAt(earlier, frame);
    if (earlier.side === 'across') claim(earlier, 'across');
    if (earlier.side === 'left' || earlier.side === 'both') claim(earlier, 'left');
    if ((earlier.side === 'right' || earlier.side === 'both') && (side === 'across' || divide > divided)) {
      claim(earlier, 'right');
    }
  }
  return claims;
}

/** Everything that a sectioned panel depends on beside the head: two with the same key are the same. */
export function sectionedKey(
  panel: Panel,
  side: 'left' | 'across',
  claims: readonly Claim[],
  frame: Frame,
): string {
  const usesPart = [panel, ...claims.map((claim) => claim.panel)].some(followsPart);
  return JSON.stringify([
    claimedPlace(panel, side),
    claims.map((claim) => claimedPlace(claim.panel, claim.side)),
    usesPart ? [frame.partOffsetMm, frame.partLengthMm] : 0,
    panel.side === 'across',
  ]);
}

/** What decides the region of one side of a panel. */
function claimedPlace(panel: Panel, side: Side | 'across'): unknown[] {
  return [panel.place, panel.leaveOut, side, panel.side === 'both', panel.divide];
}

/** @returns undefined when nothing is left for the panel. @throws PlaceProblem */
export function sectionOff(
  panel: Panel,
  side: 'left' | 'across',
  claims: readonly Claim[],
  frame: Frame,
): SectionedPanel | undefined {
  const { sectioned, depths } = sectionOn(panel, side, claims, frame);
  const { grid } = frame;
  const deepest = depths.reduce((most, depth) => (depth > most ? depth : most), -Infinity);
  if (deepest > THIN_STEPS * grid.step || deepest < -THIN_STEPS * grid.step) return sectioned;
  // A thin panel falls between the nodes: it is sectioned off on a finer raster round about it.
  const fine = finerGrid(grid, FINER, (x, y) => sampleRaster(grid, depths, x, y) > -2 * grid.step);
  return sectionOn(panel, side, claims, onGrid(frame, fine)).sectioned;
}

/** A panel whose middle lies nearer to its edge than so much of a step of the raster is thin. */
const THIN_STEPS = 0.6;
/** Its own raster is so many times as fine. */
const FINER = 5;

function sectionOn(
  panel: Panel,
  side: 'left' | 'across',
  claims: readonly Claim[],
  frame: Frame,
): { sectioned: SectionedPanel | undefined; depths: Float64Array } {
  const { grid, head } = frame;
  const half = side === 'left';
  const wanted = panelRegion(panel, side, frame);
  // A place that is a problem for its own panel takes nothing from others.
  const taking = claims.map(({ panel: earlier, side: of }) => regionOrNone(earlier, of, frame));
  const taken = taking.map(() => 0);
  const reach = EDGE_MM * head.k;
  const region: Region = (node) => {
    const depth = wanted(node);
    // What other panels took matters nowhere but in the place and at its edge.
    if (depth < -reach) return depth;
    let most = -Infinity;
    let taker = -1;
    for (let i = 0; i < taking.length; i += 1) {
      const theirs = taking[i](node);
      most = max(most, theirs);
      if (theirs > 0 && taker < 0) taker = i;
      // So deep in another panel, no edge of this one is near.
      if (most > reach) break;
    }
    if (depth > 0 && taker >= 0) taken[taker] += grid.area[node.index];
    return min(depth, -most);
  };
  const depths = regionDepths(grid, region, half);
  const outlines = traceOutlines(grid, depths);
  let areaMm2 = 0;
  let sum = vec(0, 0, 0);
  for (let i = 0; i < depths.length; i += 1) {
    const area = nodeArea(grid, depths, i);
    if (area === 0) continue;
    areaMm2 += area;
    sum = addScaled(sum, grid.points[i]!, area);
  }
  if (outlines.length === 0 || areaMm2 < SMALLEST_MM2 * head.k * head.k)
    return { sectioned: undefined, depths };
  const sectioned: SectionedPanel = {
    frame,
    across: panel.side === 'across',
    depths,
    outlines,
    edge: outlines.flatMap((outline) => outline.map((point) => fromOpened(head, point))),
    centre: surfaceAlong(normalize(sum), head.skull),
    areaMm2,
    taken,
  };
  return { sectioned, depths };
}

/** How far outside its place a panel's edge is still looked at, mm on the average head. */
const EDGE_MM = 12;
/** Less than this is no panel, mm². */
const SMALLEST_MM2 = 50;

function regionOrNone(panel: Panel, side: Side | 'across', frame: Frame): Region {
  try {
    return panelRegion(panel, side, frame);
  } catch {
    return () => -1000;
  }
}
