import { seeded } from './seeded';
import type { Panel, PlainSpacing } from './types';

/** Rows of a varied panel are drawn one by one up to this many; the last drop-out then repeats. */
const VARIED_ROWS = 200;

/** A panel whose variation has been drawn: the angle and each drop-out moved within the limits. */
export function varied(panel: Panel): Panel {
  const { variation } = panel;
  if (!variation) return panel;
  const next = seeded(variation.seed);
  const within = (limit: number) => (2 * next() - 1) * limit;
  const angle = within(variation.angleDeg);
  const direction =
    panel.direction.kind === 'parallel'
      ? { ...panel.direction, angleDeg: panel.direction.angleDeg + angle }
      : panel.direction.kind === 'pivot'
        ? {
            ...panel.direction,
            fromDeg: panel.direction.fromDeg + angle,
            toDeg: panel.direction.toDeg === 'part' ? panel.direction.toDeg : panel.direction.toDeg + angle,
          }
        : panel.direction;
  const vary = (spacing: PlainSpacing): PlainSpacing => {
    if (spacing.kind === 'eased') return spacing;
    const own = spacing.kind === 'constant' ? [spacing.dropoutMm] : spacing.dropoutsMm;
    return {
      kind: 'graded',
      dropoutsMm: Array.from({ length: VARIED_ROWS }, (_, i) => Math.max(0, own[Math.min(i, own.length - 1)] + within(variation.dropoutMm))),
    };
  };
  const { spacing } = panel;
  if (spacing.kind === 'backwards') return { ...panel, direction, spacing: { ...spacing, spacing: vary(spacing.spacing) } };
  if (spacing.kind === 'constant' || spacing.kind === 'graded' || spacing.kind === 'eased') {
    return { ...panel, direction, spacing: vary(spacing) };
  }
  return { ...panel, direction };
}
