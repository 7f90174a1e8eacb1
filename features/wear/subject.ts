import type { Consult } from '@/core/formats';
import { tonerWeeks } from '@/core/growth';
import type { Plan } from '@/core/pattern';
import type { WearSubject } from '@/core/wear';
import { daysBetween } from '../shared';
import type { VisitBundle } from '../visit/types';

/** Washes a week where they were not asked: a toner then lasts about eight weeks. */
const USUAL_WASHES = 2.5;

/** The visit as wear looks at it: the plan, the client's hair and habits, and the light left from the visit before. */
export function subjectOfVisit(consult: Consult, plan: Plan, { growth, previous, heldOn }: Pick<VisitBundle, 'growth' | 'previous' | 'heldOn'>): WearSubject {
  const { mmPerWeek } = growth;
  return {
    plan,
    curl: consult.curl ?? 'straight',
    colour: { naturalLevel: consult.naturalLevel, byZone: consult.map, regrowthMm: consult.regrowthMm, targetLevel: consult.goalLevel, tone: consult.tone },
    mmPerWeek,
    tonerWeeks: tonerWeeks(consult.washesPerWeek ?? USUAL_WASHES),
    shadowMm: consult.rootShadowMm,
    before: previous && { plan: previous.plan, grownMm: (mmPerWeek * daysBetween(previous.heldOn, heldOn)) / 7, grownByZone: consult.regrowthMm },
    tiedShare: consult.wornUpShare ?? 0.4,
    halfUpShare: consult.wornHalfUpShare ?? 0,
    brightnessWish: consult.brightness,
    partMoves: consult.partMoves,
    weeksBetween: consult.weeksBetween,
  };
}
