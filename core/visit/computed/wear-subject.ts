import { entriesOf } from '../../units';
import { tonerWeeks, weeksBetween } from '../../growth';
import { ZONES } from '../../head';
import type { Plan } from '../../pattern';
import type { ZonesDone } from '../../record';
import { USUAL_CUT, type WearSubject } from '../../wear';
import type { Letters } from '../../work';
import { shadowOf, type Consult, type VisitMix } from '..';
import type { VisitDocuments, VisitFacts } from './facts';
import type { VisitGrowth } from './growth';

/** Washes a week where they were not asked: a toner then lasts about eight weeks. */
export const USUAL_WASHES = 2.5;
/** Share of the time that hair is worn up where it was not asked. */
const USUAL_UP = 0.4;

interface Facts {
  readonly consult: Consult;
  readonly mix: VisitMix;
  readonly plan: Plan;
  readonly growth: VisitGrowth;
  /** Level that each unit reaches, by its id. */
  readonly levels: Readonly<Record<string, number>>;
  readonly letters: Letters;
  /** The record, and what the plan does to each zone. */
  readonly done: VisitDocuments['outcome'];
  readonly planned: ZonesDone;
  readonly facts: Pick<VisitFacts, 'foiled' | 'heldOn'>;
}

/**
 * The visit as wear looks at it: the plan, the client's hair and habits, its mixes, and the light left from
 * the visit before.
 */
export function wearSubjectOf({
  consult,
  mix,
  plan,
  growth,
  levels,
  letters,
  done,
  planned,
  facts: { foiled, heldOn },
}: Facts): WearSubject {
  const { mmPerWeek } = growth.rate;
  return {
    plan,
    curl: consult.curl ?? 'straight',
    cut: consult.cut ?? USUAL_CUT,
    colour: {
      naturalLevel: consult.naturalLevel,
      byZone: consult.map,
      regrowthMm: growth.regrowthMm,
      targetLevel: consult.goalLevel,
      tone: consult.tone,
    },
    swatches: consult.swatches,
    mmPerWeek,
    tonerWeeks: tonerWeeks(consult.washesPerWeek ?? USUAL_WASHES),
    shadowMm: shadowOf(mix)?.mm ?? null,
    letters,
    levels,
    usualLevel: usualOf(levels) ?? consult.goalLevel,
    done: done && doneIn(done, planned),
    before: foiled && {
      plan: foiled.plan,
      level: foiled.outcome.levelReached,
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

/** Mean of the levels that units reach: what another pattern with the same mix would come to. */
function usualOf(levels: Readonly<Record<string, number>>): number | null {
  const all = Object.values(levels);
  return all.length === 0 ? null : all.reduce((sum, level) => sum + level, 0) / all.length;
}

/**
 * A record as wear reads it, against what was planned; one from before zones were kept says the same of all
 * of them.
 */
function doneIn(
  { zones, levelReached }: NonNullable<VisitDocuments['outcome']>,
  planned: ZonesDone,
): NonNullable<WearSubject['done']> {
  if (zones === null)
    return Object.fromEntries(ZONES.map((zone) => [zone, { byMm: 0, level: levelReached }]));
  const own = entriesOf(zones);
  return Object.fromEntries(
    own.map(([zone, { leftMm, level }]) => {
      const meant = planned[zone];
      return [zone, { byMm: leftMm === null || !meant ? 0 : leftMm - Math.round(meant.leftMm), level }];
    }),
  );
}
