'use client';

import { useMemo } from 'react';
import type { Consult } from '@/core/formats';
import { tonerWeeks } from '@/core/growth';
import { levelWhere } from '@/core/mix';
import type { Plan } from '@/core/pattern';
import type { WearSubject } from '@/core/wear';
import { useMixed } from '../mix/mixed';
import { daysBetween } from '../shared';
import { useVisit } from '../visit/store';
import type { VisitBundle } from '../visit/types';

/** Washes a week where they were not asked: a toner then lasts about eight weeks. */
const USUAL_WASHES = 2.5;

/** What the mix says of the light: the level that it is expected to come to, and which formulas deposit. */
interface MixedLight {
  readonly level: number | null;
  readonly deposits: readonly string[];
}

/** The visit as wear looks at it: the plan, the client's hair and habits, its mixes, and the light left from the visit before. */
export function subjectOfVisit(consult: Consult, plan: Plan, { growth, foiled, heldOn }: Pick<VisitBundle, 'growth' | 'foiled' | 'heldOn'>, { level, deposits }: MixedLight): WearSubject {
  const { mmPerWeek } = growth;
  return {
    plan,
    curl: consult.curl ?? 'straight',
    colour: { naturalLevel: consult.naturalLevel, byZone: consult.map, regrowthMm: consult.regrowthMm, targetLevel: level ?? consult.goalLevel, tone: consult.tone },
    mmPerWeek,
    tonerWeeks: tonerWeeks(consult.washesPerWeek ?? USUAL_WASHES),
    shadowMm: consult.rootShadowMm,
    deposits,
    before: foiled && { plan: foiled.plan, grownMm: (mmPerWeek * daysBetween(foiled.heldOn, heldOn)) / 7, grownByZone: consult.regrowthMm },
    tiedShare: consult.wornUpShare ?? 0.4,
    halfUpShare: consult.wornHalfUpShare ?? 0,
    brightnessWish: consult.brightness,
    partMoves: consult.partMoves,
    weeksBetween: consult.weeksBetween,
  };
}

/** The open visit as wear looks at it, with a plan of it. An edit of the mix counts only where it changes what is seen. */
export function useWearSubject(plan: Plan): WearSubject {
  const { consult, bundle } = useVisit();
  const { mixed } = useMixed();
  const reached = levelWhere('all', mixed.reached);
  // To the tenth of a level: less is not seen.
  const level = reached === null ? null : Math.round(reached * 10) / 10;
  const letters = mixed.formulas.filter(({ formula }) => formula.kind === 'deposit').map(({ letter }) => letter).join('');
  return useMemo(() => subjectOfVisit(consult, plan, bundle, { level, deposits: [...letters] }), [consult, plan, bundle, level, letters]);
}
