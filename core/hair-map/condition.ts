import { linesThrough, type ZoneLine } from '../growth';
import { familyName, ZONE_FAMILIES, zonesOf, type ZoneFamily } from '../head';
import { CONDITIONS, type Condition, type Consult } from '../visit';
import { CONDITION_WORDS } from './attributes';

const NAMED = 3;

/**
 * Condition of each family of zones through the visits, as its place from sound to fragile, 0–3; what was not
 * looked at is left out. The worse side counts.
 */
export const conditionLines = (
  visits: readonly { readonly on: string; readonly consult: Pick<Consult, 'map'> }[],
): ZoneLine[] =>
  linesThrough(
    visits.map(({ on, consult: { map } }) => ({
      on,
      values: Object.fromEntries(
        Object.entries(map).flatMap(([zone, hair]) =>
          hair?.condition === undefined ? [] : [[zone, CONDITIONS.indexOf(hair.condition)]],
        ),
      ),
    })),
    Math.max,
  );

/**
 * The worst that was seen of the hair's condition, with where; null where nothing was looked at, or all is
 * sound.
 */
export function worstCondition({ map }: Pick<Consult, 'map'>): {
  readonly condition: Condition;
  readonly families: readonly ZoneFamily[];
  readonly words: string;
} | null {
  const rank = (own: Condition | undefined) => (own === undefined ? 0 : CONDITIONS.indexOf(own));
  const of = (family: ZoneFamily) => Math.max(...zonesOf(family).map((zone) => rank(map[zone]?.condition)));
  const worst = Math.max(...ZONE_FAMILIES.map(of));
  if (worst === 0) return null;
  const families = ZONE_FAMILIES.filter((family) => of(family) === worst);
  const names = families.slice(0, NAMED).map((family) => familyName(family).toLowerCase());
  const where =
    families.length === ZONE_FAMILIES.length
      ? 'all over'
      : `${names.join(', ')}${families.length > NAMED ? ` and ${families.length - NAMED} more` : ''}`;
  return {
    condition: CONDITIONS[worst],
    families,
    words: `${CONDITION_WORDS[CONDITIONS[worst]]} (${where})`,
  };
}
