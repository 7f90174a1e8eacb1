import type { CautionedFormula, MixCautionFacts } from '../../caution';
import { isPast, type PlacedFoil } from '../../clock';
import type { RecipePart, Shelf } from '../../products';
import type { WorkList, WorkUnit } from '../../work';
import type { ColourPlace, VisitMix } from '..';

interface Facts {
  readonly mix: VisitMix;
  readonly work: WorkList;
  readonly shelf: Shelf;
  readonly fragileZones: MixCautionFacts['fragileZones'];
  readonly overlapping: readonly WorkUnit[];
  /**
   * The foils of a plan of the clock that was chosen although some stay on past their limits; null without.
   */
  readonly past: readonly PlacedFoil[] | null;
  readonly rootWarning: string | null;
}

/** What the cautions of a visit rest on, of all that is mixed for it. */
export function cautionFactsOf({
  mix,
  work,
  shelf,
  fragileZones,
  overlapping,
  past,
  rootWarning,
}: Facts): MixCautionFacts {
  const formulas: Record<string, CautionedFormula> = {};
  for (const { letter, formula } of work.letters) {
    formulas[letter] = {
      volumes: Math.max(
        formula.volumes,
        formula.ends?.volumes ?? 0,
        (formula.kind === 'lift' && formula.second?.volumes) || 0,
      ),
      celsius: formula.kind === 'lift' ? (formula.warmth?.celsius ?? null) : null,
    };
  }
  const longest = (line: string) => shelf.line(line)?.minutes.most ?? Infinity;
  const timed = [
    ...mix.toners.map(({ line, minutes }) => ({ what: 'toner', minutes, limit: longest(line) })),
    ...tooLongIn(past ?? []),
    ...mix.roots.map(({ line, minutes }) => ({ what: 'root colour', minutes, limit: longest(line) })),
    ...work.letters.flatMap(({ letter, formula, units }) =>
      formula.kind === 'lift' || units === 0
        ? []
        : [{ what: `formula ${letter}`, minutes: formula.minutes, limit: longest(formula.line) }],
    ),
  ];
  return {
    units: work.units,
    formulas,
    fragileZones,
    overlapping: overlapping.length,
    rootWarning,
    onScalp: [
      ...mix.roots.map(({ volumes }) => ({ what: 'root colour', volumes })),
      ...mix.toners.filter(isAtRoots).map(({ volumes }) => ({ what: 'toner', volumes })),
      ...mix.corrections
        .filter(isAtRoots)
        .map(({ name, parts }) => ({ what: name.toLowerCase(), volumes: pouredVolumes(parts) })),
    ],
    tooLong: timed.filter(({ minutes, limit }) => minutes > limit),
    oldestBowl: Math.max(0, ...work.lift.map(({ oldestBowlMinutes }) => oldestBowlMinutes)),
  };
}

const isAtRoots = ({ place: { lengths } }: { readonly place: ColourPlace }) =>
  lengths.length === 0 || lengths.includes('roots');

/** The strongest developer of a recipe as it is poured, whatever thins it; 0 without. */
const pouredVolumes = (parts: readonly RecipePart[]) =>
  Math.max(0, ...parts.map((part) => ('volumes' in part ? part.volumes : 0)));

/** Foils that stay on past their limit, by the one that stays longest past it. */
function tooLongIn(foils: readonly PlacedFoil[]): { what: string; minutes: number; limit: number }[] {
  const over = foils.filter(isPast);
  if (over.length === 0) return [];
  const worst = over.reduce((a, b) => (b.clear - b.limit > a.clear - a.limit ? b : a));
  const what = over.length === 1 ? 'one foil' : `${over.length} foils, up to`;
  return [{ what, minutes: worst.clear - worst.placed, limit: worst.limit - worst.placed }];
}
