import { zoneName, ZONES } from '../head';
import { fieldName } from './field-names';

/** One thing in which two versions of a document differ, as a person would say it. */
export interface Difference {
  /** Where: `Back, drop-out`. */
  readonly where: string;
  readonly mine: string;
  readonly theirs: string;
}

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
    const said = `${fieldName(field)}${nth}`;
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
