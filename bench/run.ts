import { printed } from './measure';
import { patternMeasures } from './pattern';

/** Prints one line a measure: name, median after warm-up, ratio to the plain baseline of this run, budget. */
for (const measure of patternMeasures()) console.log(printed(measure));
