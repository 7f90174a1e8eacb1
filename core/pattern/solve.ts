import { foilSeconds } from '../clock';
import { gatherOf, gathersOf, pick } from './gather';
import { cellsOf, foilCounter, placeRows, type PanelHalf, type PlacedRow } from './rows';
import { ribbonArea } from './section-line';
import { dropoutForCount } from './spacing';
import { percent } from '../units';
import type { FoilStock, Panel, PlainSpacing } from './types';

/**
 * A spacing that says every drop-out, and the even drop-out that a target came to (null where none was asked
 * for).
 */
export interface SolvedSpacing {
  readonly spacing: PlainSpacing;
  readonly sliverMm?: number;
  readonly solvedDropoutMm: number | null;
  /** Rows that are laid at most, on each side. */
  readonly mostRows?: number;
  /** What could not be met, as a sentence. */
  readonly problem?: string;
  /** Why a target was met but for a few, as a sentence. */
  readonly note?: string;
}

/** A wider drop-out than this is no pattern any more, mm. */
const WIDEST_MM = 200;
/** Width at which a gather's share is taken for a first guess, mm. */
const USUAL_WIDTH_MM = 80;

/** Solves a panel's spacing over all its sides. */
export function solveSpacing(panel: Panel, halves: readonly PanelHalf[], stock: FoilStock): SolvedSpacing {
  const { spacing } = panel;
  switch (spacing.kind) {
    case 'count':
      return typeof spacing.togetherMm === 'number'
        ? together(panel, halves, stock, spacing.foils, spacing.togetherMm)
        : byCount(panel, halves, stock, spacing.foils);
    case 'minutes':
      return byCount(panel, halves, stock, foilsIn(panel, spacing.minutes));
    case 'budget':
      return byCount(panel, halves, stock, foilsIn(panel, (60 * spacing.amountMinor) / spacing.perHourMinor));
    case 'share':
      return byShare(panel, halves, stock, spacing.lightened);
    case 'backwards':
      // Both sides of a line share its sliver; a panel in one piece has it for itself.
      return {
        spacing: spacing.spacing,
        sliverMm: panel.side === 'across' ? spacing.sliverMm : spacing.sliverMm / 2,
        solvedDropoutMm: null,
      };
    default:
      return { spacing, solvedDropoutMm: null };
  }
}

/** Foils of this panel's gather that can be placed in a time (estimate from the usual pace), minutes. */
function foilsIn(panel: Panel, minutes: number): number {
  return Math.floor((minutes * 60) / secondsPerFoil(panel) + 1e-9);
}

function secondsPerFoil(panel: Panel): number {
  const gathers = gathersOf(panel.gather);
  return (
    gathers.reduce(
      (sum, { kind }) => sum + foilSeconds({ gather: kind, panel: panel.id, teasing: panel.start.teasing }),
      0,
    ) / gathers.length
  );
}

const even = (dropoutMm: number): PlainSpacing => ({ kind: 'constant', dropoutMm });

function byCount(panel: Panel, halves: readonly PanelHalf[], stock: FoilStock, foils: number): SolvedSpacing {
  const counters = halves.map((half) => foilCounter(half, panel, stock));
  const countAt = (dropoutMm: number) =>
    halves.reduce(
      (sum, half, i) =>
        sum + placeRows(half, panel, even(dropoutMm)).reduce((value, row) => value + counters[i](row), 0),
      0,
    );
  const dropoutMm = dropoutForCount(foils, panel.thicknessMm, WIDEST_MM, countAt);
  if (dropoutMm === undefined) {
    const fewest = countAt(WIDEST_MM);
    return {
      spacing: even(WIDEST_MM),
      solvedDropoutMm: WIDEST_MM,
      problem: `${foils} foils are fewer than the ${fewest} that one row takes`,
    };
  }
  const reached = dropoutMm === 0 ? countAt(0) : foils;
  const problem = reached < foils ? `only ${reached} of ${foils} foils fit, back to back` : undefined;
  const note =
    problem === undefined
      ? shortOf(
          foils,
          countAt(dropoutMm),
          panel,
          halves,
          stock,
          halves.map((half) => placeRows(half, panel, even(dropoutMm))),
        )
      : undefined;
  return {
    spacing: even(dropoutMm),
    solvedDropoutMm: dropoutMm,
    ...(problem && { problem }),
    ...(note && { note }),
  };
}

