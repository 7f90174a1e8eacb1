import { panelOf } from '../formats';
import type { Panel } from '../pattern';
import { apart, baby, diagonalBack, fine, fromHairline, graded, horizontal, medium, slice } from './recipes';

/** A panel to begin with, for a place that is often sectioned off. */
export interface PanelStart {
  readonly words: string;
  readonly hint: string;
  readonly panel: Panel;
  /** It lies in other panels' hair and is sectioned off before them. */
  readonly first: boolean;
}

/** Panels that can be added to any plan, in the order of a head: face, top, sides, back, all round. */
export const PANEL_STARTS: readonly PanelStart[] = [
  {
    words: 'Face frame', hint: 'triangle at the face, slices along the hairline', first: true,
    panel: panelOf({ id: 'face', name: 'Face frame', place: { kind: 'face-frame', depthMm: 35, reachDeg: 50 }, direction: { kind: 'hairline' }, gather: slice, thicknessMm: 3, spacing: apart(4), columns: { layout: 'aligned', onePerRow: true } }),
  },
  {
    words: 'Front triangle', hint: 'between the part and both temples, in one piece', first: true,
    panel: panelOf({ id: 'front', name: 'Front triangle', place: { kind: 'face-frame', depthMm: 60, reachDeg: 40 }, side: 'across', direction: horizontal, gather: fine, thicknessMm: 3, spacing: graded(2, 2, 5) }),
  },
  {
    words: 'Hairline all round', hint: 'a rim that shows when hair is up', first: true,
    panel: panelOf({ id: 'hairline', name: 'Hairline', place: { kind: 'hairline-band', widthMm: 12 }, direction: { kind: 'hairline' }, gather: fromHairline(fine), thicknessMm: 4, spacing: apart(3) }),
  },
  {
    words: 'Hairline from … to …', hint: 'temple to behind the ear; both ends are dragged', first: true,
    panel: panelOf({ id: 'hairline', name: 'Hairline, temple to ear', place: { kind: 'hairline-band', widthMm: 12, fromDeg: 50, toDeg: 115 }, direction: { kind: 'hairline' }, gather: fromHairline(fine), thicknessMm: 3, spacing: graded(2, 5) }),
  },
  {
    words: 'Band that widens', hint: '6 mm in front, all below the occipital bone behind', first: true,
    panel: panelOf({ id: 'band', name: 'Widening band', place: { kind: 'hairline-band', widthMm: [[0, 6], [-90, 12], [90, 12], [180, 75]], fromDeg: 0, toDeg: 180 }, direction: { kind: 'hairline' }, gather: fromHairline(fine), thicknessMm: 5, spacing: graded(3, 6) }),
  },
  {
    words: 'Perimeter for tied-up hair', hint: 'as wide as the hair asks for an even line', first: true,
    panel: panelOf({ id: 'perimeter', name: 'Perimeter', place: { kind: 'hairline-band', widthMm: { hairsPerMm: 17 }, fromDeg: 0, toDeg: 180 }, direction: { kind: 'hairline' }, gather: fromHairline(fine), thicknessMm: 4, spacing: { kind: 'count', foils: 15, togetherMm: 4 } }),
  },
  {
    words: 'Back hairline', hint: 'both sides, back to back', first: true,
    panel: panelOf({ id: 'back-hairline', name: 'Back hairline', place: { kind: 'hairline-band', widthMm: 16, fromDeg: 142, toDeg: 180 }, direction: { kind: 'hairline' }, gather: fromHairline(fine), thicknessMm: 4, spacing: apart(0) }),
  },
  {
    words: 'Beside the part', hint: 'rows counted back from the part, 4 mm sliver', first: true,
    panel: panelOf({ id: 'part', name: 'At the part', place: { kind: 'part-strip', leftMm: 25, rightMm: 25 }, direction: { kind: 'part' }, gather: fine, thicknessMm: 3, spacing: { kind: 'backwards', sliverMm: 4, spacing: apart(5) } }),
  },
  {
    words: 'Crossed part panel', hint: 'diagonals in turn over the part', first: true,
    panel: panelOf({ id: 'crossed', name: 'Part panel', place: { kind: 'part-strip', leftMm: 25, rightMm: 38 }, side: 'across', direction: { kind: 'crossed', angleDeg: 37 }, gather: medium, thicknessMm: 6, spacing: apart(14) }),
  },
  {
    words: 'Crown triangle', hint: 'from the apex down to the occipital bone', first: true,
    panel: panelOf({ id: 'crown', name: 'Crown triangle', place: { kind: 'crown-triangle', behindApexMm: 15, halfWidthMm: 65 }, side: 'across', direction: horizontal, gather: baby, thicknessMm: 2.5, spacing: apart(5) }),
  },
  {
    words: 'Veil', hint: 'the top layer that covers the back', first: true,
    panel: panelOf({ id: 'veil', name: 'Veil', place: { kind: 'zones', zones: ['top', 'crown'] }, side: 'across', direction: horizontal, gather: baby, thicknessMm: 2.5, spacing: apart(6) }),
  },
  {
    words: 'Crown wheel', hint: 'wedges round the crown', first: true,
    panel: panelOf({ id: 'wheel', name: 'Crown wheel', place: { kind: 'wheel', radiusMm: 60 }, side: 'across', direction: { kind: 'radial', about: 'crown', radiusMm: 60, reaches: [1, 2 / 3, 1 / 3] }, gather: slice, thicknessMm: 8, spacing: apart(6.4) }),
  },
  {
    words: 'Half head', hint: 'the top and sides above the ears', first: false,
    panel: panelOf({ id: 'half', name: 'Half head', place: { kind: 'zones', zones: ['top', 'front', 'front-hairline', 'temple', 'upper-side', 'crown'] }, divide: 'part', direction: diagonalBack(30), gather: fine, thicknessMm: 4, spacing: apart(5) }),
  },
  {
    words: 'Quarter', hint: 'back of the head, the client’s left; mirror it for the right', first: false,
    panel: panelOf({ id: 'quarter', name: 'Back quarter, left', place: { kind: 'back' }, side: 'left', direction: horizontal, gather: fine, thicknessMm: 4, spacing: apart(5) }),
  },
  {
    words: 'Both sides', hint: 'from the part down to the hairline', first: false,
    panel: panelOf({ id: 'sides', name: 'Sides', place: { kind: 'side' }, direction: diagonalBack(30), gather: fine, thicknessMm: 4, spacing: apart(5) }),
  },
  {
    words: 'One side', hint: 'the client’s left; mirror it for the right', first: false,
    panel: panelOf({ id: 'side-left', name: 'Side, left', place: { kind: 'side' }, side: 'left', direction: diagonalBack(30), gather: fine, thicknessMm: 4, spacing: apart(5) }),
  },
  {
    words: 'Back', hint: 'behind the line from the apex to behind the ear', first: false,
    panel: panelOf({ id: 'back', name: 'Back', place: { kind: 'back' }, direction: horizontal, gather: fine, thicknessMm: 4, spacing: apart(5) }),
  },
  {
    words: 'Nape', hint: 'below the occipital bone', first: true,
    panel: panelOf({ id: 'nape', name: 'Nape', place: { kind: 'zones', zones: ['nape', 'nape-hairline'] }, direction: horizontal, gather: medium, thicknessMm: 5, spacing: apart(9) }),
  },
  {
    words: 'Plain hair', hint: 'kept as it is: nothing is foiled there', first: true,
    panel: panelOf({ id: 'plain', name: 'Plain hair', muted: true, reserves: true, place: { kind: 'hairline-band', widthMm: 5 }, direction: { kind: 'hairline' }, gather: slice, thicknessMm: 3, spacing: apart(5) }),
  },
];
