import { z } from 'zod';
import { ZONES } from '../head';
import { sameShape } from './same-shape';
import { GATHER_KINDS, type OpenSection, type Sheet } from '../pattern';

const share = z.number().min(0).max(1);
const zone = z.enum(ZONES);
const side = z.enum(['left', 'right', 'across']).describe("The client's side");
const letter = z.string();

const section = {
  id: z
    .string()
    .describe(
      'panel/row/column, counted from a stable origin and never renumbered; d before the row of a treated drop-out',
    ),
  panel: z.string(),
  row: z.int().min(1).describe("Row from the panel's first parting; foils added by hand count from 1001"),
  column: z
    .int()
    .describe(
      "Counted outwards from the middle: 1, 2 … on the client's left, −1, −2 … on the right, 0 across it",
    ),
  side,
  widthMm: z.number().describe('Width of the section along the parting, mm'),
  thicknessMm: z.number().describe('Thickness of the section on the scalp, mm'),
  angleDeg: z
    .number()
    .describe(
      'Angle of the parting at its middle, degrees, as the hand sees it: in the axes of its panel; positive diagonal back',
    ),
  areaMm2: z.number().describe("Skin under the section, mm², integrated over the head's surface"),
  hairs: z.number().describe('Hairs picked (estimate)'),
  hairGrams: z.number().describe('Weight of the picked hair, g (estimate)'),
  zone: zone.describe('Zone under its middle'),
  seconds: z.number().describe('Usual seconds for it (estimate)'),
};

/** The computed sheet of a plan, as `bin/lattice plan` prints it. */
export const sheetSchema = z.strictObject({
  format: z.literal('dappled-lattice/plan-sheet'),
  version: z.literal(5),
  plan: z.string().describe('Name of the plan'),
  foils: z
    .array(
      z.strictObject({
        ...section,
        order: z.int().min(1).describe('Place in the order of work'),
        dropoutMm: z.number().describe('Hair left out behind it, mm'),
        askedDeg: z
          .number()
          .nullable()
          .describe(
            'Angle that its panel asks of it, degrees; null where the parting follows a line of the head',
          ),
        driftDeg: z
          .number()
          .describe(
            'How far the panel has turned its partings since its first foil on this side, degrees; 0 where it holds one angle',
          ),
        gather: z.enum(GATHER_KINDS),
        stitches: z.int().describe('Stitches or points picked; 1 for a slice'),
        pickedShare: share.describe("Share of the section's hair that is picked"),
        startMm: z.number().describe('The product begins so far from the scalp, mm'),
        formula: letter,
        byHand: z.boolean().describe('Changed or added by hand'),
      }),
    )
    .describe('In the order of work'),
  painted: z
    .array(
      z.strictObject({
        ...section,
        gather: z.enum(GATHER_KINDS),
        pickedShare: share.describe('What is lightened of it: product stays on the surface'),
        startMm: z.number(),
        formula: letter,
      }),
    )
    .describe('Sections painted in the open air'),
  dropouts: z
    .array(
      z.strictObject({
        ...section,
        treatment: z.enum(['tip-out', 'lowlight', 'paint']),
        formula: letter.nullable().describe('Letter that its panel names for it; null the usual one'),
      }),
    )
    .describe('Drop-outs that are treated'),
  panels: z.array(
    z.strictObject({
      panel: z.string(),
      foils: z.int(),
      rows: z.int().describe('Rows, both sides counted'),
      areaCm2: z.number().describe('Skin sectioned off, cm²'),
      solvedDropoutMm: z
        .number()
        .nullable()
        .describe('Even drop-out that a target came to, mm; null where the plan says it'),
      takenBy: z
        .array(z.strictObject({ panel: z.string(), areaCm2: z.number() }))
        .describe('Hair of its place that panels sectioned off earlier had taken'),
      minutes: z.number().describe('Working time of its foils, minutes (estimate)'),
      note: z
        .string()
        .nullable()
        .describe('Why a target of foils could not be met to the last one; null where it was'),
    }),
  ),
  zones: z.array(
    z.strictObject({
      zone,
      areaCm2: z.number(),
      foiledShare: share.describe("Share of the zone's hair that went through foils' sections"),
      pickedShare: share.describe("Share of the zone's hair that was picked, whatever the formula does"),
      pickedBy: z.record(z.string(), share).describe('The same by letter'),
      lowlitShare: share.describe("Share of the zone's hair in drop-outs that are lowlit"),
      meanPitchMm: z
        .number()
        .nullable()
        .describe('Mean of thickness + drop-out over its foils, mm; null without foils'),
    }),
  ),
  totals: z.strictObject({
    foils: z.int(),
    byGather: z.record(z.enum(GATHER_KINDS), z.int()),
    byFormula: z.record(z.string(), z.int()),
    foiledShare: share,
    pickedShare: share,
    hairs: z.number(),
    hairGrams: z.number(),
    foilingMinutes: z.number().describe('First foil to last, minutes (estimate)'),
  }),
  edits: z
    .array(
      z.strictObject({
        edit: z.int().describe("Index into the plan's edits"),
        applied: z.boolean(),
        note: z.string(),
      }),
    )
    .describe('Hand edits that no longer find their foil, or whose foil now lies over another'),
  problems: z
    .array(z.strictObject({ panel: z.string(), problem: z.string() }))
    .describe('Panels that could not be computed as asked, and why'),
});