/** Foils from the panel's first edge on, as close together as is asked for, until there are so many. */
function together(
  panel: Panel,
  halves: readonly PanelHalf[],
  stock: FoilStock,
  foils: number,
  dropoutMm: number,
): SolvedSpacing {
  const rows = halves.map((half) => placeRows(half, panel, even(dropoutMm)));
  const counters = halves.map((half) => foilCounter(half, panel, stock));
  let mostRows = 0;
  let count = 0;
  for (let r = 0; r < Math.max(...rows.map((row) => row.length)); r += 1) {
    const more = rows.reduce((sum, row, i) => sum + (row[r] ? counters[i](row[r]) : 0), 0);
    if (count + more > foils) break;
    count += more;
    mostRows = r + 1;
  }
  const all = rows.every((row) => row.length <= mostRows);
  const note =
    all && count < foils
      ? `${count} of ${foils} foils fill the panel at this drop-out`
      : shortOf(foils, count, panel, halves, stock, rows);
  return {
    spacing: even(dropoutMm),
    solvedDropoutMm: dropoutMm,
    mostRows: Math.max(1, mostRows),
    ...(note && { note }),
  };
}

/** Why there are fewer foils than were asked for: rows that need more than one, and both sides alike. */
function shortOf(
  wanted: number,
  reached: number,
  panel: Panel,
  halves: readonly PanelHalf[],
  stock: FoilStock,
  rows: readonly (readonly PlacedRow[])[],
): string | undefined {
  if (reached >= wanted) return undefined;
  const columns = halves.flatMap((half, i) => rows[i].map((row) => cellsOf(half, row, panel, stock)));
  const most = Math.max(1, ...columns.map((cells) => cells.length));
  const wide = Math.max(
    0,
    ...columns.map((cells) => cells.reduce((sum, { ribbon }) => sum + ribbon.widthMm, 0)),
  );
  const reasons = [
    most > 1 && `a row of up to ${Math.round(wide)} mm takes ${most} foils of ${stock.usableWidthMm} mm`,
    halves.length > 1 && 'both sides get the same rows',
  ].filter(Boolean);
  return `${reached} of ${wanted} foils: ${reasons.join(', and ') || 'another row does not fit'}`;
}

function byShare(
  panel: Panel,
  halves: readonly PanelHalf[],
  stock: FoilStock,
  wanted: number,
): SolvedSpacing {
  const area = halves.reduce((sum, { sectioned }) => sum + sectioned.areaMm2, 0);
  const lightenedAt = (dropoutMm: number): number => {
    let sum = 0;
    for (const half of halves) {
      for (const row of placeRows(half, panel, even(dropoutMm))) {
        for (const { ribbon } of cellsOf(half, row, panel, stock)) {
          sum += ribbonArea(ribbon) * pick(gatherOf(panel.gather, row.turn + 1), ribbon.widthMm).share;
        }
      }
    }
    return sum / area;
  };
  const gathers = gathersOf(panel.gather);
  const picked =
    gathers.reduce((sum, gather) => sum + pick(gather, USUAL_WIDTH_MM).share, 0) / gathers.length;
  let dropoutMm = Math.min(WIDEST_MM, Math.max(0, panel.thicknessMm * (picked / wanted - 1)));
  let reached = lightenedAt(dropoutMm);
  // The share is all but proportional to 1/pitch: two corrections bring it within what one row makes.
  for (let i = 0; i < 2 && reached > 0; i += 1) {
    const pitch = ((panel.thicknessMm + dropoutMm) * reached) / wanted;
    const next = Math.min(WIDEST_MM, Math.max(0, pitch - panel.thicknessMm));
    const then = lightenedAt(next);
    if (Math.abs(then - wanted) >= Math.abs(reached - wanted)) break;
    dropoutMm = next;
    reached = then;
  }
  if (dropoutMm === 0 && reached < wanted * 0.97) {
    return {
      spacing: even(0),
      solvedDropoutMm: 0,
      problem: `even back to back, this gather lightens ${percent(reached, 1)} of the panel, not ${percent(wanted, 1)}`,
    };
  }
  return { spacing: even(dropoutMm), solvedDropoutMm: dropoutMm };
}
