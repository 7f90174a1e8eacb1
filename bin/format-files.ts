import { z } from 'zod';
import { parsePlan, planSchema, roundedSheet, sheetSchema, startPlan } from '@/core/formats';
import { createPatternEngine, type Plan } from '@/core/pattern';
import { printed } from './verbs/verb';

/** A worked example with a head, a part off the middle and two gathers. */
const example: Plan = {
  ...startPlan(),
  name: 'Fine weaves behind, slices at the sides',
  head: { circumferenceMm: 560, hairline: { left: 'round', right: 'round' }, part: { offsetMm: 22 } },
  panels: startPlan().panels.map((panel) =>
    panel.id === 'back'
      ? { ...panel, spacing: { kind: 'constant', dropoutMm: 8 } }
      : { ...panel, gather: { kind: 'slice' }, thicknessMm: 3, spacing: { kind: 'constant', dropoutMm: 9 }, formula: 'B' },
  ),
};

/** Everything under docs/formats/: schemas generated from the Zod types, examples computed by the engine. */
export function formatFiles(): Record<string, string> {
  const plan = parsePlan(example);
  if (!plan.ok) throw new Error(plan.problem);
  return {
    'docs/formats/plan.schema.json': printed(z.toJSONSchema(planSchema, { io: 'input' })),
    'docs/formats/plan.sheet.schema.json': printed(z.toJSONSchema(sheetSchema)),
    'docs/formats/examples/plan.json': printed(example),
    'docs/formats/examples/plan.sheet.json': printed(roundedSheet(createPatternEngine().compute(plan.value).sheet)),
  };
}
