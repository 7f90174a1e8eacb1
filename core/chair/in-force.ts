import type { ScriptLift, ScriptMix, ScriptPart, ScriptUnit, ServiceScript } from './script';

/**
 * Units, lifts and mixes by which a service goes on: those of its script, and what was decided since for what
 * is not yet placed.
 */
export class InForce {
  private readonly unitById: Map<string, ScriptUnit>;
  private readonly allLifts: ScriptLift[];
  private allMixes: Record<string, ScriptMix>;

  constructor({ units, lifts, mixes }: ServiceScript) {
    this.unitById = new Map(units.map((unit) => [unit.id, unit]));
    this.allLifts = [...lifts];
    this.allMixes = { ...mixes };
  }

  get lifts(): readonly ScriptLift[] {
    return this.allLifts;
  }

  get mixes(): Readonly<Record<string, ScriptMix>> {
    return this.allMixes;
  }

  unit(id: string): ScriptUnit {
    return this.unitById.get(id)!;
  }

  /** A foil that was not planned takes after one that was. */
  beside(id: string, planned: string): void {
    this.unitById.set(id, this.unit(planned));
  }

  /**
   * Another strength for a mix of what is not painted with it yet.
   * @param waiting units that are not placed @param pending units that are still to be painted again
   * @returns whether there is such a mix
   */
  strengthen(mix: string, volumes: number, waiting: readonly string[], pending: readonly string[]): boolean {
    const scriptMix = this.allMixes[mix];
    if (!scriptMix || scriptMix.volumes === null) return false;
    const before = scriptMix.volumes;
    const said = (words: string) => words.replace(`${before} vol`, `${volumes} vol`);
    this.allMixes = { ...this.allMixes, [mix]: { ...scriptMix, volumes, words: said(scriptMix.words) } };
    // What weakens a mix weakens it as much at another strength.
    const scaled = (strength: number) => (strength * volumes) / before;
    for (const { letter, part } of scriptMix.of) {
      const endsApart = Object.values(this.allMixes).some(({ of }) =>
        of.some((one) => one.letter === letter && one.part === 'ends'),
      );
      const changed = (row: ScriptLift): ScriptLift => {
        const { lift } = row;
        if (part === 'second')
          return lift.second
            ? { ...row, lift: { ...lift, second: { ...lift.second, volumes: scaled(lift.second.volumes) } } }
            : row;
        return !endsApart || (row.stretch === 'ends') === (part === 'ends')
          ? { ...row, lift: { ...lift, volumes: scaled(lift.volumes) } }
          : row;
      };
      for (const id of part === 'second' ? [...waiting, ...pending] : waiting) {
        const unit = this.unit(id);
        if (unit.letter !== letter) continue;
        const lifting = this.added(unit.lifting.map((at) => changed(this.allLifts[at])));
        const words = {
          length: { mix: said(unit.mix) },
          ends: { endsMix: unit.endsMix && said(unit.endsMix) },
          second: { again: unit.again && { ...unit.again, words: said(unit.again.words) } },
        }[part];
        this.unitById.set(id, { ...unit, lifting, ...words });
      }
    }
    return true;
  }

  /** What Mix says now, for units that wait. */
  rescript({ units, lifts, mixes }: ScriptPart, waiting: readonly string[]): void {
    const first = this.allLifts.length;
    this.allLifts.push(...lifts);
    this.allMixes = { ...this.allMixes, ...mixes };
    const byId = new Map(units.map((unit) => [unit.id, unit]));
    for (const id of waiting) {
      const next = byId.get(id);
      if (next) this.unitById.set(id, { ...next, lifting: next.lifting.map((at) => at + first) });
    }
  }

  private added(rows: readonly ScriptLift[]): number[] {
    return rows.map((row) => this.allLifts.push(row) - 1);
  }
}
