import { MINUTE } from './minute';
import type { ScriptBlock, ScriptLift, ScriptUnit } from './script';
import type { BasinStage, BlockState, Check, ServiceState, UnitStanding, UnitState } from './service-state';
import { readyMinutesOf } from './lifting';

/** What has happened to a unit so far. */
export interface UnitSoFar {
  standing: UnitStanding;
  earlierMinutes: number;
  /** When what was given to it is over; a check after that counts instead. */
  longerUntil: { at: number; until: number } | null;
  closedAt: number | null;
  closedBy: string | null;
  seconds: number | null;
  offAt: number | null;
  why: string | null;
}

/** Whether a unit is still to be painted again, as it was planned. */
export const isPending = (
  { again }: Pick<ScriptUnit, 'again'>,
  { earlierMinutes }: Pick<UnitSoFar, 'earlierMinutes'>,
) => again !== null && earlierMinutes === 0;

/** A unit as it stands, with what checks have shown of its letter. */
export function unitState({
  lifts,
  id,
  foil,
  unit,
  added,
  checks,
  letterOf,
  heads,
}: {
  readonly lifts: readonly ScriptLift[];
  readonly id: string;
  readonly foil: UnitSoFar;
  readonly unit: ScriptUnit;
  readonly added: boolean;
  readonly checks: readonly Check[];
  readonly letterOf: (foil: string) => string;
  readonly heads: ServiceState['heads'];
}): UnitState {
  const { letter, limitMinutes } = unit;
  const painted = unit.again !== null && isPending(unit, foil) ? unit.again.afterMinutes : null;
  const whole = readyMinutesOf(unit, lifts, heads[letter], painted ?? foil.earlierMinutes);
  const expected = whole !== null && whole <= limitMinutes;
  // What is still to be painted again is opened then.
  const estimate = painted === null || foil.standing === 'waiting' ? whole : painted;
  // What was decided at a check goes before any estimate, for foils of that mix that were on then.
  const last =
    foil.closedAt === null
      ? undefined
      : checks.findLast((check) => check.at >= foil.closedAt! && letterOf(check.foil) === letter);
  const { longerUntil, ...shown } = foil;
  const given =
    longerUntil !== null && (last === undefined || longerUntil.at > last.at)
      ? (longerUntil.until - foil.closedAt!) / MINUTE
      : undefined;
  const decided =
    given ??
    (last && (last.at - foil.closedAt!) / MINUTE + (last.then === 'rinse' ? 0 : (last.minutes ?? 0)));
  const readyMinutes = Math.max(0, decided ?? Math.min(estimate ?? limitMinutes, limitMinutes));
  const on = foil.standing === 'on';
  return {
    id,
    unit,
    added,
    ...shown,
    readyMinutes,
    expected,
    again: painted === null ? null : { readyMinutes: Math.min(whole ?? limitMinutes, limitMinutes) },
    readyAt: on ? foil.closedAt! + readyMinutes * MINUTE : null,
    limitAt: on ? foil.closedAt! + limitMinutes * MINUTE : null,
  };
}

/** A block as its units stand. */
export function blockState({
  block,
  units,
  checks,
  pastLimit,
  stages,
}: {
  readonly block: ScriptBlock;
  readonly units: readonly UnitState[];
  readonly checks: readonly Check[];
  readonly pastLimit: readonly string[];
  readonly stages: readonly BasinStage[];
}): BlockState {
  const on = units.filter((unit) => unit.standing === 'on');
  const waiting = units.some((unit) => unit.standing === 'waiting');
  const off = units.some((unit) => unit.standing === 'rinsed');
  const pulled = units.some((unit) => unit.standing === 'pulled');
  const open = stages.find(({ doneAt }) => doneAt === null);
  const standingOf = (): BlockState['standing'] => {
    if (on.length > 0 || pulled) return waiting ? 'begun' : 'on';
    if (open?.blocks.includes(block.id)) return 'at-basin';
    if (off) return waiting ? 'begun' : 'rinsed';
    return waiting ? 'waiting' : 'rinsed';
  };
  const over = (of: (state: UnitState) => number, most: (...all: number[]) => number) =>
    on.length > 0 ? most(...on.map(of)) : null;
  return {
    block,
    units,
    checks,
    pastLimit,
    standing: standingOf(),
    firstAt: over(({ closedAt }) => closedAt!, Math.min),
    lastAt: over(({ closedAt }) => closedAt!, Math.max),
    readyAt: over(({ readyAt }) => readyAt!, Math.max),
    limitAt: over(({ limitAt }) => limitAt!, Math.min),
    expected: units.every((unit) => unit.expected),
  };
}
