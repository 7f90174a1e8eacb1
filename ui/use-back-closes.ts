'use client';

import { useEffect, useRef } from 'react';

interface Marked {
  dialog?: string;
}

const stateOf = () => (window.history.state ?? {}) as Marked;
/** An entry of a dialog that was closed by what was done in it; the next dialog takes it. */
const SPENT = 'spent';
/** Dialogs that are open. */
const openMarks = new Set<string>();

/**
 * Back closes what is open before it leaves the page: while it is open, the history has an entry for it.
 * @param close closes it; false where it asks first and stays open
 * @returns to be called when a person closes it (Escape, the cross): the entry goes at once
 */
export function useBackCloses(open: boolean, close: () => boolean): () => void {
  const latest = useRef(close);
  const byHand = useRef(false);
  useEffect(() => {
    latest.current = close;
  });
  useEffect(() => {
    if (!open) return;
    const mark = crypto.randomUUID();
    const state = { ...stateOf(), dialog: mark };
    const before = stateOf().dialog;
    // An entry of a dialog that is open no more, by itself or since the page was loaded anew, is taken over.
    if (before !== undefined && !openMarks.has(before)) window.history.replaceState(state, '');
    else window.history.pushState(state, '');
    openMarks.add(mark);
    byHand.current = false;
    const popped = () => {
      if (stateOf().dialog !== mark && !latest.current()) window.history.pushState(state, '');
    };
    window.addEventListener('popstate', popped);
    return () => {
      window.removeEventListener('popstate', popped);
      openMarks.delete(mark);
      if (stateOf().dialog !== mark) return;
      if (byHand.current) window.history.back();
      else window.history.replaceState({ ...stateOf(), dialog: SPENT }, '');
    };
  }, [open]);
  return () => {
    byHand.current = true;
  };
}
