import type { Way, WearSubject } from '@/core/wear';

/** Ways to look at, as they are chosen: a part is put in where hair has one. */
export const WAYS = [
  { key: 'down', words: 'Down', hint: 'as it falls' },
  { key: 'tied', words: 'Tied back', hint: 'stripes, unlit hairline' },
  { key: 'low', words: 'Tied low', hint: 'at the nape' },
  { key: 'high', words: 'Tied high', hint: 'behind the ears shows' },
  { key: 'half-up', words: 'Half up', hint: 'the crown’s underneath' },
  { key: 'forward', words: 'Brought forward', hint: 'over the shoulders' },
  { key: 'blown', words: 'Crown blown open', hint: 'split by wind' },
  { key: 'lifted', words: 'Underneath free', hint: 'the top clipped up' },
  { key: 'zigzag', words: 'Zigzag part', hint: 'about its line' },
] as const;

export type WayKey = (typeof WAYS)[number]['key'];

/** @param partMm from the middle, + the client's left */
export function wayOf(key: WayKey, partMm: number): Way {
  switch (key) {
    case 'tied': return { kind: 'tied', at: 'middle' };
    case 'low': return { kind: 'tied', at: 'low' };
    case 'high': return { kind: 'tied', at: 'high' };
    case 'half-up': return { kind: 'half-up' };
    case 'lifted': return { kind: 'lifted' };
    default: return { kind: key, partMm };
  }
}

export function keyOf(way: Way): WayKey {
  if (way.kind !== 'tied') return way.kind;
  return way.at === 'middle' ? 'tied' : way.at;
}

/** Whether a way of wearing has a part that can be moved. */
export const isParted = (key: WayKey): boolean => key === 'down' || key === 'zigzag' || key === 'forward' || key === 'blown';

/** Where the part lies as it is worn. */
export const ownPart = ({ plan }: Pick<WearSubject, 'plan'>): number => (plan.head.part.none ? 0 : plan.head.part.offsetMm);
