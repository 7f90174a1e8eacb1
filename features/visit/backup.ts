import type { VisitPart } from './types';

/**
 * An edit that has not been answered yet, kept in the browser so that a closed lid or a dead network loses
 * nothing.
 */
export interface Backup {
  readonly baseRevision: number;
  readonly editId: string;
  /**
   * Own edits sent since the base whose answer never came: if the saved version is one of them, this edit
   * follows it.
   */
  readonly following: readonly string[];
  /** The version that it was made from; none in what older versions kept. */
  readonly base?: unknown;
  readonly document: unknown;
}

const keyOf = (visitId: string, part: VisitPart) => `lattice/${visitId}/${part}`;

export function writeBackup(visitId: string, part: VisitPart, backup: Backup): void {
  try {
    localStorage.setItem(keyOf(visitId, part), JSON.stringify(backup));
  } catch (error) {
    // Private windows and full disks refuse storage; saving to the server goes on all the same.
    console.warn('The browser keeps no copy of unsaved work:', error);
  }
}

export function readBackup(visitId: string, part: VisitPart): Backup | undefined {
  try {
    const text = localStorage.getItem(keyOf(visitId, part));
    if (!text) return undefined;
    const value = JSON.parse(text) as Backup;
    const sound =
      typeof value.baseRevision === 'number' &&
      typeof value.editId === 'string' &&
      Array.isArray(value.following);
    return sound ? value : undefined;
  } catch {
    return undefined;
  }
}

export function clearBackup(visitId: string, part: VisitPart): void {
  try {
    localStorage.removeItem(keyOf(visitId, part));
  } catch {
    // Nothing was kept.
  }
}
