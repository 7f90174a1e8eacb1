import type { Recipe } from '../bowl';
import { LIFT_FACTORS, levelAfter, readyAfter, warmthFactor, type HeadFactor } from '../lift';
import { AVERAGE_HAIR } from '../formats';
import {
  curveOf,
  isExpected,
  isPaintedAgain,
  liftRows,
  limitOf,
  readyOf,
  type LiftFacts,
  type LiftRow,
} from './lift';
import { unitWith } from './testing';
import type { WorkUnit } from './unit';

/** A head as usual, with one in ten quicker and one in ten slower. */
const HEAD: HeadFactor = { factor: 1, sd: 0.2, low: 0.8, high: 1.3, readings: 0, disagree: false };
const FACTS: LiftFacts = { naturalLevel: 6, targetLevel: 8, map: {}, hair: AVERAGE_HAIR, head: HEAD };
const POWDER: Recipe = { volumes: 20, ratio: 2, limitMinutes: 50, lifts: true };
const rowsOf = (
  units: readonly Partial<WorkUnit>[],
  recipe: Partial<Recipe> = {},
  facts: Partial<LiftFacts> = {},
  ages: readonly number[] = units.map(() => 0),
) =>
  liftRows(units.map(unitWith), ages, () => ({ ...POWDER, ...recipe }), {
    ...FACTS,
    ...facts,
  });
const rowOf = (...given: Parameters<typeof rowsOf>) => rowsOf(...given).rows[0];

describe('a foil on hair that nobody touched', () => {
  test('lifts from the natural level to the one wished for, by the curve of its strength', () => {
    const row = rowOf([{}]);
    expect(row).toMatchObject({
      letter: 'A',
      stretch: 'length',
      from: 6,
      target: 8,
      limitMinutes: 50,
      lift: { volumes: 20, factor: 1 },
      units: [0],
      zones: ['upper-back-l'],
      panels: ['back'],
    });
    const mix = { volumes: 20, factor: 1 };
    expect(row.ready!.minutes).toBe(readyAfter(6, 8, mix));
    expect(row.ready!.soonest).toBe(readyAfter(6, 8, { ...mix, factor: 1.3 }));
    expect(row.ready!.latest).toBe(readyAfter(6, 8, { ...mix, factor: 0.8 }));
    expect(row.atLimit).toEqual({
      level: levelAfter(6, mix, 50),
      low: levelAfter(6, { ...mix, factor: 0.8 }, 50),
      high: levelAfter(6, { ...mix, factor: 1.3 }, 50),
    });
  });
  test('each zone from its own level, to the target of its own formula', () => {
    const map = { 'nape-l': { naturalLevel: 4 } } as const;
    expect(rowsOf([{}, { zone: 'nape-l' }], {}, { map }).rows.map(({ from }) => from)).toEqual([6, 4]);
    expect(rowOf([{}], { target: 9 }).target).toBe(9);
  });
  test('strand, open air and product all count; a strand of its own in a zone comes before that of the head', () => {
    const factor = (...given: Parameters<typeof rowsOf>) => rowOf(...given).lift.factor;
    const coarse = { ...AVERAGE_HAIR, strand: 'coarse' as const };
    expect(factor([{}], {}, { hair: coarse })).toBe(LIFT_FACTORS.strand.coarse);
    const fineBack = { ...coarse, byZone: { 'upper-back-l': { strand: 'fine' as const } } };
    expect(factor([{}], {}, { hair: fineBack })).toBe(LIFT_FACTORS.strand.fine);
    expect(factor([{ laidWith: 'open air' }])).toBe(LIFT_FACTORS.openAir);
    expect(factor([{ laidWith: 'between foils' }])).toBe(LIFT_FACTORS.openAir);
    expect(factor([{}], { product: 1.1 })).toBeCloseTo(1.1, 12);
  });
  test('nothing is painted, or nothing lifts: no row', () => {
    expect(rowsOf([{ reachMm: [40, 40] }])).toEqual({ rows: [], of: [[]] });
    expect(rowsOf([{}], { lifts: false })).toEqual({ rows: [], of: [[]] });
  });
});

