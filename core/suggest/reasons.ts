import { brightnessStep } from '../pattern';
import type { Technique } from '../technique';
import { percent } from '../units';
import type { SuggestFacts } from './facts';
import type { Taken } from './taken';

/** One reason for or against a technique. */
export interface Reason {
  /**
   * > 0 for it, < 0 against; the sum orders the suggestions. Working assumptions, to be calibrated by what is
   * taken.
   */
  readonly weight: number;
  readonly words: string;
}

/** Tied up at least this much of the time, the pattern must work from the perimeter. */
export const UP_SHARE = 0.5;
/** Before so many weeks a full service comes too early; the hairline shows first. */
const EARLY_WEEKS = 7;

/** From so many weeks between visits a root line would show before the next one. */
const LONG_WEEKS = 11;

/** From here on the wish is for nearly all of the hair. */
const BRIGHTEST = 4.5;

type Trait = 'baby' | 'deep' | 'partial' | 'perimeter' | 'contrast' | 'grey' | 'lived-in' | 'quick' | 'soft';

/** What each built-in technique is good for. */
const TRAITS: Readonly<Record<string, readonly Trait[]>> = {
  'four-quarters': ['soft'],
  'baby-veil': ['soft', 'baby'],
  'hairline-and-threes': ['perimeter', 'soft'],
  'crossed-part': ['partial', 'quick'],
  'crossed-part-and-sides': ['partial', 'quick'],
  'perimeter-up': ['perimeter', 'partial', 'quick'],
  'teased-sweep': ['lived-in'],
  'refresh-and-teased': ['perimeter', 'partial', 'lived-in'],
  'grey-blend': ['grey'],
  'silver-turn': ['grey', 'partial'],
  'crown-wheel': ['contrast'],
  'fast-slices': ['quick', 'contrast'],
  'deep-contrast': ['contrast', 'deep'],
  'face-only': ['partial', 'quick'],
  'two-mixes-in-bricks': ['soft'],
  'painted-by-foils': ['lived-in'],
  'open-air': ['lived-in', 'perimeter'],
  'staggered-back': ['quick'],
};

const range = (low: number, high: number) => `${Math.round(low * 100)}–${Math.round(high * 100)}%`;

export const isFromPerimeter = ({ key }: Technique): boolean => TRAITS[key]?.includes('perimeter') ?? false;

