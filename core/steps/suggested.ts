import type { ItemsRead } from '../bowl';
import type { ColourResults } from '../mix';
import type { Correction, RootMix, SpotRepair, VisitMix, VisitToner } from '../visit';
import { SPOT_MINUTES } from './minutes';
import { mixedStep, plainStep } from './plain';
import { isColour, type ServiceStep } from './step';

type ColoursMixed = Pick<VisitMix, 'corrections' | 'roots' | 'toners'>;

/**
 * What follows the foils, as Mix suggests it: wash, bleach washes, root colour and toners, rinse, dry; then spots, which are
 * repaired on dry hair. A treatment and a drying come before what wants such hair.
 */
export function suggestedSteps(mix: ColoursMixed, results: ColourResults): ServiceStep[] {
  const { washes, colours, spots } = mixedSteps(mix, results);
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

/** The steps of a mix that have a bowl. */
export function mixedSteps({ corrections, roots, toners }: ColoursMixed, results: ColourResults) {
  const washes = corrections.filter(({ kind }) => kind === 'bleach-wash').map((own) => correctionStep(own, results));
  const spots = corrections.filter((own): own is SpotRepair => own.kind === 'spot');
  return {
    washes,
    colours: [...roots.map((own) => rootStep(own, results)), ...toners.map((own) => tonerStep(own, results))],
    spots: spots.map((own) => correctionStep(own, results)),
  };
}

function itemsOf(
  result:
    { readonly ok: true; readonly items: ItemsRead } | { readonly ok: false; readonly problem: string } | undefined,
): ItemsRead {
  return result?.ok ? result.items : { ok: false, problem: result?.problem ?? 'it is not mixed yet' };
}

function tonerStep({ id, minutes, state, place }: VisitToner, { toners }: ColourResults): ServiceStep {
  const items = itemsOf(toners.find((own) => own.id === id)?.result);
  return mixedStep(`toner ${id}`, 'toner', 'Toner', { minutes, hair: state, place, items });
}

function rootStep({ id, minutes, state, place }: RootMix, { roots }: ColourResults): ServiceStep {
  const items = itemsOf(roots.find((own) => own.id === id)?.result);
  const name = place.frontMm === null ? 'Root colour' : 'Root tap';
  return mixedStep(`root ${id}`, 'root', name, { minutes, hair: state, place, items });
}

function correctionStep({ id, kind, minutes, place }: Correction, { corrections }: ColourResults): ServiceStep {
  const items =
    corrections.find((own) => own.id === id)?.result.items ?? ({ ok: false, problem: 'it is not mixed yet' } as const);
  return kind === 'spot'
    ? mixedStep(`correction ${id}`, 'spot', 'Spot repair', { minutes, hair: 'dry', place, items })
    : mixedStep(`correction ${id}`, 'bleach-wash', 'Bleach wash', { minutes, hair: 'damp', place, items });
}

/** Whether some steps put anything on the hair. */
export const putOn = (steps: readonly ServiceStep[]): boolean =>
  steps.some((step) => isColour(step) || step.kind === 'bleach-wash' || step.kind === 'spot');
