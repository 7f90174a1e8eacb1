import type { ServiceState } from '../chair';
import type { ServiceStep } from '../steps';
import type { VisitMix } from '../visit';
import type { WorkList } from '../work';

/** What a visit took out of the house's stock, by product: grams, and sheets of foil. */
export type StockUsed = Readonly<Record<string, number>>;

interface Facts {
  readonly work: Pick<WorkList, 'bowls' | 'units'>;
  readonly mix: Pick<VisitMix, 'weighed'>;
  /** What follows the foils, as it is planned. */
  readonly steps: readonly ServiceStep[];
  /** What else is needed and is no step: barrier cream. */
  readonly before: readonly ServiceStep['items'][];
  /** Sheets of foil that were planned, and of which product; null where the house keeps none. */
  readonly foil: { readonly product: string; readonly sheets: number } | null;
  /** The service as it was carried out; null where it was recorded by hand. */
  readonly service: Pick<ServiceState, 'bowls' | 'blocks' | 'steps'> | null;
}

/**
 * What was used: as it was weighed, else as it was planned. Of a service at the chair only bowls that were
 * mixed and steps that
 * were done count, those that were added among them; sheets go with the foils that were placed.
 */
export function stockUsed({ work, mix, steps, before, foil, service }: Facts): StockUsed {
  const used = new Map<string, number>();
  const add = (product: string, grams: number) => used.set(product, (used.get(product) ?? 0) + grams);
  const mixed = service && countOf(service.bowls.map((bowl) => bowl.mix));
  for (const { label, mix: name, items } of work.bowls.ok ? work.bowls.bowls : []) {
    if (!items.ok) continue;
    // Bowls that were not mixed are the last ones of their name.
    if (mixed && Number(label.slice(name.length + 1)) > (mixed.get(name) ?? 0)) continue;
    for (const { product, grams } of items.items)
      add(product, mix.weighed.find(({ item }) => item === `${label}/${product}`)?.grams ?? grams);
  }
  const done = service
    ? service.steps.flatMap(({ step, begunAt }) => (begunAt === null ? [] : [step]))
    : steps;
  for (const items of [...done.map((step) => step.items), ...before])
    if (items?.ok) for (const { product, grams } of items.items) add(product, grams);
  if (foil && foil.sheets > 0) add(foil.product, Math.round(foil.sheets * placedShare(work, service)));
  return Object.fromEntries(
    [...used]
      .map(([product, amount]) => [product, Math.round(10 * amount) / 10] as const)
      .filter(([, amount]) => amount > 0),
  );
}

/** Share of the planned foils that were placed; more where some were added. */
function placedShare({ units }: Facts['work'], service: Facts['service']): number {
  const planned = units.filter(({ laidWith }) => laidWith === 'foil').length;
  if (!service || planned === 0) return 1;
  return (
    service.blocks
      .flatMap((block) => block.units)
      .filter(({ unit, closedAt }) => unit.laidWith === 'foil' && closedAt !== null).length / planned
  );
}

function countOf(names: readonly string[]): Map<string, number> {
  const out = new Map<string, number>();
  for (const own of names) out.set(own, (out.get(own) ?? 0) + 1);
  return out;
}
