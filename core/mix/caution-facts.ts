import type { CautionedFormula, MixCautionFacts } from '../caution';
import type { Consult } from '../formats';
import type { ComputedPlan, Plan } from '../pattern';
import { fragileIn, lightenedIn, type VisitMixed } from './visit';
import type { VisitMix } from './visit-mix';

/** What the cautions of a visit rest on, of all that is mixed for it. */
export function cautionFactsOf({ consult, plan, computed, mix }: { consult: Consult; plan: Plan; computed: Pick<ComputedPlan, 'sheet'>; mix: VisitMix }, mixed: VisitMixed): MixCautionFacts {
  const formulas: Record<string, CautionedFormula> = {};
  for (const { letter, formula } of mixed.formulas) {
    formulas[letter] = formula.kind === 'lift'
      ? { volumes: Math.max(formula.volumes, formula.ends?.volumes ?? 0), lifts: true, heat: formula.heat, reach: formula.reach }
      : { volumes: formula.volumes, lifts: false, heat: false, reach: 'ends' };
  }
  const onScalp = [
    ...(mix.root ? [{ what: 'root colour', volumes: mix.root.volumes }] : []),
    ...mix.toners.filter(({ where }) => where === 'all' || where === 'roots').map(({ volumes }) => ({ what: 'toner', volumes })),
  ];
  const timed = [
    ...mix.toners.map(({ line, minutes }) => ({ what: 'toner', minutes, limit: mixed.shelf.line(line)?.minutes.most ?? Infinity })),
    ...(mix.root ? [{ what: 'root colour', minutes: mix.root.minutes, limit: mixed.shelf.line(mix.root.line)?.minutes.most ?? Infinity }] : []),
  ];
  return {
    plan, foils: [...computed.sheet.foils, ...computed.sheet.painted], formulas, onScalp,
    fragileZones: fragileIn(consult), lightenedZones: lightenedIn(consult), regrowthMm: consult.regrowthMm,
    tooLong: timed.filter(({ minutes, limit }) => minutes > limit),
    rootWarning: mixed.root?.ok ? mixed.root.warning : null,
    oldestBowl: Math.max(0, ...mixed.mixed.panels.map(({ oldestBowlMinutes }) => oldestBowlMinutes)),
  };
}
