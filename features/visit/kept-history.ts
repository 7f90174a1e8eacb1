import { differencesOf } from '@/core/formats';
import { wasReloaded } from '@/ui/reloaded';
import type { History } from './history';
import type { VisitWork } from './types';

/** So many steps back survive a reload: the documents of more would not fit where a browser keeps them. */
const MOST_STEPS = 15;

export interface Selected {
  readonly panel: string;
  readonly foil?: string;
}

interface Kept {
  readonly history: History<VisitWork>;
  readonly selected: Selected;
}

const keyOf = (visitId: string) => `lattice/${visitId}/steps`;

/** Keeps the steps and the selection of an open visit for the time that the window stays open. */
export function keepHistory(visitId: string, { history, selected }: Kept): void {
  const kept: Kept = {
    selected,
    history: {
      ...history,
      past: history.past.slice(-MOST_STEPS),
      future: history.future.slice(0, MOST_STEPS),
    },
  };
  try {
    sessionStorage.setItem(keyOf(visitId), JSON.stringify(kept));
  } catch {
    // No room, or none allowed: after a reload there is nothing to undo.
    forgetHistory(visitId);
  }
}

function forgetHistory(visitId: string): void {
  try {
    sessionStorage.removeItem(keyOf(visitId));
  } catch {
    // Nothing is kept where nothing can be removed.
  }
}

/**
 * What was kept before a reload, if it leads to what the visit holds now: steps back from somebody else's
 * work would undo theirs.
 */
export function keptHistory(visitId: string, present: VisitWork): Kept | undefined {
  try {
    const text = wasReloaded() ? sessionStorage.getItem(keyOf(visitId)) : null;
    const kept = text ? (JSON.parse(text) as Kept) : undefined;
    if (!kept || differencesOf(kept.history.present, present).length > 0) return undefined;
    // What was done before the reload belongs to no gesture of now.
    const before = <T extends { gesture: string }>(steps: readonly T[]) =>
      steps.map((step) => ({ ...step, gesture: `kept ${step.gesture}` }));
    return {
      selected: kept.selected,
      history: { past: before(kept.history.past), present, future: before(kept.history.future) },
    };
  } catch {
    return undefined;
  }
}
