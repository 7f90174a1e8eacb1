import { foilSeconds, SECONDS_PER_PAINTED_SECTION, splitBlocks, USUAL_RULES, WET_PARTS, wetPartOf, type Block, type ClockRules, type WetPart } from '../clock';
import type { PanelLift } from './mix';
import type { VisitMixed } from './visit';
import type { WorkUnit } from './work';

/** A block of the clock with the work that it stands for, and whether its target is expected at all. */
export interface PanelBlock extends Block {
  readonly work: readonly WorkUnit[];
  /** False where the target is not expected within the maker's time: it is then ready at its limit. */
  readonly expected: boolean;
}

/**
 * The work of a mix as blocks for the clock, one for each panel in its order: ready when the slowest of its mixes is, with
 * the shortest of their limits. What deposits is ready when its time is over.
 */
export function blocksOf({ mixed: { work, panels }, formulas }: Pick<VisitMixed, 'mixed' | 'formulas'>): PanelBlock[] {
  const depositMinutes = new Map(formulas.flatMap(({ letter, formula }) => (formula.kind === 'deposit' ? [[letter, formula.minutes] as const] : [])));
  const byPanel = new Map<string, WorkUnit[]>();
  for (const unit of work) if (unit.kind === 'foil' || unit.kind === 'open-air') byPanel.set(unit.panel.id, [...(byPanel.get(unit.panel.id) ?? []), unit]);
  return [...byPanel].map(([id, own]): PanelBlock => {
    const { panel } = own[0];
    const lifts = panels.filter((lift) => lift.panel === id);
    const deposits = [...new Set(own.map(({ formula }) => formula))].flatMap((formula) => depositMinutes.get(formula) ?? []);
    const limitMinutes = Math.min(...lifts.map((lift) => lift.limitMinutes), ...deposits.map((minutes) => minutes + DEPOSIT_SPARE), LONGEST);
    const expected = lifts.every(({ ready, limitMinutes: limit }) => ready !== null && ready.minutes <= limit);
    return {
      id, panel: id, name: panel.name, formula: own[0].formula, work: own, expected, limitMinutes,
      seconds: own.map(secondsOf),
      readyMinutes: Math.min(limitMinutes, Math.max(0, ...lifts.map(readyOf), ...deposits)), touches: touchesOf(own),
    };
  });
}

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
export function clockBlocks(panels: readonly PanelBlock[], rules: ClockRules = USUAL_RULES): { readonly blocks: readonly PanelBlock[]; readonly cut: readonly string[] } {
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
  return { blocks, cut };
}

/** What lies lowest is worked first. */
const rankOf = ({ zone }: WorkUnit): number => (zone === null ? WET_PARTS.length : WET_PARTS.indexOf(wetPartOf(zone)));
