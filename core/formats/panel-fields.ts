import { z } from 'zod';
import { ZONE_FAMILIES } from '../head';
import {
  GATHER_KINDS,
  type Direction,
  type DiskPoint,
  type Gather,
  type GatherKind,
  type GatherOfKind,
  type Place,
  type PlainSpacing,
  type SingleGather,
  type Spacing,
} from '../pattern';
import { between, whole, yesOrNo } from './fields';

const kindOf = (...kinds: string[]) => ({
  error: `must have a kind of ${kinds.slice(0, -1).join(', ')} or ${kinds[kinds.length - 1]}`,
});

/** A point of the scalp: (t·sin a, t·cos a). */
export const diskPoint: z.ZodType<DiskPoint> = z
  .tuple(
    [
      between(
        -1.5,
        1.5,
        '',
        "t·sin a: + the client's left; t is the share of the arc apex–hairline, a the azimuth",
      ),
      between(-1.5, 1.5, '', 't·cos a: + forwards'),
    ],
    { error: 'must be a pair of numbers' },
  )
  .describe('Point of the scalp in the disk: the apex is 0, 0; the hairline has distance 1');

const corners = (least: number, most: number) =>
  z
    .array(diskPoint, { error: 'must be a list of points' })
    .min(least, `must have at least ${least} points`)
    .max(most, `must have at most ${most} points`);

const bandWidth = z.union(
  [
    between(1, 120, 'mm', 'One width all round, mm'),
    z
      .array(
        z.tuple([
          between(-180, 180, 'degrees', 'Azimuth, degrees, + the client’s left'),
          between(0, 120, 'mm', 'Width there, mm'),
        ]),
      )
      .min(1, 'must have at least one width')
      .max(36, 'must have at most 36 widths')
      .describe('Widths at azimuths, eased between'),
    z
      .strictObject({
        hairsPerMm: between(
          1,
          60,
          'hairs per mm',
          'Hairs of usual length that hang from each mm of hairline',
        ),
      })
      .describe('As wide as leaves an even line of hair hanging all the way round'),
  ],
  { error: 'must be a width in mm, a list of azimuths with widths, or hairs per mm' },
);

const PLACE_KINDS = [
  'whole',
  'back',
  'side',
  'zones',
  'part-strip',
  'hairline-band',
  'face-frame',
  'crown-triangle',
  'wheel',
  'triangle',
  'outline',
  'union',
  'overlap',
  'except',
];

/** Which part of the head a panel sections off. */
export const placeSchema: z.ZodType<Place> = z.lazy(() =>
  z.discriminatedUnion(
    'kind',
    [
      z.strictObject({ kind: z.literal('whole') }).describe('Everything that bears hair'),
      z.strictObject({ kind: z.literal('back') }).describe('Behind the line apex → behind the ear'),
      z.strictObject({ kind: z.literal('side') }).describe('In front of that line'),
      z
        .strictObject({
          kind: z.literal('zones'),
          zones: z
            .array(z.enum(ZONE_FAMILIES, { error: `must be one of ${ZONE_FAMILIES.join(', ')}` }))
            .min(1, 'must name at least one zone')
            .describe('Zones of both sides; the panel’s side chooses'),
        })
        .describe('Zones together'),
      z
        .strictObject({
          kind: z.literal('part-strip'),
          leftMm: between(0, 120, 'mm', 'Width on the client’s left of the part, mm'),
          rightMm: between(0, 120, 'mm', 'Width on the client’s right of the part, mm'),
          fromMm: between(0, 300, 'mm', 'Begins this far behind the front hairline, mm').default(0),
          toMm: between(
            5,
            400,
            'mm',
            'Ends this far behind the front hairline, mm; null: at the end of the part',
          )
            .nullable()
            .default(null),
        })
        .describe('Strip beside the part'),
      z
        .strictObject({
          kind: z.literal('hairline-band'),
          widthMm: bandWidth,
          fromDeg: between(
            0,
            180,
            'degrees',
            'Begins at this azimuth on both sides, degrees from the front',
          ).default(0),
          toDeg: between(0, 180, 'degrees', 'Ends at this azimuth, degrees from the front').default(180),
          insetMm: between(
            0,
            60,
            'mm',
            'Short hair at the hairline is pinned away: it begins so far behind, mm',
          ).optional(),
        })
        .describe('Band along the hairline'),
      z
        .strictObject({
          kind: z.literal('face-frame'),
          depthMm: between(5, 150, 'mm', 'Its point on the part lies this far behind the front hairline, mm'),
          reachDeg: between(10, 110, 'degrees', 'It meets the hairline at ± this azimuth, degrees'),
        })
        .describe('Triangle at the face'),
      z
        .strictObject({
          kind: z.literal('crown-triangle'),
          behindApexMm: between(
            -60,
            120,
            'mm',
            'Its upper edge lies this far behind the apex, mm on the average head',
          ),
          halfWidthMm: between(10, 140, 'mm', 'Half of its upper edge, mm on the average head'),
        })
        .describe('Inverted triangle whose corner is at the occipital bone'),
      z
        .strictObject({
          kind: z.literal('wheel'),
          radiusMm: between(15, 140, 'mm', 'Radius round the crown, mm'),
          half: z
            .enum(['all', 'front', 'back'], { error: 'must be all, front or back' })
            .default('all')
            .describe('All of the disc, or the half before or behind the crown'),
        })
        .describe('Disc round the crown; with a side and a half, one of its quadrants'),
      z
        .strictObject({ kind: z.literal('triangle'), corners: corners(3, 3).describe('Its corners') })
        .describe('Triangle between three points'),
      z
        .strictObject({
          kind: z.literal('outline'),
          points: corners(3, 200).describe('Its corners, in order'),
        })
        .describe('Free outline, straight between its points in the disk'),
      z
        .strictObject({
          kind: z.literal('union'),
          of: z.array(placeSchema).min(1, 'must hold at least one place').max(12).describe('Places'),
        })
        .describe('All of them together'),
      z
        .strictObject({
          kind: z.literal('overlap'),
          of: z.array(placeSchema).min(1, 'must hold at least one place').max(12).describe('Places'),
        })
        .describe('Only where all of them are'),
      z
        .strictObject({
          kind: z.literal('except'),
          place: placeSchema,
          without: z
            .array(placeSchema)
            .min(1, 'must hold at least one place')
            .max(12)
            .describe('What is left out'),
        })
        .describe('One without others'),
    ],
    kindOf(...PLACE_KINDS),
  ),
);

