import fc from 'fast-check';
import { startPlan } from '../formats';
import { createPatternEngine } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import { fitPlan, type Fitted } from './index';

const engine = createPatternEngine();
const fit = (key: string, foils: number) =>
  fitPlan(planOf(techniqueOf(key)!), engine, { kind: 'foils', foils });
const fits = (fitted: Fitted) => {
  if (!fitted.ok) throw new Error(fitted.problem);
  return fitted;
};

test('a full head in 60 foils: at most that many, and not many fewer', () => {
  const { foils, changes } = fits(fitPlan(startPlan(), engine, { kind: 'foils', foils: 60 }));
  expect(foils).toBeLessThanOrEqual(60);
  expect(foils).toBeGreaterThanOrEqual(54);
  expect(changes.length).toBeGreaterThan(0);
});

test('it is thinned where it shows least: the hairline keeps its foils longer than the inside', () => {
  const plan = planOf(techniqueOf('hairline-and-threes')!);
  const before = engine.compute(plan).sheet.panels;
  const after = engine.compute(fits(fit('hairline-and-threes', 75)).plan).sheet.panels;
  const kept = (id: string) =>
    after.find(({ panel }) => panel === id)!.foils / before.find(({ panel }) => panel === id)!.foils;
  expect(kept('hairline')).toBe(1);
  expect(kept('inside-back')).toBeLessThan(0.8);
});

test('within the limit already, nothing changes', () => {
  const plan = startPlan();
  const fitted = fits(fitPlan(plan, engine, { kind: 'foils', foils: 500 }));
  expect(fitted.plan).toEqual(plan);
  expect(fitted.changes).toEqual([]);
  expect(fitted.lost).toEqual([]);
});

test('minutes are kept with the changes of panel', () => {
  const { minutes } = fits(fitPlan(startPlan(), engine, { kind: 'minutes', minutes: 60 }));
  expect(minutes).toBeLessThanOrEqual(60);
  expect(minutes).toBeGreaterThan(50);
});

test('what is lost is said with its figures, what changes by panel', () => {
  const { changes, lost } = fits(fitPlan(startPlan(), engine, { kind: 'foils', foils: 60 }));
  expect(lost.length).toBeGreaterThan(0);
  for (const words of lost) expect(words).toMatch(/^[a-z ]+: \d+(\.\d)?% → \d+(\.\d)?% lightened$/);
  for (const { words } of changes)
    expect(words).toMatch(/^.+: fine weave, 4 \+ 5 mm → fine weave, 4 \+ \d+(\.5)? mm; \d+ → \d+ foils$/);
});

test('what cannot be fitted is refused, naming the panels', () => {
  expect(fit('baby-veil', 5)).toEqual({
    ok: false,
    problem: expect.stringMatching(
      /^Even with its widest spacing this pattern takes \d+ foils \(Back, Crown triangle, Sides, Face frame\)/,
    ),
  });
  expect(fitPlan(startPlan({ muted: true }), engine, { kind: 'foils', foils: 10 })).toEqual({
    ok: false,
    problem: 'There are no foils to fit.',
  });
});

test('more room never makes a worse plan', () => {
  fc.assert(
    fc.property(fc.integer({ min: 40, max: 95 }), fc.integer({ min: 1, max: 20 }), (foils, more) => {
      const tight = fits(fitPlan(startPlan(), engine, { kind: 'foils', foils }));
      const loose = fits(fitPlan(startPlan(), engine, { kind: 'foils', foils: foils + more }));
      expect(loose.worth).toBeGreaterThanOrEqual(tight.worth);
      expect(tight.foils).toBeLessThanOrEqual(foils);
    }),
    { numRuns: 6 },
  );
});
