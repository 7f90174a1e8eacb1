import { bareLength, formatLength, type LengthUnit } from '../units';
import { singleName } from './gather';
import { nominalDropout } from './spacing';
import type { Direction, Gather, Panel } from './types';

/** The gather by the name the trade gives it, from its stitch, depth and thickness. */
export function gatherName(gather: Gather, thicknessMm: number): string {
  return gather.kind === 'alternate' ? turnsName(gather, thicknessMm) : singleName(gather, thicknessMm);
}

/** `slice, slice, weave in turn`; `3 slices, 2 fine weaves, then slices`. */
function turnsName({ of, then }: Extract<Gather, { kind: 'alternate' }>, thicknessMm: number): string {
  const names = of.map((turn) => gatherName(turn.gather, turn.thicknessMm ?? thicknessMm));
  const runs: { name: string; count: number }[] = [];
  for (const name of names) {
    if (runs.at(-1)?.name === name) runs.at(-1)!.count += 1;
    else runs.push({ name, count: 1 });
  }
  if (runs.length === 1) return names[0];
  const words = runs.map(({ name, count }) => (count === 1 ? name : `${count} ${name}s`));
  return then === 'again'
    ? `${words.join(', ')} in turn`
    : `${words.slice(0, -1).join(', ')}, then ${names.at(-1)}s`;
}

/** Direction of the partings in words: `horizontal`, `diagonal back 30°`. */
export function directionName(direction: Direction): string {
  switch (direction.kind) {
    case 'parallel':
      return angleName(direction.angleDeg);
    case 'pivot':
      return `${angleName(direction.fromDeg)} turning to ${direction.toDeg === 'part' ? 'the part' : angleName(direction.toDeg)}`;
    case 'hairline':
      return 'parallel to the hairline';
    case 'part':
      return 'parallel to the part';
    case 'radial':
      return direction.about === 'crown' ? 'wheel round the crown' : 'wedges about a point';
    case 'crossed':
      return 'crossed diagonals';
    case 'sequence':
      return 'in sequence';
  }
}

/** An angle of a parting in words: `horizontal`, `diagonal back 30°`. */
export function angleName(deg: number): string {
  if (Math.abs(deg) < 0.5) return 'horizontal';
  if (Math.abs(deg) > 89.5) return 'vertical';
  return `diagonal ${deg > 0 ? 'back' : 'forward'} ${Math.round(Math.abs(deg))}°`;
}

/** Way of one parting in words: by its angle, or by the line of the head that it follows. */
export function partingName(direction: Direction, angleDeg: number): string {
  return direction.kind === 'hairline' || direction.kind === 'part' || direction.kind === 'radial'
    ? directionName(direction)
    : angleName(angleDeg);
}

/**
 * Recipe of a panel in one line: `fine weave, 4 + 5 mm` (thickness + drop-out), in the unit that is asked
 * for.
 */
export function recipeLine(panel: Panel, unit: LengthUnit = 'mm'): string {
  return `${gatherName(panel.gather, panel.thicknessMm)}, ${bareLength(panel.thicknessMm, unit)} + ${spacingName(panel, unit)}`;
}

function spacingName({ spacing }: Panel, unit: LengthUnit): string {
  switch (spacing.kind) {
    case 'constant':
      return formatLength(spacing.dropoutMm, unit);
    case 'graded':
      return `${spacing.dropoutsMm.map((mm) => bareLength(mm, unit)).join(', ')} …${unit === 'in' ? '' : ` ${unit}`}`;
    case 'eased':
      return `${bareLength(spacing.fromMm, unit)}–${formatLength(spacing.toMm, unit)}`;
    case 'count':
      return `as ${spacing.foils} foils ask`;
    case 'share':
      return `as ${Math.round(spacing.lightened * 100)}% ask`;
    case 'minutes':
      return `as ${spacing.minutes} min ask`;
    case 'budget':
      return 'as the budget asks';
    case 'backwards':
      return `${formatLength(nominalDropout(spacing) ?? 0, unit)} from the line`;
  }
}
