import type { Panel, PanelTotals } from '@/core/pattern';
import type { ChangePanel } from '../use-panel-edit';

/** What each part of a recipe is given. */
export interface RecipeProps {
  readonly panel: Panel;
  readonly totals: PanelTotals | undefined;
  readonly change: ChangePanel;
}
