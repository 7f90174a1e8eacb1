import type { ItemsRead } from '../bowl';
import type { ColourResults } from '../mix';
import type { Correction, VisitMix } from '../visit';
import { SPOT_MINUTES } from './minutes';
import { correctionStep, rootStep, tonerStep } from './mixed';
import { plainStep } from './plain';
import { isColour, type ServiceStep } from './step';

/**
 * What follows the foils, as Mix suggests it: wash, bleach washes, root colour and toners, rinse, dry; then spots, which are
 * repaired on dry hair. A treatment and a drying come before what wants such hair.
 */
export function suggestedSteps(
  mix: Pick<VisitMix, 'corrections' | 'roots' | 'toners'>,
  results: ColourResults,
): ServiceStep[] {
  const of = (kind: Correction['kind']) =>
    mix.corrections.filter((own) => own.kind === kind).map((own) => correctionStep(`correction ${own.id}`, own, read(results.corrections, own.id)));
  const washes = of('bleach-wash');
  const spots = of('spot');
  const colours = [
    ...mix.roots.map((own) => rootStep(`root ${own.id}`, own, read(results.roots, own.id))),
    ...mix.toners.map((own) => tonerStep(`toner ${own.id}`, own, read(results.toners, own.id))),
  ];
  const steps: ServiceStep[] = [plainStep('wash', 'wash'), ...washes];
  if (washes.length > 0) steps.push(plainStep('rinse wash', 'rinse', { name: 'Rinse and wash' }));
  const wet = colours.filter(({ hair }) => hair !== 'dry');
  const dry = colours.filter(({ hair }) => hair === 'dry');
  if (wet.some(({ hair }) => hair === 'treated')) steps.push(plainStep('treatment', 'treatment'));
  if (wet.length > 0) steps.push(...wet, plainStep('rinse', 'rinse', { name: 'Rinse the colour' }));
  if (dry.length > 0) {
    steps.push(plainStep('dry first', 'dry'), ...dry, plainStep('rinse dry', 'rinse', { name: 'Rinse the colour' }));
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
  steps.some((step) => isColour(step) || step.kind === 'bleach-wash' || step.kind === 'spot');
