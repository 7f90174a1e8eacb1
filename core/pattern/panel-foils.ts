import { dropoutSeconds, foilSeconds, SECONDS_PER_PAINTED_SECTION } from '../clock/pace';
import type { OpenedPoint } from '../head';
import {
  partingAngle,
  ribbonFigures,
  turnBetween,
  type RibbonFigures,
  type SideOfFrame,
  type ZonePatch,
} from './cell-figures';
import { uncrossed, type Crossed } from './crossing';
import { depthOf, gatherOf, pick } from './gather';
import { applyEdits, draftRow, type DraftFoil, type HalfContext } from './hand-edits';
import { placeRows, type Cell, type PanelHalf, type PlacedRow } from './rows';
import { formulaOf, placesOf, type FoilPlace } from './rotation';
import { ribbonOf, runsInside, SAMPLE_MM, type Ribbon } from './section-line';
import { smoothstep } from './smoothstep';
import type { EditNote, Foil, PaintedSection, TreatedDropout } from './sheet';
import type { SolvedSpacing } from './solve';
import { variedGather, variedSpacing, type Differences } from './variation';
import {
  USUAL_TREATMENT,
  type FoilStock,
  type HandEdit,
  type Panel,
  type PlanHair,
  type Side,
  type SingleGather,
  type Treatment,
} from './types';

/** A foil's shape on the opened head, in the client's own left and right. */
export interface FoilPath {
  readonly id: string;
  /** How hair is picked along it. */
  readonly gather: SingleGather;
  /** Samples along the parting, evenly spaced. */
  readonly count: number;
  /**
   * Six numbers a sample, mm: x, y of the section's middle, of its edge towards the panel's first parting,
   * and of the edge
   * away from it.
   */
  readonly packed: Float64Array;
  /**
   * Share of the section's thickness that product reaches, where it stays on the surface; left out where it
   * goes through what is picked.
   */
  readonly surface?: number;
}

/** One line of a foil's shape as points of the opened head. */
export function pathPoints(
  { packed, count }: FoilPath,
  line: 'middle' | 'before' | 'after' = 'middle',
): OpenedPoint[] {
  const offset = { middle: 0, before: 2, after: 4 }[line];
  return Array.from({ length: count }, (_, j) => ({
    x: packed[6 * j + offset],
    y: packed[6 * j + offset + 1],
  }));
}

export interface ComputedFoil {
  readonly foil: Omit<Foil, 'order' | 'driftDeg'>;
  readonly path: FoilPath;
  readonly patches: readonly ZonePatch[];
}

/** One side of a panel as it is given to the client. */
export interface SideOfPanel {
  readonly half: PanelHalf;
  readonly side: Side | 'across';
  /** The client's right is computed in the mirror. */
  readonly frameSide: SideOfFrame;
  /** What is unlike its recipe on purpose. */
  readonly differs?: Differences;
  /** Panels that took hair before it, in the order of `half.sectioned.taken`. */
  readonly claimedBy: readonly string[];
}

export interface PanelFoils {
  /** In the order of work; of an open-air panel its painted sections stand here too. */
  readonly foils: readonly ComputedFoil[];
  readonly dropouts: readonly {
    readonly dropout: TreatedDropout;
    readonly path: FoilPath;
    readonly patches: readonly ZonePatch[];
  }[];
  readonly rows: number;
  /** Rows that crossed, on the side where more did. */
  readonly crossed: Crossed | null;
}

/** Partings that are cut alike over a plain panel never cross. */
function mayCross({ direction, place }: Panel): boolean {
  return (
    direction.kind === 'sequence' ||
    direction.kind === 'crossed' ||
    direction.kind === 'radial' ||
    place.kind === 'outline' ||
    place.kind === 'triangle'
  );
}

/** Places the foils of a panel on all its sides and puts them in the order of work. */
export function foilsOfPanel({
  panel,
  sides,
  solved,
  hair,
  stock,
  edits,
  seen,
  notes,
}: {
  readonly panel: Panel;
  readonly sides: readonly SideOfPanel[];
  readonly solved: SolvedSpacing;
  readonly hair: PlanHair;
  readonly stock: FoilStock;
  readonly edits: readonly HandEdit[];
  readonly seen: Set<number>;
  readonly notes: EditNote[];
}): PanelFoils {
  const bySide = sides.map((side) => {
    const rows = placeRows(
      side.half,
      panel,
      variedSpacing(solved.spacing, side.differs),
      solved.sliverMm,
    ).slice(0, solved.mostRows);
    const context: HalfContext = {
      half: side.half,
      panel,
      side: side.side,
      stock,
      draftsOf: (row) => draftRow({ half: side.half, row, panel, side: side.side, stock }),
    };
    const laid = rows.flatMap(context.draftsOf);
    const { drafts: placed, crossed } = mayCross(panel)
      ? uncrossed(laid, side.half.sectioned.frame, side.frameSide)
      : { drafts: laid, crossed: null };
    return { own: side, rows, drafts: applyEdits({ drafts: placed, edits, context, seen, notes }), crossed };
  });
  const order = inOrder(
    panel,
    bySide.map(({ own, drafts }) => ({ own, drafts })),
  );
  const places = placesOf(order.map(({ draft, own }) => ({ side: own.side, row: draft.row.row })));
  const lastTurn = Math.max(0, ...bySide.flatMap(({ rows }) => rows.map(({ turn }) => turn)));
  const foils = order.map(({ draft, own }, i) =>
    computedFoil({ draft, sideOfPanel: own, panel, hair, place: places[i], lastTurn }),
  );
  const dropouts = bySide.flatMap(({ own, rows }) => treatedDropouts(panel, own, rows, hair));
  const crossed = bySide
    .flatMap((side) => side.crossed ?? [])
    .reduce<Crossed | null>((most, own) => (most && most.share >= own.share ? most : own), null);
  return { foils, dropouts, crossed, rows: new Set(foils.map(({ foil }) => `${foil.side}${foil.row}`)).size };
}

