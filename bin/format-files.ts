import { z } from 'zod';
import {
  clockDocument,
  clockSchema,
  consultSchema,
  growthDocumentSchema,
  growthReport,
  houseSchema,
  mixSchema,
  outcomeSchema,
  parseGrowthDocument,
  EMPTY_CONSULT,
  parseMix,
  parsePlan,
  planSchema,
  productsSchema,
  roundedSheet,
  scriptSchema,
  sheetSchema,
  techniqueSchema,
  techniquesSchema,
  visitSchema,
  workDocument,
  workSchema,
} from '@/core/formats';
import { plansOf } from '@/core/clock';
import { createPatternEngine, type Plan } from '@/core/pattern';
import { createVisitEngine } from '@/core/visit/computed';
import { fieldPicture } from './field-picture';
import { PLAIN_FACTS } from './verbs/mixed-plan';
import { techniquesDocument } from './verbs/techniques';
import { printed } from './verbs/verb';

type PlanInput = z.input<typeof planSchema>;

/** A worked example: a fitted head with a part off the middle, and some of what panels can be. */
const example: PlanInput = {
  format: 'dappled-lattice/plan',
  version: 4,
  name: 'Fine weaves behind, slices at the face',
  head: {
    circumferenceMm: 560,
    earToEarMm: 350,
    frontToNapeMm: null,
    hairline: { left: 'round', right: 'pointed' },
    part: { offsetMm: 22, lengthMm: null, none: false },
  },
  hair: {
    densityPerCm2: 165,
    strand: 'medium',
    lengthMm: 340,
    byZone: { 'temple-l': { densityPerCm2: 120 }, 'temple-r': { densityPerCm2: 120 } },
  },
  panels: [
    {
      id: 'back',
      name: 'Back',
      place: { kind: 'back' },
      side: 'both',
      gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 },
      thicknessMm: 4,
      spacing: { kind: 'eased', fromMm: 10, toMm: 4 },
      columns: { layout: 'bricklaid', onePerRow: false },
    },
    {
      id: 'sides',
      name: 'Sides',
      place: { kind: 'side' },
      side: 'both',
      direction: { kind: 'parallel', angleDeg: 30 },
      gather: {
        kind: 'alternate',
        of: [
          {
            gather: { kind: 'weave', stitchMm: 2.5, gapMm: 2.5, depth: 0.5 },
            thicknessMm: null,
            dropoutMm: null,
          },
          { gather: { kind: 'slice' }, thicknessMm: 3, dropoutMm: null },
        ],
        then: 'again',
      },
      thicknessMm: 4,
      spacing: { kind: 'count', foils: 24 },
      rotation: { sequence: 'AAB' },
      dropouts: { every: 3, treatments: ['tip-out', 'lowlight'] },
    },
    {
      id: 'face',
      name: 'Face',
      place: { kind: 'face-frame', depthMm: 45, reachDeg: 55 },
      side: 'both',
      direction: { kind: 'hairline' },
      gather: { kind: 'slice' },
      thicknessMm: 3,
      spacing: { kind: 'graded', dropoutsMm: [2, 2, 5] },
      formula: 'B',
      order: { rows: 'up', sides: 'alternate' },
    },
  ],
  sectioning: ['face'],
  edits: [{ kind: 'retype', foil: 'back/1/1', gather: { kind: 'slice' } }],
};

/** A worked mix for it: two strengths, weaker ends, a strand test, a toner of three parts and a root. */
const exampleMix: object = {
  version: 4,
  formulas: {
    A: {
      kind: 'lift',
      lighteners: [
        { product: 'moth-powder', parts: 2 },
        { product: 'moth-cream', parts: 1 },
      ],
      volumes: 13,
      ratio: 2,
      additives: [{ product: 'rootling', amount: 8, unit: 'drops' }],
      ends: { volumes: 10, ratio: 2, lastMm: 80 },
      warmth: { celsius: 38, lastMinutes: 15 },
    },
    B: {
      kind: 'lift',
      lighteners: [{ product: 'moth-cream', parts: 1 }],
      volumes: 10,
      ratio: 1.5,
      additives: [{ product: 'water', amount: 5, unit: '%' }],
      reach: 'regrowth',
      second: { volumes: 10, ratio: 1.5, afterMinutes: 40 },
    },
    C: {
      kind: 'deposit',
      line: 'sedge',
      parts: [
        { shade: 'sedge-6-natural', parts: 2 },
        { shade: 'sedge-6-ash', parts: 1 },
      ],
      volumes: 10,
      ratio: 2,
      minutes: 20,
    },
  },
  tests: [{ formula: 'A', minutes: 20, level: 7.5, from: 6 }],
  toners: [
    {
      id: 'toner-1',
      place: {},
      line: 'sedge',
      parts: [
        { shade: 'sedge-9-violet', parts: 2 },
        { shade: 'sedge-9-pearl', parts: 1 },
        { shade: 'sedge-clear', parts: 1 },
      ],
      grams: 60,
      ratio: 2,
      volumes: 5,
      minutes: 12,
      state: 'damp',
    },
  ],
  roots: [
    {
      id: 'shadow',
      place: { lengths: ['roots'] },
      mm: 25,
      line: 'sedge',
      grams: 45,
      ratio: 2,
      volumes: 10,
      minutes: 15,
      state: 'damp',
    },
  ],
  corrections: [
    {
      id: 'wash-1',
      use: 'bleach-wash',
      recipe: 'bleach-wash',
      name: 'Bleach wash',
      grams: null,
      minutes: 15,
      level: 9,
      place: { lengths: ['ends'] },
      parts: [
        { product: 'moth-powder', parts: 1 },
        { volumes: 20, parts: 1 },
        { product: 'wash', parts: 1 },
        { product: 'water', parts: 1 },
      ],
    },
  ],
};

