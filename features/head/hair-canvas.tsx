'use client';

import { useEffect, useMemo, useRef } from 'react';
import { openedHairline, type Head, type OpenedPoint } from '@/core/head';
import { stitchesOnHead, type ComputedPlan, type FoilPath } from '@/core/pattern';
import type { Consult } from '@/core/visit';
import { ownStrands, type DrawnStrand } from './own-hair';
import { hairFlow, viewedBox, WHOLE_HEAD, type View } from './scalp-map';

interface HairCanvasProps {
  computed: ComputedPlan;
  /** Colour of unlit hair, and of hair in the shade of a foil (CSS). */
  bark: string;
  shade: string;
  /** The hair that the client has, where it is not one colour: levels, grey and earlier light by zone. */
  own?: Pick<Consult, 'naturalLevel' | 'map'>;
  /** Letters whose formulas only deposit: their hair is drawn dark. */
  dark?: string;
  selectedPanel?: string;
  view?: View;
}

/**
 * Hair and foils of the opened head, drawn by the processor into a bitmap that lies under the drawing of
 * lines and words.
 * A full head has thousands of stitches: as elements of the page each edit would take the better part of a
 * second where
 * there is no graphics card.
 */
export function HairCanvas({
  computed,
  bark,
  shade,
  own,
  dark = '',
  selectedPanel,
  view = WHOLE_HEAD,
}: HairCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = useRef({ width: 0, height: 0, ratio: 1 });
  const { head } = computed.drawing;
  const hair = useMemo(() => hairPaths(head), [head]);
  const strands = useMemo(() => (own ? strandPaths(ownStrands(head, own)) : []), [head, own]);
  const draw = useRef<() => void>(() => undefined);

  useEffect(() => {
    draw.current = () => {
      const element = canvas.current!;
      const { width, height, ratio } = size.current;
      // Read back often means: kept in the processor's memory.
      const context = element.getContext('2d', { willReadFrequently: true });
      if (!context || width === 0) return;
      const box = viewedBox(head, view);
      const scale = Math.min(width, height) / box.size;
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.clearRect(0, 0, element.width, element.height);
      context.setTransform(
        scale * ratio,
        0,
        0,
        scale * ratio,
        (width / 2 - (box.x + box.size / 2) * scale) * ratio,
        (height / 2 - (box.y + box.size / 2) * scale) * ratio,
      );
      context.save();
      paintHair(context, head, hair, bark, strands);
      paintBetween(context, computed);
      paintFoils(context, computed, shade, dark, selectedPanel);
      context.restore();
      if (performance.getEntriesByName(FIRST_DRAWN).length === 0) performance.mark(FIRST_DRAWN);
    };
    draw.current();
  }, [computed, bark, shade, dark, selectedPanel, view, head, hair, strands]);

  useEffect(() => {
    const element = canvas.current!;
    const fit = () => {
      const ratio = window.devicePixelRatio || 1;
      size.current = { width: element.clientWidth, height: element.clientHeight, ratio };
      element.width = Math.round(element.clientWidth * ratio);
      element.height = Math.round(element.clientHeight * ratio);
      draw.current();
    };
    const observer = new ResizeObserver(fit);
    observer.observe(element);
    fit();
    return () => observer.disconnect();
  }, []);

  return (
    <canvas ref={canvas} className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true" />
  );
}

/** Mark of the moment at which a head is first seen, for whoever measures. */
const FIRST_DRAWN = 'hair first drawn';

const SUN = '#f0b93a';
const DUSK = '#6a4c86';
/** As in the list of foils: it stands out from the hair beside it. */
const DUSK_IN_FOIL = '#a98bc9';
const FOIL = '#f3f1ea';

interface HairPaths {
  readonly outline: Path2D;
  readonly lighter: Path2D;
  readonly darker: Path2D;
}

function hairPaths(head: Head): HairPaths {
  if (typeof Path2D === 'undefined') return {} as HairPaths;
  const flow = hairFlow(head);
  const outline = new Path2D();
  addLine(outline, openedHairline(head, 360));
  outline.closePath();
  return { outline, lighter: new Path2D(flow.lighter), darker: new Path2D(flow.darker) };
}

type StrandPaths = readonly { readonly colour: string; readonly path: Path2D }[];

/** Strands of one colour as one path, in the order in which colours first come: none covers the others. */
function strandPaths(strands: readonly DrawnStrand[]): StrandPaths {
  if (typeof Path2D === 'undefined') return [];
  const paths = new Map<string, Path2D>();
  for (const { from, to, colour } of strands) {
    const path = paths.get(colour) ?? new Path2D();
    path.moveTo(-from[0], -from[1]);
    path.lineTo(-to[0], -to[1]);
    paths.set(colour, path);
  }
  return [...paths].map(([colour, path]) => ({ colour, path }));
}

