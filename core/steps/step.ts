import type { ItemsRead } from '../bowl';
import { placeWords, type ColourPlace } from '../visit';

export const STEP_KINDS = [
  'wash',
  'pre-tone',
  'treatment',
  'rinse',
  'bleach-wash',
  'paint',
  'root',
  'toner',
  'spot',
  'dry',
  'cut',
  'own',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

export const STEP_HAIR = ['any', 'dry', 'damp', 'treated'] as const;
/** What hair a step wants. */
export type StepHair = (typeof STEP_HAIR)[number];
export const STEP_HAIR_WORDS: Readonly<Record<StepHair, string>> = {
  any: 'as the hair is',
  dry: 'on dry hair',
  damp: 'on damp hair',
  treated: 'under a treatment',
};

/**
 * A step of a service beside the foils. It is planned with the visit, and it can be changed at the chair
 * until it is begun.
 */
export interface ServiceStep {
  readonly id: string;
  readonly kind: StepKind;
  /** Without its place: `Toner`. */
  readonly name: string;
  /** How long it takes, or how long it stays on. */
  readonly minutes: number;
  readonly hair: StepHair;
  /** null for what concerns all of the hair, such as a rinse. */
  readonly place: ColourPlace | null;
  /** What is weighed for it; null where nothing is mixed, a problem where it cannot be. */
  readonly items: ItemsRead | null;
}

/** Colours are put on one after the other and rinsed together. */
export const isColour = ({ kind }: Pick<ServiceStep, 'kind'>): boolean => kind === 'toner' || kind === 'root';

/** Product stays on the hair: it has a longest time, and it is rinsed off. */
export const staysOn = ({ kind }: Pick<ServiceStep, 'kind'>): boolean =>
  isColour({ kind }) || kind === 'bleach-wash' || kind === 'paint' || kind === 'spot' || kind === 'pre-tone';

/** At the basin. */
export const isAtBasin = ({ kind }: Pick<ServiceStep, 'kind'>): boolean =>
  kind === 'wash' ||
  kind === 'rinse' ||
  kind === 'pre-tone' ||
  kind === 'bleach-wash' ||
  kind === 'treatment';

/** A step as it is said: `Toner, mid-lengths and ends`. */
export const stepName = ({ name, place }: Pick<ServiceStep, 'name' | 'place'>): string =>
  place === null ? name : `${name}, ${placeWords(place)}`;

/** What is weighed for a step: `20 g Sedge 9 pearl, 40 g Moth 5 vol`; null where nothing is. */
export const recipeWords = ({ items }: Pick<ServiceStep, 'items'>): string | null =>
  items?.ok ? items.items.map(({ name, grams }) => `${Math.round(grams)} g ${name}`).join(', ') : null;

/** The same step with all that is weighed for it multiplied. */
export function scaled(step: ServiceStep, by: number): ServiceStep {
  if (!step.items?.ok) return step;
  const items = step.items.items.map((item) => ({ ...item, grams: Math.round(item.grams * by) }));
  return { ...step, items: { ok: true, items, total: items.reduce((sum, { grams }) => sum + grams, 0) } };
}
