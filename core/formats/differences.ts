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
  name: 'name', muted: 'switched off', thicknessMm: 'thickness', dropoutMm: 'drop-out', stitchMm: 'stitch', gapMm: 'gap',
  depth: 'depth of the weave', kind: 'kind', formula: 'formula', angleDeg: 'angle', circumferenceMm: 'head circumference',
  left: 'hairline, left', right: 'hairline, right', offsetMm: 'part', densityPerCm2: 'density', strand: 'strand thickness',
  lengthMm: 'length', usableWidthMm: 'usable foil width', toleranceMm: 'foil tolerance', naturalLevel: 'natural level',
  goalLevel: 'goal level', brightness: 'brightness', notes: 'notes', done: 'what was done', foilsPlaced: 'foils placed',
  levelReached: 'level reached', nextOn: 'next visit',
};
const IN_MM = /Mm$/;

/**
 * What differs between one's own version of a visit's document and the saved one: by panel and field, by zone, by field.
 * Panels are matched by id, so an inserted panel is one difference and not a shift of all that follow.
 */
export function differencesOf(mine: unknown, theirs: unknown): Difference[] {
  const own = flatten(mine);
  const other = flatten(theirs);
  const paths = [...new Set([...own.keys(), ...other.keys()])];
  return paths
    .filter((path) => own.get(path)?.text !== other.get(path)?.text)
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
      const known = item as { id?: string; name?: string };
      const key = known.id ?? String(i);
      for (const [k, leaf] of flatten(item, [...path, key], known.name ?? panel)) out.set(k, leaf);
    });
  } else if (value !== null && typeof value === 'object') {
    for (const [key, item] of Object.entries(value)) {
      if (key === 'format' || key === 'version') continue;
      for (const [k, leaf] of flatten(item, [...path, key], panel)) out.set(k, leaf);
    }
  } else if (value !== undefined) {
    const field = path.at(-1) ?? '';
    const zone = ZONES.find((candidate) => candidate === field);
    const name = zone ? `regrowth, ${zoneName(zone).toLowerCase()}` : (FIELD_NAMES[field] ?? field);
    const inMm = IN_MM.test(field) || zone !== undefined;
    out.set(path.join('/'), { where: panel ? `${panel}, ${name}` : name, text: spoken(value, inMm) });
  }
  return out;
}

function spoken(value: unknown, inMm: boolean): string {
  if (value === true) return 'yes';
  if (value === false) return 'no';
  if (value === null || value === '') return 'none';
  return inMm ? `${String(value)} mm` : String(value);
}
