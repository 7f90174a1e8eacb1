import { z } from 'zod';
import { consultSchema, houseSchema, parsePlan, planSchema, roundedSheet, sheetSchema, techniqueSchema, techniquesSchema } from '@/core/formats';
import { createPatternEngine } from '@/core/pattern';
import { fieldPicture } from './field-picture';
import { techniquesDocument } from './verbs/techniques';
import { printed } from './verbs/verb';

type PlanInput = z.input<typeof planSchema>;

/** A worked example: a fitted head with a part off the middle, and some of what panels can be. */
const example: PlanInput = {
  format: 'dappled-lattice/plan',
  version: 2,
  name: 'Fine weaves behind, slices at the face',
  head: {
    circumferenceMm: 560, earToEarMm: 350, frontToNapeMm: null, hairline: { left: 'round', right: 'pointed' },
    part: { offsetMm: 22, lengthMm: null, none: false },
  },
  hair: { densityPerCm2: 165, strand: 'medium', lengthMm: 340, byZone: { 'temple-l': { densityPerCm2: 120 }, 'temple-r': { densityPerCm2: 120 } } },
  panels: [
    {
      id: 'back', name: 'Back', place: { kind: 'back' }, side: 'both',
      gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 }, thicknessMm: 4, spacing: { kind: 'eased', fromMm: 10, toMm: 4 },
      columns: { layout: 'bricklaid', onePerRow: false },
    },
    {
      id: 'sides', name: 'Sides', place: { kind: 'side' }, side: 'both', direction: { kind: 'parallel', angleDeg: 30 },
      gather: { kind: 'alternate', of: [{ kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 }, { kind: 'slice' }] }, thicknessMm: 4,
      spacing: { kind: 'count', foils: 24 }, rotation: { sequence: 'AAB' }, dropouts: { every: 3, treatments: ['tip-out', 'lowlight'] },
    },
    {
      id: 'face', name: 'Face', place: { kind: 'face-frame', depthMm: 45, reachDeg: 55 }, side: 'both', direction: { kind: 'hairline' },
      gather: { kind: 'slice' }, thicknessMm: 3, spacing: { kind: 'graded', dropoutsMm: [2, 2, 5] }, formula: 'B', order: { rows: 'up', sides: 'alternate' },
    },
  ],
  sectioning: ['face'],
  edits: [{ kind: 'retype', foil: 'back/1/1', gather: { kind: 'slice' } }],
};

/** What is generated under docs/: schemas from the Zod types, examples and the picture of the field from the engine. */
export function formatFiles(): Record<string, string> {
  const plan = parsePlan(example);
  if (!plan.ok) throw new Error(plan.problem);
  return {
    'docs/pictures/field.svg': fieldPicture(),
    'docs/formats/plan.schema.json': printed(z.toJSONSchema(planSchema, { io: 'input' })),
    'docs/formats/consult.schema.json': printed(z.toJSONSchema(consultSchema, { io: 'input' })),
    'docs/formats/house.schema.json': printed(z.toJSONSchema(houseSchema, { io: 'input' })),
    'docs/formats/technique.schema.json': printed(z.toJSONSchema(techniqueSchema, { io: 'input' })),
    'docs/formats/plan.sheet.schema.json': printed(z.toJSONSchema(sheetSchema)),
    'docs/formats/techniques.sheet.schema.json': printed(z.toJSONSchema(techniquesSchema)),
    'docs/formats/examples/techniques.sheet.json': printed(techniquesDocument()),
    'docs/formats/examples/plan.json': printed(example),
    'docs/formats/examples/plan.sheet.json': printed(roundedSheet(createPatternEngine().compute(plan.value).sheet)),
  };
}
