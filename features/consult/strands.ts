/** Thickness of a single hair, as it is chosen. */
export const STRANDS = [
  { value: 'fine', words: 'Fine' },
  { value: 'medium', words: 'Medium' },
  { value: 'coarse', words: 'Coarse' },
] as const;
