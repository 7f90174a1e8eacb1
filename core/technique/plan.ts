import { emptyPlan, panelOf, type PanelInput } from '../formats';
import { changePanel, mirrorPanel, type Panel, type Plan } from '../pattern';
import type { Technique } from './library';

/** What of a technique is laid on a head: a built-in one's, or a house's own. */
export interface Laid extends Pick<Technique, 'name' | 'sectioning' | 'deposits' | 'heavySide'> {
  readonly panels: readonly (PanelInput | Panel)[];
}

// A panel says all that its input may leave out; only its lists are readonly, which input's are not.
const panelsOf = ({ panels }: Laid): Panel[] => panels.map((panel) => panelOf(panel as PanelInput));

/** A technique as a plan for a head and hair; the average ones where none are given. */
export function planOf(technique: Laid, on: Partial<Pick<Plan, 'head' | 'hair' | 'foil'>> = {}): Plan {
  const plan = { ...emptyPlan(technique.name), ...on };
  const panels = panelsOf(technique);
  const { part } = plan.head;
  // The shallow side is the one that the part lies on.
  const turned = technique.heavySide !== undefined && !part.none && part.offsetMm < 0;
  return {
    ...plan,
    panels: turned ? panels.map(mirrorPanel) : panels,
    sectioning: technique.sectioning ?? [],
  };
}

/**
 * A plan with the technique in place of its panels: head, hair and foil stay the client's and the house's.
 */
export function applyTechnique(plan: Plan, technique: Laid): Plan {
  return planOf(technique, { head: plan.head, hair: plan.hair, foil: plan.foil });
}

/** What of a panel is its place and name, and stays when a technique's recipe is taken for it alone. */
const KEPT = [
  'id',
  'name',
  'muted',
  'place',
  'side',
  'divide',
  'leaveOut',
] as const satisfies readonly (keyof Panel)[];

/**
 * The recipe of a technique for one panel only: partings, gather, spacing, formula, start. It is that of the
 * technique's
 * panel on a place of the same kind, of its first one where there is none.
 */
export function applyToPanel(plan: Plan, panelId: string, technique: Laid): Plan {
  const panels = panelsOf(technique);
  return changePanel(plan, panelId, (panel) => {
    const recipe = panels.find(({ place }) => place.kind === panel.place.kind) ?? panels[0];
    return recipe ? { ...recipe, ...Object.fromEntries(KEPT.map((key) => [key, panel[key]])) } : panel;
  });
}
