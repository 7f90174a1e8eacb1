/** Words that begin a line or a sentence. */
export const capital = (words: string): string =>
  words === '' ? '' : `${words[0].toUpperCase()}${words.slice(1)}`;
