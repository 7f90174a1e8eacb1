import { familyName, ZONE_FAMILIES, zonesOf, type Zone, type ZoneFamily } from '../head';
import { dayAfter } from '../units';
import { regrowthByZone, type GrowthVisit } from './by-zone';
import type { GrowthRate } from './regrowth';

/** A line of a chart: what families of zones have in common, day by day. */
export interface ZoneLine {
  readonly families: readonly ZoneFamily[];
  /** `Whole head`, `Temple`, `Top, crown and 3 more`. */
  readonly name: string;
  readonly points: readonly { readonly on: string; readonly value: number }[];
}

const NAMED = 2;

/**
 * Families whose points lie within a tolerance of each other, day by day, are one line, the greatest of them;
 * those without points have none.
 */
function linesOf(pointsOf: (family: ZoneFamily) => ZoneLine['points'], tolerance = 0): ZoneLine[] {
  const groups: { families: ZoneFamily[]; first: ZoneLine['points']; points: ZoneLine['points'] }[] = [];
  for (const family of ZONE_FAMILIES) {
    const points = pointsOf(family);
    if (points.length === 0) continue;
    const own = groups.find(
      ({ first }) =>
        first.length === points.length &&
        first.every(
          ({ on, value }, i) => on === points[i].on && Math.abs(value - points[i].value) <= tolerance + 1e-9,
        ),
    );
    if (!own) groups.push({ families: [family], first: points, points });
    else {
      own.families.push(family);
      own.points = own.points.map(({ on, value }, i) => ({ on, value: Math.max(value, points[i].value) }));
    }
  }
  return groups.map(({ families, points }) => ({ families, points, name: nameOf(families) }));
}

/** Zones whose regrowth differs by no more are drawn as one, mm: as near as it is measured. */
const ALIKE_MM = 2;

function nameOf(families: readonly ZoneFamily[]): string {
  if (families.length === ZONE_FAMILIES.length) return 'Whole head';
  const names = families.map((family, i) =>
    i === 0 ? familyName(family) : familyName(family).toLowerCase(),
  );
  if (names.length <= NAMED) return names.join(' and ');
  return `${names.slice(0, NAMED).join(', ')} and ${names.length - NAMED} more`;
}

/**
 * Regrowth of each family of zones through the visits and on to a day: up at the client's own rate or to what
 * was measured, down where a zone
 * was taken to the root. The side with the longer regrowth counts. mm
 * @param until YYYY-MM-DD
 */
export function regrowthLines(visits: readonly GrowthVisit[], rate: GrowthRate, until: string): ZoneLine[] {
  const days = [...new Set(visits.map(({ on }) => on))].sort();
  const looks = [...new Set([...days.flatMap((on) => [dayAfter(on, -1), on]), until])]
    .filter((on) => on <= until)
    .sort();
  const at = new Map(looks.map((on) => [on, regrowthByZone(visits, rate, on)]));
  // What the ruler said at a visit stands at its foot, before anything was taken.
  const found = new Map(visits.map(({ on, regrowthMm }) => [dayAfter(on, -1), regrowthMm]));
  return linesOf(
    (family) =>
      looks.flatMap((on) => {
        const lengths = zonesOf(family).flatMap(
          (zone: Zone) => found.get(on)?.[zone] ?? at.get(on)![zone]?.mm ?? [],
        );
        return lengths.length === 0 ? [] : [{ on, value: Math.max(...lengths) }];
      }),
    ALIKE_MM,
  );
}

/** A figure of each family of zones, visit by visit. @param pick which of both sides counts */
export function linesThrough(
  visits: readonly { readonly on: string; readonly values: Readonly<Partial<Record<Zone, number>>> }[],
  pick: (...values: number[]) => number,
): ZoneLine[] {
  const ordered = [...visits].sort((a, b) => a.on.localeCompare(b.on));
  return linesOf((family) =>
    ordered.flatMap(({ on, values }) => {
      const known = zonesOf(family).flatMap((zone) => values[zone] ?? []);
      return known.length === 0 ? [] : [{ on, value: pick(...known) }];
    }),
  );
}

/** Level reached of each family of zones, visit by visit. The darker side counts. */
export const levelLines = (
  visits: readonly { readonly on: string; readonly levels: Readonly<Partial<Record<Zone, number>>> }[],
): ZoneLine[] =>
  linesThrough(
    visits.map(({ on, levels }) => ({ on, values: levels })),
    Math.min,
  );
