import { startPlan } from '../core/formats';
import { gauge, makeRoots } from '../core/head';
import { createPatternEngine, foilsOfRoots, indexRoots, type ComputedPlan, type Plan } from '../core/pattern';
import { median, type Measure } from './measure';

const ROOTS = 30_000;

/** Fine weaves over the whole head: about 120 foils at a drop-out of 3.5 mm. */
function fullHead(dropoutMm = 3.5, thicknessMm = 4): Plan {
  const start = startPlan();
  return {
    ...start,
    panels: start.panels.map((panel) => ({
      ...panel,
      thicknessMm,
      spacing: { kind: 'constant', dropoutMm },
    })),
  };
}

/** The plain work that everything is compared with: the skull's equation at 30 000 points. */
function baseline(): number {
  let sum = 0;
  for (let i = 0; i < ROOTS; i += 1) sum += gauge((i % 70) + 1, (i % 89) + 1, (i % 95) + 1);
  return sum;
}

const rootsOf = ({ grid }: ComputedPlan, count: number) => indexRoots(makeRoots(grid, count));

/** The measures of the pattern engine, with their budgets on one core. */
export function patternMeasures(): Measure[] {
  const plain = median(() => undefined, baseline);
  const line = (name: string, medianMs: number, budgetMs: number | null): Measure => ({
    name,
    medianMs,
    ratio: medianMs / plain,
    budgetMs,
  });
  const measures = [line('baseline: skull equation, 30 000 points', plain, null)];

  const warm = createPatternEngine();
  const first = warm.compute(fullHead());
  const index = rootsOf(first, ROOTS);
  const foils = first.sheet.totals.foils;
  // Another thickness each time, so that nothing but the fields is remembered.
  let turn = 0;
  const next = () => fullHead(3.5, 4 + (turn++ % 40) / 100);
  measures.push(
    line(
      `whole plan, ${foils} foils and ${ROOTS} roots, warm fields`,
      median(next, (plan) => foilsOfRoots(index, warm.compute(plan))),
      16,
    ),
    line(
      `whole plan, ${foils} foils and ${ROOTS} roots, cold`,
      median(next, (plan) => {
        const computed = createPatternEngine().compute(plan);
        return foilsOfRoots(rootsOf(computed, ROOTS), computed);
      }),
      80,
    ),
  );

  const one = (): Plan => ({
    ...fullHead(),
    panels: fullHead()
      .panels.slice(1, 2)
      .map((panel) => ({
        ...panel,
        gather: { kind: 'weave', stitchMm: 2 + (turn++ % 40) / 100, gapMm: 2, depth: 0.5 },
      })),
  });
  warm.compute(one());
  measures.push(
    line(
      'one panel gathered anew',
      median(one, (plan) => warm.compute(plan)),
      4,
    ),
  );

  const perFoil = [1, 2, 4].map((times) => {
    const pitch = 16 / times;
    const plan = fullHead(pitch * 0.5, pitch * 0.5);
    const count = warm.compute(plan).sheet.totals.foils;
    const ms = median(
      () => plan,
      (current) => foilsOfRoots(index, warm.compute(current)),
    );
    measures.push(
      line(`foils ${times}×: ${count} foils, ${((1000 * ms) / count).toFixed(0)} µs a foil`, ms, null),
    );
    return ms / count;
  });
  const perRoot = [1, 2, 4].map((times) => {
    const many = rootsOf(first, ROOTS * times);
    const computed = warm.compute(fullHead());
    const ms = median(
      () => many,
      (rootIndex) => foilsOfRoots(rootIndex, computed),
    );
    measures.push(
      line(
        `roots ${times}×: ${many.roots.count} roots, ${((1e6 * ms) / many.roots.count).toFixed(0)} ns a root`,
        ms,
        null,
      ),
    );
    return ms / many.roots.count;
  });
  measures.push(
    line(`cost of a foil at 4× against 1×: ${(perFoil[2] / perFoil[0]).toFixed(2)}`, 0, null),
    line(`cost of a root at 4× against 1×: ${(perRoot[2] / perRoot[0]).toFixed(2)}`, 0, null),
  );
  return measures;
}
