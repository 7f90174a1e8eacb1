import type { GatherOfKind } from '../types';
import { straightStitches, type GatherRules } from './kind';

/** The whole section. */
export const slice: GatherRules<GatherOfKind<'slice'>> = {
  one: 'slice',
  many: 'slices',
  counted: null,
  name: () => 'slice',
  depth: () => 1,
  painted: () => 1,
  pick: () => ({ stitches: 1, share: 1 }),
  picker: () => () => true,
  shapes: (_, widthMm, bendMm) => straightStitches([[0, widthMm]], [0, 1], bendMm),
};
