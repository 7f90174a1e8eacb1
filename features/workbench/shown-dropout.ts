import { nominalDropout, type Panel, type PanelTotals } from '@/core/pattern';

/**
 * The drop-out that is shown and moved: the one solved for a target, or the one that the spacing ends in, mm.
 */
export function shownDropout(panel: Panel, totals: PanelTotals | undefined): number {
  return nominalDropout(panel.spacing) ?? Math.round((totals?.solvedDropoutMm ?? 0) * 2) / 2;
}
