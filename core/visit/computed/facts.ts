import type { OnRecord } from '../../caution';
import type { GrowthVisit } from '../../growth';
import type { Plan } from '../../pattern';
import type { Product } from '../../products';
import type { Consult, House, Outcome, VisitMix, WrittenTest } from '..';

/** The documents of a visit that are edited. */
export interface VisitDocuments {
  readonly consult: Consult;
  /** Head and hair are the consultation's, whatever stands in it. */
  readonly plan: Plan;
  readonly mix: VisitMix;
  /** The record, once there is one: what came of the plan counts for how it grows out. */
  readonly outcome: Pick<Outcome, 'zones' | 'levelReached'> | null;
}

/** A recorded visit before this one. */
interface EarlierVisit {
  readonly heldOn: string;
  readonly plan: Plan;
  readonly outcome: Pick<Outcome, 'levelReached'>;
}

/**
 * What a visit is reckoned with beside its documents. All of it is plain data, so that the server's and the
 * page's answers are one.
 */
export interface VisitFacts {
  /** Day of the visit, YYYY-MM-DD. */
  readonly heldOn: string;
  readonly bornOn: string | null;
  readonly house: Pick<
    House,
    'schools' | 'cautions' | 'prices' | 'slotMinutes' | 'clock' | 'measures' | 'opening'
  >;
  /** Products of the house as they are now. */
  readonly range: readonly Product[];
  /** Used against predicted of this visit’s colourist, oldest first. */
  readonly uses: readonly number[];
  readonly tests: readonly WrittenTest[];
  readonly consents: OnRecord['consents'];
  /** The client's other visits as far as growth goes by them. */
  readonly history: readonly GrowthVisit[];
  /** The visit recorded before this one, and the last of them that had foils. */
  readonly previous: EarlierVisit | null;
  readonly foiled: EarlierVisit | null;
}

/** A visit as it is read, of which the facts are taken. */
export interface ReadVisit extends Pick<
  VisitFacts,
  'heldOn' | 'range' | 'uses' | 'history' | 'previous' | 'foiled'
> {
  readonly client: { readonly bornOn: string | null };
  readonly safety: Pick<VisitFacts, 'tests' | 'consents'>;
}

/** The facts of a visit, the same for the page that shows it and the server that decides on it. */
export function factsOf(
  { heldOn, client, range, uses, safety, history, previous, foiled }: ReadVisit,
  house: VisitFacts['house'],
): VisitFacts {
  return {
    heldOn,
    bornOn: client.bornOn,
    house,
    range,
    uses,
    tests: safety.tests,
    consents: safety.consents,
    history,
    previous,
    foiled,
  };
}
