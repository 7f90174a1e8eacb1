import { mixKey, MIX_PARTS, type MixPart } from '../bowl';
import type { LetterRow } from './letters';

/** Name of the bowl that a letter's mix comes from. */
export type MixNames = (letter: string, part: MixPart) => string;

const PART_WORDS: Readonly<Record<MixPart, string>> = { length: '', ends: ' ends', second: ' second' };

/** A mix by itself, before others share its bowl: `A`, `A ends`, `A second`. */
export const ownMixName = (letter: string, part: MixPart): string => `${letter}${PART_WORDS[part]}`;

/**
 * Names of the mixes as bowls are called: letters whose powder, strength and ratio are the same share one,
 * whatever they are
 * put on (`A + C`). The second application has bowls of its own: it comes when the first ones are long spent.
 * @param taken mixes that something is painted with, by their own names
 */
export function mixNames(
  rows: readonly Pick<LetterRow, 'letter' | 'formula'>[],
  taken: ReadonlySet<string>,
): MixNames {
  const sharing = new Map<string, string[]>();
  const keys = new Map<string, string>();
  for (const { letter, formula } of rows) {
    for (const part of MIX_PARTS) {
      const own = ownMixName(letter, part);
      if (!taken.has(own)) continue;
      const key = `${part === 'second'} ${mixKey(formula, part)}`;
      keys.set(own, key);
      sharing.set(key, [...(sharing.get(key) ?? []), own]);
    }
  }
  return (letter, part) => {
    const own = ownMixName(letter, part);
    const key = keys.get(own);
    return key === undefined ? own : sharing.get(key)!.join(' + ');
  };
}
