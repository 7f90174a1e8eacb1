import { EMPTY_MIX } from '../formats';
import { Shelf, USUAL_RANGE } from '../products';
import { createPatternEngine, retypeFoil, type Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import { usualDeposit, usualFormula, type LiftFormula } from '../visit';
import { visitOf, type VisitParts } from '../visit/computed/testing';

const patterns = createPatternEngine();
const plan = planOf(techniqueOf('four-quarters')!);
const shelf = new Shelf(EMPTY_MIX, USUAL_RANGE);
const usual = usualFormula(shelf)!;
const lift = (part: Partial<LiftFormula> = {}): LiftFormula => ({ ...usual, ...part });
const work = (parts: VisitParts = {}) =>
  visitOf({ plan, ...parts, consult: { goalLevel: 9, ...parts.consult } }).work;

test('a full head of fine weaves: every foil is in one bowl, what is weighed covers what is used', () => {
  const { bowls, amounts } = work();
  if (!bowls.ok) throw new Error(bowls.problem);
  const { foils } = patterns.compute(plan).sheet.totals;
  expect(bowls.bowls.reduce((sum, bowl) => sum + bowl.foils, 0)).toBe(foils);
  expect(amounts).toHaveLength(1);
  expect(amounts[0].foils).toBe(foils);
  expect(amounts[0].powder + amounts[0].developer).toBeGreaterThanOrEqual(amounts[0].net / 0.9);
  expect(amounts[0].developer).toBe(2 * amounts[0].powder);
  // A hundred fine weaves come to two or three grams each.
  expect(amounts[0].net / foils).toBeGreaterThan(1.5);
  expect(amounts[0].net / foils).toBeLessThan(3.5);
});

test('hair that lifts alike says when it is ready, with its spread, and what an old bowl adds', () => {
  const [row] = work().lift;
  expect(row.ready!.minutes).toBeCloseTo(26.7, 0);
  expect(row.ready!.soonest).toBeLessThan(row.ready!.minutes);
  expect(row.ready!.latest!).toBeGreaterThan(row.ready!.minutes);
  expect(row.oldestBowlMinutes).toBeGreaterThan(20);
  expect(row.readyFromOldest!).toBeGreaterThanOrEqual(row.ready!.minutes);
  expect(row.atLimit.low).toBeLessThan(row.atLimit.high);
});

test('coarse hair takes longer', () => {
  const ready = (current: Plan) => work({ plan: current }).lift[0].ready?.minutes ?? Infinity;
  expect(ready({ ...plan, hair: { ...plan.hair, strand: 'coarse' } })).toBeGreaterThan(ready(plan));
});

test('a target out of reach is said, not given a time; each zone lifts from its own level', () => {
  const [row] = work({
    consult: { naturalLevel: 2, goalLevel: 10 },
    mix: { formulas: { A: lift({ volumes: 40 }) } },
  }).lift;
  expect(row.ready).toBeNull();
  expect(row.atLimit.level).toBeLessThan(10);
  const dark = work({ consult: { map: { 'nape-l': { naturalLevel: 4 } } } });
  const at = (zone: string) => dark.lift[dark.units.find((unit) => unit.zone === zone)!.liftRows[0]].from;
  expect([at('nape-l'), at('nape-r')]).toEqual([4, 6]);
  expect(work({ plan: { ...plan, panels: [] } })).toMatchObject({
    units: [],
    amounts: [],
    bowls: { ok: true, bowls: [] },
    lift: [],
    meanVolumes: {},
    problems: [],
  });
});

test('two formulas are weighed apart', () => {
  const two: Plan = {
    ...plan,
    panels: plan.panels.map((panel, i) => ({ ...panel, formula: i === 0 ? 'A' : 'B' })),
  };
  const { amounts } = work({
    plan: two,
    mix: { formulas: { A: usual, B: lift({ volumes: 10, ratio: 1.5 }) } },
  });
  expect(amounts.map(({ letter, volumes }) => [letter, volumes])).toEqual([
    ['A', 20],
    ['B', 10],
  ]);
  expect(amounts[1].developer).toBeCloseTo(1.5 * amounts[1].powder, 12);
});

test('what is painted in the open air and between foils is in the bowls too', () => {
  const open: Plan = {
    ...plan,
    panels: plan.panels.map((panel, i) =>
      i === 0
        ? { ...panel, medium: 'open-air' }
        : { ...panel, dropouts: { every: 2, treatments: ['tip-out', 'lowlight'], together: 1, recipes: {} } },
    ),
  };
  const { sheet } = patterns.compute(open);
  const tips = sheet.dropouts.filter(({ treatment }) => treatment === 'tip-out').length;
  const found = work({ plan: open });
  const kinds = (['open-air', 'foil', 'tip-out', 'lowlight'] as const).map(
    (kind) => found.units.filter((unit) => unit.kind === kind).length,
  );
  expect(kinds).toEqual([sheet.painted.length, sheet.foils.length, tips, sheet.dropouts.length - tips]);
  expect(Math.min(...kinds)).toBeGreaterThan(0);
  if (!found.bowls.ok) throw new Error(found.bowls.problem);
  const poured = new Set(found.bowls.bowls.flatMap((bowl) => bowl.units));
  expect([...poured].sort((a, b) => a - b)).toEqual(found.units.map((_, i) => i));
  // Nobody chose a lowlight: the first free letter takes the usual one, and is weighed apart.
  expect([found.lowlight, found.amounts.map(({ letter }) => letter)]).toEqual(['B', ['A', 'B']]);
  expect(found.lift.map(({ letter }) => letter)).not.toContain('B');
  // One that deposits already is taken.
  expect(work({ plan: open, mix: { formulas: { L: usualDeposit(shelf, 6)! } } }).lowlight).toBe('L');
  // Open air lifts less: three quarters of what a foil does.
  const liftOf = (kind: string) =>
    found.lift[found.units.find((unit) => unit.kind === kind)!.liftRows[0]].lift.factor;
  expect(liftOf('open-air') / liftOf('foil')).toBeCloseTo(0.75, 9);
  expect(
    found.units.every(
      ({ fromMinutes, toMinutes }, i, all) =>
        toMinutes >= fromMinutes && (i === 0 || fromMinutes >= all[i - 1].toMinutes - 1e-9),
    ),
  ).toBe(true);
  expect(found.units.map(({ order }) => order)).toEqual(found.units.map((_, i) => i + 1));
});

test('painting a stretch takes as much less hair, and one foil can be set by hand', () => {
  const net = (reach: LiftFormula['reach']) =>
    work({ mix: { formulas: { A: lift({ reach }) } } }).amounts[0].net;
  expect(net({ fromMm: 0, toMm: 60 })).toBeLessThan(0.4 * net('ends'));
  const workList = work({
    plan: retypeFoil(plan, patterns.compute(plan).sheet.foils[6].id, { formula: 'B' }),
  });
  expect(workList.units.filter(({ letter }) => letter === 'B').map(({ number }) => number)).toEqual([7]);
  expect(workList.amounts.map(({ letter, foils }) => [letter, foils])).toEqual([
    ['A', workList.units.length - 1],
    ['B', 1],
  ]);
});

test('permanent colour lifts to its shades and is not done before its time; a direct line takes no developer', () => {
  const two: Plan = {
    ...plan,
    panels: plan.panels.map((panel, i) => ({ ...panel, formula: i === 0 ? 'P' : 'D' })),
  };
  const permanent = {
    kind: 'permanent' as const,
    line: 'fallow',
    parts: [{ shade: shelf.shadesOf('fallow')[0].id, parts: 1 }],
    volumes: 20,
    ratio: 1,
    minutes: 35,
    additives: [],
    reach: 'ends' as const,
    ends: null,
  };
  const direct = {
    kind: 'deposit' as const,
    line: 'heath',
    parts: [{ shade: shelf.shadesOf('heath')[0].id, parts: 1 }],
    volumes: 0,
    ratio: 0,
    minutes: 20,
    additives: [],
    reach: 'ends' as const,
    ends: null,
  };
  const found = work({ plan: two, mix: { formulas: { P: permanent, D: direct } } });
  expect(found.letters.map(({ letter, problem }) => [letter, problem])).toEqual([
    ['D', null],
    ['P', null],
  ]);
  const [d, p] = found.amounts;
  expect([d.developer, p.developer > 0]).toEqual([0, true]);
  expect(found.lift.map(({ letter }) => letter)).toEqual(expect.arrayContaining(['P']));
  expect(found.lift.map(({ letter }) => letter)).not.toContain('D');
  for (const unit of found.units)
    expect(unit.ready.minutes).toBeGreaterThanOrEqual(unit.letter === 'P' ? 35 : 20);
  expect(found.units.find(({ letter }) => letter === 'D')).toMatchObject({
    lifts: false,
    ready: { minutes: 20 },
  });
});
