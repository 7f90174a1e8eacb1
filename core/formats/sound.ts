import { pathOf } from './path-of';

/** Nothing that people write down nests deeper. */
const MOST_DEPTH = 40;

/**
 * Why JSON cannot be taken whatever it means, as a sentence; undefined where it can: it nests too deep, or a
 * text in it holds what no
 * text does, the character zero or half of a pair.
 */
export function unsound(value: unknown): string | undefined {
  const left: { readonly own: unknown; readonly path: readonly PropertyKey[] }[] = [{ own: value, path: [] }];
  for (let next = left.pop(); next; next = left.pop()) {
    const { own, path } = next;
    if (typeof own === 'string') {
      if (isUnsound(own)) return `${pathOf(path) || 'The text'}: holds a character that cannot be kept.`;
      continue;
    }
    if (typeof own !== 'object' || own === null) continue;
    if (path.length >= MOST_DEPTH)
      return `${pathOf(path.slice(0, 4))}: is nested more than ${MOST_DEPTH} deep.`;
    for (const [key, inner] of Object.entries(own)) {
      if (isUnsound(key))
        return `${pathOf(path) || 'The document'}: holds a name with a character that cannot be kept.`;
      if (typeof inner === 'string' || typeof inner === 'object')
        left.push({ own: inner, path: [...path, Array.isArray(own) ? Number(key) : key] });
    }
  }
  return undefined;
}

/** The character zero, and half of a surrogate pair: a database keeps neither. */
const UNSOUND = /\0|\p{Surrogate}/u;
const isUnsound = (text: string): boolean => UNSOUND.test(text);

/** A text without what cannot be kept of it. */
export const soundText = (text: string): string => text.replace(new RegExp(UNSOUND, 'gu'), '');

/**
 * The beginning of a text, at most so many units of UTF-16 long, cut where a reader would: never within a
 * letter or an emoji.
 */
export function beginningOf(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  for (const { index, segment } of new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(
    text.slice(0, most + 64),
  )) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end);
}
