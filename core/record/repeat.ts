import type { Served } from '../chair';
import { formatLevel } from '../units';
import type { Outcome, VisitMix } from '../visit';
import type { AfterStep, WorkList } from '../work';
import { mixedLines, unitsSaid } from './mixed';

interface RepeatFacts {
  readonly mix: VisitMix;
  readonly work: WorkList;
  /** What follows the foils, with its bowls. */
  readonly after: readonly AfterStep[];
  /** The service as it was carried out; null where it was not at the chair. */
  readonly served: Served | null;
  readonly record: Pick<Outcome, 'levelReached' | 'said'> | null;
}

/**
 * What an exact repeat needs beside the partings: each formula with its developer, grams and time on, toner and root with their
 * parts and minutes, the level reached, what the client said. Lines of text; as planned where nothing was timed or weighed.
 */
export function repeatLines({ mix, work, after, served, record }: RepeatFacts): string[] {
  const done = new Map(served?.record.steps.map((own) => [own.id, own.done]));
  return [
    ...mixedLines(work, mix, served).map(({ letter, words, endsWords, units, grams, on }) => {
      const taken = grams.done === null ? `about ${Math.round(grams.planned)} g` : `${Math.round(grams.done)} g taken`;
      return `${letter}: ${words}${endsWords ? `; ends ${endsWords}` : ''}; ${unitsSaid(units)}, ${taken}${on ? `, on ${Math.round(on.longest)} min at most` : ''}.`;
    }),
    ...(served?.script.after ?? after).flatMap(({ id, name, from, to, detail }) => {
      const minutes = done.get(id) ?? to - from;
      return detail?.items.ok ? [`${name}: ${detail.items.items.map((own) => `${Math.round(own.grams)} g ${own.name}`).join(', ')}; ${detail.hair}, ${Math.round(minutes)} min.`] : [];
    }),
    ...(record ? [`Level ${formatLevel(record.levelReached)} reached.${record.said ? ` They said: “${record.said}”` : ''}`] : []),
  ];
}
