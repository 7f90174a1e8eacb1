import type { PricedVisit } from '../fee';
import type { ComputedPlan, Plan } from '../pattern';
import type { VisitMixed } from './visit';
import type { VisitMix } from './visit-mix';

/** What the price of a visit goes by. */
export function pricedVisit({ plan, computed, mix }: { plan: Plan; computed: Pick<ComputedPlan, 'sheet'>; mix: VisitMix }, mixed: VisitMixed): PricedVisit {
  const { foils, foilingMinutes } = computed.sheet.totals;
  return {
    // A section painted in the open air is charged as a foil is.
    foils: foils + computed.sheet.painted.length, foilingMinutes, bowls: mixed.bowls.ok ? mixed.bowls.bowls.length : 0, toners: mix.toners.length, root: mix.root !== null,
    lengthMm: plan.hair.lengthMm, densityPerCm2: plan.hair.densityPerCm2, addOns: mix.money.addOns, materialsMinor: mixed.materialsMinor,
  };
}
