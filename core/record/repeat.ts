import type { Served } from '../chair';
import { recipeWords, STEP_HAIR_WORDS, type TimedStep } from '../steps';
import { formatLevel } from '../units';
import type { Outcome, VisitMix } from '../visit';
import type { WorkList } from '../work';
import { mixedLines, unitsSaid } from './mixed';

interface RepeatFacts {
  readonly mix: VisitMix;
  readonly work: WorkList;
  /** What follows the foils, with its bowls. */
  readonly after: readonly TimedStep[];
  /** The service as it was carried out; null where it was not at the chair. */
  readonly served: Served | null;
  readonly record: Pick<Outcome, 'levelReached' | 'said'> | null;
  /** Says a sentence in the units of the house. */
  readonly say: (text: string) => string;
}

/**
 * What an exact repeat needs beside the partings: each formula with its developer, grams and time on, toner
 * and root with their
 * parts and minutes, the level reached, what the client said. Lines of text; as planned where nothing was
 * timed or weighed.
 */
export function repeatLines({ mix, work, after, served, record, say }: RepeatFacts): string[] {
  const planned = [
    ...mixedLines(work, mix, served).map(({ letter, words, endsWords, units, grams, on }) => {
      const taken =
        grams.done === null ? `about ${Math.round(grams.planned)} g` : `${Math.round(grams.done)} g taken`;
      return `${letter}: ${words}${endsWords ? `; ends ${endsWords}` : ''}; ${unitsSaid(units)}, ${taken}${on ? `, on ${Math.round(on.longest)} min at most` : ''}.`;
    }),
    ...(served
      ? stepsDone(served)
      : after.flatMap(({ step, words, from, to }) => {
          const recipe = recipeWords(step);
          return recipe
            ? [`${words}: ${recipe}; ${STEP_HAIR_WORDS[step.hair]}, ${Math.round(to - from)} min.`]
            : [];
        })),
  ];
  return [
    ...planned.map(say),
    ...(record
      ? [
          `Level ${formatLevel(record.levelReached)} reached.${record.said ? ` They said: “${record.said}”` : ''}`,
        ]
      : []),
  ];
}

/** Steps with a bowl as they were done; those that were skipped are not repeated. */
const stepsDone = ({ record }: Served): string[] =>
  record.steps.flatMap(({ name, recipe, skipped, planned, done }) => {
    const minutes = done ?? planned;
    if (recipe === null || skipped || minutes === null) return [];
    return [`${name}: ${recipe}, ${Math.round(minutes)} min.`];
  });
