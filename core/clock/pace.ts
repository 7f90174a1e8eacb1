/**
 * Seconds to place one foil, by gather. Working assumptions (middle of the usual ranges: slice 40–60, weave 50–75 s),
 * until a person's own pace has been measured.
 */
export const SECONDS_PER_FOIL = { slice: 50, weave: 62 } as const;

/** Moving on to the next panel: unclip, comb out, section. Working assumption. */
export const MINUTES_PER_PANEL_CHANGE = 2;

/** A foil as the pace sees it. */
export interface PacedFoil {
  readonly gather: keyof typeof SECONDS_PER_FOIL;
  readonly panel: string;
}

/** Minutes from the first foil to the last (estimate): foils at their pace and the changes between panels. */
export function foilingMinutes(foils: readonly PacedFoil[]): number {
  let seconds = 0;
  let changes = 0;
  foils.forEach((foil, i) => {
    seconds += SECONDS_PER_FOIL[foil.gather];
    if (i > 0 && foil.panel !== foils[i - 1].panel) changes += 1;
  });
  return seconds / 60 + changes * MINUTES_PER_PANEL_CHANGE;
}
