import { lengthOf, levelNow, type ServiceState } from '../chair';
import { ZONES, type Zone } from '../head';
import type { Sheet } from '../pattern';
import type { Outcome } from '../visit';
import type { PlacedUnit, WorkList } from '../work';

/**
 * A zone as a visit left it: foils that lighten it, what they left at the root, the level that they came to.
 */
interface ZoneDone {
  readonly foils: number;
  /** Middle of what the foils of the zone left between scalp and light, mm. */
  readonly leftMm: number;
  /**
   * Mean over the foils: seen where their part was checked, else estimated by the minutes on; null where
   * neither is known.
   */
  readonly level: number | null;
}

export type ZonesDone = Partial<Record<Zone, ZoneDone>>;

interface Lit {
  readonly zone: Zone;
  readonly startMm: number;
  readonly level: number | null;
}

type Worked = Pick<Sheet, 'foils' | 'painted' | 'zones'>;

/**
 * A zone without the middle of any foil counts where so much of its hair went through foils that begin beside
 * it.
 */
const BESIDE = 0.05;

/**
 * Zones as the work is planned: every foil and painted section that lifts counts for the zone under its
 * middle, and for
 * narrow zones that foils only run through. What only lays colour takes no zone to the root.
 */
export function zonesOfPlan({ units }: Pick<WorkList, 'units'>, sheet: Worked): ZonesDone {
  return gathered(
    sheet,
    units
      .filter((unit) => unit.lifts && isSection(unit))
      .map(({ zone, startMm }) => ({ zone, startMm, level: null })),
  );
}

/** Tips and painting between the foils leave the root as it is. */
const isSection = ({ kind }: Pick<PlacedUnit, 'kind'>) => kind === 'foil' || kind === 'open-air';

/**
 * Zones as a service left them: what was placed, skipped foils left out, with the levels seen or reckoned.
 * @param sheet of the script's plan
 */
export function zonesOfService(state: ServiceState, sheet: Worked): ZonesDone {
  return gathered(
    sheet,
    state.blocks.flatMap(({ units, checks }) => {
      const letterOf = new Map(units.map(({ id, unit }) => [id, unit.letter]));
      return units.flatMap((unitState): Lit[] => {
        const { unit, closedAt, offAt } = unitState;
        if (closedAt === null || !lengthOf(unit, state.lifts) || !isSection(unit)) return [];
        const seen = checks.findLast(({ foil }) => letterOf.get(foil) === unit.letter)?.level;
        return [
          {
            zone: unit.zone,
            startMm: unit.startMm,
            level: seen ?? (offAt === null ? null : levelNow(unitState, state, offAt)),
          },
        ];
      });
    }),
  );
}

function gathered(sheet: Worked, lit: readonly Lit[]): ZonesDone {
  const middles = new Set([...sheet.foils, ...sheet.painted].map(({ zone }) => zone));
  const out: ZonesDone = {};
  for (const zone of ZONES) {
    const lits = lit.filter((foil) => foil.zone === zone);
    const beside =
      lits.length === 0 &&
      lit.length > 0 &&
      !middles.has(zone) &&
      sheet.zones.some((share) => share.zone === zone && share.foiledShare >= BESIDE);
    if (lits.length > 0 || beside)
      out[zone] = {
        foils: lits.length,
        leftMm: middle((lits.length > 0 ? lits : lit).map(({ startMm }) => startMm)),
        level: mean(lits.flatMap(({ level }) => level ?? [])),
      };
  }
  return out;
}

const middle = (all: readonly number[]) => [...all].sort((a, b) => a - b)[all.length >> 1];
const mean = (all: readonly number[]) =>
  all.length === 0 ? null : all.reduce((sum, value) => sum + value, 0) / all.length;

/** Zones as a record says them: levels in halves, lengths in whole millimetres. */
export function zonesRecorded(done: ZonesDone): NonNullable<Outcome['zones']> {
  return Object.fromEntries(
    Object.entries(done).map(([zone, { leftMm, level }]) => [
      zone,
      {
        leftMm: Math.round(leftMm),
        measured: false,
        level: level === null ? null : Math.min(10, Math.max(1, Math.round(level * 2) / 2)),
        tone: null,
      },
    ]),
  );
}
