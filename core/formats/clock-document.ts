import { z } from 'zod';
import { bindingsOf, mixesOf, type ClockPlanned, type FoilAt } from '../clock';
import type { TimedStep } from '../steps';
import { cannotWith, levelReachedBy, type ClockPlan, type WorkList } from '../work';

const minutes = (description: string) =>
  z.number().describe(`${description}, minutes from the first foil on (estimate)`);
const by = z.int().min(0).max(1).describe('Whose hands: 0 the colourist, 1 the second person');
const units = z.array(z.string()).describe('Ids of units, as in the work');
const count = (description: string) => z.int().min(0).describe(description);

const actionSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('foil'),
    at: minutes('Begun'),
    until: minutes('Last one closed'),
    panel: z.string(),
    mixes: z.array(z.string()),
    by,
    from: z.int().min(1).describe('First of its foils in the panel, from 1'),
    to: z.int().min(1).describe('and the last'),
  }),
  z.strictObject({
    do: z.literal('pull'),
    at: minutes('Begun'),
    until: minutes('Last one wiped'),
    units,
    by,
  }),
  z.strictObject({
    do: z.literal('rinse'),
    at: minutes('At the basin'),
    until: minutes('Finished'),
    panels: z.array(z.string()),
    units,
  }),
]);

/** The clock of a visit as `bin/lattice clock` prints it. */
export const clockSchema = z.strictObject({
  format: z.literal('dappled-lattice/clock'),
  version: z.literal(1),
  plans: z
    .array(
      z.strictObject({
        key: z.string().describe('What a mix document names as chosen'),
        name: z.string().describe('What it does'),
        end: minutes('Last rinse finished'),
        basinVisits: count('Visits to the basin'),
        worstOver: z.number().min(0).describe('Longest that a foil stays past its maker’s limit, minutes'),
        foilMinutesOver: z.number().min(0).describe('The same of all foils together, minutes'),
        pulled: count('Foils that are opened and wiped before they are rinsed'),
        short: count('Foils that come off before their target is reached'),
        strengthsChanged: count('Foils with another strength than the mix has'),
        handsFree: z.number().describe('Minutes in which the colourist’s hands are free'),
        levelReached: z
          .number()
          .nullable()
          .describe('Lowest level that a foil reaches (estimate); null where nothing lifts'),
        gapMinutes: z
          .number()
          .min(0)
          .describe('Minutes that the best plan of its kind could be shorter, at most'),
        second: z.enum(['none', 'pulls', 'foils']).describe('The second person that it takes'),
        parts: z
          .array(z.strictObject({ panel: z.string(), foils: z.array(z.int()) }))
          .describe('Foils of each panel between rinses: one number where no rinse falls inside it'),
        actions: z.array(actionSchema),
      }),
    )
    .describe('The one to follow first'),
  notExpected: z
    .array(
      z.strictObject({
        panel: z.string(),
        letter: z.string(),
        target: z.number(),
        level: z.number().describe('Level at the limit (estimate)'),
        limitMinutes: z.number(),
        remedies: z.array(
          z.strictObject({
            kind: z.enum(['stronger', 'second-application', 'warmth', 'second-visit', 'other-target']),
            level: z.number(),
            minutes: z.number().describe('Minutes that it adds'),
            words: z.string(),
          }),
        ),
      }),
    )
    .describe('Panels whose target is not expected within the maker’s time'),
  cannot: z.array(z.string()).describe('What the first plan cannot meet'),
  binds: z.array(z.string()).describe('What holds the first plan'),
  bowls: z.array(z.strictObject({ mix: z.string(), mixAtMinute: z.number() })),
  after: z
    .array(z.strictObject({ name: z.string(), from: minutes('Begun'), to: minutes('Over') }))
    .describe('What follows the foils'),
  foils: z
    .array(
      z.strictObject({
        unit: z.string(),
        letter: z.string(),
        grams: z.number(),
        panel: z.string(),
        placed: z.number(),
        ready: z.number(),
        limit: z.number(),
        off: z.number(),
        clear: z.number(),
        pulled: z.boolean(),
      }),
    )
    .describe(
      'Every unit in the first plan: minutes at which it is closed, ready, at its limit, opened or wet, and clear',
    ),
});

export type ClockDocument = z.infer<typeof clockSchema>;

interface ClockReport {
  readonly plans: readonly ClockPlanned[];
  readonly clock: ClockPlan;
  readonly work: WorkList;
  readonly after: readonly TimedStep[];
}

