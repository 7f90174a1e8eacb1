import type { ScriptFoil, ServiceScript, ServiceState } from '../chair';
import { ZONES, type Zone } from '../head';
import type { Outcome } from '../formats';
import { levelAfter } from '../lift';
import type { Plan, Sheet } from '../pattern';

/** A zone as a visit left it: foils that lighten it, what they left at the root, the level that they came to. */
export interface ZoneDone {
  readonly foils: number;
  /** Middle of what the foils of the zone left between scalp and light, mm. */
  readonly leftMm: number;
  /** Mean over the foils: seen where their part was checked, else estimated by the minutes on; null where neither is known. */
  readonly level: number | null;
}

export type ZonesDone = Partial<Record<Zone, ZoneDone>>;

interface Lit {
  readonly zone: Zone;
  readonly startMm: number;
  readonly level: number | null;
}

type Worked = Pick<Sheet, 'foils' | 'painted' | 'zones'>;

/** A zone without the middle of any foil counts where so much of its hair went through foils that begin beside it. */
const BESIDE = 0.05;

/**
 * Zones as a pattern plans them: every foil and painted section that lightens counts for the zone under its middle, and for
 * narrow zones that foils only run through.
 * @param lightens whether a formula lifts; what only lays colour takes no zone to the root
 */
export function zonesOfPlan(plan: Plan, sheet: Worked, lightens: (formula: string) => boolean): ZonesDone {
  const starts = new Map(plan.panels.map(({ id, start }) => [id, start.distanceMm]));
  return gathered(sheet, [...sheet.foils, ...sheet.painted].filter(({ formula }) => lightens(formula)).map(({ zone, panel }) => ({ zone, startMm: starts.get(panel) ?? 0, level: null })));
}

/** Zones as a service left them: what was placed, skipped foils left out, with the levels seen or reckoned. @param sheet of the script's plan */
export function zonesOfService(script: ServiceScript, state: ServiceState, sheet: Worked): ZonesDone {
  const scripted = new Map(script.foils.map((own) => [own.id, own]));
  return gathered(sheet, state.blocks.flatMap(({ block, foils, checks }) => {
    const lift = block.lifts.find(({ stretch }) => stretch === 'length') ?? block.lifts[0];
    if (!lift) return [];
    const seen = checks.at(-1)?.level ?? null;
    const head = state.heads[block.formula].factor;
    return foils.flatMap(({ id, closedAt, offAt }): Lit[] => {
      const own: ScriptFoil | undefined = scripted.get(id);
      if (closedAt === null || !own?.zone) return [];
      const level = seen ?? (offAt === null ? null : levelAfter(lift.from, { ...lift.lift, factor: lift.lift.factor * head }, (offAt - closedAt) / 60_000));
      return [{ zone: own.zone, startMm: own.startMm, level }];
    });
  }));
}

function gathered(sheet: Worked, lit: readonly Lit[]): ZonesDone {
  const middles = new Set([...sheet.foils, ...sheet.painted].map(({ zone }) => zone));
  const out: ZonesDone = {};
  for (const zone of ZONES) {
    const own = lit.filter((foil) => foil.zone === zone);
    const beside = own.length === 0 && lit.length > 0 && !middles.has(zone) && sheet.zones.some((share) => share.zone === zone && share.foiledShare >= BESIDE);
    if (own.length > 0 || beside) out[zone] = { foils: own.length, leftMm: middle((own.length > 0 ? own : lit).map(({ startMm }) => startMm)), level: mean(own.flatMap(({ level }) => level ?? [])) };
  }
  return out;
}

const middle = (all: readonly number[]) => [...all].sort((a, b) => a - b)[all.length >> 1];
const mean = (all: readonly number[]) => (all.length === 0 ? null : all.reduce((sum, own) => sum + own, 0) / all.length);

/** Zones as a record says them: levels in halves, lengths in whole millimetres. */
export function zonesRecorded(done: ZonesDone): NonNullable<Outcome['zones']> {
  return Object.fromEntries(Object.entries(done).map(([zone, { leftMm, level }]) => [
    zone, { leftMm: Math.round(leftMm), measured: false, level: level === null ? null : Math.min(10, Math.max(1, Math.round(level * 2) / 2)), tone: null },
  ]));
}
