import { LINE_SPREAD, OPEN_ZONES, rootLines, type RootLine } from '../growth';
import { ZONES, type Zone } from '../head';
import { lightnessOf } from '../lift';
import type { ComputedPlan, PatternEngine } from '../pattern';
import type { Light } from './light';
import { LightStudio } from './light-studio';
import { changeIn, OVER_MM, profilesOf, startsOf, type Change, type Profile, type Starts } from './profile';
import { COVERS } from './strands';
import type { WearSubject } from './subject';
import type { HairRoots } from './worn';

const { abs, max, min, pow } = Math;

/** What makes a line: light of before, light of today, a band, or where a root shadow runs out. */
type LineKind = 'old' | 'new' | 'band' | 'shadow';

/** Where light and dark meet along the hair of a zone. Estimates. */
export interface HairLine {
  readonly kind: LineKind;
  readonly zone: Zone;
  /** Of a zone that this visit takes to the root, or shadows. */
  readonly taken: boolean;
  /** On the day of the service, mm from the scalp. */
  readonly atMm: number;
  /** Difference of lightness between the two, OKLab 0–1; below 0 where the hair is darker from there on. */
  readonly contrast: number;
  /** Share of the hair that changes there, 0–1. */
  readonly share: number;
  /** 1: all of the hair, from level 6 to 9, within six millimetres. */
  readonly hardness: number;
  /** How much has to grow until it is seen, mm; 0 where it is seen already; null where it is never minded. */
  readonly growMm: number | null;
  /** The same in weeks at the client's own rate, soonest and latest. */
  readonly weeks: readonly [soonest: number, latest: number] | null;
}

/** Roots by which lines are read: shares of a zone come out within two points of those of many more. */
const ROOTS = 8000;
/** Difference of lightness from level 6 to 9: the usual highlight, by which hardness is one. */
const USUAL = 0.31;
/**
 * A line of hardness 1 is seen once so much has grown: where half of the hair is sliced, 6 to 9, after 23 mm,
 * as by the quick estimate.
 */
const SEEN_MM = 18.9;
/**
 * Half of the hair makes a line more than half as hard: a fine weave of a tenth is seen at 37 mm, where all
 * of it would be at 19. Working assumption, by the quick estimate.
 */
const SHARE_POWER = 0.3;
/**
 * The same of how softly it begins: over 40 mm a line is seen after twice as much growth. Working assumption,
 * by the quick estimate.
 */
const SOFT_POWER = 0.4;
/**
 * No line is seen nearer to the scalp, however hard; so far out each that can be seen at all is, mm: as in
 * the quick estimate.
 */
const NEAREST_MM = 5;
const LATEST_MM = 60;
/** A line that would be seen only further out than this is none, mm. Working assumption. */
const NEVER_MM = 90;
/**
 * An old line between foils is broken where less of it is left: weaves alone leave more, slices near the top
 * less. Working assumption.
 */
const BROKEN_SHARE = 0.65;
/** Less of the hair, or a smaller difference of lightness, draws no line. */
const LEAST_SHARE = 0.01;
const LEAST_STEP = 0.004;
/** Mid-lengths so many levels from the root are earlier colour. */
const OLD_LEVELS = 1;

/** Reads the lines of a client's hair; what it remembers changes no result. */
export class LineReader {
  private readonly studio: LightStudio;

  constructor(engine: PatternEngine) {
    this.studio = new LightStudio(engine, ROOTS);
  }

  /** Lines of every zone. @param computed the subject's plan as it is computed */
  lines(subject: WearSubject, computed: ComputedPlan): readonly HairLine[] {
    return linesOf(subject, this.studio.roots(subject.plan), this.studio.light(subject, 0, computed));
  }
}

/** The lines of hair under a light, zone by zone. @param light on the day of the service */
function linesOf(subject: WearSubject, { head, roots }: HairRoots, light: Light): HairLine[] {
  const own = startsOf(light.own, roots);
  const old = light.old && startsOf(light.old, roots);
  const { colour, shadowMm } = subject;
  const reach = ZONES.map((zone, z) =>
    max(
      own[z]?.toMm ?? 0,
      old?.[z]?.toMm ?? 0,
      colour.regrowthMm[zone] ?? 0,
      colour.byZone[zone]?.band?.toMm ?? 0,
      2 * (shadowMm ?? 0),
    ),
  );
  const profiles = profilesOf(subject, { head, roots }, light, reach);
  return ZONES.flatMap((zone, z) =>
    profiles[z].cells === 0 ? [] : zoneLines(zone, profiles[z], own[z], old && old[z], subject),
  );
}

