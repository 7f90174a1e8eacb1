import {
  CROWN_RADIUS_MM,
  dot,
  HAIRLINE_BAND_MM,
  landmarks,
  normalize,
  scale,
  subtract,
  surfaceDistance,
  surfaceNormal,
  toOpened,
  vec,
  type Head,
  type OpenedPoint,
  type ZoneFamily,
} from '../head';
import type { Frame } from './frame';
import { crossesItself, polygonArea, polygonDepth } from './polygon';
import {
  behindEarLine,
  beyondAzimuth,
  both,
  either,
  hairBearing,
  leftOf,
  not,
  onceByNode,
  type Region,
} from './region';
import { smoothstep } from './smoothstep';
import {
  followsHair,
  type BandWidth,
  type DiskPoint,
  type HairLedWidth,
  type Panel,
  type Place,
  type Side,
} from './types';

// Taken once: these run in the hot loops.
const { cos, hypot, max, min, sin } = Math;

/** A place that cannot be sectioned off, said as a sentence about it. */
export class PlaceProblem extends Error {}

const DEG = Math.PI / 180;
/** Points put between the corners of an outline, so that its edges are straight in the disk. */
const EDGE_POINTS = 8;

/**
 * The region that one side of a panel takes, before what other panels took.
 * @throws PlaceProblem when the place makes no sense (an outline that crosses itself, a wheel off the head)
 */
export function panelRegion(panel: Panel, side: Side | 'across', frame: Frame): Region {
  // Outlines of a panel on both sides are drawn on the left and mirrored to the right.
  const flip = panel.side === 'both' && side === 'right';
  const parts = [hairBearing, placeRegion(panel.place, frame, flip)];
  for (const outline of panel.leaveOut) parts.push(not(outlineRegion(outline, frame, flip)));
  if (side !== 'across') {
    const divide = leftOf(divideAt(panel, frame));
    parts.push(side === 'left' ? divide : not(divide));
  }
  return both(...parts);
}

/** Where left and right of a panel divide, mm from the middle. */
export function divideAt(panel: Panel, frame: Frame): number {
  if (panel.divide !== null) return panel.divide === 'part' ? frame.partOffsetMm : 0;
  switch (panel.place.kind) {
    case 'side':
    case 'part-strip':
    case 'face-frame':
      return frame.partOffsetMm;
    case 'wheel':
      return frame.head.crown.x;
    default:
      return 0;
  }
}

/** Whether a panel's region changes when the part moves. */
export function followsPart({ place, divide }: Panel): boolean {
  const within = (current: Place): boolean => {
    switch (current.kind) {
      case 'part-strip':
      case 'face-frame':
        return true;
      case 'union':
      case 'overlap':
        return current.of.some(within);
      case 'except':
        return within(current.place) || current.without.some(within);
      default:
        return false;
    }
  };
  return divide === 'part' || (divide === null && place.kind === 'side') || within(place);
}

function placeRegion(place: Place, frame: Frame, flip: boolean): Region {
  const inner = (current: Place) => placeRegion(current, frame, flip);
  switch (place.kind) {
    case 'whole':
      return hairBearing;
    case 'back':
      return onceByNode(frame, 'back', () => behindEarLine);
    case 'side':
      return not(onceByNode(frame, 'back', () => behindEarLine));
    case 'zones':
      return either(
        ...place.zones.map((family) => onceByNode(frame, `zone ${family}`, () => zoneRegion(family, frame))),
      );
    case 'part-strip':
      return partStrip(place, frame);
    case 'hairline-band':
      return hairlineBand(place, frame);
    case 'face-frame':
      return faceFrame(place, frame);
    case 'crown-triangle':
      return crownTriangle(place, frame);
    case 'wheel':
      return wheel(place, frame);
    case 'triangle':
      return outlineRegion(place.corners, frame, flip);
    case 'outline':
      return outlineRegion(place.points, frame, flip);
    case 'union':
      return either(...place.of.map(inner));
    case 'overlap':
      return both(...place.of.map(inner));
    case 'except':
      return both(inner(place.place), not(either(...place.without.map(inner))));
  }
}

