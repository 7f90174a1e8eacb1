import { AVERAGE_HAIR, AVERAGE_HEAD } from '../formats';
import { engine } from '../pattern/testing';
import { USUAL_SCHOOLS } from '../school';
import { planOf, techniqueOf } from '../technique';
import { settle, suggest, type SuggestFacts } from './index';

const facts: SuggestFacts = {
  on: { head: AVERAGE_HEAD, hair: AVERAGE_HAIR, foil: { usableWidthMm: 95, toleranceMm: 25 } },
  brightness: 3,
  naturalLevel: 6,
  goalLevel: 8,
  schools: USUAL_SCHOOLS,
  minutes: null,
  wornUpShare: null,
  weeksSinceLast: null,
  greyShare: null,
  weeksBetween: null,
  contrast: null,
  partMoves: null,
};
const first = (more: Partial<SuggestFacts>) => suggest({ ...facts, ...more }, engine);

test('never more than three, each with a reason, the first within the share that is wished for', () => {
  for (const brightness of [1, 3, 5]) {
    const found = first({ brightness });
    expect(found.length).toBeGreaterThan(0);
    expect(found.length).toBeLessThanOrEqual(3);
    for (const { why } of found) expect(why.length).toBeGreaterThan(0);
    expect(found[0].why.join()).toMatch(/lightened on this head/);
  }
});

test('tied up six tenths of the time, a technique that works from the hairline comes first and says so', () => {
  const [best] = first({ wornUpShare: 0.6 });
  expect(best.why).toContain('tied up 60% of the time: the hairline band carries the look');
});

test('four weeks after the last visit a part of the head is enough; after ten it is not', () => {
  expect(first({ weeksSinceLast: 4 })[0].why.join()).toMatch(
    /4 weeks since the last visit: hairline and part show first/,
  );
  expect(first({ weeksSinceLast: 10 })[0].why.join()).not.toMatch(/show first/);
});

test('what is suggested fits into the time there is, and says what was thinned', () => {
  const found = first({ minutes: 45 });
  for (const suggestion of found) expect(suggestion.minutes).toBeLessThanOrEqual(45.1);
  const thinned = found.filter(({ settings }) =>
    settings.some(({ why }) => why === 'so that it fits into 45 min'),
  );
  for (const { technique, foils } of thinned)
    expect(foils).toBeLessThan(engine.compute(planOf(technique)).sheet.totals.foils);
});

test('dense grey brings grey blending', () => {
  expect(first({ greyShare: 0.5, brightness: 2 }).map(({ technique }) => technique.key)).toContain(
    'grey-blend',
  );
  expect(first({ brightness: 2 }).map(({ technique }) => technique.key)).not.toContain('grey-blend');
});

test('the schools of the house are followed and said', () => {
  const veil = planOf(techniqueOf('baby-veil')!);
  const noSlices = settle(veil, facts);
  expect(noSlices.plan.panels.find(({ id }) => id === 'face')!.gather.kind).toBe('weave');
  expect(noSlices.settings).toEqual([
    { words: 'baby lights instead of slices on the hairline', why: 'your house puts no slice there' },
  ]);
  const slices = settle(veil, { ...facts, schools: { ...USUAL_SCHOOLS, hairlineGather: 'slice' } });
  expect(slices.plan).toBe(veil);
  const threes = planOf(techniqueOf('hairline-and-threes')!);
  const none = settle(threes, { ...facts, schools: { ...USUAL_SCHOOLS, lowlights: 'no' } }).plan;
  expect(none.panels.flatMap(({ dropouts }) => dropouts?.treatments ?? [])).not.toContain('lowlight');
  expect(threes.panels.flatMap(({ dropouts }) => dropouts?.treatments ?? [])).toContain('lowlight');
});

test('a band is added for hair that is worn up, once', () => {
  const worn = { ...facts, wornUpShare: 0.7 };
  const once = settle(planOf(techniqueOf('four-quarters')!), worn);
  expect(once.settings.map(({ words }) => words)).toContain('a hairline band added');
  expect(settle(once.plan, worn).settings).toEqual([]);
});

test('who comes every 14 weeks is offered patterns that grow out without a line, with that reason', () => {
  const suggestions = first({ weeksBetween: 14, brightness: 4 });
  expect(suggestions.some(({ why }) => why.some((words) => /every 14 weeks/.test(words)))).toBe(true);
});

test('a wish for high contrast brings a pattern of contrast in, a wish for a blend keeps it out', () => {
  const contrast = ['crown-wheel', 'fast-slices', 'deep-contrast'];
  const keys = (part: Parameters<typeof first>[0]) =>
    first({ naturalLevel: 4, goalLevel: 8, ...part }).map(({ technique }) => technique.key);
  expect(keys({ contrast: 'high' }).some((key) => contrast.includes(key))).toBe(true);
  expect(keys({ contrast: 'blended' }).some((key) => contrast.includes(key))).toBe(false);
});

test('tied up half of the time or more, a pattern from the perimeter is among the three at every brightness', () => {
  const perimeter = ['hairline-and-threes', 'perimeter-up', 'refresh-and-teased', 'open-air'];
  for (const brightness of [1, 2, 3, 4, 5]) {
    for (const wornUpShare of [0.5, 0.9])
      expect(
        first({ brightness, wornUpShare }).some(({ technique }) => perimeter.includes(technique.key)),
      ).toBe(true);
  }
});

test('the brightest soft wish brings baby lights, dark high contrast deep weaves', () => {
  for (const contrast of ['blended', null] as const)
    expect(first({ brightness: 5, contrast }).map(({ technique }) => technique.key)).toContain('baby-veil');
  expect(first({ brightness: 5, contrast: 'high' }).map(({ technique }) => technique.key)).not.toContain(
    'baby-veil',
  );
  for (const brightness of [3, 4, 5])
    expect(
      first({ naturalLevel: 3, goalLevel: 8, contrast: 'high', brightness }).map(
        ({ technique }) => technique.key,
      ),
    ).toContain('deep-contrast');
});

test('figures are those of the plan that would be taken: bands added, thinned', () => {
  for (const suggestion of first({ minutes: 60, brightness: 4, wornUpShare: 0.6 })) {
    const { totals } = engine.compute(suggestion.plan).sheet;
    expect(suggestion).toMatchObject({ foils: totals.foils, minutes: totals.foilingMinutes });
    const said = suggestion.why.concat(suggestion.but).join();
    expect(said).toContain(`${Math.round(100 * suggestion.shares.lightened)}% lightened`);
    expect(said).toMatch(new RegExp(`about ${Math.round(suggestion.minutes)} (of 60 )?min`));
  }
});
