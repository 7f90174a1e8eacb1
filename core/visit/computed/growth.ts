import {
  growthIntervals,
  growthRate,
  regrowthByZone,
  type GrowthRate,
  type ZoneRegrowth,
} from '../../growth';
import type { Zone } from '../../head';
import type { Consult, RegrowthByZone } from '..';
import type { VisitFacts } from './facts';

/** The client's growth as it is known at a visit. */
export interface VisitGrowth {
  readonly rate: GrowthRate;
  /** Regrowth expected by zone, by the visits before: an estimate until it is measured. */
  readonly expected: Readonly<Partial<Record<Zone, ZoneRegrowth>>>;
  /** By zone: measured where it was, else expected, mm. */
  readonly regrowthMm: Readonly<RegrowthByZone>;
}

/** What the visits say of growth, today's own reading among them. */
export function growthOf({
  history,
  heldOn,
  regrowthMm,
}: {
  history: VisitFacts['history'];
  heldOn: string;
  regrowthMm: Consult['regrowthMm'];
}): VisitGrowth {
  const rate = growthRate(
    growthIntervals([...history.filter(({ on }) => on <= heldOn), { on: heldOn, regrowthMm, taken: 'open' }]),
  );
  const expected = regrowthByZone(
    history.filter(({ on, taken }) => on < heldOn && taken !== 'open'),
    rate,
    heldOn,
  );
  return {
    rate,
    expected,
    regrowthMm: {
      ...Object.fromEntries(Object.entries(expected).map(([zone, { mm }]) => [zone, mm])),
      ...regrowthMm,
    },
  };
}
