import type { PlacedUnit } from './unit';

const mm = (value: number) => `${Math.round(value)} mm`;

/**
 * Where the product begins, as it is said at the chair: `from the scalp`, `38 mm off the scalp, feathered
 * over 20 mm`.
 */
export function startWords({
  startMm,
  featherMm,
  teasing,
  edgesMm,
}: Pick<PlacedUnit, 'startMm' | 'featherMm' | 'teasing' | 'edgesMm'>): string {
  return [
    startMm > 0 ? `${mm(startMm)} off the scalp` : 'from the scalp, not on it',
    edgesMm > 0 && `${mm(edgesMm)} further out at the edges`,
    featherMm > 0 && `feathered over ${mm(featherMm)}`,
    teasing > 0 && `teased, ${teasing} ${teasing === 1 ? 'push' : 'pushes'}`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** How far the product goes: `to the ends`, `the regrowth only, to 26 mm`. */
export function reachWords({
  reach,
  reachMm: [from, to],
  hairMm,
  surface,
  kind,
  endsOutMm,
}: Pick<PlacedUnit, 'reach' | 'reachMm' | 'hairMm' | 'surface' | 'kind' | 'endsOutMm'>): string {
  if (to <= from) return 'nothing is painted';
  if (reach === 'regrowth')
    return to >= hairMm - 0.5
      ? 'the regrowth only, not measured yet'
      : `the regrowth only, to ${mm(to)}; keep off the light hair`;
  const far =
    to >= hairMm - 0.5
      ? kind === 'tip-out'
        ? `the tips, from ${mm(from)}`
        : 'to the ends'
      : `only to ${mm(to)}, ${endsOutMm > 0 ? 'light ends out' : 'ends left out'}`;
  return surface ? `${far}, on the surface` : far;
}

/** The ends' own mix: `last 80 mm: 10 vol, 1 : 2`; null where they have none. */
export function endsSentence({
  endsMm,
  endsMix,
}: {
  readonly endsMm: number;
  readonly endsMix: string | null;
}): string | null {
  return endsMix === null || endsMm <= 0 ? null : `last ${mm(endsMm)}: ${endsMix}`;
}
