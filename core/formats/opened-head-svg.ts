import { landmarks, openedHairline, openedPart, toOpened, type Head, type OpenedPoint } from '../head';
import { pathPoints, stitchIntervals, type ComputedPlan, type FoilPath, type Plan, type SingleGather } from '../pattern';

const COLOURS = { ground: '#eef1ec', bark: '#4b3a2a', shade: '#2f2419', foil: '#f3f1ea', sun: '#f0b93a', dusk: '#6a4c86', ink: '#17251f', soft: '#55635b' };

/** Lengths to 0.1 mm: finer than a comb. */
const mm = (value: number) => String(Number(value.toFixed(1)) + 0);
/** On the sheet the client's left is left and the forehead up. */
const at = ({ x, y }: OpenedPoint) => `${mm(-x)} ${mm(-y)}`;

function line(points: readonly OpenedPoint[], closed = false): string {
  return points.map((point, i) => `${i === 0 ? 'M' : 'L'}${at(point)}`).join('') + (closed ? 'Z' : '');
}

/**
 * The computed pattern on the opened head as an SVG of real size (1 unit = 1 mm): hairline, panels, part, every foil with
 * its gather in real proportion and its place in the order of work, painted sections and treated drop-outs, landmarks.
 */
export function openedHeadSvg(plan: Plan, { sheet, drawing }: ComputedPlan): string {
  const { head } = drawing;
  const hairline = openedHairline(head, 240);
  const margin = 22 * head.k;
  const xs = hairline.map(({ x }) => -x);
  const ys = hairline.map(({ y }) => -y);
  const box = { x: Math.min(...xs) - margin, y: Math.min(...ys) - margin, right: Math.max(...xs) + margin, low: Math.max(...ys) + margin };
  const width = mm(box.right - box.x);
  const height = mm(box.low - box.y);
  const parts = [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${mm(box.x)} ${mm(box.y)} ${width} ${height}" font-family="Archivo, sans-serif">`,
    `<title>${escaped(plan.name)}: ${sheet.totals.foils} foils</title>`,
    `<rect x="${mm(box.x)}" y="${mm(box.y)}" width="${width}" height="${height}" fill="${COLOURS.ground}"/>`,
    `<path d="${line(hairline, true)}" fill="${COLOURS.bark}" stroke="${COLOURS.ink}"/>`,
    ...drawing.outlines.flatMap(({ outlines }) =>
      outlines.map((outline) => `<path d="${line(outline, true)}" fill="none" stroke="#fff" stroke-opacity=".35" stroke-width=".6"/>`)),
    ...drawing.dropouts.map((path, i) => strip(path, sheet.dropouts[i].treatment === 'lowlight' ? COLOURS.dusk : COLOURS.sun, 0.45)),
    ...drawing.painted.map((path) => strip(path, COLOURS.sun, 0.8)),
    ...drawing.paths.map((path, i) => foil(path, sheet.foils[i].widthMm, sheet.foils[i].order)),
    ...(plan.head.part.none ? [] : [`<path d="${line(openedPart(head, plan.head.part.offsetMm))}" fill="none" stroke="#fff" stroke-width="1" stroke-dasharray="4 3"/>`]),
    ...landmarkNames(head),
    '</svg>',
  ];
  return `${parts.join('\n')}\n`;
}

function ribbon(path: FoilPath): string {
  return line([...pathPoints(path, 'before'), ...pathPoints(path, 'after').reverse()], true);
}

function strip(path: FoilPath, colour: string, opacity: number): string {
  return `<path d="${ribbon(path)}" fill="${colour}" fill-opacity="${opacity}"/>`;
}

function foil(path: FoilPath, widthMm: number, order: number): string {
  const label = pathPoints(path)[path.count >> 1];
  const lit = stitchIntervals(path.gather, widthMm).map((interval) => stitch(path, path.gather, widthMm, interval)).join('');
  return [
    `<g id="${path.id.replace(/\//g, '.')}"><path d="${ribbon(path)}" fill="${COLOURS.shade}" stroke="${COLOURS.foil}" stroke-width=".5"/>`,
    `<path d="${lit}" fill="${COLOURS.sun}"/>`,
    `<text x="${mm(-label.x)}" y="${mm(-label.y + 1.1)}" font-size="3" font-weight="700" text-anchor="middle" fill="#fff" stroke="#000" stroke-opacity=".6" stroke-width=".8" paint-order="stroke">${order}</text></g>`,
  ].join('');
}

/** One stitch: from the surface of the section as deep as the gather goes; a zigzag's point is a triangle. */
function stitch(path: FoilPath, gather: SingleGather, widthMm: number, [from, to]: readonly [number, number]): string {
  const depth = gather.kind === 'slice' ? 1 : gather.depth;
  const corner = (along: number, share: number) => place(path, (along / widthMm) * (path.count - 1), share);
  if (gather.kind === 'zigzag') return line([corner(from, 0), corner((from + to) / 2, depth), corner(to, 0)], true);
  // Long pieces bend with the section.
  const steps = Math.max(1, Math.ceil((to - from) / 6));
  const alongs = Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);
  return line([...alongs.map((along) => corner(along, 0)), ...alongs.reverse().map((along) => corner(along, depth))], true);
}

/** Point of a strip at a sample position and a share of its thickness. */
function place({ packed, count }: FoilPath, position: number, share: number): OpenedPoint {
  const i = Math.min(count - 2, Math.max(0, Math.floor(position)));
  const f = position - i;
  const read = (offset: number) => packed[6 * i + offset] * (1 - f) + packed[6 * i + 6 + offset] * f;
  return { x: read(2) + (read(4) - read(2)) * share, y: read(3) + (read(5) - read(3)) * share };
}

function landmarkNames(head: Head): string[] {
  const marks = landmarks(head);
  const front = toOpened(head, marks.frontHairline);
  const nape = toOpened(head, marks.nape);
  const ear = toOpened(head, head.hairlinePoint(Math.PI / 2));
  const name = (words: string, { x, y }: OpenedPoint, anchor: string) =>
    `<text x="${mm(-x)}" y="${mm(-y)}" font-size="6" text-anchor="${anchor}" fill="${COLOURS.soft}">${words}</text>`;
  return [
    name('forehead', { x: 0, y: front.y + 5 }, 'middle'),
    name('left ear', { x: ear.x + 4, y: ear.y }, 'end'),
    name('right ear', { x: -ear.x - 4, y: ear.y }, 'start'),
    name('nape', { x: 0, y: nape.y - 10 }, 'middle'),
  ];
}

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
}
