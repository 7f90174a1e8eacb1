'use client';

import { useSyncExternalStore } from 'react';
import { CHAPTER_WORDS, CHAPTERS, progressOf, type Chapter } from '@/core/consult';
import { useVisit } from '../visit/store';
import { GoalsChapter } from './chapters/goals';
import { HeadChapter } from './chapters/head';
import { HistoryChapter } from './chapters/history';
import { SafetyChapter } from './chapters/safety';
import { UpkeepChapter } from './chapters/upkeep';
import { WishChapter } from './chapters/wish';
import { WornChapter } from './chapters/worn';
import { Effects } from './effects';
import { MapChapter } from './map/map-chapter';
import { TheirAnswers } from './their-answers';

const BODIES: Record<Exclude<Chapter, 'map'>, () => React.ReactNode> = {
  wish: WishChapter,
  worn: WornChapter,
  upkeep: UpkeepChapter,
  history: HistoryChapter,
  head: HeadChapter,
  safety: SafetyChapter,
  goals: GoalsChapter,
};

/**
 * The consultation in the order in which it is held, a chapter at a time, beside what its answers change in
 * the plan.
 */
export function ConsultStep() {
  const chapter = useChapter();
  if (chapter === 'map') {
    return (
      <main className="h-full max-md:overflow-y-auto md:grid md:grid-cols-[11.5rem_minmax(0,1fr)]">
        <Track chapter={chapter} />
        <MapChapter />
      </main>
    );
  }
  const Body = BODIES[chapter];
  const next = CHAPTERS[CHAPTERS.indexOf(chapter) + 1];
  return (
    <main className="h-full max-md:overflow-y-auto md:grid md:grid-cols-[11.5rem_minmax(0,1fr)] lg:grid-cols-[12.5rem_minmax(0,1fr)_17.5rem]">
      <Track chapter={chapter} />
      <section
        key={chapter}
        aria-label={CHAPTER_WORDS[chapter]}
        className="relative px-4 py-4 md:overflow-y-auto md:px-7 md:py-5"
      >
        <div className="mx-auto max-w-[720px]">
          <TheirAnswers />
          <h2 className="mb-4 text-2xl font-bold wide">{CHAPTER_WORDS[chapter]}</h2>
          <Body />
          {next && (
            <p className="mt-7 mb-2 border-t border-line pt-4 text-right">
              <a
                href={`#${next}`}
                className="rounded-ui px-3 py-2 text-md font-semibold text-leaf hover:bg-leaf-pale"
              >
                Next: {CHAPTER_WORDS[next]} →
              </a>
            </p>
          )}
        </div>
      </section>
      <Effects chapter={chapter} />
    </main>
  );
}

/** The chapters, how much of each was asked, and where we are. */
function Track({ chapter }: { chapter: Chapter }) {
  const { consult } = useVisit();
  const progress = progressOf(consult);
  return (
    <nav
      aria-label="Consultation"
      className="relative border-line bg-raised max-md:sticky max-md:top-0 max-md:z-20 max-md:overflow-x-auto max-md:border-b md:overflow-y-auto md:border-r md:py-3"
    >
      <ol className="max-md:flex">
        {CHAPTERS.map((own) => {
          const { asked, of } = progress[own];
          const here = own === chapter;
          return (
            <li key={own}>
              <a
                href={`#${own}`}
                aria-current={here ? 'true' : undefined}
                className={`flex min-h-11 items-center justify-between gap-2 border-l-[3px] px-4 py-1.5 text-base whitespace-nowrap max-md:border-b-[3px] max-md:border-l-0 md:whitespace-normal ${here ? 'border-leaf bg-leaf-pale font-semibold' : 'border-transparent hover:bg-leaf-pale'}`}
              >
                {CHAPTER_WORDS[own]}
                {of > 0 && (
                  <span
                    className={`text-xs ${asked < of ? 'text-ink-soft' : 'font-semibold text-leaf'}`}
                    aria-label={`${asked} of ${of} asked`}
                  >
                    {asked}/{of}
                  </span>
                )}
              </a>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

/** The chapter that the address names: a reload or a link finds the same one. */
function useChapter(): Chapter {
  const hash = useSyncExternalStore(
    subscribe,
    () => window.location.hash.slice(1),
    () => '',
  );
  return CHAPTERS.find((chapter) => chapter === hash) ?? 'wish';
}

function subscribe(onChange: () => void) {
  window.addEventListener('hashchange', onChange);
  return () => window.removeEventListener('hashchange', onChange);
}
