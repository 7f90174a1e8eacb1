import { z } from 'zod';
import { ZONES } from '../head';
import type { Sheet } from '../pattern';

const share = z.number().min(0).max(1);
const zone = z.enum(ZONES);

/** The computed sheet of a plan, as `bin/lattice plan` prints it. */
export const sheetSchema = z.strictObject({
  format: z.literal('dappled-lattice/plan-sheet'),
  version: z.literal(1),
  plan: z.string().describe('Name of the plan'),
  foils: z
    .array(
      z.strictObject({
        id: z.string().describe('panel/row/column, counted from a stable origin and never renumbered'),
        order: z.int().min(1).describe('Place in the order of work'),
        panel: z.string(),
        row: z.int().min(1).describe("Row from the panel's first parting"),
        column: z.int().describe("Counted outwards from the middle: 1, 2 … on the client's left, −1, −2 … on the right"),
        side: z.enum(['left', 'right']),
        widthMm: z.number().describe('Width of the section along the parting, mm'),
        thicknessMm: z.number().describe('Thickness of the section on the scalp, mm'),
        dropoutMm: z.number().describe('Hair left out behind it, mm'),
        gather: z.enum(['slice', 'weave']),
        stitches: z.int().describe('Stitches picked; 1 for a slice'),
        pickedShare: share.describe("Share of the section's hair that is picked"),
        hairs: z.number().describe('Hairs picked (estimate)'),
        hairGrams: z.number().describe('Weight of the picked hair, g (estimate)'),
        areaMm2: z.number().describe("Skin under the section, mm², integrated over the head's surface"),
        formula: z.string(),
        zone: zone.describe('Zone under the middle of the foil'),
      }),
    )
    .describe('In the order of work'),
  panels: z.array(
    z.strictObject({ panel: z.string(), foils: z.int(), rows: z.int(), areaCm2: z.number().describe('Skin sectioned off, cm²') }),
  ),
  zones: z.array(
    z.strictObject({
      zone,
      areaCm2: z.number(),
      foiledShare: share.describe("Share of the zone's hair that went through foils' sections"),
      lightenedShare: share.describe("Share of the zone's hair that was picked"),
    }),
  ),
  totals: z.strictObject({
    foils: z.int(),
    byGather: z.strictObject({ slice: z.int(), weave: z.int() }),
    byFormula: z.record(z.string(), z.int()),
    foiledShare: share,
    lightenedShare: share,
    hairs: z.number(),
    hairGrams: z.number(),
    foilingMinutes: z.number().describe('First foil to last, minutes (estimate)'),
  }),
  problems: z.array(z.strictObject({ panel: z.string(), problem: z.string() })).describe('Panels that could not be computed, and why'),
});

type DeepReadonly<T> = T extends object ? { readonly [K in keyof T]: DeepReadonly<T[K]> } : T;
type Printed = DeepReadonly<z.infer<typeof sheetSchema>>;
type SameShape = Printed extends Sheet ? (Sheet extends Printed ? true : never) : never;
/** Fails to compile when the schema and the engine's sheet drift apart. */
export const SHEET_SHAPES_AGREE: SameShape = true;

/** Sheets are printed with lengths to 0.01 mm, shares to 0.0001: more digits would claim more than a comb can do. */
export function roundedSheet(sheet: Sheet): Sheet {
  const to = (digits: number) => (value: number) => Number(value.toFixed(digits));
  const two = to(2);
  const four = to(4);
  return {
    ...sheet,
    foils: sheet.foils.map((foil) => ({
      ...foil,
      widthMm: two(foil.widthMm),
      pickedShare: four(foil.pickedShare),
      hairs: Math.round(foil.hairs),
      hairGrams: to(3)(foil.hairGrams),
      areaMm2: two(foil.areaMm2),
    })),
    panels: sheet.panels.map((panel) => ({ ...panel, areaCm2: two(panel.areaCm2) })),
    zones: sheet.zones.map((zone) => ({
      ...zone,
      areaCm2: two(zone.areaCm2),
      foiledShare: four(zone.foiledShare),
      lightenedShare: four(zone.lightenedShare),
    })),
    totals: {
      ...sheet.totals,
      foiledShare: four(sheet.totals.foiledShare),
      lightenedShare: four(sheet.totals.lightenedShare),
      hairs: Math.round(sheet.totals.hairs),
      hairGrams: two(sheet.totals.hairGrams),
      foilingMinutes: to(1)(sheet.totals.foilingMinutes),
    },
  };
}
