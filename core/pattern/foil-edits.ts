import type { EditNote } from './sheet';
import type { HandEdit, Plan, SingleGather } from './types';

/** Panel that an edit by hand concerns. */
export const panelOfEdit = (edit: HandEdit): string =>
  edit.kind === 'add' ? edit.panel : edit.foil.split('/')[0];

const concerns = (edit: HandEdit, foil: string) => edit.kind !== 'add' && edit.foil === foil;

/** The plan without one foil. */
export function dropFoil(plan: Plan, foil: string): Plan {
  return {
    ...plan,
    edits: [...plan.edits.filter((edit) => !concerns(edit, foil)), { kind: 'delete', foil }],
  };
}

/** One foil with a gather, formula, thickness or start of its own; what was changed of it before stays. */
export function retypeFoil(
  plan: Plan,
  foil: string,
  to: { gather?: SingleGather; formula?: string; thicknessMm?: number; startMm?: number },
): Plan {
  const before = plan.edits.find((edit) => edit.kind === 'retype' && edit.foil === foil);
  const rest = plan.edits.filter((edit) => edit !== before);
  return {
    ...plan,
    edits: [...rest, { kind: 'retype', foil, ...(before?.kind === 'retype' ? before : {}), ...to }],
  };
}

/** One foil moved along the spine, on top of what it was moved before. */
export function moveFoil(plan: Plan, foil: string, byMm: number): Plan {
  const before = plan.edits.find((edit) => edit.kind === 'move' && edit.foil === foil);
  const moved = (before?.kind === 'move' ? before.byMm : 0) + byMm;
  const rest = plan.edits.filter((edit) => edit !== before);
  return { ...plan, edits: moved === 0 ? rest : [...rest, { kind: 'move', foil, byMm: moved }] };
}

/** One foil as its panel's recipe has it. */
export function restoreFoil(plan: Plan, foil: string): Plan {
  return { ...plan, edits: plan.edits.filter((edit) => !concerns(edit, foil)) };
}

/** The plan without the hand edits that found no foil. */
export function clearLostEdits(plan: Plan, notes: readonly EditNote[]): Plan {
  const lost = new Set(notes.filter(({ applied }) => !applied).map(({ edit }) => edit));
  return { ...plan, edits: plan.edits.filter((_, i) => !lost.has(i)) };
}
