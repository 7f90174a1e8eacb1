import { textWidth } from './text-width';

/** Text as much of which stands in a width (mm) as fits. */
export function cut(words: string, size: number, width: number, weight = 400): string {
  if (textWidth(words, size, weight) <= width) return words;
  let end = words.length;
  while (end > 1 && textWidth(`${words.slice(0, end)}…`, size, weight) > width) end -= 1;
  return `${words.slice(0, end).trimEnd()}…`;
}

/** Sentences in lines of a width, mm. */
export function wrapped(sentences: readonly string[], size: number, width: number): string[] {
  const lines: string[] = [];
  for (const word of sentences.join(' ').split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && textWidth(`${last} ${word}`, size) <= width)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
