import type { PatternEngine } from '../pattern';
import { TECHNIQUES, type Technique } from '../technique';
import type { SuggestFacts } from './facts';
import { isFromPerimeter, reasonsFor, UP_SHARE, type Reason } from './reasons';
import { takenOf, type Taken } from './taken';

/** A technique that suits the visit, set for it, with its reasons. */
export interface Suggestion extends Omit<Taken, 'foilsUnfitted'> {
  readonly technique: Technique;
  /** Why this one. */
  readonly why: readonly string[];
  /** What speaks against it. */
  readonly but: readonly string[];
}

const MOST = 3;
/** Techniques that nothing speaks for are not suggested, however few are left. */
const LEAST_WEIGHT = 0;

interface Weighed {
  readonly technique: Technique;
  readonly taken: Taken;
  readonly reasons: readonly Reason[];
  readonly weight: number;
}

/**
 * Up to three techniques for a visit, the best first. Reasons are weighed one by one and shown, on the
 * pattern that would be taken: set for
 * the house and the client, and thinned where it would take longer than there is. Hair that is tied up half
 * of the time or more has a pattern
 * from the perimeter among them.
 */
export function suggest(facts: SuggestFacts, engine: PatternEngine): Suggestion[] {
  const all = TECHNIQUES.map((technique): Weighed => {
    const taken = takenOf(technique, facts, engine);
    const reasons = reasonsFor(technique, taken, facts);
    return { technique, taken, reasons, weight: reasons.reduce((sum, { weight }) => sum + weight, 0) };
  }).sort((a, b) => b.weight - a.weight);
  const best = all.filter(({ weight }) => weight > LEAST_WEIGHT).slice(0, MOST);
  const up = facts.wornUpShare !== null && facts.wornUpShare >= UP_SHARE;
  if (up && !best.some(({ technique }) => isFromPerimeter(technique)))
    best.splice(
      MOST - 1,
      MOST,
      all.find(({ technique }) => isFromPerimeter(technique))!,
    );
  return best.map(({ technique, taken: { plan, foils, minutes, shares, settings }, reasons }): Suggestion => {
    const said = (of: (weight: number) => boolean) =>
      reasons
        .filter(({ weight, words }) => of(weight) && words !== '')
        .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight))
        .map(({ words }) => words);
    return {
      technique,
      plan,
      foils,
      minutes,
      shares,
      settings,
      why: said((weight) => weight > 0),
      but: said((weight) => weight < 0),
    };
  });
}
