import type { Served } from '../chair';
import type { Outcome } from '../formats';
import { afterSteps, type ItemsRead, type VisitMix, type VisitMixed } from '../mix';
import { formatLevel } from '../units';
import { mixedLines } from './mixed';

interface RepeatFacts {
  readonly mix: VisitMix;
  readonly mixed: VisitMixed;
  /** The service as it was carried out; null where it was not at the chair. */
  readonly served: Served | null;
  readonly record: Pick<Outcome, 'levelReached' | 'said'> | null;
}

/**
 * What an exact repeat needs beside the partings: each formula with its developer, grams and time on, toner and root with their
 * parts and minutes, the level reached, what the client said. Lines of text; as planned where nothing was timed or weighed.
 */
export function repeatLines({ mix, mixed, served, record }: RepeatFacts): string[] {
  const done = new Map(served?.record.steps.map((own) => [own.id, own.done]));
  const minutes = new Map(afterSteps(mix).map(({ id, from, to }) => [id, done.get(id) ?? to - from]));
  const colour = (id: string, name: string, items: ItemsRead | undefined) =>
    items?.ok ? [`${name}: ${items.items.map(({ grams, name: own }) => `${Math.round(grams)} g ${own}`).join(', ')}; ${Math.round(minutes.get(id) ?? 0)} min.`] : [];
  return [
    ...mixedLines(mixed, mix, served).filter(({ foils }) => foils > 0).map(({ letter, words, foils, grams, on }) => {
      const taken = grams.done === null ? `about ${Math.round(grams.planned)} g` : `${Math.round(grams.done)} g taken`;
      return `${letter}: ${words}; ${foils} ${foils === 1 ? 'foil' : 'foils'}, ${taken}${on ? `, on ${Math.round(on.longest)} min at most` : ''}.`;
    }),
    ...mix.toners.flatMap(({ id }, i) => {
      const { result } = mixed.toners[i];
      return colour(`toner ${id}`, afterSteps(mix).find((own) => own.id === `toner ${id}`)!.name, result.ok ? result.items : undefined);
    }),
    ...colour('root', 'Root colour', mixed.root?.ok ? mixed.root.items : undefined),
    ...(record ? [`Level ${formatLevel(record.levelReached)} reached.${record.said ? ` She said: “${record.said}”` : ''}`] : []),
  ];
}
