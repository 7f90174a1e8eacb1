import type { CrownSpec, HairlineSide, Zone, ZoneFamily } from '../head';

/**
 * A point of the scalp in the disk: (t·sin a, t·cos a), t = share of the arc apex–hairline, a the azimuth; +
 * x the client's left.
 */
export type DiskPoint = readonly [x: number, y: number];

/** Which part of the head a panel sections off, before its side is chosen. */
export type Place =
  /** Everything that bears hair. */
  | { readonly kind: 'whole' }
  /** Behind the line apex → behind the ear. */
  | { readonly kind: 'back' }
  /** In front of that line. */
  | { readonly kind: 'side' }
  | { readonly kind: 'zones'; readonly zones: readonly ZoneFamily[] }
  /**
   * Strip beside the part, mm to each side of it, from a distance behind the front hairline to another (null:
   * to the crown).
   */
  | {
      readonly kind: 'part-strip';
      readonly leftMm: number;
      readonly rightMm: number;
      readonly fromMm: number;
      readonly toMm: number | null;
    }
  /**
   * Band along the hairline within a range of |azimuth|. Short hair at the hairline may be pinned away: it
   * then begins so far behind it.
   */
  | {
      readonly kind: 'hairline-band';
      readonly widthMm: BandWidth;
      readonly fromDeg: number;
      readonly toDeg: number;
      readonly insetMm?: number;
    }
  /**
   * In front of the lines from a point of the part, this far behind the hairline, to the hairline at ± an
   * azimuth.
   */
  | { readonly kind: 'face-frame'; readonly depthMm: number; readonly reachDeg: number }
  /**
   * Inverted triangle: its corner at the occipital bone, its upper edge this far behind the apex and this
   * wide to each side.
   */
  | { readonly kind: 'crown-triangle'; readonly behindApexMm: number; readonly halfWidthMm: number }
  /** Round the crown: all of the disc, or its front or back half. */
  | { readonly kind: 'wheel'; readonly radiusMm: number; readonly half: 'all' | 'front' | 'back' }
  | { readonly kind: 'triangle'; readonly corners: readonly DiskPoint[] }
  | { readonly kind: 'outline'; readonly points: readonly DiskPoint[] }
  | { readonly kind: 'union'; readonly of: readonly Place[] }
  /** Where all of them are. */
  | { readonly kind: 'overlap'; readonly of: readonly Place[] }
  | { readonly kind: 'except'; readonly place: Place; readonly without: readonly Place[] };

/**
 * Width of a band: one figure; widths at azimuths (degrees, signed) eased between; or as much as leaves an
 * even line of hair
 * hanging all the way round, so many hairs of usual length per mm of hairline.
 */
export type BandWidth = number | readonly (readonly [azimuthDeg: number, mm: number])[] | HairLedWidth;
export interface HairLedWidth {
  readonly hairsPerMm: number;
}
export const followsHair = (width: BandWidth): width is HairLedWidth =>
  typeof width === 'object' && 'hairsPerMm' in width;

export type Side = 'left' | 'right';

/**
 * Sides a panel works on: one of the client's; both, each computed for itself and mirrored; or across the
 * middle in one
 * piece. Outlines and triangles of a panel on both sides are drawn on the left.
 */
export type PanelSide = Side | 'both' | 'across';

/**
 * Family of partings. Angles in degrees from horizontal: 90 vertical, > 0 diagonal back, < 0 diagonal
 * forward; across the middle > 0 falls to the client's left.
 */
export type Direction =
  | { readonly kind: 'parallel'; readonly angleDeg: number }
  /** Turns evenly from the first parting's angle to the last one's, which may be that of the part. */
  | { readonly kind: 'pivot'; readonly fromDeg: number; readonly toDeg: number | 'part' }
  | { readonly kind: 'hairline' }
  | { readonly kind: 'part' }
  /**
   * Wedges about a point; thickness and drop-out are measured at the radius. Sections reach these shares of
   * it in turn. Across the middle they begin behind and go round by the client's right, or by the left.
   */
  | {
      readonly kind: 'radial';
      readonly about: 'crown' | DiskPoint;
      readonly radiusMm: number;
      readonly reaches: readonly number[];
      readonly roundBy?: Side;
    }
  /**
   * Each parting runs from the middle of the last across it to the other edge, at this angle from straight
   * across; the first few may be taken twice, back to back.
   */
  | {
      readonly kind: 'crossed';
      readonly angleDeg: number;
      readonly firstFrom: Side;
      readonly closing: boolean;
      readonly doubled?: number;
    }
  /** Steps in turn, each as often as it says, packed upwards one on the other. */
  | { readonly kind: 'sequence'; readonly steps: readonly SequenceStep[] };

export interface SequenceStep {
  readonly angleDeg: number;
  /** Which part of the panel the step runs over; only a panel across the middle has halves. */
  readonly over: Side | 'across';
  readonly count: number;
}

