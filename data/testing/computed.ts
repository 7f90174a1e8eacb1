import { createVisitEngine, factsOf, type ComputedVisit } from '../../core/visit/computed';
import type { Actor } from '../database';
import { readHouse } from '../house';
import { readVisit } from '../visits';

const engine = createVisitEngine();

/** A visit with all that is computed of it, as its pages have it. */
export async function computedVisit(actor: Actor, visitId: string): Promise<ComputedVisit> {
  const visit = (await readVisit(actor, visitId))!;
  return engine.compute(
    {
      consult: visit.consult.document,
      plan: visit.plan.document,
      mix: visit.mix.document,
      outcome: visit.outcome?.document ?? null,
    },
    factsOf(visit, (await readHouse(actor)).document),
  );
}