/**
 * A family of zones as a region: the definition of the zones, first match wins, with depths instead of tests.
 */
function zoneRegion(family: ZoneFamily, frame: Frame): Region {
  const { head } = frame;
  const { k, skull } = head;
  const crown = onceByNode(
    frame,
    'crown',
    () =>
      ({ point }) =>
        CROWN_RADIUS_MM * k - surfaceDistance(point, head.crown, skull),
  );
  const toHairline = frame.hairlineDistance();
  const band: Region = ({ index }) => HAIRLINE_BAND_MM * k - toHairline[index];
  const within =
    (deg: number): Region =>
    ({ place }) =>
      -beyondAzimuth(place, deg * DEG);
  const nearer =
    (t: number): Region =>
    ({ place }) =>
      t * place.hairArc - place.arc;
  const above =
    (y: number): Region =>
    ({ point }) =>
      point.y - y * skull.y;
  const inner = both(not(crown), not(band));
  const rest = both(inner, not(nearer(0.35)));
  const behind = both(rest, not(within(105)));
  const side = both(rest, not(within(42)), within(105));
  const edge = both(not(crown), band);
  const regions: Record<ZoneFamily, Region> = {
    crown,
    'front-hairline': both(edge, within(42)),
    temple: both(edge, not(within(42)), within(80)),
    'ear-hairline': both(edge, not(within(80)), within(142)),
    'nape-hairline': both(edge, not(within(142))),
    top: both(inner, nearer(0.35)),
    front: both(rest, within(42)),
    'upper-side': both(side, nearer(0.65)),
    'lower-side': both(side, not(nearer(0.65))),
    'upper-back': both(behind, above(-10)),
    occipital: both(behind, not(above(-10)), above(-40)),
    nape: both(behind, not(above(-40))),
  };
  return regions[family];
}

function partStrip(place: Extract<Place, { kind: 'part-strip' }>, frame: Frame): Region {
  const { distance, along } = frame.partDistance();
  const { leftMm, rightMm } = place;
  const end = place.toMm ?? frame.partLengthMm ?? crownAlong(frame);
  return ({ point, index }) =>
    min(
      point.x >= frame.partOffsetMm ? leftMm - distance[index] : rightMm + distance[index],
      along[index] - place.fromMm,
      end - along[index],
    );
}

/** Arc from the front hairline to the height of the crown, mm. */
function crownAlong(frame: Frame): number {
  const { behindApexMm } = frame.head.spec.crown ?? { behindApexMm: 50 };
  return frame.head.hairArc(0) + behindApexMm * frame.head.k;
}

function hairlineBand(place: Extract<Place, { kind: 'hairline-band' }>, frame: Frame): Region {
  const distance = frame.hairlineDistance();
  const { widthMm, insetMm = 0 } = place;
  // Before anything is laid the widths that follow the hair have been put in.
  const widthAt = bandWidth(followsHair(widthMm) ? 0 : widthMm);
  return ({ index, place: at }) =>
    min(
      insetMm + widthAt(at.azimuth / DEG) - distance[index],
      insetMm > 0 ? distance[index] - insetMm : Infinity,
      beyondAzimuth(at, place.fromDeg * DEG) + (place.fromDeg === 0 ? 1000 : 0),
      place.toDeg >= 180 ? 1000 : -beyondAzimuth(at, place.toDeg * DEG),
    );
}

/** Width of a band by azimuth (degrees): one figure, or eased between widths at azimuths, round the head. */
function bandWidth(width: Exclude<BandWidth, HairLedWidth>): (azimuthDeg: number) => number {
  if (typeof width === 'number') return () => width;
  const knots = [...width].sort((a, b) => a[0] - b[0]);
  if (knots.length === 1) return () => knots[0][1];
  return (azimuthDeg) => {
    let i = knots.findIndex(([a]) => a > azimuthDeg);
    if (i < 0) i = knots.length;
    const [a0, w0] = i > 0 ? knots[i - 1] : [knots[knots.length - 1][0] - 360, knots[knots.length - 1][1]];
    const [a1, w1] = i < knots.length ? knots[i] : [knots[0][0] + 360, knots[0][1]];
    const f = a1 > a0 ? (azimuthDeg - a0) / (a1 - a0) : 0;
    return w0 + (w1 - w0) * smoothstep(f);
  };
}

