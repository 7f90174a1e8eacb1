import { EMPTY_MIX, startPlan, USUAL_HOUSE } from '../formats';
import { plansOf, type ClockPlanned, type Timeline } from '../clock';
import type { VisitClock } from '../visit';
import { visitOf } from '../visit/computed/testing';
import { cannotWith, levelReachedBy, plainQuestion, type ClockPlan } from './clock-plan';

const HOUSE = USUAL_HOUSE.clock;
const decided = (part: Partial<VisitClock> = {}, house: Partial<typeof HOUSE> = {}) =>
  visitOf({
    mix: { clock: { ...EMPTY_MIX.clock, ...part } },
    facts: { house: { ...USUAL_HOUSE, clock: { ...HOUSE, ...house } } },
  });
const clockOf = (...given: Parameters<typeof decided>) => decided(...given).clock;

test('the clock goes by the house: minutes in hand, seconds to open a foil, what opened hair lifts on', () => {
  const { rules, liftsOn, frame } = clockOf({}, { marginMinutes: 5, pullSeconds: 45, liftsOnPercent: 8 });
  expect([rules.margin, rules.pullEach, rules.pullChange, liftsOn]).toEqual([
    5,
    0.75,
    HOUSE.changeOverMinutes,
    0.08,
  ]);
  expect(frame).toEqual({ visits: 2, backFirst: false });
  expect(rules.away).toEqual([]);
});

test('visits to the basin: what is decided for the visit comes before the house', () => {
  expect(clockOf({}, { visits: 'free' }).frame.visits).toBeNull();
  expect(clockOf({ visits: 3 }).frame.visits).toBe(3);
  expect(clockOf({ visits: 'free', backFirst: true }).frame).toEqual({ visits: null, backFirst: true });
  const once = { ...USUAL_HOUSE, schools: { ...USUAL_HOUSE.schools, rinse: 'once' as const } };
  expect(visitOf({ facts: { house: once } }).clock.frame.visits).toBe(1);
});

test('a stretch away and a second person are the clock’s', () => {
  const { rules } = clockOf({ away: { from: 40, minutes: 15 }, second: 'pulls' });
  expect(rules.away).toEqual([{ from: 40, to: 55 }]);
  expect(rules.second).toBe('pulls');
});

test('places: the first block at one has it, and none lies past the last', () => {
  const { blocks } = clockOf();
  const ids = blocks.map(({ id }) => id);
  expect(clockOf({ pinned: { [ids[0]]: 1, [ids[1]]: 1 } }).fixed.at).toEqual({ 1: 0 });
  expect(clockOf({ pinned: { [ids[0]]: blocks.length } }).fixed.at).toEqual({});
  expect(clockOf({ pinned: { [ids[2]]: blocks.length - 1 } }).fixed.at).toEqual({ [blocks.length - 1]: 2 });
});

test('one foil is pulled alone, and no other', () => {
  const [block] = clockOf().blocks;
  const [pulled] = clockOf({ pulled: { block: block.id, index: 2, minutes: 17 } }).blocks;
  expect(pulled.foils.map(({ pullAfter }) => pullAfter)).toEqual(
    block.foils.map(({ pullAfter }, i) => (i === 2 ? 17 : pullAfter)),
  );
});

test('panels share a visit to the basin, or are kept apart, as it was said', () => {
  const ids = clockOf().blocks.map(({ id }) => id);
  const { blocks } = clockOf({ together: { [ids[0]]: 'x' }, apart: { [ids[1]]: 'y' } });
  expect(blocks.map(({ together, apart }) => [together, apart])).toEqual([
    ['x', undefined],
    [undefined, 'y'],
    ...blocks.slice(2).map(() => [undefined, undefined]),
  ]);
});

test('what a worker is sent is the same question without the work', () => {
  const clock = clockOf();
  const plain = plainQuestion(clock);
  expect(plain.blocks.map(({ foils }) => foils)).toEqual(clock.blocks.map(({ foils }) => foils));
  expect(plain.blocks.every((block) => !('units' in block))).toBe(true);
  expect([plain.rules, plain.frame, plain.fixed]).toEqual([clock.rules, clock.frame, clock.fixed]);
});

