import { EMPTY_CONSULT, EMPTY_MIX, startPlan, USUAL_HOUSE } from '../core/formats';
import { createPatternEngine, type Plan } from '../core/pattern';
import { Shelf, USUAL_RANGE } from '../core/products';
import { usualFormula, type VisitMix } from '../core/visit';
import { blocksOf, workList } from '../core/work';
import { median, type Measure } from './measure';

/** About 130 foils over the whole head, two formulas in turn. */
function fullHead(): Plan {
  const start = startPlan();
  return {
    ...start,
    panels: start.panels.map((panel) => ({
      ...panel,
      spacing: { kind: 'constant', dropoutMm: 3 },
      rotation: { sequence: 'AAB', by: 'row', anew: true, from: 1, to: null },
    })),
  };
}

/** The measures of a visit's work from a sheet that stands, with their budgets on one core. */
export function visitMeasures(baselineMs: number): Measure[] {
  const plan = fullHead();
  const computed = createPatternEngine().compute(plan);
  const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
  const usual = usualFormula(shelf)!;
  let turn = 0;
  // Another strength each time, so that nothing is remembered.
  const next = (): VisitMix => ({
    ...EMPTY_MIX,
    formulas: { A: { ...usual, volumes: 10 + (turn++ % 20) }, B: { ...usual, volumes: 10 } },
  });
  const listOf = (mix: VisitMix) =>
    workList({
      consult: EMPTY_CONSULT,
      plan,
      computed,
      mix,
      shelf,
      schools: USUAL_HOUSE.schools,
      recorded: [],
      uses: [],
    });
  const careful = { fragileZones: [], strongVolumes: USUAL_HOUSE.cautions.strongVolumes };
  const { units } = listOf(next());
  const line = (name: string, medianMs: number, budgetMs: number): Measure => ({
    name,
    medianMs,
    ratio: medianMs / baselineMs,
    budgetMs,
  });
  return [
    line(`list of the work, ${units.length} foils, warm sheet`, median(next, listOf), 3),
    line(
      `list, bowls and blocks of the clock, ${units.length} foils`,
      median(next, (mix) => blocksOf({ plan, work: listOf(mix), shelf, careful })),
      8,
    ),
  ];
}
