import { foilSeconds, SECONDS_PER_PAINTED_SECTION, splitBlocks, USUAL_RULES, WET_PARTS, wetPartOf, type Block, type ClockRules, type Strength, type WetPart } from '../clock';
import { LIFT_FACTORS, readyAfter } from '../lift';
import type { PanelLift } from './mix';
import { recipeOf } from './recipe';
import { mostVolumes } from './suggest';
import { strengthsFor, type VisitMixed } from './visit';
import type { WorkUnit } from './work';

/** A block of the clock with the work that it stands for, and whether its target is expected at all. */
export interface PanelBlock extends Block {
  readonly work: readonly WorkUnit[];
  /** False where the target is not expected within the maker's time: it is then ready at its limit. */
  readonly expected: boolean;
}

/** What of the clock may be tried otherwise. */
export interface ClockChoices {
  /** Hundredths of the usual time for a foil. */
  readonly pace?: number;
  /** Warmth is added to everything. */
  readonly heat?: boolean;
  /** Other strengths of the house may be taken, within what cautions allow. */
  readonly strengths?: boolean;
  /** What lies between the foils is painted as they are laid, or afterwards. */
  readonly painting?: 'as-you-foil' | 'after';
}

/** What the clock takes of a mix. */
export type ClockMix = Pick<VisitMixed, 'mixed' | 'formulas' | 'head' | 'shelf' | 'careful'>;

/**
 * The work of a mix as blocks for the clock, one for each panel in its order: ready when the slowest of its mixes is, with
 * the shortest of their limits. What deposits is ready when its time is over.
 */
export function blocksOf(visit: ClockMix, { pace = 100, heat = false, strengths = false }: ClockChoices = {}): PanelBlock[] {
  const { mixed: { work, panels }, formulas } = visit;
  const depositMinutes = new Map(formulas.flatMap(({ letter, formula }) => (formula.kind === 'deposit' ? [[letter, formula.minutes] as const] : [])));
  const byPanel = new Map<string, WorkUnit[]>();
  for (const unit of work) if (unit.kind === 'foil' || unit.kind === 'open-air') byPanel.set(unit.panel.id, [...(byPanel.get(unit.panel.id) ?? []), unit]);
  return [...byPanel].map(([id, own]): PanelBlock => {
    const { panel } = own[0];
    const lifts = panels.filter((lift) => lift.panel === id).map((lift) => (heat ? warmed(lift, visit) : lift));
    const letters = [...new Set(own.map(({ formula }) => formula))];
    const deposits = letters.flatMap((formula) => depositMinutes.get(formula) ?? []);
    const limitMinutes = Math.min(...lifts.map((lift) => lift.limitMinutes), ...deposits.map((minutes) => minutes + DEPOSIT_SPARE), LONGEST);
    const expected = lifts.every(({ ready, limitMinutes: limit }) => ready !== null && ready.minutes <= limit);
    return {
      id, panel: id, name: panel.name, formula: own[0].formula, work: own, expected, limitMinutes,
      seconds: own.map((unit) => (secondsOf(unit) * pace) / 100),
      readyMinutes: Math.min(limitMinutes, Math.max(0, ...lifts.map(readyOf), ...deposits)), touches: touchesOf(own),
      ...(strengths && letters.length === 1 && deposits.length === 0 && { others: othersOf(letters[0], panel.start.distanceMm, lifts, limitMinutes, visit) }),
    };
  });
}

/** When a panel's hair is ready with its mix changed; null where the target is not expected. */
function readyWith({ from, target, lift }: PanelLift, change: Partial<PanelLift['lift']>, { head }: ClockMix): number | null {
  return readyAfter(from, target, { ...lift, ...change, factor: lift.factor * head.factor });
}

function warmed(panel: PanelLift, visit: ClockMix): PanelLift {
  const minutes = readyWith(panel, { warmth: LIFT_FACTORS.warmth }, visit);
  return { ...panel, ready: minutes === null || panel.ready === null ? null : { ...panel.ready, minutes }, lift: { ...panel.lift, warmth: LIFT_FACTORS.warmth } };
}

