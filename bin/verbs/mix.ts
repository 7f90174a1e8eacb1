import { undercoatsBetween } from '@/core/lift';
import type { ItemsRead, VisitMix, VisitMixed } from '@/core/mix';
import type { ComputedPlan } from '@/core/pattern';
import { MIX_HELP, mixedPlan } from './mixed-plan';
import { printed, type Verb, type VerbResult } from './verb';

/** `mix FILE.json`: what a plan takes in the bowl, when it is ready and how it is toned, as JSON. */
export const mixVerb: Verb = {
  name: 'mix',
  usage: 'mix FILE.json [--from L] [--to L] [--mix MIX.json] [--volumes V] [--ratio R]',
  summary: 'prints amounts, strength, bowls, lift and tone of a plan (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    ...MIX_HELP,
    'Estimates: follow the product’s leaflet, local rules and licensed judgement.',
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const visit = await mixedPlan('mix', args);
  if (!visit.ok) return visit;
  const { mixed, mix, computed, from, to } = visit.value;
  return { ok: true, output: printed(outputOf(mixed, mix, computed, from, to)) };
}

const tenth = (value: number | null) => (value === null ? null : Math.round(value * 10) / 10);
const hundredth = (value: number) => Math.round(value * 100) / 100;
const itemsOf = (read: ItemsRead) => (read.ok ? read.items.map(({ name, grams }) => ({ name, grams })) : { problem: read.problem });

function outputOf({ head, mixed, bowls, toners, root, corrections, formulas, reached }: VisitMixed, mix: VisitMix, { sheet }: ComputedPlan, from: number, to: number) {
  const toner = new Map(toners.map(({ id, result }) => [id, result]));
  const idOf = (label: string) => {
    const first = mixed.bowls.ok ? mixed.bowls.bowls.find((own) => own.label === label)!.work[0] : 0;
    const { kind, index } = mixed.work[first];
    return { foil: sheet.foils, 'open-air': sheet.painted, 'tip-out': sheet.dropouts, lowlight: sheet.dropouts }[kind][index].id;
  };
  return {
    from, to, headFactor: { factor: hundredth(head.factor), low: hundredth(head.low), high: hundredth(head.high), strandTests: head.readings },
    formulas: formulas.map(({ letter, formula, recipe, notes }) => ({ letter, kind: formula.kind, volumes: formula.volumes, volumesOnHair: tenth(recipe!.volumes), ratio: formula.ratio, notes })),
    amounts: mixed.amounts.map((own) => ({ ...own, net: tenth(own.net), mixed: tenth(own.mixed), developer: tenth(own.developer), volumes: tenth(own.volumes) })),
    bowls: bowls.ok
      ? bowls.bowls.map(({ label, formula, stretch, foils, others, items, fromMinutes, toMinutes }) => ({
          bowl: label, formula, stretch, foils, others, firstFoil: idOf(label), items: itemsOf(items), mixAtMinute: tenth(fromMinutes), doneAtMinute: tenth(toMinutes),
        }))
      : [],
    panels: mixed.panels.map(({ panel, formula, stretch, target, ready, atLimit, oldestBowlMinutes, readyFromOldest }) => ({
      panel, formula, stretch, target, readyMinutes: tenth(ready?.minutes ?? null), soonest: tenth(ready?.soonest ?? null), latest: tenth(ready?.latest ?? null),
      levelAtLimit: tenth(atLimit.level), levelAtLimitLow: tenth(atLimit.low), levelAtLimitHigh: tenth(atLimit.high), oldestBowlMinutes: tenth(oldestBowlMinutes), readyFromOldestBowl: tenth(readyFromOldest),
    })),
    undercoats: undercoatsBetween(from, to),
    reached: reached.map(({ zone, level, undercoat }) => ({ zone, level: tenth(level), exposed: undercoat.exposed, neutralisedBy: undercoat.neutralisedBy })),
    toners: mix.toners.map(({ id, where, minutes }) => {
      const result = toner.get(id)!;
      return result.ok
        ? { where, minutes, meetsLevel: tenth(result.meets), level: tenth(result.level), items: itemsOf(result.items), balance: result.toned.balance, warmth: Math.round(1000 * result.toned.warmth) / 1000, notes: result.notes }
        : { where, problem: result.problem };
    }),
    root: root && (root.ok ? { level: tenth(root.level), items: itemsOf(root.items), warning: root.warning } : { problem: root.problem }),
    corrections: corrections.map(({ id, result }) => ({ id, volumesOnHair: tenth(result.volumes), level: tenth(result.level), items: itemsOf(result.items), notes: result.notes })),
  };
}