describe('what a plan comes to', () => {
  const { clock, work } = decided();
  const [plan] = plansOf(clock);
  type Foil = Timeline['foils'][number];
  const changed = (
    change: (foil: Foil, i: number) => Partial<Foil>,
    stages = plan.timeline.stages,
  ): ClockPlanned => ({
    ...plan,
    timeline: {
      ...plan.timeline,
      stages,
      foils: plan.timeline.foils.map((foil, i) => ({ ...foil, ...change(foil, i) })),
    },
  });
  const frame = (part: Partial<ClockPlan>) => ({ ...clock, ...part });

  test('the lowest level counts, and what is longer on is lighter', () => {
    const level = (own: ClockPlanned) => levelReachedBy(own.timeline, clock, work)!;
    const usual = level(plan);
    expect(usual).toBeGreaterThan(7.5);
    expect(level(changed((foil, i) => (i === 0 ? { wet: foil.placed + 5 } : {})))).toBeLessThan(usual - 0.3);
    expect(levelReachedBy({ ...plan.timeline, foils: [] }, clock, work)).toBeNull();
  });

  test('opened hair lifts on until it is rinsed, a little', () => {
    const soon = plan.timeline.foils.map((foil) => ({ ...foil, wet: foil.placed + 10, pulled: true }));
    const reached = (liftsOn: number) =>
      levelReachedBy({ ...plan.timeline, foils: soon }, frame({ liftsOn }), work)!;
    expect(reached(0.5)).toBeGreaterThan(reached(0.05));
    expect(reached(0.05)).toBeGreaterThan(reached(0));
  });

  test('an ordinary plan has nothing to be said against it', () =>
    expect(cannotWith(plan, clock)).toEqual([]));

  test('foils past their limit or off too soon are counted, one as one', () => {
    const late = (n: number) =>
      cannotWith(
        {
          ...changed((foil, i) => (i < n ? { clear: foil.limit + 4 } : {})),
          figures: { ...plan.figures, worstOver: 3.2 },
        },
        clock,
      );
    expect(late(1)).toEqual(['One foil stays on past the maker’s limit, by up to 4 min.']);
    expect(late(2)).toEqual(['2 foils stay on past the maker’s limit, by up to 4 min.']);
    const early = (n: number) =>
      cannotWith(
        changed((foil, i) => (i < n ? { wet: foil.ready - 5 } : {})),
        clock,
      );
    expect(early(1)).toEqual(['One foil comes off before the target is reached.']);
    expect(early(3)).toEqual(['3 foils come off before the target is reached.']);
    // Where the target is not expected anyway, coming off is no surprise.
    expect(
      cannotWith(
        changed((foil) => ({ wet: foil.ready - 5, expected: false })),
        clock,
      ),
    ).toEqual([]);
  });

  test('the back cannot come first in one visit', () => {
    const backFirst = frame({ frame: { visits: 1, backFirst: true } });
    const one = changed(() => ({}), plan.timeline.stages.slice(0, 1));
    expect(cannotWith(one, backFirst)).toEqual(['Nothing at the back can be rinsed before the rest.']);
    expect(cannotWith(one, clock)).toEqual([]);
  });
});

test('a target out of reach is said with its panel, its level and its limit, and what can be done brings more', () => {
  const { clock } = visitOf({ consult: { naturalLevel: 2, goalLevel: 10 } });
  const [plan] = plansOf(clock);
  const said = cannotWith(plan, clock);
  expect(said).toHaveLength(clock.unexpected.length);
  expect(said[0]).toMatch(
    /^Back, A: level 10 is not expected within \d+ min; [\d.]+ is reached by then, when it comes off\.$/,
  );
  for (const { level, target, remedies } of clock.unexpected) {
    const by = new Map(remedies.map((remedy) => [remedy.kind, remedy]));
    for (const kind of ['second-application', 'warmth', 'second-visit'] as const)
      expect([kind, by.get(kind)!.level > level + 0.05, by.get(kind)!.level <= target]).toEqual([
        kind,
        true,
        true,
      ]);
    expect(by.get('second-application')!.minutes).toBeGreaterThan(10);
    expect(by.get('warmth')!.minutes).toBe(0);
    // Nothing stronger at the hairline.
    expect(by.has('stronger')).toBe(false);
    // Today’s target is what is reached, down to the half level.
    expect(by.get('other-target')!.level).toBe(level);
    expect(by.get('other-target')!.words).toBe(
      `level ${Math.floor((level + 0.05) * 2) / 2} as today’s target`,
    );
  }
});

test('inside the head, away from hairline and fragile hair, more strength is offered as well', () => {
  const plan = startPlan();
  const [back] = plan.panels;
  const inside = {
    ...plan,
    panels: [{ ...back, place: { kind: 'zones' as const, zones: ['upper-back' as const] } }],
  };
  const { clock } = visitOf({ plan: inside, consult: { naturalLevel: 2, goalLevel: 10 } });
  const [{ level, remedies }] = clock.unexpected;
  const stronger = remedies.find(({ kind }) => kind === 'stronger')!;
  expect(stronger.volumes).toBe(30);
  expect(stronger.level).toBeGreaterThan(level);
  expect(stronger.minutes).toBe(0);
});