/** Other strengths that the house can mix for a panel: those that get there in time, within what cautions allow. */
function othersOf(letter: string, startMm: number, lifts: readonly PanelLift[], limitMinutes: number, visit: ClockMix): Strength[] {
  const formula = visit.formulas.find((own) => own.letter === letter)?.formula;
  if (formula?.kind !== 'lift') return [];
  const most = mostVolumes(lifts.flatMap(({ zones }) => zones), startMm, visit.careful);
  const all = strengthsFor(formula, visit.shelf);
  return all.flatMap((volumes): Strength[] => {
    const read = volumes === formula.volumes || volumes > most ? null : recipeOf({ ...formula, volumes }, visit.shelf);
    if (!read?.ok) return [];
    const ready = lifts.map((lift) => readyWith(lift, { volumes: lift.stretch === 'ends' ? lift.lift.volumes : read.recipe.volumes }, visit));
    if (ready.some((own) => own === null || own > limitMinutes)) return [];
    return [{ mix: mixName(letter, volumes), readyMinutes: Math.max(0, ...ready.map((own) => own!)), limitMinutes, steps: all.filter((own) => own > formula.volumes && own <= volumes).length }];
  });
}

/** A mix that is not the letter's own, by its strength. */
export const mixName = (letter: string, volumes: number): string => `${letter} ${volumes} vol`;

const secondsOf = ({ kind, hair, panel }: WorkUnit): number => (kind === 'foil' ? foilSeconds({ gather: hair.gather, panel: panel.id, teasing: panel.start.teasing }) : SECONDS_PER_PAINTED_SECTION);

/** A deposit may stay so much longer than it is meant to, minutes; the longest that anything is left on. Working assumptions. */
const DEPOSIT_SPARE = 10;
const LONGEST = 60;

const readyOf = ({ ready, limitMinutes }: PanelLift): number => ready?.minutes ?? limitMinutes;

/** Parts of the head that some work touches. */
export function touchesOf(work: readonly WorkUnit[]): WetPart[] {
  return [...new Set(work.flatMap(({ zone }) => (zone === null ? [] : [wetPartOf(zone)])))];
}

/**
 * Blocks that the clock can keep inside their limits: panels too long for that are cut into parts. A panel that is cut is
 * worked from below, as the water runs, so that each part can be rinsed before the next is ready.
 * @returns with the names of the panels that were cut
 */
export function clockBlocks(panels: readonly PanelBlock[], rules: ClockRules = USUAL_RULES, { painting = 'as-you-foil' }: ClockChoices = {}): { readonly blocks: readonly PanelBlock[]; readonly cut: readonly string[] } {
  const cut: string[] = [];
  const blocks = panels.flatMap((panel): PanelBlock[] => {
    if (splitBlocks([panel], rules).cut.length === 0) return [panel];
    cut.push(panel.name);
    const order = panel.work.map((_, i) => i).sort((a, b) => rankOf(panel.work[a]) - rankOf(panel.work[b]));
    const work = order.map((i) => panel.work[i]);
    const arranged = { ...panel, work, seconds: order.map((i) => panel.seconds[i]) };
    let from = 0;
    return splitBlocks([arranged], rules).blocks.map((part) => {
      const own = work.slice(from, (from += part.seconds.length));
      return { ...arranged, ...part, work: own, touches: touchesOf(own) };
    });
  });
  return { blocks: painting === 'after' ? paintedAfter(blocks) : blocks, cut };
}

/** What lies between foils and is painted once all foils are in: it rinses with the foils that it lies between. */
function paintedAfter(blocks: readonly PanelBlock[]): PanelBlock[] {
  const mixed = (block: PanelBlock) => block.work.some(({ kind }) => kind === 'foil') && block.work.some(({ kind }) => kind === 'open-air');
  const only = (block: PanelBlock, kind: WorkUnit['kind']) => {
    const which = block.work.map((_, i) => i).filter((i) => block.work[i].kind === kind);
    return { work: which.map((i) => block.work[i]), seconds: which.map((i) => block.seconds[i]) };
  };
  const foils = blocks.map((block) => (mixed(block) ? { ...block, ...only(block, 'foil'), together: block.id } : block));
  const painted = blocks.filter(mixed).map((block): PanelBlock => ({ ...block, ...only(block, 'open-air'), id: `${block.id}~painted`, name: `${block.name}, painted`, together: block.id, after: foils.map(({ id }) => id) }));
  return [...foils, ...painted];
}

/** What lies lowest is worked first. */
const rankOf = ({ zone }: WorkUnit): number => (zone === null ? WET_PARTS.length : WET_PARTS.indexOf(wetPartOf(zone)));
