import { makeScalp, makeScalpGrid, zoneNear, ZONES, type Head, type ScalpGrid, type Zone } from '@/core/head';
import { cssColour, linearRgb, naturalHair, type HairColour } from '@/core/lift';
import { seeded } from '@/core/pattern';
import type { Consult } from '@/core/visit';

/**
 * Drawn hair is never lighter than this, so that today's light still reads as light on it; grey and earlier
 * light may be a little lighter.
 */
const LIGHTEST_DRAWN = 0.4;
const LIGHTEST_LIGHT = 0.58;
const GREY: HairColour = { lightness: 0.62, chroma: 0.006, hueDeg: 95 };
/** Earlier light is drawn where it is so many levels lighter than the hair grows. */
const OLD_LEVELS = 1;
/**
 * From above so much of what is seen is the lengths, which carry earlier light; the rest is what has grown.
 */
const LENGTHS = 0.55;

type Known = Pick<Consult, 'naturalLevel' | 'map'>;

/** Colour in which unlit hair is drawn for a level: its own, darkened where lit hair would not stand out. */
export function drawnHair(level: number): HairColour {
  const hair = naturalHair(level);
  return { ...hair, lightness: Math.min(LIGHTEST_DRAWN, hair.lightness * 0.72 + 0.03) };
}

/**
 * What the hair of a zone is drawn as: its ground, and of its strands how many are grey or carry earlier
 * light.
 */
interface ZoneLook {
  readonly ground: HairColour;
  readonly greyShare: number;
  readonly old: HairColour | null;
}

function zoneLook({ naturalLevel, map }: Known, zone: Zone): ZoneLook {
  const {
    naturalLevel: value = naturalLevel,
    greyShare = 0,
    midsLevel,
    endsLevel = midsLevel,
  } = map[zone] ?? {};
  const lightest = Math.max(midsLevel ?? value, endsLevel ?? value);
  const light = naturalHair(lightest);
  return {
    ground: drawnHair(value),
    greyShare,
    old:
      lightest - value >= OLD_LEVELS
        ? { ...light, lightness: Math.min(LIGHTEST_LIGHT, light.lightness * 0.72 + 0.03) }
        : null,
  };
}

/** Whether the hair is one colour all over. */
export const isPlain = ({ naturalLevel, map }: Known): boolean =>
  ZONES.every((zone) => {
    const { ground, greyShare, old } = zoneLook({ naturalLevel, map }, zone);
    return greyShare === 0 && old === null && ground.lightness === drawnHair(naturalLevel).lightness;
  });

/** Strands by their place on the opened head, as drawn. */
interface OwnHair {
  /** @param by two numbers from 0 to 1, by which one strand is another than its neighbour */
  colourAt(x: number, y: number, by: readonly [number, number]): HairColour;
}

const grids = new WeakMap<Head, ScalpGrid>();
/** One raster for both heads, and for every change of the hair map. */
function gridOf(head: Head): ScalpGrid {
  const grid = grids.get(head) ?? makeScalpGrid(makeScalp(head));
  grids.set(head, grid);
  return grid;
}

/** The hair that the client has, as both heads draw it: its level by zone, its grey, and earlier light. */
function ownHair(head: Head, known: Known): OwnHair {
  const grid = gridOf(head);
  const looks = new Map(ZONES.map((zone) => [zone, zoneLook(known, zone)]));
  return {
    colourAt: (x, y, [one, other]) => {
      const { ground, greyShare, old } = looks.get(zoneNear(grid, x, y))!;
      if (one < greyShare) return GREY;
      return old !== null && other < LENGTHS ? old : ground;
    },
  };
}

/** A strand of the opened head, drawn on its ground. */
export interface DrawnStrand {
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
  readonly colour: string;
}

const STRANDS = 9000;
const STRAND_MM = 14;
/** Two numbers from 0 to 1 for each strand, by lot, the same every time. */
function lots(strands: number): readonly (readonly [number, number])[] {
  const next = seeded(1);
  return Array.from({ length: strands }, () => [next(), next()] as const);
}

/** Strands that are not of the head's one colour, falling away from the apex. */
export function ownStrands(head: Head, known: Known): DrawnStrand[] {
  if (isPlain(known)) return [];
  const hair = ownHair(head, known);
  const by = lots(STRANDS);
  const out: DrawnStrand[] = [];
  for (let i = 0; i < STRANDS; i += 1) {
    const azimuth = (i * 2.399963) % (2 * Math.PI);
    const most = head.hairArc(azimuth);
    const arc = Math.sqrt((i + 0.5) / STRANDS) * most;
    const at = (mm: number): [number, number] => [
      Math.min(most, mm) * Math.sin(azimuth),
      Math.min(most, mm) * Math.cos(azimuth),
    ];
    const from = at(arc);
    out.push({ from, to: at(arc + STRAND_MM), colour: cssColour(hair.colourAt(...from, by[i])) });
  }
  return out;
}

/**
 * Colour by place on the cap of the round head, linear light; `across` 0–1 round the head from the back, as
 * its texture runs, `down` 0 apex, 1 hairline.
 * @param strands how many lie beside each other
 */
export function ownTexel(
  head: Head,
  known: Known,
  strands: number,
): (across: number, down: number, strand: number) => readonly [number, number, number] {
  const hair = ownHair(head, known);
  const by = lots(strands);
  return (across, down, strand) => {
    const azimuth = across * 2 * Math.PI - Math.PI;
    const arc = down * head.hairArc(azimuth);
    return linearRgb(hair.colourAt(arc * Math.sin(azimuth), arc * Math.cos(azimuth), by[strand]));
  };
}
