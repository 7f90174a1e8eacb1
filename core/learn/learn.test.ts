import fc from 'fast-check';
import { serviceState } from '../chair';
import { closed, happened, scriptFor, started } from '../chair/testing';
import { levelAfter } from '../lift';
import { accuracyOf, lessonOf, paceOf, pacePercent, type PaceSample } from '.';

const foils = (
  person: string,
  count: number,
  seconds: number,
  gather: PaceSample['gather'] = 'weave',
): PaceSample[] => Array.from({ length: count }, () => ({ person, gather, teasing: 0, seconds }));
const of = (samples: readonly PaceSample[], person: string, gather: string) =>
  paceOf(samples, person).find((pace) => pace.gather === gather)!;

test('without foils everybody works at the usual pace', () => {
  expect(
    paceOf([], 'Ottilie').map(({ gather, seconds, foils: n }) => [gather, Math.round(seconds), n]),
  ).toEqual([
    ['slice', 50, 0],
    ['weave', 62, 0],
    ['double', 85, 0],
    ['zigzag', 70, 0],
  ]);
  expect(pacePercent([], 'Ottilie')).toEqual({ percent: 100, foils: 0 });
});

test('twenty foils of one’s own count as much as the house, twenty of the house as much as the usual', () => {
  // The house's mean of logs: 20 · ln 2 / (20 + 20) = ln 2 / 2; her own: (20 · ln 2 + 20 · ln 2 / 2) / 40 = ¾
  // ln 2.
  const samples = foils('Ottilie', 20, 124);
  expect(of(samples, 'Ottilie', 'weave').seconds).toBeCloseTo(62 * 2 ** 0.75, 6);
  expect(of(samples, 'Bram', 'weave').seconds).toBeCloseTo(62 * 2 ** 0.5, 6);
  expect(of(samples, 'Ottilie', 'slice').seconds).toBe(50);
  expect(pacePercent(samples, 'Ottilie')).toEqual({ percent: Math.round(100 * 2 ** 0.75), foils: 20 });
});

test('teasing has its own time; an interruption and a foil tapped through are no pace', () => {
  expect(
    of([{ person: 'Ottilie', gather: 'weave', teasing: 2, seconds: 122 }], 'Ottilie', 'weave').seconds,
  ).toBeCloseTo(62, 6);
  expect(
    paceOf([...foils('Ottilie', 5, 600), ...foils('Ottilie', 5, 2)], 'Ottilie').every(
      ({ foils: n }) => n === 0,
    ),
  ).toBe(true);
});

test('more foils at a pace bring nearer to it and never past it, and eight in ten lie about it', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 20, max: 200 }), (count, seconds) => {
      const less = of(foils('Ottilie', count, seconds), 'Ottilie', 'weave');
      const more = of(foils('Ottilie', count + 20, seconds), 'Ottilie', 'weave');
      expect(Math.abs(more.seconds - seconds)).toBeLessThanOrEqual(Math.abs(less.seconds - seconds) + 1e-9);
      expect((less.seconds - seconds) * (62 - seconds)).toBeGreaterThanOrEqual(-1e-6);
      expect(more.low < more.seconds && more.seconds < more.high).toBe(true);
    }),
  );
});

test('a service teaches pace foil by foil, and levels beside what was expected before the day’s checks', () => {
  const script = scriptFor([3]);
  const events = happened([
    [0, started],
    [1, closed('b0/0')],
    [2, closed('b0/1')],
    [3.5, closed('b0/2')],
    [
      21,
      { kind: 'checked', foil: 'b0/0', level: 7.5, then: 'rinse', minutes: null, reason: null, photo: null },
    ],
    [22, { kind: 'rinse-begun', blocks: ['b0'], incident: null }],
    [29, { kind: 'rinse-done' }],
  ]);
  const { pace, levels } = lessonOf(script, serviceState(script, events));
  expect(pace.map(({ seconds, person }) => [Math.round(seconds), person])).toEqual([
    [60, 'Ottilie'],
    [60, 'Ottilie'],
    [90, 'Ottilie'],
  ]);
  const { from, lift } = script.lifts[0];
  expect(levels).toEqual([{ estimated: levelAfter(from, lift, 20), reached: 7.5 }]);
});

test('accuracy: how far off on the whole, and in which direction', () => {
  expect(accuracyOf([])).toBeNull();
  expect(
    accuracyOf([
      { estimated: 8, reached: 8.5 },
      { estimated: 8, reached: 7 },
    ]),
  ).toEqual({ count: 2, bias: -0.25, error: 0.75 });
});
