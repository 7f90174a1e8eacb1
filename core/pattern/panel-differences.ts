import { panelOfEdit } from './foil-edits';
import { addPanel, removePanel } from './panel-edits';
import type { Panel, Plan } from './types';

/** A panel in which two versions of a plan differ. */
export interface PanelDifference {
  readonly id: string;
  readonly name: string;
  readonly kind: 'changed' | 'added' | 'removed';
}

const editsOf = (plan: Plan, id: string) => plan.edits.filter((edit) => panelOfEdit(edit) === id);
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * Panels that differ between a plan and another version of it (one's own draft), with their edits by hand; in
 * working order.
 */
export function panelDifferences(plan: Plan, other: Plan): PanelDifference[] {
  const ids = [...new Set([...other.panels, ...plan.panels].map(({ id }) => id))];
  return ids.flatMap((id): PanelDifference[] => {
    const [own, theirs] = [plan, other].map(({ panels }) => panels.find((panel) => panel.id === id));
    if (!own && !theirs) return [];
    if (!own) return [{ id, name: theirs!.name, kind: 'added' }];
    if (!theirs) return [{ id, name: own.name, kind: 'removed' }];
    return same(own, theirs) && same(editsOf(plan, id), editsOf(other, id))
      ? []
      : [{ id, name: theirs.name, kind: 'changed' }];
  });
}

/** The plan with one panel, and the foils changed in it by hand, as another version has them. */
export function withPanelOf(plan: Plan, other: Plan, id: string): Plan {
  const theirs = other.panels.find((panel) => panel.id === id);
  if (!theirs) return removePanel(plan, id);
  const edits = [...plan.edits.filter((edit) => panelOfEdit(edit) !== id), ...editsOf(other, id)];
  if (plan.panels.some((panel) => panel.id === id)) {
    return { ...plan, panels: plan.panels.map((panel): Panel => (panel.id === id ? theirs : panel)), edits };
  }
  const before = other.panels[other.panels.findIndex((panel) => panel.id === id) - 1]?.id;
  const added = addPanel(plan, theirs, before);
  const sectioning =
    other.sectioning.includes(id) && !added.sectioning.includes(id)
      ? [...added.sectioning, id]
      : added.sectioning;
  return { ...added, sectioning, edits };
}
