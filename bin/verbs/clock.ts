import { bindingsOf, compareCosts, mixesOf, MOST_BLOCKS, nearestAlternative, runService, searchService, simplePlan, USUAL_RULES } from '@/core/clock';
import { blocksOf, clockBlocks } from '@/core/work';
import { MIX_HELP, mixedPlan } from './mixed-plan';
import { printed, type Verb, type VerbResult } from './verb';

/** The search is asked to stop after so many hundred steps, and not by a clock: the same call always gives the same answer. */
const MOST_ASKED = 60;

/** `clock FILE.json`: in what order to foil and rinse so that nothing stays on too long, as JSON. */
export const clockVerb: Verb = {
  name: 'clock',
  usage: 'clock FILE.json [--from L] [--to L] [--mix MIX.json] …',
  summary: 'prints when each foil is placed, ready and due, the rinse stages, and what binds (estimates)',
  help: [
    'FILE.json is a plan document; - reads standard input.',
    ...MIX_HELP,
    `Minutes from the first foil on. ${USUAL_RULES.margin} minutes are kept in hand before every limit. Estimates: follow the product’s leaflet, local rules and licensed judgement.`,
  ].join('\n'),
  run,
};

async function run(args: readonly string[]): Promise<VerbResult> {
  const visit = await mixedPlan('clock', args);
  if (!visit.ok) return visit;
  const { work, after, plan, shelf, careful } = visit.value;
  const panels = blocksOf({ plan, work, shelf, careful }, { strengths: true });
  const { blocks, cut } = clockBlocks(panels);
  if (blocks.length > MOST_BLOCKS) {
    return { ok: false, problem: `kept inside its limits this plan falls into ${blocks.length} parts; at most ${MOST_BLOCKS} can be put in order. Fewer foils, or a mix that is ready sooner.` };
  }
  let asked = 0;
  const found = searchService(blocks, { stop: () => (asked += 1) > MOST_ASKED });
  const simple = runService(blocks, simplePlan(blocks));
  const { timeline } = found;
  return {
    ok: true,
    output: printed({
      proved: found.proved, cutIntoParts: cut, notExpected: panels.filter(({ expected }) => !expected).map(({ name }) => name),
      cost: costOf(timeline.cost), simpleOrder: { cost: costOf(simple.cost), end: tenth(simple.end), gained: compareCosts(timeline.cost, simple.cost) < 0 }, end: tenth(timeline.end),
      order: found.actions.map((action) =>
        action.kind === 'foil' ? { foil: blocks[action.block].name, mix: mixesOf(blocks[action.block], action.strength).join(', ') } : { rinse: (action.kind === 'rinse' ? action.blocks : [action.block]).map((b) => blocks[b].name) },
      ),
      stages: timeline.stages.map(({ blocks: set, from, to }) => ({ from: tenth(from), to: tenth(to), rinses: set.map((b) => blocks[b].name) })),
      bowls: timeline.bowls.map(({ mix, at }) => ({ mix, mixAtMinute: tenth(at) })),
      binds: bindingsOf(blocks, timeline).map(({ words }) => words),
      nearestAlternative: nearestAlternative(blocks, found.actions)?.words ?? null,
      after: after.map(({ name, from, to }) => ({ name, from: tenth(timeline.end + from), to: tenth(timeline.end + to) })),
      foils: [...timeline.foils].sort((a, b) => a.placed - b.placed).map(({ block, index, placed, ready, limit, wet, clear }) => ({
        unit: blocks[block].units[index].id, letter: blocks[block].units[index].letter, grams: hundredth(blocks[block].units[index].grams + blocks[block].units[index].endsGrams), part: blocks[block].name, placed: tenth(placed), ready: tenth(ready), limit: tenth(limit), wet: tenth(wet), clear: tenth(clear),
      })),
    }),
  };
}

const tenth = (value: number) => Math.round(value * 10) / 10;
const hundredth = (value: number) => Math.round(value * 100) / 100;
const costOf = ({ over, short, visit, past }: { over: number; short: number; visit: number; past: number }) => ({ minutesOver: tenth(over), minutesShort: tenth(short), visit: tenth(visit), meanPastReady: tenth(past) });
