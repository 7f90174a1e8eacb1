'use client';

import { useEffect, useState } from 'react';
import { greyShareOf } from '@/core/hair-map';
import type { SuggestFacts } from '@/core/suggest';
import { timeThereIs } from '@/core/visit';
import type { PatternAsks } from '@/workers/pattern-asks';
import { Button } from '@/ui/button';
import { useSaid } from '@/ui/measures';
import { useHouse } from '../../house/context';
import { barkOf } from '../../visit/bark';
import { useVisit } from '../../visit/store';
import type { TakePattern } from './take';
import { PatternCard } from './pattern-card';
import { PatternWorker } from '../pattern-worker';
import { useAsked } from './use-asked';

const WEEK_MS = 7 * 86_400_000;

/** Up to three patterns for this visit, each with its reasons; never taken by itself. */
export function Suggestions({ take }: { take: TakePattern }) {
  const said = useSaid();
  const { consult } = useVisit();
  const facts = useFacts();
  const visit = useAsked();
  const [found, setFound] = useState<PatternAsks['suggest']['answer']>();
  const asked = JSON.stringify({ facts, visit });
  useEffect(() => {
    const worker = new PatternWorker();
    void worker.ask('suggest', JSON.parse(asked) as PatternAsks['suggest']['ask']).then(setFound);
    return () => worker.stop();
  }, [asked]);
  if (!found)
    return (
      <p role="status" className="py-10 text-center text-base text-ink-soft">
        Comparing the patterns for this visit …
      </p>
    );
  if (found.length === 0)
    return (
      <p className="py-10 text-center text-base text-ink-soft">
        No built-in pattern fits especially well. Choose from all of them.
      </p>
    );
  return (
    <>
      <p className="mb-3 text-sm text-ink-soft">
        Based on the wish, how the hair is worn, the time there is, the last visit and the schools of the
        house. Apply, change or ignore them.
      </p>
      <ol className="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-4" aria-label="Suggestions">
        {found.map(({ suggestion: { technique, plan, why, but, settings }, laid }) => (
          <PatternCard
            key={technique.key}
            name={technique.name}
            laid={laid}
            bark={barkOf(consult.naturalLevel)}
            purpose={technique.purpose}
            more={
              <>
                <ul aria-label="Why">
                  {why.map((words) => (
                    <li key={words} className="mt-1 border-l-[3px] border-leaf pl-2">
                      {said(words)}
                    </li>
                  ))}
                </ul>
                {settings.length > 0 && (
                  <ul aria-label="Set for this visit" className="mt-2">
                    {settings.map((setting) => (
                      <li key={setting.words} className="mt-1 border-l-[3px] border-sky pl-2">
                        <b>{said(setting.words)}</b>: {said(setting.why)}
                      </li>
                    ))}
                  </ul>
                )}
                {but.length > 0 && (
                  <ul aria-label="Against it" className="mt-2">
                    {but.map((words) => (
                      <li key={words} className="mt-1 border-l-[3px] border-amber-bark pl-2 text-amber-bark">
                        {said(words)}
                      </li>
                    ))}
                  </ul>
                )}
                <ul className="mt-2 text-xs text-amber-bark">
                  {technique.cautions.map((caution) => (
                    <li key={caution} className="mt-0.5">
                      {said(caution)}
                    </li>
                  ))}
                </ul>
              </>
            }
            actions={
              <Button
                small
                className="grow"
                onClick={() => take.plan(plan, technique.name)}
                aria-label={`Apply this suggestion: ${technique.name}`}
              >
                Apply this suggestion
              </Button>
            }
          />
        ))}
      </ol>
    </>
  );
}

function useFacts(): SuggestFacts {
  const { plan, consult, bundle } = useVisit();
  const house = useHouse();
  const { head, hair, foil } = plan;
  return {
    on: { head, hair, foil },
    brightness: consult.brightness,
    naturalLevel: consult.naturalLevel,
    goalLevel: consult.goalLevel,
    schools: house.schools,
    minutes: timeThereIs(house, consult.minutesAtMost),
    wornUpShare: consult.wornUpShare,
    greyShare: greyShareOf(consult),
    weeksBetween: consult.weeksBetween,
    contrast: consult.contrast,
    partMoves: consult.partMoves,
    weeksSinceLast:
      bundle.foiled && Math.round((Date.parse(bundle.heldOn) - Date.parse(bundle.foiled.heldOn)) / WEEK_MS),
  };
}
