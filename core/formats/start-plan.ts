import type { Panel, Plan } from '../pattern';
import { AVERAGE_HAIR, AVERAGE_HEAD } from './fields';
import { PLAN_FORMAT, PLAN_VERSION } from './plan-document';

const FINE_WEAVE: Pick<Panel, 'direction' | 'gather' | 'thicknessMm' | 'spacing' | 'formula'> = {
  direction: { kind: 'parallel', angleDeg: 0 },
  gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 },
  thicknessMm: 4,
  spacing: { kind: 'constant', dropoutMm: 5 },
  formula: 'A',
};

/** The three panels that cover the head, in the order of work: back first (longest to rinse), then the sides. */
export const START_PANELS: readonly Panel[] = [
  { id: 'back', name: 'Back', muted: false, place: { kind: 'back' }, ...FINE_WEAVE },
  { id: 'side-left', name: 'Side, left', muted: false, place: { kind: 'side', side: 'left' }, ...FINE_WEAVE },
  { id: 'side-right', name: 'Side, right', muted: false, place: { kind: 'side', side: 'right' }, ...FINE_WEAVE },
];

/** A plan to begin with: fine weaves all over with the standard 5 mm drop-out, or every panel muted for an empty head. */
export function startPlan(options: { muted?: boolean } = {}): Plan {
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    name: 'Fine weave, horizontal',
    head: AVERAGE_HEAD,
    hair: AVERAGE_HAIR,
    foil: { usableWidthMm: 95, toleranceMm: 25 },
    panels: START_PANELS.map((panel) => ({ ...panel, muted: options.muted ?? false })),
  };
}
