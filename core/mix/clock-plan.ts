import { USUAL_RULES, type Block, type ClockRules, type Fixed, type SecondPerson } from '../clock';
import { blocksOf, clockBlocks, type ClockMix, type PanelBlock } from './blocks';

/** What a colourist has decided about the clock of a visit: the rest is solved around it. */
export interface VisitClock {
  /** Work in one's own order and strengths, or as the search finds best. */
  readonly order: 'own' | 'best';
  /** Whether the search may take other strengths of the house. */
  readonly strengths: boolean;
  readonly second: SecondPerson;
  readonly painting: 'as-you-foil' | 'after';
  /** Warmth on everything. */
  readonly heat: boolean;
  /** Hundredths of the usual time for a foil. */
  readonly pace: number;
  readonly lateMinutes: number;
  /** Another client, or a break: minutes from the first foil on. */
  readonly away: { readonly from: number; readonly minutes: number } | null;
  /** A foil that is pulled alone, minutes after it is closed. */
  readonly pulled: { readonly block: string; readonly index: number; readonly minutes: number } | null;
  /** Place in the order of work, strength by its mix, and a rinse shared, by block. */
  readonly pinned: Readonly<Record<string, number>>;
  readonly kept: Readonly<Record<string, string>>;
  readonly together: Readonly<Record<string, string>>;
}

export const USUAL_CLOCK: VisitClock = {
  order: 'own', strengths: false, second: 'none', painting: 'as-you-foil', heat: false, pace: 100, lateMinutes: 0, away: null, pulled: null, pinned: {}, kept: {}, together: {},
};

/** All that the clock computes with. */
export interface ClockPlan {
  readonly blocks: readonly PanelBlock[];
  readonly rules: ClockRules;
  /** What is fixed in one's own order, and in the order that is searched. */
  readonly fixed: Readonly<Record<VisitClock['order'], Fixed>>;
  /** Names of panels that were cut into parts, and of those whose target is not expected. */
  readonly cut: readonly string[];
  readonly unexpected: readonly string[];
}

/** The clock's question for a visit, with what was decided about it. */
export function clockPlanOf(visit: ClockMix, { bowl, clock }: { readonly bowl: { readonly usefulMinutes: number }; readonly clock: VisitClock }): ClockPlan {
  const rules: ClockRules = {
    ...USUAL_RULES, usefulMinutes: bowl.usefulMinutes, second: clock.second, away: clock.away ? [{ from: clock.away.from, to: clock.away.from + clock.away.minutes }] : [],
  };
  const panels = blocksOf(visit, clock);
  const { blocks: parts, cut } = clockBlocks(panels, rules, clock);
  const blocks = parts.map((block): PanelBlock => ({
    ...block, ...(clock.together[block.id] && !block.together && { together: clock.together[block.id] }), ...(clock.pulled?.block === block.id && { pulled: { [clock.pulled.index]: clock.pulled.minutes } }),
  }));
  const strength: Record<number, number> = {};
  const at: Record<number, number> = {};
  blocks.forEach(({ id, others = [] }, b) => {
    const kept = id in clock.kept ? others.findIndex(({ mix }) => mix === clock.kept[id]) + 1 : undefined;
    if (kept !== undefined) strength[b] = kept;
    // Two blocks at one place: the first has it.
    if (id in clock.pinned && clock.pinned[id] < blocks.length && !(clock.pinned[id] in at)) at[clock.pinned[id]] = b;
  });
  const own: Fixed = { order: blocks.map((_, b) => b), strength: Object.fromEntries(blocks.map((_, b) => [b, strength[b] ?? 0])) };
  return { blocks, rules, fixed: { own, best: { at, strength } }, cut, unexpected: panels.filter(({ expected }) => !expected).map(({ name }) => name) };
}

/** What a worker needs of a block, and no more. */
export function plainBlock({ id, panel, name, formula, seconds, readyMinutes, limitMinutes, touches, others, together, after, pulled }: Block): Block {
  return { id, panel, name, formula, seconds, readyMinutes, limitMinutes, touches, others, together, after, pulled };
}