/** Fails to compile when the schema and the engine's sheet drift apart. */
sameShape<z.infer<typeof sheetSchema>, Sheet>(true);

/**
 * Sheets are printed with lengths to 0.01 mm, shares to 0.0001: more digits would claim more than a comb can
 * do.
 */
export function roundedSheet(sheet: Sheet): Sheet {
  const section = <T extends OpenSection>(item: T): T => ({
    ...item,
    widthMm: two(item.widthMm),
    thicknessMm: two(item.thicknessMm),
    angleDeg: one(item.angleDeg),
    areaMm2: two(item.areaMm2),
    hairs: Math.round(item.hairs),
    hairGrams: three(item.hairGrams),
    seconds: one(item.seconds),
  });
  return {
    ...sheet,
    foils: sheet.foils.map((foil) => ({
      ...section(foil),
      dropoutMm: two(foil.dropoutMm),
      askedDeg: foil.askedDeg === null ? null : one(foil.askedDeg),
      driftDeg: one(foil.driftDeg),
      pickedShare: four(foil.pickedShare),
      startMm: two(foil.startMm),
    })),
    painted: sheet.painted.map((paintedSection) => ({
      ...section(paintedSection),
      pickedShare: four(paintedSection.pickedShare),
      startMm: two(paintedSection.startMm),
    })),
    dropouts: sheet.dropouts.map(section),
    panels: sheet.panels.map((panel) => ({
      ...panel,
      areaCm2: two(panel.areaCm2),
      solvedDropoutMm: panel.solvedDropoutMm === null ? null : two(panel.solvedDropoutMm),
      takenBy: panel.takenBy.map((taken) => ({ ...taken, areaCm2: two(taken.areaCm2) })),
      minutes: one(panel.minutes),
    })),
    zones: sheet.zones.map((zone) => ({
      ...zone,
      areaCm2: two(zone.areaCm2),
      foiledShare: four(zone.foiledShare),
      pickedShare: four(zone.pickedShare),
      pickedBy: Object.fromEntries(Object.entries(zone.pickedBy).map(([letter, own]) => [letter, four(own)])),
      lowlitShare: four(zone.lowlitShare),
      meanPitchMm: zone.meanPitchMm === null ? null : two(zone.meanPitchMm),
    })),
    totals: {
      ...sheet.totals,
      foiledShare: four(sheet.totals.foiledShare),
      pickedShare: four(sheet.totals.pickedShare),
      hairs: Math.round(sheet.totals.hairs),
      hairGrams: two(sheet.totals.hairGrams),
      foilingMinutes: one(sheet.totals.foilingMinutes),
    },
  };
}

/** Rounds, and never to −0. */
const to = (digits: number) => (value: number) => Number(value.toFixed(digits)) + 0;
const one = to(1);
const two = to(2);
const three = to(3);
const four = to(4);
