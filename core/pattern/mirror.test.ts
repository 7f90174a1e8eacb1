import { makeHead, mirrorHead } from '../head';
import { AVERAGE_HEAD } from '../formats';
import { planOf, TECHNIQUES } from '../technique';
import { looselyMirrored, mirrorPanel, mirrorPlan } from './mirror';
import { engine, planWith } from './testing';
import type { Plan } from './types';

/** A head on which nothing is symmetric. */
const uneven: Plan['head'] = {
  ...AVERAGE_HEAD,
  circumferenceMm: 562,
  earToEarMm: 351,
  hairline: { left: 'receding', right: 'pointed' },
  crown: { behindApexMm: 55, leftMm: 12, whorl: 'clockwise' },
  part: { offsetMm: 18, lengthMm: 110, none: false },
};

function expectMirrored(plan: Plan): void {
  const one = engine.compute(plan).sheet;
  const other = engine.compute(mirrorPlan(plan)).sheet;
  expect(other.foils).toHaveLength(one.foils.length);
  const twins = new Map(other.foils.map((foil) => [foil.id, foil]));
  for (const foil of one.foils) {
    const twin = twins.get(`${foil.panel}/${foil.row}/${0 - foil.column}`)!;
    expect(Math.abs(twin.widthMm - foil.widthMm)).toBeLessThan(1e-9);
    expect(Math.abs(twin.areaMm2 - foil.areaMm2)).toBeLessThan(1e-7);
    expect(twin.stitches).toBe(foil.stitches);
    // Over the middle itself left and right are a matter of the last digit.
    const swapped = foil.zone.replace(/-[lr]$/, (side) => (side === '-l' ? '-r' : '-l'));
    if (foil.column === 0) expect(twin.zone.replace(/-[lr]$/, '')).toBe(swapped.replace(/-[lr]$/, ''));
    else expect(twin.zone).toBe(swapped);
  }
  expect(Math.abs(other.totals.pickedShare - one.totals.pickedShare)).toBeLessThan(1e-9);
}

test.each(TECHNIQUES.map(({ key }) => key))(
  '%s on an uneven head: the mirrored plan is its mirror image',
  (key) => {
    expectMirrored(
      planOf(
        TECHNIQUES.find((technique) => technique.key === key)!,
        { head: uneven },
      ),
    );
  },
);

test('outlines, bands, pivots and sequences across the middle too', () => {
  expectMirrored(
    planWith(
      [
        {
          place: {
            kind: 'outline',
            points: [
              [-0.2, 0.3],
              [0.5, 0.35],
              [0.4, 0.8],
              [-0.1, 0.7],
            ],
          },
          side: 'across',
          direction: { kind: 'parallel', angleDeg: 25 },
        },
        {
          place: {
            kind: 'hairline-band',
            widthMm: [
              [-90, 30],
              [60, 14],
            ],
          },
          side: 'both',
          direction: { kind: 'hairline' },
        },
        {
          place: { kind: 'back' },
          side: 'right',
          direction: { kind: 'pivot', fromDeg: 40, toDeg: 'part' },
          leaveOut: [
            [
              [-0.3, -0.4],
              [-0.6, -0.5],
              [-0.4, -0.7],
            ],
          ],
        },
        {
          place: { kind: 'back' },
          side: 'left',
          direction: { kind: 'radial', about: [0.5, -0.5], radiusMm: 60 },
        },
        {
          place: { kind: 'side' },
          side: 'across',
          direction: {
            kind: 'sequence',
            steps: [
              { angleDeg: 20, over: 'left' },
              { angleDeg: -8, over: 'across', count: 2 },
            ],
          },
        },
      ],
      { head: uneven },
    ),
  );
});

test('mirroring twice gives the plan back', () => {
  const plan = planOf(TECHNIQUES[0], { head: uneven });
  expect(mirrorPlan(mirrorPlan(plan))).toEqual(plan);
  expect(mirrorHead(mirrorHead(makeHead(uneven))).spec).toEqual(makeHead(uneven).spec);
});

describe('not quite mirrored', () => {
  const left = planWith([
    { place: { kind: 'side' }, side: 'left', direction: { kind: 'parallel', angleDeg: 30 } },
  ]).panels[0];
  const right = (seed: number) => ({
    ...looselyMirrored(left, { seed, dropoutMm: 1, angleDeg: 4 }),
    id: 'other',
  });
  const foils = (seed: number) =>
    engine
      .compute({ ...planWith([]), panels: [left, right(seed)] })
      .sheet.foils.filter((foil) => foil.panel === 'other');

  test('the same seed gives the same foils, another seed others', () => {
    expect(foils(7)).toEqual(foils(7));
    expect(foils(7).map((foil) => foil.dropoutMm)).not.toEqual(foils(8).map((foil) => foil.dropoutMm));
  });

  test('drop-outs stay within the limit and do differ', () => {
    for (const seed of [1, 2, 3]) {
      for (const foil of foils(seed)) expect(Math.abs(foil.dropoutMm - 5)).toBeLessThanOrEqual(1);
      expect(new Set(foils(seed).map((foil) => foil.dropoutMm)).size).toBeGreaterThan(5);
    }
  });

  test('without variation it is the mirror', () => expect(mirrorPanel(mirrorPanel(left))).toEqual(left));
});
