import 'server-only';
import {
  accuracyOf,
  handLift,
  paceOf,
  pacePercent,
  productSpeed,
  type Accuracy,
  type Compared,
  type Lifted,
  type Pace,
} from '@/core/learn';
import { productsOf } from '@/core/products';
import { learntOf } from '@/data/learnt';
import { readProducts } from '@/data/products';
import { requirePerson } from '../session/current';
import type { SignedIn } from '../session/signed-in';

/** What is learnt of one person. */
export interface LearntPerson {
  readonly id: string;
  readonly name: string;
  readonly since: string | null;
  readonly pace: readonly Pace[];
  readonly percent: number;
  readonly foils: number;
  readonly grams: Accuracy | null;
  /** Used against estimated, hundredths; null without a visit. */
  readonly use: number | null;
  /** Lift in their foils against the estimate. */
  readonly lift: Lifted;
}

/** What is learnt of a lightener. */
export interface LearntProduct {
  readonly id: string;
  readonly name: string;
  /** The speed that is reckoned with. */
  readonly set: number;
  readonly speed: Lifted;
  readonly since: string | null;
}

export interface LearntFacts {
  readonly services: number;
  readonly people: readonly LearntPerson[];
  /** Lighteners of the house; those of which something is learnt first. */
  readonly products: readonly LearntProduct[];
  readonly levels: readonly Compared[];
  readonly minutes: readonly Compared[];
  readonly grams: readonly Compared[];
  readonly accuracy: {
    readonly levels: Accuracy | null;
    readonly minutes: Accuracy | null;
    readonly grams: Accuracy | null;
  };
  readonly ownId: string;
  readonly owner: boolean;
}

/** What the records teach: one's own for everybody, of all people for the owner. */
export async function loadLearnt(): Promise<LearntFacts> {
  const person = await requirePerson();
  const owner = person.role === 'owner';
  const [{ people, services, pace, levels, lifts, productsSince, minutes, grams }, range] = await Promise.all(
    [learntOf(person), readProducts(person)],
  );
  return {
    services,
    levels,
    minutes,
    grams,
    owner,
    ownId: person.personId,
    accuracy: { levels: accuracyOf(levels), minutes: accuracyOf(minutes), grams: accuracyOf(grams) },
    products: productsOf(range.document.products, 'lightener', 'high-lift')
      .map(({ id, name, speed }): LearntProduct => ({
        id,
        name,
        set: speed,
        speed: productSpeed(lifts, id, speed),
        since: productsSince[id] ?? null,
      }))
      .sort((a, b) => b.speed.readings - a.speed.readings),
    people: people
      .filter(({ id }) => owner || id === person.personId)
      .map(({ id, name, since }): LearntPerson => {
        const own = grams.filter((one) => one.person === name);
        const sum = (of: 'estimated' | 'reached') => own.reduce((all, one) => all + one[of], 0);
        return {
          id,
          name,
          since,
          pace: paceOf(pace, name),
          ...pacePercent(pace, name),
          grams: accuracyOf(own),
          lift: handLift(lifts, name),
          use: sum('estimated') > 0 ? Math.round((100 * sum('reached')) / sum('estimated')) : null,
        };
      }),
  };
}

/** One's own pace, hundredths of the usual. */
export async function ownPace(person: SignedIn): Promise<{
  readonly percent: number;
  readonly foils: number;
  readonly name: string;
}> {
  const { pace } = await learntOf(person);
  return { ...pacePercent(pace, person.personName), name: person.personName };
}