/** How hair is picked from one section. */
export type SingleGather =
  | { readonly kind: 'slice' }
  | {
      readonly kind: 'weave';
      /** Width of a stitch (picked) and of the gap after it (dropped), mm along the parting. */
      readonly stitchMm: number;
      readonly gapMm: number;
      /** Share of the section's thickness that a stitch takes: 0.5 skims the surface, 1 goes through. */
      readonly depth: number;
      /** Width of the last stitch where stitches are graded, in equal ratios; null keeps them alike. */
      readonly lastStitchMm?: number | null;
      /** Begins with a stitch at the end that lies nearer the hairline. */
      readonly fromHairline?: boolean;
      /** Picked so far from the scalp, mm: further out stitches come wider and uneven. */
      readonly offScalpMm?: number;
    }
  /**
   * Picked in two layers, the stitches of the lower under the gaps of the upper: mm along the parting, and the share
   * of the section's thickness that each layer takes, at most half.
   */
  | { readonly kind: 'double'; readonly stitchMm: number; readonly gapMm: number; readonly depth: number }
  /** Points of a zigzag parting; base of one point along the parting. */
  | { readonly kind: 'zigzag'; readonly pointMm: number; readonly depth: number };

/** A gather of one kind. */
export type GatherOfKind<K extends SingleGather['kind']> = Extract<SingleGather, { kind: K }>;

/**
 * One of several gathers in turn; thickness and the drop-out behind it are the panel's where they are null.
 */
export interface Turn {
  readonly gather: SingleGather;
  readonly thicknessMm: number | null;
  readonly dropoutMm: number | null;
}

/** Or several gathers in turn, row by row: from the first again when all were, or the last goes on. */
export type Gather =
  | SingleGather
  | { readonly kind: 'alternate'; readonly of: readonly Turn[]; readonly then: 'again' | 'last' };

/** Hair left out behind each foil, mm; pitch = thickness + drop-out. */
export type PlainSpacing =
  | { readonly kind: 'constant'; readonly dropoutMm: number }
  /** One after the other; the last one repeats. */
  | { readonly kind: 'graded'; readonly dropoutsMm: readonly number[] }
  /** Eased from the first drop-out to the last over the whole panel. */
  | { readonly kind: 'eased'; readonly fromMm: number; readonly toMm: number };

export type Spacing =
  | PlainSpacing
  /**
   * As many foils as this and no more: evenly spread, or close together from the panel's first edge with this
   * drop-out.
   */
  | { readonly kind: 'count'; readonly foils: number; readonly togetherMm?: number | null }
  /** Even spacing that lightens this share of the panel's hair. */
  | { readonly kind: 'share'; readonly lightened: number }
  /** Even spacing that can be foiled in this time. */
  | { readonly kind: 'minutes'; readonly minutes: number }
  /** Even spacing whose foiling costs no more than this, at a price per hour (minor units). */
  | { readonly kind: 'budget'; readonly amountMinor: number; readonly perHourMinor: number }
  /**
   * Measured from the edge where the panel ends (the part, another panel): the first foil leaves this share
   * of a sliver there.
   */
  | { readonly kind: 'backwards'; readonly sliverMm: number; readonly spacing: PlainSpacing };

/** Formulas in turn: AB, AABB, AAABB … between a first and a last row (or foil), in the order of work. */
export interface Rotation {
  readonly sequence: string;
  /** Row by row, all columns of a row alike; or foil by foil. */
  readonly by: 'row' | 'foil';
  /**
   * Each side begins with the first letter, so that both are alike; false goes on from one side to the other.
   */
  readonly anew: boolean;
  /** First and last row (or foil) that take part, from 1; null to the last. */
  readonly from: number;
  readonly to: number | null;
}

/** What happens to the drop-outs: after every n rows one is treated, the treatments in turn. */
export interface Dropouts {
  readonly every: number;
  readonly treatments: readonly Treatment[];
  /** So many are taken together: hair painted between the foils is done three to four drop-outs at once. */
  readonly together: number;
  /** How each treatment is done, where that differs from the usual. */
  readonly recipes: Readonly<Partial<Record<Treated, TreatmentRecipe>>>;
}
export type Treatment = Treated | 'left';
/** Ends lightened; lowlit; painted between the foils. */
export type Treated = 'tip-out' | 'lowlight' | 'paint';

/** How a drop-out is treated. */
export interface TreatmentRecipe {
  /** Letter of its formula; null takes the panel's, lowlights the formula that deposits. */
  readonly formula: string | null;
  /** Where the product begins and ends, mm from the scalp; null where it usually does, and to the ends. */
  readonly fromMm: number | null;
  readonly toMm: number | null;
  /** Only the surface is painted. */
  readonly surface: boolean;
  readonly teasing: number;
  /** Seconds for one drop-out; null the usual ones. */
  readonly seconds: number | null;
}

export const USUAL_TREATMENT: TreatmentRecipe = {
  formula: null,
  fromMm: null,
  toMm: null,
  surface: false,
  teasing: 0,
  seconds: null,
};

export interface ColumnLayout {
  readonly layout: 'aligned' | 'bricklaid';
  /** One foil a row however wide. */
  readonly onePerRow: boolean;
}

/** Order of the rows and sides within a panel. */
interface WorkOrder {
  readonly rows: 'up' | 'down';
  readonly sides: 'left-first' | 'right-first' | 'alternate';
}