const angle = (description: string) => between(-90, 90, 'degrees', description);

/** Family of partings. */
export const directionSchema: z.ZodType<Direction> = z
  .discriminatedUnion(
    'kind',
    [
      z.strictObject({
        kind: z.literal('parallel'),
        angleDeg: angle(
          'Angle from horizontal: 90 vertical, positive diagonal back, negative diagonal forward; across the middle positive falls to the client’s left',
        ),
      }),
      z.strictObject({
        kind: z.literal('pivot'),
        fromDeg: angle('Angle of the first parting'),
        toDeg: z
          .union([angle('Angle of the last parting'), z.literal('part')], {
            error: 'must be an angle from -90 to 90 degrees, or "part"',
          })
          .describe('Angle of the last parting; "part": parallel to the part'),
      }),
      z.strictObject({ kind: z.literal('hairline') }).describe('Parallel to the hairline'),
      z.strictObject({ kind: z.literal('part') }).describe('Parallel to the part'),
      z.strictObject({
        kind: z.literal('radial'),
        about: z
          .union([z.literal('crown'), diskPoint], { error: 'must be "crown" or a point' })
          .describe('Where the wedges meet'),
        radiusMm: between(
          10,
          200,
          'mm',
          'Thickness and drop-out are measured at this distance from the point, mm',
        ),
        reaches: z
          .array(between(0.1, 1, '', 'Share of the radius'))
          .min(1, 'must have at least one reach')
          .max(12)
          .default([1])
          .describe('How far in the sections reach in turn: 1 to the centre, 0.667 two thirds …'),
        roundBy: z
          .enum(['left', 'right'], { error: 'must be left or right (the client’s)' })
          .describe('Side by which they go round, of a panel across the middle; right where it is left out')
          .optional(),
      }),
      z.strictObject({
        kind: z.literal('crossed'),
        angleDeg: between(5, 75, 'degrees', 'Angle of each parting from straight across'),
        firstFrom: z
          .enum(['left', 'right'], { error: 'must be left or right (the client’s)' })
          .default('left')
          .describe('Front corner in which the first begins'),
        closing: yesOrNo('One lengthwise foil closes the end').default(false),
        doubled: whole(0, 6, 'How many of the first partings are taken twice, back to back').optional(),
      }),
      z.strictObject({
        kind: z.literal('sequence'),
        steps: z
          .array(
            z.strictObject({
              angleDeg: between(-75, 75, 'degrees', 'Angle from horizontal; positive diagonal back'),
              over: z
                .enum(['left', 'right', 'across'], { error: 'must be left, right or across' })
                .default('across')
                .describe('Half that it runs over, of a panel across the middle'),
              count: whole(1, 20, 'How often in a row').default(1),
            }),
          )
          .min(1, 'must have at least one step')
          .max(12)
          .describe('In turn, packed upwards'),
      }),
    ],
    kindOf('parallel', 'pivot', 'hairline', 'part', 'radial', 'crossed', 'sequence'),
  )
  .describe('Direction of the partings');

const depth = between(
  0.1,
  1,
  '',
  "Share of the section's thickness that a stitch takes: 0.5 skims the surface, 1 goes through",
);

const stitchMm = between(0.5, 30, 'mm', 'Width of a picked stitch, mm along the parting');
const gapMm = between(0.5, 30, 'mm', 'Width of the gap between stitches, mm');

