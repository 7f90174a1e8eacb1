import type { PanelInput, TechniqueGroup } from '../formats';
import {
  apart,
  baby,
  chunky,
  deep,
  diagonalBack,
  fine,
  fromHairline,
  graded,
  horizontal,
  inTurn,
  lived,
  medium,
  micro,
  slice,
  thenOn,
} from './recipes';

/** A pattern by name, ready to be laid on any head. */
export interface Technique {
  /** Short name for files and calls. */
  readonly key: string;
  readonly name: string;
  readonly groups: readonly TechniqueGroup[];
  /** What it is for, in a sentence. */
  readonly purpose: string;
  /** What to mind beside the product's leaflet, local rules and licensed judgement. */
  readonly cautions: readonly string[];
  /** In the order of work. */
  readonly panels: readonly PanelInput[];
  /**
   * Side that is the heavy one with the part on the client's left, as it is written; with the part on the
   * right it is mirrored.
   */
  readonly heavySide?: 'left' | 'right';
  /** Letters that are meant to deposit. */
  readonly deposits?: readonly string[];
  /** Order of sectioning off where it is not the order of work. */
  readonly sectioning?: readonly string[];
}

const BACK = { kind: 'back' } as const;
const SIDE = { kind: 'side' } as const;
const brick = { layout: 'bricklaid', onePerRow: false } as const;

/** Strip of the part with its usual widths: the shallow side takes less than the heavy one. */
const partStrip = (leftMm = 25, rightMm = 38, toMm: number | null = null) =>
  ({ kind: 'part-strip', leftMm, rightMm, fromMm: 0, toMm }) as const;

/** Wide inside and finest at the top: rows begin furthest from the part. */
const finerUp = thenOn([medium, 6], [medium, 6], [medium, 6], [medium, 5], [fine, 4], [fine, 4], [baby, 3]);

