import type { ItemsRead } from '@/core/bowl';
import { undercoatsBetween } from '@/core/lift';
import { placeWords } from '@/core/visit';
import type { ComputedVisit } from '@/core/visit/computed';
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
  return visit.ok ? { ok: true, output: printed(outputOf(visit.value)) } : visit;
}

const tenth = (value: number | null) => (value === null ? null : Math.round(value * 10) / 10);
const hundredth = (value: number) => Math.round(value * 100) / 100;
const itemsOf = (read: ItemsRead) =>
  read.ok ? read.items.map(({ name, grams }) => ({ name, grams })) : { problem: read.problem };

function outputOf({ consult, mix, work, colours: { toners, roots, corrections, reached } }: ComputedVisit) {
  const { head, letters, amounts, bowls, lift, units, problems } = work;
  const toner = new Map(toners.map(({ id, result }) => [id, result]));
  return {
    from: consult.naturalLevel,
    to: consult.goalLevel,
    headFactor: {
      factor: hundredth(head.factor),
      low: hundredth(head.low),
      high: hundredth(head.high),
      strandTests: head.readings,
    },
    formulas: letters.map(({ letter, formula, recipe, units: count, foils, notes }) => ({
      letter,
      kind: formula.kind,
      volumes: formula.volumes,
      volumesOnHair: tenth(recipe?.volumes ?? null),
      ratio: formula.ratio,
      units: count,
      foils,
      notes,
    })),
    amounts: amounts.map((amount) => ({
      ...amount,
      net: tenth(amount.net),
      mixed: tenth(amount.mixed),
      developer: tenth(amount.developer),
      volumes: tenth(amount.volumes),
    })),
    bowls: bowls.ok
      ? bowls.bowls.map(
          ({ label, letter, part, foils, others, items, fromMinutes, toMinutes, units: values }) => ({
            bowl: label,
            letter,
            part,
            foils,
            others,
            firstUnit: units[values[0]].id,
            items: itemsOf(items),
            mixAtMinute: tenth(fromMinutes),
            doneAtMinute: tenth(toMinutes),
          }),
        )
      : [],
    ready: lift.map(
      ({
        letter,
        stretch,
        from,
        target,
        ready,
        atLimit,
        limitMinutes,
        oldestBowlMinutes,
        readyFromOldest,
        units: values,
        panels,
      }) => ({
        letter,
        stretch,
        from: tenth(from),
        target,
        units: values.length,
        panels,
        readyMinutes: tenth(ready?.minutes ?? null),
        soonest: tenth(ready?.soonest ?? null),
        latest: tenth(ready?.latest ?? null),
        limitMinutes,
        levelAtLimit: tenth(atLimit.level),
        levelAtLimitLow: tenth(atLimit.low),
        levelAtLimitHigh: tenth(atLimit.high),
        oldestBowlMinutes: tenth(oldestBowlMinutes),
        readyFromOldestBowl: tenth(readyFromOldest),
      }),
    ),
    undercoats: undercoatsBetween(consult.naturalLevel, consult.goalLevel),
    reached: reached.map(({ zone, level, undercoat }) => ({
      zone,
      level: tenth(level),
      exposed: undercoat.exposed,
      neutralisedBy: undercoat.neutralisedBy,
    })),
    toners: mix.toners.map(({ id, place, minutes }) => {
      const where = placeWords(place);
      const result = toner.get(id)!;
      return result.ok
        ? {
            where,
            minutes,
            meetsLevel: tenth(result.meets),
            level: tenth(result.level),
            items: itemsOf(result.items),
            balance: result.toned.balance,
            warmth: Math.round(1000 * result.toned.warmth) / 1000,
            notes: result.notes,
          }
        : { where, problem: result.problem };
    }),
    roots: mix.roots.map(({ place, mm }, i) => {
      const { result } = roots[i];
      const where = placeWords(place);
      return result.ok
        ? { where, mm, level: tenth(result.level), items: itemsOf(result.items), warning: result.warning }
        : { where, mm, problem: result.problem };
    }),
    corrections: corrections.map(({ id, result }) => ({
      id,
      volumesOnHair: tenth(result.volumes),
      level: tenth(result.level),
      items: itemsOf(result.items),
      notes: result.notes,
    })),
    problems: problems.map(({ words }) => words),
  };
}