test('units that are alike share a row, with the oldest bowl among them; what differs has its own', () => {
  const { rows, of } = rowsOf(
    [{}, { zone: 'nape-l', panel: 'nape' }, { laidWith: 'open air', kind: 'open-air' }, {}, { letter: 'B' }],
    {},
    {},
    [0, 42, 10, 5, 7],
  );
  expect(of).toEqual([[0], [0], [1], [0], [2]]);
  expect(rows.map(({ units }) => units)).toEqual([[0, 1, 3], [2], [4]]);
  expect(rows.map(({ oldestBowlMinutes }) => oldestBowlMinutes)).toEqual([42, 10, 7]);
  expect(rows[0].zones).toEqual(['upper-back-l', 'nape-l']);
  expect(rows[0].panels).toEqual(['back', 'nape']);
  // From a bowl that is past its best it takes longer.
  expect(rows[0].readyFromOldest).toBe(readyAfter(6, 8, { volumes: 20, factor: 1, bowlAgeMinutes: 42 }));
  expect(rows[0].readyFromOldest!).toBeGreaterThan(rows[0].ready!.minutes);
  expect(rows[2].readyFromOldest).toBe(rows[2].ready!.minutes);
});

describe('the maker’s limit', () => {
  const [foil, open] = [unitWith(), unitWith({ laidWith: 'open air' })];
  test('is another in the open air, where the maker says so', () => {
    expect(limitOf(foil, { ...POWDER, openAirMinutes: 80 })).toBe(50);
    expect(limitOf(open, { ...POWDER, openAirMinutes: 80 })).toBe(80);
    expect(limitOf(open, POWDER)).toBe(50);
  });
  test('a target beyond it is not expected', () => {
    const ready = { minutes: 50, soonest: 40, latest: null };
    expect(isExpected({ ready, limitMinutes: 50 })).toBe(true);
    expect(isExpected({ ready: { ...ready, minutes: 50.1 }, limitMinutes: 50 })).toBe(false);
    expect(isExpected({ ready: null, limitMinutes: 50 })).toBe(false);
  });
  test('where the usual head does not get there, nothing is promised of a quicker one', () => {
    const row = rowOf([{}], {}, { naturalLevel: 2, targetLevel: 10 });
    expect([row.ready, row.readyFromOldest]).toEqual([null, null]);
    expect(row.atLimit.low).toBeLessThan(row.atLimit.level);
    expect(row.atLimit.level).toBeLessThan(row.atLimit.high);
  });
  test('a product ends where its maker says', () =>
    expect(rowOf([{}], { most: { levels: 1, top: 10 } })).toMatchObject({
      ready: null,
      atLimit: { level: 7, low: 7, high: 7 },
    }));
});

