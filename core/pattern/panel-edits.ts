import { mirrorPanel } from './mirror';
import type { Panel, Plan } from './types';

/** A name for a panel's id that no panel of the plan has yet: `back`, `back-2`, `back-3` … */
export function freeId(plan: Plan, wanted: string): string {
  const taken = new Set(plan.panels.map(({ id }) => id));
  const base = wanted.replace(/-\d+$/, '').slice(0, 36);
  let id = base;
  for (let n = 2; taken.has(id); n += 1) id = `${base}-${n}`;
  return id;
}

/** A name that no panel has yet: `Back`, `Back 2` … */
function freeName(plan: Plan, wanted: string): string {
  const taken = new Set(plan.panels.map(({ name }) => name));
  const base = wanted.replace(/ \d+$/, '').slice(0, 76);
  let name = base;
  for (let n = 2; taken.has(name); n += 1) name = `${base} ${n}`;
  return name;
}

/** Puts a panel behind another one, or last; its id and name are made unique. */
export function addPanel(plan: Plan, panel: Panel, behind?: string): Plan {
  const added: Panel = { ...panel, id: freeId(plan, panel.id), name: freeName(plan, panel.name) };
  const at = plan.panels.findIndex(({ id }) => id === behind);
  const panels = [...plan.panels];
  panels.splice(at < 0 ? panels.length : at + 1, 0, added);
  return { ...plan, panels };
}

/** The plan with one panel changed. */
export function changePanel(plan: Plan, id: string, change: (panel: Panel) => Panel): Plan {
  return { ...plan, panels: plan.panels.map((panel) => (panel.id === id ? change(panel) : panel)) };
}

/**
 * Adds a panel that lies in others' hair and is sectioned off before them; its id is that of {@link freeId}.
 */
export function addPanelFirst(plan: Plan, panel: Panel, behind?: string): Plan {
  return sectionFirst(addPanel(plan, panel, behind), freeId(plan, panel.id), true);
}

/** The same panel once more, behind it. */
export function duplicatePanel(plan: Plan, id: string): Plan {
  const panel = plan.panels.find((other) => other.id === id);
  return panel ? addPanel(plan, panel, id) : plan;
}

/**
 * The other side of a one-sided panel, behind it, named for its side; any other panel is turned into its
 * mirror image.
 */
export function mirrorPanelIn(plan: Plan, id: string): Plan {
  const panel = plan.panels.find((own) => own.id === id);
  if (!panel) return plan;
  if (panel.side !== 'left' && panel.side !== 'right') return changePanel(plan, id, mirrorPanel);
  const other = (text: string) => text.replace(/left|right/gi, (word) => swapped(word));
  return addPanel(plan, { ...mirrorPanel(panel), id: other(panel.id), name: other(panel.name) }, id);
}

function swapped(word: string): string {
  const to = word.toLowerCase() === 'left' ? 'right' : 'left';
  return word[0] === word[0].toUpperCase() ? to[0].toUpperCase() + to.slice(1) : to;
}

/** Moves a panel in the order of work. */
export function movePanel(plan: Plan, id: string, to: number): Plan {
  const from = plan.panels.findIndex((other) => other.id === id);
  const target = Math.min(plan.panels.length - 1, Math.max(0, to));
  if (from < 0 || from === target) return plan;
  const panels = [...plan.panels];
  const [panel] = panels.splice(from, 1);
  panels.splice(target, 0, panel);
  return { ...plan, panels };
}

/** Takes a panel out of the plan, with its place in the sectioning and its hand edits. */
export function removePanel(plan: Plan, id: string): Plan {
  return {
    ...plan,
    panels: plan.panels.filter((panel) => panel.id !== id),
    sectioning: plan.sectioning.filter((own) => own !== id),
    edits: plan.edits.filter((edit) =>
      edit.kind === 'add' ? edit.panel !== id : edit.foil.split('/')[0] !== id,
    ),
  };
}

/** Whether a panel is sectioned off before all others. */
export function isSectionedFirst(plan: Plan, id: string): boolean {
  return plan.sectioning.includes(id);
}

/** Sections a panel off before all others, or in its turn again. */
export function sectionFirst(plan: Plan, id: string, first: boolean): Plan {
  const rest = plan.sectioning.filter((own) => own !== id);
  return { ...plan, sectioning: first ? [id, ...rest] : rest };
}
