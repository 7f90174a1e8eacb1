import { entriesOf } from '../units';
import type { Zone } from '../head';
import { visibleLine, type Edge } from './visible-line';

/** A root line as a client minds it: round the face, or in all the rest. */
export interface RootLine {
  readonly what: 'face' | 'full';
  /** How much has to grow from the day of the service until it is seen, mm. */
  readonly growMm: number;
}

/** The line that is seen first comes first. */
export const bySoonest = (one: RootLine, other: RootLine): number => one.growMm - other.growMm;

/** Estimates of when a line is seen are good to a quarter, either way. */
export const LINE_SPREAD = 0.25;

const FACE: ReadonlySet<Zone> = new Set<Zone>([
  'front-hairline-l',
  'front-hairline-r',
  'temple-l',
  'temple-r',
  'ear-hairline-l',
  'ear-hairline-r',
  'nape-hairline',
]);
/** What lies open beside the part; the rest lies under it. */
export const OPEN_ZONES: ReadonlySet<Zone> = new Set<Zone>(['top-l', 'top-r', 'front-l', 'front-r', 'crown']);

/**
 * Zones with light, as the lines that a client will mind: at the face the first place that is seen, elsewhere
 * the middle of what lies open.
 * @param byZone how much has to grow until it is seen, mm; null where it never is
 */
export function rootLines(byZone: Readonly<Partial<Record<Zone, number | null>>>): RootLine[] {
  const all = entriesOf(byZone);
  const of = (part: typeof all) => part.map(([, growMm]) => growMm ?? Infinity).sort((a, b) => a - b);
  const rest = all.filter(([zone]) => !FACE.has(zone));
  const open = rest.filter(([zone]) => OPEN_ZONES.has(zone));
  const face = of(all.filter(([zone]) => FACE.has(zone)));
  const inside = of(open.length > 0 ? open : rest);
  const line = (what: RootLine['what'], growMm = Infinity): RootLine[] =>
    growMm === Infinity ? [] : [{ what, growMm }];
  return [...line('face', face[0]), ...line('full', inside[inside.length >> 1])];
}

/**
 * The same by the quick estimate, where no pattern is at hand.
 * @param zones zones with light, each with what was left at its root, mm
 * @param contrast levels between base and light; hair that was not lightened against its base draws no line
 */
export function quickRootLines(
  zones: Readonly<Partial<Record<Zone, number>>>,
  {
    edge,
    featherMm,
    contrast,
  }: { readonly edge: Edge; readonly featherMm: number; readonly contrast: number },
): RootLine[] {
  if (contrast <= 0) return [];
  const { atMm } = visibleLine({ edge, contrast, mmPerWeek: 1, featherMm });
  return rootLines(
    Object.fromEntries(Object.entries(zones).map(([zone, leftMm]) => [zone, Math.max(0, atMm - leftMm)])),
  );
}

/** Weeks as they are said, with what they may lie between. */
export function lineWeeks({ growMm }: Pick<RootLine, 'growMm'>, mmPerWeek: number): string {
  const weeks = growMm / mmPerWeek;
  if (weeks < 0.95) return 'now';
  const [from, to] = [weeks * (1 - LINE_SPREAD), weeks * (1 + LINE_SPREAD)].map(Math.round);
  const rounded = Math.round(weeks);
  return `after about ${rounded} ${rounded === 1 ? 'week' : 'weeks'}${from === to ? '' : ` (${from}–${to})`}`;
}

/** The line in a sentence. */
export function lineWords(line: RootLine, mmPerWeek: number): string {
  const where = line.what === 'face' ? 'at the hairline' : 'on top and inside';
  return `The root line shows ${where} ${lineWeeks(line, mmPerWeek)}${line.growMm > 0 ? `, at about ${Math.round(line.growMm)} mm of growth` : ''}.`;
}
