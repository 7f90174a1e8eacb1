import type { GrowthVisit } from '../growth';
import { takenOf, type Consult, type Outcome } from '../visit';

/** What growth rests on, of visits in any order; a visit without a record is still open. */
export function growthVisits(
  visits: readonly {
    readonly heldOn: string;
    readonly consult: Pick<Consult, 'regrowthMm'>;
    readonly outcome: Pick<Outcome, 'zones'> | null;
  }[],
): GrowthVisit[] {
  return visits.map(({ heldOn, consult, outcome }) => ({
    on: heldOn,
    regrowthMm: consult.regrowthMm,
    taken: outcome === null ? 'open' : takenOf(outcome.zones),
  }));
}
