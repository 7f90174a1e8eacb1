import type { Zone } from '../head';
import type { PlanHair, PlanHead } from '../pattern';
import type { Swatch } from '../photo';

export const CONDITIONS = ['sound', 'dry', 'porous', 'fragile'] as const;
export type Condition = (typeof CONDITIONS)[number];
export const HAIR_FLAGS = ['baby', 'breakage', 'thin', 'scar'] as const;
export type HairFlag = (typeof HAIR_FLAGS)[number];

/**
 * What was seen in one zone; what was not looked at is left out. Density, strand and length stand in
 * `hair.byZone`.
 */
export interface ZoneHair {
  /** Level of the untouched hair, where it differs from the rest. */
  naturalLevel?: number;
  /** Share of grey hair, 0–1. */
  greyShare?: number;
  midsLevel?: number;
  endsLevel?: number;
  /** A strip of another colour left by an earlier service; mm from the scalp. */
  band?: { level: number; fromMm: number; toMm: number };
  condition?: Condition;
  flags?: HairFlag[];
}

export type RegrowthByZone = Partial<Record<Zone, number>>;

export const SERVICES = [
  'lightener',
  'permanent',
  'demi',
  'toner',
  'metallic',
  'plant',
  'smoothing',
  'perm',
  'other',
] as const;
export type Service = (typeof SERVICES)[number];

/** What was done to the hair before: what, where, when (YYYY-MM-DD). */
export interface HistoryEntry {
  what: Service;
  where: 'here' | 'elsewhere' | 'home';
  on: string;
  note: string;
}

/** A target of one of the coming visits. */
interface Goal {
  words: string;
  level: number | null;
  /** 1–5 */
  brightness: number;
  /** Wished for by, YYYY-MM-DD. */
  byOn: string | null;
}

export const NOTED = ['pregnancy', 'medication', 'recent-chemical'] as const;
export type Noted = (typeof NOTED)[number];

/** What cautions rest on; null is what was not asked or not looked at. */
export interface Health {
  /** Known allergic reaction to colour. */
  allergy: 'none' | 'known' | null;
  dyes: 'none' | 'metal' | 'plant' | 'unknown' | null;
  scalp: 'sound' | 'irritated' | 'inflamed' | 'broken' | null;
  /** A wet strand today; stretchy or gummy hair breaks. */
  strandFeel: 'sound' | 'stretchy' | null;
  noted: Noted[];
}

/**
 * What is asked and seen before the plan: the wish, the head, the hair, the regrowth. null is what was not
 * asked.
 */
export interface Consult {
  version: 2;
  /** Level of the untouched hair at the root, and the one wished for. */
  naturalLevel: number;
  goalLevel: number;
  /** 1 natural with a few lights … 5 light all over with some depth. */
  brightness: number;
  /** Shares of the time, 0–1. */
  wornUpShare: number | null;
  wornHalfUpShare: number | null;
  contrast: 'blended' | 'defined' | 'high' | null;
  tone: 'warm' | 'neutral' | 'cool' | 'bright' | null;
  skinTone: 'cool' | 'neutral' | 'olive' | 'warm' | null;
  faceFrame: { strength: 'none' | 'soft' | 'bold'; behindMm: number } | null;
  hairlineBlend: 'strong' | 'sun-touched' | null;
  partMoves: 'never' | 'sometimes' | 'often' | null;
  curl: 'straight' | 'wavy' | 'curly' | 'coily' | null;
  /** Colours of the client's own hair read from a picture, for Wear; null where they go by level. */
  swatches: { base: Swatch | null; light: Swatch | null };
  /** How the hair is cut; null when it was not asked. */
  cut: { ends: 'one-length' | 'long-layers' | 'layers' | 'bob'; fringe: boolean } | null;
  cowlick: 'none' | 'front' | 'crown' | 'both' | null;
  weeksBetween: number | null;
  washesPerWeek: number | null;
  minutesAtMost: number | null;
  budgetMinor: number | null;
  head: PlanHead;
  hair: PlanHair;
  /** Since a zone was last taken to the root, mm; a zone that was not measured is left out. */
  regrowthMm: RegrowthByZone;
  /** What was seen zone by zone. */
  map: Partial<Record<Zone, ZoneHair>>;
  history: HistoryEntry[];
  occasions: { what: string; on: string }[];
  extensions: 'none' | 'worn' | 'planned' | null;
  goals: Goal[];
  health: Health;
  notes: string;
}

/** Zones whose hair is fragile or broken. */
export const isFragile = (seen: ZoneHair | undefined): boolean =>
  seen?.condition === 'fragile' || (seen?.flags?.includes('breakage') ?? false);
