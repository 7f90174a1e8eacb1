import { keysOf, byKey } from '../units';
import { GATHER_PRESETS, type Gather, type SingleGather } from '../pattern';

/** Gathers by the trade's names, for writing techniques. */
export const { micro, baby, fine, medium, chunky, deep, slice } = byKey(
  keysOf(GATHER_PRESETS),
  (name): SingleGather => GATHER_PRESETS[name].gather,
);

/** A weave whose first stitch takes the hairline's own hair. */
export const fromHairline = (gather: SingleGather): SingleGather =>
  gather.kind === 'weave' ? { ...gather, fromHairline: true } : gather;

export const inTurn = (...of: SingleGather[]): Gather => ({
  kind: 'alternate',
  of: of.map((gather) => ({ gather, thicknessMm: null, dropoutMm: null })),
  then: 'again',
});
/** One after the other, each with its thickness; the last goes on. */
export const thenOn = (...of: readonly (readonly [gather: SingleGather, thicknessMm: number])[]): Gather => ({
  kind: 'alternate',
  of: of.map(([gather, thicknessMm]) => ({ gather, thicknessMm, dropoutMm: null })),
  then: 'last',
});

export const apart = (dropoutMm: number) => ({ kind: 'constant', dropoutMm }) as const;
export const graded = (...dropoutsMm: number[]) => ({ kind: 'graded', dropoutsMm }) as const;

export const horizontal = { kind: 'parallel', angleDeg: 0 } as const;
export const diagonalBack = (angleDeg: number) => ({ kind: 'parallel', angleDeg }) as const;

export const lived = (distanceMm: number, featherMm: number, teasing = 0) => ({
  distanceMm,
  featherMm,
  teasing,
});