/** Why a technique suits this visit, and why not. @param taken as it would be taken */
export function reasonsFor(technique: Technique, taken: Taken, facts: SuggestFacts): Reason[] {
  const traits = TRAITS[technique.key] ?? [];
  const has = (trait: Trait) => traits.includes(trait);
  const out: Reason[] = [];
  const early = facts.weeksSinceLast !== null && facts.weeksSinceLast < EARLY_WEEKS;

  const wish = brightnessStep(facts.brightness);
  const [low, high] = wish.share;
  // As it is said: a tenth of a point is not seen.
  const share = Math.round(100 * taken.shares.lightened) / 100;
  if (share >= low && share <= high)
    out.push({
      weight: 3,
      words: `${percent(share)} lightened on this head, as “${wish.words}” asks (${range(low, high)})`,
    });
  else if (!(early && has('partial'))) {
    const off = Math.abs(Math.log(share / (share < low ? low : high)));
    out.push({
      weight: -2.5 * Math.min(2, off),
      words: `${percent(share)} lightened is ${share < low ? 'below' : 'above'} what “${wish.words}” asks (${range(low, high)})`,
    });
  }
  if (facts.minutes !== null) {
    const over = taken.minutes / facts.minutes;
    out.push(
      over <= 1.005
        ? { weight: 1, words: `about ${Math.round(taken.minutes)} of ${facts.minutes} min` }
        : {
            weight: -2 * Math.min(2, over - 1),
            words: `takes about ${Math.round(taken.minutes)} min and there are ${facts.minutes}`,
          },
    );
    // Half of its foils left out is another pattern than the one that was chosen.
    const left = taken.foils / taken.foilsUnfitted;
    if (left < 1)
      out.push({
        weight: -3 * (1 - left),
        words: `${taken.foilsUnfitted - taken.foils} of its ${taken.foilsUnfitted} foils left out to fit`,
      });
  }
  if (facts.wornUpShare !== null && facts.wornUpShare >= UP_SHARE) {
    if (has('perimeter'))
      out.push({
        weight: 2.5,
        words: `tied up ${percent(facts.wornUpShare)} of the time: the hairline band carries the look`,
      });
    else
      out.push({
        weight: -0.5,
        words: `tied up ${percent(facts.wornUpShare)} of the time, and this works from the inside`,
      });
  }
  if (facts.weeksSinceLast !== null) {
    if (early && has('partial'))
      out.push({
        weight: 2.5,
        words: `${facts.weeksSinceLast} weeks since the last visit: hairline and part show first, the rest can wait`,
      });
    if (early && !has('partial'))
      out.push({
        weight: -1.5,
        words: `${facts.weeksSinceLast} weeks since the last visit is early for all of the head`,
      });
    if (!early && has('partial'))
      out.push({
        weight: -1.5,
        words: `${facts.weeksSinceLast} weeks since the last visit: more than a part of the head has grown`,
      });
  }
  if (facts.greyShare !== null && facts.greyShare >= 0.3) {
    out.push(
      has('grey')
        ? { weight: 2.5, words: `${percent(facts.greyShare)} grey: blends it rather than covers it` }
        : { weight: -0.5, words: '' },
    );
  } else if (has('grey')) out.push({ weight: -2, words: '' });
  const lift = facts.goalLevel - facts.naturalLevel;
  if (facts.naturalLevel <= 5 && lift >= 3) {
    if (has('contrast'))
      out.push({
        weight: facts.brightness >= 4 ? 2 : 0.5,
        words: `base ${facts.naturalLevel}, ${lift} levels of lift: contrast is part of it`,
      });
    if (has('soft'))
      out.push({
        weight: 0.7,
        words: `base ${facts.naturalLevel} to ${facts.goalLevel}: fine pieces keep ${lift} levels of lift from striping`,
      });
  } else if (has('contrast')) out.push({ weight: -1, words: '' });
  if (facts.weeksBetween !== null && facts.weeksBetween >= LONG_WEEKS) {
    if (has('lived-in'))
      out.push({
        weight: 3,
        words: `comes every ${facts.weeksBetween} weeks: starts off the scalp grow out without a line`,
      });
    if (has('contrast'))
      out.push({
        weight: -1,
        words: `comes every ${facts.weeksBetween} weeks, and contrast shows a line early`,
      });
  }
  if (facts.brightness >= BRIGHTEST && facts.contrast !== 'high' && has('baby'))
    out.push({ weight: 4, words: 'the finest and closest pieces: the softest way to get this bright' });
  if (facts.naturalLevel <= 5 && facts.contrast === 'high' && has('deep'))
    out.push({
      weight: 2.5,
      words: `base ${facts.naturalLevel}: deep weaves carry high contrast on dark hair`,
    });
  if (facts.contrast === 'high')
    out.push({
      weight: has('contrast') ? 2 : has('soft') ? -1 : 0,
      words: has('contrast')
        ? 'high contrast is wished for'
        : has('soft')
          ? 'soft, but high contrast is wished for'
          : '',
    });
  if (facts.contrast === 'blended' && (has('soft') || has('lived-in')))
    out.push({ weight: 1, words: 'blended, as wished for' });
  if (facts.contrast === 'blended' && has('contrast'))
    out.push({ weight: -3, words: 'stands apart, but a blend is wished for' });
  if (facts.partMoves === 'often' && /part/.test(technique.key))
    out.push({ weight: 1, words: 'the part moves often: the whole part panel is lit' });
  if (has('lived-in') && facts.schools.rootShadow === 'spacing' && facts.schools.feather === 'feather') {
    out.push({ weight: 0.6, words: 'starts off the scalp and feathered, as your house likes it' });
  }
  return out;
}
