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
  /** Which of the house's scales this station has, and all of them. */
  readonly at: string | null;
  readonly names: readonly string[];
}

const NONE: ScaleState = {
  link: 'looking',
  name: '',
  grams: null,
  settled: false,
  words: undefined,
  handled: false,
  at: null,
  names: [],
};
/** Which scale this station stands beside: kept on the device. */
const KEY = 'lattice/scale';
const LOST = 'The station does not reach the scale. Weigh by hand meanwhile, nothing entered is lost.';

/** What this station's scale says, for as long as this is shown. */
export function useScale(): ScaleState & {
  send(command: { do: 'tare' | 'clear' } | { do: 'pour'; grams: number }): void;
  choose(name: string): void;
} {
  const [state, setState] = useState(NONE);
  const [chosen, setChosen] = useState(() => kept());
  useEffect(() => {
    const source = new EventSource(
      chosen === null ? '/api/scale' : `/api/scale?at=${encodeURIComponent(chosen)}`,
    );
    const set = (part: Partial<ScaleState>) => setState((before) => ({ ...before, ...part }));
    source.onmessage = ({ data }) => {
      const event = JSON.parse(data as string) as
        ScaleEvent | { kind: 'here'; at: string; names: readonly string[]; handled: boolean };
      if (event.kind === 'here') set({ at: event.at, names: event.names, handled: event.handled });
      else if (event.kind === 'there') set({ link: 'there', name: event.name, words: undefined });
      else if (event.kind === 'reading')
        setState((before) => ({
          ...before,
          link: 'there',
          grams: event.grams,
          settled: event.settled,
          words: before.link === 'gone' ? undefined : before.words,
        }));
      else if (event.kind === 'gone') set({ link: 'gone', grams: null, settled: false, words: event.words });
      else set({ words: event.ok ? undefined : `The scale did not take it: ${event.words}.` });
    };
    // A stream that is refused closes for good: this house has no scale. One that broke is tried again by the
    // browser.
    source.onerror = () =>
      setState((before) =>
        source.readyState === EventSource.CLOSED && before.link === 'looking'
          ? { ...NONE, link: 'none' }
          : { ...before, link: 'gone', grams: null, settled: false, words: LOST },
      );
    return () => source.close();
  }, [chosen]);
  const send = (command: object) => {
    void fetch('/api/scale', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...command, at: state.at }),
    })
      .then(async (answer) => {
        if (answer.ok) return;
        const { problem } = (await answer.json()) as { problem: string };
        // A scale that is gone has said why, which says more than that it took no command.
        setState((before) => (before.link === 'gone' ? before : { ...before, words: problem }));
      })
      .catch(() => setState((before) => ({ ...before, words: LOST })));
  };
  const choose = (name: string) => {
    setState(NONE);
    setChosen(name);
    try {
      localStorage.setItem(KEY, name);
    } catch {
      // Chosen for as long as the page is open.
    }
  };
  return { ...state, send, choose };
}

function kept(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}
