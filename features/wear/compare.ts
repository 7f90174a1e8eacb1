import { planOf, techniqueOf, TECHNIQUES, type Technique } from '@/core/technique';
import type { Letters } from '@/core/work';
import { bareOf, NO_LETTERS, type WearSubject } from '@/core/wear';

/** What the pattern is laid beside: nothing, itself today, the last visit's, or one of the library's. */
export type ComparisonKey = 'none' | 'before' | 'today' | 'last' | `pattern ${string}`;
export const NO_COMPARISON: ComparisonKey = 'none';

/** What the letters of a built-in pattern are meant to do. */
const lettersOf = ({ deposits = [] }: Technique): Letters => ({
  facts: deposits.map((letter) => ({ letter, lifts: false, reach: 'ends', endsMm: 0 })),
  lowlight: deposits[0] ?? null,
});

/** A subject at a number of weeks, and how it is called. */
export interface Compared {
  readonly words: string;
  readonly subject: WearSubject;
  readonly weeks: number;
}

export function comparisonsFor(
  { before }: WearSubject,
  weeks: number,
): { value: ComparisonKey; words: string }[] {
  return [
    { value: 'none', words: 'nothing' },
    { value: 'before', words: 'before the visit' },
    ...(weeks > 0 ? [{ value: 'today' as const, words: 'today' }] : []),
    ...(before ? [{ value: 'last' as const, words: 'last visit’s pattern' }] : []),
    ...TECHNIQUES.map(({ key, name }) => ({ value: `pattern ${key}` as const, words: name })),
  ];
}

export function comparedWith(key: ComparisonKey, subject: WearSubject, weeks: number): Compared | undefined {
  if (key === 'none' || (key === 'today' && weeks === 0)) return undefined;
  if (key === 'before') return { words: 'Before the visit', subject: bareOf(subject), weeks: 0 };
  if (key === 'today') return { words: 'Today', subject, weeks: 0 };
  const { plan, before } = subject;
  if (key === 'last')
    return before
      ? {
          words: 'Last visit’s pattern',
          subject: {
            ...subject,
            plan: { ...before.plan, head: plan.head, hair: plan.hair },
            before: null,
            letters: NO_LETTERS,
            levels: {},
            usualLevel: before.level,
            done: null,
          },
          weeks,
        }
      : undefined;
  const technique = techniqueOf(key.slice('pattern '.length));
  return (
    technique && {
      words: technique.name,
      subject: {
        ...subject,
        plan: { ...planOf(technique), head: plan.head, hair: plan.hair, foil: plan.foil },
        letters: lettersOf(technique),
        levels: {},
        done: null,
      },
      weeks,
    }
  );
}
