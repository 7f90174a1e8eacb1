import { headFactor } from '../lift';
import { createPatternEngine, type Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import { mixOf, type MixFacts, type Recipe } from '.';

const engine = createPatternEngine();
const plan = planOf(techniqueOf('four-quarters')!);
const recipe: Recipe = { volumes: 20, ratio: 2, limitMinutes: 45 };
const facts: MixFacts = { naturalLevel: 6, targetLevel: 9, head: headFactor([]), personal: 1, bowl: { mostGrams: 90, usefulMinutes: 35 }, recipeOf: () => recipe };
const mix = (own: Plan = plan, others: Partial<MixFacts> = {}) => mixOf(own, engine.compute(own), { ...facts, ...others });

test('a full head of fine weaves: every foil is in one bowl, what is weighed covers what is used', () => {
  const { bowls, amounts } = mix();
  if (!bowls.ok) throw new Error(bowls.problem);
  const foils = engine.compute(plan).sheet.totals.foils;
  expect(bowls.bowls.reduce((sum, own) => sum + own.foils, 0)).toBe(foils);
  expect(amounts).toHaveLength(1);
  expect(amounts[0].foils).toBe(foils);
  expect(amounts[0].powder + amounts[0].developer).toBeGreaterThanOrEqual(amounts[0].net / 0.9);
  expect(amounts[0].developer).toBe(2 * amounts[0].powder);
  // A hundred fine weaves come to two or three grams each.
  expect(amounts[0].net / foils).toBeGreaterThan(1.5);
  expect(amounts[0].net / foils).toBeLessThan(3.5);
});

test('each panel says when it is ready, with its spread, and what an old bowl adds', () => {
  const [back, sides] = mix().panels;
  expect(back.ready!.minutes).toBeCloseTo(26.7, 0);
  expect(back.ready!.soonest).toBeLessThan(back.ready!.minutes);
  expect(back.ready!.latest!).toBeGreaterThan(back.ready!.minutes);
  expect(back.oldestBowlMinutes).toBeGreaterThan(20);
  expect(back.readyFromOldest!).toBeGreaterThanOrEqual(back.ready!.minutes);
  expect(sides.atLimit.low).toBeLessThan(sides.atLimit.high);
});

test('a strand test moves the ready times, coarse hair and the open air too', () => {
  const ready = (own: Plan, others: Partial<MixFacts> = {}) => mix(own, others).panels[0].ready?.minutes ?? Infinity;
  const usual = ready(plan);
  expect(ready(plan, { head: headFactor([{ from: 6, volumes: 20, minutes: 15, level: 7.5, known: 1 }]) })).toBeGreaterThan(usual);
  expect(ready({ ...plan, hair: { ...plan.hair, strand: 'coarse' } })).toBeGreaterThan(usual);
});

test('a target out of reach is said, not given a time; the darkest zone decides', () => {
  const [back] = mix(plan, { naturalLevel: 2, targetLevel: 10, recipeOf: () => ({ ...recipe, volumes: 40 }) }).panels;
  expect(back.ready).toBeNull();
  expect(back.atLimit.level).toBeLessThan(10);
  expect(mix(plan, { levelIn: { 'nape-l': 4 } }).panels[0].from).toBe(4);
  expect(mix({ ...plan, panels: [] })).toEqual({ amounts: [], bowls: { ok: true, bowls: [] }, panels: [], meanVolumes: {}, work: [] });
});

test('two formulas are weighed apart; one’s own use counts', () => {
  const two: Plan = { ...plan, panels: plan.panels.map((panel, i) => ({ ...panel, formula: i === 0 ? 'A' : 'B' })) };
  const apart = mix(two, { recipeOf: (formula) => (formula === 'A' ? recipe : { ...recipe, volumes: 10, ratio: 1.5 }) }).amounts;
  expect(apart.map(({ formula, volumes }) => [formula, volumes])).toEqual([['A', 20], ['B', 10]]);
  expect(apart[1].developer).toBeCloseTo(1.5 * apart[1].powder, 12);
  expect(mix(plan, { personal: 1.2 }).amounts[0].net).toBeCloseTo(1.2 * mix().amounts[0].net, 9);
});

test('what is painted in the open air and between foils is in the bowls too', () => {
  const open: Plan = { ...plan, panels: plan.panels.map((panel, i) => (i === 0 ? { ...panel, medium: 'open-air' } : { ...panel, dropouts: { every: 2, treatments: ['tip-out', 'lowlight'] } })) };
  const { sheet } = engine.compute(open);
  const tips = sheet.dropouts.filter(({ treatment }) => treatment === 'tip-out').length;
  const kinds = (own: ReturnType<typeof mix>) => ['open-air', 'foil', 'tip-out', 'lowlight'].map((kind) => own.work.filter((unit) => unit.kind === kind).length);
  expect(kinds(mix(open))).toEqual([sheet.painted.length, sheet.foils.length, tips, 0]);
  // Lowlit drop-outs need a formula that deposits.
  const deposits = mix(open, { lowlight: 'L', recipeOf: (formula) => (formula === 'L' ? { ...recipe, deposits: true } : recipe) });
  expect(kinds(deposits)[3]).toBe(sheet.dropouts.length - tips);
  expect(deposits.amounts.map(({ formula }) => formula)).toEqual(['A', 'L']);
  expect(deposits.panels.map(({ formula }) => formula)).not.toContain('L');
  // Open air lifts less: three quarters of what a foil does.
  const [painted, foiled] = mix(open).panels;
  expect(painted.lift.factor / foiled.lift.factor).toBeCloseTo(0.75, 9);
  expect(mix(open).work.every(({ fromMinutes, toMinutes }, i, all) => toMinutes >= fromMinutes && (i === 0 || fromMinutes >= all[i - 1].toMinutes - 1e-9))).toBe(true);
});
