import { panelOf } from '../formats';
import { GATHER_PRESETS, type Panel } from '../pattern';

/** Panels that mend what is missing at a landmark. */
export const landmarkPanels = {
  /** One row of fine weaves, its first stitch on the hairline, between two azimuths (degrees). */
  rim: (fromDeg: number, toDeg: number, side: Panel['side']): Panel =>
    panelOf({
      id: 'rim',
      name: side === 'both' ? 'Rim' : `Rim, ${side}`,
      place: {
        kind: 'hairline-band',
        widthMm: 12,
        fromDeg: Math.max(0, fromDeg - 3),
        toDeg: Math.min(180, toDeg + 3),
      },
      side,
      direction: { kind: 'hairline' },
      gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5, fromHairline: true },
      thicknessMm: 4,
      spacing: { kind: 'constant', dropoutMm: 5 },
    }),
  crown: (): Panel =>
    panelOf({
      id: 'crown',
      name: 'Crown',
      place: { kind: 'zones', zones: ['crown'] },
      side: 'across',
      gather: GATHER_PRESETS.fine.gather,
      thicknessMm: 4,
      spacing: { kind: 'constant', dropoutMm: 5 },
    }),
};