/**
 * Foils of all sides in the order of work: sides one after the other or in turn, rows up or down, columns
 * outwards.
 */
function inOrder(panel: Panel, sides: readonly { own: SideOfPanel; drafts: readonly DraftFoil[] }[]) {
  const sign = panel.order.rows === 'up' ? 1 : -1;
  const rank = (side: Side | 'across') =>
    side === (panel.order.sides === 'right-first' ? 'right' : 'left') ? 0 : 1;
  const all = sides.flatMap(({ own, drafts }) => drafts.map((draft) => ({ own, draft })));
  const byRow = (a: DraftFoil, b: DraftFoil) => sign * (a.row.s - b.row.s);
  return all.sort((a, b) => {
    const sideFirst = rank(a.own.side) - rank(b.own.side);
    const rowFirst = Math.abs(a.draft.row.s - b.draft.row.s) < 1e-6 ? 0 : byRow(a.draft, b.draft);
    const columns = Math.abs(a.draft.column) - Math.abs(b.draft.column) || b.draft.column - a.draft.column;
    return panel.order.sides === 'alternate'
      ? rowFirst || sideFirst || columns
      : sideFirst || rowFirst || columns;
  });
}

/**
 * Open-air product stays on the surface: so thick a layer of hair takes it, mm of the section. Working
 * assumption: with it half a head of 12.7 mm sections takes about 85 g, as practised.
 */
const SURFACE_MM = 4;

/** Share of what is picked that is painted on the surface only. */
function surfaceShare(gather: SingleGather, thicknessMm: number): number {
  return Math.min(1, SURFACE_MM / (depthOf(gather) * thicknessMm));
}

/** Angle of a section's parting at its middle, degrees. */
function angleOf(
  { source }: PlacedRow,
  { line, from, to, ribbon }: Cell,
  { half, side }: SideOfPanel,
): number {
  return (
    source.doneDeg((from + to) / 2 / Math.max(1, line.count - 1)) ??
    partingAngle(ribbon, half.sectioned.frame, side === 'across')
  );
}

/** Where the product begins on a row, mm from the scalp: even, or eased from the first row to the last. */
function startAt({ distanceMm, lastMm }: Panel['start'], turn: number, lastTurn: number): number {
  if (lastMm === undefined || lastMm === null || lastTurn < 1) return distanceMm;
  const f = Math.min(1, turn / lastTurn);
  return distanceMm + (lastMm - distanceMm) * smoothstep(f);
}

/** @param lastTurn of the panel's last row */
function computedFoil({
  draft,
  sideOfPanel,
  panel,
  hair,
  place,
  lastTurn,
}: {
  readonly draft: DraftFoil;
  readonly sideOfPanel: SideOfPanel;
  readonly panel: Panel;
  readonly hair: PlanHair;
  readonly place: FoilPlace;
  readonly lastTurn: number;
}): ComputedFoil {
  const { frame } = sideOfPanel.half.sectioned;
  const { ribbon } = draft.cell;
  const { row, turn } = draft.row;
  const gather = draft.gather ?? variedGather(gatherOf(panel.gather, turn + 1), sideOfPanel.differs, turn);
  const startMm =
    draft.startMm ??
    Math.max(0, startAt(panel.start, turn, lastTurn) + (sideOfPanel.differs?.startMm(turn) ?? 0));
  const figures = ribbonFigures(ribbon, frame, sideOfPanel.frameSide, hair);
  const painted = panel.medium === 'open-air';
  const reached = painted ? surfaceShare(gather, draft.row.thicknessMm) : 1;
  const { stitches, share } = pick(gather, ribbon.widthMm);
  const pickedShare = share * reached;
  return {
    foil: {
      id: draft.id,
      panel: panel.id,
      row,
      column: draft.column,
      side: sideOfPanel.side,
      widthMm: ribbon.widthMm,
      thicknessMm: draft.row.thicknessMm,
      dropoutMm: draft.row.dropoutMm,
      angleDeg: angleOf(draft.row, draft.cell, sideOfPanel),
      askedDeg: draft.row.source.askedDeg,
      startMm,
      gather: gather.kind,
      stitches,
      pickedShare,
      hairs: figures.hairs * pickedShare,
      hairGrams: figures.hairGrams * pickedShare,
      areaMm2: figures.areaMm2,
      formula: draft.formula ?? formulaOf(place, panel.formula, panel.rotation),
      zone: figures.zone,
      byHand: draft.byHand,
      seconds: painted
        ? SECONDS_PER_PAINTED_SECTION
        : foilSeconds({ gather: gather.kind, panel: panel.id, teasing: panel.start.teasing }),
    },
    path: {
      ...pathOf(draft.id, gather, ribbon, sideOfPanel.frameSide),
      ...(painted && { surface: depthOf(gather) * reached }),
    },
    patches: figures.patches,
  };
}

