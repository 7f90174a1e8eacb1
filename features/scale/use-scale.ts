'use client';

import { useEffect, useState } from 'react';
import type { ScaleEvent } from './line-driver';

export interface ScaleState {
  /** looking: not heard of yet. none: this house has no scale. */
  readonly link: 'looking' | 'none' | 'there' | 'gone';
  readonly name: string;
  readonly grams: number | null;
  readonly settled: boolean;
  /** What is wrong, or what the scale said last. */
  readonly words: string | undefined;
  /** A simulated scale can be poured on from here. */
  readonly handled: boolean;
}

const NONE: ScaleState = { link: 'looking', name: '', grams: null, settled: false, words: undefined, handled: false };
const LOST = 'The station does not reach the scale. Weigh by hand meanwhile, nothing entered is lost.';

/** What the scale of the house says, for as long as this is shown. */
export function useScale(): ScaleState & { send(command: { do: 'tare' | 'clear' } | { do: 'pour'; grams: number }): void } {
  const [state, setState] = useState(NONE);
  useEffect(() => {
    const source = new EventSource('/api/scale');
    const set = (part: Partial<ScaleState>) => setState((before) => ({ ...before, ...part }));
    source.onmessage = ({ data }) => {
      const event = JSON.parse(data as string) as ScaleEvent | { kind: 'handled' };
      if (event.kind === 'handled') set({ handled: true });
      else if (event.kind === 'there') set({ link: 'there', name: event.name, words: undefined });
      else if (event.kind === 'reading') setState((before) => ({ ...before, link: 'there', grams: event.grams, settled: event.settled, words: before.link === 'gone' ? undefined : before.words }));
      else if (event.kind === 'gone') set({ link: 'gone', grams: null, settled: false, words: event.words });
      else set({ words: event.ok ? undefined : `The scale did not take it: ${event.words}.` });
    };
    // A stream that is refused closes for good: this house has no scale. One that broke is tried again by the browser.
    source.onerror = () => setState((before) => (source.readyState === EventSource.CLOSED && before.link === 'looking' ? { ...NONE, link: 'none' } : { ...before, link: 'gone', grams: null, settled: false, words: LOST }));
    return () => source.close();
  }, []);
  const send = (command: object) => {
    void fetch('/api/scale', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(command) })
      .then(async (answer) => {
        if (answer.ok) return;
        const { problem } = (await answer.json()) as { problem: string };
        setState((before) => ({ ...before, words: problem }));
      })
      .catch(() => setState((before) => ({ ...before, words: LOST })));
  };
  return { ...state, send };
}
