import type { ItemsRead } from '../bowl';
import type { RecipeUse } from '../products';
import { rootName, type Correction, type RootMix, type VisitToner } from '../visit';
import type { ServiceStep, StepHair, StepKind } from './step';

/** A toner of a mix as a step. @param items what is weighed for it */
export function tonerStep(
  id: string,
  { minutes, state: hair, place }: Pick<VisitToner, 'minutes' | 'state' | 'place'>,
  items: ItemsRead,
): ServiceStep {
  return { id, kind: 'toner', name: 'Toner', minutes, hair, place, items };
}

/** A root colour as a step. */
export function rootStep(
  id: string,
  { minutes, state: hair, place }: RootMix,
  items: ItemsRead,
): ServiceStep {
  return { id, kind: 'root', name: rootName(place), minutes, hair, place, items };
}

/** What step a recipe of the house is, and on what hair; null for what goes on before the foils. */
const STEP_OF: Readonly<Record<RecipeUse, { readonly kind: StepKind; readonly hair: StepHair } | null>> = {
  'bleach-wash': { kind: 'bleach-wash', hair: 'damp' },
  'soap-cap': { kind: 'bleach-wash', hair: 'damp' },
  'wet-paint': { kind: 'paint', hair: 'damp' },
  'pre-tone': { kind: 'pre-tone', hair: 'any' },
  spot: { kind: 'spot', hair: 'dry' },
  treatment: { kind: 'treatment', hair: 'damp' },
  barrier: null,
};

/** A recipe of the house as a step after the foils; null for barrier cream, which goes on before them. */
export function correctionStep(
  id: string,
  { use, name, minutes, place }: Pick<Correction, 'use' | 'name' | 'minutes' | 'place'>,
  items: ItemsRead,
): ServiceStep | null {
  const step = STEP_OF[use];
  return step && { id, ...step, name, minutes, place, items };
}
