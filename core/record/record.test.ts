import { scriptFor, happened, started, closed } from '../chair/testing';
import { serviceState } from '../chair';
import { outcomeSchema, startPlan, svgOf } from '../formats';
import type { ZoneRegrowth } from '../growth';
import { ZONES, type Zone } from '../head';
import { createPatternEngine, type Plan } from '../pattern';
import { planOf, techniqueOf } from '../technique';
import { DEPOSIT, visitOf, type VisitParts } from '../visit/computed/testing';
import {
  againSheet,
  findAgain,
  linesOf,
  retouch,
  sequenceWords,
  zonesOfPlan,
  zonesOfService,
  zonesRecorded,
} from '.';
import { EMPTY_OUTCOME } from '../visit';
import { METRIC } from '../units';

const engine = createPatternEngine();
const plan = startPlan();
const computed = engine.compute(plan);
const { sheet } = computed;
const workOf = (current: Plan, mix?: VisitParts['mix']) => visitOf({ plan: current, mix }).work;

const grown = (mm: number, takenOn = '2027-01-04'): ZoneRegrowth => ({
  mm,
  sd: 2,
  since: takenOn,
  from: 'taken',
  takenOn,
});
const everywhere = (mm: number) =>
  Object.fromEntries(ZONES.map((zone) => [zone, grown(mm)])) as Record<Zone, ZoneRegrowth>;

describe('zones of a visit', () => {
  test('a pattern over the whole head takes every zone to the root', () => {
    const zones = zonesOfPlan(workOf(plan), sheet);
    expect(Object.keys(zones).sort()).toEqual([...ZONES].sort());
    expect(Object.values(zones).every(({ leftMm, level }) => leftMm === 0 && level === null)).toBe(true);
    expect(Object.values(zones).reduce((sum, { foils }) => sum + foils, 0)).toBe(sheet.totals.foils);
  });

  test('what is not foiled stays out; lowlights take nothing to the root; a start off the scalp is what is left', () => {
    const backless: Plan = {
      ...plan,
      panels: plan.panels.map((panel) =>
        panel.id === 'back'
          ? { ...panel, muted: true }
          : { ...panel, start: { ...panel.start, distanceMm: 12 } },
      ),
    };
    const own = engine.compute(backless).sheet;
    const zones = zonesOfPlan(workOf(backless), own);
    expect(zones['occipital-l']).toBeUndefined();
    expect(zones['temple-l']).toMatchObject({ leftMm: 12 });
    expect(zonesOfPlan(workOf(backless, { formulas: { A: DEPOSIT } }), own)).toEqual({});
  });

  test('a service counts what was placed, with the level seen or reckoned; what was skipped is left out', () => {
    const script = scriptFor([2, 2], (block, i) => ({
      zone: (['crown', 'crown', 'temple-l', 'temple-r'] as const)[2 * block + i],
      startMm: block === 0 ? 0 : 6,
    }));
    const events = happened([
      [0, started],
      [1, closed('b0/0')],
      [2, closed('b0/1')],
      [3, closed('b1/0')],
      [4, { kind: 'skipped', foil: 'b1/1', why: null }],
      [
        20,
        {
          kind: 'checked',
          foil: 'b0/0',
          level: 7.5,
          then: 'rinse',
          minutes: null,
          reason: null,
          photo: null,
        },
      ],
      [24, { kind: 'rinse-begun', blocks: ['b0', 'b1'], incident: null }],
      [30, { kind: 'rinse-done' }],
    ]);
    const zones = zonesOfService(serviceState(script, events), sheet);
    expect(zones.crown).toEqual({ foils: 2, leftMm: 0, level: 7.5 });
    expect(zones['temple-l']).toMatchObject({ foils: 1, leftMm: 6, level: expect.any(Number) });
    expect(zones['temple-l']!.level).toBeGreaterThan(6);
    expect(zones['temple-r']).toBeUndefined();
    // As a record keeps them: halves of a level, and of the right shape.
    const recorded = zonesRecorded(zones);
    expect(outcomeSchema.parse({ ...EMPTY_OUTCOME, done: 'Foiled.', zones: recorded }).zones).toEqual(
      recorded,
    );
  });
});

