import type { Zone } from '../head';
import type { Side, SingleGather } from '../pattern';

/**
 * What is done with a unit: a foil, a section painted in the open air, or a drop-out that is tipped out,
 * lowlit or painted.
 */
export type UnitKind = 'foil' | 'open-air' | 'tip-out' | 'lowlight' | 'paint';

export const UNIT_WORDS: Readonly<Record<UnitKind, readonly [one: string, many: string]>> = {
  foil: ['foil', 'foils'],
  'open-air': ['painted section', 'painted sections'],
  'tip-out': ['tip-out', 'tip-outs'],
  lowlight: ['lowlit drop-out', 'lowlit drop-outs'],
  paint: ['painted drop-out', 'painted drop-outs'],
};

/** What holds a unit while it develops: its own foil, the foils that it lies between, or nothing. */
type LaidWith = 'foil' | 'between foils' | 'open air';

/** Where a unit lies and what of its hair takes product; nothing in it depends on how the product works. */
export interface PlacedUnit {
  /** As in the sheet: panel/row/column, with d before the row of a drop-out. Never renumbered. */
  readonly id: string;
  readonly kind: UnitKind;
  /** Its number among those of its kind, from 1; foils as the pattern numbers them. */
  readonly number: number;
  /** Place among everything in the order of work, from 1. */
  readonly order: number;
  /** Index into the sheet's own list of its kind. */
  readonly index: number;
  readonly panel: string;
  readonly panelName: string;
  readonly row: number;
  readonly column: number;
  readonly side: Side | 'across';
  readonly zone: Zone;
  /** Letter of its formula. */
  readonly letter: string;
  /** Lightener and permanent colour lift; all other colour only deposits. */
  readonly lifts: boolean;
  readonly gather: SingleGather;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly angleDeg: number;
  /** Where the product begins on the strand, how far it is thinned out, and pushes of backcombing. */
  readonly startMm: number;
  readonly featherMm: number;
  /** Further from the scalp at both edges of the section, by this much. */
  readonly edgesMm: number;
  readonly teasing: number;
  /** Stretch that is painted, mm from the scalp; both the same where nothing is. */
  readonly reachMm: readonly [from: number, to: number];
  /** How its formula reaches: to the ends, what has grown since, or a stretch. */
  readonly reach: 'ends' | 'regrowth' | 'stretch';
  /**
   * Of it the last stretch that takes the ends' own mix, mm; 0 where they have none, or are as dark as the
   * length.
   */
  readonly endsMm: number;
  /** Tips that are light already and are drawn out of the foil, mm. */
  readonly endsOutMm: number;
  /** Only the surface of the section is painted. */
  readonly surface: boolean;
  readonly hairMm: number;
  /** Hair that takes product, over its whole length, g (estimate). */
  readonly hairGrams: number;
  readonly hairs: number;
  readonly laidWith: LaidWith;
  /** Usual seconds. */
  readonly seconds: number;
  /** Minutes of hands from the first unit on, at the usual pace, until it is begun and done. */
  readonly fromMinutes: number;
  readonly toMinutes: number;
}

/** One unit of the work of a visit, whole: every step reads it from here. */
export interface WorkUnit extends PlacedUnit {
  /** The mix in words: product, strength, ratio, what is added. */
  readonly mix: string;
  /** The mix on the ends in words; null where they have none of their own. */
  readonly endsMix: string | null;
  readonly additives: readonly { readonly name: string; readonly perGram: number }[];
  /** Grams that it takes (estimate): on the length, and of the ends' own mix. */
  readonly grams: number;
  readonly endsGrams: number;
  /** Bowls that it is painted from as it is laid, by the names of their mixes. */
  readonly mixes: readonly string[];
  /** It is painted from the old bowl, past its useful time, where the house uses that up at the hairline. */
  readonly fromOld: boolean;
  /**
   * It is opened, wiped and painted again so many minutes after it was closed, from which bowl, with what, g;
   * null where it is painted once.
   */
  readonly again: {
    readonly afterMinutes: number;
    readonly mix: string;
    readonly words: string;
    readonly grams: number;
  } | null;
  /**
   * Minutes from its last painting until it is ready (estimate; eight heads in ten lie between); at the limit
   * where its target is not expected.
   */
  readonly ready: { readonly minutes: number; readonly soonest: number; readonly latest: number | null };
  /** Whether its target is expected within the maker's time. */
  readonly expected: boolean;
  /** Longest that its maker allows each painting, minutes. */
  readonly limitMinutes: number;
  /** Indices into the list's lifts: how each stretch of it lifts; none for what only deposits. */
  readonly liftRows: readonly number[];
}