function addLine(path: Path2D, points: readonly OpenedPoint[]): void {
  points.forEach(({ x, y }, i) => (i === 0 ? path.moveTo(-x, -y) : path.lineTo(-x, -y)));
}

function paintHair(
  context: CanvasRenderingContext2D,
  head: Head,
  { outline, lighter, darker }: HairPaths,
  bark: string,
  strands: StrandPaths,
): void {
  context.clip(outline);
  context.fillStyle = bark;
  context.fill(outline);
  context.lineWidth = 1.1;
  for (const { colour, path } of strands) {
    context.strokeStyle = colour;
    context.stroke(path);
  }
  context.lineWidth = 0.7;
  context.strokeStyle = 'rgb(255 255 255 / 0.055)';
  context.stroke(lighter);
  context.lineWidth = 0.8;
  context.strokeStyle = 'rgb(0 0 0 / 0.13)';
  context.stroke(darker);
  const { k } = head;
  const light = context.createRadialGradient(0, 0, 0, 0, 0, 250 * k);
  light.addColorStop(0, 'rgb(255 255 255 / 0.1)');
  light.addColorStop(0.55, 'rgb(255 255 255 / 0.02)');
  light.addColorStop(1, 'rgb(0 0 0 / 0.22)');
  context.fillStyle = light;
  context.fill(outline);
}

/** Sections painted in the open air, and drop-outs that are tipped out or lowlit. */
function paintBetween(context: CanvasRenderingContext2D, { sheet, drawing }: ComputedPlan): void {
  const fill = (paths: readonly FoilPath[], colour: string, opacity: number) => {
    if (paths.length === 0) return;
    context.globalAlpha = opacity;
    context.fillStyle = colour;
    for (const path of paths) context.fill(ribbonOf(path));
    context.globalAlpha = 1;
  };
  fill(drawing.painted, SUN, 0.62);
  fill(
    drawing.dropouts.filter((_, i) => sheet.dropouts[i].treatment !== 'lowlight'),
    SUN,
    0.3,
  );
  fill(
    drawing.dropouts.filter((_, i) => sheet.dropouts[i].treatment === 'lowlight'),
    DUSK,
    0.8,
  );
}

/** Edge of foil, hair inside, light where it is picked: in real proportion. */
function paintFoils(
  context: CanvasRenderingContext2D,
  { sheet, drawing }: ComputedPlan,
  shade: string,
  dark: string,
  selectedPanel: string | undefined,
): void {
  drawing.paths.forEach((path, i) => {
    const { panel, thicknessMm, widthMm, formula } = sheet.foils[i];
    const { line, stitches } = linesOf(path, widthMm);
    context.lineCap = 'butt';
    context.strokeStyle = FOIL;
    context.globalAlpha = panel === selectedPanel ? 1 : 0.62;
    context.lineWidth = thicknessMm + 1.1;
    context.stroke(line);
    context.globalAlpha = 1;
    context.strokeStyle = shade;
    context.lineWidth = Math.max(0.4, thicknessMm - 0.4);
    context.stroke(line);
    context.fillStyle = dark.includes(formula) ? DUSK_IN_FOIL : SUN;
    context.fill(stitches);
  });
}

const lines = new WeakMap<FoilPath, { line: Path2D; stitches: Path2D }>();
/** The middle line of a foil and its stitches on the opened head, made once. */
function linesOf(path: FoilPath, widthMm: number): { line: Path2D; stitches: Path2D } {
  const known = lines.get(path);
  if (known) return known;
  const { packed, count } = path;
  const line = new Path2D();
  line.moveTo(-packed[0], -packed[1]);
  for (let j = 1; j < count; j += 1) line.lineTo(-packed[6 * j], -packed[6 * j + 1]);
  const stitches = new Path2D();
  for (const [first, ...others] of stitchesOnHead(path, widthMm)) {
    stitches.moveTo(-first.x, -first.y);
    for (const { x, y } of others) stitches.lineTo(-x, -y);
    stitches.closePath();
  }
  const made = { line, stitches };
  lines.set(path, made);
  return made;
}

function ribbonOf({ packed, count }: FoilPath): Path2D {
  const ribbon = new Path2D();
  ribbon.moveTo(-packed[2], -packed[3]);
  for (let j = 1; j < count; j += 1) ribbon.lineTo(-packed[6 * j + 2], -packed[6 * j + 3]);
  for (let j = count - 1; j >= 0; j -= 1) ribbon.lineTo(-packed[6 * j + 4], -packed[6 * j + 5]);
  ribbon.closePath();
  return ribbon;
}