describe('a strand that is not the same all along', () => {
  const light = { map: { 'upper-back-l': { endsLevel: 8.5, naturalLevel: 6 } } } as const;
  const banded = { map: { 'upper-back-l': { band: { fromMm: 60, toMm: 90, level: 4 } } } } as const;
  const kinds = (...given: Parameters<typeof rowsOf>) =>
    rowsOf(...given).rows.map(({ stretch, from }) => [stretch, from]);

  test('a band of earlier colour lifts more slowly, from its own level, where the product lies on it', () => {
    const { rows } = rowsOf([{}], {}, banded);
    expect(rows.map(({ stretch, from, lift }) => [stretch, from, lift.factor])).toEqual([
      ['length', 6, 1],
      ['band', 4, LIFT_FACTORS.band],
    ]);
    // Painted only beside it; touching it is not lying on it.
    for (const reachMm of [
      [0, 60],
      [90, 300],
    ] as const)
      expect(kinds([{ reachMm }], {}, banded)).toEqual([['length', 6]]);
    for (const reachMm of [
      [0, 61],
      [89, 300],
    ] as const)
      expect(kinds([{ reachMm }], {}, banded)).toHaveLength(2);
    // What takes the ends’ own mix is not painted with this one.
    expect(kinds([{ reachMm: [0, 300], endsMm: 240 }], {}, banded)).toEqual([['length', 6]]);
    // Of tips that are drawn out nobody paints a band.
    expect(kinds([{ kind: 'tip-out' }], {}, banded)).toEqual([['length', 6]]);
  });
  test('ends with a mix of their own lift by it from what they are, quicker where they were lightened', () => {
    const ends = { ends: { volumes: 10, ratio: 2, extra: 0, lastMm: 80 } };
    const { rows } = rowsOf([{ endsMm: 80 }], ends, light);
    expect(rows.map(({ stretch, from, lift }) => [stretch, from, lift.volumes, lift.factor])).toEqual([
      ['length', 6, 20, 1],
      ['ends', 8.5, 10, LIFT_FACTORS.lightened],
    ]);
    const dark = { map: { 'upper-back-l': { endsLevel: 5 } } };
    expect(rowsOf([{ endsMm: 80 }], ends, dark).rows[1].lift.factor).toBe(1);
    const same = { map: { 'upper-back-l': { endsLevel: 6 } } };
    expect(rowsOf([{ endsMm: 80 }], ends, same).rows[1].lift.factor).toBe(1);
    // No ends, no mix for them, ends that nobody looked at, and colour, which refreshes them.
    expect(kinds([{ endsMm: 0 }], ends, light)).toHaveLength(1);
    expect(kinds([{ endsMm: 80 }], { ends: null }, light)).toHaveLength(1);
    expect(kinds([{ endsMm: 80 }], ends, {})).toHaveLength(1);
    expect(kinds([{ endsMm: 80 }], { ...ends, minutes: 35 }, light)).toHaveLength(1);
  });
  test('tips that are drawn out lift from what they are', () => {
    const tip = { kind: 'tip-out' as const };
    expect(rowOf([tip], {}, light)).toMatchObject({ from: 8.5, lift: { factor: LIFT_FACTORS.lightened } });
    expect(rowOf([tip])).toMatchObject({ from: 6, lift: { factor: 1 } });
  });
});

describe('a second application', () => {
  const second = { afterMinutes: 30, volumes: 30, ratio: 2, extra: 0 };
  test('lengthens the limit and lifts further, on what is painted again', () => {
    const far = { naturalLevel: 3, targetLevel: 9 };
    const [once, twice] = [rowOf([{}], {}, far), rowOf([{}], { second }, far)];
    expect([once.limitMinutes, twice.limitMinutes]).toEqual([50, 80]);
    expect(twice.lift.second).toEqual({ afterMinutes: 30, volumes: 30 });
    expect(twice.atLimit.level).toBeGreaterThan(once.atLimit.level + 0.3);
    const between = rowOf([{ kind: 'tip-out', laidWith: 'between foils' }], { second }, far);
    expect([between.limitMinutes, between.lift.second]).toEqual([50, undefined]);
  });
  test.each([
    ['foil', true],
    ['open-air', true],
    ['tip-out', false],
    ['lowlight', false],
    ['paint', false],
  ] as const)('%s is painted again: %s', (kind, again) => expect(isPaintedAgain({ kind })).toBe(again));
});

describe('warmth', () => {
  const far = { naturalLevel: 5, targetLevel: 8 };
  const warm = (lastMinutes: number | null, facts: Partial<LiftFacts> = far) =>
    rowOf([{}], { warmth: { celsius: 40, lastMinutes } }, facts);
  const cold = readyAfter(5, 8, { volumes: 20, factor: 1 })!;
  const factor = warmthFactor(40);

  test('from the beginning it takes so much less time', () => {
    expect(warm(null).lift.warmth).toEqual({ factor, fromMinutes: 0 });
    expect(warm(null).ready!.minutes).toBeCloseTo(cold / factor, 6);
  });
  test('in the last minutes it saves what those minutes do more', () => {
    const row = warm(10);
    expect(row.ready!.minutes).toBeCloseTo(cold - (factor - 1) * 10, 6);
    expect(row.lift.warmth!.fromMinutes).toBeCloseTo(row.ready!.minutes - 10, 6);
  });
  test('longer than it takes at all, it is there from the beginning', () => {
    const row = warm(45);
    expect(row.lift.warmth!.fromMinutes).toBe(0);
    expect(row.ready!.minutes).toBeCloseTo(cold / factor, 6);
  });
  test('where the target is not expected, its last minutes are those before the limit', () =>
    expect(warm(10, { naturalLevel: 2, targetLevel: 10 }).lift.warmth!.fromMinutes).toBe(40));
});

