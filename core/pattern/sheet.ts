import type { Zone } from '../head';
import type { Side, SingleGather, Treated } from './types';

export type GatherKind = SingleGather['kind'];

/** One foil of the computed sheet. */
export interface Foil {
  /** panel/row/column; counted from a stable origin and never renumbered. */
  readonly id: string;
  /** Place in the order of work, from 1. */
  readonly order: number;
  readonly panel: string;
  /** Row within the panel from its first parting, from 1; foils added by hand count from 1001. */
  readonly row: number;
  /**
   * Column counted outwards from the middle: 1, 2 … on the client's left, −1, −2 … on the right, 0 across the
   * middle.
   */
  readonly column: number;
  readonly side: Side | 'across';
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly dropoutMm: number;
  /**
   * Angle of the parting at the foil's middle, degrees, as the hand sees it: in the axes of its panel, which
   * do not turn over at the top.
   */
  readonly angleDeg: number;
  /** Angle that its panel asks of it, degrees; null where the parting follows a line of the head. */
  readonly askedDeg: number | null;
  /**
   * How far the panel has turned its partings since its first foil on this side, degrees; 0 where it holds
   * one angle.
   */
  readonly driftDeg: number;
  readonly gather: GatherKind;
  /** Number of stitches or points picked; 1 for a slice. */
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
  /** Changed or added by hand. */
  readonly byHand: boolean;
  /** The product begins so far from the scalp, mm. */
  readonly startMm: number;
  /** Usual seconds to place it. */
  readonly seconds: number;
}

/** A section painted in the open air, or a drop-out treated between foils. */
export interface OpenSection {
  readonly id: string;
  readonly panel: string;
  readonly row: number;
  readonly column: number;
  readonly side: Side | 'across';
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly angleDeg: number;
  readonly areaMm2: number;
  readonly hairs: number;
  readonly hairGrams: number;
  /** Zone under the middle of the section. */
  readonly zone: Zone;
  /** Usual seconds for it. */
  readonly seconds: number;
}
export interface PaintedSection extends OpenSection {
  readonly gather: GatherKind;
  /**
   * Share of the section's hair that is lightened: what is picked, and of that the surface that product stays
   * on.
   */
  readonly pickedShare: number;
  readonly startMm: number;
  readonly formula: string;
}
export interface TreatedDropout extends OpenSection {
  readonly treatment: Treated;
  /** Letter that its panel names for it; null the usual one. */
  readonly formula: string | null;
}

export interface ZoneShare {
  readonly zone: Zone;
  readonly areaCm2: number;
  /** Share of the zone's hair that went through foils' sections. */
  readonly foiledShare: number;
  /**
   * Share of the zone's hair that was picked, in foils or in the open air, whatever the formula does; and the
   * same by its letter.
   */
  readonly pickedShare: number;
  readonly pickedBy: Readonly<Record<string, number>>;
  /** Share of it in drop-outs that are lowlit. */
  readonly lowlitShare: number;
  /**
   * Mean of thickness + drop-out over the foils that touch the zone, weighted by their skin in it; null
   * without foils.
   */
  readonly meanPitchMm: number | null;
}

export interface PanelTotals {
  readonly panel: string;
  readonly foils: number;
  readonly rows: number;
  readonly areaCm2: number;
  /**
   * Even drop-out that a target of foils, share or time came to, mm; null where the plan says the drop-out
   * itself.
   */
  readonly solvedDropoutMm: number | null;
  /** Hair that panels sectioned off earlier had taken already. */
  readonly takenBy: readonly { readonly panel: string; readonly areaCm2: number }[];
  readonly minutes: number;
  /** Why a target of foils could not be met to the last one, as a sentence; null where it was. */
  readonly note: string | null;
}

export interface Totals {
  readonly foils: number;
  readonly byGather: Readonly<Record<GatherKind, number>>;
  readonly byFormula: Readonly<Record<string, number>>;
  readonly foiledShare: number;
  readonly pickedShare: number;
  readonly hairs: number;
  readonly hairGrams: number;
  /** Estimate: working time of the foils, painted sections and panel changes. */
  readonly foilingMinutes: number;
}

/** Something wrong with one panel; the rest of the plan is still computed. */
export interface PanelProblem {
  readonly panel: string;
  readonly problem: string;
}

/** A hand edit that no longer has its foil, or whose foil now lies in another's place. */
export interface EditNote {
  /** Index into the plan's edits. */
  readonly edit: number;
  readonly applied: boolean;
  readonly note: string;
}

export interface Sheet {
  readonly format: 'dappled-lattice/plan-sheet';
  readonly version: 5;
  readonly plan: string;
  readonly foils: readonly Foil[];
  readonly painted: readonly PaintedSection[];
  readonly dropouts: readonly TreatedDropout[];
  readonly panels: readonly PanelTotals[];
  readonly zones: readonly ZoneShare[];
  readonly totals: Totals;
  readonly edits: readonly EditNote[];
  readonly problems: readonly PanelProblem[];
}