/** A kind that is missing here does not compile. */
const singleGathers = {
  slice: z.strictObject({ kind: z.literal('slice') }).describe('The whole section'),
  weave: z
    .strictObject({
      kind: z.literal('weave'),
      stitchMm,
      gapMm,
      depth,
      lastStitchMm: between(0.5, 30, 'mm', 'Width of the last stitch where they are graded, mm').nullish(),
      fromHairline: yesOrNo('Begins with a stitch at the end nearer the hairline').optional(),
      offScalpMm: between(
        0,
        40,
        'mm',
        'Picked so far from the scalp, mm: wider and uneven further out',
      ).optional(),
    })
    .describe('Alternate stitches'),
  double: z
    .strictObject({
      kind: z.literal('double'),
      stitchMm,
      gapMm,
      depth: between(0.1, 0.5, '', "Share of the section's thickness that each layer takes"),
    })
    .describe('Picked in two layers, the stitches of the lower under the gaps of the upper'),
  zigzag: z
    .strictObject({
      kind: z.literal('zigzag'),
      pointMm: between(1, 60, 'mm', 'Base of one point along the parting, mm'),
      depth,
    })
    .describe('The points of a zigzag parting'),
} satisfies { [K in GatherKind]: z.ZodType<GatherOfKind<K>> };
const [firstGather, ...otherGathers] = Object.values(singleGathers);

/** How hair is picked from one section. */
export const singleGatherSchema: z.ZodType<SingleGather> = z.discriminatedUnion(
  'kind',
  [firstGather, ...otherGathers],
  kindOf(...GATHER_KINDS),
);

const turnSchema = z.strictObject({
  gather: singleGatherSchema.describe('How hair is picked in its turn'),
  thicknessMm: between(0.5, 40, 'mm', "Its own thickness, mm; null the panel's").nullable().default(null),
  dropoutMm: between(0, 80, 'mm', "Drop-out behind it, mm; null the panel's").nullable().default(null),
});

export const gatherSchema: z.ZodType<Gather> = z
  .discriminatedUnion(
    'kind',
    [
      firstGather,
      ...otherGathers,
      z
        .strictObject({
          kind: z.literal('alternate'),
          of: z
            .array(turnSchema, { error: 'must be a list of gathers' })
            .min(1, 'must hold at least one gather')
            .max(24, 'must hold at most 24 gathers')
            .describe('One a row, in turn'),
          then: z
            .enum(['again', 'last'], { error: 'must be again or last' })
            .default('again')
            .describe('After the last of them: from the first again, or the last goes on'),
        })
        .describe('In turn, row by row'),
    ],
    kindOf(...GATHER_KINDS, 'alternate'),
  )
  .describe('How hair is picked from the section');

const dropout = between(0, 80, 'mm', 'Hair left out behind each foil, mm; pitch = thickness + drop-out');

const plainSpacings = [
  z.strictObject({ kind: z.literal('constant'), dropoutMm: dropout }),
  z
    .strictObject({
      kind: z.literal('graded'),
      dropoutsMm: z
        .array(dropout)
        .min(1, 'must have at least one drop-out')
        .max(200)
        .describe('Drop-outs behind the first row, the second …, mm'),
    })
    .describe('One after the other; the last repeats'),
  z
    .strictObject({ kind: z.literal('eased'), fromMm: dropout, toMm: dropout })
    .describe('Eased from the first drop-out to the last, no jump above 1.5 times'),
] as const;

const plainSpacingSchema: z.ZodType<PlainSpacing> = z.discriminatedUnion(
  'kind',
  [...plainSpacings],
  kindOf('constant', 'graded', 'eased'),
);

export const spacingSchema: z.ZodType<Spacing> = z
  .discriminatedUnion(
    'kind',
    [
      ...plainSpacings,
      z.strictObject({
        kind: z.literal('count'),
        foils: whole(1, 10_000, 'At most this many foils'),
        togetherMm: between(
          0,
          80,
          'mm',
          'Close together from the first edge with this drop-out, mm; null spreads them evenly',
        ).nullish(),
      }),
      z.strictObject({
        kind: z.literal('share'),
        lightened: between(0.005, 1, '', "Share of the panel's hair to lighten"),
      }),
      z.strictObject({
        kind: z.literal('minutes'),
        minutes: between(1, 600, 'minutes', 'Time for the foils of this panel (estimate)'),
      }),
      z.strictObject({
        kind: z.literal('budget'),
        amountMinor: whole(1, 10_000_000, 'What the foiling of this panel may cost, minor units'),
        perHourMinor: whole(1, 10_000_000, 'Price of an hour, minor units'),
      }),
      z
        .strictObject({
          kind: z.literal('backwards'),
          sliverMm: between(0, 40, 'mm', 'Hair left at the line between the first foils of both sides, mm'),
          spacing: plainSpacingSchema.describe('Drop-outs counted away from the line'),
        })
        .describe('Measured back from the edge where the panel ends'),
    ],
    kindOf('constant', 'graded', 'eased', 'count', 'share', 'minutes', 'budget', 'backwards'),
  )
  .describe('Distance between the foils');
