import { recipeLine } from './recipe-name';
import type { Sheet } from './sheet';
import type { Plan } from './types';

/** The computed plan in one sentence per panel, as a colourist would write it down. */
export function planSummary(plan: Plan, sheet: Sheet): string {
  const counts = new Map(sheet.panels.map((panel) => [panel.panel, panel.foils]));
  const lines = plan.panels
    .filter((panel) => !panel.muted && (counts.get(panel.id) ?? 0) > 0)
    .map((panel) => `${panel.name}: ${counts.get(panel.id)} foils, ${recipeLine(panel)}, formula ${panel.formula}.`);
  return [`${plan.name}, ${sheet.totals.foils} foils.`, ...lines].join('\n');
}
