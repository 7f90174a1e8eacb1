import { emptyPlan, panelOf, type PanelInput } from '../formats';
import type { Gather, Plan } from '../pattern';

/** One panel over all of an average head, in diagonals unless said otherwise. */
export function allOver(
  gather: Gather,
  thicknessMm: number,
  dropoutMm: number,
  own: Partial<PanelInput> = {},
): Plan {
  return {
    ...emptyPlan('Case'),
    panels: [
      panelOf({
        id: 'all',
        name: 'All',
        place: { kind: 'whole' },
        direction: { kind: 'parallel', angleDeg: 30 },
        gather,
        thicknessMm,
        spacing: { kind: 'constant', dropoutMm },
        ...own,
      }),
    ],
  };
}