function faceFrame(place: Extract<Place, { kind: 'face-frame' }>, frame: Frame): Region {
  const { head } = frame;
  const depth = max(0, place.depthMm);
  // The point of the part this far behind the front hairline, on the opened head.
  const tip: OpenedPoint = { x: frame.partOffsetMm, y: frontHairlineAt(head, frame.partOffsetMm) - depth };
  const reach = place.reachDeg * DEG;
  const arm = (side: 1 | -1): Region => {
    const arc = head.hairArc(side * reach);
    const end = { x: side * arc * sin(reach), y: arc * cos(reach) };
    const length = hypot(end.x - tip.x, end.y - tip.y);
    // In front of the line from the tip to the end.
    return ({ opened }) =>
      (side * ((end.x - tip.x) * (opened.y - tip.y) - (end.y - tip.y) * (opened.x - tip.x))) / length;
  };
  return both(arm(1), arm(-1));
}

/** Where the front hairline lies so far from the middle, mm in front of the apex on the opened head. */
export function frontHairlineAt({ hairArc }: Head, x: number): number {
  let y = hairArc(0);
  for (let i = 0; i < 8; i += 1) {
    const arc = hairArc(Math.atan2(x, y));
    y = Math.sqrt(max(0, arc * arc - x * x));
  }
  return y;
}

function crownTriangle(place: Extract<Place, { kind: 'crown-triangle' }>, frame: Frame): Region {
  const { head } = frame;
  const { occipitalBone } = landmarks(head);
  const corner = toOpened(head, occipitalBone);
  const top = -place.behindApexMm * head.k;
  const wide = place.halfWidthMm * head.k;
  return ({ opened }) =>
    polygonDepth(
      [
        { x: 0, y: corner.y },
        { x: wide, y: top },
        { x: -wide, y: top },
      ],
      opened,
    );
}

function wheel(place: Extract<Place, { kind: 'wheel' }>, frame: Frame): Region {
  const { head } = frame;
  const { arc, hairArc } = head.locate(head.crown);
  if (arc > hairArc)
    throw new PlaceProblem('the crown lies outside the hairline, so there is no wheel round it');
  const disc: Region = ({ point }) => place.radiusMm - surfaceDistance(point, head.crown, head.skull);
  if (place.half === 'all') return disc;
  // Divided by the plane through the crown's normal, as the wedges of a wheel are.
  const normal = surfaceNormal(head.crown, head.skull);
  const forward = normalize(subtract(vec(0, 0, 1), scale(normal, normal.z)));
  const front: Region = ({ point }) => dot(subtract(point, head.crown), forward);
  return both(disc, place.half === 'front' ? front : not(front));
}

/** An outline drawn in the disk as a region. */
function outlineRegion(points: readonly DiskPoint[], frame: Frame, flip: boolean): Region {
  if (points.length < 3) throw new PlaceProblem('an outline needs at least three corners');
  const corners = points.map(([x, y]): DiskPoint => [flip ? -x : x, y]);
  const asDrawn = corners.map(([x, y]) => ({ x, y }));
  if (crossesItself(asDrawn)) throw new PlaceProblem('its outline crosses itself');
  if (polygonArea(asDrawn) < 1e-6) throw new PlaceProblem('its outline encloses nothing');
  const outline = corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length];
    return Array.from({ length: EDGE_POINTS }, (_, step) => {
      const f = step / EDGE_POINTS;
      return frame.open([a[0] + (b[0] - a[0]) * f, a[1] + (b[1] - a[1]) * f]);
    });
  });
  const xs = outline.map(({ x }) => x);
  const ys = outline.map(({ y }) => y);
  const box = { left: min(...xs), right: max(...xs), low: min(...ys), high: max(...ys) };
  return ({ opened }) => {
    // Far from the outline its bounding box says enough.
    const off = max(box.left - opened.x, opened.x - box.right, box.low - opened.y, opened.y - box.high);
    return off > 12 ? -off : polygonDepth(outline, opened);
  };
}
