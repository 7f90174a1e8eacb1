'use client';

import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Style, View } from '@/core/wear';
import { drawsInSoftware } from '../head/round/software';
import { StepLink } from '../visit/step-link';
import { useVisit } from '../visit/store';
import { WearPicture } from './picture';
import { useWearSubject } from './subject';
import { useWear } from './use-wear';
import { ownPart, wayOf } from './ways';

const LOOKS: readonly { words: string; way: Style; view: View }[] = [
  { words: 'down, behind', way: 'down', view: 'back' },
  { words: 'down, above', way: 'down', view: 'top' },
  { words: 'tied, left', way: 'tied-back', view: 'left' },
  { words: 'tied, right', way: 'tied-back', view: 'right' },
];

/** A small picture of the pattern as it is worn, beside the head: it follows every edit. */
export function SmallWear() {
  const { plan } = useVisit();
  const settled = useDeferredValue(useCalm(plan));
  const [at, setAt] = useState(0);
  const rested = useRested();
  const { words, way: key, view } = LOOKS[at];
  const subject = useWearSubject(settled);
  const way = useMemo(() => wayOf(key, ownPart(subject)), [key, subject]);
  const picture = useWear(
    'small',
    1,
    'picture',
    useMemo(
      () => (rested ? { subject, way, view, weeks: 0, lamp: 'daylight', fine: false } : null),
      [rested, subject, way, view],
    ),
  );
  return (
    <div
      className="flex h-full flex-col overflow-hidden rounded-[8px] border border-edge bg-raised"
      data-small-wear={picture.done}
    >
      <StepLink
        step="wear"
        aria-label={`Worn ${words}; open Wear`}
        className="block min-h-0 flex-1 p-1 hover:bg-leaf-pale"
      >
        <WearPicture picture={picture.answer} mirrored={false} label={`Worn ${words}`} />
      </StepLink>
      <button
        type="button"
        onClick={() => setAt((at + 1) % LOOKS.length)}
        aria-label={`Worn ${words}; show another`}
        className="h-9 shrink-0 border-t border-edge text-xs font-semibold narrow hover:border-ink"
      >
        {words} ⟳
      </button>
    </div>
  );
}

/** The page is drawn first: laying hair may begin when it has stood for a moment. */
const REST_MS = 800;
/** Without a graphics card the page itself has more to do first. */
const SLOW_REST_MS = 2500;

function useRested(): boolean {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setRested(true), drawsInSoftware() ? SLOW_REST_MS : REST_MS);
    return () => clearTimeout(timer);
  }, []);
  return rested;
}

/**
 * Where every point is computed, the head that is being edited comes first: hair waits until the hand rests.
 */
const CALM_MS = 350;

function useCalm<T>(value: T): T {
  const [calm, setCalm] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setCalm(value), drawsInSoftware() ? CALM_MS : 0);
    return () => clearTimeout(timer);
  }, [value]);
  return calm;
}
