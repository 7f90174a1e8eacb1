/**
 * What is exposed when hair is lifted to a level, and what neutralises it: complements on the colour wheel.
 */
export interface Undercoat {
  readonly level: number;
  readonly exposed: string;
  /** null where nothing needs to be neutralised. */
  readonly neutralisedBy: string | null;
}

const UNDERCOATS: readonly Undercoat[] = [
  { level: 1, exposed: 'dark red-brown', neutralisedBy: 'green' },
  { level: 2, exposed: 'dark red-brown', neutralisedBy: 'green' },
  { level: 3, exposed: 'red-brown', neutralisedBy: 'green' },
  { level: 4, exposed: 'red', neutralisedBy: 'green' },
  { level: 5, exposed: 'red-orange', neutralisedBy: 'blue-green' },
  { level: 6, exposed: 'orange', neutralisedBy: 'blue' },
  { level: 7, exposed: 'gold-orange', neutralisedBy: 'blue-violet' },
  { level: 8, exposed: 'yellow-gold', neutralisedBy: 'violet-blue' },
  { level: 9, exposed: 'pale yellow', neutralisedBy: 'violet' },
  { level: 10, exposed: 'palest yellow', neutralisedBy: null },
];

/** Undercoat at the nearest whole level. */
export function undercoatAt(level: number): Undercoat {
  return UNDERCOATS[Math.min(10, Math.max(1, Math.round(level))) - 1];
}

/** Levels that a lift passes, with what each exposes. */
export function undercoatsBetween(from: number, to: number): Undercoat[] {
  const [low, high] = [Math.round(from), Math.round(to)];
  return UNDERCOATS.filter(({ level }) => level > low && level <= high);
}
