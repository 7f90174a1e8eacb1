/**
 * Seconds to place one foil, by gather. Working assumptions (middle of the usual ranges: slice 40–60, weave
 * 50–75 s; a
 * zigzag parting as long as a weave's slower end; a double weave parted and woven once more), until a person's own
 * pace has been measured.
 */
export const SECONDS_PER_FOIL = { slice: 50, weave: 62, double: 85, zigzag: 70 } as const;

/**
 * Painting a section in the open air: three to four foils' worth of hair are painted at once, 5–10 minutes
 * for all that
 * lies between the foils of a head. Working assumption.
 */
export const SECONDS_PER_PAINTED_SECTION = 25;

/** A lowlit drop-out is painted from the root to the ends, as a slice is. Working assumption. */
const SECONDS_PER_LOWLIT_DROPOUT = 50;

/**
 * Each soft push of backcombing on top of a foil's own time, so that two make the usual 90–150 s. Working
 * assumption.
 */
const SECONDS_PER_TEASING_PUSH = 30;

/** Moving on to the next panel: unclip, comb out, section. Working assumption. */
export const MINUTES_PER_PANEL_CHANGE = 2;

/** A foil as the pace sees it. */
export interface PacedFoil {
  readonly gather: keyof typeof SECONDS_PER_FOIL;
  readonly panel: string;
  /** Pushes of backcombing. */
  readonly teasing?: number;
}

/** Seconds for one foil (estimate). */
export function foilSeconds({ gather, teasing = 0 }: PacedFoil): number {
  return SECONDS_PER_FOIL[gather] + teasing * SECONDS_PER_TEASING_PUSH;
}

/**
 * Seconds for a treated drop-out (estimate).
 * @param together so many are painted at once; a lowlight takes its time each
 */
export function dropoutSeconds(
  treatment: 'tip-out' | 'lowlight' | 'paint',
  together: number,
  teasing: number,
): number {
  const painting =
    treatment === 'lowlight'
      ? SECONDS_PER_LOWLIT_DROPOUT
      : SECONDS_PER_PAINTED_SECTION / Math.max(1, together);
  return painting + teasing * SECONDS_PER_TEASING_PUSH;
}

/** Minutes of some work in its order (estimate): each at its seconds, and the changes between panels. */
export function workMinutes(work: readonly { readonly panel: string; readonly seconds: number }[]): number {
  let seconds = 0;
  let changes = 0;
  work.forEach((own, i) => {
    seconds += own.seconds;
    if (i > 0 && own.panel !== work[i - 1].panel) changes += 1;
  });
  return seconds / 60 + changes * MINUTES_PER_PANEL_CHANGE;
}
