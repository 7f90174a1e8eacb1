import { dot, toOpened, vec } from '../head';
import { crossedLines } from './crossed';
import type { Field } from './field';
import { levelField } from './level-field';
import { PlaceProblem } from './place';
import { partingAxes } from './parting-axes';
import { pivotField } from './pivot-field';
import { planeField, type PlaneField } from './plane-field';
import { radialField } from './radial-field';
import { runsInside, SAMPLE_MM, STRIDE, type TracedLine } from './section-line';
import type { SectionedPanel } from './sectioning';
import { sequenceRows } from './sequence';
import { traceSlanted, type SlantedLine } from './slanted-lines';
import type { Direction } from './types';

/** A row that can be traced: itself, or beside itself (the drop-out behind it, a foil moved by hand). */
export interface RowSource {
  /** Place along the spine of the row's middle, mm: rows are worked in its order. */
  readonly s: number;
  trace(thicknessMm: number, besideMm: number): TracedLine | undefined;
  /** Angle that the panel asks of it, degrees; null where it follows a line of the head. */
  readonly askedDeg: number | null;
  /**
   * Its angle at a share of its length, 0–1, degrees, in the panel's own axes; null where it has to be
   * measured on the head.
   */
  doneDeg(share: number): number | null;
}

/**
 * The partings of one side of a panel. Either rows are placed along the spine by the spacing (even), or the
 * family itself
 * says where each lies (laid), and the spacing only gives thickness and drop-out.
 */
export type PanelField =
  | { readonly kind: 'even'; readonly field: Field; rowAt(s: number, row: number): RowSource }
  | {
      readonly kind: 'laid';
      lay(sections: (row: number) => { thicknessMm: number; dropoutMm: number }): readonly LaidRow[];
    };

interface LaidRow extends RowSource {
  /** Drop-out to the neighbour, mm, where the family gives it. */
  readonly dropoutMm?: number;
}

/** A pivot may lie a little outside the hairline (at the ear), as a share of the arc apex–hairline. */
const FARTHEST_PIVOT = 1.15;
/** Rays of a wheel that stop short of the centre begin here at the latest, share of the radius. */
const CENTRE_SHARE = 0.02;

/** On a narrow strip partings lie straight across it everywhere. */
const STRIP_TURN = 1;

/** A row that follows a line of the head. */
const MEASURED: Pick<RowSource, 'askedDeg' | 'doneDeg'> = { askedDeg: null, doneDeg: () => null };

/** Along the part: its angle is counted from there. */
const ALONG: Pick<RowSource, 'askedDeg' | 'doneDeg'> = { askedDeg: null, doneDeg: () => 0 };

/** Makes the partings of a panel's side. */
export function panelField(panel: SectionedPanel, direction: Direction): PanelField {
  const { frame } = panel;
  switch (direction.kind) {
    case 'parallel':
      return even(planeField(panel, direction.angleDeg));
    case 'pivot':
      return even(
        pivotField(
          panel,
          direction.fromDeg,
          direction.toDeg === 'part'
            ? { deg: partAngle(panel), part: true }
            : { deg: direction.toDeg, part: false },
        ),
      );
    case 'hairline':
      return even(levelField(panel, frame.hairlineDistance(), 1));
    case 'part':
      return even(levelField(panel, frame.partDistance().distance, -1), ALONG);
    case 'radial': {
      if (direction.about !== 'crown' && Math.hypot(...direction.about) > FARTHEST_PIVOT) {
        throw new PlaceProblem('the point at which its wedges meet lies off the head');
      }
      const pivot =
        direction.about === 'crown' ? toOpened(frame.head, frame.head.crown) : frame.open(direction.about);
      const field = radialField(panel, pivot, direction.radiusMm, panel.across ? direction.roundBy : 'right');
      const inner = (row: number) => {
        const reach = direction.reaches[(row - 1) % direction.reaches.length];
        return direction.radiusMm * Math.max(CENTRE_SHARE, 1 - reach);
      };
      return {
        kind: 'even',
        field,
        rowAt: (s, row) => ({
          s,
          trace: (thicknessMm, besideMm) => field.ray(s + besideMm, thicknessMm, inner(row)),
          ...MEASURED,
        }),
      };
    }
    case 'crossed':
      return crossed(panel, direction);
    case 'sequence':
      return sequence(panel, direction);
  }
}

/** Angle that a parting parallel to the part has at the panel's centre, degrees. */
function partAngle({ frame, centre, across }: SectionedPanel): number {
  const { level, up } = partingAxes(frame.head, centre, across);
  // Straight back over the head, seen along the skin.
  return (Math.atan2(up.z, -level.z) * 180) / Math.PI;
}

