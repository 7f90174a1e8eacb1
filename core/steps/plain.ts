import { keysOf } from '../units';
import { STEP_MINUTES } from './minutes';
import type { ServiceStep, StepHair } from './step';

/** Steps for which nothing is weighed. */
export type PlainKind = keyof typeof STEP_MINUTES;

const PLAIN: Readonly<Record<PlainKind, { readonly name: string; readonly hair: StepHair }>> = {
  wash: { name: 'Wash and treat', hair: 'any' },
  'pre-tone': { name: 'Violet wash', hair: 'any' },
  treatment: { name: 'Treatment', hair: 'damp' },
  rinse: { name: 'Rinse', hair: 'any' },
  paint: { name: 'Paint the ends', hair: 'treated' },
  dry: { name: 'Dry', hair: 'any' },
  cut: { name: 'Cut', hair: 'any' },
  own: { name: 'Step', hair: 'any' },
};

/** A step without a bowl, with its usual minutes. */
export function plainStep(id: string, kind: PlainKind, part: Partial<ServiceStep> = {}): ServiceStep {
  return { id, kind, minutes: STEP_MINUTES[kind], place: null, items: null, ...PLAIN[kind], ...part };
}

/** Every plain step but one's own, in the order in which they come. */
export const plainSteps = (): ServiceStep[] =>
  keysOf(PLAIN)
    .filter((kind) => kind !== 'own')
    .map((kind) => plainStep(kind, kind));
