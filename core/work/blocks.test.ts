import { plansOf, USUAL_FRAME, USUAL_RULES, wetPartOf } from '../clock';
import { startPlan } from '../formats';
import { createPatternEngine, type Plan } from '../pattern';
import { USUAL_CLOCK, type VisitMix } from '../visit';
import { DEPOSIT, visitOf } from '../visit/computed/testing';
import { blocksOf, cannotWith, levelReachedBy, type BlockFacts } from '.';

const engine = createPatternEngine();

function blocks(plan: Plan = startPlan(), mix: Partial<VisitMix> = {}, goalLevel = 8) {
  const visit = visitOf({ plan, mix, consult: { goalLevel } });
  return { computed: engine.compute(plan), work: visit.work, facts: visit, panels: blocksOf(visit) };
}
const total = (own: readonly { readonly foils: readonly { readonly seconds: number }[] }[]) =>
  own.flatMap(({ foils }) => foils).reduce((sum, { seconds }) => sum + seconds, 0);

test('a block for each panel, every foil in one of them, ready and due as the work has it', () => {
  const { panels, work, computed } = blocks();
  expect(panels.map(({ name }) => name)).toEqual(['Back', 'Side, left', 'Side, right']);
  expect(panels.reduce((sum, { foils }) => sum + foils.length, 0)).toBe(computed.sheet.foils.length);
  expect(panels.flatMap(({ units }) => units.map(({ id }) => id))).toEqual(work.units.map(({ id }) => id));
  for (const { foils, units, expected } of panels) {
    expect(expected).toBe(true);
    foils.forEach((foil, i) =>
      expect(foil).toEqual({
        seconds: units[i].seconds,
        mixes: ['A'],
        readyMinutes: units[i].ready.minutes,
        limitMinutes: 45,
        expected: true,
        part: wetPartOf(units[i].zone),
      }),
    );
  }
  // Behind the line from the apex to the ears a little of the top lies too.
  expect([...new Set(panels[0].foils.map(({ part }) => part))].sort()).toEqual([
    'back',
    'nape',
    'top-l',
    'top-r',
  ]);
});

test('a target out of reach is timed to the limit and said; a lowlight by its own time', () => {
  const far = blocks(startPlan(), {}, 10).panels[0];
  expect([far.expected, far.foils[0].readyMinutes, far.foils[0].expected]).toEqual([false, 45, false]);
  const lowlit: Plan = {
    ...startPlan(),
    panels: startPlan().panels.map((panel, i) => ({ ...panel, formula: i === 0 ? 'L' : 'A' })),
  };
  const [first] = blocks(lowlit, { formulas: { L: DEPOSIT } }).panels;
  expect(first).toMatchObject({
    expected: true,
    foils: expect.arrayContaining([
      expect.objectContaining({ mixes: ['L'], readyMinutes: 20, limitMinutes: 30, expected: true }),
    ]),
  });
});

test('two formulas in one panel: each foil has its own mix, ready time and limit', () => {
  const plan: Plan = {
    ...startPlan(),
    panels: startPlan().panels.map((panel) => ({
      ...panel,
      rotation: { sequence: 'AAL', by: 'foil', anew: false, from: 1, to: null },
    })),
  };
  const { panels, work } = blocks(plan, { formulas: { L: DEPOSIT } });
  expect(panels).toHaveLength(3);
  expect(panels.flatMap(({ foils }) => foils.map(({ mixes }) => mixes[0]))).toEqual(
    work.units.map(({ letter }) => letter),
  );
  expect(new Set(panels[0].foils.map(({ mixes, limitMinutes }) => `${mixes[0]} ${limitMinutes}`))).toEqual(
    new Set(['A 45', 'L 30']),
  );
});

