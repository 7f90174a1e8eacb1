import { MINUTE, recordOf, serviceState, type EventBody } from '.';
import { closed, happened, scriptFor, started, stepAt, T0 } from './testing';

const script = scriptFor([4, 4]);
const at = (minute: number) => T0 + minute * MINUTE;
const foiled = Array.from({ length: 4 }, (_, i) => [i + 1, closed(`b0/${i}`)] as const);
const state = (...list: Parameters<typeof happened>[0]) =>
  serviceState(script, happened([[0, started], ...foiled, ...list]));
const unit = (current: ReturnType<typeof state>, id: string) =>
  current.blocks.flatMap(({ units }) => units).find((one) => one.id === id)!;

describe('another strength from here on', () => {
  const stronger: EventBody = { kind: 'strength', mix: 'A', volumes: 30, reason: 'slow' };

  test('what waits lifts by it; what is on stays as it is; a fresh bowl is asked for', () => {
    const [before, after] = [state(), state([5, stronger])];
    expect(unit(after, 'b0/0').readyMinutes).toBe(unit(before, 'b0/0').readyMinutes);
    expect(unit(after, 'b1/0').readyMinutes).toBeLessThan(unit(before, 'b1/0').readyMinutes);
    expect(unit(after, 'b1/0').unit.mix).toBe('Moth, 30 vol, 1 : 2');
    expect(unit(after, 'b0/0').unit.mix).toBe('Moth, 20 vol, 1 : 2');
    expect(stepAt(script, after, at(5))).toEqual({
      kind: 'bowl',
      mix: 'A',
      why: 'changed',
    });
    const mixed = state([5, stronger], [6, { kind: 'bowl', mix: 'A' }]);
    expect(stepAt(script, mixed, at(6)).kind).toBe('foil');
  });

  test('it stands in the record with its reason, and can be taken back', () => {
    expect(recordOf(script, state([5, stronger])).summary).toContain(
      'Mix A from 20 to 30 vol for what was not placed: slow.',
    );
    const back = state([5, stronger], [6, { kind: 'undone', event: 'e5' }]);
    expect(unit(back, 'b1/0').unit.mix).toBe('Moth, 20 vol, 1 : 2');
    expect(back.decisions).toEqual([]);
  });

  test('of a mix that nobody knows nothing changes', () => {
    expect(state([5, { ...stronger, mix: 'Z' }]).decisions).toEqual([]);
  });
});

test('a formula that was changed in Mix: what waits goes by it, what is on the head does not', () => {
  const next = scriptFor([4, 4], () => ({ mix: 'Moth cream, 10 vol, 1 : 1.5', limitMinutes: 60 }));
  const { units, lifts, mixes, products } = next;
  const own = state([
    5,
    {
      kind: 'rescripted',
      script: { units, lifts: lifts.map((row) => ({ ...row, target: 9 })), mixes, products },
    },
  ]);
  expect(unit(own, 'b0/0').unit).toMatchObject({ mix: 'Moth, 20 vol, 1 : 2', limitMinutes: 45 });
  expect(unit(own, 'b1/0').unit).toMatchObject({ mix: 'Moth cream, 10 vol, 1 : 1.5', limitMinutes: 60 });
  expect(own.lifts[unit(own, 'b1/0').unit.lifting[0]].target).toBe(9);
  expect(own.bowls.every(({ spent }) => spent)).toBe(true);
});

test('more minutes for what is on: they count from now, and a check after them counts instead', () => {
  const longer: EventBody = {
    kind: 'longer',
    foils: ['b0/0', 'b0/1', 'b1/0'],
    minutes: 5,
    reason: 'not there',
  };
  const own = state([30, longer]);
  expect(unit(own, 'b0/0').readyAt).toBe(at(35));
  expect(unit(own, 'b0/2').readyAt).toBe(unit(state(), 'b0/2').readyAt);
  expect(own.decisions.map(({ words }) => words)).toEqual(['5 min more for 2 foils: not there']);
  const checked = state(
    [30, longer],
    [
      33,
      { kind: 'checked', foil: 'b0/0', level: 8, then: 'rinse', minutes: null, reason: null, photo: null },
    ],
  );
  expect(unit(checked, 'b0/0').readyAt).toBe(at(33));
});

test('a second application: its own limit, what has lifted counts, the record adds both times', () => {
  const again: EventBody = { kind: 'reapplied', foils: ['b0/0'], reason: 'stuck' };
  const own = state([11, again]);
  const one = unit(own, 'b0/0');
  expect(one.limitAt).toBe(at(11 + 45));
  expect(one.earlierMinutes).toBe(10);
  // Ten of the minutes that one application takes are done; fresh product is sooner than what has worked for
  // ten minutes.
  expect(one.readyMinutes).toBeGreaterThan(0);
  expect(one.readyMinutes).toBeLessThan(unit(state(), 'b0/0').readyMinutes - 10);
  const off = state([11, again], [56, { kind: 'pulled', foils: ['b0/0'], reason: null }]);
  const record = recordOf(script, off);
  expect(record.units[0]).toMatchObject({ placed: 1, on: 55, earlier: 10 });
  expect(record.over).toBe(0);
  expect(record.summary).toContain('Second application on 1 foil: stuck.');
});
