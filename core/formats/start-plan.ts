import type { Panel, Plan } from '../pattern';
import { AVERAGE_HAIR, AVERAGE_HEAD } from './fields';
import { PLAN_FORMAT, PLAN_VERSION, panelOf, type PanelInput } from './plan-document';

const FINE_WEAVE: Pick<PanelInput, 'gather' | 'thicknessMm' | 'spacing'> = {
  gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 },
  thicknessMm: 4,
  spacing: { kind: 'constant', dropoutMm: 5 },
};

/**
 * The three panels that cover the head, in the order of work: back first (longest to rinse), then the sides.
 */
const START_PANELS: readonly Panel[] = [
  panelOf({ id: 'back', name: 'Back', place: { kind: 'back' }, side: 'both', ...FINE_WEAVE }),
  panelOf({ id: 'side-left', name: 'Side, left', place: { kind: 'side' }, side: 'left', ...FINE_WEAVE }),
  panelOf({ id: 'side-right', name: 'Side, right', place: { kind: 'side' }, side: 'right', ...FINE_WEAVE }),
];

/** A plan without panels on an average head. */
export function emptyPlan(name: string): Plan {
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    name,
    head: AVERAGE_HEAD,
    hair: AVERAGE_HAIR,
    foil: { usableWidthMm: 95, toleranceMm: 25 },
    panels: [],
    sectioning: [],
    edits: [],
  };
}

/**
 * A plan to begin with: fine weaves all over with the standard 5 mm drop-out, or every panel muted for an
 * empty head.
 */
export function startPlan(options: { muted?: boolean } = {}): Plan {
  return {
    ...emptyPlan('Fine weave, horizontal'),
    panels: START_PANELS.map((panel) => ({ ...panel, muted: options.muted ?? false })),
  };
}