/** Where the product begins on the strand. */
export interface Start {
  readonly distanceMm: number;
  readonly featherMm: number;
  /** Soft pushes of backcombing; 0 none. */
  readonly teasing: number;
  /** Distance on the panel's last row, eased from the first; left out where all are alike. */
  readonly lastMm?: number | null;
  /** Further from the scalp at both edges of a section, by this much. */
  readonly edgesMm?: number;
  /** Painted so far from the scalp and no further, mm; left out where to the ends. */
  readonly toMm?: number | null;
}

/**
 * Rows that are meant to differ a little: seeded, within limits. Of a panel on both sides, one side alone or
 * both.
 */
export interface Variation {
  readonly seed: number;
  readonly dropoutMm: number;
  readonly angleDeg: number;
  readonly stitchMm?: number;
  readonly startMm?: number;
  readonly side?: Side | 'both';
}

/** How hair is covered: the sheet folded over it, or one sheet under it and one over. */
type Cover = 'folded' | 'under-and-over';

export interface Panel {
  readonly id: string;
  readonly name: string;
  /** A muted panel keeps its recipe and places no foil. */
  readonly muted: boolean;
  /** Muted, it still keeps its hair from other panels: nothing is foiled there. */
  readonly reserves?: boolean;
  readonly place: Place;
  readonly side: PanelSide;
  /** Line that divides left from right; null takes the one usual for the place. */
  readonly divide: 'middle' | 'part' | null;
  /** Triangles or other outlines left out on purpose (on both sides of a panel on both). */
  readonly leaveOut: readonly (readonly DiskPoint[])[];
  readonly direction: Direction;
  readonly gather: Gather;
  /** Foils, or painted in the open air without. */
  readonly medium: 'foil' | 'open-air';
  /** Folded where it is left out. */
  readonly cover?: Cover;
  /**
   * Hair of its own; or what the foils of other panels leave out, painted between or after them. Only in the
   * open air.
   */
  readonly hair: 'own' | 'left-out';
  readonly thicknessMm: number;
  readonly spacing: Spacing;
  /** A remainder of half a pitch or more earns a last row. */
  readonly lastRow: boolean;
  readonly columns: ColumnLayout;
  /** Letter of the formula in the bowl. */
  readonly formula: string;
  readonly rotation: Rotation | null;
  readonly dropouts: Dropouts | null;
  readonly start: Start;
  readonly order: WorkOrder;
  readonly variation: Variation | null;
}

export type Strand = 'fine' | 'medium' | 'coarse';

export interface PlanHead {
  readonly circumferenceMm: number;
  readonly earToEarMm: number | null;
  readonly frontToNapeMm: number | null;
  readonly hairline: { readonly left: HairlineSide; readonly right: HairlineSide };
  readonly crown: CrownSpec;
  /** The part runs from the forehead, this far from the middle, mm, + the client's left. */
  readonly part: {
    readonly offsetMm: number;
    /** Length from the front hairline, mm; null to the crown. */
    readonly lengthMm: number | null;
    /** Hair is worn without a part; sides divide in the middle. */
    readonly none: boolean;
  };
}

export interface HairFigures {
  readonly densityPerCm2: number;
  readonly strand: Strand;
  readonly lengthMm: number;
}

/** Hair of the whole head, and where it differs by zone. */
export interface PlanHair extends HairFigures {
  readonly byZone: Readonly<Partial<Record<Zone, Partial<HairFigures>>>>;
}

/** Foil stock of the house. A section wider than usable width + tolerance needs another column. */
export interface FoilStock {
  readonly usableWidthMm: number;
  readonly toleranceMm: number;
}

/** An edit of one foil by hand, kept beside the recipe. */
export type HandEdit =
  | { readonly kind: 'delete'; readonly foil: string }
  /** Moves along the spine, + in the direction of counting rows. */
  | { readonly kind: 'move'; readonly foil: string; readonly byMm: number }
  /** Lengthens (or shortens, < 0) the ends: the one where the parting starts and the one where it ends. */
  | { readonly kind: 'widen'; readonly foil: string; readonly startMm: number; readonly endMm: number }
  | {
      readonly kind: 'retype';
      readonly foil: string;
      readonly gather?: SingleGather;
      readonly formula?: string;
      readonly thicknessMm?: number;
      readonly startMm?: number;
    }
  /** One more foil on a panel's parting this far along its spine from the first edge. */
  | { readonly kind: 'add'; readonly panel: string; readonly side: Side | 'across'; readonly atMm: number };

/** A foil pattern as a document; everything else is computed from it. */
export interface Plan {
  readonly format: 'dappled-lattice/plan';
  readonly version: 4;
  readonly name: string;
  readonly head: PlanHead;
  readonly hair: PlanHair;
  readonly foil: FoilStock;
  /** In the order of work. */
  readonly panels: readonly Panel[];
  /**
   * Panels in the order in which they are sectioned off: what one takes, the next does not have. Those not
   * named follow in
   * the order of work.
   */
  readonly sectioning: readonly string[];
  readonly edits: readonly HandEdit[];
}
