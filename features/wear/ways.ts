import { keysOf } from '@/core/units';
import { STYLES, type Style, type Way, type WearSubject } from '@/core/wear';

/** Each way of wearing as it is chosen, in the order in which they are offered; one that is missing does not compile. */
const STYLE_WORDS: Readonly<Record<Style, { readonly words: string; readonly hint: string }>> = {
  down: { words: 'Down', hint: 'as it falls' },
  'tied-back': { words: 'Tied back', hint: 'stripes, unlit hairline' },
  'tied-low': { words: 'Tied low', hint: 'at the nape' },
  'tied-high': { words: 'Tied high', hint: 'behind the ears shows' },
  bun: { words: 'Loose bun', hint: 'hairline and nape' },
  'half-up': { words: 'Half up', hint: 'the crown’s underneath' },
  forward: { words: 'Brought forward', hint: 'over the shoulders' },
  swept: { words: 'Side sweep', hint: 'over one shoulder' },
  blown: { words: 'Crown blown open', hint: 'split by wind' },
  lifted: { words: 'Underneath free', hint: 'the top clipped up' },
  zigzag: { words: 'Zigzag part', hint: 'about its line' },
};

/** Ways to look at, as they are chosen: a part is put in where hair has one. */
export const WAYS = keysOf(STYLE_WORDS).map((key) => ({ key, ...STYLE_WORDS[key] }));

/** @param partMm from the middle, + the client's left */
export const wayOf = (style: Style, partMm: number): Way => STYLES[style](partMm);

/** The style of a way: inverse of {@link wayOf}. */
export function styleOf(way: Way): Style {
  if (way.kind !== 'tied') return way.kind;
  return ({ low: 'tied-low', middle: 'tied-back', high: 'tied-high' } as const)[way.at];
}

/** Whether a way of wearing has a part that can be moved. */
export const isParted = (style: Style): boolean => 'partMm' in STYLES[style](0);

/** Where the part lies as it is worn. */
export const ownPart = ({ plan }: Pick<WearSubject, 'plan'>): number =>
  plan.head.part.none ? 0 : plan.head.part.offsetMm;
