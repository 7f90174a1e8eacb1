import type { Zone } from '../head';

/** Tones that a zone may have come out in. */
export const ZONE_TONES = ['warm', 'neutral', 'cool', 'bright', 'brassy'] as const;
export type ZoneTone = (typeof ZONE_TONES)[number];

/** What is looked at before the client leaves, in the order of the walk round the chair. */
export const INSPECTION = [
  'opened-foil',
  'wiped-overlaps',
  'worn-down',
  'part-moved',
  'brought-forward',
  'tied-back',
  'underneath',
  'crown-split',
  'old-line',
  'ends',
  'warm-band',
  'spots',
  'left-right',
  'grown-out',
  'same-light',
] as const;
export type InspectionPoint = (typeof INSPECTION)[number];

export const NEXT_WHAT = ['toner', 'face', 'full'] as const;
export const CORRECTIONS = [
  'tone-again',
  'bleach-wash',
  'spot',
  'band',
  'more-light',
  'lowlight',
  'other',
] as const;

/** One zone as the visit left it. */
export interface ZoneOutcome {
  /** Left between scalp and light, mm; null where the zone was not taken to the root. */
  leftMm: number | null;
  /** A ruler said how much was left. */
  measured: boolean;
  level: number | null;
  tone: ZoneTone | null;
}

/** What was done at a visit, in the colourist's words and figures. */
export interface Outcome {
  version: 2;
  done: string;
  foilsPlaced: number;
  levelReached: number;
  /**
   * By zone; a zone that was not worked is left out. null in records from before zones were kept: everything
   * counts as taken to the root.
   */
  zones: Partial<Record<Zone, ZoneOutcome>> | null;
  /** What the client said. */
  said: string;
  inspection: Partial<Record<InspectionPoint, { mark: 'good' | 'mended' | 'left'; words: string }>>;
  corrections: { what: (typeof CORRECTIONS)[number]; zone: Zone | null; words: string }[];
  /** Day of the next visit, YYYY-MM-DD; null when none was agreed. */
  nextOn: string | null;
  nextWhat: (typeof NEXT_WHAT)[number] | null;
}

/** A record before anything is written in it. */
export const EMPTY_OUTCOME: Outcome = {
  version: 2,
  done: '',
  foilsPlaced: 0,
  levelReached: 6,
  zones: null,
  said: '',
  inspection: {},
  corrections: [],
  nextOn: null,
  nextWhat: null,
};

/** Zones that a record says were taken to the root, for growth. */
export function takenOf(
  zones: Outcome['zones'],
): 'unknown' | Partial<Record<Zone, { leftMm: number; measured: boolean }>> {
  if (zones === null) return 'unknown';
  return Object.fromEntries(
    Object.entries(zones).flatMap(([zone, own]) =>
      own && own.leftMm !== null ? [[zone, { leftMm: own.leftMm, measured: own.measured }]] : [],
    ),
  );
}
