import type { Block, ClockRules, Fixed } from '../clock';
import { ZONES, zoneName, type Zone } from '../head';
import type { LiftOf, StrandReading } from '../lift';
import { afterSteps, clockPlanOf, formulaWords, plainBlock, type AfterStep, type PanelLift, type VisitMix, type VisitMixed } from '../mix';
import type { ComputedPlan, Gather, Plan, SingleGather } from '../pattern';

/** A foil (or a painted section) as it was planned. */
export interface ScriptFoil {
  readonly id: string;
  /** Its place in the order of the plan, from 1. */
  readonly number: number;
  readonly kind: 'foil' | 'open-air';
  readonly zone: Zone | null;
  readonly gather: SingleGather;
  readonly widthMm: number;
  readonly thicknessMm: number;
  readonly startMm: number;
  readonly featherMm: number;
  readonly teasing: number;
  /** Usual seconds. */
  readonly seconds: number;
}

/** A stretch of hair that lifts in a block. */
export interface ScriptLift extends Pick<PanelLift, 'from' | 'target' | 'stretch'> {
  readonly lift: LiftOf;
}

/** A block of the clock with its foils and how it lifts. */
export interface ScriptBlock extends Block {
  readonly foils: readonly string[];
  readonly lifts: readonly ScriptLift[];
  /** Minutes of what deposits in it; 0 where all of it lifts. */
  readonly depositMinutes: number;
}

/** A service as it was agreed when it began: what is changed in the plan later does not change what is being done. */
export interface ServiceScript {
  readonly version: 1;
  readonly plan: Plan;
  readonly naturalLevel: number;
  readonly foils: readonly ScriptFoil[];
  readonly blocks: readonly ScriptBlock[];
  /** Mixes by their name in a bowl, in words. */
  readonly mixes: Readonly<Record<string, string>>;
  /** Lighteners by the letter of their formula, with the speed that was reckoned with. Scripts from before it was kept have none. */
  readonly products?: Readonly<Record<string, { readonly id: string; readonly name: string; readonly speed: number }>>;
  /** What was read of this head before. */
  readonly readings: readonly StrandReading[];
  readonly rules: ClockRules;
  readonly fixed: Fixed;
  readonly after: readonly AfterStep[];
}

export interface ScriptInput {
  readonly plan: Plan;
  readonly computed: Pick<ComputedPlan, 'sheet' | 'drawing'>;
  readonly mix: VisitMix;
  readonly mixed: VisitMixed;
  readonly naturalLevel: number;
}

/** Freezes what a visit has planned into the script of its service. */
export function scriptOf({ plan, computed: { sheet, drawing }, mix, mixed, naturalLevel }: ScriptInput): ServiceScript {
  const clock = clockPlanOf(mixed, mix);
  const gathers = new Map(drawing.paths.map(({ id, gather }) => [id, gather]));
  const foils: ScriptFoil[] = [];
  const blocks = clock.blocks.map((block): ScriptBlock => {
    const ids = block.work.map((unit, i) => {
      const { panel } = unit;
      const painted = unit.kind !== 'foil';
      const foil = painted ? undefined : sheet.foils[unit.index];
      const own = foil ?? sheet.painted[unit.index];
      // A foil and what is painted beside it may lie in the same row and column.
      const id = painted ? `painted ${own.id}` : own.id;
      foils.push({
        id, number: 0, kind: painted ? 'open-air' : 'foil', zone: unit.zone, gather: (painted ? undefined : gathers.get(own.id)) ?? firstOf(panel.gather), widthMm: own.widthMm, thicknessMm: foil?.thicknessMm ?? panel.thicknessMm,
        startMm: panel.start.distanceMm, featherMm: panel.start.featherMm, teasing: panel.start.teasing, seconds: block.seconds[i],
      });
      return id;
    });
    const lifts = mixed.mixed.panels.filter(({ panel }) => panel === block.panel).map(({ from, target, stretch, lift }): ScriptLift => ({ from, target, stretch, lift }));
    const deposit = mixed.formulas.find(({ letter, formula }) => letter === block.formula && formula.kind === 'deposit')?.formula;
    return { ...plainBlock(block), foils: ids, lifts, depositMinutes: deposit?.kind === 'deposit' ? deposit.minutes : 0 };
  });
  const mixes = Object.fromEntries([...new Set(blocks.flatMap(({ formula, others = [] }) => [formula, ...others.map((own) => own.mix)]))].map((name) => [name, mixWordsOf(name, mixed)]));
  const products = Object.fromEntries(mixed.formulas.flatMap(({ letter, formula }) => {
    const product = formula.kind === 'lift' ? mixed.shelf.lightener(formula.product) : undefined;
    return product ? [[letter, { id: product.id, name: product.name, speed: product.speed }]] : [];
  }));
  const { fixed, rules } = clock;
  return {
    version: 1, plan, naturalLevel, foils: foils.map((foil, i) => ({ ...foil, number: i + 1 })), blocks, mixes, products, readings: mixed.readings, rules: { ...rules, away: [] }, fixed: fixed[mix.clock.order], after: afterSteps(mix),
  };
}

const firstOf = (gather: Gather): SingleGather => (gather.kind === 'alternate' ? gather.of[0] : gather);

/** A mix as it is said at the station: product, strength and ratio. */
function mixWordsOf(name: string, { formulas, shelf }: VisitMixed): string {
  const [letter, volumes] = name.split(' ');
  const formula = formulas.find((own) => own.letter === letter)?.formula;
  return formula ? formulaWords(formula, shelf, volumes) : letter;
}

/** A zone in words; '' where a foil has none. */
export const zoneWords = (zone: Zone | null): string => (zone !== null && ZONES.includes(zone) ? zoneName(zone) : '');