function even(field: Field, follows = MEASURED): PanelField {
  return {
    kind: 'even',
    field,
    rowAt: (s) => ({
      s,
      trace: (thicknessMm, besideMm) => field.trace(s + besideMm, thicknessMm),
      ...(field.angleAt ? held(field.angleAt(s)) : follows),
    }),
  };
}

/** Every parting of a plane field is cut in the direction that it is asked for: it holds its angle. */
const held = (askedDeg: number): Pick<RowSource, 'askedDeg' | 'doneDeg'> => ({
  askedDeg,
  doneDeg: () => askedDeg,
});

function crossed(panel: SectionedPanel, direction: Extract<Direction, { kind: 'crossed' }>): PanelField {
  const base = planeField(panel, 0, STRIP_TURN);
  const [low, high] = base.extent;
  // Counted from the face backwards, whichever way the spine climbs.
  const forward = pointZ(base, low) >= pointZ(base, high);
  const along = (s: number) => (forward ? s - low : high - s);
  const sOf = (a: number) => (forward ? low + a : high - a);
  const edges = stripEdges(panel, base, sOf, high - low);
  return {
    kind: 'laid',
    lay: (sections) => {
      const lines = crossedLines(
        [0, high - low],
        edges,
        direction.angleDeg,
        direction.firstFrom,
        direction.closing,
      );
      const closes = (i: number) => direction.closing && i === lines.length - 1;
      // It falls towards the side on which it ends further back.
      const angleOf = (line: SlantedLine) =>
        line.to[1] > line.from[1] ? direction.angleDeg : -direction.angleDeg;
      const row = (line: SlantedLine, i: number): LaidRow => {
        const { thicknessMm } = sections(i);
        const before = i > 1 ? lines[i - 2] : lines[i + 2];
        const lean = Math.cos((direction.angleDeg * Math.PI) / 180);
        const apart = before ? Math.abs(line.from[0] - before.from[0]) * lean : 0;
        const clear = trimmed(line, lines[i - 1], thicknessMm);
        return {
          ...slantedRow(
            base,
            panel,
            { from: [sOf(clear.from[0]), clear.from[1]], to: [sOf(clear.to[0]), clear.to[1]] },
            closes(i) ? 90 : angleOf(line),
          ),
          s: along(sOf((line.from[0] + line.to[0]) / 2)),
          dropoutMm: Math.max(0, apart - thicknessMm),
        };
      };
      return lines.flatMap((line, i): LaidRow[] => {
        const laidRow = row(line, i);
        if (i >= (direction.doubled ?? 0) || closes(i)) return [laidRow];
        // Taken twice: the second lies right behind the first, away from the face.
        const by = (forward ? 1 : -1) * sections(i).thicknessMm;
        const behind = (mm: number) => mm + by;
        return [
          { ...laidRow, dropoutMm: 0 },
          {
            ...laidRow,
            s: laidRow.s + 1e-3,
            trace: (thicknessMm, besideMm) => laidRow.trace(thicknessMm, behind(besideMm)),
          },
        ];
      });
    },
  };
}

/**
 * Hair already claimed is not claimed again: the start moves along its line until it is clear of the last
 * section.
 */
function trimmed(line: SlantedLine, last: SlantedLine | undefined, thicknessMm: number): SlantedLine {
  if (!last) return line;
  const [ds, du] = [line.to[0] - line.from[0], line.to[1] - line.from[1]];
  const [es, eu] = [last.to[0] - last.from[0], last.to[1] - last.from[1]];
  const length = Math.hypot(ds, du);
  const cosine = (ds * es + du * eu) / (length * Math.hypot(es, eu));
  const sine = Math.sqrt(Math.max(1e-6, 1 - cosine * cosine));
  const by = Math.min(length / 2, ((thicknessMm / 2) * (1 + Math.abs(cosine))) / sine);
  return { from: [line.from[0] + (ds * by) / length, line.from[1] + (du * by) / length], to: line.to };
}

function sequence(panel: SectionedPanel, direction: Extract<Direction, { kind: 'sequence' }>): PanelField {
  const base = planeField(panel, 0);
  const [low, high] = base.extent;
  let left = 0;
  let right = 0;
  for (let s = low + 2; s < high; s += 4) {
    for (const [from, to] of uRuns(panel, base, s)) {
      right = Math.min(right, from);
      left = Math.max(left, to);
    }
  }
  return {
    kind: 'laid',
    lay: (sections) =>
      sequenceRows(direction.steps, [low, high], [right, left], sections, panel.across).map(
        ({ line, angleDeg }) => slantedRow(base, panel, line, angleDeg),
      ),
  };
}

