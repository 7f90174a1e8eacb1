import { levelAfter, onThisHead, readyAfter, USUAL_WARM_CELSIUS, warmthFactor } from '../lift';
import { PAINTED_AGAIN_MINUTES } from './bowls';
import type { BlockFacts, WorkBlock } from './blocks';
import type { LiftRow } from './lift';
import { mostVolumes, strengthsFor } from './strengths';

/** Something that can be done where a target is not expected. Estimates. */
export interface Remedy {
  readonly kind: 'stronger' | 'second-application' | 'warmth' | 'second-visit' | 'other-target';
  /** Level that is reached with it, and minutes that it adds to this visit. */
  readonly level: number;
  readonly minutes: number;
  /** A stronger developer, volumes. */
  readonly volumes?: number;
  readonly words: string;
}

/** A panel whose target is not expected within its maker's time. */
export interface Unexpected {
  readonly panel: string;
  readonly name: string;
  readonly letter: string;
  readonly target: number;
  /** Level at the limit (estimate), and the limit. */
  readonly level: number;
  readonly limitMinutes: number;
  readonly remedies: readonly Remedy[];
}

/** Warmth is added for the last quarter of an hour, in minutes. */
const WARM_MINUTES = 15;

/** Panels whose target is not expected, letter by letter, each with the remedies and what they bring. */
export function remediesFor(
  blocks: readonly WorkBlock[],
  { work, shelf, careful, plan }: BlockFacts,
): Unexpected[] {
  return blocks.flatMap((block): Unexpected[] => {
    const letters = [
      ...new Set(block.units.filter((_, i) => block.foils[i].expected === false).map(({ letter }) => letter)),
    ];
    return letters.flatMap((letter): Unexpected[] => {
      const units = block.units.filter(
        (unit, i) => unit.letter === letter && block.foils[i].expected === false,
      );
      const rows = [...new Set(units.flatMap(({ liftRows }) => liftRows))].map((at) => work.lift[at]);
      const row = rows.reduce<LiftRow | undefined>(
        (worst, liftRow) => (worst === undefined || gapOf(liftRow) > gapOf(worst) ? liftRow : worst),
        undefined,
      );
      if (!row) return [];
      const formula = work.letters.find((formulaRow) => formulaRow.letter === letter)?.formula;
      const { distanceMm } = plan.panels.find(({ id }) => id === block.panel)!.start;
      const most = mostVolumes(
        units.map(({ zone }) => zone),
        distanceMm,
        careful,
      );
      const stronger = strengthsFor(formula, shelf).filter(
        (strength) => strength > row.lift.volumes + 1 && strength <= most,
      );
      return [
        {
          panel: block.panel,
          name: block.name,
          letter,
          target: row.target,
          level: row.atLimit.level,
          limitMinutes: row.limitMinutes,
          remedies: remediesOf(row, work.head.factor, stronger, units.length),
        },
      ];
    });
  });
}

const gapOf = ({ target, atLimit }: LiftRow) => target - atLimit.level;

function remediesOf(row: LiftRow, head: number, strengths: readonly number[], foils: number): Remedy[] {
  const { from, target, limitMinutes } = row;
  const lift = onThisHead(row.lift, head);
  const out: Remedy[] = [];
  const at = (volumes: number) => levelAfter(from, { ...lift, volumes }, limitMinutes);
  const volumes = strengths.find((strength) => at(strength) >= target - ENOUGH) ?? strengths.at(-1);
  if (volumes !== undefined)
    out.push({
      kind: 'stronger',
      level: Math.min(target, at(volumes)),
      minutes: 0,
      volumes,
      words: `${volumes} vol: level ${said(Math.min(target, at(volumes)))}`,
    });
  // Painted again once the maker's time is over; where that is planned already, nobody paints a third time.
  const again = { ...lift, second: { afterMinutes: limitMinutes, volumes: lift.volumes } };
  const twice = lift.second ? row.atLimit.level : levelAfter(from, again, 2 * limitMinutes);
  const on = Math.min((readyAfter(from, target, again) ?? Infinity) - limitMinutes, limitMinutes);
  if (twice > row.atLimit.level + ENOUGH) {
    const level = Math.min(target, twice);
    const minutes = foils * PAINTED_AGAIN_MINUTES + on;
    out.push({
      kind: 'second-application',
      level,
      minutes,
      words: `fresh product on the same foils, ${Math.round(on)} min more: level ${said(level)}, + ${Math.round(minutes)} min`,
    });
  }
  if (!lift.warmth) {
    const warm = {
      factor: warmthFactor(USUAL_WARM_CELSIUS),
      fromMinutes: Math.max(0, limitMinutes - WARM_MINUTES),
    };
    const level = Math.min(target, levelAfter(from, { ...lift, warmth: warm }, limitMinutes));
    if (level > row.atLimit.level + ENOUGH)
      out.push({
        kind: 'warmth',
        level,
        minutes: 0,
        words: `warmth (${USUAL_WARM_CELSIUS} °C) for the last ${WARM_MINUTES} min, where the leaflet allows it: level ${said(level)}`,
      });
  }
  if (twice > row.atLimit.level + ENOUGH)
    out.push({
      kind: 'second-visit',
      level: Math.min(target, twice),
      minutes: 0,
      words: `level ${said(row.atLimit.level)} today, ${said(Math.min(target, twice))} at a second visit`,
    });
  out.push({
    kind: 'other-target',
    level: row.atLimit.level,
    minutes: 0,
    words: `level ${said(Math.floor((row.atLimit.level + ENOUGH) * 2) / 2)} as today’s target`,
  });
  return out;
}

/** Nearer than this is there, levels. */
const ENOUGH = 0.05;
const said = (level: number) => String(Math.round(level * 10) / 10);