/** The built-in patterns. Foils and minutes follow from the head that they are laid on. */
export const TECHNIQUES: readonly Technique[] = [
  {
    key: 'four-quarters',
    groups: ['whole'],
    name: 'Four quarters, fine weaves',
    purpose: 'An even, soft blonde over the whole head that still shows depth.',
    cautions: [
      'A hundred foils take longer than one processing time: rinse in stages, or place the hairline last with a weaker mix.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: horizontal,
        gather: fine,
        thicknessMm: 4,
        spacing: apart(5),
        columns: brick,
      },
      {
        id: 'sides',
        name: 'Sides and top',
        place: SIDE,
        direction: diagonalBack(25),
        gather: fromHairline(fine),
        thicknessMm: 4,
        spacing: graded(2, 2, 5),
      },
    ],
  },
  {
    key: 'baby-veil',
    groups: ['whole'],
    name: 'Baby lights under a crown veil',
    purpose: 'The softest full blonde: no edges, bright at the face only, with a root shadow to follow.',
    cautions: [
      'The first foils are past any limit when the last is placed: rinse the back while the front still processes.',
      'A root shadow is planned: a detailed hairline may be wasted under it.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: horizontal,
        gather: baby,
        thicknessMm: 2.5,
        spacing: apart(7),
        columns: brick,
      },
      {
        id: 'crown',
        name: 'Crown triangle',
        place: { kind: 'crown-triangle', behindApexMm: 15, halfWidthMm: 65 },
        side: 'across',
        direction: horizontal,
        gather: baby,
        thicknessMm: 2.5,
        spacing: apart(5),
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: diagonalBack(30),
        gather: baby,
        thicknessMm: 2.5,
        spacing: apart(5),
      },
      {
        id: 'face',
        name: 'Face frame',
        place: { kind: 'face-frame', depthMm: 26, reachDeg: 50 },
        direction: { kind: 'hairline' },
        gather: slice,
        thicknessMm: 2.5,
        spacing: apart(4),
      },
    ],
    sectioning: ['face', 'crown'],
  },
  {
    key: 'hairline-and-threes',
    groups: ['hairline', 'whole'],
    name: 'All round the hairline, threes inside',
    purpose:
      'Bright wherever the hairline shows, dimensional inside: after every three, one drop-out is tipped out or lowlit.',
    cautions: [
      'Hairline hair is fragile: weaker mix, older bowl, or last.',
      'Not over 20 vol at the hairline without a decision.',
    ],
    panels: [
      {
        id: 'inside-back',
        name: 'Inside, back',
        place: BACK,
        direction: horizontal,
        gather: baby,
        thicknessMm: 3,
        spacing: apart(8),
        dropouts: { every: 3, treatments: ['tip-out', 'lowlight'] },
      },
      {
        id: 'inside-sides',
        name: 'Inside, sides',
        place: SIDE,
        direction: diagonalBack(30),
        gather: baby,
        thicknessMm: 3,
        spacing: apart(6),
        dropouts: { every: 3, treatments: ['tip-out', 'lowlight'] },
      },
      {
        id: 'crown',
        name: 'Crown',
        place: { kind: 'zones', zones: ['crown'] },
        side: 'across',
        direction: horizontal,
        gather: baby,
        thicknessMm: 3,
        spacing: apart(6),
        dropouts: { every: 3, treatments: ['tip-out'] },
      },
      {
        id: 'hairline',
        name: 'Hairline all round',
        place: { kind: 'hairline-band', widthMm: 12, fromDeg: 0, toDeg: 180 },
        direction: { kind: 'hairline' },
        gather: fromHairline(fine),
        thicknessMm: 4,
        spacing: apart(3),
      },
      {
        id: 'face',
        name: 'Face triangle',
        place: { kind: 'face-frame', depthMm: 35, reachDeg: 45 },
        direction: diagonalBack(45),
        gather: slice,
        thicknessMm: 3,
        spacing: apart(3),
      },
    ],
    sectioning: ['hairline', 'face', 'crown'],
  },
  {
    key: 'crossed-part',
    groups: ['top'],
    name: 'Crossed diagonals along the part',
    purpose: 'The most light for the fewest foils: eight or nine along the part.',
    cautions: [
      'With highlights and lowlights work in pairs, A A B B: A B A B puts all of one colour on one side.',
    ],
    panels: [
      {
        id: 'part',
        name: 'Part panel',
        place: partStrip(),
        side: 'across',
        direction: { kind: 'crossed', angleDeg: 37, firstFrom: 'left' },
        gather: medium,
        thicknessMm: 6,
        spacing: apart(14),
      },
    ],
  },
  {
    key: 'crossed-part-and-sides',
    groups: ['top'],
    name: 'Crossed diagonals with sides',
    purpose: 'The part panel and a few wide foils down each side: about fifteen in all.',
    cautions: [
      'With highlights and lowlights work in pairs, A A B B: A B A B puts all of one colour on one side.',
      'Sides one wide foil a row: check that no section is wider than the foil.',
    ],
    panels: [
      {
        id: 'part',
        name: 'Part panel',
        place: partStrip(),
        side: 'across',
        direction: { kind: 'crossed', angleDeg: 37, firstFrom: 'left' },
        gather: medium,
        thicknessMm: 6,
        spacing: apart(14),
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        divide: 'part',
        direction: diagonalBack(35),
        gather: medium,
        thicknessMm: 6,
        spacing: { kind: 'count', foils: 7 },
      },
    ],
    sectioning: ['part'],
  },
  {
    key: 'perimeter-up',
    groups: ['hairline'],
    name: 'Rim for hair worn up',
    purpose: 'An even line of light all round when hair is tied up, with at most fifteen foils.',
    cautions: [
      'Hairline hair is fragile: weaker mix, and short baby hairs pinned away.',
      'Around and behind the ear is the spot that gets missed.',
    ],
    panels: [
      {
        id: 'nape',
        name: 'Nape',
        place: { kind: 'zones', zones: ['nape-hairline', 'nape'] },
        side: 'both',
        direction: horizontal,
        gather: medium,
        thicknessMm: 6,
        spacing: apart(9),
      },
      {
        id: 'sides',
        name: 'Side rims',
        place: { kind: 'hairline-band', widthMm: 10, fromDeg: 36, toDeg: 142 },
        side: 'both',
        direction: { kind: 'hairline' },
        gather: fromHairline(fine),
        thicknessMm: 5,
        spacing: apart(6),
      },
      {
        id: 'front',
        name: 'Front rim',
        place: { kind: 'hairline-band', widthMm: 8, fromDeg: 0, toDeg: 36 },
        side: 'across',
        direction: { kind: 'hairline' },
        gather: fromHairline(fine),
        thicknessMm: 4,
        spacing: apart(5),
      },
    ],
  },
  {
    key: 'teased-sweep',
    groups: ['whole'],
    name: 'Teased sweep: two diagonals, one straight',
    purpose: 'A painted look in foil: soft teased starts, full bright ends, fine weaves at the hairline.',
    cautions: [
      'One or two soft pushes: every push takes hair from the bold end.',
      'Sections fail the see-through test on purpose: work the product into both faces and look inside for dry spots.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        side: 'across',
        direction: {
          kind: 'sequence',
          steps: [
            { angleDeg: 15, over: 'left' },
            { angleDeg: 15, over: 'right' },
            { angleDeg: 0, over: 'across' },
          ],
        },
        gather: deep,
        thicknessMm: 14,
        spacing: apart(6),
        start: lived(60, 40, 2),
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: diagonalBack(35),
        gather: deep,
        thicknessMm: 12,
        spacing: apart(8),
        start: lived(50, 40, 2),
      },
      {
        id: 'hairline',
        name: 'Hairline',
        place: { kind: 'hairline-band', widthMm: 12, fromDeg: 0, toDeg: 80 },
        direction: { kind: 'hairline' },
        gather: fromHairline(fine),
        thicknessMm: 3,
        spacing: apart(3),
        formula: 'B',
      },
    ],
    sectioning: ['hairline'],
  },
  {
    key: 'refresh-and-teased',
    groups: ['refresh', 'face', 'hairline'],
    name: 'Hairline and face refresh, teased inside',
    purpose:
      'Between two full visits: brightens the face and hairline again, with a few teased diagonals inside.',
    cautions: [
      'Only the regrowth at the hairline: keep light ends out of the foil.',
      'One or two soft pushes of backcombing.',
    ],
    panels: [
      {
        id: 'inside',
        name: 'Inside',
        place: { kind: 'union', of: [{ kind: 'zones', zones: ['upper-side', 'top', 'front'] }] },
        side: 'both',
        divide: 'part',
        direction: diagonalBack(35),
        gather: medium,
        thicknessMm: 8,
        spacing: apart(10),
        start: lived(40, 30, 1),
      },
      {
        id: 'hairline',
        name: 'Hairline',
        place: { kind: 'hairline-band', widthMm: 14, fromDeg: 42, toDeg: 142 },
        direction: { kind: 'hairline' },
        gather: fromHairline(fine),
        thicknessMm: 3,
        spacing: apart(4),
      },
      {
        id: 'face',
        name: 'Face',
        place: { kind: 'face-frame', depthMm: 30, reachDeg: 42 },
        direction: { kind: 'hairline' },
        gather: fine,
        thicknessMm: 3,
        spacing: apart(2),
      },
    ],
    sectioning: ['face', 'hairline'],
  },
  {
    key: 'grey-blend',
    groups: ['grey'],
    name: 'Grey blend',
    purpose:
      'Makes white hair look intended: dense at the face, wide where it is still dark, the drop-outs tipped.',
    cautions: [
      'White hair is often coarse and lifts slowly; the dark inside is not white: look zone by zone.',
      'Do not lighten broken or thin hair: it draws the eye there.',
    ],
    panels: [
      {
        id: 'back-hairline',
        name: 'Back hairline',
        place: { kind: 'zones', zones: ['nape-hairline', 'nape'] },
        side: 'both',
        direction: horizontal,
        gather: medium,
        thicknessMm: 5,
        spacing: apart(9),
      },
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: horizontal,
        gather: medium,
        thicknessMm: 5,
        spacing: apart(13),
        dropouts: { every: 1, treatments: ['tip-out'] },
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: diagonalBack(25),
        gather: fine,
        thicknessMm: 4,
        spacing: apart(8),
        dropouts: { every: 1, treatments: ['tip-out'] },
      },
      {
        id: 'temples',
        name: 'Temples',
        place: { kind: 'zones', zones: ['temple'] },
        side: 'both',
        direction: { kind: 'hairline' },
        gather: slice,
        thicknessMm: 3,
        spacing: apart(4),
      },
      {
        id: 'face',
        name: 'Face',
        place: { kind: 'zones', zones: ['front-hairline'] },
        side: 'both',
        direction: { kind: 'hairline' },
        gather: fromHairline(micro),
        thicknessMm: 2,
        spacing: apart(2),
      },
    ],
    sectioning: ['face', 'temples', 'back-hairline'],
  },
  {
    key: 'silver-turn',
    groups: ['grey', 'top'],
    heavySide: 'right',
    name: 'Silver turn',
    purpose:
      'From colour towards natural silver with about sixteen foils. Sections turn until they lie along the part, finest at the top.',
    cautions: ['Fewer foils at each visit: agree on the plan before starting.'],
    panels: [
      {
        id: 'heavy',
        name: 'Heavy side',
        place: {
          kind: 'overlap',
          of: [SIDE, { kind: 'part-strip', leftMm: 0, rightMm: 110, fromMm: 0, toMm: 90 }],
        },
        side: 'right',
        divide: 'part',
        direction: { kind: 'pivot', fromDeg: 35, toDeg: 'part' },
        gather: finerUp,
        thicknessMm: 5,
        spacing: { kind: 'count', foils: 9 },
      },
      {
        id: 'shallow',
        name: 'Shallow side',
        place: {
          kind: 'overlap',
          of: [SIDE, { kind: 'part-strip', leftMm: 85, rightMm: 0, fromMm: 0, toMm: 90 }],
        },
        side: 'left',
        divide: 'part',
        direction: { kind: 'pivot', fromDeg: 35, toDeg: 'part' },
        gather: finerUp,
        thicknessMm: 5,
        spacing: { kind: 'count', foils: 7 },
      },
    ],
  },
  {
    key: 'crown-wheel',
    groups: ['top'],
    name: 'Crown wheel',
    purpose:
      'Chunky wedges in two colours round the crown with a coloured rim; the retouch goes exactly over it.',
    cautions: [
      'A retouch must find the same sections, or the centre moves and lines appear.',
      'Deposit colour: allergy alert test first, as the product says.',
    ],
    panels: [
      {
        id: 'wheel-back',
        name: 'Wheel, back',
        place: { kind: 'wheel', radiusMm: 60, half: 'back' },
        direction: { kind: 'radial', about: 'crown', radiusMm: 60, reaches: [1, 2 / 3, 1 / 3] },
        gather: chunky,
        thicknessMm: 8,
        spacing: { kind: 'count', foils: 12 },
        rotation: { sequence: 'AB' },
      },
      {
        id: 'wheel-front',
        name: 'Wheel, front',
        place: { kind: 'wheel', radiusMm: 60, half: 'front' },
        direction: { kind: 'radial', about: 'crown', radiusMm: 60, reaches: [1, 2 / 3, 1 / 3] },
        gather: chunky,
        thicknessMm: 8,
        spacing: { kind: 'count', foils: 12 },
        rotation: { sequence: 'AB' },
      },
      {
        id: 'rim',
        name: 'Coloured rim',
        place: { kind: 'hairline-band', widthMm: 5, fromDeg: 0, toDeg: 180 },
        direction: { kind: 'hairline' },
        gather: slice,
        thicknessMm: 4,
        spacing: apart(5),
        formula: 'C',
      },
    ],
    sectioning: ['rim'],
    deposits: ['B', 'C'],
  },
  {
    key: 'fast-slices',
    groups: ['whole'],
    name: 'Fast slices, a finger apart',
    purpose:
      'A broad effect in little time: paper-thin slices behind, closer ones at the sides, weaves near the part.',
    cautions: [
      'Horizontal slices at the sides stripe when tied back: a root tap at the front, or weaves between.',
      'Slices thin enough to see through, or they lift unevenly.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: diagonalBack(30),
        gather: slice,
        thicknessMm: 2,
        spacing: apart(17),
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: horizontal,
        gather: slice,
        thicknessMm: 2,
        spacing: apart(9),
      },
      {
        id: 'part',
        name: 'At the part',
        place: partStrip(25, 25),
        side: 'both',
        direction: { kind: 'part' },
        gather: fine,
        thicknessMm: 3,
        spacing: { kind: 'backwards', sliverMm: 4, spacing: apart(5) },
      },
    ],
    sectioning: ['part'],
  },
  {
    key: 'deep-contrast',
    groups: ['dark'],
    name: 'Deep weave, high contrast',
    purpose:
      'Bold, connected ribbons on dark hair with clean starts, and a face frame that follows the density.',
    cautions: [
      'Dark base: no far feathering, it exposes warmth; clean starts.',
      'Sections fail the see-through test on purpose: look inside for dry spots.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: diagonalBack(20),
        gather: deep,
        thicknessMm: 10,
        spacing: apart(12),
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: diagonalBack(30),
        gather: deep,
        thicknessMm: 10,
        spacing: apart(10),
      },
      {
        id: 'face',
        name: 'Face frame',
        place: { kind: 'face-frame', depthMm: 30, reachDeg: 55 },
        direction: { kind: 'hairline' },
        gather: { kind: 'weave', stitchMm: 3, gapMm: 2, depth: 1, lastStitchMm: 6 },
        thicknessMm: 5,
        spacing: graded(0, 2, 5),
      },
    ],
    sectioning: ['face'],
  },
  {
    key: 'face-only',
    groups: ['face', 'refresh'],
    name: 'Face frame between visits',
    purpose:
      'Only the frame of the face, eight or nine foils a side: three slices, two weaves, then slices; light ends stay out of the foil.',
    cautions: [
      'Light ends stay out of the foil: no overlap on lightened hair.',
      'Section the front in one piece, or the two sides come out at different heights.',
    ],
    panels: [
      {
        id: 'face',
        name: 'Face frame',
        place: { kind: 'face-frame', depthMm: 50, reachDeg: 60 },
        side: 'both',
        divide: 'part',
        direction: { kind: 'hairline' },
        gather: inTurn(slice, slice, slice, fine, fine, slice, slice, slice, slice),
        thicknessMm: 3,
        spacing: graded(2, 2, 2, 2, 3),
      },
    ],
  },
  {
    key: 'two-mixes-in-bricks',
    groups: ['whole', 'dark'],
    name: 'Two mixes in brick columns',
    purpose: 'Lightener and high-lift in turn through the whole head, columns laid like bricks.',
    cautions: [
      'Two mixes have two times: check the lightener first.',
      'Horizontal rows at the sides stripe when tied back, and none lies in the part: turn them, or add a foil there.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: horizontal,
        gather: medium,
        thicknessMm: 5,
        spacing: apart(6),
        columns: brick,
        rotation: { sequence: 'AB' },
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: horizontal,
        gather: medium,
        thicknessMm: 5,
        spacing: apart(6),
        columns: brick,
        rotation: { sequence: 'AB' },
      },
    ],
  },
  {
    key: 'painted-by-foils',
    groups: ['whole'],
    name: 'Painted look by foils',
    purpose:
      'Weave and slice in pairs, so that each slice is softened by the weave behind it; some drop-outs painted at the ends.',
    cautions: [
      'Drop-outs painted between foils start late and must be rinsed with the rest. Use a faster product, or paint as you foil.',
    ],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: BACK,
        direction: horizontal,
        gather: inTurn(fine, slice),
        thicknessMm: 4,
        spacing: graded(1, 9, 1, 9, 1, 9, 1, 9, 1, 9, 1, 9, 1, 9, 1, 9, 1, 9, 1, 9, 1, 9),
        dropouts: { every: 2, treatments: ['tip-out'] },
        start: lived(20, 20),
      },
      {
        id: 'sides',
        name: 'Sides',
        place: SIDE,
        direction: diagonalBack(30),
        gather: inTurn(fine, slice),
        thicknessMm: 4,
        spacing: graded(1, 8, 1, 8, 1, 8, 1, 8, 1, 8, 1, 8, 1, 8),
        dropouts: { every: 2, treatments: ['tip-out'] },
        start: lived(15, 20),
      },
    ],
  },
  {
    key: 'open-air',
    groups: ['whole', 'hairline'],
    name: 'Open-air painting, fine hairline foils',
    purpose: 'Large soft pieces painted without foil, baby lights in foil round the hairline.',
    cautions: [
      'Open air lifts less than foil: one level less in the same time.',
      'Painted hair starts late and must be rinsed with the rest.',
    ],
    panels: [
      {
        id: 'hairline',
        name: 'Hairline',
        place: { kind: 'hairline-band', widthMm: 12, fromDeg: 0, toDeg: 142 },
        direction: { kind: 'hairline' },
        gather: fromHairline(baby),
        thicknessMm: 3,
        spacing: apart(3),
      },
      {
        id: 'back',
        name: 'Back, painted',
        place: BACK,
        direction: diagonalBack(30),
        gather: { kind: 'weave', stitchMm: 20, gapMm: 15, depth: 0.5 },
        medium: 'open-air',
        thicknessMm: 12,
        spacing: apart(14),
        start: lived(80, 60),
      },
      {
        id: 'sides',
        name: 'Sides, painted',
        place: SIDE,
        direction: diagonalBack(35),
        gather: { kind: 'weave', stitchMm: 20, gapMm: 15, depth: 0.5 },
        medium: 'open-air',
        thicknessMm: 12,
        spacing: apart(12),
        start: lived(60, 50),
      },
    ],
    sectioning: ['hairline'],
  },
  {
    key: 'staggered-back',
    groups: ['top'],
    name: 'Staggered back on a budget',
    purpose:
      'Half the time behind: two diagonals and one straight with whole triangles left out, dense only on top.',
    cautions: ['Whole triangles stay dark underneath. Tell clients who wear their hair up or forward.'],
    panels: [
      {
        id: 'back',
        name: 'Back',
        place: { kind: 'except', place: BACK, without: [{ kind: 'zones', zones: ['crown'] }] },
        side: 'across',
        direction: {
          kind: 'sequence',
          steps: [
            { angleDeg: 10, over: 'left' },
            { angleDeg: 10, over: 'right' },
            { angleDeg: 0, over: 'across' },
          ],
        },
        gather: medium,
        thicknessMm: 6,
        spacing: apart(5),
      },
      {
        id: 'crown',
        name: 'Crown',
        place: { kind: 'zones', zones: ['crown'] },
        side: 'across',
        direction: horizontal,
        gather: fine,
        thicknessMm: 4,
        spacing: apart(5),
      },
      {
        id: 'part',
        name: 'Top',
        place: partStrip(38, 38, 120),
        side: 'both',
        direction: { kind: 'part' },
        gather: fine,
        thicknessMm: 4,
        spacing: { kind: 'backwards', sliverMm: 4, spacing: apart(5) },
      },
    ],
    sectioning: ['crown', 'part'],
  },
];

export function techniqueOf(key: string): Technique | undefined {
  return TECHNIQUES.find((technique) => technique.key === key);
}
