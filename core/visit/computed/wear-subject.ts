import { tonerWeeks, weeksBetween } from '../../growth';
import { levelWhere, type Reached } from '../../mix';
import type { Plan } from '../../pattern';
import type { WearSubject } from '../../wear';
import type { Letters } from '../../work';
import { EVERYWHERE, shadowOf, type Consult, type VisitMix } from '..';
import type { VisitFacts } from './facts';
import type { VisitGrowth } from './growth';

/** Washes a week where they were not asked: a toner then lasts about eight weeks. */
const USUAL_WASHES = 2.5;
/** Share of the time that hair is worn up where it was not asked. */
const USUAL_UP = 0.4;

interface Facts {
  readonly consult: Consult;
  readonly mix: VisitMix;
  readonly plan: Plan;
  readonly growth: VisitGrowth;
  readonly reached: readonly Reached[];
  readonly letters: Letters;
  readonly facts: Pick<VisitFacts, 'foiled' | 'heldOn'>;
}

/** The visit as wear looks at it: the plan, the client's hair and habits, its mixes, and the light left from the visit before. */
export function wearSubjectOf({
  consult,
  mix,
  plan,
  growth,
  reached,
  letters,
  facts: { foiled, heldOn },
}: Facts): WearSubject {
  const { mmPerWeek } = growth.rate;
  const level = levelWhere(EVERYWHERE, reached);
  return {
    plan,
    curl: consult.curl ?? 'straight',
    // To the tenth of a level: less is not seen.
    colour: {
      naturalLevel: consult.naturalLevel,
      byZone: consult.map,
      regrowthMm: growth.regrowthMm,
      targetLevel: level === null ? consult.goalLevel : Math.round(level * 10) / 10,
      tone: consult.tone,
    },
    mmPerWeek,
    tonerWeeks: tonerWeeks(consult.washesPerWeek ?? USUAL_WASHES),
    shadowMm: shadowOf(mix)?.mm ?? null,
    letters,
    before: foiled && {
      plan: foiled.plan,
      grownMm: mmPerWeek * weeksBetween(foiled.heldOn, heldOn),
      grownByZone: growth.regrowthMm,
    },
    tiedShare: consult.wornUpShare ?? USUAL_UP,
    halfUpShare: consult.wornHalfUpShare ?? 0,
    brightnessWish: consult.brightness,
    partMoves: consult.partMoves,
    weeksBetween: consult.weeksBetween,
  };
}
