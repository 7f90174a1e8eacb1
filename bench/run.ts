import { clockMeasures } from './clock';
import { isOver, printed } from './measure';
import { patternMeasures } from './pattern';
import { visitMeasures } from './visit';

/**
 * Prints one line a measure: name, median after warm-up, ratio to the plain baseline of this run, budget.
 * Ends with 1 where one is over.
 */
const pattern = patternMeasures();
for (const measure of [
  ...pattern,
  ...visitMeasures(pattern[0].medianMs),
  ...clockMeasures(pattern[0].medianMs),
]) {
  console.log(printed(measure));
  if (isOver(measure)) process.exitCode = 1;
}
