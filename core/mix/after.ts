import { TONER_PLACE_WORDS, type VisitMix } from './visit-mix';

/** A step of a visit once the foils are out; minutes from the end of the last rinse. */
export interface AfterStep {
  readonly id: string;
  readonly kind: 'wash' | 'correction' | 'root' | 'toner' | 'rinse' | 'dry';
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** Minutes: washing and treating, putting one colour on, rinsing colour, drying. Working assumptions until a house has measured its own. */
export const AFTER_MINUTES = { wash: 8, putOn: 4, rinse: 5, dry: 25 } as const;

const CORRECTION_WORDS = { 'bleach-wash': 'Bleach wash', spot: 'Spot repair' } as const;

/**
 * What follows the foils: wash, corrections, root colour and toners, rinse, dry. Colours that stay on for different times are
 * put on one after the other, the longest first, so that they are done together.
 */
export function afterSteps({ corrections, root, toners }: Pick<VisitMix, 'corrections' | 'root' | 'toners'>): AfterStep[] {
  const steps: AfterStep[] = [];
  let at = 0;
  const add = (id: string, kind: AfterStep['kind'], name: string, minutes: number) => {
    steps.push({ id, kind, name, from: at, to: at + minutes });
    at += minutes;
  };
  add('wash', 'wash', 'Wash and treat', AFTER_MINUTES.wash);
  for (const own of corrections) add(`correction ${own.id}`, 'correction', `${CORRECTION_WORDS[own.kind]}${own.where ? `, ${own.where}` : ''}`, own.minutes);
  const colours = [
    ...(root ? [{ id: 'root', kind: 'root' as const, name: 'Root colour', minutes: root.minutes }] : []),
    ...toners.map((own) => ({ id: `toner ${own.id}`, kind: 'toner' as const, name: `Toner, ${TONER_PLACE_WORDS[own.where]}`, minutes: own.minutes })),
  ].sort((a, b) => b.minutes - a.minutes);
  if (colours.length > 0) {
    const begun = at;
    const done = Math.max(...colours.map(({ minutes }, i) => i * AFTER_MINUTES.putOn + minutes));
    let next = begun;
    for (const { id, kind, name, minutes } of colours) {
      const from = Math.max(next, begun + done - minutes);
      steps.push({ id, kind, name, from, to: from + minutes });
      next = from + AFTER_MINUTES.putOn;
    }
    at = Math.max(...steps.map(({ to }) => to));
    add('rinse', 'rinse', 'Rinse the colour', AFTER_MINUTES.rinse);
  }
  add('dry', 'dry', 'Dry', AFTER_MINUTES.dry);
  return steps;
}
