import { USUAL_RULES, type Block, type ClockRules, type Fixed } from '../clock';
import type { VisitClock } from '../visit';
import { blocksOf, clockBlocks, type BlockFacts, type WorkBlock } from './blocks';

/** All that the clock computes with. */
export interface ClockPlan {
  readonly blocks: readonly WorkBlock[];
  readonly rules: ClockRules;
  /** What is fixed in one's own order, and in the order that is searched. */
  readonly fixed: Readonly<Record<VisitClock['order'], Fixed>>;
  /** Names of panels that were cut into parts, and of those whose target is not expected. */
  readonly cut: readonly string[];
  readonly unexpected: readonly string[];
}

/** The clock's question for a visit, with what was decided about it. */
export function clockPlanOf(
  facts: BlockFacts,
  { bowl, clock }: { readonly bowl: { readonly usefulMinutes: number }; readonly clock: VisitClock },
): ClockPlan {
  const rules: ClockRules = {
    ...USUAL_RULES,
    usefulMinutes: bowl.usefulMinutes,
    second: clock.second,
    away: clock.away ? [{ from: clock.away.from, to: clock.away.from + clock.away.minutes }] : [],
  };
  const panels = blocksOf(facts, clock);
  const { blocks: parts, cut } = clockBlocks(panels, rules);
  const blocks = parts.map((block): WorkBlock => ({
    ...block,
    ...(clock.together[block.id] && !block.together && { together: clock.together[block.id] }),
    ...(clock.pulled?.block === block.id && { pulled: { [clock.pulled.index]: clock.pulled.minutes } }),
  }));
  const strength: Record<number, number> = {};
  const at: Record<number, number> = {};
  blocks.forEach(({ id, others = [] }, b) => {
    const kept = id in clock.kept ? others.findIndex(({ mix }) => mix === clock.kept[id]) + 1 : undefined;
    if (kept !== undefined) strength[b] = kept;
    // Two blocks at one place: the first has it.
    if (id in clock.pinned && clock.pinned[id] < blocks.length && !(clock.pinned[id] in at)) at[clock.pinned[id]] = b;
  });
  const own: Fixed = {
    order: blocks.map((_, b) => b),
    strength: Object.fromEntries(blocks.map((_, b) => [b, strength[b] ?? 0])),
  };
  return {
    blocks,
    rules,
    fixed: { own, best: { at, strength } },
    cut,
    unexpected: panels.filter(({ expected }) => !expected).map(({ name }) => name),
  };
}

/** What a worker needs of a block, and no more. */
export function plainBlock({ id, panel, name, foils, touches, others, together, after, pulled }: Block): Block {
  return { id, panel, name, foils, touches, others, together, after, pulled };
}
