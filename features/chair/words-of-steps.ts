import { endOf, MINUTE, type StepState } from '@/core/chair';
import { isColour, recipeWords, staysOn, STEP_HAIR_WORDS, type ServiceStep } from '@/core/steps';
import { capital, type Calendar } from '@/core/units';
import { placeWords } from '@/core/visit';
import { seconds } from './words';

/** What the large button says for beginning a step: `Toner on`, `Rinse the colour: begun`. */
export const beginWords = (step: ServiceStep): string =>
  isColour(step) || staysOn(step) ? `${step.name} on` : `${step.name}: begun`;

/** Where, on what hair and with what, in words. */
export function detailWords(step: ServiceStep): string {
  const recipe = recipeWords(step);
  const where = step.place && placeWords(step.place);
  const hair = step.hair === 'any' ? null : STEP_HAIR_WORDS[step.hair];
  return capital([where, hair, recipe].filter((own) => own !== null).join('; '));
}

/** How a step stands: `12:40 of 20 min`, `done, 18 min`, `skipped: no toner needed`. */
export function standingWords(stepState: StepState, now: number, calendar: Calendar): string {
  const { step, standing, begunAt, doneAt, why } = stepState;
  const minutes = `${Math.round(step.minutes)} min`;
  switch (standing) {
    case 'waiting':
      return minutes;
    case 'on':
      return `${seconds(now - begunAt!)} of ${minutes}, until ${calendar.timeOf(endOf(stepState))}`;
    case 'done':
      return `done, ${Math.max(0, Math.round((doneAt! - begunAt!) / MINUTE))} min`;
    case 'skipped':
      return why ? `skipped: ${why}` : 'skipped';
  }
}

/** Whether it takes more than a glance to see that a step has had its minutes. */
export const isOver = (stepState: StepState, now: number): boolean =>
  stepState.standing === 'on' && now >= endOf(stepState);