describe('taking a pattern up again', () => {
  const now = { head: plan.head, hair: plan.hair };
  const wish = { how: 'exact' as const, movePartMm: 0, grownMm: 8 };

  test('exactly: the same foils in the same order, on hair that is painted on its regrowth only', () => {
    const again = retouch({ old: plan, now, regrowth: everywhere(25), wish, engine });
    expect(again.plan).toEqual(plan);
    expect(again.panels.map(({ words, kept }) => [words, kept])).toEqual(
      plan.panels.map(() => ['25 mm grown', true]),
    );
    expect(again.regrowthOnly).toEqual(['A']);
    expect(again.skipped).toEqual([]);
  });

  test('only what has grown: panels under the length are left out and said, what was never lightened stays', () => {
    const regrowth = {
      ...everywhere(25),
      ...Object.fromEntries(
        ZONES.filter((zone) => /^(temple|ear-hairline|lower-side|upper-side|front|top)/.test(zone)).map(
          (zone) => [zone, grown(4, '2027-03-01')],
        ),
      ),
    };
    const {
      plan: made,
      panels,
      skipped,
    } = retouch({ old: plan, now, regrowth, wish: { ...wish, how: 'grown' }, engine });
    expect(Object.fromEntries(panels.map(({ panel, kept }) => [panel, kept]))).toEqual({
      back: true,
      'side-left': false,
      'side-right': false,
    });
    expect(panels[1].words).toBe('4 mm grown: left out, under 8 mm');
    expect(made.panels.map(({ muted }) => muted)).toEqual([false, true, true]);
    expect(made.name).toBe(`${plan.name}, what has grown`);
    // The back was left alone when the sides were done in March.
    expect(skipped.map(({ zone }) => zone)).toContain('occipital-l');
    expect(skipped.map(({ zone }) => zone)).not.toContain('temple-l');
    expect(
      retouch({ old: plan, now, regrowth: {}, wish: { ...wish, how: 'grown' }, engine }).panels.every(
        ({ kept, words }) => kept && words === 'not lightened before',
      ),
    ).toBe(true);
  });

  test('growing out has fewer foils each time, denser more; the name says it once', () => {
    const count = (current: Plan) => engine.compute(current).sheet.totals.foils;
    const fewer = retouch({
      old: plan,
      now,
      regrowth: everywhere(25),
      wish: { ...wish, how: 'fewer' },
      engine,
    }).plan;
    const fewest = retouch({
      old: fewer,
      now,
      regrowth: everywhere(25),
      wish: { ...wish, how: 'fewer' },
      engine,
    }).plan;
    const denser = retouch({
      old: plan,
      now,
      regrowth: everywhere(25),
      wish: { ...wish, how: 'denser' },
      engine,
    }).plan;
    expect(count(fewest)).toBeLessThan(count(fewer));
    expect(count(fewer)).toBeLessThan(count(plan));
    expect(count(denser)).toBeGreaterThan(count(plan));
    expect(fewest.name).toBe(`${plan.name}, fewer`);
  });

  test('the part moves with today’s head, within the head', () => {
    expect(
      retouch({ old: plan, now, regrowth: {}, wish: { ...wish, movePartMm: 15 }, engine }).plan.head.part
        .offsetMm,
    ).toBe(plan.head.part.offsetMm + 15);
    expect(
      retouch({ old: plan, now, regrowth: {}, wish: { ...wish, movePartMm: 500 }, engine }).plan.head.part
        .offsetMm,
    ).toBe(80);
  });
});

describe('finding it again', () => {
  test('the first parting is measured from the hairline and the middle line, mirrored sides alike', () => {
    const [back, left, right] = findAgain(plan, computed, workOf(plan));
    expect(back).toMatchObject({
      place: 1,
      name: 'Back',
      sequence: 'all A',
      wheel: null,
      start: 'from the scalp',
      foils: 62,
    });
    expect(back.sides.map(({ first }) => first.to)).toEqual([
      'on the hairline at the nape, on the middle line',
      'on the hairline at the nape, on the middle line',
    ]);
    expect(left.sides[0].first.middle).toMatch(
      /^\d+ mm from the hairline at the temple, \d+ mm from the middle line$/,
    );
    expect({ ...right.sides[0].first, foil: '' }).toEqual({ ...left.sides[0].first, foil: '' });
    expect(linesOf(back)[0]).toMatch(/^Both sides: first parting on the hairline at the nape/);
  });

  test('a wheel by its centre, the turn of light and dark in words', () => {
    const wheel = planOf(techniqueOf('crown-wheel')!, {});
    const [first] = findAgain(wheel, engine.compute(wheel), workOf(wheel));
    expect(first.wheel).toBe('centre at the crown, 50 mm behind the top of the head, on the middle line');
    expect(first.sequence).toBe('A B in turn');
  });

  test.each([
    [['A', 'A', 'A'], 'all A'],
    [['A', 'A', 'A', 'B', 'B', 'A', 'A', 'A', 'B', 'B'], 'A A A B B in turn'],
    [['A', 'B', 'B', 'A', 'C'], '1 A, 2 B, 1 A, 1 C'],
  ])('%j is said as “%s”', (letters, words) => {
    expect(sequenceWords(letters)).toBe(words);
  });

  test('the sheet says it on one page, all of it inside the page, however many panels', () => {
    const facts = {
      client: 'Maren Tolland',
      date: '4 Jan 2027',
      colourist: 'Ottilie Marsh',
      measures: METRIC,
      regrowthMm: { crown: 24 },
      repeat: [
        'A: Moth blue powder, 20 vol, 1 : 2; 98 foils, 240 g taken.',
        `Level 9 reached. They said: “${'Very good. '.repeat(200)}”`,
      ],
      zones: zonesRecorded(zonesOfPlan(workOf(plan), sheet)),
    };
    const many: Plan = {
      ...plan,
      panels: Array.from({ length: 14 }, (_, i) => ({
        ...plan.panels[0],
        id: `p${i}`,
        name: `Panel ${i}`,
        place: { kind: 'zones' as const, zones: ['temple' as const] },
      })),
    };
    for (const own of [plan, many]) {
      const { shapes, heightMm, title } = againSheet(own, engine.compute(own), workOf(own), facts);
      const texts = shapes.flatMap((shape) => (shape.kind === 'text' ? [shape] : []));
      expect(title).toContain('To find again: Maren Tolland');
      expect(texts.some(({ words }) => words.includes('crown 24 mm, 0 mm left'))).toBe(true);
      for (const { y } of texts) expect(y).toBeLessThan(heightMm - 5);
      expect(svgOf({ x: 0, y: 0, width: 210, height: 297 }, title, '#fff', shapes)).toContain(
        'first parting',
      );
    }
  });
});
