/**
 * How strongly a gather shows its edge as it grows out, mm: working assumptions until the wear model decides.
 */
const KAPPA = { slice: 70, medium: 95, soft: 105 } as const;
/** Each tease makes starts differ by up to so much, mm: working assumption. */
export const TEASING_MM = 20;
/** Slice, medium weave, or fine weave, baby lights and teased starts. */
export type Edge = keyof typeof KAPPA;

/** The quick estimate of when a root line becomes visible. */
export interface VisibleLine {
  /** Regrowth at which the line shows, mm. */
  readonly atMm: number;
  /** Weeks from now; 0 when it shows already. */
  readonly weeks: number;
}

/**
 * When the root line becomes visible: κ / contrast, moved out by half of the feather, between 5 and 60 mm.
 * Ordinal, ± 25%;
 * where the wear model is at hand, it decides.
 * @param contrast levels between base and light
 * @param mmPerWeek the client's own rate
 * @param nowMm regrowth today, mm
 */
export function visibleLine({
  edge,
  contrast,
  mmPerWeek,
  featherMm = 0,
  nowMm = 0,
}: {
  readonly edge: Edge;
  readonly contrast: number;
  readonly mmPerWeek: number;
  readonly featherMm?: number;
  readonly nowMm?: number;
}): VisibleLine {
  const atMm = Math.min(60, Math.max(5, KAPPA[edge] / Math.max(1, contrast) + featherMm / 2));
  return { atMm, weeks: Math.max(0, atMm - nowMm) / mmPerWeek };
}

/** A toner lasts about so many washes. */
const TONER_WASHES = 20;

/** Weeks that a toner lasts. */
export function tonerWeeks(washesPerWeek: number): number {
  return TONER_WASHES / washesPerWeek;
}