const tenth = (value: number) => Math.round(value * 10) / 10;
const hundredth = (value: number) => Math.round(value * 100) / 100;

/** The clock of a visit as a document. */
export function clockDocument({ plans, clock, work, after }: ClockReport): ClockDocument {
  const { blocks } = clock;
  const [first] = plans;
  const unit = ({ block, index }: FoilAt) => blocks[block].units[index];
  return {
    format: 'dappled-lattice/clock',
    version: 1,
    plans: plans.map((plan) => {
      const { key, name, figures, gapMinutes, second, timeline } = plan;
      const level = levelReachedBy(timeline, clock, work);
      return {
        key,
        name,
        second,
        end: tenth(figures.end),
        basinVisits: figures.basinVisits,
        worstOver: tenth(figures.worstOver),
        foilMinutesOver: tenth(figures.foilMinutesOver),
        pulled: figures.pulled,
        short: figures.short,
        strengthsChanged: figures.strengthsChanged,
        handsFree: tenth(figures.handsFree),
        levelReached: level === null ? null : tenth(level),
        gapMinutes: tenth(gapMinutes),
        parts: partsOf(plan, clock),
        actions: actionsOf(plan, clock),
      };
    }),
    notExpected: clock.unexpected.map(({ name, letter, target, level, limitMinutes, remedies }) => ({
      panel: name,
      letter,
      target: tenth(target),
      level: tenth(level),
      limitMinutes,
      remedies: remedies.map((remedy) => ({
        kind: remedy.kind,
        level: tenth(remedy.level),
        minutes: tenth(remedy.minutes),
        words: remedy.words,
      })),
    })),
    cannot: cannotWith(first, clock),
    binds: bindingsOf(blocks, first.timeline, clock.rules).map(({ words }) => words),
    bowls: first.timeline.bowls.map(({ mix, at }) => ({ mix, mixAtMinute: tenth(at) })),
    after: after.map(({ words, from, to }) => ({
      name: words,
      from: tenth(first.figures.end + from),
      to: tenth(first.figures.end + to),
    })),
    foils: [...first.timeline.foils]
      .sort((a, b) => a.placed - b.placed)
      .map((foil) => {
        const { id, letter, grams, endsGrams } = unit(foil);
        const { placed, ready, limit, wet, clear, pulled } = foil;
        return {
          unit: id,
          letter,
          grams: hundredth(grams + endsGrams),
          panel: blocks[foil.block].name,
          placed: tenth(placed),
          ready: tenth(ready),
          limit: tenth(limit),
          off: tenth(wet),
          clear: tenth(clear),
          pulled,
        };
      }),
  };
}

function actionsOf(
  { timeline: { runs, pulls, stages, strengths } }: ClockPlanned,
  { blocks }: ClockPlan,
): ClockDocument['plans'][number]['actions'] {
  const ids = (foils: readonly FoilAt[]) => foils.map(({ block, index }) => blocks[block].units[index].id);
  return [
    ...runs.map(({ block, first, next, by: who, from, to }) => ({
      do: 'foil' as const,
      at: tenth(from),
      until: tenth(to),
      panel: blocks[block].name,
      mixes: [...mixesOf(blocks[block], strengths[block])],
      by: who,
      from: first + 1,
      to: next,
    })),
    ...pulls.map(({ foils, by: who, from, to }) => ({
      do: 'pull' as const,
      at: tenth(from),
      until: tenth(to),
      units: ids(foils),
      by: who,
    })),
    ...stages.map(({ blocks: set, foils, from, to }) => ({
      do: 'rinse' as const,
      at: tenth(from),
      until: tenth(to),
      panels: set.map((b) => blocks[b].name),
      units: ids(foils),
    })),
  ].sort((a, b) => a.at - b.at);
}

/** Foils of each panel between the rinses that fall inside it. */
function partsOf(
  { timeline: { foils, stages } }: ClockPlanned,
  { blocks }: ClockPlan,
): { panel: string; foils: number[] }[] {
  return blocks.map(({ name }, b) => {
    const counts = new Map<number, number>();
    for (const foil of foils) {
      if (foil.block !== b) continue;
      const before = stages.filter(({ from }) => from <= foil.begun + 1e-6).length;
      counts.set(before, (counts.get(before) ?? 0) + 1);
    }
    return { panel: name, foils: [...counts.values()] };
  });
}