/**
 * Three visits a few months apart: all, then the face frame only, then all again; the last one is today's.
 */
const exampleGrowth: object = {
  format: 'dappled-lattice/growth',
  version: 1,
  on: '2027-06-07',
  visits: [
    { on: '2027-01-04', takenMm: { 'front-l': 0, 'front-r': 0, 'temple-l': 0, 'temple-r': 0, crown: 0 } },
    {
      on: '2027-03-01',
      regrowthMm: { 'front-l': 24, 'temple-l': 23, crown: 24 },
      takenMm: { 'front-l': 0, 'front-r': 0, 'temple-l': 0, 'temple-r': 0 },
    },
    {
      on: '2027-04-26',
      regrowthMm: { 'front-l': 25, crown: 49 },
      takenMm: { 'front-l': 3, 'front-r': 3, 'temple-l': 3, 'temple-r': 3, crown: 3 },
    },
  ],
  edge: 'soft',
  featherMm: 20,
  baseLevel: 6,
  lightLevel: 9.5,
  washesPerWeek: 3,
  weeksBetween: 10,
};

/**
 * What is generated under docs/: schemas from the Zod types, examples and the picture of the field from the
 * engine.
 */
export function formatFiles(): Record<string, string> {
  const plan = parsePlan(example);
  if (!plan.ok) throw new Error(plan.problem);
  const mix = parseMix(exampleMix);
  if (!mix.ok) throw new Error(mix.problem);
  const growth = parseGrowthDocument(exampleGrowth);
  if (!growth.ok) throw new Error(growth.problem);
  const engine = createVisitEngine();
  const visitWith = (current: Plan) =>
    engine.compute(
      {
        consult: { ...EMPTY_CONSULT, naturalLevel: 6, goalLevel: 9, head: current.head, hair: current.hair },
        plan: current,
        mix: mix.value,
        outcome: null,
      },
      PLAIN_FACTS,
    );
  const whole = visitWith(plan.value);
  // A script holds all of the work: of one panel alone it can be read.
  const face = visitWith({
    ...plan.value,
    panels: plan.value.panels.filter(({ id }) => id === 'face'),
    edits: [],
  });
  return {
    'docs/pictures/field.svg': fieldPicture(),
    'docs/formats/plan.schema.json': printed(z.toJSONSchema(planSchema, { io: 'input' })),
    'docs/formats/consult.schema.json': printed(z.toJSONSchema(consultSchema, { io: 'input' })),
    'docs/formats/mix.schema.json': printed(z.toJSONSchema(mixSchema, { io: 'input' })),
    'docs/formats/products.schema.json': printed(z.toJSONSchema(productsSchema, { io: 'input' })),
    'docs/formats/visit.schema.json': printed(z.toJSONSchema(visitSchema, { io: 'input' })),
    'docs/formats/record.schema.json': printed(z.toJSONSchema(outcomeSchema, { io: 'input' })),
    'docs/formats/growth.schema.json': printed(z.toJSONSchema(growthDocumentSchema, { io: 'input' })),
    'docs/formats/examples/growth.json': printed(exampleGrowth),
    'docs/formats/examples/growth.report.json': printed(growthReport(growth.value)),
    'docs/formats/examples/mix.json': printed(exampleMix),
    'docs/formats/house.schema.json': printed(z.toJSONSchema(houseSchema, { io: 'input' })),
    'docs/formats/technique.schema.json': printed(z.toJSONSchema(techniqueSchema, { io: 'input' })),
    'docs/formats/work.schema.json': printed(z.toJSONSchema(workSchema)),
    'docs/formats/examples/work.json': printed(workDocument(whole.work, whole.after)),
    'docs/formats/clock.schema.json': printed(z.toJSONSchema(clockSchema)),
    'docs/formats/examples/clock.json': printed(
      clockDocument({ plans: plansOf(face.clock), clock: face.clock, work: face.work, after: face.after }),
    ),
    'docs/formats/script.schema.json': printed(z.toJSONSchema(scriptSchema)),
    'docs/formats/examples/script.json': printed(face.script),
    'docs/formats/plan.sheet.schema.json': printed(z.toJSONSchema(sheetSchema)),
    'docs/formats/techniques.sheet.schema.json': printed(z.toJSONSchema(techniquesSchema)),
    'docs/formats/examples/techniques.sheet.json': printed(techniquesDocument()),
    'docs/formats/examples/plan.json': printed(example),
    'docs/formats/examples/plan.sheet.json': printed(
      roundedSheet(createPatternEngine().compute(plan.value).sheet),
    ),
  };
}
