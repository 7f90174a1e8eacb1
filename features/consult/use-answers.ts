'use client';

import { useCallback } from 'react';
import { useVisit } from '../visit/store';
import type { Consult } from '@/core/visit';

/** The consultation and a way to give one of its answers, named for undo. */
export function useAnswers() {
  const { consult, editConsult } = useVisit();
  const set = useCallback(
    (label: string, part: Partial<Consult>) =>
      editConsult(label, (before) => ({ ...before, ...part }), label),
    [editConsult],
  );
  const setHead = useCallback(
    (label: string, part: Partial<Consult['head']>) =>
      editConsult(label, (before) => ({ ...before, head: { ...before.head, ...part } }), label),
    [editConsult],
  );
  const setHair = useCallback(
    (label: string, part: Partial<Consult['hair']>) =>
      editConsult(label, (before) => ({ ...before, hair: { ...before.hair, ...part } }), label),
    [editConsult],
  );
  const setHealth = useCallback(
    (label: string, part: Partial<Consult['health']>) =>
      editConsult(label, (before) => ({ ...before, health: { ...before.health, ...part } }), label),
    [editConsult],
  );
  return { consult, set, setHead, setHair, setHealth, editConsult };
}
