'use client';

import { useCallback } from 'react';
import { changePanel, type Panel } from '@/core/pattern';
import { useVisit } from '../visit/store';

/**
 * Changes one thing of a panel: what it is, how it is said before and after, and the panel that comes of it.
 */
export type ChangePanel = (
  what: string,
  figure: (panel: Panel) => string,
  next: (panel: Panel) => Panel,
  gesture?: string,
) => void;

/** Edits of one panel: each is one step of undo, a drag as a whole, named from where it began. */
export function usePanelEdit(panelId: string): ChangePanel {
  const { editPlan } = useVisit();
  return useCallback(
    (what, figure, next, gesture = `${panelId}/${what}`) =>
      editPlan(
        (before, after) =>
          `${what} ${figure(find(before.panels, panelId))} → ${figure(find(after.panels, panelId))}, ${find(after.panels, panelId).name}`,
        (before) => changePanel(before, panelId, next),
        gesture,
      ),
    [editPlan, panelId],
  );
}

const find = (panels: readonly Panel[], id: string) => panels.find((panel) => panel.id === id)!;
