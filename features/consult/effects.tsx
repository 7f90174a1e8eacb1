'use client';

import { useMemo } from 'react';
import { CHAPTER_WORDS, CHAPTERS, effectsOf, type Chapter } from '@/core/consult';
import { rootLinesOf } from '@/core/wear';
import { useHouse, useMoney } from '../house/context';
import { sayDistance } from '../shared';
import { useComputed } from '../visit/computed';
import { useVisit } from '../visit/store';

/** What the answers change in the plan, those of the open chapter first. */
export function Effects({ chapter }: { chapter: Chapter }) {
  const { consult, bundle } = useVisit();
  const visit = useComputed();
  const { rate } = visit.growth;
  const house = useHouse();
  const money = useMoney();
  const effects = useMemo(
    () =>
      effectsOf({
        consult,
        house,
        growth: rate,
        lines: visit.plan.panels.length > 0 ? rootLinesOf(visit.lines) : null,
        sayMoney: money,
      }),
    [consult, house, rate, visit, money],
  );
  const chapters = [chapter, ...CHAPTERS.filter((other) => other !== chapter)];
  return (
    <aside
      aria-label="What this changes"
      tabIndex={0}
      className="private relative border-line bg-raised px-5 py-5 max-lg:border-t md:max-lg:col-span-2 md:overflow-y-auto lg:border-l"
    >
      <h2 className="text-lg font-bold wide">What this changes</h2>
      {bundle.previous && (
        <p className="mt-1 text-sm text-ink-soft">
          Last recorded visit {sayDistance(bundle.previous.heldOn, bundle.heldOn).replace(' ago', ' before')};
          what was known then is carried over.
        </p>
      )}
      {chapters.map((own) => {
        const of = effects.filter((effect) => effect.chapter === own);
        if (of.length === 0) return null;
        return (
          <section key={own}>
            <h3 className="mt-4 mb-1 text-xs font-semibold text-ink-soft">{CHAPTER_WORDS[own]}</h3>
            <dl className="grid gap-2">
              {of.map(({ answer, changes }) => (
                <div
                  key={answer}
                  className={own === chapter ? 'border-l-2 border-leaf pl-3' : 'border-l-2 border-line pl-3'}
                >
                  <dt className="text-sm font-semibold">{answer}</dt>
                  <dd className="text-sm text-ink-soft">{changes}</dd>
                </div>
              ))}
            </dl>
          </section>
        );
      })}
    </aside>
  );
}