describe('what may be tried otherwise', () => {
  const visit = () => blocks();
  const asked = ({ plan, work, shelf, careful }: BlockFacts): BlockFacts => ({ plan, work, shelf, careful });
  test('other strengths are those of the house that get there in time, ready sooner the stronger, never above what cautions allow', () => {
    const { facts, work } = visit();
    // A house that sees no risk in 40 at the hairline: still not suggested above 35.
    const own = blocksOf(
      { ...asked(facts), careful: { fragileZones: [], strongVolumes: 40 } },
      { strengths: true },
    );
    for (const { others = [], foils } of own) {
      expect(others.map(({ mix }) => mix)).toEqual(expect.arrayContaining(['A 30 vol']));
      for (const { steps, volumes, foils: with_ } of others) {
        expect(volumes).toBeLessThanOrEqual(35);
        with_.forEach(({ readyMinutes, limitMinutes }, i) => {
          expect(readyMinutes).toBeLessThanOrEqual(limitMinutes);
          expect(Math.sign(readyMinutes - foils[i].readyMinutes)).toBe(steps > 0 ? -1 : 1);
        });
      }
    }
    // At the hairline and on fragile hair it stays at 20.
    const fragile = {
      ...asked(facts),
      careful: { fragileZones: work.units.map(({ zone }) => zone), strongVolumes: 20 },
    };
    for (const { others } of blocksOf(fragile, { strengths: true }))
      for (const { volumes } of others!) expect(volumes).toBeLessThanOrEqual(20);
  });

  test('warmth acts on time, pace on every foil', () => {
    const [usual, warm, slow] = [{}, { heat: true }, { pace: 150 }].map((choices) =>
      blocksOf(visit().facts, choices),
    );
    usual.forEach(({ foils }, b) =>
      foils.forEach(({ readyMinutes, seconds }, i) => {
        expect(warm[b].foils[i].readyMinutes).toBeCloseTo(readyMinutes / 1.3, 6);
        expect(slow[b].foils[i].seconds).toBeCloseTo(1.5 * seconds, 6);
      }),
    );
  });

  test('what is painted afterwards rinses with the foils that it lies between', () => {
    const start = startPlan();
    const tips: Plan = {
      ...start,
      panels: start.panels
        .slice(1)
        .map((panel, i) =>
          i === 0
            ? { ...panel, dropouts: { every: 3, treatments: ['tip-out'], together: 1, recipes: {} } }
            : panel,
        ),
    };
    const between = blocks(tips, { clock: { ...USUAL_CLOCK, painting: 'as-you-foil' } }).panels;
    const after = blocks(tips, { clock: { ...USUAL_CLOCK, painting: 'after' } }).panels;
    const { id } = start.panels[1];
    expect(between.map(({ name, together, after: behind }) => [name, together, behind])).toEqual([
      ['Side, left', undefined, undefined],
      ['Side, right', undefined, undefined],
    ]);
    expect(after.map(({ name, together, after: behind }) => [name, together, behind])).toEqual([
      ['Side, left', id, undefined],
      ['Side, right', undefined, undefined],
      ['Side, left, painted', id, [id, start.panels[2].id]],
    ]);
    expect(after.map(({ units }) => new Set(units.map(({ kind }) => kind)))).toEqual([
      new Set(['foil']),
      new Set(['foil']),
      new Set(['tip-out']),
    ]);
    expect(total(after)).toBeCloseTo(total(between), 6);
    for (const { timeline } of plansOf({
      blocks: after,
      rules: USUAL_RULES,
      frame: USUAL_FRAME,
      fixed: {},
      strengths: false,
      chosen: null,
    })) {
      const stages = timeline.stages.filter(({ blocks: set }) => set.includes(0) || set.includes(2));
      expect(stages.map(({ blocks: set }) => set.includes(0) && set.includes(2))).toEqual([true]);
    }
  });
});

describe('a target that is not expected', () => {
  const far = visitOf({ plan: startPlan(), consult: { goalLevel: 10 } });

  test('is said with the level that is reached instead, and every remedy has its level', () => {
    const { unexpected } = far.clock;
    expect(unexpected.map(({ name, letter, target }) => [name, letter, target])).toEqual([
      ['Back', 'A', 10],
      ['Side, left', 'A', 10],
      ['Side, right', 'A', 10],
    ]);
    for (const { level, remedies } of unexpected) {
      expect(level).toBeLessThan(10);
      expect(remedies.map(({ kind }) => kind)).toEqual(
        expect.arrayContaining(['second-application', 'warmth', 'second-visit', 'other-target']),
      );
      for (const remedy of remedies) expect(remedy.level).toBeGreaterThanOrEqual(level);
    }
    expect(cannotWith(far.timed, far.clock)[0]).toMatch(
      /^Back, A: level 10 is not expected within 45 min; 9\.\d is reached by then/,
    );
  });

  test('comes off in its last five minutes, whole, and reaches about the level at the limit', () => {
    const { timeline, figures } = far.timed;
    expect(figures).toMatchObject({ worstOver: 0, short: timeline.foils.length });
    for (const { placed, wet } of timeline.foils) expect(wet - placed).toBeGreaterThanOrEqual(40 - 1e-6);
    expect(
      Math.abs(levelReachedBy(timeline, far.clock, far.work)! - far.clock.unexpected[0].level),
    ).toBeLessThan(0.3);
  });
});