/** @param askedDeg angle against the panel's straight partings */
function slantedRow(base: PlaneField, panel: SectionedPanel, line: SlantedLine, askedDeg: number): LaidRow {
  const { k } = panel.frame.head;
  const length = Math.hypot(line.to[0] - line.from[0], line.to[1] - line.from[1]);
  const turn = line.to[1] >= line.from[1] ? 1 : -1;
  const across = [
    (turn * (line.to[1] - line.from[1])) / length,
    (-turn * (line.to[0] - line.from[0])) / length,
  ];
  return {
    s: (line.from[0] + line.to[0]) / 2,
    askedDeg,
    doneDeg: (share) => (askedDeg < 0 ? -1 : 1) * slantAt(base, line, share),
    trace: (thicknessMm, besideMm) => {
      const [ds, du] = [across[0] * besideMm, across[1] * besideMm];
      const beside: SlantedLine = {
        from: [line.from[0] + ds, line.from[1] + du],
        to: [line.to[0] + ds, line.to[1] + du],
      };
      return traceSlanted(base, beside, thicknessMm, k);
    },
  };
}

const APART_MM = 2;

/**
 * Angle on the skin between a slanted line and the straight parting through its point at a share of its
 * length, degrees, 0–90.
 */
function slantAt(base: PlaneField, { from, to }: SlantedLine, share: number): number {
  const s = from[0] + (to[0] - from[0]) * share;
  const u = from[1] + (to[1] - from[1]) * share;
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const [ds, du] = [(APART_MM * (to[0] - from[0])) / length, (APART_MM * (to[1] - from[1])) / length];
  const out = new Float64Array(4 * STRIDE);
  base.pointAt(s - ds, u - du, out, 0);
  base.pointAt(s + ds, u + du, out, STRIDE);
  base.pointAt(s, u - APART_MM, out, 2 * STRIDE);
  base.pointAt(s, u + APART_MM, out, 3 * STRIDE);
  const way = (i: number) =>
    vec(out[i + STRIDE] - out[i], out[i + STRIDE + 1] - out[i + 1], out[i + STRIDE + 2] - out[i + 2]);
  const [along, straight] = [way(0), way(2 * STRIDE)];
  const cosine = Math.abs(dot(along, straight)) / Math.sqrt(dot(along, along) * dot(straight, straight));
  return (Math.acos(Math.min(1, cosine)) * 180) / Math.PI;
}

function pointZ(field: PlaneField, s: number): number {
  const out = new Float64Array(5);
  field.pointAt(s, 0, out, 0);
  return out[2];
}

/** Runs of the panel on the parting at s, as intervals of u, mm. */
function uRuns(panel: SectionedPanel, field: PlaneField, s: number): (readonly [number, number])[] {
  const range = field.uRange(s);
  const line = range && field.trace(s, 1);
  if (!range || !line) return [];
  const step = SAMPLE_MM * panel.frame.head.k;
  const first = line.firstU ?? 0;
  return runsInside(line, panel.frame, panel.depths).map(
    ([a, b]) => [first + a * step, first + b * step] as const,
  );
}

/**
 * Where the hairline cuts a strip's end aslant it is narrower than this share of its usual width, and its
 * edges are drawn on.
 */
const CUT_SHARE = 0.8;

/**
 * Edges of a strip by place along it, from its runs every few mm; at its ends those of its full width go on.
 */
function stripEdges(
  panel: SectionedPanel,
  field: PlaneField,
  sOf: (along: number) => number,
  length: number,
) {
  const stepMm = 3;
  const known: (readonly [number, number])[] = [];
  const at: number[] = [];
  for (let a = stepMm; a < length; a += stepMm) {
    const runs = uRuns(panel, field, sOf(a));
    if (runs.length === 0) continue;
    known.push([runs[0][0], runs[runs.length - 1][1]]);
    at.push(a);
  }
  const widths = known.map(([from, to]) => to - from);
  const usual = [...widths].sort((a, b) => a - b)[widths.length >> 1];
  const isFull = (i: number) => widths[i] >= CUT_SHARE * usual;
  const first = widths.findIndex((_, i) => isFull(i));
  const last = widths.length - 1 - [...widths].reverse().findIndex((_, i) => isFull(widths.length - 1 - i));
  for (let i = 0; i < known.length; i += 1)
    if (i < first || i > last) known[i] = known[i < first ? first : last];
  return (along: number): readonly [number, number] => {
    if (known.length === 0) return [0, 0];
    const i = at.findIndex((a) => a >= along);
    if (i < 0) return known[known.length - 1];
    if (i === 0) return known[0];
    const f = (along - at[i - 1]) / (at[i] - at[i - 1]);
    const [a, b] = [known[i - 1], known[i]];
    return [a[0] + (b[0] - a[0]) * f, a[1] + (b[1] - a[1]) * f];
  };
}
