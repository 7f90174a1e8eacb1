import { zoneName, ZONES } from '../head';

/** One thing in which two versions of a document differ, as a person would say it. */
export interface Difference {
  /** Where: `Back, drop-out`. */
  readonly where: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Last words of a path, by field. */
const FIELD_NAMES: Record<string, string> = {
  name: 'name',
  muted: 'switched off',
  thicknessMm: 'thickness',
  dropoutMm: 'drop-out',
  stitchMm: 'stitch',
  gapMm: 'gap',
  depth: 'depth of the weave',
  kind: 'kind',
  formula: 'formula',
  angleDeg: 'angle',
  circumferenceMm: 'head circumference',
  left: 'hairline, left',
  right: 'hairline, right',
  offsetMm: 'part',
  densityPerCm2: 'density',
  strand: 'strand thickness',
  lengthMm: 'length',
  usableWidthMm: 'usable foil width',
  toleranceMm: 'foil tolerance',
  naturalLevel: 'natural level',
  goalLevel: 'goal level',
  brightness: 'brightness',
  notes: 'notes',
  done: 'what was done',
  foilsPlaced: 'foils placed',
  levelReached: 'level reached',
  nextOn: 'next visit',
  regrowthMm: 'regrowth',
  wornUpShare: 'tied up',
  minutesAtMost: 'time for the foils',
  budgetMinor: 'budget',
  earToEarMm: 'ear to ear',
  frontToNapeMm: 'front to nape',
  none: 'worn without a part',
  behindApexMm: 'crown behind the apex',
  leftMm: 'width, left',
  rightMm: 'width, right',
  whorl: 'whorl',
  landmarks: 'hairline landmark',
  side: 'side',
  divide: 'dividing line',
  leaveOut: 'left out',
  medium: 'foil or open air',
  lastRow: 'last row',
  layout: 'columns',
  onePerRow: 'one foil a row',
  sequence: 'formulas in turn',
  fromFoil: 'first foil in turn',
  toFoil: 'last foil in turn',
  every: 'treated after',
  treatments: 'treatment',
  distanceMm: 'start from the scalp',
  featherMm: 'feather',
  teasing: 'teasing',
  rows: 'order of rows',
  sides: 'order of sides',
  seed: 'seed',
  widthMm: 'width',
  fromMm: 'from',
  toMm: 'to',
  fromDeg: 'from angle',
  toDeg: 'to angle',
  radiusMm: 'radius',
  dropoutsMm: 'drop-out',
  foils: 'foils wanted',
  lightened: 'share wanted',
  minutes: 'minutes wanted',
  sliverMm: 'sliver',
  zones: 'zone',
  week: 'hours, day',
  weekBegins: 'first day of the week',
  lastStitchMm: 'last stitch',
  fromHairline: 'first stitch on the hairline',
  pointMm: 'point',
  sectioning: 'sectioned off',
  foil: 'foil',
  byMm: 'moved by',
};
const IN_MM = /Mm$/;

/**
 * What differs between one's own version of a visit's document and the saved one: by panel and field, by
 * zone, by field.
 * Panels are matched by id, so an inserted panel is one difference and not a shift of all that follow.
 */
export function differencesOf(mine: unknown, theirs: unknown): Difference[] {
  const own = flatten(mine);
  const other = flatten(theirs);
  const paths = [...new Set([...own.keys(), ...other.keys()])];
  return paths
    .filter((path) => (own.get(path)?.text ?? 'none') !== (other.get(path)?.text ?? 'none'))
    .map((path) => ({
      where: own.get(path)?.where ?? other.get(path)!.where,
      mine: own.get(path)?.text ?? 'none',
      theirs: other.get(path)?.text ?? 'none',
    }));
}

interface Leaf {
  readonly where: string;
  readonly text: string;
}

function flatten(value: unknown, path: readonly string[] = [], panel = ''): Map<string, Leaf> {
  const out = new Map<string, Leaf>();
  if (Array.isArray(value)) {
    value.forEach((item, i) => {
      const known = item as { id?: string; name?: string } | null;
      const key = known?.id ?? String(i);
      for (const [k, leaf] of flatten(item, [...path, key], known?.name ?? panel)) out.set(k, leaf);
    });
  } else if (value !== null && typeof value === 'object') {
    for (const [key, item] of Object.entries(value)) {
      if (key === 'format' || key === 'version') continue;
      for (const [k, leaf] of flatten(item, [...path, key], panel)) out.set(k, leaf);
    }
  } else if (value !== undefined) {
    // The last of the path that is a word: figures count the items of a list.
    const zone = ZONES.find((candidate) => path.includes(candidate));
    const field = [...path].reverse().find((part) => part !== zone && !/^\d+$/.test(part)) ?? '';
    const nth = /^\d+$/.test(path.at(-1) ?? '') ? ` ${Number(path.at(-1)) + 1}` : '';
    const said = `${FIELD_NAMES[field] ?? field}${nth}`;
    const name = zone ? `${said}, ${zoneName(zone).toLowerCase()}` : said;
    out.set(path.join('/'), {
      where: panel ? `${panel}, ${name}` : name,
      text: spoken(value, IN_MM.test(field)),
    });
  }
  return out;
}

function spoken(value: unknown, inMm: boolean): string {
  if (value === true) return 'yes';
  if (value === false) return 'no';
  if (value === null || value === '') return 'none';
  const words = typeof value === 'string' ? value : JSON.stringify(value);
  return inMm ? `${words} mm` : words;
}
