import type { HairlineShape, Zone } from '../head';

/** Which part of the head a panel sections off. */
export type Place =
  /** Behind the line apex → behind the ear, both sides of the middle line: two quadrants. */
  | { readonly kind: 'back' }
  /** In front of that line, from the part down to the hairline on one side of the client. */
  | { readonly kind: 'side'; readonly side: Side };

export type Side = 'left' | 'right';

/** Direction of the partings: angle in degrees from horizontal; 90 vertical, > 0 diagonal back, < 0 diagonal forward. */
export interface Direction {
  readonly kind: 'parallel';
  readonly angleDeg: number;
}

/** How hair is picked from the section. */
export type Gather =
  | { readonly kind: 'slice' }
  | {
      readonly kind: 'weave';
      /** Width of a stitch (picked) and of the gap after it (dropped), mm along the parting. */
      readonly stitchMm: number;
      readonly gapMm: number;
      /** Share of the section's thickness that a stitch takes: 0.5 skims the surface, 1 goes through. */
      readonly depth: number;
    };

/** Hair left out behind each foil, mm; pitch = thickness + drop-out. */
export interface Spacing {
  readonly kind: 'constant';
  readonly dropoutMm: number;
}

export interface Panel {
  readonly id: string;
  readonly name: string;
  /** A muted panel keeps its recipe and places no foil. */
  readonly muted: boolean;
  readonly place: Place;
  readonly direction: Direction;
  readonly gather: Gather;
  readonly thicknessMm: number;
  readonly spacing: Spacing;
  /** Letter of the formula in the bowl. */
  readonly formula: string;
}

export type Strand = 'fine' | 'medium' | 'coarse';

export interface PlanHead {
  readonly circumferenceMm: number;
  readonly hairline: { readonly left: HairlineShape; readonly right: HairlineShape };
  /** The part runs from the forehead to the crown, this far from the middle, mm, + the client's left. */
  readonly part: { readonly offsetMm: number };
}

export interface PlanHair {
  readonly densityPerCm2: number;
  readonly strand: Strand;
  readonly lengthMm: number;
}

/** Foil stock of the house. A section wider than usable width + tolerance needs another column. */
export interface FoilStock {
  readonly usableWidthMm: number;
  readonly toleranceMm: number;
}

/** A foil pattern as a document; everything else is computed from it. */
export interface Plan {
  readonly format: 'dappled-lattice/plan';
  readonly version: 1;
  readonly name: string;
  readonly head: PlanHead;
  readonly hair: PlanHair;
  readonly foil: FoilStock;
  readonly panels: readonly Panel[];
}

export type GatherKind = Gather['kind'];

/** One foil of the computed sheet. */
export interface Foil {
  /** panel/row/column; counted from a stable origin and never renumbered. */
  readonly id: string;
  /** Place in the order of work, from 1. */
  readonly order: number;
  readonly panel: string;
  /** Row within the panel from its first parting, from 1. */
  readonly row: number;
  /** Column counted outwards: 1, 2 … on the client's left, −1, −2 … on the right. */
  readonly column: number;
  readonly side: Side;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly dropoutMm: number;
  readonly gather: GatherKind;
  /** Number of stitches picked; 1 for a slice. */
  readonly stitches: number;
  /** Share of the section's hair that is picked, 0–1. */
  readonly pickedShare: number;
  /** Estimate from density. */
  readonly hairs: number;
  /** Grams of hair in the foil (estimate from strand thickness and length). */
  readonly hairGrams: number;
  readonly areaMm2: number;
  readonly formula: string;
  /** Zone under the middle of the foil. */
  readonly zone: Zone;
}

export interface ZoneShare {
  readonly zone: Zone;
  readonly areaCm2: number;
  /** Share of the zone's hair that went through foils' sections. */
  readonly foiledShare: number;
  /** Share of the zone's hair that was picked. */
  readonly lightenedShare: number;
}

export interface PanelTotals {
  readonly panel: string;
  readonly foils: number;
  readonly rows: number;
  readonly areaCm2: number;
}

export interface Totals {
  readonly foils: number;
  readonly byGather: Readonly<Record<GatherKind, number>>;
  readonly byFormula: Readonly<Record<string, number>>;
  readonly foiledShare: number;
  readonly lightenedShare: number;
  readonly hairs: number;
  readonly hairGrams: number;
  /** Estimate: working time of the foils and panel changes. */
  readonly foilingMinutes: number;
}

/** Something wrong with one panel; the rest of the plan is still computed. */
export interface PanelProblem {
  readonly panel: string;
  readonly problem: string;
}

export interface Sheet {
  readonly format: 'dappled-lattice/plan-sheet';
  readonly version: 1;
  readonly plan: string;
  readonly foils: readonly Foil[];
  readonly panels: readonly PanelTotals[];
  readonly zones: readonly ZoneShare[];
  readonly totals: Totals;
  readonly problems: readonly PanelProblem[];
}