function zoneLines(
  zone: Zone,
  profile: Profile,
  current: Starts | null,
  old: Starts | null,
  subject: WearSubject,
): HairLine[] {
  const { colour, shadowMm } = subject;
  const { midsLevel, band, naturalLevel = colour.naturalLevel } = colour.byZone[zone] ?? {};
  const grownMm = colour.regrowthMm[zone] ?? 0;
  const { natural, roots } = profile;
  const taken = current !== null && current.roots / roots >= LEAST_SHARE;
  const mapped = midsLevel !== undefined && abs(midsLevel - naturalLevel) >= OLD_LEVELS && grownMm > 0;
  const out: HairLine[] = [];
  const add = (kind: LineKind, ofTaken: boolean, change: Change, contrast: number) => {
    // Where a shadow is drawn down, its edge is the line of all that begins under it.
    if (kind === 'shadow' || shadowMm === null || change.fromMm >= 2 * shadowMm)
      out.push(...lineOf(kind, zone, ofTaken, change, contrast, subject));
  };
  if (shadowMm !== null) {
    const change = changeIn(profile, shadowMm, 2 * shadowMm);
    const light = [current, old].find((starts) => starts !== null && starts.fromMm < 2 * shadowMm);
    add('shadow', true, change, light ? light.lightness - natural : change.step);
  }
  if (taken) add('new', true, changeIn(profile, current.fromMm, current.toMm), current.lightness - natural);
  if (mapped) add('old', taken, changeIn(profile, grownMm, grownMm), lightnessOf(midsLevel) - natural);
  else if (old !== null) add('old', taken, changeIn(profile, old.fromMm, old.toMm), old.lightness - natural);
  if (band) {
    const edges = [changeIn(profile, band.fromMm, band.fromMm), changeIn(profile, band.toMm, band.toMm)];
    const [edge] = edges.sort((one, other) => abs(other.step) - abs(one.step));
    add('band', taken, { ...edge, fromMm: band.fromMm }, edge.step);
  }
  return out;
}

/**
 * A change as a line, with when it is seen.
 * @param contrast lightness of the light hair less that of the dark
 */
function lineOf(
  kind: LineKind,
  zone: Zone,
  taken: boolean,
  { step, fromMm, extentMm, rampMm }: Change,
  contrast: number,
  { curl, mmPerWeek }: WearSubject,
): HairLine[] {
  const most = max(abs(contrast), abs(step));
  const share = abs(step) / max(most, 1e-6);
  if (abs(step) < LEAST_STEP || share < LEAST_SHARE) return [];
  const hardness = (most / USUAL) * pow(share, SHARE_POWER) * pow(OVER_MM / rampMm, SOFT_POWER);
  // Curl draws the hair up: what has grown reaches less far.
  const seenMm = min(LATEST_MM, max(NEAREST_MM, SEEN_MM / hardness)) / COVERS[curl];
  const broken = taken && (kind === 'old' || kind === 'band') && share < BROKEN_SHARE;
  // A start off the scalp that runs out softly is meant: it is a line once so much has grown above it.
  const growMm = broken || SEEN_MM / hardness > NEVER_MM ? null : max(0, seenMm - max(0, fromMm - extentMm));
  const weeks = growMm === null ? null : growMm / mmPerWeek;
  return [
    {
      kind,
      zone,
      taken,
      atMm: fromMm,
      contrast: step < 0 ? -most : most,
      share,
      hardness,
      growMm,
      weeks: weeks === null ? null : [weeks * (1 - LINE_SPREAD), weeks * (1 + LINE_SPREAD)],
    },
  ];
}

/** The lines at the root of what the visit did, as a client will mind them. */
export function rootLinesOf(lines: readonly HairLine[]): RootLine[] {
  const byZone: Partial<Record<Zone, number | null>> = {};
  for (const { kind, zone, taken, growMm } of lines) {
    if (!taken || (kind !== 'new' && kind !== 'shadow')) continue;
    const before = byZone[zone];
    byZone[zone] = before == null ? growMm : min(before, growMm ?? Infinity);
  }
  return rootLines(byZone);
}

/** Earlier light where it has grown to, over the zones that lie open, else over all. */
export interface OldLine {
  /** Middle of where it is, mm from the scalp. */
  readonly atMm: number;
  /** Mean share of the hair that changes there, 0–1, and how hard that is. */
  readonly share: number;
  readonly hardness: number;
  /** Whether it is seen in most of them. */
  readonly seen: boolean;
}

/** The old line of a head; null where there is none. */
export function oldLineOf(lines: readonly HairLine[]): OldLine | null {
  const all = lines.filter(({ kind }) => kind === 'old');
  const open = all.filter(({ zone }) => OPEN_ZONES.has(zone));
  const old = open.length > 0 ? open : all;
  if (old.length === 0) return null;
  const mean = (of: (line: HairLine) => number) =>
    old.reduce((sum, hairLine) => sum + of(hairLine), 0) / old.length;
  const places = old.map(({ atMm }) => atMm).sort((a, b) => a - b);
  return {
    atMm: places[places.length >> 1],
    share: mean(({ share }) => share),
    hardness: mean(({ hardness }) => hardness),
    seen: old.filter(({ growMm }) => growMm === 0).length > old.length / 2,
  };
}
