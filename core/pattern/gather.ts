import { keysOf } from '../units';
import type { GatherRules, Picked, Picker, StitchShape } from './gathers/kind';
import { double } from './gathers/double';
import { slice } from './gathers/slice';
import { weave } from './gathers/weave';
import { zigzag } from './gathers/zigzag';
import type { GatherKind } from './sheet';
import type { Gather, GatherOfKind, SingleGather, Turn } from './types';

/** The kinds of gather in the order in which they are offered. */
const RULES: { readonly [K in GatherKind]: GatherRules<GatherOfKind<K>> } = {
  slice,
  weave,
  double,
  zigzag,
};

export const GATHER_KINDS = keysOf(RULES);

/** The rules of a gather. They take it alone: that its kind is theirs, the types cannot follow. */
const rulesOf = (gather: SingleGather) => RULES[gather.kind] as GatherRules<SingleGather>;

/** Sections of a kind with their number: `1 weave`, `2 weaves`. */
export const sectionsOf = (kind: GatherKind, count: number): string =>
  `${count} ${count === 1 ? RULES[kind].one : RULES[kind].many}`;

/** What a kind is called. */
export const gatherWord = (kind: GatherKind): string => RULES[kind].one;

/** What was picked of a section: `slice`, `12 stitches`, `5 points`. */
export function pickedWords(kind: GatherKind, stitches: number): string {
  const { counted, one } = RULES[kind];
  return counted === null ? one : `${stitches} ${counted}`;
}

/** What stands for a row (from 1) among gathers in turn; undefined where there is one gather for all. */
export function turnOf(gather: Gather, row: number): Turn | undefined {
  if (gather.kind !== 'alternate') return undefined;
  const { of, then } = gather;
  return of[then === 'last' ? Math.min(row, of.length) - 1 : (row - 1) % of.length];
}

/** The gather of a row (from 1). */
export const gatherOf = (gather: Gather, row: number): SingleGather =>
  gather.kind === 'alternate' ? turnOf(gather, row)!.gather : gather;

/** All gathers of a panel, each once for each turn. */
export const gathersOf = (gather: Gather): readonly SingleGather[] =>
  gather.kind === 'alternate' ? gather.of.map((turn) => turn.gather) : [gather];

/** A gather by the name that the trade gives it, from its stitch, depth and thickness. */
export const singleName = (gather: SingleGather, thicknessMm: number): string =>
  rulesOf(gather).name(gather, thicknessMm);

/** How deep a gather goes, as a share of the section's thickness: 1 for a slice. */
export const depthOf = (gather: SingleGather): number => rulesOf(gather).depth(gather);

/** Share of a section's width that product covers when the gather lies in its foil. */
export const paintedWidth = (gather: SingleGather): number => rulesOf(gather).painted(gather);

/** Picks from a section of the given width, mm along the parting. */
export const pick = (gather: SingleGather, widthMm: number): Picked => rulesOf(gather).pick(gather, widthMm);

/** The {@link Picker} of a gather on a section of the given width. */
export const pickerOf = (gather: SingleGather, widthMm: number): Picker =>
  rulesOf(gather).picker(gather, widthMm);

/**
 * What a gather takes from a section, as shapes: every drawing of a foil reads these.
 * @param bendMm long stitches have a cut at least so often, where they bend with the section
 */
export const stitchShapes = (
  gather: SingleGather,
  widthMm: number,
  bendMm = Infinity,
): readonly StitchShape[] => rulesOf(gather).shapes(gather, widthMm, bendMm);
