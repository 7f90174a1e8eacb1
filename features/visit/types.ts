import type { UsedMix } from '@/core/chair';
import type { ClientAnswers } from '@/core/consult';
import type { GrowthVisit } from '@/core/growth';
import type { Plan } from '@/core/pattern';
import type { Product } from '@/core/products';
import type { Consult, Outcome, VisitMix } from '@/core/visit';
import type { Safety } from '../safety/queries';

/** The documents of a visit that are edited and saved apart. */
export const VISIT_PARTS = ['consult', 'plan', 'mix', 'outcome'] as const;
export type VisitPart = (typeof VISIT_PARTS)[number];

/** A document with the revision that the next edit must be based on. */
export interface Revised<T> {
  readonly revision: number;
  readonly document: T;
}

/** A visit as the interface holds it; the server's reads have this shape. */
export interface VisitBundle {
  readonly id: string;
  /** When the server read it, ms. */
  readonly readAt: number;
  readonly heldOn: string;
  readonly client: {
    readonly id: string;
    readonly name: string;
    readonly note: string;
    readonly bornOn: string | null;
  };
  readonly personName: string;
  readonly salonName: string;
  readonly consult: Revised<Consult>;
  readonly plan: Revised<Plan>;
  readonly mix: Revised<VisitMix>;
  /** Products of the house. */
  readonly range: readonly Product[];
  /** Used against predicted of this visit’s colourist, oldest first. */
  readonly uses: readonly number[];
  readonly outcome: Revised<Outcome> | null;
  readonly drafts: readonly {
    readonly part: VisitPart;
    readonly editId: string;
    readonly document: unknown;
    readonly keptAt: string;
  }[];
  readonly previous: {
    readonly heldOn: string;
    readonly outcome: Outcome;
    readonly consult: Consult;
    readonly plan: Plan;
  } | null;
  /**
   * The last recorded visit before this one that had foils: the same, unless only a toner was put on since.
   */
  readonly foiled: { readonly heldOn: string; readonly outcome: Outcome; readonly plan: Plan } | null;
  /** When the service began; null before. */
  readonly begunAt: string | null;
  /** What of the mix was used at the service that runs. */
  readonly used: UsedMix;
  readonly safety: Safety;
  /** What the client answered on their own page and nobody took over yet. */
  readonly answers: {
    readonly id: string;
    readonly document: ClientAnswers;
    readonly changedAt: string;
    readonly sentAt: string | null;
  } | null;
  /** The client’s other visits, as far as growth goes by them. */
  readonly history: readonly GrowthVisit[];
  readonly signOff: {
    readonly signed: { readonly at: string; readonly by: string } | null;
    readonly addenda: readonly {
      readonly id: string;
      readonly at: string;
      readonly by: string;
      readonly words: string;
    }[];
  };
}

/** What is edited and undone together. */
export interface VisitWork {
  readonly consult: Consult;
  readonly plan: Plan;
  readonly mix: VisitMix;
}
