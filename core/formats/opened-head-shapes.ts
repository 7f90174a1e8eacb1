import { landmarks, openedHairline, openedPart, toOpened, type Head, type OpenedPoint } from '../head';
import { pathPoints, stitchesOnHead, type ComputedPlan, type FoilPath, type Plan } from '../pattern';
import { mm, svgOf, type Shape } from './shapes';

const COLOURS = {
  ground: '#eef1ec',
  bark: '#4b3a2a',
  shade: '#2f2419',
  foil: '#f3f1ea',
  sun: '#f0b93a',
  dusk: '#6a4c86',
  ink: '#17251f',
  soft: '#55635b',
};

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Free space round the head for the names of landmarks, mm on the average head. */
const MARGIN_MM = 22;

/** What the drawing of a head at real size takes, its middle line at x = 0. */
function boxOf(head: Head): Box {
  const hairline = openedHairline(head, 240);
  const margin = MARGIN_MM * head.k;
  const xs = hairline.map(({ x }) => -x);
  const ys = hairline.map(({ y }) => -y);
  const [x, y] = [Math.min(...xs) - margin, Math.min(...ys) - margin];
  return { x, y, width: Math.max(...xs) + margin - x, height: Math.max(...ys) + margin - y };
}

/**
 * The computed pattern on the opened head as an SVG of real size (1 unit = 1 mm): hairline, panels, part,
 * every foil with
 * its gather in real proportion and its place in the order of work, painted sections and treated drop-outs,
 * landmarks.
 */
export function openedHeadSvg(plan: Plan, computed: ComputedPlan): string {
  const box = boxOf(computed.drawing.head);
  return svgOf(
    box,
    `${plan.name}: ${computed.sheet.totals.foils} foils`,
    COLOURS.ground,
    openedHeadShapes(plan, computed, box),
  );
}

/** The same as shapes, as large as fits into a box of the page and in its middle. */
export function openedHeadShapes(plan: Plan, { sheet, drawing }: ComputedPlan, into: Box): Shape[] {
  const { head } = drawing;
  const box = boxOf(head);
  const scale = Math.min(into.width / box.width, into.height / box.height);
  const dx = into.x + (into.width - box.width * scale) / 2 - box.x * scale;
  const dy = into.y + (into.height - box.height * scale) / 2 - box.y * scale;
  const on: Page = { scale, at: ({ x, y }) => ({ x: dx - x * scale, y: dy - y * scale }) };
  const hairline = openedHairline(head, 240);
  return [
    { kind: 'path', d: line(on, hairline, true), fill: COLOURS.bark, stroke: COLOURS.ink, width: scale },
    ...drawing.outlines.flatMap(({ outlines }) =>
      outlines.map((outline): Shape => ({
        kind: 'path',
        d: line(on, outline, true),
        stroke: '#fff',
        strokeOpacity: 0.35,
        width: 0.6 * scale,
      })),
    ),
    ...drawing.dropouts.map((path, i) =>
      strip(on, path, sheet.dropouts[i].treatment === 'lowlight' ? COLOURS.dusk : COLOURS.sun, 0.45),
    ),
    ...drawing.painted.map((path) => strip(on, path, COLOURS.sun, 0.8)),
    ...drawing.paths.flatMap((path, i) => foil(on, path, sheet.foils[i].widthMm, sheet.foils[i].order)),
    ...(plan.head.part.none
      ? []
      : [
          {
            kind: 'path',
            d: line(on, openedPart(head, plan.head.part.offsetMm)),
            stroke: '#fff',
            width: scale,
            dash: [4 * scale, 3 * scale],
          } as const,
        ]),
    ...landmarkNames(on, head),
  ];
}

/** Smaller than this a number on paper is not read, mm. */
const LEAST_NUMBER_MM = 1.7;

/** From the opened head to the page: the client's left is left and the forehead up. */
interface Page {
  readonly scale: number;
  at(point: OpenedPoint): OpenedPoint;
}

function line(on: Page, points: readonly OpenedPoint[], closed = false): string {
  return (
    points
      .map((point, i) => {
        const { x, y } = on.at(point);
        return `${i === 0 ? 'M' : 'L'}${mm(x)} ${mm(y)}`;
      })
      .join('') + (closed ? 'Z' : '')
  );
}

const ribbon = (on: Page, path: FoilPath) =>
  line(on, [...pathPoints(path, 'before'), ...pathPoints(path, 'after').reverse()], true);

function strip(on: Page, path: FoilPath, colour: string, opacity: number): Shape {
  return { kind: 'path', d: ribbon(on, path), fill: colour, fillOpacity: opacity };
}

function foil(on: Page, path: FoilPath, widthMm: number, order: number): Shape[] {
  const { scale } = on;
  const label = on.at(pathPoints(path)[path.count >> 1]);
  const lit = stitchesOnHead(path, widthMm)
    .map((outline) => line(on, outline, true))
    .join('');
  const size = Math.max(3 * scale, LEAST_NUMBER_MM);
  return [
    {
      kind: 'path',
      id: path.id.replace(/\//g, '.'),
      d: ribbon(on, path),
      fill: COLOURS.shade,
      stroke: COLOURS.foil,
      width: 0.5 * scale,
    },
    { kind: 'path', d: lit, fill: COLOURS.sun },
    {
      kind: 'text',
      x: label.x,
      y: label.y + 0.36 * size,
      size,
      words: String(order),
      fill: '#fff',
      weight: 700,
      anchor: 'middle',
      rim: 0.27 * size,
    },
  ];
}

function landmarkNames(on: Page, head: Head): Shape[] {
  const marks = landmarks(head);
  const { scale } = on;
  const front = on.at(toOpened(head, marks.frontHairline));
  const nape = on.at(toOpened(head, marks.nape));
  const left = on.at(toOpened(head, head.hairlinePoint(Math.PI / 2)));
  const right = on.at(toOpened(head, head.hairlinePoint(-Math.PI / 2)));
  const name = (words: string, x: number, y: number, anchor: 'start' | 'middle' | 'end'): Shape => ({
    kind: 'text',
    x,
    y,
    size: 6 * scale,
    words,
    fill: COLOURS.soft,
    weight: 400,
    anchor,
  });
  return [
    name('forehead', front.x, front.y - 5 * scale, 'middle'),
    name('nape', nape.x, nape.y + 10 * scale, 'middle'),
    name('left ear', left.x - 4 * scale, left.y, 'end'),
    name('right ear', right.x + 4 * scale, right.y, 'start'),
  ];
}
