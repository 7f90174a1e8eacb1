import type { Outline, Vec3 } from '../head';
import type { Frame } from './frame';
import type { TracedLine } from './section-line';

/**
 * The field of a panel: s runs along the spine and says which parting, u along the parting, both mm. A
 * section is an
 * interval of s, a foil an interval of s and one of u.
 */
export interface Field {
  /** Range of s that the panel covers. */
  readonly extent: readonly [number, number];
  /** The field closes on itself (a whole wheel): the last row must leave its drop-out before the first. */
  readonly closed?: boolean;
  /** Traces the section whose middle lies at s; undefined where the field has no such parting. */
  trace(s: number, thicknessMm: number): TracedLine | undefined;
  /**
   * Angle of the parting at s, degrees, in the panel's own axes carried along its spine; left out where every
   * parting has a direction of its own.
   */
  angleAt?(s: number): number;
}

/** What a field is made for: one side of a panel that has been sectioned off. */
export interface Sectioned {
  readonly frame: Frame;
  /** The panel crosses the middle in one piece. */
  readonly across: boolean;
  /** Depth by node of the frame's raster, mm. */
  readonly depths: Float64Array;
  readonly outlines: readonly Outline[];
  /** Points of the outlines on the head. */
  readonly edge: readonly Vec3[];
  /** Point of the scalp above the panel's centroid. */
  readonly centre: Vec3;
}
