import { runService, searchService, USUAL_RULES } from '../clock';
import { EMPTY_CONSULT, EMPTY_MIX, startPlan } from '../formats';
import { createPatternEngine, type Plan } from '../pattern';
import { USUAL_RANGE } from '../products';
import { USUAL_SCHOOLS } from '../school';
import { blocksOf, clockBlocks, mixOfVisit, type VisitMix } from '.';

const engine = createPatternEngine();

function blocks(plan: Plan = startPlan(), mix: Partial<VisitMix> = {}, goalLevel = 8) {
  const computed = engine.compute(plan);
  const mixed = mixOfVisit({ consult: { ...EMPTY_CONSULT, goalLevel }, plan, computed, mix: { ...EMPTY_MIX, ...mix }, range: USUAL_RANGE, uses: [], schools: USUAL_SCHOOLS });
  return { computed, mixed, panels: blocksOf(mixed) };
}

test('a block for each panel, every foil in one of them, ready and due as the mix has it', () => {
  const { panels, mixed, computed } = blocks();
  expect(panels.map(({ name }) => name)).toEqual(['Back', 'Side, left', 'Side, right']);
  expect(panels.reduce((sum, { seconds }) => sum + seconds.length, 0)).toBe(computed.sheet.foils.length);
  for (const own of panels) {
    const lift = mixed.mixed.panels.find(({ panel }) => panel === own.panel)!;
    expect(own.readyMinutes).toBeCloseTo(lift.ready!.minutes, 9);
    expect(own.limitMinutes).toBe(45);
    expect(own.expected).toBe(true);
  }
  // Behind the line from the apex to the ears a little of the top lies too.
  expect([...panels[0].touches].sort()).toEqual(['back', 'nape', 'top-l', 'top-r']);
});

test('a target out of reach is timed to the limit and said; a lowlight by its own time', () => {
  const far = blocks(startPlan(), {}, 10).panels[0];
  expect(far).toMatchObject({ expected: false, readyMinutes: 45 });
  const lowlit: Plan = { ...startPlan(), panels: startPlan().panels.map((panel, i) => ({ ...panel, formula: i === 0 ? 'L' : 'A' })) };
  const deposit = { kind: 'deposit' as const, line: 'sedge', parts: [{ shade: 'sedge-6-natural', parts: 1 }], volumes: 10, ratio: 2, minutes: 20 };
  expect(blocks(lowlit, { formulas: { L: deposit } }).panels[0]).toMatchObject({ readyMinutes: 20, limitMinutes: 30, expected: true });
});

test('a panel that is cut is worked from below, so that its parts can be rinsed one after the other and no foil is over', () => {
  const { panels } = blocks();
  const { blocks: parts, cut } = clockBlocks(panels);
  expect(cut).toContain('Back');
  expect(parts.reduce((sum, { work }) => sum + work.length, 0)).toBe(panels.reduce((sum, { work }) => sum + work.length, 0));
  for (const { work, seconds } of parts) expect(work).toHaveLength(seconds.length);
  // What lies low is in the first parts alone.
  const low = parts.filter(({ panel }) => panel === 'back').map(({ touches }) => touches.includes('nape'));
  expect(low).toEqual(low.map((_, i) => i < low.filter(Boolean).length));
  expect(low.filter(Boolean).length).toBeLessThan(low.length);
  // A slower pace stays a slower pace when a panel is cut.
  const seconds = (own: readonly { readonly seconds: readonly number[] }[]) => own.flatMap((one) => one.seconds).reduce((a, b) => a + b, 0);
  const slow = clockBlocks(panels.map((own) => ({ ...own, seconds: own.seconds.map((one) => 1.5 * one) }))).blocks;
  expect(seconds(slow)).toBeCloseTo(1.5 * seconds(parts), 6);
  expect(slow.length).toBeGreaterThan(parts.length);
  let asked = 0;
  const { timeline } = searchService(parts, { stop: () => (asked += 1) > 100 });
  expect(timeline.cost.over).toBe(0);
  // In one go, with one rinse at the end, the first foils would be over by far.
  const once = runService(panels, [...panels.map((_, block) => ({ kind: 'foil' as const, block })), { kind: 'rinse' as const, blocks: panels.map((_, b) => b) }]);
  expect(once.cost.over).toBeGreaterThan(500);
  expect(Math.max(...timeline.foils.map(({ clear, limit }) => clear - limit))).toBeLessThanOrEqual(-USUAL_RULES.margin + 1e-6);
});

describe('what may be tried otherwise', () => {
  const visit = () => blocks();
  test('other strengths are those of the house that get there in time, ready sooner the stronger, never above what cautions allow', () => {
    const mixed = visit().mixed;
    // A house that sees no risk in 40 at the hairline: still not suggested above 35.
    const own = blocksOf({ ...mixed, careful: { fragileZones: [], strongVolumes: 40 } }, { strengths: true });
    for (const { others = [], readyMinutes, limitMinutes } of own) {
      expect(others.map(({ mix }) => mix)).toEqual(expect.arrayContaining(['A 30 vol']));
      for (const { mix, steps, readyMinutes: ready } of others) {
        expect(Number(mix.split(' ')[1])).toBeLessThanOrEqual(35);
        expect(ready).toBeLessThanOrEqual(limitMinutes);
        expect(Math.sign(ready - readyMinutes)).toBe(steps > 0 ? -1 : 1);
      }
    }
    // At the hairline and on fragile hair it stays at 20.
    const fragile = { ...mixed, careful: { fragileZones: mixed.mixed.panels.flatMap(({ zones }) => zones), strongVolumes: 20 } };
    for (const { others } of blocksOf(fragile, { strengths: true })) for (const { mix } of others!) expect(Number(mix.split(' ')[1])).toBeLessThanOrEqual(20);
  });

  test('warmth acts on time, pace on every foil', () => {
    const [usual, warm, slow] = [{}, { heat: true }, { pace: 150 }].map((choices) => blocksOf(visit().mixed, choices));
    usual.forEach(({ readyMinutes, seconds }, i) => {
      expect(warm[i].readyMinutes).toBeCloseTo(readyMinutes / 1.3, 6);
      expect(slow[i].seconds.reduce((a, b) => a + b)).toBeCloseTo(1.5 * seconds.reduce((a, b) => a + b), 6);
    });
  });

  test('what is painted afterwards rinses with the foils that it lies between', () => {
    const side = visit().panels[1];
    const withPaint = { ...side, work: [...side.work.slice(0, 4), ...side.work.slice(0, 2).map((unit) => ({ ...unit, kind: 'open-air' as const }))], seconds: [50, 50, 50, 50, 25, 25] };
    const { blocks: parts } = clockBlocks([withPaint], undefined, { painting: 'after' });
    expect(parts.map(({ name, seconds, together, after }) => [name, seconds, together, after])).toEqual([
      ['Side, left', [50, 50, 50, 50], side.id, undefined], ['Side, left, painted', [25, 25], side.id, [side.id]],
    ]);
    const { timeline } = searchService(parts);
    expect(timeline.stages.map(({ blocks: set }) => [...set].sort())).toEqual([[0, 1]]);
  });
});
