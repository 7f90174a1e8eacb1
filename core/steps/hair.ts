import { STEP_HAIR_WORDS, stepName, type ServiceStep, type StepHair } from './step';

/** State that hair can be in. */
export type HairNow = Exclude<StepHair, 'any'>;

const NOW_WORDS: Readonly<Record<HairNow, string>> = {
  dry: 'dry',
  damp: 'damp',
  treated: 'under a treatment',
};

/** State of the hair once a step is done. */
function after({ kind }: ServiceStep, before: HairNow): HairNow {
  if (kind === 'wash' || kind === 'pre-tone' || kind === 'rinse' || kind === 'bleach-wash') return 'damp';
  if (kind === 'treatment') return 'treated';
  return kind === 'dry' ? 'dry' : before;
}

/** State of the hair before each of some steps. @param first before the first of them */
export function hairBefore(steps: readonly ServiceStep[], first: HairNow): HairNow[] {
  let now = first;
  return steps.map((step) => {
    const before = now;
    now = after(step, now);
    return before;
  });
}

/** Whether hair in a state will do for a step. Hair under a treatment is damp as well. */
export const suits = (wanted: StepHair, now: HairNow): boolean =>
  wanted === 'any' || wanted === now || (wanted === 'damp' && now === 'treated');

/** What is wrong with the hair for a step, as a sentence; null where it suits. */
export function hairProblem(step: ServiceStep, now: HairNow): string | null {
  if (suits(step.hair, now)) return null;
  return `${stepName(step)} goes ${STEP_HAIR_WORDS[step.hair]}: the hair is ${NOW_WORDS[now]} by then.`;
}
