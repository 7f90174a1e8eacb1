import { hairlineKnots, isHairlineZone, zoneName, ZONES } from '../head';
import { changePanel, dropFoil, type Panel } from '../pattern';
import type { Check, CheckInput } from './check';

/**
 * A widow's peak: the middle of the forehead lies this much lower than the hairline beside it, mm on the
 * average head.
 */
const PEAK_MM = 4;
/** Landmarks within this azimuth of the middle are the forehead's, degrees. */
const FOREHEAD_DEG = 25;

/** At a pointed hairline straight partings leave unlit places at both sides of the forehead. */
export function pointedChecks({ plan, computed }: CheckInput): Check[] {
  const peaked = (['left', 'right'] as const).some((side) => {
    const forehead = hairlineKnots(plan.head.hairline[side]).filter(([azimuth]) => azimuth <= FOREHEAD_DEG);
    return Math.max(...forehead.map(([, y]) => y)) - forehead[0][1] >= PEAK_MM;
  });
  if (!peaked) return [];
  return plan.panels.flatMap((panel): Check[] => {
    const { direction } = panel;
    if (panel.muted || direction.kind !== 'parallel' || direction.angleDeg !== 0) return [];
    const there = computed.sheet.foils.filter(
      (foil) => foil.panel === panel.id && /^front-hairline/.test(foil.zone),
    );
    if (there.length === 0) return [];
    return [
      {
        rule: 'pointed-column',
        panel: panel.id,
        foils: there.map(({ id }) => id),
        seen: `${panel.name}: straight partings at a pointed hairline (${there.length} ${there.length === 1 ? 'foil' : 'foils'} in front).`,
        why: 'Straight partings at a widow’s peak leave dark places at both sides of the forehead.',
        mend: {
          words: 'Partings along the hairline',
          apply: (before) =>
            changePanel(before, panel.id, (current): Panel => ({
              ...current,
              direction: { kind: 'hairline' },
            })),
        },
      },
    ];
  });
}

/** Short or broken hair at the hairline is pinned away, not lightened. */
export function shortChecks({ plan, computed, limits, facts }: CheckInput): Check[] {
  const short = ZONES.filter(isHairlineZone).flatMap((zone) => {
    const { lengthMm } = plan.hair.byZone[zone] ?? {};
    if (lengthMm !== undefined && lengthMm < limits.shortMm)
      return [{ zone, words: `hair of ${lengthMm} mm` }];
    return facts.brokenZones.includes(zone) ? [{ zone, words: 'baby hair or breakage' }] : [];
  });
  return short.flatMap(({ zone, words }): Check[] => {
    const foils = computed.sheet.foils.filter((foil) => foil.zone === zone);
    if (foils.length === 0) return [];
    return [
      {
        rule: 'short-hairline',
        panel: foils[0].panel,
        foils: foils.map(({ id }) => id),
        seen: `${zoneName(zone)}: ${words} lies in ${foils.length === 1 ? 'a foil' : `${foils.length} foils`}.`,
        why: 'Baby hair and breakage break further, and lightening draws the eye there. Pin them out of the way.',
        mend: {
          words: foils.length === 1 ? 'Remove that foil' : `Remove these ${foils.length} foils`,
          apply: (before) => foils.reduce((plan, { id }) => dropFoil(plan, id), before),
        },
      },
    ];
  });
}

/** Product on hair that is light already breaks it. */
export function overlapChecks({ computed, facts }: CheckInput): Check[] {
  const over = computed.sheet.foils.filter(({ id }) => facts.overlapping.includes(id));
  if (over.length === 0) return [];
  const reach = over.flatMap(({ zone }) => facts.regrowthMm[zone] ?? []);
  const [least, most] = [Math.round(Math.min(...reach)), Math.round(Math.max(...reach))];
  const stop =
    reach.length === 0 ? '' : `: stop ${least === most ? `${least}` : `${least}–${most}`} mm from the scalp`;
  return [
    {
      rule: 'overlap',
      panel: over[0].panel,
      foils: over.map(({ id }) => id),
      seen: `${over.length === 1 ? 'One foil lies' : `${over.length} foils lie`} over hair lightened before${stop}.`,
      why: 'Overlap on lightened hair breaks it. Take product up to the lightened hair and no further, unless the ends are to be lifted too: Mix, “Painted: regrowth only”.',
    },
  ];
}

/** The estimate is above what was agreed. */
export function budgetChecks({ facts: { priceMinor, budgetMinor, sayMoney } }: CheckInput): Check[] {
  if (priceMinor === null || budgetMinor === null || priceMinor <= budgetMinor) return [];
  return [
    {
      rule: 'over-budget',
      foils: [],
      seen: `The estimate is ${sayMoney(priceMinor)}; ${sayMoney(budgetMinor)} was agreed.`,
      why: 'The client hears the price before the start. Fit the pattern to the budget, or agree on more.',
    },
  ];
}
