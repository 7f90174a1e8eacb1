import type { ItemsRead } from '../bowl';
import type { ColourResults } from '../mix';
import type { VisitMix } from '../visit';
import { SPOT_MINUTES } from './minutes';
import { correctionStep, rootStep, tonerStep } from './mixed';
import { plainStep } from './plain';
import { isColour, type ServiceStep, type StepKind } from './step';

/**
 * What follows the foils, as Mix suggests it: wash, what lifts a little more, violet wash, root colour and
 * toners, rinse,
 * treatments, dry; then spots, which are repaired on dry hair. A treatment and a drying come before what
 * wants such hair.
 * @param treatment what is weighed for the wash, where the house treats the hair at it
 */
export function suggestedSteps(
  mix: Pick<VisitMix, 'corrections' | 'roots' | 'toners'>,
  results: ColourResults,
  treatment: ItemsRead | null = null,
): ServiceStep[] {
  const of = (...kinds: StepKind[]) =>
    mix.corrections.flatMap((correction) => {
      const step = correctionStep(
        `correction ${correction.id}`,
        correction,
        read(results.corrections, correction.id),
      );
      return step && kinds.includes(step.kind) ? [step] : [];
    });
  const washes = of('bleach-wash', 'paint');
  const spots = of('spot');
  const treatments = of('treatment');
  const colours = [
    ...mix.roots.map((root) => rootStep(`root ${root.id}`, root, read(results.roots, root.id))),
    ...mix.toners.map((toner) => tonerStep(`toner ${toner.id}`, toner, read(results.toners, toner.id))),
  ];
  const steps: ServiceStep[] = [plainStep('wash', 'wash', { items: treatment }), ...washes];
  if (washes.length > 0) steps.push(plainStep('rinse wash', 'rinse', { name: 'Rinse and wash' }));
  steps.push(...of('pre-tone'));
  const wet = colours.filter(({ hair }) => hair !== 'dry');
  const dry = colours.filter(({ hair }) => hair === 'dry');
  // Colour that goes on under a treatment has it first; the others come when all is rinsed.
  const under = wet.some(({ hair }) => hair === 'treated');
  if (under) steps.push(treatments.shift() ?? plainStep('treatment', 'treatment'));
  if (wet.length > 0) steps.push(...wet, plainStep('rinse', 'rinse', { name: 'Rinse the colour' }));
  if (dry.length > 0) {
    steps.push(
      plainStep('dry first', 'dry'),
      ...dry,
      plainStep('rinse dry', 'rinse', { name: 'Rinse the colour' }),
    );
  }
  if (treatments.length > 0) {
    steps.push(...treatments, plainStep('rinse treatment', 'rinse', { name: 'Rinse the treatment' }));
  }
  steps.push(plainStep('dry', 'dry'));
  if (spots.length > 0) {
    steps.push(
      ...spots,
      plainStep('rinse spot', 'rinse', { name: 'Rinse the spot', minutes: SPOT_MINUTES.rinse }),
      plainStep('dry spot', 'dry', { name: 'Dry the spot', minutes: SPOT_MINUTES.dry }),
    );
  }
  return steps;
}

/** What is weighed for one of a mix; a problem where it cannot be, or is not mixed yet. */
function read(all: readonly { readonly id: string; readonly result: MixedResult }[], id: string): ItemsRead {
  const result = all.find((own) => own.id === id)?.result;
  if (result === undefined) return { ok: false, problem: 'it is not mixed yet' };
  return 'problem' in result ? { ok: false, problem: result.problem } : result.items;
}

type MixedResult = { readonly items: ItemsRead } | { readonly problem: string };

/** Whether some steps put anything on the hair. */
export const putOn = (steps: readonly ServiceStep[]): boolean =>
  steps.some((step) => isColour(step) || ['bleach-wash', 'paint', 'spot'].includes(step.kind));
