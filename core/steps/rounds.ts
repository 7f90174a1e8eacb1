import { PUT_ON_MINUTES } from './minutes';
import { isColour, stepName, type ServiceStep } from './step';

/** When a step is begun and when it is done, minutes. */
interface StepTimes {
  readonly from: number;
  readonly to: number;
}

/** Steps by rounds: colours that follow each other, the longest first; everything else alone. */
export function roundsOf<S extends Pick<ServiceStep, 'kind' | 'minutes'>>(steps: readonly S[]): S[][] {
  const out: S[][] = [];
  for (const step of steps) {
    const last = out.at(-1);
    if (last && isColour(step) && isColour(last[0])) last.push(step);
    else out.push([step]);
  }
  for (const round of out) round.sort((a, b) => b.minutes - a.minutes);
  return out;
}

/** A step at its time: minutes from the end of the last rinse. */
export interface TimedStep extends StepTimes {
  readonly step: ServiceStep;
  /** With its place. */
  readonly words: string;
}

/**
 * Steps at their times, in the order in which they are begun. In a round the longest begins at once and the
 * others so that they
 * end with it; each is put on once the one before it is on. Two of the same time end one after the other:
 * nothing stays on past
 * its minutes.
 */
export function timedSteps(steps: readonly ServiceStep[]): TimedStep[] {
  const out: TimedStep[] = [];
  for (const round of roundsOf(steps)) {
    const begun = wholeMinutes(out);
    let free = begun;
    for (const step of round) {
      const from = Math.max(free, begun + round[0].minutes - step.minutes);
      out.push({ step, words: stepName(step), from, to: from + step.minutes });
      free = from + PUT_ON_MINUTES;
    }
  }
  return out;
}

/** Minutes that some steps take in all. */
export const wholeMinutes = (steps: readonly StepTimes[]): number =>
  Math.max(0, ...steps.map(({ to }) => to));
