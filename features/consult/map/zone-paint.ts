import { valueIn, type AttributeKey, type AttributeValues } from '@/core/hair-map';
import type { OpenedPoint, Zone } from '@/core/head';
import { cssColour, naturalHair } from '@/core/lift';
import type { Consult } from '@/core/visit';

/** How a zone is filled: a colour and how much of it. */
export interface Fill {
  readonly colour: string;
  readonly opacity: number;
}

const NONE: Fill = { colour: 'var(--color-white)', opacity: 0 };
const light = (share: number): Fill => ({
  colour: 'var(--color-white)',
  opacity: 0.06 + 0.3 * Math.min(1, Math.max(0, share)),
});
const hair = (level: number): Fill => ({ colour: cssColour(naturalHair(level)), opacity: 0.92 });
const WORSE = { sound: 0, dry: 0.35, porous: 0.65, fragile: 1 } as const;
const COARSER = { fine: 0.15, medium: 0.5, coarse: 0.9 } as const;

const FILLS: { readonly [K in AttributeKey]: (value: AttributeValues[K]) => Fill } = {
  regrowth: (mm) => light(mm / 40),
  natural: hair,
  mids: hair,
  ends: hair,
  band: ({ level }) => hair(level),
  grey: (share) => ({ colour: 'var(--color-white)', opacity: 0.04 + 0.62 * share }),
  length: (mm) => light(mm / 500),
  density: (density) => light((density - 80) / 160),
  strand: (strand) => light(COARSER[strand]),
  condition: (condition) => light(WORSE[condition]),
  flags: (flags) => light(flags.length / 2),
};

/** How a zone shows what is known of it; nothing is known, nothing shows. */
export function fillOf<K extends AttributeKey>(consult: Consult, key: K, zone: Zone): Fill {
  const value = valueIn(consult, key, zone);
  return value === undefined ? NONE : (FILLS[key] as (value: AttributeValues[K]) => Fill)(value);
}

type Arrow = 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown';
const WAYS: Record<Arrow, OpenedPoint> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};
export const isArrow = (key: string): key is Arrow => key in WAYS;

/**
 * The zone that an arrow key leads to: the nearest one that way, sideways counting double.
 * @param at places on the screen
 */
export function neighbour<Z>(
  places: readonly { readonly zone: Z; readonly at: OpenedPoint }[],
  from: Z,
  arrow: Arrow,
): Z {
  const here = places.find(({ zone }) => zone === from)!.at;
  const way = WAYS[arrow];
  const candidates = places.flatMap(({ zone, at }) => {
    const [dx, dy] = [at.x - here.x, at.y - here.y];
    const along = dx * way.x + dy * way.y;
    const across = Math.abs(dx * way.y) + Math.abs(dy * way.x);
    return zone === from || along <= 1 ? [] : [{ zone, cost: along + 2 * across }];
  });
  return candidates.sort((a, b) => a.cost - b.cost)[0]?.zone ?? from;
}
