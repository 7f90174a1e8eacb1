import {
  comesEarly,
  isPast,
  USUAL_RULES,
  type Block,
  type ClockPlanned,
  type ClockQuestion,
  type ClockRules,
  type Frame,
  type Timeline,
} from '../clock';
import { levelAfter, onThisHead } from '../lift';
import type { Schools } from '../school';
import type { HouseClock, VisitClock } from '../visit';
import { blocksOf, type BlockFacts, type WorkBlock } from './blocks';
import { remediesFor, type Unexpected } from './remedies';
import type { WorkList } from './list';

/** All that the clock computes with. */
export interface ClockPlan extends ClockQuestion {
  readonly blocks: readonly WorkBlock[];
  /** Panels whose target is not expected, and what can be done about it. */
  readonly unexpected: readonly Unexpected[];
  /** Share of its rate at which opened hair lifts on. */
  readonly liftsOn: number;
}

export interface ClockHouse {
  readonly clock: HouseClock;
  readonly schools: Pick<Schools, 'rinse'>;
}

/** The clock's question for a visit, with what was decided about it. */
export function clockPlanOf(
  facts: BlockFacts,
  { bowl, clock }: { readonly bowl: { readonly usefulMinutes: number }; readonly clock: VisitClock },
  house: ClockHouse,
): ClockPlan {
  const blocks = blocksOf(facts, clock).map((block): WorkBlock => ({
    ...block,
    ...(clock.together[block.id] && !block.together && { together: clock.together[block.id] }),
    ...(clock.apart[block.id] && { apart: clock.apart[block.id] }),
    ...(clock.pulled?.block === block.id && { foils: pulledAlone(block.foils, clock.pulled) }),
  }));
  const strength: Record<number, number> = {};
  const at: Record<number, number> = {};
  blocks.forEach(({ id, others = [] }, b) => {
    const kept = id in clock.kept ? others.findIndex(({ mix }) => mix === clock.kept[id]) + 1 : undefined;
    if (kept !== undefined) strength[b] = kept;
    // Two blocks at one place: the first has it.
    if (id in clock.pinned && clock.pinned[id] < blocks.length && !(clock.pinned[id] in at))
      at[clock.pinned[id]] = b;
  });
  return {
    blocks,
    rules: rulesOf(bowl.usefulMinutes, clock, house.clock),
    frame: frameOf(clock, house),
    fixed: { at, strength },
    strengths: clock.strengths,
    chosen: clock.chosen,
    unexpected: remediesFor(blocks, facts),
    liftsOn: house.clock.liftsOnPercent / 100,
  };
}

const pulledAlone = (
  foils: Block['foils'],
  { index, minutes }: NonNullable<VisitClock['pulled']>,
): Block['foils'] => foils.map((foil, i) => (i === index ? { ...foil, pullAfter: minutes } : foil));

function rulesOf(usefulMinutes: number, { second, away }: VisitClock, house: HouseClock): ClockRules {
  return {
    ...USUAL_RULES,
    usefulMinutes,
    margin: house.marginMinutes,
    pullEach: house.pullSeconds / 60,
    pullChange: house.changeOverMinutes,
    second,
    away: away ? [{ from: away.from, to: away.from + away.minutes }] : [],
  };
}

/** Visits to the basin: what was decided here, else as the house's school has it: all at once is one. */
function frameOf({ visits, backFirst }: VisitClock, { clock, schools }: ClockHouse): Frame {
  const most = visits === 'house' ? (schools.rinse === 'once' ? 1 : clock.visits) : visits;
  return { visits: most === 'free' ? null : most, backFirst };
}

/** What a worker needs of a question, and no more. */
export function plainQuestion({
  blocks,
  rules,
  frame,
  fixed,
  strengths,
  chosen,
}: ClockQuestion): ClockQuestion {
  const plain = ({ id, panel, name, foils, others, together, apart, after }: Block): Block => ({
    id,
    panel,
    name,
    foils,
    others,
    together,
    apart,
    after,
  });
  return { blocks: blocks.map(plain), rules, frame, fixed, strengths, chosen };
}

/**
 * Lowest level that a unit has when its product is off (estimate), with what opened hair lifts on; null where
 * nothing lifts.
 */
export function levelReachedBy(
  { foils, stages }: Timeline,
  { blocks, liftsOn }: ClockPlan,
  work: WorkList,
): number | null {
  const rinsedAt = (block: number, index: number) =>
    stages.find((stage) => stage.foils.some((foil) => foil.block === block && foil.index === index))?.to;
  const levels = foils.flatMap(({ block, index, placed, wet, pulled }) => {
    const unit = blocks[block].units[index];
    const on = wet - placed + (pulled ? liftsOn * Math.max(0, (rinsedAt(block, index) ?? wet) - wet) : 0);
    return unit.liftRows.flatMap((at) => {
      const { stretch, from, lift } = work.lift[at];
      return stretch === 'length' ? [levelAfter(from, onThisHead(lift, work.head.factor), on)] : [];
    });
  });
  return levels.length === 0 ? null : Math.min(...levels);
}

const said = (level: number) => String(Math.round(level * 10) / 10);

/** What cannot be met with a plan, in sentences. */
export function cannotWith({ figures, timeline }: ClockPlanned, { frame, unexpected }: ClockPlan): string[] {
  const over = timeline.foils.filter(isPast).length;
  const early = timeline.foils.filter((foil) => foil.expected && comesEarly(foil)).length;
  return [
    ...(over > 0
      ? [
          `${over === 1 ? 'One foil stays' : `${over} foils stay`} on past the maker’s limit, by up to ${Math.ceil(figures.worstOver)} min.`,
        ]
      : []),
    ...(early > 0
      ? [`${early === 1 ? 'One foil comes' : `${early} foils come`} off before the target is reached.`]
      : []),
    ...(frame.backFirst && timeline.stages.length === 1
      ? ['Nothing at the back can be rinsed before the rest.']
      : []),
    ...unexpected.map(
      ({ name, letter, target, level, limitMinutes }) =>
        `${name}, ${letter}: level ${said(target)} is not expected within ${Math.round(limitMinutes)} min; ${said(level)} is reached by then, when it comes off.`,
    ),
  ];
}
