import type { Panel, PlainSpacing } from '../pattern';

/** Widest drop-out that thinning comes to, mm. */
const WIDEST_MM = 80;
/** Narrowest drop-out that packing comes to, mm: less cannot be sectioned. */
const NARROWEST_MM = 1;

/**
 * A panel with its pitch stretched by a factor (under 1: packed); undefined for one whose family lays its
 * partings itself.
 */
export function thinned(panel: Panel, factor: number): Panel | undefined {
  if (factor === 1) return panel;
  if (panel.direction.kind === 'crossed') return undefined;
  const wider = (mm: number) =>
    Math.min(
      WIDEST_MM,
      Math.max(NARROWEST_MM, Math.round(((panel.thicknessMm + mm) * factor - panel.thicknessMm) * 2) / 2),
    );
  const plain = (spacing: PlainSpacing): PlainSpacing => {
    switch (spacing.kind) {
      case 'constant':
        return { kind: 'constant', dropoutMm: wider(spacing.dropoutMm) };
      case 'graded':
        return { kind: 'graded', dropoutsMm: spacing.dropoutsMm.map(wider) };
      case 'eased':
        return { kind: 'eased', fromMm: wider(spacing.fromMm), toMm: wider(spacing.toMm) };
    }
  };
  const { spacing } = panel;
  switch (spacing.kind) {
    case 'count':
      return { ...panel, spacing: { ...spacing, foils: Math.max(1, Math.floor(spacing.foils / factor)) } };
    case 'share':
      return {
        ...panel,
        spacing: { ...spacing, lightened: Math.min(1, Math.max(0.005, spacing.lightened / factor)) },
      };
    case 'minutes':
      return { ...panel, spacing: { ...spacing, minutes: Math.max(1, spacing.minutes / factor) } };
    case 'budget':
      return {
        ...panel,
        spacing: { ...spacing, amountMinor: Math.max(1, Math.floor(spacing.amountMinor / factor)) },
      };
    case 'backwards':
      return { ...panel, spacing: { ...spacing, spacing: plain(spacing.spacing) } };
    default:
      return { ...panel, spacing: plain(spacing) };
  }
}
