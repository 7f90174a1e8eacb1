import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { planOf, TECHNIQUES } from '../technique';
import { usualFormula } from '../visit';
import { visitOf } from '../visit/computed/testing';
import { LEAST_PART, planFollowed, plansOf } from '.';

const CASES = [
  [5, 8],
  [6, 9],
  [6, 10],
  [7, 10],
  [2, 8],
] as const;
const STRENGTHS = [10, 13, 20, 30] as const;
const usual = usualFormula(new Shelf(EMPTY_MIX, USUAL_RANGE))!;

// Each pattern with a level and a strength of its own, and every third on dark hair with the weakest mix.
test.each(
  TECHNIQUES.flatMap((technique, i) => [
    [technique.key, ...CASES[i % CASES.length], STRENGTHS[i % STRENGTHS.length]] as const,
    ...(i % 3 === 0 ? [[technique.key, 2, 8, 10] as const] : []),
  ]),
)(
  '%s from %d to %d at %d vol: plans that a colourist can follow',
  (key, naturalLevel, goalLevel, volumes) => {
    const plan = planOf(TECHNIQUES.find((technique) => technique.key === key)!);
    const letters = [
      ...new Set(plan.panels.flatMap(({ formula, rotation }) => [formula, ...(rotation?.sequence ?? '')])),
    ];
    const { clock, work } = visitOf({
      plan,
      mix: { formulas: Object.fromEntries(letters.map((letter) => [letter, { ...usual, volumes }])) },
      consult: { naturalLevel, goalLevel },
    });
    const [first, ...others] = plansOf(clock);
    expect(planFollowed(clock)).toMatchObject({
      key: first.key,
      figures: first.figures,
      course: first.course,
    });
    expect(first.figures).toMatchObject({ worstOver: 0, foilMinutesOver: 0 });
    expect(first.figures.basinVisits).toBeLessThanOrEqual(2);
    expect(first.figures.end).toBeLessThan(330);
    for (const { timeline } of [first, ...others]) {
      expect(timeline.foils).toHaveLength(work.units.length);
      // A rinse leaves five foils of a panel or more on each side of it.
      for (const { from } of timeline.stages.slice(0, -1))
        clock.blocks.forEach((block, b) => {
          const foils = timeline.foils.filter(({ block: of }) => of === b);
          const before = foils.filter(({ placed }) => placed <= from + 1e-6).length;
          if (before > 0 && before < foils.length)
            expect(Math.min(before, foils.length - before)).toBeGreaterThanOrEqual(
              Math.min(LEAST_PART, block.foils.length),
            );
        });
    }
  },
);
