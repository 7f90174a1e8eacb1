import { mirrorHeadSpec } from '../head';
import { entriesOf } from '../units';
import {
  followsHair,
  type Direction,
  type DiskPoint,
  type HandEdit,
  type Panel,
  type PanelSide,
  type Place,
  type Plan,
  type PlanHair,
  type SequenceStep,
  type Variation,
} from './types';
import { swapSide } from '../head';

/** The same panel on the other side: what a mirror shows. Mirroring twice gives the panel back. */
export function mirrorPanel(panel: Panel): Panel {
  const { side } = panel;
  return {
    ...panel,
    side: mirrorSide(side),
    place: mirrorPlace(panel.place, side),
    leaveOut: side === 'both' ? panel.leaveOut : panel.leaveOut.map(mirrorPoints),
    direction: mirrorDirection(panel.direction, side),
    order: { ...panel.order, sides: mirrorOrder(panel.order.sides) },
  };
}

/**
 * The other side as it is really worked: mirrored, but not quite. Drop-outs and the angle then differ from
 * the first
 * side within limits, drawn from a seed, so that the same plan gives the same foils.
 */
export function looselyMirrored(panel: Panel, variation: Variation): Panel {
  return { ...mirrorPanel(panel), variation };
}

/** The whole plan on a head seen in a mirror: left and right of everything exchanged. */
export function mirrorPlan(plan: Plan): Plan {
  const { head } = plan;
  return {
    ...plan,
    head: { ...mirrorHeadSpec(head), part: { ...head.part, offsetMm: 0 - head.part.offsetMm } },
    hair: mirrorHair(plan.hair),
    panels: plan.panels.map(mirrorPanel),
    edits: plan.edits.map(mirrorEdit),
  };
}

/** Hair with the zones of both sides exchanged. */
function mirrorHair(hair: PlanHair): PlanHair {
  return {
    ...hair,
    byZone: Object.fromEntries(entriesOf(hair.byZone).map(([zone, own]) => [swapSide(zone), own])),
  };
}

function mirrorEdit(edit: HandEdit): HandEdit {
  if (edit.kind === 'add') return { ...edit, side: mirrorSide(edit.side) as typeof edit.side };
  const [panel, row, column] = edit.foil.split('/');
  return { ...edit, foil: `${panel}/${row}/${0 - Number(column)}` };
}

function mirrorSide(side: PanelSide): PanelSide {
  if (side === 'left') return 'right';
  return side === 'right' ? 'left' : side;
}

function mirrorOrder(sides: Panel['order']['sides']): Panel['order']['sides'] {
  if (sides === 'left-first') return 'right-first';
  return sides === 'right-first' ? 'left-first' : sides;
}

const mirrorPoints = (points: readonly DiskPoint[]): DiskPoint[] => points.map(([x, y]) => [0 - x, y]);

function mirrorPlace(place: Place, side: PanelSide): Place {
  const inner = (current: Place) => mirrorPlace(current, side);
  switch (place.kind) {
    case 'part-strip':
      return { ...place, leftMm: place.rightMm, rightMm: place.leftMm };
    case 'hairline-band':
      return typeof place.widthMm === 'number' || followsHair(place.widthMm)
        ? place
        : { ...place, widthMm: place.widthMm.map(([a, mm]) => [0 - a, mm] as const) };
    // Outlines of a panel on both sides are drawn on the left, in a mirror too.
    case 'triangle':
      return side === 'both' ? place : { ...place, corners: mirrorPoints(place.corners) };
    case 'outline':
      return side === 'both' ? place : { ...place, points: mirrorPoints(place.points) };
    case 'union':
    case 'overlap':
      return { ...place, of: place.of.map(inner) };
    case 'except':
      return { ...place, place: inner(place.place), without: place.without.map(inner) };
    default:
      return place;
  }
}

function mirrorDirection(direction: Direction, side: PanelSide): Direction {
  const across = side === 'across';
  switch (direction.kind) {
    case 'parallel':
      return across ? { ...direction, angleDeg: 0 - direction.angleDeg } : direction;
    case 'pivot':
      return across
        ? {
            ...direction,
            fromDeg: 0 - direction.fromDeg,
            toDeg: direction.toDeg === 'part' ? 'part' : 0 - direction.toDeg,
          }
        : direction;
    case 'radial': {
      const turned = across
        ? { ...direction, roundBy: direction.roundBy === 'left' ? ('right' as const) : ('left' as const) }
        : direction;
      return turned.about === 'crown' || side === 'both'
        ? turned
        : { ...turned, about: [0 - turned.about[0], turned.about[1]] };
    }
    case 'crossed':
      return { ...direction, firstFrom: direction.firstFrom === 'left' ? 'right' : 'left' };
    case 'sequence':
      return across ? { ...direction, steps: direction.steps.map(mirrorStep) } : direction;
    default:
      return direction;
  }
}

function mirrorStep(step: SequenceStep): SequenceStep {
  if (step.over === 'across') return { ...step, angleDeg: 0 - step.angleDeg };
  return { ...step, over: step.over === 'left' ? 'right' : 'left' };
}
