import 'server-only';
import { accuracyOf, paceOf, pacePercent, type Accuracy, type Compared, type Pace } from '@/core/learn';
import { learntOf } from '@/data/learnt';
import { currentPerson, requirePerson } from '../session/current';

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
}

export interface LearntFacts {
  readonly services: number;
  readonly people: readonly LearntPerson[];
  readonly levels: readonly Compared[];
  readonly minutes: readonly Compared[];
  readonly grams: readonly Compared[];
  readonly accuracy: { readonly levels: Accuracy | null; readonly minutes: Accuracy | null; readonly grams: Accuracy | null };
  readonly ownId: string;
  readonly owner: boolean;
}

/** What the records teach: one's own for everybody, of all people for the owner. */
export async function loadLearnt(): Promise<LearntFacts> {
  const person = await requirePerson();
  const owner = person.role === 'owner';
  const { people, services, pace, levels, minutes, grams } = await learntOf(person);
  return {
    services, levels, minutes, grams, owner, ownId: person.personId, accuracy: { levels: accuracyOf(levels), minutes: accuracyOf(minutes), grams: accuracyOf(grams) },
    people: people.filter(({ id }) => owner || id === person.personId).map(({ id, name, since }): LearntPerson => {
      const own = grams.filter((one) => one.person === name);
      const sum = (of: 'estimated' | 'reached') => own.reduce((all, one) => all + one[of], 0);
      return { id, name, since, pace: paceOf(pace, name), ...pacePercent(pace, name), grams: accuracyOf(own), use: sum('estimated') > 0 ? Math.round((100 * sum('reached')) / sum('estimated')) : null };
    }),
  };
}

/** One's own pace, hundredths of the usual; null where nobody is signed in. */
export async function ownPace(): Promise<{ readonly percent: number; readonly foils: number; readonly name: string } | null> {
  const person = await currentPerson();
  if (!person) return null;
  const { pace } = await learntOf(person);
  return { ...pacePercent(pace, person.personName), name: person.personName };
}
