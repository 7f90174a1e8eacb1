import { netGrams, paintedOf, type Painted } from '../bowl';
import { foilSeconds, MINUTES_PER_PANEL_CHANGE, SECONDS_PER_PAINTED_SECTION } from '../clock';
import type { Zone } from '../head';
import type { ComputedPlan, Foil, PaintedSection, Panel, Plan, TreatedDropout } from '../pattern';

/** One thing that product is put on, in the order of work: a foil, a section painted in the open air, or a treated drop-out. */
export interface WorkUnit {
  readonly kind: 'foil' | 'open-air' | 'tip-out' | 'lowlight';
  /** Index into the sheet's own list of its kind. */
  readonly index: number;
  readonly panel: Panel;
  readonly formula: string;
  /** Zone under its middle; null for drop-outs, which lie across zones. */
  readonly zone: Zone | null;
  readonly fromMinutes: number;
  readonly toMinutes: number;
  readonly hair: Pick<Foil, 'widthMm' | 'gather' | 'hairGrams' | 'pickedShare'>;
}

/** Tips of a drop-out are painted over this share of the length. Working assumption. */
export const TIPS = 1 / 3;

/**
 * The work of a plan in its order, with the minutes at the usual pace. Treated drop-outs are painted with the panel that they
 * lie in; lowlights among them need a formula that deposits.
 * @param lowlight its letter; null where none deposits: lowlit drop-outs are then left out
 */
export function workOf(plan: Plan, { sheet }: Pick<ComputedPlan, 'sheet'>, lowlight: string | null): WorkUnit[] {
  const out: WorkUnit[] = [];
  const foils = indexed(sheet.foils);
  const painted = indexed(sheet.painted);
  const dropouts = indexed(sheet.dropouts);
  let at = 0;
  for (const panel of plan.panels) {
    const own = [
      ...(foils.get(panel.id) ?? []).map(({ value, index }) => ({ value, index, kind: 'foil' as const, seconds: foilSeconds({ gather: value.gather, panel: panel.id, teasing: panel.start.teasing }) })),
      ...(painted.get(panel.id) ?? []).map(({ value, index }) => ({ value, index, kind: 'open-air' as const, seconds: SECONDS_PER_PAINTED_SECTION })),
    ];
    if (own.length === 0) continue;
    if (out.length > 0) at += MINUTES_PER_PANEL_CHANGE;
    for (const { value, index, kind, seconds } of own) {
      const { formula, zone } = value;
      out.push({ kind, index, panel, formula, zone, hair: value, fromMinutes: at, toMinutes: at + seconds / 60 });
      at += seconds / 60;
    }
    for (const { value, index } of dropouts.get(panel.id) ?? []) {
      const formula = value.treatment === 'lowlight' ? lowlight : panel.formula;
      // Painted along with the panel: it takes no time of its own in the estimate.
      if (formula !== null) out.push({ kind: value.treatment, index, panel, formula, zone: null, hair: { widthMm: value.widthMm, gather: 'slice', hairGrams: value.hairGrams, pickedShare: 1 }, fromMinutes: at, toMinutes: at });
    }
  }
  return out;
}

function indexed<T extends Foil | PaintedSection | TreatedDropout>(values: readonly T[]): Map<string, { value: T; index: number }[]> {
  const out = new Map<string, { value: T; index: number }[]>();
  values.forEach((value, index) => out.set(value.panel, [...(out.get(value.panel) ?? []), { value, index }]));
  return out;
}

export interface UnitAmount {
  /** Grams that it takes (estimate). */
  readonly net: number;
  /** Share of them that the ends' own mix takes, 0–1. */
  readonly endsShare: number;
}

/** What is painted, and with which mix. @param regrowthMm since the zone was last taken to the root; undefined where it was not measured */
export function amountOf(unit: WorkUnit, recipe: { ends?: { lastMm: number } | null; reach?: 'ends' | 'regrowth' }, hairMm: number, regrowthMm: number | undefined): UnitAmount {
  const whole = paintedOf(unit.hair, unit.panel, hairMm);
  const painted = stretchOf(unit, whole, recipe.reach ?? 'ends', hairMm, regrowthMm);
  const endsMm = unit.kind === 'foil' || unit.kind === 'open-air' ? Math.min(painted.lengthMm, painted === whole ? (recipe.ends?.lastMm ?? 0) : 0) : 0;
  return { net: netGrams(painted), endsShare: painted.lengthMm > 0 ? endsMm / painted.lengthMm : 0 };
}

function stretchOf({ kind }: WorkUnit, whole: Painted, reach: 'ends' | 'regrowth', hairMm: number, regrowthMm: number | undefined): Painted {
  const to = (lengthMm: number): Painted => ({ ...whole, lengthMm, hairGrams: whole.lengthMm > 0 ? (whole.hairGrams * lengthMm) / whole.lengthMm : 0 });
  if (kind === 'tip-out') return to(hairMm * TIPS);
  // Only what has grown; the start and half of the feather are left free as ever.
  if (reach === 'regrowth' && regrowthMm !== undefined && regrowthMm < hairMm) return to(Math.max(0, Math.min(whole.lengthMm, regrowthMm - (hairMm - whole.lengthMm))));
  return whole;
}