describe('when a unit is ready', () => {
  const row = (part: Partial<LiftRow>): LiftRow => ({ ...rowOf([{}]), ...part });
  const times = (minutes: number, soonest: number, latest: number | null) => ({
    ready: { minutes, soonest, latest },
  });
  test('what only deposits, when its time is over, and never past the limit', () => {
    expect(readyOf([], { ...POWDER, minutes: 20 }, 45)).toEqual({
      ready: { minutes: 20, soonest: 20, latest: 20 },
      expected: true,
    });
    expect(readyOf([], { ...POWDER, minutes: 60 }, 45).ready.minutes).toBe(45);
    expect(readyOf([], POWDER, 45).ready.minutes).toBe(0);
  });
  test('the slowest stretch decides', () => {
    const rows = [row(times(20, 18, 30)), row(times(25, 15, 28))];
    expect(readyOf(rows, POWDER, 50)).toEqual({
      expected: true,
      ready: { minutes: 25, soonest: 18, latest: 30 },
    });
    expect(readyOf([...rows, row(times(22, 17, null))], POWDER, 50).ready.latest).toBeNull();
  });
  test('where one stretch is not expected, the limit is what it waits for', () => {
    const out = { ready: null, limitMinutes: 50 };
    expect(readyOf([row(times(20, 18, 30)), row(out)], POWDER, 50)).toEqual({
      expected: false,
      ready: { minutes: 50, soonest: 50, latest: null },
    });
    expect(readyOf([row({ ...times(55, 41, null), limitMinutes: 50 })], POWDER, 50)).toEqual({
      expected: false,
      ready: { minutes: 50, soonest: 41, latest: null },
    });
  });
  test('after a second application it is counted from that', () => {
    const lift = { volumes: 20, factor: 1, second: { afterMinutes: 30, volumes: 30 } };
    expect(readyOf([row({ ...times(48, 25, 60), lift, limitMinutes: 80 })], POWDER, 50)).toEqual({
      expected: true,
      ready: { minutes: 18, soonest: 0, latest: 30 },
    });
    expect(readyOf([row({ ...times(90, 70, null), lift, limitMinutes: 80 })], POWDER, 50).ready.soonest).toBe(
      40,
    );
  });
  test('colour that lifts is not done before its time', () => {
    const own = rowOf([{}], { minutes: 35 }, { targetLevel: 6.5 });
    expect([own.ready!.minutes, own.ready!.soonest]).toEqual([35, 35]);
    expect(own.readyFromOldest).toBe(35);
  });
});

test('the curve begins at the level there is, a point a minute, and the spread is about it', () => {
  const row = rowOf([{}]);
  const curve = curveOf(row, HEAD, 40.5);
  expect(curve.map(({ minutes }) => minutes)).toEqual(Array.from({ length: 41 }, (_, i) => i));
  expect(curve[0]).toEqual({ minutes: 0, level: 6, low: 6, high: 6 });
  expect(curve[40]).toEqual({
    minutes: 40,
    level: levelAfter(6, row.lift, 40),
    low: levelAfter(6, { ...row.lift, factor: 0.8 }, 40),
    high: levelAfter(6, { ...row.lift, factor: 1.3 }, 40),
  });
  expect(curveOf(row, HEAD, 40, 10).map(({ minutes }) => minutes)).toEqual([0, 10, 20, 30, 40]);
});