/** The drop-outs that are treated: one after every n rows, the treatments in turn. */
function treatedDropouts(
  panel: Panel,
  sideOfPanel: SideOfPanel,
  rows: readonly PlacedRow[],
  hair: PlanHair,
): PanelFoils['dropouts'] {
  const rule = panel.dropouts;
  if (!rule || rule.treatments.length === 0) return [];
  const { frame, depths } = sideOfPanel.half.sectioned;
  return rows.flatMap((row, i) => {
    const nth = (i + 1) / rule.every;
    if (!Number.isInteger(nth) || row.dropoutMm <= 0) return [];
    const treatment: Treatment = rule.treatments[(nth - 1) % rule.treatments.length];
    // Behind the last row there is no neighbour to leave hair between.
    if (treatment === 'left' || i + 1 >= rows.length) return [];
    const besideMm = (row.dropoutTowards * (row.thicknessMm + row.dropoutMm)) / 2;
    const line = row.source.trace(row.dropoutMm, besideMm);
    if (!line) return [];
    return runsInside(line, frame, depths).map((run, n) => {
      const ribbon = ribbonOf(line, run, SAMPLE_MM * frame.head.k);
      const figures: RibbonFigures = ribbonFigures(ribbon, frame, sideOfPanel.frameSide, hair);
      const column = sideOfPanel.side === 'right' ? -(n + 1) : n + 1;
      const id = `${panel.id}/d${row.row}/${column}`;
      const recipe = rule.recipes[treatment] ?? USUAL_TREATMENT;
      const reached = recipe.surface ? surfaceShare(WHOLE, row.dropoutMm) : 1;
      const dropout: TreatedDropout = {
        id,
        panel: panel.id,
        row: row.row,
        column,
        side: sideOfPanel.side,
        treatment,
        formula: recipe.formula,
        widthMm: ribbon.widthMm,
        thicknessMm: row.dropoutMm,
        angleDeg: angleOf(row, { line, from: run[0], to: run[1], ribbon }, sideOfPanel),
        zone: figures.zone,
        areaMm2: figures.areaMm2,
        hairs: figures.hairs * reached,
        hairGrams: figures.hairGrams * reached,
        seconds: recipe.seconds ?? dropoutSeconds(treatment, rule.together, recipe.teasing),
      };
      return { dropout, path: pathOf(id, WHOLE, ribbon, sideOfPanel.frameSide), patches: figures.patches };
    });
  });
}

/**
 * A painted section from what would otherwise be a foil.
 * @param left share of its hair that foils of other panels left out
 */
export function paintedSection({ foil }: ComputedFoil, left: number): PaintedSection {
  const {
    id,
    panel,
    row,
    column,
    side,
    widthMm,
    thicknessMm,
    angleDeg,
    areaMm2,
    hairs,
    hairGrams,
    gather,
    pickedShare,
    startMm,
    formula,
    zone,
    seconds,
  } = foil;
  return {
    id,
    panel,
    row,
    column,
    side,
    widthMm,
    thicknessMm,
    angleDeg,
    areaMm2,
    hairs: hairs * left,
    hairGrams: hairGrams * left,
    gather,
    pickedShare: pickedShare * left,
    startMm,
    formula,
    zone,
    seconds,
  };
}

/** A drop-out is treated over its whole width. */
const WHOLE: SingleGather = { kind: 'slice' };

function pathOf(id: string, gather: SingleGather, { opened, count }: Ribbon, of: SideOfFrame): FoilPath {
  if (of === 'own') return { id, gather, count, packed: opened };
  const packed = opened.slice();
  for (let i = 0; i < packed.length; i += 2) packed[i] = -packed[i];
  return { id, gather, count, packed };
}

/**
 * How far what each foil's parting is asked for has turned from the first foil of its side, by foil id,
 * degrees: 0 where the panel holds one angle.
 */
export function driftsOf(foils: readonly ComputedFoil[], { direction }: Panel): Map<string, number> {
  if (direction.kind !== 'pivot') return new Map();
  const first = new Map<string, ComputedFoil>();
  for (const foil of foils) {
    const key = `${foil.foil.side}`;
    const known = first.get(key);
    if (!known || foil.foil.row < known.foil.row) first.set(key, foil);
  }
  return new Map(
    foils.map(({ foil }) => [foil.id, turnBetween(first.get(`${foil.side}`)!.foil.angleDeg, foil.angleDeg)]),
  );
}
