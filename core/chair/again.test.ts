import { levelAfter } from '../lift';
import { alarmsOf, levelNow, MINUTE, recordOf, serviceState, type EventBody } from '.';
import { closed, happened, scriptFor, started, stepAt, T0 } from './testing';

/** Four foils, painted again with 30 vol after 20 minutes; level 4 to 8. */
const lift = {
  volumes: 20,
  factor: 1,
  most: { levels: 7, top: 10 },
  second: { afterMinutes: 20, volumes: 30 },
};
const script = scriptFor(
  [4],
  () => ({
    again: { afterMinutes: 20, mix: 'A second', words: 'Moth, 30 vol, 1 : 2', grams: 2 },
    limitMinutes: 45,
  }),
  [{ letter: 'A', from: 4, target: 8, stretch: 'length', lift }],
);
script.blocks[0].foils.forEach((foil) =>
  Object.assign(foil, { again: { afterMinutes: 20, limitMinutes: 45, minutes: 1, mixes: ['A second'] } }),
);
const mixes = {
  ...script.mixes,
  'A second': {
    of: [{ letter: 'A', part: 'second' as const }],
    words: 'Moth, 30 vol, 1 : 2',
    volumes: 30,
    strengths: [20, 30],
  },
};
const service = { ...script, mixes };
const foiled = Array.from({ length: 4 }, (_, i) => [i + 1, closed(`b0/${i}`)] as const);
const state = (...list: Parameters<typeof happened>[0]) =>
  serviceState(service, happened([[0, started], ...foiled, ...list]));
const at = (minute: number) => T0 + minute * MINUTE;
const next = (current: ReturnType<typeof state>, minute: number) => stepAt(service, current, at(minute));
const again = (...foils: number[]): EventBody => ({
  kind: 'reapplied',
  foils: foils.map((i) => `b0/${i}`),
  reason: 'as planned',
});

test('what is to be painted again is not ready before: it is called with its bowl, oldest first', () => {
  const before = state();
  expect(before.blocks[0].units.map((unit) => [unit.readyMinutes, unit.again !== null])).toEqual(
    Array.from({ length: 4 }, () => [20, true]),
  );
  expect(next(before, 10)).toMatchObject({ kind: 'wait', then: 'again' });
  expect(next(before, 24)).toEqual({ kind: 'bowl', mix: 'A second', why: 'first' });
  const mixed = state([24, { kind: 'bowl', mix: 'A second' }]);
  const step = next(mixed, 25);
  expect(step).toMatchObject({ kind: 'again', mix: 'A second', words: 'Moth, 30 vol, 1 : 2' });
  expect(step.kind === 'again' && step.units.map(({ id }) => id)[0]).toBe('b0/0');
  // An alarm calls for it when the oldest foil has had its time, and none says that it is ready.
  expect(alarmsOf(service, before).filter(({ kind }) => kind === 'again' || kind === 'ready')).toEqual([
    expect.objectContaining({
      kind: 'again',
      due: at(21),
      words: 'Paint Panel 1 again, with bowl A second: 4 foils, oldest first.',
    }),
  ]);
});

test('from then on it lifts by both, with a limit of its own', () => {
  const own = state([24, { kind: 'bowl', mix: 'A second' }], [25, again(0)], [26, again(1, 2, 3)]);
  const [first] = own.blocks[0].units;
  expect(first).toMatchObject({ again: null, earlierMinutes: 24, limitAt: at(25 + 45) });
  // 24 minutes of 20 vol, then 10 of 30.
  const both = levelAfter(4, { ...lift, second: { afterMinutes: 24, volumes: 30 } }, 34);
  expect(levelNow(first, own, at(35))).toBeCloseTo(both, 9);
  expect(first.readyMinutes).toBeGreaterThan(0);
  expect(next(own, 27)).toMatchObject({ kind: 'wait', then: expect.stringMatching(/pull|rinse/) });
});

test('another strength for the second bowl changes what waits for it, and the record tells of it', () => {
  const stronger: EventBody = { kind: 'strength', mix: 'A second', volumes: 20, reason: 'lifts fast' };
  const own = state([15, stronger], [25, again(0, 1, 2, 3)]);
  const unit = own.blocks[0].units[0];
  expect(unit.unit.again?.words).toBe('Moth, 20 vol, 1 : 2');
  expect(own.lifts[unit.unit.lifting[0]].lift.second).toMatchObject({ volumes: 20 });
  expect(recordOf(service, own).summary).toContain('Second application on 4 foils: as planned.');
});
