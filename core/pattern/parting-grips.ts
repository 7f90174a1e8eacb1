import { dot, fromOpened, mirrored, subtract, type Head, type OpenedPoint } from '../head';
import { turnBetween } from './cell-figures';
import type { FoilPath } from './panel-foils';
import { partingAxes } from './parting-axes';
import type { Foil, PanelTotals } from './sheet';
import { nominalDropout } from './spacing';
import type { Direction, Panel, PlainSpacing } from './types';

const { atan2, hypot, max, min, round, PI } = Math;

/** Middle of a foil on the opened head, and its end that lies farther from the apex. */
export function foilPoints({ packed, count }: FoilPath): {
  readonly middle: OpenedPoint;
  readonly end: OpenedPoint;
} {
  const at = (j: number): OpenedPoint => ({ x: packed[6 * j], y: packed[6 * j + 1] });
  const [first, last] = [at(0), at(count - 1)];
  return { middle: at(count >> 1), end: hypot(first.x, first.y) > hypot(last.x, last.y) ? first : last };
}

/**
 * The panel whose drop-out lets this foil lie where its middle was dragged to: the foils before it share the
 * way.
 * Targets of foils, share or time become an even drop-out, as the hand has set it.
 * @param totals of the panel, for the drop-out that a target came to
 */
export function withFoilMovedTo(
  panel: Panel,
  foil: Foil,
  path: FoilPath,
  to: OpenedPoint,
  totals: PanelTotals | undefined,
): Panel {
  const { middle } = foilPoints(path);
  const j = 6 * (path.count >> 1);
  const across = { x: path.packed[j + 4] - path.packed[j + 2], y: path.packed[j + 5] - path.packed[j + 3] };
  const size = hypot(across.x, across.y) || 1;
  const by = ((to.x - middle.x) * across.x + (to.y - middle.y) * across.y) / size;
  const { spacing } = panel;
  // Counted back from the part, the first row lies there and the others away from it.
  const share = by / max(1, foil.row - 1);
  const step = (mm: number) => min(80, max(0, round(2 * (mm + share)) / 2));
  const plain = (plainSpacing: PlainSpacing): PlainSpacing => {
    if (plainSpacing.kind === 'constant') return { ...plainSpacing, dropoutMm: step(plainSpacing.dropoutMm) };
    if (plainSpacing.kind === 'eased')
      return { ...plainSpacing, fromMm: step(plainSpacing.fromMm), toMm: step(plainSpacing.toMm) };
    return { ...plainSpacing, dropoutsMm: plainSpacing.dropoutsMm.map(step) };
  };
  switch (spacing.kind) {
    case 'constant':
    case 'eased':
    case 'graded':
      return { ...panel, spacing: plain(spacing) };
    case 'backwards':
      return { ...panel, spacing: { ...spacing, spacing: plain(spacing.spacing) } };
    default:
      return {
        ...panel,
        spacing: {
          kind: 'constant',
          dropoutMm: step(totals?.solvedDropoutMm ?? nominalDropout(spacing) ?? foil.dropoutMm),
        },
      };
  }
}

/** Whether a panel's partings have an angle that can be turned by hand. */
export function turnsByHand({ kind }: Direction): boolean {
  return kind === 'parallel' || kind === 'pivot' || kind === 'crossed';
}

/**
 * The panel whose partings have turned as this foil was, when its end was dragged from one point to another.
 */
export function withFoilTurnedTo(
  panel: Panel,
  foil: Foil,
  path: FoilPath,
  head: Head,
  to: OpenedPoint,
): Panel {
  const { middle, end } = foilPoints(path);
  // The right is worked as the left in the mirror. Angles are those on the skin: the opened head stretches
  // them.
  const own = (point: OpenedPoint) =>
    foil.side === 'right' ? mirrored(fromOpened(head, point)) : fromOpened(head, point);
  const centre = own(middle);
  const { level, up } = partingAxes(head, centre, foil.side === 'across');
  const angle = (point: OpenedPoint) => {
    const along = subtract(own(point), centre);
    return (atan2(-dot(along, up), dot(along, level)) * 180) / PI;
  };
  const by = turnBetween(angle(end), angle(to));
  const turned = (angle: number, least = -90, most = 90) => min(most, max(least, round(angle + by)));
  const { direction } = panel;
  switch (direction.kind) {
    case 'parallel':
      return { ...panel, direction: { ...direction, angleDeg: turned(direction.angleDeg) } };
    case 'pivot':
      return { ...panel, direction: { ...direction, fromDeg: turned(direction.fromDeg) } };
    case 'crossed':
      return { ...panel, direction: { ...direction, angleDeg: turned(direction.angleDeg, 5, 75) } };
    default:
      return panel;
  }
}
